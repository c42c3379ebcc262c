/** Which earlier states are kept. Properties of the product itself. */
import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { APART, thinned } from './earlier';

const HOUR = 3_600_000;
const DAY = 24 * HOUR;

/** A piece worked on by days and hours: what is left of its states at the end. */
function worked(days: number, hoursADay: number): { readonly kept: number[]; readonly now: number } {
  let kept: number[] = [];
  let now = 0;
  for (let d = 0; d < days; d++)
    for (let t = 0; t < hoursADay * HOUR; t += APART) {
      now = d * DAY + t;
      kept.push(now);
      const gone = new Set(thinned(kept, now));
      kept = kept.filter((x) => !gone.has(x));
    }
  return { kept, now };
}

describe('earlier states', () => {
  it('are about twenty, however long a piece is worked on', () => {
    for (const [days, hours] of [
      [1, 1],
      [1, 10],
      [30, 3],
      [120, 6],
    ] as const)
      expect(worked(days, hours).kept.length).toBeLessThanOrEqual(22);
  });
  it('reach back over minutes, hours and days', () => {
    const { kept, now } = worked(30, 6);
    const within = (from: number, to: number) => kept.filter((t) => now - t >= from && now - t < to).length;
    expect(within(0, HOUR)).toBeGreaterThan(2);
    expect(within(HOUR, 13 * HOUR)).toBeGreaterThan(1);
    expect(within(DAY, 9 * DAY)).toBeGreaterThan(4);
    // One stretch of the last hour is ten minutes long.
    expect(within(0, 16 * 60_000)).toBeGreaterThan(0);
  });
  it('are kept where there are few, and stay once they are thinned', () => {
    expect(thinned([0, DAY], DAY)).toEqual([]);
    fc.assert(
      fc.property(fc.array(fc.nat(40 * 24 * 60), { minLength: 1, maxLength: 60 }), (minutes) => {
        const times = [...new Set(minutes)].map((m) => m * 60_000);
        const now = Math.max(...times);
        const gone = new Set(thinned(times, now));
        const left = times.filter((t) => !gone.has(t));
        const young = times.filter((t) => now - t < 10 * 60_000).length;
        expect(left.length - young).toBeLessThanOrEqual(20);
        // Thinned again at the same moment nothing more goes.
        expect(thinned(left, now)).toEqual([]);
      }),
    );
  });
});
