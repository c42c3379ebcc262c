/** Rows that lie already, as measured: laid and left together cover the area (closed forms on cylinder and cone). */
import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { evenly, heightOverLying, rowsBelowLying, spacingOver, type Lying, type RowsLying } from './spacing';

const lyings: fc.Arbitrary<RowsLying> = fc.array(
  fc.record({ rows: fc.integer({ min: 1, max: 20 }), spacingMm: fc.double({ min: 0.5, max: 8, noNaN: true }) }),
  { maxLength: 4 },
);
const TOP = 200;
/** Rows that lie from the hem up. */
const from0 = (...rows: RowsLying): Lying => ({ fromMm: 0, rows });

describe('rows above those that lie', () => {
  it('are counted on from where these end: counting back gives the height again', () => {
    fc.assert(
      fc.property(
        lyings,
        fc.double({ min: 0.8, max: 9, noNaN: true }),
        fc.double({ min: 0.8, max: 9, noNaN: true }),
        fc.double({ min: 0, max: TOP, noNaN: true }),
        fc.double({ min: -20, max: 20, noNaN: true }),
        (rows, hemMm, topMm, height, fromMm) => {
          const s = { hemMm, topMm };
          const lying = { fromMm, rows };
          const n = rowsBelowLying(lying, s, height, TOP);
          expect(heightOverLying(lying, s, n, TOP)).toBeCloseTo(height, 6);
        },
      ),
    );
  });

  // A cylinder of height H: n rows at a measured spacing s leave (H - n s) / t rows at t, whatever was planned before.
  it('on a cylinder: what is left of the height, over the spacing asked', () => {
    const lying = from0({ rows: 10, spacingMm: 2.7 });
    const all = rowsBelowLying(lying, evenly(3), 80, 80);
    expect(all - 10).toBeCloseTo((80 - 27) / 3, 12);
    expect(heightOverLying(lying, evenly(3), 10.5, 80)).toBeCloseTo(27 + 1.5, 12);
    expect(spacingOver(lying, evenly(3), 26.9, 80)).toBe(2.7);
    expect(spacingOver(lying, evenly(3), 27.1, 80)).toBe(3);
  });

  // Where the spacing grows with the height, s(h) = a + b h: the rows between two heights are ln(s1 / s0) / b (integral of dh / s).
  it('on a cone laid wider towards the top: the integral of what is left', () => {
    const s = { hemMm: 2, topMm: 6 };
    const b = (6 - 2) / 100;
    const lying = from0({ rows: 8, spacingMm: 2.5 });
    expect(rowsBelowLying(lying, s, 100, 100) - 8).toBeCloseTo(Math.log(6 / (2 + b * 20)) / b, 9);
  });

  it('measured twice: each stretch as it was measured', () => {
    const lying = from0({ rows: 4, spacingMm: 3 }, { rows: 5, spacingMm: 2 });
    expect(rowsBelowLying(lying, evenly(4), 12, 60)).toBeCloseTo(4, 12);
    expect(rowsBelowLying(lying, evenly(4), 22, 60)).toBeCloseTo(9, 12);
    expect(rowsBelowLying(lying, evenly(4), 30, 60)).toBeCloseTo(11, 12);
    // The lowest row may begin below the mean of the hem.
    expect(rowsBelowLying({ ...lying, fromMm: -6 }, evenly(4), 24, 60)).toBeCloseTo(11, 12);
  });
});
