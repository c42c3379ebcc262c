/**
 * Sharing out sorted locks: every seat gets a lock that is long enough and narrow enough, and the sum of quality times
 * visibility is as large as it can be. Piles and courses make it a transport problem, solved exactly by successive
 * cheapest paths (Bellman-Ford on what is left over); with no limits it is the rearrangement inequality: best to the most
 * seen.
 */
import { type LOCK_GRADES, type Pile } from '@/core/piece/cupboard';
import type { LockSeat } from './lock-seats';

interface Allotted {
  /** Number of the pile in the lot, counted from 0. */
  readonly pile: number;
  readonly areaId: string;
  readonly course: number;
  readonly count: number;
}

interface Allotment {
  readonly shares: readonly Allotted[];
  /** Seats no pile could fill. */
  readonly short: readonly { readonly areaId: string; readonly course: number; readonly count: number }[];
  /** Sum of quality times visibility. */
  readonly value: number;
}

/** Quality of a pile: by its grade. Ours. */
export const qualityOf = (p: Pile): number => ({ best: 3, good: 2, plain: 1 })[p.grade as (typeof LOCK_GRADES)[number]];

/** Filling a seat at all is worth more than any quality. */
const FILLED = 1000;

const fits = (p: Pile, s: LockSeat): boolean => p.lengthMm >= s.needMm - 1e-9 && p.widthMm <= s.widestMm + 1e-9;

export function allotLocks(piles: readonly Pile[], seats: readonly LockSeat[]): Allotment {
  const P = piles.length;
  const S = seats.length;
  const flow = Array.from({ length: P }, () => new Int32Array(S));
  const left = piles.map((p) => p.count);
  const open = seats.map((s) => s.count);
  const gain = piles.map((p) => seats.map((s) => (fits(p, s) ? FILLED + qualityOf(p) * s.seen : -Infinity)));
  // Longest path from any pile with locks left to any open seat, over free and given places.
  for (;;) {
    const best = new Float64Array(P + S).fill(-Infinity);
    const from = new Int32Array(P + S).fill(-1);
    for (let p = 0; p < P; p++) if (left[p]! > 0) best[p] = 0;
    for (let changed = true, round = 0; changed && round <= P + S; round++) {
      changed = false;
      for (let p = 0; p < P; p++) {
        if (best[p] === -Infinity) continue;
        for (let s = 0; s < S; s++) {
          const v = best[p]! + gain[p]![s]!;
          if (v > best[P + s]! + 1e-9) {
            best[P + s] = v;
            from[P + s] = p;
            changed = true;
          }
        }
      }
      for (let s = 0; s < S; s++) {
        if (best[P + s] === -Infinity) continue;
        for (let p = 0; p < P; p++) {
          if (flow[p]![s] === 0) continue;
          const v = best[P + s]! - gain[p]![s]!;
          if (v > best[p]! + 1e-9) {
            best[p] = v;
            from[p] = P + s;
            changed = true;
          }
        }
      }
    }
    let end = -1;
    for (let s = 0; s < S; s++) {
      if (open[s]! > 0 && best[P + s]! > -Infinity && (end < 0 || best[P + s]! > best[P + end]!)) end = s;
    }
    if (end < 0 || best[P + end]! <= 0) break;
    let most = open[end]!;
    for (let at = P + end; ;) {
      const p = from[at]!;
      const back = from[p]!;
      if (back < 0) {
        most = Math.min(most, left[p]!);
        break;
      }
      most = Math.min(most, flow[p]![back - P]!);
      at = back;
    }
    for (let at = P + end; ;) {
      const p = from[at]!;
      flow[p]![at - P]! += most;
      const back = from[p]!;
      if (back < 0) {
        left[p]! -= most;
        break;
      }
      flow[p]![back - P]! -= most;
      at = back;
    }
    open[end]! -= most;
  }
  const shares: Allotted[] = [];
  let value = 0;
  seats.forEach((s, j) => {
    for (let p = 0; p < P; p++) {
      const count = flow[p]![j]!;
      if (count === 0) continue;
      value += count * qualityOf(piles[p]!) * s.seen;
      shares.push({ pile: p, areaId: s.areaId, course: s.course, count });
    }
  });
  return {
    shares,
    short: seats.flatMap((s, j) => (open[j]! > 0 ? [{ areaId: s.areaId, course: s.course, count: open[j]! }] : [])),
    value,
  };
}

/** Sorted locks of a lot and where they go. */
export interface SharedLocks {
  readonly lotId: string;
  readonly lotName: string;
  readonly piles: readonly Pile[];
  readonly allotment: Allotment;
}
