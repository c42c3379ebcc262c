/** Planned against done: time by kind of work, and what was promised as the piece was begun. Minutes. */
import type { Span } from '@/core/method/span';
import type { LogEntry } from '@/core/piece/log-entry';
import { KINDS_OF_WORK, type KindOfWork } from '@/core/time/elements';
import { wasTimed } from '@/core/rates/records';
import { mainKind, minutesByKind } from '@/core/time/work-time';

export interface KindCompared {
  readonly kind: KindOfWork;
  readonly plannedMinutes: number;
  readonly actualMinutes: number;
  readonly entries: number;
}

/** What was timed, with what was planned for it. An entry goes by the kind that makes up most of it. */
export function comparedByKind(log: readonly LogEntry[]): KindCompared[] {
  const sums = new Map<KindOfWork, { planned: number; actual: number; entries: number }>();
  for (const e of log) {
    if ((e.kind !== 'row' && e.kind !== 'step') || e.work === null || !wasTimed(e)) continue;
    const kind = mainKind(minutesByKind({ times: {} }, e.work));
    if (kind === null || kind === 'all') continue;
    const was = sums.get(kind) ?? { planned: 0, actual: 0, entries: 0 };
    sums.set(kind, {
      planned: was.planned + (e.planned ?? 0),
      actual: was.actual + e.minutes,
      entries: was.entries + 1,
    });
  }
  return KINDS_OF_WORK.flatMap((kind) => {
    const s = sums.get(kind);
    return s ? [{ kind, plannedMinutes: s.planned, actualMinutes: s.actual, entries: s.entries }] : [];
  });
}

export interface Promised {
  /** What was left as the first sitting that says so began. */
  readonly said: Span;
  /** Minutes written down since, and what all of it comes to with what is left. */
  readonly spent: number;
  readonly comesTo: Span;
  readonly within: boolean;
}

/** Whether the piece keeps to what was said as it was begun. */
export function promiseOf(log: readonly LogEntry[], left: Span): Promised | null {
  const from = log.findIndex((e) => e.kind === 'sitting');
  const first = log[from];
  if (first?.kind !== 'sitting') return null;
  const spent = log
    .slice(from)
    .reduce((s, e) => s + (e.kind === 'row' || (e.kind === 'step' && !e.kept) ? e.minutes : 0), 0);
  const said = first.leftMinutes;
  const likely = spent + left.likely;
  return {
    said,
    spent,
    comesTo: { low: spent + left.low, likely, high: spent + left.high },
    within: said.low <= likely && likely <= said.high,
  };
}
