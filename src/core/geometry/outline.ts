/**
 * The lines a draughtsman would draw of a closed mesh seen from one side without perspective: where the skin turns away
 * from the eye, less what stands behind other skin. Faces are put into a depth picture first; a line is kept where
 * nothing is nearer to the eye.
 */
import type { Edges, Mesh } from './mesh';
import { cross, type Vec3 } from './vec';

export interface Outline {
  /** Lines in the picture, each a run of x, y in mm, y upward. */
  readonly lines: readonly Float64Array[];
  readonly min: readonly [number, number];
  readonly max: readonly [number, number];
}

/** Cells of the depth picture over the longer side of the animal. */
const CELLS = 420;

/** @param from unit direction to the eye  @param up unit, at right angles to it */
export function outline(mesh: Mesh, edges: Edges, from: Vec3, up: Vec3): Outline {
  const { positions: p, triangles: T } = mesh;
  const right = cross(up, from);
  const n = p.length / 3;
  const x = new Float64Array(n);
  const y = new Float64Array(n);
  const depth = new Float64Array(n);
  const min: [number, number] = [Infinity, Infinity];
  const max: [number, number] = [-Infinity, -Infinity];
  for (let v = 0; v < n; v++) {
    const [a, b, c] = [p[3 * v]!, p[3 * v + 1]!, p[3 * v + 2]!];
    x[v] = a * right[0] + b * right[1] + c * right[2];
    y[v] = a * up[0] + b * up[1] + c * up[2];
    depth[v] = a * from[0] + b * from[1] + c * from[2];
    min[0] = Math.min(min[0], x[v]!);
    min[1] = Math.min(min[1], y[v]!);
    max[0] = Math.max(max[0], x[v]!);
    max[1] = Math.max(max[1], y[v]!);
  }
  const cell = Math.max(max[0] - min[0], max[1] - min[1]) / CELLS;
  const w = Math.ceil((max[0] - min[0]) / cell) + 1;
  const h = Math.ceil((max[1] - min[1]) / cell) + 1;
  const near = new Float64Array(w * h).fill(-Infinity);
  const facing = new Uint8Array(T.length / 3);
  for (let t = 0; t < facing.length; t++) {
    const [a, b, c] = [T[3 * t]!, T[3 * t + 1]!, T[3 * t + 2]!];
    const area = (x[b]! - x[a]!) * (y[c]! - y[a]!) - (x[c]! - x[a]!) * (y[b]! - y[a]!);
    if (area <= 0) continue;
    facing[t] = 1;
    const x0 = Math.floor((Math.min(x[a]!, x[b]!, x[c]!) - min[0]) / cell);
    const x1 = Math.ceil((Math.max(x[a]!, x[b]!, x[c]!) - min[0]) / cell);
    const y0 = Math.floor((Math.min(y[a]!, y[b]!, y[c]!) - min[1]) / cell);
    const y1 = Math.ceil((Math.max(y[a]!, y[b]!, y[c]!) - min[1]) / cell);
    for (let j = Math.max(0, y0); j <= Math.min(h - 1, y1); j++) {
      for (let i = Math.max(0, x0); i <= Math.min(w - 1, x1); i++) {
        const px = min[0] + i * cell;
        const py = min[1] + j * cell;
        const wa = (x[b]! - px) * (y[c]! - py) - (x[c]! - px) * (y[b]! - py);
        const wb = (x[c]! - px) * (y[a]! - py) - (x[a]! - px) * (y[c]! - py);
        const wc = area - wa - wb;
        if (wa < 0 || wb < 0 || wc < 0) continue;
        const d = (wa * depth[a]! + wb * depth[b]! + wc * depth[c]!) / area;
        if (d > near[i + w * j]!) near[i + w * j] = d;
      }
    }
  }
  const hidden = (e: number): boolean => {
    const u = edges.ends[2 * e]!;
    const v = edges.ends[2 * e + 1]!;
    const i = Math.round(((x[u]! + x[v]!) / 2 - min[0]) / cell);
    const j = Math.round(((y[u]! + y[v]!) / 2 - min[1]) / cell);
    const d = (depth[u]! + depth[v]!) / 2;
    // At an edge the skin falls away steeply; it is hidden only when all round it something else is nearer to the eye.
    for (let b = Math.max(0, j - 1); b <= Math.min(h - 1, j + 1); b++) {
      for (let a = Math.max(0, i - 1); a <= Math.min(w - 1, i + 1); a++) {
        if (near[a + w * b]! <= d + 2 * cell) return false;
      }
    }
    return true;
  };
  const links = new Map<number, number[]>();
  const used = new Set<number>();
  for (let e = 0; e < edges.count; e++) {
    const [s, t] = [edges.sides[2 * e]!, edges.sides[2 * e + 1]!];
    if (s < 0 || t < 0 || facing[s] === facing[t] || hidden(e)) continue;
    for (const v of [edges.ends[2 * e]!, edges.ends[2 * e + 1]!]) links.set(v, [...(links.get(v) ?? []), e]);
  }
  const lines: Float64Array[] = [];
  const walk = (start: number) => {
    const points = [x[start]!, y[start]!];
    let at = start;
    for (;;) {
      const e = links.get(at)!.find((q) => !used.has(q));
      if (e === undefined) break;
      used.add(e);
      at = edges.ends[2 * e] === at ? edges.ends[2 * e + 1]! : edges.ends[2 * e]!;
      points.push(x[at]!, y[at]!);
    }
    if (points.length > 2) lines.push(Float64Array.from(points));
  };
  // Open lines from their ends first, then what is left: rings.
  for (const [v, list] of links) if (list.length % 2 === 1) walk(v);
  for (const v of links.keys()) while (links.get(v)!.some((e) => !used.has(e))) walk(v);
  // Runs of two or three edges are crumbs of folds, not outline.
  const long = lines.filter((l) => l.length > 8);
  return { lines: long, min, max };
}
