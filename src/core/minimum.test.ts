import { describe, expect, it } from 'vitest';
import { goldenSection } from './minimum';

describe('the least value by golden section', () => {
  it('is found between the ends, and at an end', () => {
    expect(goldenSection((x) => (x - 1.7) ** 2, 0, 10, 40)).toBeCloseTo(1.7, 6);
    expect(goldenSection((x) => Math.abs(x - 0.2), 0, 1, 40)).toBeCloseTo(0.2, 6);
    expect(goldenSection((x) => x, 2, 5, 40)).toBeCloseTo(2, 6);
    expect(goldenSection((x) => -x, 2, 5, 40)).toBeCloseTo(5, 6);
  });
  it('narrows by the golden ratio every round (Kiefer 1953)', () => {
    // The answer lies within the stretch left, so it cannot be off by more than half of it.
    for (const rounds of [3, 6, 12])
      expect(Math.abs(goldenSection((x) => (x - 7.3) ** 2, 0, 10, rounds) - 7.3)).toBeLessThan(
        10 * 0.6180339887 ** rounds,
      );
  });
});
