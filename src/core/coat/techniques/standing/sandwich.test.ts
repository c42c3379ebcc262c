import { describe, expect, it } from 'vitest';
import {
  bandReach,
  blurMm,
  carryingRows,
  crowdedStripe,
  halfAtTop,
  LOST,
  SAFE,
  spotDiameter,
  stripeWidth,
  topAt,
} from './sandwich';

// Worked by hand from w = b u + 2 h tan(u phi) and w = b u + 2 h u phi (own derivation).
describe('a stripe laid into a cut pile', () => {
  const third = { share: 1 / 3, fan: 40, height: 10, stab: 1, pitch: 1000 };
  it('comes out as wide as its share of the fan', () => {
    // A band of one part over three parts of ground is a quarter of the lay; 1 : 2 a third.
    expect(stripeWidth.of({ ...third, share: 0.25, domed: 0 })).toBeCloseTo(
      0.25 + 20 * Math.tan((10 * Math.PI) / 180),
      9,
    );
    expect(stripeWidth.of({ ...third, share: 0.25, domed: 0 })).toBeCloseTo(3.78, 2);
    expect(stripeWidth.of({ ...third, share: 0.25, domed: 1 })).toBeCloseTo(3.74, 2);
    expect(stripeWidth.of({ ...third, share: 0.25, height: 15, domed: 0 })).toBeCloseTo(5.54, 2);
  });
  it('has its share of the pitch between crowded neighbours', () => {
    expect(crowdedStripe(0.25, 12)).toBeCloseTo(3, 9);
    expect(stripeWidth.of({ ...third, share: 0.25, domed: 0, pitch: 12 })).toBeCloseTo(3, 9);
  });
  it('needs more length the further out in the fan it runs', () => {
    expect(bandReach(10, 0.25, 40, 3)).toBeCloseTo(10 / Math.cos((10 * Math.PI) / 180) + 3, 9);
    expect(bandReach(10, 0.9, 40, 3)).toBeGreaterThan(bandReach(10, 0.2, 40, 3));
  });
  it('is safe while short and narrow enough, lost when its blur is three quarters of it', () => {
    expect(blurMm(10, 0.12) / 3.78).toBeLessThan(SAFE);
    expect(blurMm(30, 0.12) / 3.78).toBeGreaterThan(LOST);
  });
});

describe('a spot', () => {
  it('is as large as its share of the pile’s mass', () => {
    expect(spotDiameter.of({ pinch: 1, width: 12, areal: 0.4 })).toBeCloseTo(6.18, 2);
    // Twice the wool, twice the area.
    const one = spotDiameter.of({ pinch: 1, width: 12, areal: 0.4 });
    expect(spotDiameter.of({ pinch: 2, width: 12, areal: 0.4 }) ** 2 / one ** 2).toBeCloseTo(2, 9);
  });
});

describe('the section drawn of a row', () => {
  const row = {
    kind: 'stripe',
    groundColour: '#808080',
    markingColour: '#202020',
    heightMm: 10,
    spacingMm: 30,
    fanDeg: 45,
    share: 0.3,
    widthMm: 4,
    blurMm: 1,
    cut: 'flat',
    rows: [1],
  } as const;
  it('fans as wide as it is high at 45 degrees, and no wider than its neighbours let it', () => {
    expect(halfAtTop(row)).toBeCloseTo(10, 9);
    expect(halfAtTop({ ...row, spacingMm: 8 })).toBe(4);
    expect(halfAtTop({ ...row, fanDeg: 90, spacingMm: 1e4 })).toBeLessThan(100);
  });
  it('is level where it is cut flat, and falls off evenly to both sides where it is cut domed', () => {
    expect(topAt(row, 7)).toBe(10);
    const domed = { ...row, cut: 'domed' } as const;
    expect(topAt(domed, 0)).toBe(10);
    expect(topAt(domed, 10)).toBeCloseTo(10 * Math.cos(0.5), 9);
    expect(topAt(domed, -6)).toBe(topAt(domed, 6));
    expect(topAt(domed, 6)).toBeGreaterThan(topAt(domed, 9));
  });
});

describe('the rows that carry a marking', () => {
  const rows = Array.from({ length: 10 }, (_, i) => ({ number: i + 1, share: (i + 0.5) / 10 }));
  it('lie between two heights, every so many', () => {
    expect(carryingRows(rows, 0, 1, 1)).toEqual([1, 2, 3, 4, 5, 6, 7, 8, 9, 10]);
    expect(carryingRows(rows, 0.2, 0.6, 1)).toEqual([3, 4, 5, 6]);
    expect(carryingRows(rows, 0.6, 0.2, 2)).toEqual([3, 5]);
    expect(carryingRows(rows, 0.96, 1, 1)).toEqual([]);
  });
});
