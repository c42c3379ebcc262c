/**
 * What is special about a lie: crowns the fur grows out from, places it runs together, saddles, partings along which it
 * parts. A triangle round which the lie turns once has index 1 (crown, whirl or meeting), once backwards -1 (saddle);
 * the indices of a closed skin add up to its Euler number (Poincare and Hopf). A parting is a line of edges across which
 * the lie turns sharply and runs apart.
 */
import type { Skin } from '@/core/geometry/polygonise';
import type { Vec3 } from '@/core/geometry/vec';
import { UnionFind } from '@/core/union-find';

export interface LieMark {
  readonly kind: 'crown' | 'whirl' | 'meeting' | 'saddle' | 'parting';
  readonly at: Vec3;
  /** Of a parting, mm; 0 for the others. */
  readonly lengthMm: number;
  readonly index: -1 | 0 | 1;
}

/** The lie turns at least so far across an edge of a parting, degrees. Ours. */
const SHARP = 75;
/** Partings shorter than so many edges are rough spots and not lines. Ours. */
const LEAST_EDGES = 4;

export function lieMarks(skin: Skin, lie: Float64Array): LieMark[] {
  const { positions: p, triangles: T, normals: n, edges } = skin;
  const marks: LieMark[] = [];
  // Once for every edge: where the lie turns right about, both its triangles must take it the same way round.
  const turns = Float64Array.from({ length: edges.count }, (_, e) =>
    turnBetween(n, lie, edges.ends[2 * e]!, edges.ends[2 * e + 1]!),
  );
  for (let t = 0; t < T.length; t += 3) {
    const v = [T[t]!, T[t + 1]!, T[t + 2]!];
    const turn = [0, 1, 2].map((k) => {
      const e = edges.ofTriangle[t + ((k + 2) % 3)]!;
      return edges.ends[2 * e] === v[k] ? turns[e]! : -turns[e]!;
    });
    // What a direction carried round the triangle is turned by (the curvature inside) belongs to the skin.
    const index = Math.round((turn[0]! + turn[1]! + turn[2]! + holonomy(n, v)) / (2 * Math.PI));
    if (index === 0) continue;
    const at = [0, 1, 2].map((k) => v.reduce((s, u) => s + p[3 * u + k]! / 3, 0)) as unknown as Vec3;
    if (index < 0) {
      marks.push({ kind: 'saddle', at, lengthMm: 0, index: -1 });
      continue;
    }
    let out = 0;
    let size = 0;
    for (const u of v) {
      let d = 0;
      let l = 0;
      for (let k = 0; k < 3; k++) {
        d += (p[3 * u + k]! - at[k]!) * lie[3 * u + k]!;
        l += (p[3 * u + k]! - at[k]!) ** 2;
      }
      out += d;
      size += Math.sqrt(l);
    }
    const flow = out / (size || 1);
    marks.push({ kind: flow > 0.35 ? 'crown' : flow < -0.35 ? 'meeting' : 'whirl', at, lengthMm: 0, index: 1 });
  }
  // Partings: sharp edges joined where they share a vertex.
  const sharp: number[] = [];
  for (let e = 0; e < edges.count; e++) {
    const [u, v] = [edges.ends[2 * e]!, edges.ends[2 * e + 1]!];
    if (Math.abs(turns[e]!) * (180 / Math.PI) < SHARP) continue;
    let apart = 0;
    for (let k = 0; k < 3; k++) apart += (p[3 * v + k]! - p[3 * u + k]!) * (lie[3 * v + k]! - lie[3 * u + k]!);
    if (apart > 0) sharp.push(e);
  }
  const lines = new UnionFind(skin.triangles.length / 3);
  for (const e of sharp) {
    // Triangles on both sides tie neighbouring edges together.
    const ids = [edges.sides[2 * e]!, edges.sides[2 * e + 1]!].filter((x) => x >= 0);
    for (let k = 1; k < ids.length; k++) lines.join(ids[0]!, ids[k]!);
  }
  const groups = new Map<number, number[]>();
  for (const e of sharp) {
    const s = edges.sides[2 * e]!;
    const r = lines.head(s >= 0 ? s : edges.sides[2 * e + 1]!);
    groups.set(r, [...(groups.get(r) ?? []), e]);
  }
  for (const list of groups.values()) {
    if (list.length < LEAST_EDGES) continue;
    const middle = [0, 0, 0];
    for (const e of list) {
      for (const u of [edges.ends[2 * e]!, edges.ends[2 * e + 1]!])
        for (let k = 0; k < 3; k++) middle[k]! += p[3 * u + k]! / (2 * list.length);
    }
    // Edges across the line: two triangles an edge length of line.
    marks.push({
      kind: 'parting',
      at: middle as unknown as Vec3,
      lengthMm: (list.length / 2) * skin.edgeMm,
      index: 0,
    });
  }
  return marks;
}

/** Angle from the lie at v to the lie at u once carried from u to v by the least turn, radians in (-pi, pi]. */
function turnBetween(n: Float64Array, lie: Float64Array, v: number, u: number): number {
  const c = dotAt(n, u, n, v);
  const k = dotAt(lie, u, n, v) / Math.max(1 + c, 1e-6);
  const x = [0, 1, 2].map((i) => lie[3 * u + i]! - k * (n[3 * u + i]! + n[3 * v + i]!));
  return angleAbout(n, v, [lie[3 * v]!, lie[3 * v + 1]!, lie[3 * v + 2]!], x);
}

const dotAt = (a: Float64Array, i: number, b: Float64Array, j: number): number =>
  a[3 * i]! * b[3 * j]! + a[3 * i + 1]! * b[3 * j + 1]! + a[3 * i + 2]! * b[3 * j + 2]!;

function angleAbout(n: Float64Array, v: number, a: readonly number[], b: readonly number[]): number {
  const [nx, ny, nz] = [n[3 * v]!, n[3 * v + 1]!, n[3 * v + 2]!];
  const cross =
    nx * (a[1]! * b[2]! - a[2]! * b[1]!) + ny * (a[2]! * b[0]! - a[0]! * b[2]!) + nz * (a[0]! * b[1]! - a[1]! * b[0]!);
  return Math.atan2(cross, a[0]! * b[0]! + a[1]! * b[1]! + a[2]! * b[2]!);
}

/** Angle a direction is turned by when it is carried once round a triangle, radians. */
function holonomy(n: Float64Array, v: readonly number[]): number {
  const a = v[0]!;
  const pick = Math.abs(n[3 * a]!) < 0.7 ? 0 : 1;
  const d0 = n[3 * a + pick]!;
  const start = [0, 1, 2].map((k) => (k === pick ? 1 : 0) - d0 * n[3 * a + k]!);
  let d = start;
  for (let k = 0; k < 3; k++) {
    const from = v[k]!;
    const to = v[(k + 1) % 3]!;
    const c = dotAt(n, from, n, to);
    const s = d.reduce((t, x, i) => t + x * n[3 * to + i]!, 0) / Math.max(1 + c, 1e-6);
    d = d.map((x, i) => x - s * (n[3 * from + i]! + n[3 * to + i]!));
  }
  return angleAbout(n, a, start, d);
}
