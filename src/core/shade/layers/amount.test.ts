import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { AMOUNTS, amountOf, arealOf } from './amount';

describe('amounts in words', () => {
  it('a word turned into mg is that word again, for any wool', () => {
    fc.assert(
      fc.property(
        fc.constantFrom(...AMOUNTS),
        fc.double({ min: 1.4, max: 5, noNaN: true }),
        fc.double({ min: 0.45, max: 0.95, noNaN: true }),
        (a, m1, kappa) => {
          expect(amountOf((kappa * arealOf(a, m1, kappa)) / m1)).toBe(a);
        },
      ),
    );
  });
  it('coarser and clumpier wool takes more for the same word', () => {
    for (const a of AMOUNTS) {
      expect(arealOf(a, 4, 0.75)).toBeGreaterThan(arealOf(a, 2, 0.75));
      expect(arealOf(a, 2.4, 0.5)).toBeGreaterThan(arealOf(a, 2.4, 0.85));
    }
  });
});
