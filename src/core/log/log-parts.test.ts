/** The log taken apart: by sittings, by kind of work, what was promised, what went wrong. */
import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import type { LogEntry } from '@/core/piece/log-entry';
import { spanOf } from '@/core/time/work-time';
import { wrongsOf } from '@/core/rates/wrongs';
import { comparedByKind, promiseOf } from './compared';
import { ANOTHER_SITTING, sittingsDone } from './sittings-done';

const at = (ms: number) => new Date(Date.UTC(2026, 2, 1, 9) + ms).toISOString();
const MIN = 60_000;
let n = 0;
const common = (ms: number) => ({ id: `e${n++}`, at: at(ms), areaId: 'bib', by: 'hand', was: [] });
const row = (
  ms: number,
  minutes: number,
  planned = 10,
  work = { row: 1, pinch: 8 } as Record<string, number>,
): LogEntry =>
  ({ ...common(ms), kind: 'row', row: 1, up: 0.1, minutes, timed: true, planned, work, made: {} }) as LogEntry;
const begins = (ms: number, likely: number): LogEntry => ({
  ...common(ms),
  kind: 'sitting',
  woolG: null,
  rows: null,
  leftMinutes: { low: 0.7 * likely, likely, high: 1.5 * likely },
  doneOn: null,
});

describe('sittings', () => {
  it('hold every entry once, in order, and no two far apart', () => {
    fc.assert(
      fc.property(fc.array(fc.integer({ min: 0, max: 2 * ANOTHER_SITTING }), { maxLength: 30 }), (gaps) => {
        let t = 0;
        const log = gaps.map((g) => row((t += g), 5));
        const all = sittingsDone(log);
        expect(all.flatMap((s) => s.entries)).toEqual(log);
        expect(all.reduce((s, x) => s + x.minutes, 0)).toBe(5 * log.length);
        const apart = gaps.slice(1).filter((g) => g >= ANOTHER_SITTING).length;
        expect(all.length).toBe(log.length === 0 ? 0 : 1 + apart);
      }),
    );
  });
  it('begin where the log says so, with what was left then', () => {
    const log = [begins(0, 600), row(MIN, 5), begins(10 * MIN, 590), row(11 * MIN, 7)];
    expect(sittingsDone(log).map((s) => [s.leftMinutes, s.minutes, s.entries.length])).toEqual([
      [600, 5, 2],
      [590, 7, 2],
    ]);
  });
});

describe('planned against done', () => {
  it('adds what was timed to the kind that makes up most of it; what nobody timed is left out', () => {
    const log = [row(0, 12), row(1, 8), row(2, 30, 20, { corePart: 1, coreStabs: 10 }), row(3, 0.1), row(4, 9, 10, {})];
    const [core, rows] = comparedByKind(log);
    expect(core).toMatchObject({ kind: 'core', plannedMinutes: 20, actualMinutes: 30, entries: 1 });
    expect(rows).toMatchObject({ kind: 'rows', plannedMinutes: 20, actualMinutes: 20, entries: 2, within: true });
    // As sure as the first values of that work are, about what was planned.
    const first = spanOf({ times: {} }, { row: 2, pinch: 16 });
    expect(rows!.said.high / 20).toBeCloseTo(first.high / first.likely, 9);
    expect(rows!.said.low / 20).toBeCloseTo(first.low / first.likely, 9);
    expect(comparedByKind([row(0, 40), row(1, 40)])[0]!.within).toBe(false);
  });
  it('is inside what was said as long as what is done and left is', () => {
    const left = (likely: number) => ({ low: 0.8 * likely, likely, high: 1.2 * likely });
    const log = [row(0, 50), begins(1, 600), row(2, 60), row(3, 40)];
    expect(promiseOf(log, left(500))).toMatchObject({
      spent: 100,
      comesTo: { likely: 600, low: 500, high: 700 },
      within: true,
    });
    expect(promiseOf(log, left(801))).toMatchObject({ within: false });
    expect(promiseOf(log, left(319))).toMatchObject({ within: false });
    expect(promiseOf([row(0, 5)], left(1))).toBeNull();
  });
  it('counts what went wrong, most often first', () => {
    const wrong = (why: 'uneven' | 'too thick', off: boolean): LogEntry => ({
      ...common(0),
      kind: 'wrong',
      operation: 'lay-bib',
      row: 1,
      up: null,
      off,
      why,
      wool: off ? 'waste' : null,
      words: '',
    });
    expect(wrongsOf([wrong('too thick', true), wrong('uneven', false), wrong('uneven', true)])).toEqual([
      { why: 'uneven', times: 2, pulledOff: 1 },
      { why: 'too thick', times: 1, pulledOff: 1 },
    ]);
  });
});
