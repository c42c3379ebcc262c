/**
 * Corners between areas: where the fur of two neighbours points different ways across their border (shoulder to ear,
 * flank to belly). Measured between the lies a little way into each area; said with the remedy makers use: small bows at
 * the half angle, lengths between the two. Lengths mm, angles degrees.
 */
import type { FormWork } from '@/core/form/form';
import type { Vec3 } from '@/core/geometry/vec';

export interface Corner {
  /** Indices of the areas. */
  readonly a: number;
  readonly b: number;
  /** Mean angle between the two lies along the part of the border that turns, and how long that part is. */
  readonly angleDeg: number;
  readonly borderMm: number;
  /** Places along the turning border, one after the other, mm. */
  readonly along: readonly Vec3[];
}

/** How far into each area the lie is read, as a share of the finished length. Ours. */
const INTO = 0.03;
/** From this angle on the border shows as a corner. Ours. */
export const CORNER_DEG = 40;
/** Shorter ones are not worth a word: share of the finished length. Ours. */
const SHORTEST = 0.03;

/** @param owner which area has each vertex, -1 for none */
export function cornersOf(form: FormWork, owner: Int32Array): Corner[] {
  const { positions: p, edges, edgeMm } = form.skin;
  const n = owner.length;
  const near: number[][] = Array.from({ length: n }, () => []);
  for (let e = 0; e < edges.count; e++) {
    near[edges.ends[2 * e]!]!.push(edges.ends[2 * e + 1]!);
    near[edges.ends[2 * e + 1]!]!.push(edges.ends[2 * e]!);
  }
  const deep = INTO * form.body.lengthMm;
  const rings = Math.max(1, Math.round(deep / edgeMm));
  /** Mean lie of the own area among vertices about `deep` from the border vertex. */
  const lieInto = (v: number): [number, number, number] => {
    const own = owner[v]!;
    let front = [v];
    const seen = new Set(front);
    for (let r = 0; r < rings; r++) {
      const next: number[] = [];
      for (const u of front) {
        for (const w of near[u]!) {
          if (seen.has(w) || owner[w] !== own) continue;
          seen.add(w);
          next.push(w);
        }
      }
      if (next.length === 0) break;
      front = next;
    }
    const sum: [number, number, number] = [0, 0, 0];
    for (const u of front) for (let k = 0; k < 3; k++) sum[k]! += form.lie[3 * u + k]!;
    return sum;
  };
  const pairs = new Map<string, { a: number; b: number; turn: number; length: number; at: Vec3[] }>();
  const cache = new Map<number, [number, number, number]>();
  const at = (v: number) => {
    let l = cache.get(v);
    if (!l) cache.set(v, (l = lieInto(v)));
    return l;
  };
  for (let e = 0; e < edges.count; e++) {
    const [u, v] = [edges.ends[2 * e]!, edges.ends[2 * e + 1]!];
    const [a, b] = [owner[u]!, owner[v]!];
    if (a < 0 || b < 0 || a === b) continue;
    const x = at(u);
    const y = carried(at(v), form.skin.normals, v, u);
    const cos =
      (x[0] * y[0] + x[1] * y[1] + x[2] * y[2]) / (Math.hypot(x[0], x[1], x[2]) * Math.hypot(y[0], y[1], y[2]) || 1);
    const turn = (Math.acos(Math.max(-1, Math.min(1, cos))) * 180) / Math.PI;
    if (turn < CORNER_DEG) continue;
    const key = a < b ? `${a}-${b}` : `${b}-${a}`;
    const had = pairs.get(key) ?? { a: Math.min(a, b), b: Math.max(a, b), turn: 0, length: 0, at: [] };
    // Every edge across the border stands for about half an edge along it: border vertices have two on average.
    had.turn += turn;
    had.length += edgeMm / 2;
    had.at.push([0, 1, 2].map((k) => (p[3 * u + k]! + p[3 * v + k]!) / 2) as unknown as Vec3);
    pairs.set(key, had);
  }
  return [...pairs.values()]
    .map((x) => ({
      a: x.a,
      b: x.b,
      angleDeg: x.turn / (x.length / (edgeMm / 2)),
      borderMm: x.length,
      along: chained(x.at, 1.5 * edgeMm),
    }))
    .filter((x) => x.borderMm >= SHORTEST * form.body.lengthMm)
    .sort((x, y) => y.angleDeg * y.borderMm - x.angleDeg * x.borderMm);
}

/** Carries a direction from one vertex to another by the least turn between their normals. */
function carried(
  d: readonly [number, number, number],
  normals: Float64Array,
  from: number,
  to: number,
): [number, number, number] {
  const a = [normals[3 * from]!, normals[3 * from + 1]!, normals[3 * from + 2]!];
  const b = [normals[3 * to]!, normals[3 * to + 1]!, normals[3 * to + 2]!];
  const c = a[0]! * b[0]! + a[1]! * b[1]! + a[2]! * b[2]!;
  const k = (d[0] * b[0]! + d[1] * b[1]! + d[2] * b[2]!) / Math.max(1 + c, 1e-6);
  return [0, 1, 2].map((i) => d[i]! - k * (a[i]! + b[i]!)) as [number, number, number];
}

/** Points put in a row, each next one the nearest left over; those closer than `apart` to the last one are dropped. */
function chained(points: readonly Vec3[], apart: number): Vec3[] {
  const left = [...points];
  const far = (a: Vec3, b: Vec3) => Math.hypot(a[0] - b[0], a[1] - b[1], a[2] - b[2]);
  // Begin at an end of the border: the point furthest from its middle.
  const middle = [0, 1, 2].map((k) => left.reduce((s, q) => s + q[k]! / left.length, 0)) as unknown as Vec3;
  let at = left.reduce((a, b) => (far(b, middle) > far(a, middle) ? b : a));
  const out: Vec3[] = [at];
  for (;;) {
    for (let i = left.length - 1; i >= 0; i--) if (far(left[i]!, at) < apart) left.splice(i, 1);
    if (left.length === 0) return out;
    const from = at;
    at = left.reduce((a, b) => (far(b, from) < far(a, from) ? b : a));
    out.push(at);
  }
}
