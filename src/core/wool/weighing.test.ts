/** Amounts the scales do not show: what is taken is what was meant, within what the eye divides. */
import { describe, expect, it } from 'vitest';
import { defaultHand } from '@/core/piece/hand';
import type { Text } from '@/core/text';
import { howToWeigh } from './weighing';

const hand = (scalesStepG: 0.01 | 0.1 | 1, pinchMg: number | null = null) => ({ ...defaultHand, scalesStepG, pinchMg });
const plain = (t: Text | null): string | null => t && t.map((x) => (typeof x === 'string' ? x : x.value)).join('');

describe('so little wool', () => {
  it('is not divided where the scales show it', () => {
    for (const g of [0.1, 0.14, 3]) expect(howToWeigh(g, hand(0.1))).toBeNull();
    expect(howToWeigh(0.02, hand(0.01))).toBeNull();
    expect(howToWeigh(0, hand(1))).toBeNull();
  });
  it('is a part of the least the scales show', () => {
    expect(plain(howToWeigh(0.05, hand(0.1)))).toBe('a half of 0.1');
    expect(plain(howToWeigh(0.0125, hand(0.1)))).toBe('an eighth of 0.1');
    expect(plain(howToWeigh(0.067, hand(0.1)))).toBe('2 of 3 equal parts of 0.1');
    expect(plain(howToWeigh(0.3, hand(1)))).toBe('a third of 1');
    expect(plain(howToWeigh(0.003, hand(0.1)))).toContain('a few fibres');
  });
  it('whatever the amount and the scales, the part said is within an eighth of it', () => {
    for (const step of [0.01, 0.1, 1] as const)
      for (let k = 1; k < 398; k++) {
        const g = (step * k) / 400;
        const says = plain(howToWeigh(g, hand(step)))!;
        const parts = /^(\d+) of (\d+) equal/.exec(says);
        const names = [
          'half',
          'third',
          'quarter',
          'fifth',
          'sixth',
          'seventh',
          'eighth',
          'ninth',
          'tenth',
          'eleventh',
          'twelfth',
        ];
        const one = names.findIndex((n) => says.includes(n));
        const taken = parts ? Number(parts[1]) / Number(parts[2]) : one >= 0 ? 1 / (one + 2) : 1;
        if (says.startsWith('a few')) expect(g).toBeLessThan(step / 12);
        else expect(Math.abs((taken * step) / g - 1), says).toBeLessThan(0.125);
      }
  });
  it('is told in the maker’s own pinches once ten of them were weighed, to the half', () => {
    expect(plain(howToWeigh(0.05, hand(0.1, 20)))).toBe('2½ pinches of yours');
    expect(plain(howToWeigh(0.02, hand(0.1, 20)))).toBe('1 pinch of yours');
    expect(plain(howToWeigh(0.01, hand(0.1, 20)))).toBe('half a pinch');
    expect(plain(howToWeigh(0.03, hand(0.1, 20)))).toBe('1½ pinches of yours');
    // Less than can be taken between the fingers is divided again.
    expect(plain(howToWeigh(0.0201, hand(0.1, 100)))).toBe('a fifth of 0.1');
  });
});
