/** Legs in a walk. */
import { describe, expect, it } from 'vitest';
import { alpacaCria, brownHare, kingfisher, pineMarten } from '../../../demo/load';
import { endAt } from './reach';
import { legsOf, setStride, strideOf } from './stride';

describe('legs in a walk', () => {
  it('are the paired limbs that end on the ground, the foremost first', () => {
    expect(legsOf(pineMarten.form).map((p) => p.id)).toEqual(['foreleg', 'hindleg']);
    expect(legsOf(alpacaCria.form).map((p) => p.id)).toEqual(['foreleg', 'hindleg']);
    expect(legsOf(kingfisher.form).map((p) => p.id)).toEqual(['leg']);
    expect(strideOf(brownHare.form)).toBeNull();
  });

  it('stand as far apart as is said, fore and hind the other way, no higher than before', () => {
    for (const { form } of [pineMarten, alpacaCria]) {
      const begun = strideOf(form)!;
      const next = setStride(form, begun + 60);
      expect(strideOf(next)).toBeCloseTo(begun + 60, 0);
      const fore = legsOf(next).map((p) => Math.sign(endAt(next, p, 'left')[2] - endAt(next, p, 'right')[2]));
      expect(fore).toEqual([1, -1]);
      for (const p of legsOf(next))
        for (const side of ['left', 'right'] as const) {
          const [was, now] = [endAt(form, p, side), endAt(next, p, side)];
          expect(Math.abs(now[1] - was[1]), `${p.id} ${side}`).toBeLessThan(2);
          expect(Math.abs(now[0] - was[0]), `${p.id} ${side}`).toBeLessThan(2);
        }
      // The middle between two feet stays where it was.
      for (const p of legsOf(next)) {
        const middle = (f: typeof form) => (endAt(f, p, 'left')[2] + endAt(f, p, 'right')[2]) / 2;
        expect(Math.abs(middle(next) - middle(form))).toBeLessThan(1);
      }
    }
  });

  it('set back to nothing stand side by side', () => {
    const back = setStride(setStride(pineMarten.form, 70), 0);
    for (const p of legsOf(back))
      expect(Math.abs(endAt(back, p, 'left')[2] - endAt(back, p, 'right')[2]), p.id).toBeLessThan(0.5);
  });
});
