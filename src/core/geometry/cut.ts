/**
 * Cuts the part of a surface where a value given at the vertices is positive. A cut that would pass within a quarter of
 * an edge of a vertex moves that vertex onto the cut instead, so no slivers arise. Pieces smaller than `speckMm2` drop.
 */
import { buildEdges, type Edges, type Mesh } from './mesh';

export interface Patch extends Mesh {
  readonly edges: Edges;
  /** Where each vertex came from: two vertices of the whole surface (stride 2) and how far from the first to the second. */
  readonly from: Uint32Array;
  readonly share: Float64Array;
  /** Number of the connected piece of each vertex, counted from 0. */
  readonly piece: Int32Array;
  readonly pieces: number;
  readonly areaMm2: number;
}

const SNAP = 0.25;

/** @returns null when nothing of the surface is left inside */
export function cutPatch(mesh: Mesh, edges: Edges, inside: Float64Array, speckMm2: number): Patch | null {
  const n = mesh.positions.length / 3;
  const sign = new Int8Array(n);
  const nearest = new Float64Array(n).fill(SNAP);
  const towards = new Int32Array(n).fill(-1);
  for (let v = 0; v < n; v++) sign[v] = inside[v]! > 0 ? 1 : -1;
  for (let e = 0; e < edges.count; e++) {
    const u = edges.ends[2 * e]!;
    const v = edges.ends[2 * e + 1]!;
    if (sign[u] === sign[v]) continue;
    const t = inside[u]! / (inside[u]! - inside[v]!);
    if (t < nearest[u]!) {
      nearest[u] = t;
      towards[u] = v;
    }
    if (1 - t < nearest[v]!) {
      nearest[v] = 1 - t;
      towards[v] = u;
    }
  }
  const side = Int8Array.from(sign);
  for (let v = 0; v < n; v++) if (towards[v]! >= 0) side[v] = 0;
  const positions: number[] = [];
  const from: number[] = [];
  const share: number[] = [];
  const kept = new Int32Array(n).fill(-1);
  const onEdge = new Map<number, number>();
  const put = (a: number, b: number, t: number): number => {
    for (let c = 0; c < 3; c++) {
      positions.push(mesh.positions[3 * a + c]! + t * (mesh.positions[3 * b + c]! - mesh.positions[3 * a + c]!));
    }
    from.push(a, b);
    share.push(t);
    return share.length - 1;
  };
  const vertex = (v: number): number => {
    if (kept[v] === -1) kept[v] = towards[v]! >= 0 ? put(v, towards[v]!, nearest[v]!) : put(v, v, 0);
    return kept[v]!;
  };
  const crossing = (u: number, v: number, e: number): number => {
    let at = onEdge.get(e);
    if (at === undefined) {
      const [a, b] = u < v ? [u, v] : [v, u];
      at = put(a, b, inside[a]! / (inside[a]! - inside[b]!));
      onEdge.set(e, at);
    }
    return at;
  };
  const triangles: number[] = [];
  for (let t = 0; t < mesh.triangles.length; t += 3) {
    const corners = [0, 1, 2].map((k) => mesh.triangles[t + k]!);
    const s = corners.map((v) => side[v]!);
    if (s.every((x) => x <= 0)) {
      // All corners outside or on the cut: whole only when every corner was moved onto the cut from inside.
      if (s.some((x) => x < 0) || corners.reduce((sum, v) => sum + inside[v]!, 0) <= 0) continue;
      triangles.push(vertex(corners[0]!), vertex(corners[1]!), vertex(corners[2]!));
      continue;
    }
    const ring: number[] = [];
    for (let k = 0; k < 3; k++) {
      const a = corners[k]!;
      const b = corners[(k + 1) % 3]!;
      if (s[k]! >= 0) ring.push(vertex(a));
      if (s[k]! * s[(k + 1) % 3]! < 0) ring.push(crossing(a, b, edges.ofTriangle[t + ((k + 2) % 3)]!));
    }
    if (ring.length === 4) {
      // The shorter diagonal: better shaped, and the same choice on the mirrored side.
      const far = (a: number, b: number) =>
        [0, 1, 2].reduce((sum, c) => sum + (positions[3 * a + c]! - positions[3 * b + c]!) ** 2, 0);
      const [a, b, c, d] = ring as [number, number, number, number];
      if (far(a, c) <= far(b, d)) triangles.push(a, b, c, a, c, d);
      else triangles.push(a, b, d, b, c, d);
    } else triangles.push(ring[0]!, ring[1]!, ring[2]!);
  }
  return finishPatch(positions, from, share, triangles, speckMm2);
}

function finishPatch(
  positions: number[],
  from: number[],
  share: number[],
  triangles: number[],
  speckMm2: number,
): Patch | null {
  const n = share.length;
  const root = new Int32Array(n).map((_, i) => i);
  const find = (i: number): number => {
    while (root[i] !== i) i = root[i] = root[root[i]!]!;
    return i;
  };
  for (let t = 0; t < triangles.length; t += 3) {
    root[find(triangles[t]!)] = find(triangles[t + 1]!);
    root[find(triangles[t + 1]!)] = find(triangles[t + 2]!);
  }
  const area = new Float64Array(n);
  const size = (t: number): number => {
    const [i, j, k] = [3 * triangles[t]!, 3 * triangles[t + 1]!, 3 * triangles[t + 2]!];
    const u = [0, 1, 2].map((c) => positions[j + c]! - positions[i + c]!);
    const w = [0, 1, 2].map((c) => positions[k + c]! - positions[i + c]!);
    return Math.hypot(u[1]! * w[2]! - u[2]! * w[1]!, u[2]! * w[0]! - u[0]! * w[2]!, u[0]! * w[1]! - u[1]! * w[0]!) / 2;
  };
  for (let t = 0; t < triangles.length; t += 3) area[find(triangles[t]!)]! += size(t);
  const renumber = new Int32Array(n).fill(-1);
  const number = new Map<number, number>();
  const P: number[] = [];
  const F: number[] = [];
  const S: number[] = [];
  const piece: number[] = [];
  const T: number[] = [];
  let total = 0;
  for (let t = 0; t < triangles.length; t += 3) {
    const r = find(triangles[t]!);
    if (area[r]! < speckMm2) continue;
    total += size(t);
    if (!number.has(r)) number.set(r, number.size);
    for (let k = 0; k < 3; k++) {
      const v = triangles[t + k]!;
      if (renumber[v] === -1) {
        renumber[v] = S.length;
        P.push(positions[3 * v]!, positions[3 * v + 1]!, positions[3 * v + 2]!);
        F.push(from[2 * v]!, from[2 * v + 1]!);
        S.push(share[v]!);
        piece.push(number.get(r)!);
      }
      T.push(renumber[v]!);
    }
  }
  if (T.length === 0) return null;
  const mesh = { positions: Float64Array.from(P), triangles: Uint32Array.from(T) };
  return {
    ...mesh,
    edges: buildEdges(mesh.triangles, S.length),
    from: Uint32Array.from(F),
    share: Float64Array.from(S),
    piece: Int32Array.from(piece),
    pieces: number.size,
    areaMm2: total,
  };
}

/** A quantity of the whole surface (stride 3) at the vertices of the patch, made unit length. */
export function directionsOnPatch(patch: Patch, whole: Float64Array): Float64Array {
  const n = patch.share.length;
  const out = new Float64Array(3 * n);
  for (let v = 0; v < n; v++) {
    const a = 3 * patch.from[2 * v]!;
    const b = 3 * patch.from[2 * v + 1]!;
    const t = patch.share[v]!;
    let s = 0;
    for (let k = 0; k < 3; k++) {
      out[3 * v + k] = (1 - t) * whole[a + k]! + t * whole[b + k]!;
      s += out[3 * v + k]! ** 2;
    }
    s = 1 / Math.sqrt(s || 1);
    for (let k = 0; k < 3; k++) out[3 * v + k]! *= s;
  }
  return out;
}
