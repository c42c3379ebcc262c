/**
 * A topological order by priority (Kahn 1962): of all that is ready the one of least rank comes next. Ranks are fixed
 * beforehand, so one more tie x before y moves nothing but y and what waits for y: everything else keeps its order, for
 * whether it is ready never depended on y. Time grows as (n + ties) log n.
 */
import { Heap } from '@/core/heap';

export interface Arrow {
  readonly before: number;
  readonly after: number;
}

/** @returns indices in order; shorter than n when arrows run in a ring */
export function topological(n: number, arrows: readonly Arrow[], rank: (i: number) => number): number[] {
  const waits = new Int32Array(n);
  const next: number[][] = Array.from({ length: n }, () => []);
  for (const { before, after } of arrows) {
    waits[after]!++;
    next[before]!.push(after);
  }
  const ranks = Float64Array.from({ length: n }, (_, i) => rank(i));
  const ready = new Heap();
  for (let i = 0; i < n; i++) if (waits[i] === 0) ready.put(i, ranks[i]!);
  const out: number[] = [];
  for (let i = ready.take(); i >= 0; i = ready.take()) {
    out.push(i);
    for (const j of next[i]!) if (--waits[j]! === 0) ready.put(j, ranks[j]!);
  }
  return out;
}

/**
 * Groups of things that lie on common rings (Tarjan 1972, without recursion).
 * @returns the number of the group of each; alone in its group means on no ring
 */
export function rings(n: number, arrows: readonly Arrow[]): Int32Array {
  const next: number[][] = Array.from({ length: n }, () => []);
  for (const { before, after } of arrows) next[before]!.push(after);
  const at = new Int32Array(n).fill(-1);
  const low = new Int32Array(n);
  const group = new Int32Array(n).fill(-1);
  const stack: number[] = [];
  let clock = 0;
  let groups = 0;
  for (let root = 0; root < n; root++) {
    if (at[root]! >= 0) continue;
    const work: { v: number; k: number }[] = [{ v: root, k: 0 }];
    while (work.length > 0) {
      const top = work[work.length - 1]!;
      const { v } = top;
      if (top.k === 0) {
        at[v] = low[v] = clock++;
        stack.push(v);
      }
      const w = next[v]![top.k++];
      if (w !== undefined) {
        if (at[w]! < 0) work.push({ v: w, k: 0 });
        else if (group[w]! < 0) low[v] = Math.min(low[v]!, at[w]!);
        continue;
      }
      if (low[v] === at[v]) {
        for (let x = stack.pop(); x !== undefined; x = stack.pop()) {
          group[x] = groups;
          if (x === v) break;
        }
        groups++;
      }
      work.pop();
      const up = work[work.length - 1];
      if (up) low[up.v] = Math.min(low[up.v]!, low[v]!);
    }
  }
  return group;
}

/** The fewest arrows from one place to another (breadth first), as indices of arrows; null when there is no way. */
export function shortestWay(n: number, arrows: readonly Arrow[], from: number, to: number): number[] | null {
  const next: number[][] = Array.from({ length: n }, () => []);
  arrows.forEach((a, i) => next[a.before]!.push(i));
  const came = new Int32Array(n).fill(-1);
  const seen = new Uint8Array(n);
  seen[from] = 1;
  const queue = [from];
  for (let q = 0; q < queue.length; q++) {
    const v = queue[q]!;
    if (v === to) {
      const way: number[] = [];
      for (let x = to; x !== from; x = arrows[came[x]!]!.before) way.push(came[x]!);
      return way.reverse();
    }
    for (const i of next[v]!) {
      const w = arrows[i]!.after;
      if (seen[w]) continue;
      seen[w] = 1;
      came[w] = i;
      queue.push(w);
    }
  }
  return null;
}
