/** A lens that looks at an animal from a side it is photographed from, so that its picture lies on the photograph millimetre for millimetre. */
import { SIDES } from '@/core/form/sides';
import { add, cross, scale } from '@/core/geometry/vec';
import type { Lens, Turned } from './lens';

type Side = keyof typeof SIDES;

const TURNED: Readonly<Record<Side, Turned>> = {
  left: { yaw: 90, pitch: 0 },
  front: { yaw: 0, pitch: 0 },
  above: { yaw: 180, pitch: 90 },
};

/** A stretch of what is seen flat from a side: mm to the right and up (`seenFlat`). */
export interface FlatBox {
  readonly min: readonly [number, number];
  readonly max: readonly [number, number];
}

/** @param longest pixels of the longer side of the picture */
export function sideLens(side: Side, { min, max }: FlatBox, longest: number): Lens {
  const { from, up } = SIDES[side];
  const right = cross(up, from);
  const [w, h] = [max[0] - min[0], max[1] - min[1]];
  const perMm = longest / Math.max(w, h);
  return {
    turned: TURNED[side],
    centre: add(scale(right, (min[0] + max[0]) / 2), scale(up, (min[1] + max[1]) / 2)),
    perMm,
    width: Math.max(1, Math.round(w * perMm)),
    height: Math.max(1, Math.round(h * perMm)),
  };
}
