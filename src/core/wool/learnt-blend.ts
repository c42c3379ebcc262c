/**
 * The maker's own constant of blending, from blends really made and compared by eye or by a photograph: one number for
 * each form of wool, the one that brings the predicted colours nearest to the made ones (golden section on the mean square
 * of the differences). Shrunk towards the usual constant as three imaginary blends would, so one odd day does not decide.
 */
import { difference } from '@/core/colour/difference';
import { labOf } from '@/core/colour/lab';
import { labOfCurve } from '@/core/colour/reflectance';
import { goldenSection } from '@/core/minimum';
import type { BlendTest, Cupboard, Lot } from '@/core/piece/cupboard';
import type { Hand } from '@/core/piece/hand';
import { blendCurve, M_RANGE, STEARNS_M, usualBlend, type BlendHow } from './blend';
import { woolCurve } from './wool-colour';

const IMAGINARY = 3;

/** Constant that fits one blend best, within `M_RANGE`; null where a wool of it is gone. */
export function fitBlend(t: Pick<BlendTest, 'recipe' | 'even' | 'colour'>, lots: readonly Lot[]): number | null {
  const parts = t.recipe.map((r) => ({ lot: lots.find((l) => l.id === r.lotId), parts: r.parts }));
  if (parts.some((p) => !p.lot)) return null;
  const made = labOf(t.colour);
  const list = parts.map((p) => ({ curve: woolCurve(p.lot!), parts: p.parts }));
  const off = (log: number) =>
    difference(made, labOfCurve(blendCurve(list, { ...usualBlend, m: Math.exp(log), even: t.even })));
  return Math.exp(goldenSection(off, Math.log(M_RANGE.least), Math.log(M_RANGE.most), 40));
}

/** What a form of wool blends by, and how many blends it rests on. */
export function blendHow(
  cupboard: Pick<Cupboard, 'blends' | 'lots'>,
  form: Lot['form'],
  hand: Pick<Hand, 'blendModel'>,
  even = 1,
): BlendHow & { readonly blends: number } {
  const fits = cupboard.blends.flatMap((t) => {
    if (cupboard.lots.find((l) => l.id === t.recipe[0]?.lotId)?.form !== form) return [];
    const m = fitBlend(t, cupboard.lots);
    return m === null ? [] : [Math.log(m / STEARNS_M)];
  });
  const m = STEARNS_M * Math.exp(fits.reduce((s, x) => s + x, 0) / (IMAGINARY + fits.length));
  return { model: hand.blendModel, m, even, blends: fits.length };
}
