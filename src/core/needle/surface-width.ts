/** How wide a place on the animal is, from its area and border. mm. */
import { cross, norm, sub, type Vec3 } from '@/core/geometry/vec';

/** Sides of the rectangle with this area and border; the square root of the area where it is rounder than any. */
export function narrowSide(areaMm2: number, borderMm: number): number {
  const half = borderMm / 2;
  const d = half * half - 4 * areaMm2;
  return d <= 0 ? Math.sqrt(areaMm2) : (half - Math.sqrt(d)) / 2;
}

/** How wide a surface is: the widest of its pieces, each by its area and border; null of nothing. */
export function widthOfSurface(s: {
  readonly positions: ArrayLike<number>;
  readonly triangles: ArrayLike<number>;
}): number | null {
  if (s.triangles.length === 0) return null;
  const points = s.positions.length / 3;
  const at = (v: number): Vec3 => [s.positions[3 * v]!, s.positions[3 * v + 1]!, s.positions[3 * v + 2]!];
  const parent = new Map<number, number>();
  const root = (v: number): number => {
    let r = v;
    for (let p = parent.get(r); p !== undefined && p !== r; p = parent.get(r)) r = p;
    parent.set(v, r);
    return r;
  };
  const edges = new Map<number, { a: number; b: number; n: number }>();
  for (let t = 0; t < s.triangles.length; t += 3)
    for (let k = 0; k < 3; k++) {
      const [a, b] = [s.triangles[t + k]!, s.triangles[t + ((k + 1) % 3)]!];
      parent.set(root(a), root(b));
      const key = a < b ? a * points + b : b * points + a;
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
