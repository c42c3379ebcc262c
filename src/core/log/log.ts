/** The log stage: what was really done, beside what was planned for the same rows. */
import { NO_WORK, type Context, type Stage } from '@/core/stage';
import { rowsLaid } from '@/core/coat/rows/rows-laid';
import type { CoatPlan } from '@/core/coat/coat-plan';
import { areasOfLays, standing } from '@/core/order/progress';
import type { WorkPlan } from '@/core/order/work';

export interface AreaLog {
  readonly areaId: string;
  /** Planned rows whose place is laid, and how many are planned. */
  readonly rowsDone: readonly number[];
  readonly rows: number;
  /** Rows really laid, whatever they were planned by. */
  readonly rowsLaid: number;
  /** The row to lay next; null when all are done. */
  readonly nextRow: number | null;
  /** Minutes planned for the rows done, by their share of the whole length; and spent on them. */
  readonly plannedMinutes: number;
  readonly actualMinutes: number;
  /** Wool planned for the rows done, and entered as used. Null when nothing was entered. */
  readonly plannedG: number;
  readonly actualG: number | null;
}

export interface LogPlan {
  readonly areas: readonly AreaLog[];
  readonly minutesLeft: number;
}

/** Rows taken apart again no longer count as done; their time was spent all the same. */
export function planLog(
  { piece }: Pick<Context, 'piece'>,
  { coat, work }: { readonly coat: CoatPlan; readonly work: WorkPlan },
): Stage<LogPlan> {
  const areas: AreaLog[] = [];
  const counts = standing(piece.log, areasOfLays(work.steps.map((x) => x.operation)));
  for (const a of coat.areas) {
    if (!a.fur) continue;
    const mine = piece.log.filter((e) => e.areaId === a.id);
    const rows = a.fur.rows.rows;
    const lying = counts.filter((e) => e.areaId === a.id);
    const { done: rowsDone, laid } = rowsLaid(
      lying.flatMap((e) => (e.kind === 'row' ? [e] : [])),
      rows,
    );
    const done = new Set(rowsDone);
    const length = rows.reduce((s, r) => s + (done.has(r.number) ? r.lengthMm : 0), 0);
    const share = a.fur.rows.totalMm > 0 ? length / a.fur.rows.totalMm : 0;
    const weighed = mine.filter((e) => e.kind === 'wool');
    areas.push({
      areaId: a.id,
      rowsDone,
      rows: rows.length,
      rowsLaid: laid,
      nextRow: rows.find((r) => !done.has(r.number))?.number ?? null,
      plannedMinutes: a.fur.figures.minutes.value * share,
      actualMinutes: mine.reduce((s, e) => s + (e.kind === 'row' ? e.minutes : 0), 0),
      plannedG: a.fur.figures.mass.value * share,
      actualG: weighed.length > 0 ? weighed.reduce((s, e) => s + (e.kind === 'wool' ? e.grams : 0), 0) : null,
    });
  }
  return { result: { areas, minutesLeft: work.minutesLeft }, findings: [], ...NO_WORK };
}
