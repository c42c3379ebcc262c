/**
 * Lines of equal value on a triangle mesh, for many levels at once, in time linear in triangles and line pieces: every
 * crossing of an edge gets a number, every triangle links two of them, and the links are walked into lines.
 */
import type { Edges, Mesh } from './mesh';

export interface Isoline {
  /** Level number: the value is `first + level * step`. */
  readonly level: number;
  readonly closed: boolean;
  readonly lengthMm: number;
  /** Points of the line, stride 3. A closed line repeats its first point at the end. */
  readonly points: Float64Array;
  /** For each point the edge it lies on (-1 never occurs) and the share from the edge's lower to its higher end. */
  readonly edge: Uint32Array;
  readonly share: Float64Array;
}

/** @param value one number a vertex, the same unit as `first` and `step` */
export function isolines(mesh: Mesh, edges: Edges, value: Float64Array, first: number, step: number): Isoline[] {
  const above = new Int32Array(value.length); // lowest level not below the vertex
  for (let v = 0; v < value.length; v++) above[v] = Math.ceil((value[v]! - first) / step);
  const base = new Uint32Array(edges.count + 1);
  for (let e = 0; e < edges.count; e++) {
    base[e + 1] = base[e]! + Math.abs(above[edges.ends[2 * e]!]! - above[edges.ends[2 * e + 1]!]!);
  }
  const total = base[edges.count]!;
  const link = new Int32Array(2 * total).fill(-1);
  const tie = (a: number, b: number) => {
    link[link[2 * a] === -1 ? 2 * a : 2 * a + 1] = b;
    link[link[2 * b] === -1 ? 2 * b : 2 * b + 1] = a;
  };
  const id = (e: number, level: number) =>
    base[e]! + level - Math.min(above[edges.ends[2 * e]!]!, above[edges.ends[2 * e + 1]!]!);
  for (let t = 0; t < mesh.triangles.length; t += 3) {
    const c = [0, 1, 2].map((k) => mesh.triangles[t + k]!);
    c.sort((a, b) => above[a]! - above[b]!);
    const between = (u: number, v: number): number => {
      for (let k = 0; k < 3; k++) {
        const e = edges.ofTriangle[t + k]!;
        if (
          (edges.ends[2 * e] === u && edges.ends[2 * e + 1] === v) ||
          (edges.ends[2 * e] === v && edges.ends[2 * e + 1] === u)
        )
          return e;
      }
      throw new Error('the mesh names an edge it does not have');
    };
    const [lo, mid, hi] = [above[c[0]!]!, above[c[1]!]!, above[c[2]!]!];
    if (lo === hi) continue;
    const long = between(c[0]!, c[2]!);
    const low = between(c[0]!, c[1]!);
    const high = between(c[1]!, c[2]!);
    for (let k = lo; k < mid; k++) tie(id(long, k), id(low, k));
    for (let k = mid; k < hi; k++) tie(id(long, k), id(high, k));
  }
  const edgeOf = new Uint32Array(total);
  const levelOf = new Int32Array(total);
  for (let e = 0; e < edges.count; e++) {
    const lo = Math.min(above[edges.ends[2 * e]!]!, above[edges.ends[2 * e + 1]!]!);
    for (let i = base[e]!; i < base[e + 1]!; i++) {
      edgeOf[i] = e;
      levelOf[i] = lo + i - base[e]!;
    }
  }
  const seen = new Uint8Array(total);
  const lines: Isoline[] = [];
  const walk = (begin: number, closed: boolean) => {
    const chain: number[] = [];
    let before = -1;
    let at = begin;
    while (at !== -1 && !seen[at]) {
      seen[at] = 1;
      chain.push(at);
      const next = link[2 * at] === before && before !== -1 ? link[2 * at + 1]! : link[2 * at]!;
      before = at;
      at = next;
    }
    if (closed) chain.push(begin);
    if (chain.length < 2) return;
    const points = new Float64Array(3 * chain.length);
    const edge = new Uint32Array(chain.length);
    const share = new Float64Array(chain.length);
    let length = 0;
    chain.forEach((x, i) => {
      const e = edgeOf[x]!;
      const u = edges.ends[2 * e]!;
      const v = edges.ends[2 * e + 1]!;
      const goal = first + levelOf[x]! * step;
      const s = Math.min(1, Math.max(0, (goal - value[u]!) / (value[v]! - value[u]!)));
      edge[i] = e;
      share[i] = s;
      let d = 0;
      for (let k = 0; k < 3; k++) {
        points[3 * i + k] = mesh.positions[3 * u + k]! + s * (mesh.positions[3 * v + k]! - mesh.positions[3 * u + k]!);
        if (i > 0) d += (points[3 * i + k]! - points[3 * i - 3 + k]!) ** 2;
      }
      length += Math.sqrt(d);
    });
    lines.push({ level: levelOf[begin]!, closed, lengthMm: length, points, edge, share });
  };
  for (let i = 0; i < total; i++) if (!seen[i] && link[2 * i + 1] === -1) walk(i, false);
  for (let i = 0; i < total; i++) if (!seen[i]) walk(i, true);
  return lines.sort((a, b) => a.level - b.level);
}
