/** Flat felt parts as they begin: outlines by kind, in thousandths of the animal's length, seat along the bottom. Ours. */
import { USUAL_SHRINK } from '@/core/rates/shrunk';
import type { FlatPart } from '@/core/piece/schema';

export const FLAT_OUTLINES: Readonly<Record<FlatPart['kind'], readonly (readonly [number, number])[]>> = {
  ear: [
    [-22, 0],
    [-26, 24],
    [-12, 54],
    [8, 58],
    [25, 28],
    [22, 0],
  ],
  wing: [
    [-60, 0],
    [-100, 110],
    [-70, 290],
    [0, 420],
    [60, 280],
    [78, 110],
    [50, 0],
  ],
  'tail feather': [
    [-10, 0],
    [-22, 120],
    [-18, 260],
    [0, 300],
    [18, 260],
    [22, 120],
    [10, 0],
  ],
  beak: [
    [-20, 0],
    [-14, 60],
    [0, 130],
    [14, 60],
    [20, 0],
  ],
  claw: [
    [-6, 0],
    [-5, 16],
    [4, 34],
    [9, 18],
    [6, 0],
  ],
  other: [
    [-30, 0],
    [-30, 60],
    [30, 60],
    [30, 0],
  ],
};

/** @param of what it is; the rest is as such parts usually are */
export const beginFlat = (
  of: Pick<FlatPart, 'id' | 'name' | 'kind' | 'paired' | 'lotId' | 'seat'> & Partial<FlatPart>,
): FlatPart => ({
  outline: FLAT_OUTLINES[of.kind].map(([x, y]) => [x, y] as [number, number]),
  thicknessMm: 2,
  layers: 3,
  shrinkShare: USUAL_SHRINK,
  liningLotId: null,
  liningMm: 0.8,
  fringeMm: 10,
  bendDeg: 0,
  ...of,
});
