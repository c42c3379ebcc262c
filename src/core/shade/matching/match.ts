/**
 * The recipes from a stock of wool that come nearest to a wanted colour: every blend of up to three lots in so many parts,
 * exactly, and of four by climbing from the best of three. A lot more must gain more than `LOT_COSTS`. Whole families of
 * blends are passed over when bounds on their light show that none of them can come near.
 */
import { difference } from '@/core/colour/difference';
import type { Triple } from '@/core/colour/lab';
import { judged, keep, LOT_COSTS, toBeat, type Found, type Kept } from './best-recipes';
import type { BlendHow } from '@/core/wool/blend';
import type { BlendTable, StockWool } from './blend-table';
import { mayReach, windowOf, type Window } from './match-window';

/** Bounds pay only where the best so far is nearer than this, and for rows of blends at least so long. */
const PASS_OVER = 8;
const LONG = 7;

export interface MatchAsk {
  readonly target: Triple;
  /** Parts a blend is counted in. */
  readonly parts: number;
  readonly how: BlendHow;
  /** Wool wanted in all; lots that have too little for their part drop out. Null for any. */
  readonly needG: number | null;
  /** How many of the best to give. */
  readonly best: number;
}

/** Most parts a lot has enough for. */
const mostParts = (stock: readonly StockWool[], ask: MatchAsk): number[] =>
  stock.map((s) =>
    ask.needG === null || ask.needG <= 0 ? ask.parts : Math.floor((s.freeG * ask.parts) / ask.needG + 1e-9),
  );

/**
 * The best recipes, found step by step: the best of one and two lots first, then of three, then of four. The answer for up
 * to three lots is that of looking at every one of them.
 */
export function* matchSteps(
  stock: readonly StockWool[],
  table: BlendTable,
  ask: MatchAsk,
  four = true,
): Generator<readonly Found[], readonly Found[]> {
  const kept: Kept = { list: [], most: ask.best };
  const P = ask.parts;
  const most = mostParts(stock, ask);
  const usable = stock.map((_, i) => i).filter((i) => most[i]! >= 1);
  let window = windowOf(ask.target, 1e6);
  let windowFor = Infinity;
  const windowAt = (within: number): Window | null => {
    if (within <= 0) return null;
    if (within < windowFor - 1e-6) {
      window = windowOf(ask.target, within);
      windowFor = within;
    }
    return window;
  };
  const nearest = new Float64Array(stock.length).fill(Infinity);
  const put = (lots: number[], parts: number[]) => {
    for (let i = 0; i < lots.length; i++) if (parts[i]! > most[lots[i]!]!) return;
    const f = judged(table, ask.target, lots, parts);
    for (const l of lots) nearest[l] = Math.min(nearest[l]!, f.difference);
    keep(kept, f);
  };
  const parts = [0, 0, 0];
  const three = (lots: number[], a: number, b: number, c: number) => {
    if (a > most[lots[0]!]! || b > most[lots[1]!]! || c > most[lots[2]!]!) return;
    parts[0] = a;
    parts[1] = b;
    parts[2] = c;
    const lab = table.lab(lots, parts);
    const within = toBeat(kept, 3);
    // Lightness alone already sets it too far off.
    if (Math.abs(lab[0] - ask.target[0]) > 1.75 * within) return;
    const d = difference(ask.target, lab);
    if (d <= within) keep(kept, { lots, parts: [a, b, c], lab, difference: d, score: d + 2 * LOT_COSTS });
  };
  for (const i of usable) put([i], [P]);
  yield [...kept.list];
  for (let x = 0; x < usable.length; x++) {
    for (let y = x + 1; y < usable.length; y++) {
      const lots = [usable[x]!, usable[y]!];
      const w = windowAt(toBeat(kept, 2));
      if (!w || !mayReach(table, lots, [P, 0, 0, P], P, w)) continue;
      for (let a = 1; a < P; a++) put([...lots], [a, P - a]);
    }
  }
  yield [...kept.list];
  // From here on a blend has three lots to pay for: the window is set anew.
  window = windowOf(ask.target, 1e6);
  windowFor = Infinity;
  // Lots that come near in twos first: a good answer early passes over more of the rest.
  const order = [...usable].sort((i, j) => nearest[i]! - nearest[j]! || i - j);
  for (let x = 0; x < order.length; x++) {
    for (let y = x + 1; y < order.length; y++) {
      for (let z = y + 1; z < order.length; z++) {
        const within = toBeat(kept, 3);
        const w = windowAt(within);
        if (!w) break;
        const lots = [order[x]!, order[y]!, order[z]!].sort((i, j) => i - j);
        const near = within < PASS_OVER;
        if (near && !mayReach(table, lots, [P - 2, 1, 1, 1, P - 2, 1, 1, 1, P - 2], P, w)) continue;
        for (let a = 1; a < P - 1; a++) {
          const end = P - a - 1;
          if (near && end >= LONG && !mayReach(table, lots, [a, 1, end, a, end, 1], P, w)) continue;
          for (let b = 1; b <= end; b++) three(lots, a, b, P - a - b);
        }
      }
    }
    if (x % 4 === 3) yield [...kept.list];
  }
  yield [...kept.list];
  if (!four) return kept.list;
  for (const start of kept.list.filter((f) => f.lots.length === 3).slice(0, 6)) {
    for (const add of usable) {
      if (start.lots.includes(add)) continue;
      let now: Found | null = null;
      let next: Found | null = fourth(start, add, table, ask);
      while (next && (now === null || next.difference < now.difference - 1e-12)) {
        now = next;
        next = null;
        for (let i = 0; i < 4; i++) {
          for (let j = 0; j < 4; j++) {
            if (i === j || now.parts[i]! < 2) continue;
            const parts = now.parts.map((p, k) => p + (k === j ? 1 : k === i ? -1 : 0));
            const f = judged(table, ask.target, now.lots, parts);
            if (f.difference < (next ?? now).difference) next = f;
          }
        }
      }
      if (now && now.lots.every((l, i) => now.parts[i]! <= most[l]!)) keep(kept, now);
    }
  }
  return kept.list;
}

function fourth(start: Found, add: number, table: BlendTable, ask: MatchAsk): Found | null {
  const largest = start.parts.indexOf(Math.max(...start.parts));
  if (start.parts[largest]! < 2) return null;
  const order = [...start.lots, add].map((lot, i) => ({
    lot,
    parts: i === 3 ? 1 : start.parts[i]! - (i === largest ? 1 : 0),
  }));
  order.sort((p, q) => p.lot - q.lot);
  return judged(
    table,
    ask.target,
    order.map((o) => o.lot),
    order.map((o) => o.parts),
  );
}

/** All steps at once. */
export function matchBest(
  stock: readonly StockWool[],
  table: BlendTable,
  ask: MatchAsk,
  four = true,
): readonly Found[] {
  const steps = matchSteps(stock, table, ask, four);
  for (;;) {
    const s = steps.next();
    if (s.done) return s.value;
  }
}
