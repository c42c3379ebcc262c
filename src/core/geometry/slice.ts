/** A plane through a closed mesh: the loops it cuts, in coordinates of the plane. */
import type { Mesh } from './mesh';
import { dot, sub, type Vec3 } from './vec';

export interface Plane {
  readonly at: Vec3;
  readonly normal: Vec3;
  /** Unit, in the plane: the first and second coordinate of what is cut. */
  readonly across: Vec3;
  readonly up: Vec3;
}

/** Flat closed loop, stride 2, mm; the last place joins the first. */
export type Loop = Float64Array;

/** Every loop the plane cuts. Corners exactly in the plane count as above it. */
export function slice(mesh: Mesh, plane: Plane): Loop[] {
  const { positions: p, triangles: T } = mesh;
  const n = p.length / 3;
  const side = new Float64Array(n);
  for (let v = 0; v < n; v++) {
    side[v] =
      (p[3 * v]! - plane.at[0]) * plane.normal[0] +
      (p[3 * v + 1]! - plane.at[1]) * plane.normal[1] +
      (p[3 * v + 2]! - plane.at[2]) * plane.normal[2];
  }
  const key = (a: number, b: number) => (a < b ? a * n + b : b * n + a);
  // Each cut triangle leads from one of its edges to another; closed meshes give closed chains.
  const next = new Map<number, { to: number; a: number; b: number }>();
  for (let t = 0; t < T.length; t += 3) {
    const above = side[T[t]!]! >= 0;
    // Few triangles are cut.
    if (side[T[t + 1]!]! >= 0 === above && side[T[t + 2]!]! >= 0 === above) continue;
    let from = -1;
    let to = -1;
    for (let k = 0; k < 3; k++) {
      const a = T[t + k]!;
      const b = T[t + ((k + 1) % 3)]!;
      if (side[a]! >= 0 && side[b]! < 0) from = k;
      if (side[a]! < 0 && side[b]! >= 0) to = k;
    }
    if (from < 0 || to < 0) continue;
    const [a, b] = [T[t + from]!, T[t + ((from + 1) % 3)]!];
    next.set(key(a, b), { to: key(T[t + to]!, T[t + ((to + 1) % 3)]!), a, b });
  }
  const loops: Loop[] = [];
  while (next.size > 0) {
    const points: number[] = [];
    let at = next.keys().next().value!;
    for (let hop = next.get(at); hop; hop = next.get(at)) {
      next.delete(at);
      const t = side[hop.a]! / (side[hop.a]! - side[hop.b]!);
      const q = [0, 1, 2].map(
        (k) => p[3 * hop.a + k]! + t * (p[3 * hop.b + k]! - p[3 * hop.a + k]!),
      ) as unknown as Vec3;
      const off = sub(q, plane.at);
      points.push(dot(off, plane.across), dot(off, plane.up));
      at = hop.to;
    }
    loops.push(Float64Array.from(points));
  }
  return loops;
}

/** Does a loop go round the point (x, y). */
export function around(loop: Loop, x = 0, y = 0): boolean {
  let inside = false;
  for (let i = 0, j = loop.length - 2; i < loop.length; j = i, i += 2) {
    const [xi, yi, xj, yj] = [loop[i]!, loop[i + 1]!, loop[j]!, loop[j + 1]!];
    if (yi > y !== yj > y && x < ((xj - xi) * (y - yi)) / (yj - yi) + xi) inside = !inside;
  }
  return inside;
}

/** Width through (0, 0) along the first (0) or second (1) coordinate, between the places where the loop is met; mm. */
export function widthOf(loop: Loop, coordinate: 0 | 1): number {
  let plus = Infinity;
  let minus = Infinity;
  for (let i = 0, j = loop.length - 2; i < loop.length; j = i, i += 2) {
    const [a, b] = [loop[j + 1 - coordinate]!, loop[i + 1 - coordinate]!];
    if (a > 0 === b > 0) continue;
    const t = a / (a - b);
    const x = loop[j + coordinate]! + t * (loop[i + coordinate]! - loop[j + coordinate]!);
    if (x > 0) plus = Math.min(plus, x);
    else minus = Math.min(minus, -x);
  }
  return plus + minus;
}

/** Area a loop encloses, mm2. */
export function areaOf(loop: Loop): number {
  let s = 0;
  for (let i = 0, j = loop.length - 2; i < loop.length; j = i, i += 2)
    s += loop[j]! * loop[i + 1]! - loop[i]! * loop[j + 1]!;
  return Math.abs(s) / 2;
}
