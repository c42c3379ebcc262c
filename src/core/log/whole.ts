/** What the whole piece comes to by the plan as it is: its wool in grams and its rows, each as a span. Kept as a sitting begins, to be held against what came. */
import type { CoatPlan } from '@/core/coat/coat-plan';
import { spanAbout, spanOfSum, type Span } from '@/core/method/span';
import type { Cupboard } from '@/core/piece/cupboard';
import type { LogEntry } from '@/core/piece/log-entry';
import type { WorkPlan } from '@/core/order/work';
import type { HandAtWork } from '@/core/rates/hand-at-work';
import { inDoubt } from '@/core/stock/how-sure';

export interface Whole {
  readonly woolG: Span;
  readonly rows: Span;
}

/** How far rows come out nearer together or further apart than asked, as the deviation of a logarithm. Ours. */
const ROWS_HELD = 0.1;

export function wholeOf(
  coat: Pick<CoatPlan, 'areas'>,
  work: Pick<WorkPlan, 'steps'>,
  cupboard: Cupboard,
  hand: HandAtWork,
): Whole {
  const taken = work.steps.flatMap(({ operation: { materials } }) => materials.filter((m) => m.from === 'cupboard'));
  const rows = coat.areas.reduce((s, a) => s + (a.fur?.rows.rows.length ?? 0), 0);
  return { woolG: spanOfSum(inDoubt(taken, cupboard, hand)), rows: spanAbout(rows, ROWS_HELD) };
}

/** A figure of the whole piece: what was said, what of it is done, and what it comes to with what is left. */
export interface Kept {
  readonly said: Span;
  readonly done: number;
  readonly comesTo: number;
  readonly within: boolean;
}

const kept = (said: Span, done: number, comesTo: number): Kept => ({
  said,
  done,
  comesTo,
  within: said.low <= comesTo && comesTo <= said.high,
});

/**
 * What was said of wool and rows as the first sitting began that says so, beside what it comes to. What was not weighed counts as asked.
 * @param taughtOf how many times what was asked before the plan takes by now, for wool laid or felted by a way
 */
export function wholeKept(
  log: readonly LogEntry[],
  now: Whole,
  areas: readonly { readonly rows: number; readonly rowsDone: readonly number[]; readonly rowsLaid: number }[],
  taughtOf: (way: string | null) => number,
): { readonly wool: Kept; readonly rows: Kept } | null {
  const first = log.find((e) => e.kind === 'sitting' && e.woolG !== null && e.rows !== null);
  if (first?.kind !== 'sitting' || !first.woolG || !first.rows) return null;
  const weighed = log.flatMap((e) => (e.kind === 'wool' ? [e] : []));
  const grams = weighed.reduce((s, e) => s + e.grams, 0);
  const instead = weighed.reduce((s, e) => s + (e.askedG === null ? 0 : e.grams - e.askedG * taughtOf(e.way)), 0);
  const laid = areas.reduce((s, a) => s + a.rowsLaid, 0);
  const toGo = areas.reduce((s, a) => s + a.rows - a.rowsDone.length, 0);
  return {
    wool: kept(first.woolG, grams, now.woolG.likely + instead),
    rows: kept(first.rows, laid, laid + toGo),
  };
}
