/** Planned against done: time by kind of work, and what was promised as the piece was begun. Minutes. */
import type { Span } from '@/core/method/span';
import type { LogEntry } from '@/core/piece/log-entry';
import { KINDS_OF_WORK, type KindOfWork, type Work } from '@/core/time/elements';
import { wasTimed } from '@/core/rates/records';
import { both, mainKind, minutesByKind, spanOf } from '@/core/time/work-time';

export interface KindCompared {
  readonly kind: KindOfWork;
  readonly plannedMinutes: number;
  /** As sure as that was before anything was learned; and whether what was taken lies within. */
  readonly said: Span;
  readonly within: boolean;
  readonly actualMinutes: number;
  readonly entries: number;
}

/** A span moved so that what was planned is in its middle. */
const aboutPlanned = (planned: number, s: Span): Span =>
  s.likely > 0
    ? { low: (planned * s.low) / s.likely, likely: planned, high: (planned * s.high) / s.likely }
    : { low: planned, likely: planned, high: planned };

/** What was timed, with what was planned for it. An entry goes by the kind that makes up most of it. */
export function comparedByKind(log: readonly LogEntry[]): KindCompared[] {
  const sums = new Map<KindOfWork, { planned: number; actual: number; entries: number; work: Work }>();
  for (const e of log) {
    if ((e.kind !== 'row' && e.kind !== 'step') || e.work === null || !wasTimed(e)) continue;
    const kind = mainKind(minutesByKind({ times: {} }, e.work));
    if (kind === null || kind === 'all') continue;
    const was = sums.get(kind) ?? { planned: 0, actual: 0, entries: 0, work: {} };
    sums.set(kind, {
      planned: was.planned + (e.planned ?? 0),
      actual: was.actual + e.minutes,
      entries: was.entries + 1,
      work: both(was.work, e.work),
    });
  }
  return KINDS_OF_WORK.flatMap((kind) => {
    const s = sums.get(kind);
    if (!s) return [];
    const said = aboutPlanned(s.planned, spanOf({ times: {} }, s.work));
    const within = said.low <= s.actual && s.actual <= said.high;
    return [{ kind, plannedMinutes: s.planned, said, within, actualMinutes: s.actual, entries: s.entries }];
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
