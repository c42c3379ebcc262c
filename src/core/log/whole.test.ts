/** What was said of the whole piece as it was begun, beside what it comes to in wool and rows. */
import { describe, expect, it } from 'vitest';
import { COARSELY, planned } from '../../../cli/testing/planned';
import { cupboard, pineMarten } from '../../../demo/load';
import { defaultHand } from '@/core/piece/hand';
import type { LogEntry } from '@/core/piece/log-entry';
import { byLot, massOf } from '@/core/materials';
import { wholeKept, type Whole } from './whole';

const span = (likely: number) => ({ low: 0.8 * likely, likely, high: 1.25 * likely });
const now: Whole = { woolG: span(50), rows: span(200) };
const common = { at: '2026-03-01T09:00:00Z', areaId: 'bib', by: 'hand', was: [] };
const begins = (woolG: Whole['woolG'] | null, rows: Whole['rows'] | null): LogEntry => ({
  ...common,
  id: 's',
  kind: 'sitting',
  leftMinutes: span(600),
  woolG,
  rows,
  doneOn: null,
});
const weighed = (id: string, grams: number, askedG: number | null): LogEntry => ({
  ...common,
  id,
  kind: 'wool',
  lotId: 'x',
  grams,
  askedG,
  way: 'fold-over',
  operation: null,
  takenG: grams,
});
const areas = [{ rows: 120, rowsDone: [1, 2, 3], rowsLaid: 5 }];

describe('the whole piece', () => {
  it('comes to what is weighed where it was weighed, and to what is asked elsewhere', () => {
    const log = [begins(span(48), span(190)), weighed('a', 6, 4), weighed('b', 3, null)];
    const kept = wholeKept(log, now, areas, () => 1)!;
    expect(kept.wool).toEqual({ said: span(48), done: 9, comesTo: 52, within: true });
    // By the plan of today the wool of this way is a fifth more: what was weighed takes the place of just that.
    expect(wholeKept(log, now, areas, () => 1.2)!.wool.comesTo).toBeCloseTo(50 + 6 - 4.8, 9);
    expect(wholeKept([...log, weighed('c', 20, 5)], now, areas, () => 1)!.wool.within).toBe(false);
  });
  it('has as many rows as lie and are still to be laid', () => {
    const kept = wholeKept([begins(span(48), span(190))], now, areas, () => 1)!;
    expect(kept.rows).toEqual({ said: span(190), done: 5, comesTo: 5 + 117, within: false });
  });
  it('is held against the first sitting that says so; older ones do not', () => {
    expect(wholeKept([begins(null, null)], now, areas, () => 1)).toBeNull();
    expect(wholeKept([begins(null, null), begins(span(40), span(180))], now, areas, () => 1)!.wool.said).toEqual(
      span(40),
    );
  });
});

it('in the plan: the wool of all lots together, and every row of every area; nothing done, it comes to what is said', () => {
  const plan = planned(pineMarten, cupboard, defaultHand, COARSELY);
  const { whole } = plan.log;
  const taken = plan.work.steps.flatMap((s) => s.operation.materials.filter((m) => m.from === 'cupboard'));
  expect(whole.woolG.likely).toBeCloseTo(massOf(byLot(taken)), 9);
  expect(whole.rows.likely).toBe(plan.coat.areas.reduce((s, a) => s + (a.fur?.rows.rows.length ?? 0), 0));
  // Nine in ten are no further off than a tenth of the hand and the wool together make it.
  expect(whole.woolG.low).toBeGreaterThan(0.7 * whole.woolG.likely);
  const said = planned(
    { ...pineMarten, log: [{ ...begins(whole.woolG, whole.rows), areaId: 'piece' } as LogEntry] },
    cupboard,
    defaultHand,
    COARSELY,
  );
  const kept = said.log.wholeKept!;
  expect([kept.wool.comesTo, kept.rows.comesTo]).toEqual([whole.woolG.likely, whole.rows.likely]);
  expect([kept.wool.within, kept.rows.within]).toEqual([true, true]);
});
