/** What a grid makes of parts too thin for it: beads that hang together with nothing. They are left out; a piece of any size stays. */
import { UnionFind } from '@/core/union-find';
import type { Sheets } from './sheets';

/** A piece of fewer quads than this, and of a smaller share of all, is a bead: no thicker than the grid and a few cells long. Ours. */
const FEWEST = 80;
const LEAST = 0.02;

/** The sheets without beads; the same object where there are none. */
export function withoutCrumbs(s: Sheets): Sheets {
  const n = s.positions.length / 3;
  const groups = new UnionFind(n);
  for (let q = 0; q < s.quads.length; q += 4) for (let k = 1; k < 4; k++) groups.join(s.quads[q]!, s.quads[q + k]!);
  const size = new Map<number, number>();
  for (let q = 0; q < s.quads.length; q += 4) {
    const g = groups.head(s.quads[q]!);
    size.set(g, (size.get(g) ?? 0) + 1);
  }
  const bead = (g: number) => size.get(g)! < Math.min(FEWEST, (LEAST * s.quads.length) / 4);
  if (![...size.keys()].some(bead)) return s;
  const kept = new Int32Array(n).fill(-1);
  let count = 0;
  for (let v = 0; v < n; v++) {
    const g = groups.head(v);
    if (size.has(g) && !bead(g)) kept[v] = count++;
  }
  const positions = new Float64Array(3 * count);
  const onMidline = new Uint8Array(count);
  const block = new Int32Array(count);
  kept.forEach((to, v) => {
    if (to < 0) return;
    positions.set(s.positions.subarray(3 * v, 3 * v + 3), 3 * to);
    onMidline[to] = s.onMidline[v]!;
    block[to] = s.block[v]!;
  });
  const quads = s.quads.filter((_, i) => kept[s.quads[i - (i % 4)]!]! >= 0).map((v) => kept[v]!);
  return { positions, quads, onMidline, block };
}
