/** Which earlier states of a piece are kept: many of the last hour, fewer of the day, one for each day before. Times in ms. */
const MINUTE = 60_000;
const HOUR = 60 * MINUTE;
const DAY = 24 * HOUR;

/** Between two states that are kept at least. */
export const APART = 5 * MINUTE;

/** So young a state is kept beside others: it may just have been gone back from. */
const YOUNG = 10 * MINUTE;

/** Ages up to which one state is kept for each stretch of so long. */
const STRETCHES: readonly { readonly upTo: number; readonly each: number }[] = [
  { upTo: HOUR, each: 10 * MINUTE },
  { upTo: 13 * HOUR, each: 2 * HOUR },
  { upTo: 13 * HOUR + 8 * DAY, each: DAY },
];

/** @returns those of some times that are no longer kept; of a stretch its oldest stays, so that what is kept grows old */
export function thinned(times: readonly number[], now: number): number[] {
  const kept = new Map<string, number>();
  const oldest = Math.min(...times);
  for (const at of [...times].sort((a, b) => b - a)) {
    const age = Math.max(0, now - at);
    const k = STRETCHES.findIndex(({ upTo }) => age < upTo);
    const from = k > 0 ? STRETCHES[k - 1]!.upTo : 0;
    // Older than all: only the first there is.
    if (k < 0 && at !== oldest) continue;
    kept.set(age < YOUNG ? `young:${at}` : `${k}:${k < 0 ? 0 : Math.floor((age - from) / STRETCHES[k]!.each)}`, at);
  }
  const stay = new Set(kept.values());
  return times.filter((t) => !stay.has(t));
}
