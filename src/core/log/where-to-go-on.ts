/**
 * Where the work goes on: at the step left half done, else at the first one left in the order of the sittings. Never at one that something
 * undone has to come before.
 */
import type { LogEntry } from '@/core/piece/log-entry';
import type { WorkPlan } from '@/core/order/work';

export interface GoOn {
  readonly operationId: string;
  /** When it was last worked on, and the last row laid then; null where it was not begun. */
  readonly left: { readonly at: string; readonly row: number | null } | null;
}

/** Whether all that must come before a step is done. */
export function canBegin(work: WorkPlan, operationId: string): boolean {
  const share = new Map(work.progress.map((p) => [p.id, p.share]));
  const step = work.steps.find((s) => s.operation.id === operationId);
  return step !== undefined && step.because.every((b) => (share.get(b.id) ?? 0) >= 1);
}

/** @param log entries that still count */
export function whereToGoOn(log: readonly LogEntry[], work: WorkPlan): GoOn | null {
  const share = new Map(work.progress.map((p) => [p.id, p.share]));
  const half = work.steps.filter((s) => {
    const done = share.get(s.operation.id) ?? 0;
    return done > 0 && done < 1;
  });
  const lastOf = (id: string, areaId: string) =>
    log.findLast((e) => (e.kind === 'row' && e.areaId === areaId) || (e.kind === 'step' && e.operation === id));
  // Of several the one worked on last.
  const begun = half
    .map((s) => ({ s, last: lastOf(s.operation.id, s.operation.about.id) }))
    .reduce<{ s: (typeof half)[number]; last: LogEntry | undefined } | null>(
      (a, b) => (a === null || (b.last?.at ?? '') > (a.last?.at ?? '') ? b : a),
      null,
    );
  if (begun)
    return {
      operationId: begun.s.operation.id,
      left: begun.last ? { at: begun.last.at, row: begun.last.kind === 'row' ? begun.last.row : null } : null,
    };
  const first =
    work.sittings[0]?.stints[0]?.id ?? work.steps.find((s) => (share.get(s.operation.id) ?? 0) < 1)?.operation.id;
  return first === undefined ? null : { operationId: first, left: null };
}
