/** The days of a piece: work done on each, beside what was planned for it that day, and when it was said to be done. Minutes. */
import type { LogEntry } from '@/core/piece/log-entry';

export interface Day {
  readonly date: string;
  /** Written down on it, and planned for just that; where no plan was kept, what it took counts for both. */
  readonly took: number;
  readonly planned: number;
  /** What the first sitting of it said was left, and on which day it would be done; null where that was not kept. */
  readonly left: number | null;
  readonly doneOn: string | null;
  /** Done and planned up to its end, and what all of the piece came to by its first plan: done before and left then. */
  readonly tookSoFar: number;
  readonly plannedSoFar: number;
  readonly comesTo: number | null;
}

/** @param dateOf the day of an instant where the maker is */
export function daysOf(log: readonly LogEntry[], dateOf: (at: string) => string): Day[] {
  const days = new Map<string, { took: number; planned: number; left: number | null; doneOn: string | null }>();
  for (const e of log) {
    if (e.kind !== 'row' && e.kind !== 'sitting' && (e.kind !== 'step' || e.kept)) continue;
    const date = dateOf(e.at);
    const day = days.get(date) ?? { took: 0, planned: 0, left: null, doneOn: null };
    if (e.kind === 'sitting') {
      day.left ??= e.leftMinutes.likely;
      day.doneOn ??= e.doneOn;
    } else {
      day.took += e.minutes;
      day.planned += e.planned ?? e.minutes;
    }
    days.set(date, day);
  }
  const so = { took: 0, planned: 0 };
  const inTurn = [...days].sort((a, b) => (a[0] < b[0] ? -1 : 1));
  return inTurn.map(([date, d]) => {
    const comesTo = d.left === null ? null : so.took + d.left;
    so.took += d.took;
    so.planned += d.planned;
    return { date, ...d, tookSoFar: so.took, plannedSoFar: so.planned, comesTo };
  });
}
