/**
 * Opens a surface along the edges between triangles of opposite sides: corners are joined again round every vertex but
 * never across the seam, so a vertex on it becomes two.
 */
import type { Patch } from './cut';
import { buildEdges } from './mesh';

/** @param side -1 or 1 for triangles on the two sides of the seam, 0 for all that do not touch it */
export function openSeam(patch: Patch, side: Int8Array): Patch {
  const { triangles: T, edges } = patch;
  const root = new Int32Array(T.length).map((_, i) => i);
  const find = (i: number): number => {
    while (root[i] !== i) i = root[i] = root[root[i]!]!;
    return i;
  };
  const corner = (t: number, v: number) => 3 * t + (T[3 * t] === v ? 0 : T[3 * t + 1] === v ? 1 : 2);
  let seams = 0;
  for (let e = 0; e < edges.count; e++) {
    const [s, t] = [edges.sides[2 * e]!, edges.sides[2 * e + 1]!];
    if (s < 0 || t < 0) continue;
    if (side[s]! * side[t]! < 0) {
      seams++;
      continue;
    }
    for (const v of [edges.ends[2 * e]!, edges.ends[2 * e + 1]!]) root[find(corner(s, v))] = find(corner(t, v));
  }
  if (seams === 0) return patch;
  const at = new Map<number, number>();
  const from: number[] = [];
  const triangles = Uint32Array.from(T, (v, c) => {
    const r = find(c);
    let n = at.get(r);
    if (n === undefined) {
      n = from.length;
      at.set(r, n);
      from.push(v);
    }
    return n;
  });
  const n = from.length;
  const pieces = new Int32Array(n).map((_, i) => i);
  const head = (i: number): number => {
    while (pieces[i] !== i) i = pieces[i] = pieces[pieces[i]!]!;
    return i;
  };
  for (let t = 0; t < triangles.length; t += 3) {
    pieces[head(triangles[t]!)] = head(triangles[t + 1]!);
    pieces[head(triangles[t + 1]!)] = head(triangles[t + 2]!);
  }
  const number = new Map<number, number>();
  const piece = Int32Array.from({ length: n }, (_, v) => {
    const r = head(v);
    if (!number.has(r)) number.set(r, number.size);
    return number.get(r)!;
  });
  return {
    positions: Float64Array.from({ length: 3 * n }, (_, i) => patch.positions[3 * from[Math.floor(i / 3)]! + (i % 3)]!),
    triangles,
    edges: buildEdges(triangles, n),
    from: Uint32Array.from({ length: 2 * n }, (_, i) => patch.from[2 * from[i >> 1]! + (i & 1)]!),
    share: Float64Array.from(from, (v) => patch.share[v]!),
    piece,
    pieces: number.size,
    areaMm2: patch.areaMm2,
  };
}
