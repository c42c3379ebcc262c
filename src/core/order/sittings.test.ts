import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { criticalPath } from './critical';
import { dateAfter, weekdayOf } from './dates';
import { schedule, tails, type Slot, type Week } from './sittings';
import type { Task } from './task';

const every = (minutes: number, readyMinutes = 0): Week => ({
  minutes: Array(7).fill(minutes) as number[],
  readyMinutes,
  firstDay: 0,
});
const task = (id: string, minutes: number, change: Partial<Task> = {}): Task => ({
  id,
  minutes,
  unitMinutes: null,
  waitMinutes: 0,
  after: [],
  ...change,
});

const DAY = 1440;
/** When each task ends, walking through the sittings, idle time as late as it can be. */
function check(tasks: readonly Task[], slots: readonly Slot[]): void {
  const byId = new Map(tasks.map((t) => [t.id, t]));
  const share = new Map<string, number>();
  const ended = new Map<string, number>();
  for (const s of slots) {
    expect(s.over || s.minutes + s.idleMinutes <= s.hasMinutes + 1e-6).toBe(true);
    let now = s.day * DAY + s.idleMinutes;
    for (const x of s.stints) {
      const t = byId.get(x.id)!;
      expect(x.from).toBeCloseTo(share.get(x.id) ?? 0, 9);
      expect(x.minutes).toBeCloseTo((x.to - x.from) * t.minutes, 6);
      if (t.unitMinutes === null) expect([x.from, x.to]).toEqual([0, 1]);
      for (const a of t.after) {
        const b = byId.get(a);
        if (b && b.minutes > 0) {
          expect(ended.has(a)).toBe(true);
          expect(now + 1e-6).toBeGreaterThanOrEqual(ended.get(a)! + b.waitMinutes);
        }
      }
      now += x.minutes;
      share.set(x.id, x.to);
      if (x.to === 1) ended.set(x.id, now - s.idleMinutes);
    }
  }
  for (const t of tasks) if (t.minutes > 0) expect(share.get(t.id)).toBe(1);
}

const tasks = fc.integer({ min: 1, max: 7 }).chain((n) =>
  fc.array(
    fc.record({
      minutes: fc.integer({ min: 5, max: 50 }),
      wait: fc.constantFrom(0, 0, 0, 30, 300),
      after: fc.array(fc.nat(n - 1), { maxLength: 2 }),
      split: fc.boolean(),
    }),
    { minLength: n, maxLength: n },
  ),
);
const made = (
  rows: readonly { minutes: number; wait: number; after: number[]; split: boolean }[],
  whole: boolean,
): Task[] =>
  rows.map((r, i) =>
    task(`t${i}`, r.minutes, {
      unitMinutes: r.split && !whole ? 5 : null,
      waitMinutes: r.wait,
      after: [...new Set(r.after.filter((a) => a < i).map((a) => `t${a}`))],
    }),
  );

describe('sittings', () => {
  it('keep every tie and every wait, leave nothing out, split only what can be split', () => {
    fc.assert(
      fc.property(tasks, fc.constantFrom(55, 60, 90), (rows, minutes) => {
        const all = made(rows, false);
        const { slots, earliestDay } = schedule(all, every(minutes, 4));
        check(all, slots);
        expect(slots[slots.length - 1]!.day).toBeGreaterThanOrEqual(earliestDay);
        expect(schedule(all, every(minutes, 4)).slots).toEqual(slots);
      }),
      { numRuns: 300 },
    );
  });
  /** Fewest sittings of all orders of tasks done in one go without waiting in between (brute force). */
  function fewest(all: readonly Task[], minutes: number): number {
    let best = Infinity;
    const go = (done: readonly string[], sittings: number, left: number): void => {
      if (sittings >= best) return;
      if (done.length === all.length) {
        best = sittings;
        return;
      }
      for (const t of all) {
        if (done.includes(t.id) || !t.after.every((a) => done.includes(a))) continue;
        if (t.minutes <= left) go([...done, t.id], sittings, left - t.minutes);
        else go([...done, t.id], sittings + 1, minutes - t.minutes);
      }
    };
    go([], 1, minutes);
    return best;
  }
  it('are never more than one above the fewest there can be, and mostly the fewest (brute force, small cases)', () => {
    let same = 0;
    let count = 0;
    fc.assert(
      fc.property(tasks, (rows) => {
        const all = made(
          rows.map((r) => ({ ...r, wait: 0 })),
          true,
        );
        const best = fewest(all, 60);
        const { slots, earliestDay } = schedule(all, every(60));
        expect(earliestDay).toBeLessThan(best);
        expect(slots.length).toBeLessThanOrEqual(best + 1);
        count++;
        if (slots.length === best) same++;
      }),
      { numRuns: 300, seed: 11 },
    );
    expect(same / count).toBeGreaterThan(0.9);
  });
  it('steps that take no time set free what waits for them once, and nothing is left out', () => {
    const tasks = [
      task('nothing', 0),
      task('next', 10, { after: ['nothing'] }),
      task('nothing too', 0, { after: ['nothing'] }),
      task('last', 10, { after: ['next', 'nothing too'] }),
      ...Array.from({ length: 12 }, (_, i) => task(`more-${i}`, 20)),
    ];
    const { slots } = schedule(tasks, every(60));
    const done = slots.flatMap((s) => s.stints.map((x) => x.id));
    expect([...done].sort()).toEqual(tasks.flatMap((t) => (t.minutes > 0 ? [t.id] : [])).sort());
  });
  it('a wait is filled with other parts, and what waits comes after it', () => {
    const all = [task('glue', 10, { waitMinutes: 30 }), task('lids', 10, { after: ['glue'] }), task('ears', 30)];
    const { slots } = schedule(all, every(60));
    expect(slots).toHaveLength(1);
    expect(slots[0]!.stints.map((s) => s.id)).toEqual(['glue', 'ears', 'lids']);
    expect(slots[0]!.idleMinutes).toBe(0);
  });
  it('what dries overnight is ready next day, and is said to be drying as the sitting ends', () => {
    const all = [task('ear', 20, { waitMinutes: 480 }), task('fix', 20, { after: ['ear'] })];
    const { slots } = schedule(all, every(60));
    expect(slots.map((s) => s.day)).toEqual([0, 1]);
    expect(slots[0]!.setting).toEqual([{ id: 'ear', minutes: 480 }]);
    expect(slots[1]!.setting).toEqual([]);
  });
  it('rows are left after a whole row; a glued part is not begun where it does not fit', () => {
    const rows = schedule([task('rows', 100, { unitMinutes: 8 })], every(60)).slots;
    expect(rows.map((s) => Math.round(s.minutes))).toEqual([56, 44]);
    const glued = schedule([task('a', 40), task('glue', 30)], every(60)).slots;
    expect(glued.map((s) => s.stints.map((x) => x.id))).toEqual([['a'], ['glue']]);
    // Longer than any sitting: alone, in one go.
    const long = schedule([task('a', 5), task('long', 90)], every(60)).slots;
    expect(long.map((s) => [s.stints[0]!.id, s.over])).toEqual([
      ['a', false],
      ['long', true],
    ]);
  });
  it('days without time are passed over; a week without any has no sittings', () => {
    const weekend: Week = { minutes: [0, 0, 0, 0, 0, 60, 60], readyMinutes: 0, firstDay: 2 };
    const { slots } = schedule([task('rows', 150, { unitMinutes: 5 })], weekend);
    // From a Wednesday: Saturday is day 3.
    expect(slots.map((s) => s.day)).toEqual([3, 4, 10]);
    expect(schedule([task('a', 5)], every(0)).slots).toEqual([]);
  });
});

describe('the longest chain', () => {
  it('is as long as the longest way through (all ways looked at), and its steps have no slack', () => {
    fc.assert(
      fc.property(tasks, (rows) => {
        const all = made(rows, true);
        const byId = new Map(all.map((t) => [t.id, t]));
        const longest = (t: Task): number =>
          t.minutes + Math.max(0, ...t.after.map((a) => longest(byId.get(a)!) + byId.get(a)!.waitMinutes));
        const c = criticalPath(all);
        expect(c.minutes).toBeCloseTo(Math.max(...all.map(longest)), 9);
        let sum = 0;
        c.chain.forEach((id, i) => {
          const t = byId.get(id)!;
          if (i > 0) {
            expect(t.after).toContain(c.chain[i - 1]);
            sum += byId.get(c.chain[i - 1]!)!.waitMinutes;
          }
          sum += t.minutes;
          expect(c.slack.get(id)).toBeCloseTo(0, 9);
        });
        expect(sum).toBeCloseTo(c.minutes, 9);
        for (const s of c.slack.values()) expect(s).toBeGreaterThanOrEqual(0);
        expect(Math.max(...[...tails(all).values()])).toBeCloseTo(c.minutes, 9);
      }),
    );
  });
});

describe('days', () => {
  it('of the week and of the calendar, over leap days and the end of a year', () => {
    // 26 November 2026 is a Thursday; 29 February 2028 a Tuesday (any calendar).
    expect(weekdayOf('2026-11-26')).toBe(3);
    expect(weekdayOf('2028-02-29')).toBe(1);
    expect(dateAfter('2026-12-30', 3)).toBe('2027-01-02');
    expect(dateAfter('2028-02-28', 1)).toBe('2028-02-29');
    for (let d = 0; d < 800; d += 13) expect(weekdayOf(dateAfter('2026-11-26', d))).toBe((3 + d) % 7);
  });
});

describe('another time on the first day', () => {
  const tasks = Array.from({ length: 10 }, (_, i) => task(`t${i}`, 30, { after: i > 0 ? [`t${i - 1}`] : [] }));
  const on = (firstMinutes?: number) =>
    schedule(tasks, { ...every(60), ...(firstMinutes === undefined ? {} : { firstMinutes }) });
  it('holds for that day alone: two hours more are two steps more, none is a day later', () => {
    const minutes = (s: ReturnType<typeof on>) => s.slots.map((x) => [x.day, x.minutes]);
    expect(minutes(on())).toEqual([0, 1, 2, 3, 4].map((d) => [d, 60]));
    expect(minutes(on(120))).toEqual([
      [0, 120],
      [1, 60],
      [2, 60],
      [3, 60],
    ]);
    expect(minutes(on(0))).toEqual([1, 2, 3, 4, 5].map((d) => [d, 60]));
    for (const m of [0, 30, 90, 200, 400]) {
      check(tasks, on(m).slots);
      expect(on(m).earliestDay).toBeLessThanOrEqual(on(m).slots.at(-1)!.day);
    }
  });
});
