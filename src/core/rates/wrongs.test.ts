/** What went wrong over all pieces, and what the plan learns of it. */
import { describe, expect, it } from 'vitest';
import { defaultHand } from '@/core/piece/hand';
import type { LogEntry } from '@/core/piece/log-entry';
import { handAtWork } from './hand-at-work';
import { recordsOf } from './records';
import { wrongsOver } from './wrongs';

let n = 0;
const common = (areaId = 'bib') => ({ id: `e${n++}`, at: '2026-03-01T09:00:00Z', areaId, by: 'hand', was: [] });
const row = (number: number, minutes: number, more: object = {}, areaId = 'bib'): LogEntry =>
  ({
    ...common(areaId),
    kind: 'row',
    row: number,
    up: null,
    minutes,
    timed: true,
    planned: 10,
    work: { row: 1, pinch: 20 },
    made: {},
    ...more,
  }) as LogEntry;
const wrong = (number: number, off: boolean, why: 'uneven' | 'came loose' = 'uneven', areaId = 'bib'): LogEntry => ({
  ...common(areaId),
  kind: 'wrong',
  operation: `lay-${areaId}`,
  row: number,
  up: null,
  off,
  why,
  wool: off ? 'used again' : null,
  words: '',
});
const times = (log: LogEntry[]) =>
  recordsOf({ id: 'p', name: 'P', log }, 'hand')?.done.flatMap((d) => (d.of === 'time' ? [d.actual] : []));

describe('a row pulled off', () => {
  it('teaches with the row laid in its place, as one row that took both', () => {
    expect(times([row(1, 10), row(2, 12), wrong(2, true), row(2, 11), row(3, 9)])).toEqual([10, 23, 9]);
    // The one that was named, not the last.
    expect(times([row(1, 10), row(2, 12), wrong(1, true), row(1, 8)])).toEqual([12, 18]);
    // Twice over.
    expect(times([row(1, 10), wrong(1, true), row(1, 8), wrong(1, true), row(1, 7)])).toEqual([25]);
    // Other areas are other rows.
    expect(times([row(1, 10), row(1, 4, {}, 'back'), wrong(1, true), row(2, 5, {}, 'back'), row(1, 6)])).toEqual([
      4, 5, 16,
    ]);
  });
  it('that is left where it is teaches as it is; minutes nobody timed teach nothing, together with others neither', () => {
    expect(times([row(1, 10), wrong(1, false), row(2, 9)])).toEqual([10, 9]);
    expect(times([row(1, 10, { timed: false }), wrong(1, true), row(1, 9), row(2, 8)])).toEqual([8]);
  });
  it('is reckoned with in the next plan: one row in five laid twice makes rows longer, and no other work', () => {
    const clean = Array.from({ length: 60 }, (_, i) => row(i + 1, 10));
    const again = clean.flatMap((e, i) => (i % 5 === 0 ? [e, wrong(i + 1, true), row(i + 1, 10)] : [e]));
    const rows = (log: LogEntry[]) => handAtWork(defaultHand, { id: 'p', name: 'P', log }).slower!.rows;
    const longer = rows(again) / rows(clean);
    expect(longer).toBeGreaterThan(1.08);
    expect(longer).toBeLessThan(1.25);
  });
});

it('reasons are counted over all pieces, each with on how many', () => {
  const pieces = [
    [row(1, 10), wrong(1, true), wrong(1, false, 'came loose')],
    [row(1, 10), wrong(1, true), wrong(1, true)],
    [row(1, 10)],
  ].map((log, i) => recordsOf({ id: `p${i}`, name: '', log }, 'hand')!);
  expect(wrongsOver(pieces)).toEqual([
    { why: 'uneven', times: 3, pulledOff: 3, pieces: 2 },
    { why: 'came loose', times: 1, pulledOff: 0, pieces: 1 },
  ]);
  expect(wrongsOver([{ pieceId: 'old', name: '', at: '2026-01-01T09:00:00Z', done: [] }])).toEqual([]);
});
