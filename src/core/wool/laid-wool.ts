/**
 * The wool an area is laid with, as one: a lot, or several pulled apart and laid together. A blend hides as all its wools
 * together do (their layers add up), is cut no longer than its shortest staple and is laid like the wool there is most of.
 */
import type { Cupboard, Lot } from '@/core/piece/cupboard';
import type { Hand } from '@/core/piece/hand';
import type { Recipe } from '@/core/piece/shade';
import { layerMass } from './fibre';
import { isMixed, mixed, recipeWords } from './recipe';

export interface LaidWool {
  /** All of it as one wool; the lot itself where there is only one. */
  readonly lot: Lot;
  readonly parts: readonly { readonly lot: Lot; readonly share: number }[];
  /** How even the blend is pulled, 0 to 1; 1 where there is only one wool. */
  readonly even: number;
}

/** Fineness at which one wool of the given variation covers as much with the same mass. */
function finenessFor(layerMgCm2: number, cv: number): number {
  // The mass of one layer is proportional to the fineness.
  return layerMgCm2 / layerMass.of({ fineness: 1, cv });
}

/**
 * @param lot the wool the area is laid from, in whose name blends are judged
 * @param blend null where it is laid from that wool alone
 */
export function laidWool(
  lot: Lot,
  blend: { readonly recipe: Recipe; readonly even: number } | null,
  cupboard: Pick<Cupboard, 'lots' | 'blends'>,
  hand: Hand,
): LaidWool {
  const alone = { lot, parts: [{ lot, share: 1 }], even: 1 };
  if (blend === null) return alone;
  const mix = mixed(blend.recipe, blend.even, cupboard, hand);
  // Wools that are missing are named with the layer; until then the area goes by its own.
  if (!isMixed(mix) || mix.parts.length < 2) return alone;
  const most = mix.parts.reduce((a, b) => (b.share > a.share ? b : a)).lot;
  return {
    lot: {
      ...most,
      id: lot.id,
      name: recipeWords(blend.recipe, cupboard.lots),
      colour: mix.hex,
      tipColour: null,
      mottle: [],
      piles: [],
      finenessUm: finenessFor(mix.m1, most.finenessCv),
      stapleMm: Math.min(...mix.parts.map((p) => p.lot.stapleMm)),
    },
    parts: mix.parts,
    even: blend.even,
  };
}
