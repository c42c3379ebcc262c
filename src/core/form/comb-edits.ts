/** Combing as a maker does it: strokes drawn on the animal, turns typed for a part or band, taken away again. */
import type { Vec3 } from '@/core/geometry/vec';
import type { Piece, Selector } from '@/core/piece/schema';
import type { Body } from './body';
import { placeAt } from './places';

/** Places of a stroke kept at most; the schema allows as many. */
const MOST = 200;

/** @param points where the comb went, mm; fewer than two make no stroke */
export function addCombStroke(
  piece: Piece,
  body: Body,
  points: readonly Vec3[],
  reach: number,
  mirrored: boolean,
): Piece {
  const kept = points.filter((_, i) => i % Math.ceil(points.length / MOST) === 0);
  if (kept.length < 2) return piece;
  return {
    ...piece,
    combs: [...piece.combs, { kind: 'stroke', mirrored, reach, places: kept.map((p) => placeAt(body, p)) }],
  };
}

/** The fur of a part or band turned by an angle, seen on the animal's left from outside. */
export const addTurn = (piece: Piece, where: Selector, turnDeg: number): Piece => ({
  ...piece,
  combs: [...piece.combs, { kind: 'turn', where, turnDeg }],
});

export const removeComb = (piece: Piece, index: number): Piece => ({
  ...piece,
  combs: piece.combs.filter((_, i) => i !== index),
});
