/** The worker that works out a picture: one for each, so that it can be stopped at once and nothing else waits for it. */
import * as Comlink from 'comlink';
import type { Cupboard } from '@/core/piece/cupboard';
import type { Piece } from '@/core/piece/schema';
import type { Plan } from '@/core/plan';
import { stillPicture, type PictureAsked } from '@/sheets/still-picture';
import { sheetFonts } from './sheet-fonts';

const api = {
  /** @returns the picture as PNG; null where the face is asked for and there is none */
  async still(
    piece: Piece,
    plan: Plan,
    cupboard: Cupboard,
    asked: PictureAsked,
    report: (share: number) => void,
  ): Promise<Uint8Array | null> {
    const png = stillPicture(piece, plan, cupboard, asked, await sheetFonts(), report);
    return png && Comlink.transfer(png, [png.buffer as ArrayBuffer]);
  },
};
export type StillWorker = typeof api;
Comlink.expose(api);
