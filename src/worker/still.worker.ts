/** The worker that works out a picture: one for each, so that it can be stopped at once and nothing else waits for it. */
import * as Comlink from 'comlink';
import type { Cupboard } from '@/core/piece/cupboard';
import type { Piece } from '@/core/piece/schema';
import { still, type StillOptions } from '@/core/picture/still';
import type { Plan } from '@/core/plan';
import { pngOf } from '@/sheets/png';

const api = {
  /** @returns the picture as PNG */
  still(
    piece: Piece,
    plan: Plan,
    cupboard: Cupboard,
    options: Omit<StillOptions, 'progress'>,
    report: (share: number) => void,
  ): Uint8Array {
    const png = pngOf(still(piece, plan, cupboard, { ...options, progress: report }));
    return Comlink.transfer(png, [png.buffer as ArrayBuffer]);
  },
};
export type StillWorker = typeof api;
Comlink.expose(api);
