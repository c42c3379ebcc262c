/** The worker that works out a picture: one for each, so that it can be stopped at once and nothing else waits for it. */
import * as Comlink from 'comlink';
import type { Cupboard } from '@/core/piece/cupboard';
import type { Piece } from '@/core/piece/schema';
import { makePlan, type Plan } from '@/core/plan';
import type { Hand } from '@/core/piece/hand';
import { ballPiece } from '@/core/picture/practice-piece';
import { stillPicture, type PictureAsked } from '@/sheets/still-picture';
import { sheetFonts } from './sheet-fonts';

/** Side of its skin’s grid as a share of the ball. */
const BALL_EDGE = 1 / 60;

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
  /** An area's coat on a practice ball. @returns the picture as PNG; null where it has no coat */
  async ball(
    piece: Piece,
    areaId: string,
    diameterMm: number,
    cupboard: Cupboard,
    hand: Hand,
    asked: PictureAsked,
  ): Promise<Uint8Array | null> {
    const ball = ballPiece(piece, areaId, diameterMm);
    if (!ball) return null;
    const plan = makePlan(ball, cupboard, hand, undefined, { edgeShare: BALL_EDGE });
    const png = stillPicture(ball, plan, cupboard, asked, await sheetFonts(), () => undefined);
    return png && Comlink.transfer(png, [png.buffer as ArrayBuffer]);
  },
};
export type StillWorker = typeof api;
Comlink.expose(api);
