/**
 * Which area's fur hangs over which neighbour. Where the lie crosses the border from area A into area B, A's fur covers
 * B's first rows, so B must lie before A (common practice: low row before the next above).
 */
import type { FormWork } from '@/core/form/form';

export interface Overhang {
  /** Index of the area whose fur hangs over. */
  readonly over: number;
  /** Index of the area it hangs over. */
  readonly under: number;
  /** Length of border crossed by the lie, mm: how much the order matters. */
  readonly strengthMm: number;
}

/** Share of the border the lie must cross, on balance, for the order to matter. Ours. */
const LEAST = 0.2;

/** @param depths signed depth of every skin vertex inside each area, later areas already taken out */
export function overhangs(form: FormWork, depths: readonly Float64Array[]): Overhang[] {
  const { positions: p, edges } = form.skin;
  const owner = new Int32Array(p.length / 3).fill(-1);
  depths.forEach((d, i) => d.forEach((x, v) => x > 0 && (owner[v] = i)));
  const m = depths.length;
  const net = new Float64Array(m * m);
  const border = new Float64Array(m * m);
  for (let e = 0; e < edges.count; e++) {
    const u = edges.ends[2 * e]!;
    const v = edges.ends[2 * e + 1]!;
    const a = owner[u]!;
    const b = owner[v]!;
    if (a < 0 || b < 0 || a === b) continue;
    let along = 0;
    let l2 = 0;
    for (let k = 0; k < 3; k++) {
      const d = p[3 * v + k]! - p[3 * u + k]!;
      along += (d * (form.lie[3 * u + k]! + form.lie[3 * v + k]!)) / 2;
      l2 += d * d;
    }
    const f = along / Math.sqrt(l2 || 1);
    net[a * m + b]! += f * form.skin.edgeMm;
    net[b * m + a]! -= f * form.skin.edgeMm;
    border[a * m + b]! += form.skin.edgeMm;
    border[b * m + a]! += form.skin.edgeMm;
  }
  const out: Overhang[] = [];
  for (let a = 0; a < m; a++) {
    for (let b = 0; b < m; b++) {
      const f = net[a * m + b]!;
      if (f > LEAST * border[a * m + b]! && f > 0) out.push({ over: a, under: b, strengthMm: f });
    }
  }
  return out;
}
