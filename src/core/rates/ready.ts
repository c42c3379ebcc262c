/** Getting ready and clearing away, as the counting of needles shows it: from the count before to the first stab, from the last one to the count after. Minutes. */
import type { LogEntry } from '@/core/piece/log-entry';
import { weightedPercentile } from '@/core/percentile';

/** Longer than so much something else was done. Ours. */
const MOST = 60;
/** From so many sittings on it is believed. Ours. */
const LEAST_SITTINGS = 3;

/** @param log of one hand, in the order it was written down */
export function readyIn(log: readonly LogEntry[]): number[] {
  const out: number[] = [];
  let before: number | null = null;
  let begin: number | null = null;
  let last: number | null = null;
  for (const e of log) {
    const at = Date.parse(e.at);
    if (e.kind === 'needles' && e.when === 'before') {
      before = at;
      begin = last = null;
    }
    if ((e.kind === 'row' || (e.kind === 'step' && !e.kept)) && e.timed) {
      if (before !== null && begin === null) begin = at - e.minutes * 60_000 - before;
      last = at;
    }
    if (e.kind === 'needles' && e.when === 'after' && begin !== null && last !== null) {
      const minutes = (begin + at - last) / 60_000;
      if (begin >= 0 && minutes > 0 && minutes <= MOST) out.push(minutes);
      before = begin = last = null;
    }
  }
  return out;
}

/** What it usually is, to half a minute; null while too few sittings say. */
export const usuallyReady = (minutes: readonly number[]): number | null =>
  minutes.length < LEAST_SITTINGS
    ? null
    : Math.round(2 * weightedPercentile(Float64Array.from(minutes), new Float64Array(minutes.length).fill(1), 0.5)) / 2;
