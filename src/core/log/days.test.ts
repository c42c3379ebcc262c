/** Days of a piece: every minute on one of them, once. */
import { expect, it } from 'vitest';
import fc from 'fast-check';
import type { LogEntry } from '@/core/piece/log-entry';
import { daysOf } from './days';

const byUtc = (at: string) => at.slice(0, 10);
const at = (day: number, minute: number) => new Date(Date.UTC(2026, 2, day, 9, minute)).toISOString();
const common = (when: string, id: string) => ({ id, at: when, areaId: 'bib', by: 'hand', was: [] });
const row = (when: string, minutes: number, planned: number | null, id = when): LogEntry => ({
  ...common(when, id),
  kind: 'row',
  row: 1,
  up: null,
  minutes,
  timed: true,
  planned,
  work: null,
  made: {},
});
const begins = (when: string, likely: number, doneOn: string | null): LogEntry => ({
  ...common(when, `s${when}`),
  kind: 'sitting',
  woolG: null,
  rows: null,
  leftMinutes: { low: 0.8 * likely, likely, high: 1.2 * likely },
  doneOn,
});

it('a day has what was done on it, what was planned for that, and what was said as it began', () => {
  const log = [
    begins(at(1, 0), 600, '2026-03-20'),
    row(at(1, 10), 10, 8),
    row(at(1, 30), 12, null),
    begins(at(3, 0), 570, '2026-03-22'),
    row(at(3, 5), 5, 4),
    begins(at(3, 40), 560, '2026-03-21'),
    {
      ...common(at(3, 50), 'k'),
      kind: 'step',
      operation: 'x',
      minutes: 7,
      timed: false,
      planned: 9,
      work: null,
      made: {},
      kept: true,
    } as LogEntry,
  ];
  expect(daysOf(log, byUtc)).toEqual([
    {
      date: '2026-03-01',
      took: 22,
      planned: 20,
      left: 600,
      doneOn: '2026-03-20',
      tookSoFar: 22,
      plannedSoFar: 20,
      comesTo: 600,
    },
    {
      date: '2026-03-03',
      took: 5,
      planned: 4,
      left: 570,
      doneOn: '2026-03-22',
      tookSoFar: 27,
      plannedSoFar: 24,
      comesTo: 592,
    },
  ]);
  // Where a day ends is where the maker is.
  expect(daysOf([row('2026-03-01T23:30:00.000Z', 5, 5)], () => '2026-03-02')[0]!.date).toBe('2026-03-02');
});

it('nothing of what was done is lost or counted twice', () => {
  fc.assert(
    fc.property(
      fc.array(
        fc.tuple(fc.integer({ min: 1, max: 9 }), fc.integer({ min: 0, max: 59 }), fc.integer({ min: 0, max: 90 })),
        {
          maxLength: 40,
        },
      ),
      (rows) => {
        const log = rows.map(([d, m, took], i) => row(at(d, m), took, took / 2, `r${i}`));
        const days = daysOf(log, byUtc);
        expect(days.reduce((s, d) => s + d.took, 0)).toBe(rows.reduce((s, r) => s + r[2], 0));
        expect(days.reduce((s, d) => s + d.planned, 0)).toBe(rows.reduce((s, r) => s + r[2] / 2, 0));
        expect(days.map((d) => d.date)).toEqual([...new Set(rows.map((r) => `2026-03-0${r[0]}`))].sort());
      },
    ),
  );
});
