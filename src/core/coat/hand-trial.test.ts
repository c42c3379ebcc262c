/** The trial: what follows from it is what the plan's own formulas give back. */
import { describe, expect, it } from 'vitest';
import fc from 'fast-check';
import { pinchRows } from '@/core/coat/rows/row-work';
import { defaultHand, handSchema } from '@/core/piece/hand';
import { foldedCut } from '@/core/coat/techniques/fold-over/fold-over-methods';
import { minutesOf } from '@/core/time/work-time';
import { heldIn, nothingTried, trialOf, trialSchema, type TrialDone } from './hand-trial';

const of = (t: Partial<TrialDone>) => trialOf(defaultHand, { ...nothingTried, ...t });

describe('the trial', () => {
  it('with nothing tried sets nothing', () => {
    expect(of({})).toEqual({ hand: defaultHand, yields: [] });
    expect(trialSchema.safeParse(nothingTried).success).toBe(true);
  });
  it('a lock cut and folded gives back its own cut', () => {
    const { hand } = of({ cutMm: 80, standsMm: 35.5 });
    expect(hand.rootMm).toBeCloseTo(4.5, 9);
    expect(foldedCut.of({ length: 35.5, root: hand.rootMm, over: 0 })).toBeCloseTo(80, 9);
  });
  it('rows timed are planned in just that time, whatever they took, and so is one like them', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 1, max: 20 }),
        fc.integer({ min: 20, max: 120 }),
        fc.integer({ min: 5, max: 200 }),
        fc.double({ min: 0.1, max: 10, noNaN: true }),
        fc.integer({ min: 4, max: 20 }),
        fc.integer({ min: 0, max: 5 }),
        (rows, rowMm, pinches, slower, stabs, loose) => {
          const laid = { rowsMm: rows * rowMm, rows };
          const { compare: _c, ...first } = pinchRows({ ...defaultHand, stabsPerCm: stabs }, laid, pinches, true);
          const minutes = slower * minutesOf({ times: {} }, first);
          const { hand } = of({ rows, rowMm, pinches, minutes, stabs, loose });
          const { compare: _, ...work } = pinchRows(
            { ...hand, passesLine: defaultHand.passesLine },
            laid,
            pinches,
            true,
          );
          expect(minutesOf(hand, work)).toBeCloseTo(minutes, 6);
          expect(handSchema.safeParse(hand).success).toBe(true);
        },
      ),
    );
  });
  it('wool over its room is how dense it lies: 0.9 g in five rows of 6 cm, 3 mm apart, 15 mm high', () => {
    // 9 cm2 times 1.5 cm hold 900 mg: 66.7 mg/cm3.
    expect(of({ woolG: 0.9, heightMm: 15 }).hand.loftDensityMgCm3).toBeCloseTo(66.7, 1);
  });
  it('ten pinches, stabs, a blend and rows that came loose', () => {
    const { hand, yields } = of({ tenPinchesG: 0.23, stabs: 11, loose: 1, blendMinutes: 5 });
    expect(hand.pinchMg).toBeCloseTo(23, 9);
    expect([hand.stabsPerCm, hand.passesLine, hand.times.blend!.likely]).toEqual([11, defaultHand.passesLine + 1, 5]);
    expect(yields.map((y) => y.says)).toEqual([
      'a pinch',
      'stabs per cm of row in a pass',
      'passes along the line',
      'minutes for one blend',
    ]);
    expect(of({ loose: 0 }).yields).toEqual([]);
  });
  it('spacing really held is from the first root line to the last, one gap less than there are rows', () => {
    expect(heldIn({ ...nothingTried, rows: 6, takeMm: 17.5 })).toBeCloseTo(3.5, 9);
    expect(heldIn({ ...nothingTried, rows: 1, takeMm: 3 })).toBeNull();
    expect(heldIn(nothingTried)).toBeNull();
  });
});
