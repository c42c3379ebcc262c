/** Getting ready and clearing away, read off the counting of needles. */
import { describe, expect, it } from 'vitest';
import fc from 'fast-check';
import { defaultHand } from '@/core/piece/hand';
import type { LogEntry } from '@/core/piece/log-entry';
import { handAtWork } from './hand-at-work';
import { readyIn, usuallyReady } from './ready';

const MIN = 60_000;
const START = Date.UTC(2026, 2, 1, 18);
let n = 0;
const entry = (at: number, e: object): LogEntry =>
  ({
    id: `e${n++}`,
    at: new Date(START + at * MIN).toISOString(),
    areaId: 'piece',
    by: 'hand',
    was: [],
    ...e,
  }) as unknown as LogEntry;
const count = (at: number, when: 'before' | 'after') => entry(at, { kind: 'needles', when, counts: {} });
const row = (at: number, minutes: number, timed = true) =>
  entry(at, { kind: 'row', areaId: 'bib', row: 1, up: null, minutes, timed, planned: null, work: null, made: {} });
/** A sitting that begins at a time, with so long before the first stab and after the last. */
const sitting = (at: number, before: number, after: number): LogEntry[] => [
  count(at, 'before'),
  row(at + before + 10, 10),
  row(at + before + 25, 12),
  count(at + before + 25 + after, 'after'),
];

describe('getting ready', () => {
  it('is from the count before to the first stab, and from the last to the count after', () => {
    expect(readyIn(sitting(0, 4, 3))).toEqual([7]);
    fc.assert(
      fc.property(
        fc.array(fc.tuple(fc.integer({ min: 0, max: 25 }), fc.integer({ min: 1, max: 25 })), { maxLength: 8 }),
        (gaps) => {
          const log = gaps.flatMap(([b, a], i) => sitting(i * 1440, b, a));
          expect(readyIn(log)).toEqual(gaps.map(([b, a]) => b + a));
        },
      ),
    );
  });
  it('is not known where one count is missing, nobody timed, or an evening lies between', () => {
    expect(readyIn(sitting(0, 4, 3).slice(1))).toEqual([]);
    expect(readyIn(sitting(0, 4, 3).slice(0, 3))).toEqual([]);
    expect(readyIn([count(0, 'before'), row(14, 10, false), count(20, 'after')])).toEqual([]);
    expect(readyIn(sitting(0, 4, 90))).toEqual([]);
    expect(usuallyReady([5, 6])).toBeNull();
    expect(usuallyReady([5, 40, 6.2])).toBe(6);
  });
  it('from three sittings on is planned so, unless the maker has put in a figure', () => {
    const log = [sitting(0, 6, 3), sitting(1440, 7, 3), sitting(2880, 7, 4)].flat();
    const piece = { id: 'p', name: 'P', log };
    expect(handAtWork(defaultHand, piece)).toMatchObject({ readyMinutes: 10, readyFrom: { minutes: 10, sittings: 3 } });
    const own = { ...defaultHand, readyMinutes: 15 };
    expect(handAtWork(own, piece)).toMatchObject({ readyMinutes: 15, readyFrom: null });
    expect(handAtWork(defaultHand, { ...piece, log: log.slice(0, 8) })).toMatchObject({
      readyMinutes: defaultHand.readyMinutes,
      readyFrom: null,
    });
  });
});
