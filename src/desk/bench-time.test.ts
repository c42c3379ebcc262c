/** What is left of today, and when a stretch is due. */
import { describe, expect, it } from 'vitest';
import { pineMarten } from '../../demo/load';
import { defaultHand } from '@/core/piece/hand';
import type { LogEntry } from '@/core/piece/log-entry';
import { atWorkSince, leftToday } from './bench-time';

const MIN = 60_000;
const NOON = new Date(2026, 2, 4, 12).getTime();
const row = (endsAt: number, minutes: number): LogEntry => ({
  id: `r${endsAt}`,
  at: new Date(endsAt).toISOString(),
  areaId: 'bib',
  by: 'hand',
  was: [],
  kind: 'row',
  row: 1,
  up: null,
  minutes,
  timed: true,
  planned: null,
  work: null,
  made: {},
});

describe('what is left of today', () => {
  const hand = { benchMinutes: [10, 20, 30, 40, 50, 60, 70] };
  const work = { ...pineMarten.work, beginOn: null, tonight: null };
  const noon = new Date(NOON);
  it('is that of its day of the week, a Wednesday, less what was done today', () => {
    expect(leftToday({ work, log: [] }, hand, noon)).toBe(30);
    expect(leftToday({ work, log: [row(NOON - 13 * 60 * MIN, 25)] }, hand, noon)).toBe(30);
    expect(leftToday({ work, log: [row(NOON - 30 * MIN, 12)] }, hand, noon)).toBe(18);
    expect(leftToday({ work, log: [row(NOON - 30 * MIN, 99)] }, hand, noon)).toBe(0);
  });
  it('is not told of a day that has none: whoever works all the same is not told to stop', () => {
    expect(leftToday({ work, log: [] }, { benchMinutes: [10, 20, 0, 40, 50, 60, 70] }, noon)).toBeNull();
  });
  it('is what was asked for today, and not for another day', () => {
    const on = (date: string) => ({ ...work, tonight: { on: date, minutes: 120 } });
    expect(leftToday({ work: on('2026-03-04'), log: [row(NOON - MIN, 20)] }, hand, noon)).toBe(100);
    expect(leftToday({ work: on('2026-03-03'), log: [] }, hand, noon)).toBe(30);
    expect(leftToday({ work: { ...on('2026-03-04'), beginOn: '2026-03-20' }, log: [] }, hand, noon)).toBe(120);
    expect(leftToday({ work, log: [] }, defaultHand, noon)).toBe(60);
  });
});

describe('at work without a break', () => {
  const timer = (startedAt: number | null, beforeMs = 0) => ({ areaId: 'bib', startedAt, beforeMs });
  it('since the first of the rows that followed each other', () => {
    const log = [row(NOON - 60 * MIN, 5), row(NOON - 20 * MIN, 8), row(NOON - 10 * MIN, 10)];
    expect(atWorkSince(log, timer(NOON - 10 * MIN))).toBe(NOON - 28 * MIN);
    expect(atWorkSince(log.slice(0, 1), timer(NOON - 10 * MIN))).toBe(NOON - 10 * MIN);
    expect(atWorkSince([], timer(NOON, 4 * MIN))).toBe(NOON - 4 * MIN);
  });
  it('not at all while the timer stands still', () => {
    expect(atWorkSince([row(NOON, 10)], timer(null, 60 * MIN))).toBeNull();
    expect(atWorkSince([row(NOON, 10)], null)).toBeNull();
  });
});
