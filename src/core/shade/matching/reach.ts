/**
 * When nothing in stock reaches a colour: in which direction the stock falls short, and which one lot more would do. The lot
 * is what has to be blended half and half with the best recipe to give the wanted colour, as far as a wool can be that.
 */
import { difference } from '@/core/colour/difference';
import { labOf, type Triple } from '@/core/colour/lab';
import { hexOfCurve, labOfCurve, reflectanceOf } from '@/core/colour/reflectance';
import { blendCurve, stearns, stearnsBack, type BlendHow } from '@/core/wool/blend';
import { colourName, direction, SLIGHT } from '@/core/shade/words';

export interface Shortfall {
  /** What the missing wool is like beside the nearest recipe: redder, darker. */
  readonly words: readonly string[];
  /** A lot of about this colour, named. */
  readonly hex: string;
  readonly name: string;
  /** Difference that would be left with it, half and half with the recipe. */
  readonly left: number;
}

/** No wool reflects less or more than this. Ours. */
const R_LEAST = 0.012;
const R_MOST = 0.9;

/** @returns null when the nearest is near enough */
export function shortfall(target: string, nearest: Float64Array, how: BlendHow): Shortfall | null {
  const wanted: Triple = labOf(target);
  if (difference(wanted, labOfCurve(nearest)) <= SLIGHT) return null;
  const goal = reflectanceOf(target);
  const lot = nearest.map((r, k) => {
    const f = 2 * stearns(Math.max(1e-4, goal[k]!), how.m) - stearns(Math.max(1e-4, r), how.m);
    const top = stearns(R_MOST, how.m);
    return Math.max(R_LEAST, Math.min(R_MOST, f <= top ? R_MOST : stearnsBack(f, how.m)));
  });
  const hex = hexOfCurve(lot);
  const with1 = blendCurve(
    [
      { curve: nearest, parts: 1 },
      { curve: lot, parts: 1 },
    ],
    { ...how, model: 'stearns-noechel' },
  );
  return {
    words: direction(labOfCurve(nearest), wanted),
    hex,
    name: colourName(labOf(hex)),
    left: difference(wanted, labOfCurve(with1)),
  };
}
