/** Feathers in the flat and in rows, beside closed forms. */
import { describe, expect, it } from 'vitest';
import { featherArea, feathersHide, halfWidthAt, throughFelt, tipOf, type FeatherOutline } from './feather-shape';

const plain: FeatherOutline = { lengthMm: 12, widthMm: 4, tipMm: 2 };

describe('the outline of a felted feather', () => {
  // Closed form: an oblong and half an ellipse.
  it('encloses what its width gives when it is added up along it', () => {
    for (const o of [plain, { lengthMm: 30, widthMm: 5, tipMm: 8 }, { lengthMm: 9, widthMm: 6, tipMm: 0.9 }]) {
      const steps = 20_000;
      let sum = 0;
      for (let i = 0; i < steps; i++)
        sum += (2 * halfWidthAt(o, ((i + 0.5) / steps) * o.lengthMm) * o.lengthMm) / steps;
      expect(sum / featherArea(o)).toBeCloseTo(1, 4);
      expect(featherArea(o, 3) - featherArea(o)).toBeCloseTo(3 * o.widthMm, 9);
    }
  });
  it('ends at its tip, half as long as the feather at most', () => {
    expect(halfWidthAt(plain, 12)).toBe(0);
    expect(halfWidthAt(plain, 12.1)).toBe(0);
    expect(halfWidthAt(plain, 9.9)).toBe(2);
    // A point of an ellipse: x = cos, y = sin.
    expect(halfWidthAt(plain, 10 + 2 * Math.sin(0.7))).toBeCloseTo(2 * Math.cos(0.7), 9);
    expect(tipOf('pointed', 12, 9)).toBe(6);
    expect(tipOf('round', 12, 4)).toBe(2);
  });
});

describe('what feathers in rows hide', () => {
  const shut = { pitchMm: 4, spacingMm: 12, through: 0 };
  it('of one row of oblongs edge to edge, as long as the rows are apart, is everything; half as long, half', () => {
    const oblong = { lengthMm: 12, widthMm: 4, tipMm: 1e-6 };
    expect(feathersHide(oblong, shut, 12)).toBe(1);
    expect(feathersHide(oblong, { ...shut, spacingMm: 24 }, 12)).toBeCloseTo(0.5, 9);
    expect(feathersHide(oblong, { ...shut, pitchMm: 8, spacingMm: 12 }, 12)).toBeCloseTo(0.5, 9);
  });
  // One layer hides its area's share of a cell, where nothing overlaps.
  it('of a single layer is its area over its place', () => {
    const o = { lengthMm: 10, widthMm: 4, tipMm: 4 };
    const hidden = feathersHide(o, { pitchMm: 5, spacingMm: 10, through: 0 }, 10);
    expect(Math.abs(hidden - featherArea(o) / 50)).toBeLessThan(0.01);
  });
  it('is the more the closer they are set, the thicker their felt and the lower they lie', () => {
    const at = (x: Partial<typeof shut>, reach = 12) =>
      feathersHide(plain, { pitchMm: 3, spacingMm: 5, through: 0.1, ...x }, reach);
    expect(at({})).toBeGreaterThan(0.98);
    expect(at({ spacingMm: 11 })).toBeLessThan(at({}));
    expect(at({ pitchMm: 6 })).toBeLessThan(at({}));
    expect(at({ through: 0.4 })).toBeLessThan(at({}));
    expect(at({}, 5)).toBeLessThan(at({}));
    expect(at({}, 0)).toBe(0);
  });
  // Where n lie over a place so much is let through n times (independent layers).
  it('lets through once for each that lies over a place', () => {
    const oblong = { lengthMm: 12, widthMm: 8, tipMm: 1e-6 };
    expect(feathersHide(oblong, { pitchMm: 4, spacingMm: 12, through: 0.3 }, 12)).toBeCloseTo(1 - 0.3 ** 2, 9);
    // Twelve times as wide as they are apart: twelve lie over every place.
    const wide = { lengthMm: 12, widthMm: 12, tipMm: 1e-6 };
    expect(feathersHide(wide, { pitchMm: 1, spacingMm: 12, through: 0.9 }, 12)).toBeCloseTo(1 - 0.9 ** 12, 9);
    expect(throughFelt(8, 0.5, 1, 0)).toBeCloseTo(Math.exp(-16), 12);
  });
});
