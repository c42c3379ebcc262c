/**
 * Edge flips towards a Delaunay triangulation on a curved surface, keeping its shape: an edge is flipped when the two
 * angles opposite to it add up to more than a straight angle, unless that would double an edge or fold the surface.
 */
import type { Edges } from './mesh';

/**
 * Changes `triangles` and `edges` in place; returns how many edges were flipped.
 * @param apart vertices marked here are not joined to each other: an edge between two of them would meet its own image
 */
export function flipToDelaunay(
  positions: Float64Array,
  triangles: Uint32Array,
  edges: Edges,
  apart?: Uint8Array,
): number {
  const { ends, sides, ofTriangle, count } = edges;
  const neighbours: Set<number>[] = Array.from({ length: positions.length / 3 }, () => new Set<number>());
  for (let e = 0; e < count; e++) {
    neighbours[ends[2 * e]!]!.add(ends[2 * e + 1]!);
    neighbours[ends[2 * e + 1]!]!.add(ends[2 * e]!);
  }
  const p = positions;
  const normal = (a: number, b: number, c: number): [number, number, number] => {
    const ux = p[3 * b]! - p[3 * a]!;
    const uy = p[3 * b + 1]! - p[3 * a + 1]!;
    const uz = p[3 * b + 2]! - p[3 * a + 2]!;
    const vx = p[3 * c]! - p[3 * a]!;
    const vy = p[3 * c + 1]! - p[3 * a + 1]!;
    const vz = p[3 * c + 2]! - p[3 * a + 2]!;
    return [uy * vz - uz * vy, uz * vx - ux * vz, ux * vy - uy * vx];
  };
  const cotangent = (apex: number, a: number, b: number): number => {
    let d = 0;
    for (let k = 0; k < 3; k++) d += (p[3 * a + k]! - p[3 * apex + k]!) * (p[3 * b + k]! - p[3 * apex + k]!);
    const [x, y, z] = normal(apex, a, b);
    return d / Math.max(Math.sqrt(x * x + y * y + z * z), 1e-12);
  };
  const queue: number[] = Array.from({ length: count }, (_, i) => i);
  const waiting = new Uint8Array(count).fill(1);
  const limit = 8 * count;
  let flips = 0;
  for (let head = 0; head < queue.length && head < limit; head++) {
    const e = queue[head]!;
    waiting[e] = 0;
    const s = sides[2 * e]!;
    const t = sides[2 * e + 1]!;
    if (s < 0 || t < 0) continue;
    const u = ends[2 * e]!;
    const v = ends[2 * e + 1]!;
    const ks = [0, 1, 2].find((k) => ofTriangle[3 * s + k] === e)!;
    const kt = [0, 1, 2].find((k) => ofTriangle[3 * t + k] === e)!;
    const a = triangles[3 * s + ks]!;
    const b = triangles[3 * t + kt]!;
    if (cotangent(a, u, v) + cotangent(b, u, v) >= -1e-9 || neighbours[a]!.has(b)) continue;
    if (apart?.[a] && apart[b]) continue;
    // s runs u -> v with apex a, t runs v -> u with apex b; afterwards (a, u, b) and (b, v, a).
    const n0 = normal(a, u, v);
    const n1 = normal(b, v, u);
    const m0 = normal(a, u, b);
    const m1 = normal(b, v, a);
    const sum = [n0[0] + n1[0], n0[1] + n1[1], n0[2] + n1[2]];
    const size = Math.sqrt(sum[0]! ** 2 + sum[1]! ** 2 + sum[2]! ** 2);
    const flat = (m: readonly number[]) =>
      (m[0]! * sum[0]! + m[1]! * sum[1]! + m[2]! * sum[2]!) / (size * Math.hypot(m[0]!, m[1]!, m[2]!) || 1);
    if (flat(m0) < 0.7 || flat(m1) < 0.7) continue;
    const eAV = ofTriangle[3 * s + ((ks + 1) % 3)]!; // opposite u in s
    const eUA = ofTriangle[3 * s + ((ks + 2) % 3)]!; // opposite v in s
    const eBU = ofTriangle[3 * t + ((kt + 1) % 3)]!; // opposite v in t
    const eVB = ofTriangle[3 * t + ((kt + 2) % 3)]!; // opposite u in t
    neighbours[u]!.delete(v);
    neighbours[v]!.delete(u);
    neighbours[a]!.add(b);
    neighbours[b]!.add(a);
    // New s = (a, u, b): opposite a is u-b, opposite u is b-a, opposite b is a-u.
    triangles.set([a, u, b], 3 * s);
    ofTriangle.set([eBU, e, eUA], 3 * s);
    // New t = (b, v, a): opposite b is v-a, opposite v is a-b, opposite a is b-v.
    triangles.set([b, v, a], 3 * t);
    ofTriangle.set([eAV, e, eVB], 3 * t);
    ends[2 * e] = Math.min(a, b);
    ends[2 * e + 1] = Math.max(a, b);
    // s runs b -> a along it, t runs a -> b.
    sides[2 * e] = a < b ? t : s;
    sides[2 * e + 1] = a < b ? s : t;
    const move = (edge: number, from: number, to: number) => {
      const slot = sides[2 * edge] === from ? 2 * edge : 2 * edge + 1;
      sides[slot] = to;
    };
    move(eBU, t, s);
    move(eAV, s, t);
    flips++;
    for (const f of [eAV, eUA, eBU, eVB]) {
      if (!waiting[f]) {
        waiting[f] = 1;
        queue.push(f);
      }
    }
  }
  return flips;
}
