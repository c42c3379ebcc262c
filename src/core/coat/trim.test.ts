import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { bulkMargin, KEEP_MM, trimPlan } from './trim';

describe('the trim plan', () => {
  // Common practice: long ends first, then little by little; it cannot be put back.
  it('begins with a bulk cut that leaves a margin, then takes at most a quarter of what is left at a time', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 3, max: 60, noNaN: true }),
        fc.double({ min: 0.2, max: 60, noNaN: true }),
        (finished, over) => {
          const p = trimPlan(finished + over, finished, 10)!;
          let at = p.laidMm;
          p.steps.forEach((s, i) => {
            expect(s.takesMm).toBeCloseTo(at - s.leavesMm, 9);
            expect(s.leavesMm).toBeGreaterThanOrEqual(finished - 1e-9);
            if (s.kind === 'step') expect(s.takesMm).toBeLessThanOrEqual((at - finished) / 4 + 1e-9);
            if (s.kind === 'bulk cut') {
              expect(i).toBe(0);
              expect(s.leavesMm - finished).toBeCloseTo(bulkMargin(finished), 9);
            }
            at = s.leavesMm;
          });
          expect(at).toBeCloseTo(finished, 9);
          expect(p.steps.filter((s) => s.kind === 'last pass').length).toBe(1);
          // What falls is what was too long, by mass: 10 mg a mm.
          expect(p.wasteG).toBeCloseTo((over * 10) / 1000, 9);
          expect(p.keepG).toBeCloseTo(
            p.steps.filter((s) => s.takesMm > KEEP_MM).reduce((x, s) => x + (s.takesMm * 10) / 1000, 0),
            9,
          );
        },
      ),
    );
  });
  it('a margin of at least 5 mm, 0.3 of longer fur', () => {
    expect([bulkMargin(10), bulkMargin(40)]).toEqual([5, 12]);
  });
  it('is none where nothing is to be taken', () => {
    expect(trimPlan(12, 12, 10)).toBeNull();
  });
  it('keeps the offcuts of a long bulk cut for cores', () => {
    const p = trimPlan(60, 30, 20)!;
    expect(p.steps[0]).toMatchObject({ kind: 'bulk cut', keep: true });
    expect(p.keepG).toBeCloseTo((21 * 20) / 1000, 9);
  });
});
