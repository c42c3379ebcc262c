/** Weights and the ground: the middle of several weights, a weight put low over one side, how far it can be tipped over its feet. mm, g */
import { convexHull, insideHull, type Point2 } from '@/core/geometry/hull';
import { add, scale as times, type Vec3 } from '@/core/geometry/vec';
import { figure, type Figure } from '@/core/method/define';
import type { SIDES } from '@/core/piece/schema';
import { tippingAngle } from './core-methods';

export interface Weight {
  readonly massG: number;
  readonly at: Vec3;
}

export type Side = (typeof SIDES)[number];

/** Middle of the weight of a list of weights. */
export function balance(list: readonly Weight[]): Weight {
  const massG = list.reduce((s, w) => s + w.massG, 0);
  return {
    massG,
    at: times(
      list.reduce((s: Vec3, w) => add(s, times(w.at, w.massG)), [0, 0, 0]),
      1 / (massG || 1),
    ),
  };
}

/** Corners of the area some places enclose, how far inside it the middle lies (less than 0 outside), and which way is out there. */
export function overFeet(
  places: readonly Point2[],
  centre: Vec3,
): { readonly feet: readonly Point2[]; readonly margin: number; readonly outward: Point2 } {
  const feet = convexHull([...places]);
  return feet.length < 3
    ? { feet, margin: -1, outward: [0, 1] }
    : { feet, ...insideHull(feet, [centre[0], centre[2]]) };
}

export const tippingOf = (margin: number, centre: Vec3, groundY: number): Figure =>
  figure(tippingAngle, { margin, height: Math.max(centre[1] - groundY, 1e-6) });

/** Left and right are the animal's own. */
export const sideOf = (n: Point2): Side =>
  Math.abs(n[0]) > Math.abs(n[1]) ? (n[0] > 0 ? 'left' : 'right') : n[1] > 0 ? 'front' : 'back';

export const OPPOSITE: Readonly<Record<Side, Side>> = { front: 'back', back: 'front', left: 'right', right: 'left' };

const WAY: Readonly<Record<Side, Point2>> = { front: [0, 1], back: [0, -1], left: [1, 0], right: [-1, 0] };

/** A weight lies so low in the core, as a share of the height of the middle of all weight. Ours. */
const LOW = 0.3;

/** Where a weight put low over one side of the feet lies: over the edge on that side, in line with the middle of the feet. */
export function lowOver(side: Side, feet: readonly Point2[], centre: Vec3, groundY: number): Vec3 {
  const y = groundY + LOW * (centre[1] - groundY);
  if (feet.length === 0) return [centre[0], y, centre[2]];
  const d = WAY[side];
  const middle: Point2 = [
    feet.reduce((s, q) => s + q[0], 0) / feet.length,
    feet.reduce((s, q) => s + q[1], 0) / feet.length,
  ];
  const out = Math.max(...feet.map((q) => (q[0] - middle[0]) * d[0] + (q[1] - middle[1]) * d[1]));
  return [middle[0] + out * d[0], y, middle[1] + out * d[1]];
}
