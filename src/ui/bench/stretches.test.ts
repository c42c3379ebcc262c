/** A row at true size on a narrow screen: nothing of it is lost, nothing runs over. */
import fc from 'fast-check';
import { expect, it } from 'vitest';
import { stretches } from './stretches';

it('a length in stretches is as long as the length, and none is longer than the room', () => {
  expect(stretches(250, 100)).toEqual([100, 100, 50]);
  expect(stretches(100, 100)).toEqual([100]);
  expect(stretches(12, 100)).toEqual([12]);
  fc.assert(
    fc.property(
      fc.double({ min: 0.1, max: 900, noNaN: true }),
      fc.double({ min: 10, max: 400, noNaN: true }),
      (mm, room) => {
        const all = stretches(mm, room);
        expect(all.reduce((s, x) => s + x, 0)).toBeCloseTo(mm, 5);
        expect(Math.max(...all)).toBeLessThanOrEqual(room + 1e-9);
        expect(all.length).toBe(Math.max(1, Math.ceil(mm / room - 1e-6)));
      },
    ),
  );
});
