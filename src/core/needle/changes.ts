/**
 * Which of equally good needles to take along a row of work, so that the needle is changed as seldom as can be; among those
 * with equally few changes the cheapest. Exact, by going along the row once (dynamic programming), n × k² steps.
 */
export interface Stand {
  readonly choices: readonly { readonly needleId: string; readonly cost: number }[];
}

/** @returns the needle for every stand; null where there is none to choose from */
export function fewestChanges(row: readonly Stand[]): (string | null)[] {
  type Way = {
    readonly needleId: string | null;
    readonly changes: number;
    readonly cost: number;
    readonly from: Way | null;
  };
  const better = (a: Way, b: Way): boolean =>
    a.changes !== b.changes
      ? a.changes < b.changes
      : Math.abs(a.cost - b.cost) > 1e-12 * Math.max(1, Math.abs(a.cost))
        ? a.cost < b.cost
        : (a.needleId ?? '') < (b.needleId ?? '');
  let ways: Way[] = [];
  for (const { choices } of row) {
    if (choices.length === 0) {
      // Work without a needle leaves the one in hand where it is.
      continue;
    }
    ways = choices.map(({ needleId, cost }) => {
      let best: Way | null = null;
      for (const w of ways.length > 0 ? ways : [null]) {
        const next: Way = {
          needleId,
          changes: (w?.changes ?? 0) + (w && w.needleId !== needleId ? 1 : 0),
          cost: (w?.cost ?? 0) + cost,
          from: w,
        };
        if (!best || better(next, best)) best = next;
      }
      return best!;
    });
  }
  const out: (string | null)[] = row.map(() => null);
  if (ways.length === 0) return out;
  let at: Way | null = ways.reduce((a, b) => (better(b, a) ? b : a));
  for (let i = row.length - 1; i >= 0; i--) {
    if (row[i]!.choices.length === 0) continue;
    out[i] = at!.needleId;
    at = at!.from;
  }
  return out;
}
