/** The ground of a relief as an area of its own: the front of its board felted smooth, under everything that stands out of it. */
import { addArea } from '@/core/form/area-edits';
import type { Cupboard } from '@/core/piece/cupboard';
import type { Hand } from '@/core/piece/hand';
import type { Piece } from '@/core/piece/schema';
import { findWools } from '@/core/wool/find';
import { wayOf } from './ways';

/** The board of a relief, where nothing is laid on it yet. */
export const bareBoard = ({ form, areas }: Pick<Piece, 'form' | 'areas'>): string | null => {
  const board = form.parts.find((p) => p.shape === 'board');
  return board && !areas.some((a) => a.where.some((s) => s.parts.includes(board.id))) ? board.id : null;
};

/** @returns the piece and the id of its ground; the piece as it is where there is no board, or one that has its area */
export function layGround(piece: Piece, cupboard: Cupboard, hand: Hand): { piece: Piece; id: string } | null {
  const board = bareBoard(piece);
  if (board === null) return null;
  const way = wayOf('smooth');
  const own = cupboard.lots.find((l) => l.id === piece.core.lotId);
  const lot =
    own && way.suits[own.form].suits !== 'badly'
      ? own
      : findWools(cupboard.lots, { suits: (form) => way.suits[form].suits, ...(own ? { near: own.colour } : {}) })[0];
  const made = addArea(piece, 'Ground', [{ parts: [board], side: 'left' }]);
  const ground = made.piece.areas.at(-1)!;
  const coat = lot
    ? {
        ...way.begin({ lot, cupboard, hand, finishedLengthMm: piece.form.finishedLengthMm, now: null }),
        surface: 'ground' as const,
      }
    : ground.coat;
  // First in the list: what stands out of it has what it claims.
  return { piece: { ...made.piece, areas: [{ ...ground, coat }, ...piece.areas] }, id: made.id };
}
