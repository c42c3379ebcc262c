/** Conversions against culori, and reflectance curves by their properties. */
import { converter } from 'culori';
import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { neutraliser } from './adapt';
import { difference } from './difference';
import { labOf, labOfLinear, okLabOf, WHITE, xyzOfLab, type Triple } from './lab';
import { BANDS, RGB_WEIGHTS, XYZ_WEIGHTS } from './observer';
import { hexOfCurve, labOfCurve, linearOfCurve, reflectanceOf, reflectanceOfLinear } from './reflectance';
import { fromXyz, hexOf, linearOf, toXyz } from './rgb';

const hex = fc
  .tuple(fc.integer({ min: 0, max: 255 }), fc.integer({ min: 0, max: 255 }), fc.integer({ min: 0, max: 255 }))
  .map((c) => `#${c.map((x) => x.toString(16).padStart(2, '0')).join('')}`);

describe('screen colours and L*a*b*', () => {
  it('agree with an independent library under D65', () => {
    const lab65 = converter('lab65');
    const oklab = converter('oklab');
    fc.assert(
      fc.property(hex, (h) => {
        const mine = labOf(h);
        const theirs = lab65(h)!;
        expect(mine[0]).toBeCloseTo(theirs.l, 6);
        expect(mine[1]).toBeCloseTo(theirs.a, 6);
        expect(mine[2]).toBeCloseTo(theirs.b, 6);
        const ok = oklab(h)!;
        okLabOf(linearOf(h)).forEach((x, i) => expect(x).toBeCloseTo([ok.l, ok.a, ok.b][i]!, 5));
      }),
    );
  });
  it('come back unchanged', () => {
    fc.assert(
      fc.property(hex, (h) => {
        expect(hexOf(linearOf(h))).toBe(h);
        expect(hexOf(fromXyz(toXyz(linearOf(h))))).toBe(h);
        expect(hexOf(fromXyz(xyzOfLab(labOf(h))))).toBe(h);
      }),
    );
  });
});

describe('the observer', () => {
  it('gives a flat curve exactly that grey', () => {
    for (const g of [0.02, 0.2, 0.5, 0.9]) {
      const flat = new Float64Array(BANDS).fill(g);
      linearOfCurve(flat).forEach((x) => expect(x).toBeCloseTo(g, 12));
      expect(labOfCurve(flat)[1]).toBeCloseTo(0, 4);
    }
    XYZ_WEIGHTS.forEach((w, i) => expect(w.reduce((s, x) => s + x, 0)).toBeCloseTo(WHITE[i]!, 12));
    RGB_WEIGHTS.forEach((w) => expect(w.reduce((s, x) => s + x, 0)).toBeCloseTo(1, 12));
  });
  it('is brightest for green near 555 nm under D65 (CIE 1931, common knowledge)', () => {
    const y = XYZ_WEIGHTS[1]!;
    const best = y.indexOf(Math.max(...y));
    expect(380 + 10 * best).toBeGreaterThanOrEqual(540);
    expect(380 + 10 * best).toBeLessThanOrEqual(560);
  });
});

describe('reflectance of a colour', () => {
  it('looks like the colour again, stays between none and all, for any colour', () => {
    fc.assert(
      fc.property(hex, (h) => {
        const r = reflectanceOf(h);
        expect(hexOfCurve(r)).toBe(h);
        for (const x of r) {
          expect(x).toBeGreaterThanOrEqual(0);
          expect(x).toBeLessThanOrEqual(1);
        }
        if (Math.max(...linearOf(h)) > 1e-3 && Math.min(...linearOf(h)) > 1e-3) {
          linearOfCurve(r).forEach((x, i) => expect(Math.abs(x - linearOf(h)[i]!)).toBeLessThan(1e-6));
        }
      }),
      { numRuns: 150 },
    );
  });
  it('of the opposite colour is the opposite curve (Burns 2020)', () => {
    fc.assert(
      fc.property(fc.tuple(...[0, 1, 2].map(() => fc.double({ min: 0.03, max: 0.97, noNaN: true }))), (c) => {
        const a = reflectanceOfLinear(c as unknown as Triple);
        const b = reflectanceOfLinear(c.map((x) => 1 - x) as unknown as Triple);
        a.forEach((x, i) => expect(x).toBeCloseTo(1 - b[i]!, 5));
      }),
      { numRuns: 60 },
    );
  });
  it('of a grey is flat, and of black as little as a wool can reflect', () => {
    const grey = reflectanceOf('#808080');
    grey.forEach((x) => expect(x).toBeCloseTo(linearOf('#808080')[0], 8));
    expect(Math.max(...reflectanceOf('#000000'))).toBe(1e-4);
  });
  it('of a red is high in the red and low in the blue', () => {
    const r = reflectanceOf('#a03020');
    expect(r[30]!).toBeGreaterThan(4 * r[8]!);
  });
});

describe('a grey card', () => {
  it('takes a cast out: what was white comes back white, and any colour nearly as it was', () => {
    const cast: Triple = [1.15, 0.95, 0.7];
    const dim = 0.6;
    const shot = (h: string): Triple => linearOf(h).map((x, k) => x * cast[k]! * dim) as unknown as Triple;
    const neutral = neutraliser(shot('#777777'), toXyz(linearOf('#777777'))[1]);
    expect(difference(labOfLinear(neutral(shot('#777777'))), labOf('#777777'))).toBeLessThan(1e-3);
    for (const h of ['#e6d9b4', '#6b4426', '#38271c', '#8a8a8a']) {
      // Bradford adapts in cone space and not in the channels the cast was made in, so a colour may be a little off.
      const left = difference(labOfLinear(neutral(shot(h))), labOf(h));
      expect(left).toBeLessThan(3);
      expect(left).toBeLessThan(difference(labOfLinear(shot(h)), labOf(h)) / 3);
    }
  });
});
