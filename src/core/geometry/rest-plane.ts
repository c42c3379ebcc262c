/**
 * The plane a body comes to rest on: it tips until the facet of its lower hull that lies under the middle of its weight is on the
 * ground. Right for small tilts, where that middle stays over the same place. The facet is found as the lowest height over the
 * place that any three points reach together: a linear programme, by exchanging one point at a time (simplex, from memory). mm
 */
import { convexHull, type Point2 } from './hull';

/** y = a x + b z + c */
export interface Plane {
  readonly a: number;
  readonly b: number;
  readonly c: number;
}

export const heightOver = (p: Plane, x: number, z: number): number => p.a * x + p.b * z + p.c;

/** How far a plane is from level, degrees. */
export const tiltOf = (p: Plane): number => (Math.atan(Math.hypot(p.a, p.b)) * 180) / Math.PI;

/** A point is taken to be on the plane when it is this near, mm. */
const ON = 1e-9;

/**
 * @param positions stride 3
 * @param at x and z of the middle of the weight
 * @returns null where that lies over no part of the body
 */
export function restPlane(positions: ArrayLike<number>, at: Point2): Plane | null {
  const x = (v: number) => positions[3 * v]!;
  const y = (v: number) => positions[3 * v + 1]!;
  const z = (v: number) => positions[3 * v + 2]!;
  const all = Array.from({ length: positions.length / 3 }, (_, v) =>
    Object.assign([x(v), z(v)] as [number, number], { v }),
  );
  const corners = convexHull(all).map((p) => (p as (typeof all)[number]).v);
  /** Shares of three points that make up the place; the least of them is negative outside. */
  const shares = (t: readonly number[]): number[] => {
    const [i, j, k] = t as [number, number, number];
    const d = (x(j) - x(i)) * (z(k) - z(i)) - (x(k) - x(i)) * (z(j) - z(i));
    const s = ((x(j) - at[0]) * (z(k) - at[1]) - (x(k) - at[0]) * (z(j) - at[1])) / d;
    const r = ((x(k) - at[0]) * (z(i) - at[1]) - (x(i) - at[0]) * (z(k) - at[1])) / d;
    return [s, r, 1 - s - r];
  };
  const inside = (t: readonly number[]): number => {
    const least = Math.min(...shares(t));
    return Number.isNaN(least) ? -Infinity : least;
  };
  const best = (list: readonly number[][]): number[] => list.reduce((p, q) => (inside(q) > inside(p) ? q : p));
  if (corners.length < 3) return null;
  let three = best(corners.slice(2).map((k, i) => [corners[0]!, corners[i + 1]!, k]));
  if (inside(three) < -1e-9) return null;
  for (let round = 0; round < 1000; round++) {
    const plane = through(three.map((v) => [x(v), y(v), z(v)] as const));
    let lowest = three[0]!;
    let below = 0;
    for (let v = 0; v < all.length; v++) {
      const d = y(v) - heightOver(plane, x(v), z(v));
      if (d < below) [below, lowest] = [d, v];
    }
    if (below > -ON) return plane;
    three = best(three.map((_, i) => three.map((v, k) => (k === i ? lowest : v))));
  }
  return through(three.map((v) => [x(v), y(v), z(v)] as const));
}

function through(p: readonly (readonly [number, number, number])[]): Plane {
  const [o, q, r] = [p[0]!, p[1]!, p[2]!];
  const [ux, uy, uz] = [0, 1, 2].map((k) => q[k]! - o[k]!) as [number, number, number];
  const [wx, wy, wz] = [0, 1, 2].map((k) => r[k]! - o[k]!) as [number, number, number];
  const d = ux * wz - uz * wx;
  const a = (uy * wz - uz * wy) / d;
  const b = (ux * wy - uy * wx) / d;
  return { a, b, c: o[1]! - a * o[0]! - b * o[2]! };
}
