/**
 * Several needles in a holder: how wide a place must be for all of them, and how wide a place is. mm. Ours, from geometry.
 */
import { norm, cross, sub, type Vec3 } from '@/core/geometry/vec';
import type { Needlework } from '@/core/stage';
import type { Ground } from './ground';
import type { Sight } from './fit';
import { thinness } from './thin';

/** Needles of a holder stand so far apart. Ours. */
const APART_MM = 5;
/** A place is so many times as wide as the ring of points, or some of them go in beside it. Ours. */
const ROOM = 1.5;

/** Across the ring the points of a holder stand on: a regular polygon with sides of `APART_MM`. @param needles 2 or more */
export const ringOf = (needles: number): number => APART_MM / Math.sin(Math.PI / needles);

export const hasRoom = (needles: number, acrossMm: number): boolean => acrossMm >= ROOM * ringOf(needles);

/** Sides of the rectangle with this area and border; the square root of the area where it is rounder than any. */
export function narrowSide(areaMm2: number, borderMm: number): number {
  const half = borderMm / 2;
  const d = half * half - 4 * areaMm2;
  return d <= 0 ? Math.sqrt(areaMm2) : (half - Math.sqrt(d)) / 2;
}

/** How wide a piece of a surface is: the widest of its pieces, each by its area and border. */
export function widthOfSurface(s: {
  readonly positions: ArrayLike<number>;
  readonly triangles: ArrayLike<number>;
}): number {
  const at = (v: number): Vec3 => [s.positions[3 * v]!, s.positions[3 * v + 1]!, s.positions[3 * v + 2]!];
  const parent = new Map<number, number>();
  const root = (v: number): number => {
    let r = v;
    for (let p = parent.get(r); p !== undefined && p !== r; p = parent.get(r)) r = p;
    parent.set(v, r);
    return r;
  };
  const edges = new Map<string, { a: number; b: number; n: number }>();
  for (let t = 0; t < s.triangles.length; t += 3)
    for (let k = 0; k < 3; k++) {
      const [a, b] = [s.triangles[t + k]!, s.triangles[t + ((k + 1) % 3)]!];
      parent.set(root(a), root(b));
      const key = a < b ? `${a},${b}` : `${b},${a}`;
      const e = edges.get(key);
      if (e) e.n++;
      else edges.set(key, { a, b, n: 1 });
    }
  const pieces = new Map<number, { area: number; border: number }>();
  const piece = (v: number) => {
    const r = root(v);
    const p = pieces.get(r) ?? { area: 0, border: 0 };
    pieces.set(r, p);
    return p;
  };
  for (let t = 0; t < s.triangles.length; t += 3) {
    const [a, b, c] = [0, 1, 2].map((k) => at(s.triangles[t + k]!)) as [Vec3, Vec3, Vec3];
    piece(s.triangles[t]!).area += norm(cross(sub(b, a), sub(c, a))) / 2;
  }
  for (const e of edges.values()) if (e.n === 1) piece(e.a).border += norm(sub(at(e.a), at(e.b)));
  return Math.max(0, ...[...pieces.values()].map((p) => narrowSide(p.area, p.border)));
}

/** How wide the place is some work goes on at: by itself, by its area, and by the felt below it. */
export function acrossOf(g: Pick<Ground, 'surfaces'>, work: Needlework, sight: Sight): number {
  const { where } = work;
  const surface = where.on === 'area' ? g.surfaces.find((a) => a.id === where.id)?.surface : undefined;
  return Math.min(
    work.acrossMm ?? Infinity,
    surface && surface.triangles.length > 0 ? widthOfSurface(surface) : Infinity,
    // On the mat the thickness is no width.
    where.on === 'mat' ? Infinity : (thinness(sight, work) ?? Infinity),
  );
}
