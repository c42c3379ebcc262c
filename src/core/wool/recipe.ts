/** A recipe put together from the cupboard: its curve, how fine it is on average, how it spreads. */
import { hexOfCurve, labOfCurve } from '@/core/colour/reflectance';
import type { Triple } from '@/core/colour/lab';
import type { Cupboard, Lot } from '@/core/piece/cupboard';
import type { Hand } from '@/core/piece/hand';
import type { Recipe } from '@/core/piece/shade';
import { blendCurve, type BlendHow } from './blend';
import { layerMass } from './fibre';
import { blendHow } from './learnt-blend';
import { woolCurve } from './wool-colour';

export interface Mixed {
  readonly parts: readonly { readonly lot: Lot; readonly share: number }[];
  readonly curve: Float64Array;
  readonly hex: string;
  readonly lab: Triple;
  /** Areal mass that covers once on average, mg/cm2: the layers of its wools add up. */
  readonly m1: number;
  readonly kappa: number;
  readonly how: BlendHow & { readonly blends: number };
}

/** @returns the blend, or the names of the wools that are not in the cupboard */
export function mixed(
  recipe: Recipe,
  even: number,
  cupboard: Pick<Cupboard, 'lots' | 'blends'>,
  hand: Hand,
): Mixed | { readonly missing: readonly string[] } {
  const found = recipe.map((r) => ({ lot: cupboard.lots.find((l) => l.id === r.lotId), parts: r.parts, id: r.lotId }));
  const missing = found.filter((f) => !f.lot).map((f) => f.id);
  if (missing.length > 0) return { missing };
  const whole = recipe.reduce((s, r) => s + r.parts, 0);
  const parts = found.map((f) => ({ lot: f.lot!, share: f.parts / whole }));
  const how = blendHow(cupboard, parts[0]!.lot.form, hand, even);
  const curve =
    parts.length === 1
      ? woolCurve(parts[0]!.lot, { ...how, even: 1 })
      : blendCurve(
          parts.map((p) => ({ curve: woolCurve(p.lot), parts: p.share })),
          how,
        );
  return {
    parts,
    curve,
    hex: hexOfCurve(curve),
    lab: labOfCurve(curve),
    m1: 1 / parts.reduce((s, p) => s + p.share / layerMass.of({ fineness: p.lot.finenessUm, cv: p.lot.finenessCv }), 0),
    kappa: parts.reduce((s, p) => s + p.share * hand.spread[p.lot.form], 0),
    how,
  };
}

export const isMixed = (m: Mixed | { readonly missing: readonly string[] }): m is Mixed => 'curve' in m;

/** Parts in lowest terms, in words: 3 rust, 2 cream. */
export function recipeWords(recipe: Recipe, lots: readonly Lot[]): string {
  const name = (id: string) => lots.find((l) => l.id === id)?.name ?? id;
  if (recipe.length === 1) return name(recipe[0]!.lotId);
  return recipe.map((r) => `${r.parts} ${name(r.lotId)}`).join(' : ');
}

/** A recipe with one wool in place of another; together where it stood in it already. */
export function swapIn(recipe: Recipe, from: string, to: string): Recipe {
  const old = recipe.find((r) => r.lotId === from);
  if (!old) return recipe;
  const had = recipe.find((r) => r.lotId === to);
  const rest = recipe.filter((r) => r !== old && r !== had);
  return [...rest, { lotId: to, parts: Math.min(64, old.parts + (had?.parts ?? 0)) }];
}
