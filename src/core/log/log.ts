/** The log stage: what was really done, beside what was planned for it that day. */
import { NO_WORK, type Context, type Stage } from '@/core/stage';
import { rowsLaid } from '@/core/coat/rows/rows-laid';
import type { CoatPlan } from '@/core/coat/coat-plan';
import { areasOfLays, standing } from '@/core/order/progress';
import { lostFindings } from '@/core/needle/lost';
import type { WorkPlan } from '@/core/order/work';
import { byLot } from '@/core/materials';
import { spanOfSum, type Span } from '@/core/method/span';
import { isAbout } from '@/core/ref';
import { inDoubt } from '@/core/stock/how-sure';
import { weighedFor } from './weighed';
import { wrongsOf, type Wrong } from '@/core/rates/wrongs';
import { wholeKept, wholeOf, type Kept, type Whole } from './whole';
import { comparedByKind, promiseOf, type KindCompared, type Promised } from './compared';
import { whereToGoOn, type GoOn } from './where-to-go-on';

export interface AreaLog {
  readonly areaId: string;
  /** Planned rows whose place is laid, and how many are planned. */
  readonly rowsDone: readonly number[];
  readonly rows: number;
  /** Rows really laid, whatever they were planned by. */
  readonly rowsLaid: number;
  /** The row to lay next; null when all are done. */
  readonly nextRow: number | null;
  /** Minutes planned for the rows that lie, as they were said when each was laid; and spent on all that were. */
  readonly plannedMinutes: number;
  readonly actualMinutes: number;
  /** Wool planned for the rows done, and weighed as used; null when nothing was weighed. */
  readonly plannedG: number;
  readonly plannedSpanG: Span;
  readonly actualG: number | null;
  /** What the plan asks of each of its wools for the rows done, before anything learned from the log; its own first. */
  readonly asked: readonly { readonly lotId: string; readonly grams: number }[];
}

export interface LogPlan {
  readonly areas: readonly AreaLog[];
  readonly minutesLeft: number;
  /** Time planned and taken, by kind of work. */
  readonly kinds: readonly KindCompared[];
  /** What was said as the first sitting began, and what it comes to now; null where that was not kept. */
  readonly promised: Promised | null;
  /** What the whole piece comes to in wool and rows, and what was said of it as the first sitting began; null where that was not kept. */
  readonly whole: Whole;
  readonly wholeKept: { readonly wool: Kept; readonly rows: Kept } | null;
  /** What went wrong, most often first. */
  readonly wrongs: readonly Wrong[];
  /** Where the work goes on; null when all is done. */
  readonly goOn: GoOn | null;
}

/** Rows taken apart again no longer count as done; their time was spent all the same. */
export function planLog(
  { piece, cupboard, hand }: Pick<Context, 'piece' | 'cupboard' | 'hand'>,
  { coat, work }: { readonly coat: CoatPlan; readonly work: WorkPlan },
): Stage<LogPlan> {
  const areas: AreaLog[] = [];
  const counts = standing(piece.log, areasOfLays(work.steps.map((x) => x.operation)));
  for (const a of coat.areas) {
    if (!a.fur) continue;
    const mine = piece.log.filter((e) => e.areaId === a.id);
    const rows = a.fur.rows.rows;
    const lying = counts.flatMap((e) => (e.areaId === a.id && e.kind === 'row' ? [e] : []));
    const { done: rowsDone, laid } = rowsLaid(lying, rows);
    const done = new Set(rowsDone);
    const length = rows.reduce((s, r) => s + (done.has(r.number) ? r.lengthMm : 0), 0);
    const share = a.fur.rows.totalMm > 0 ? length / a.fur.rows.totalMm : 0;
    const lay = work.steps.find((x) => x.operation.kind === 'lay' && isAbout(x.operation, 'area', a.id))?.operation.id;
    const weighed = mine.flatMap((e) => (lay !== undefined && weighedFor(e, lay) ? [e] : []));
    const { method, draws } = a.fur;
    const drawn = byLot(draws.filter((d) => d.for === 'coat'));
    const taught = hand.laying[method]?.wool?.times ?? 1;
    // Where it was not kept what was said, the rows done have their share of what is planned now.
    const said = lying.every((e) => e.planned !== null);
    areas.push({
      areaId: a.id,
      rowsDone,
      rows: rows.length,
      rowsLaid: laid,
      nextRow: rows.find((r) => !done.has(r.number))?.number ?? null,
      plannedMinutes: said ? lying.reduce((s, e) => s + (e.planned ?? 0), 0) : a.fur.figures.minutes.value * share,
      actualMinutes: mine.reduce((s, e) => s + (e.kind === 'row' ? e.minutes : 0), 0),
      plannedG: a.fur.figures.mass.value * share,
      plannedSpanG: spanOfSum(
        inDoubt(
          draws.flatMap((d) => (d.for === 'coat' ? [{ ...d, massG: d.massG * share }] : [])),
          cupboard,
          hand,
        ),
      ),
      actualG: weighed.length > 0 ? weighed.reduce((s, e) => s + e.grams, 0) : null,
      asked: drawn.flatMap((d) => (d.lotId === null ? [] : [{ lotId: d.lotId, grams: (d.massG * share) / taught }])),
    });
  }
  const whole = wholeOf(coat, work, cupboard, hand);
  return {
    result: {
      areas,
      whole,
      wholeKept: wholeKept(piece.log, whole, areas, (way) => (way === null ? 1 : (hand.laying[way]?.wool?.times ?? 1))),
      minutesLeft: work.minutesLeft,
      kinds: comparedByKind(piece.log),
      promised: promiseOf(piece.log, work.spanLeft),
      wrongs: wrongsOf(piece.log),
      goOn: whereToGoOn(counts, work),
    },
    findings: lostFindings(piece.log, cupboard.needles, (id) => piece.form.parts.find((p) => p.id === id)?.name ?? id),
    ...NO_WORK,
  };
}
