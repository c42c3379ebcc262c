/** The constant of blending learnt from blends made. */
import { describe, expect, it } from 'vitest';
import { cupboard } from '../../../demo/load';
import { COAT, layers, plan } from '../../../demo/plain-marten';
import { STEARNS_M, blendCurve, usualBlend } from './blend';
import { blendHow, fitBlend } from './learnt-blend';
import { woolCurve } from './wool-colour';
import { lightness } from '@/core/colour/lab';
import { hexOfCurve } from '@/core/colour/reflectance';
import { defaultHand } from '@/core/piece/hand';
import { type Layer } from '@/core/piece/shade';

describe('the hand learns to blend', () => {
  const recipe = [
    { lotId: 'cream-top', parts: 1 },
    { lotId: 'umber-top', parts: 1 },
  ];
  it('finds the constant a blend was made with, and keeps it to that kind of wool', () => {
    const made = plan(layers('flanks', [{ ...COAT, blend: recipe } as Layer])).shade.areas.find(
      (a) => a.id === 'flanks',
    )!.layers[0]!.ownHex;
    expect(fitBlend({ recipe, even: 1, colour: made }, cupboard.lots)!).toBeCloseTo(STEARNS_M, 2);
    // Made lighter than usual, as with a constant of 0.08.
    const curves = recipe.map((r) => ({
      curve: woolCurve(cupboard.lots.find((l) => l.id === r.lotId)!),
      parts: r.parts,
    }));
    const colour = hexOfCurve(blendCurve(curves, { ...usualBlend, m: 0.08 }));
    expect(lightness(colour)).toBeGreaterThan(lightness(made));
    const lighter = { id: 'b', name: 'b', at: '2026-01-01T10:00:00.000Z', recipe, even: 1, colour };
    expect(fitBlend(lighter, cupboard.lots)!).toBeCloseTo(0.08, 2);
    const box = { ...cupboard, blends: [1, 2, 3].map((i) => ({ ...lighter, id: `b${i}` })) };
    const how = blendHow(box, 'combed top', defaultHand);
    expect(how.blends).toBe(3);
    // Three blends against three imaginary ones: half way, on a scale of ratios.
    expect(how.m).toBeCloseTo(Math.sqrt(STEARNS_M * 0.08), 2);
    expect(blendHow(box, 'carded batt', defaultHand).m).toBe(STEARNS_M);
  });
});
