/** A log by sittings: each from where it begins, or from the first entry a while after the last. */
import type { LogEntry } from '@/core/piece/log-entry';

/** So long after the last entry it is another sitting, ms. */
export const ANOTHER_SITTING = 3 * 3_600_000;

export interface SittingDone {
  readonly entries: readonly LogEntry[];
  /** When its first entry was written down. */
  readonly from: string;
  /** Of rows and steps, and grams weighed. */
  readonly minutes: number;
  readonly grams: number;
  /** Minutes left as it began, by the plan of that day; null where that was not kept. */
  readonly leftMinutes: number | null;
}

export function sittingsDone(log: readonly LogEntry[]): SittingDone[] {
  const groups: LogEntry[][] = [];
  for (const e of log) {
    const last = groups.at(-1)?.at(-1);
    const late = last && Date.parse(e.at) - Date.parse(last.at) >= ANOTHER_SITTING;
    if (!last || late || e.kind === 'sitting') groups.push([e]);
    else groups.at(-1)!.push(e);
  }
  return groups.map((entries) => {
    const first = entries[0]!;
    return {
      entries,
      from: first.at,
      minutes: entries.reduce((s, e) => s + (e.kind === 'row' || (e.kind === 'step' && !e.kept) ? e.minutes : 0), 0),
      grams: entries.reduce((s, e) => s + (e.kind === 'wool' ? e.grams : 0), 0),
      leftMinutes: first.kind === 'sitting' ? first.leftMinutes.likely : null,
    };
  });
}
