/**
 * The wools a new piece begins with: one for the coat of about the colour wanted, one for the core, one for the nose, by the same search
 * as everywhere. Where the cupboard has none of a kind, one to buy stands in: it is planned with, and counts as missing. Ours.
 */
import { foldOver } from '@/core/coat/techniques/fold-over/fold-over';
import { defaultHand, type Hand } from './piece/hand';
import type { Cupboard, Lot } from './piece/cupboard';
import { newLot } from './piece/new-stock';
import type { Part } from './piece/schema';
import { drawnLength } from './form/body';
import { meanRadius, nodesOf } from './form/pose';
import { norm, sub } from './geometry/vec';
import { findWools } from './wool/find';
import { coreForm, thinForm } from './wool/forms';

export interface FirstWools {
  readonly coat: Lot;
  readonly core: Lot;
  readonly nose: Lot;
  /** Those of them that are not in the cupboard yet. */
  readonly toBuy: readonly Lot[];
}

/** Noses and lips are nearly black, and never quite (common practice). */
const NOSE = '#2a211d';
/** A core is pale or near the coat: it must not show. */
const CORE = '#e6dfd0';
/** What a bag to buy holds is not known; it counts as nothing at hand. */
const NONE_YET = 0;

/** About the volume of a drawn animal, mm3: its round cones one by one, joints counted twice. To choose by, not to weigh by. */
export function roughVolume(parts: readonly Part[], lengthMm: number): number {
  const k = lengthMm / drawnLength([...parts]);
  const cone = (l: number, a: number, b: number) => (Math.PI * l * (a * a + a * b + b * b)) / 3;
  return parts.reduce((sum, p) => {
    if (p.shape === 'board') return sum;
    if (p.shape === 'pad')
      return (
        sum +
        (p.mirrored ? 2 : 1) * (4 / 3) * Math.PI * p.halfWidth * p.halfHeight * (norm(sub(p.end, p.start)) / 2) * k ** 3
      );
    const nodes = nodesOf(p);
    const one = nodes
      .slice(1)
      .reduce((s, n, i) => s + cone(norm(sub(n.at, nodes[i]!.at)), meanRadius(nodes[i]!), meanRadius(n)), 0);
    return sum + (p.mirrored ? 2 : 1) * one * k ** 3;
  }, 0);
}

const toBuy = (id: string, name: string, colour: string, form: Lot['form'], finenessUm: number): Lot => ({
  ...newLot(id),
  name,
  colour,
  form,
  finenessUm,
  haveG: NONE_YET,
});

/**
 * @param colour of the coat wanted, #rrggbb; null for whatever there is most of
 * @param ids for wools to buy: coat, core, nose
 */
export function firstWools(
  cupboard: Cupboard,
  parts: readonly Part[],
  lengthMm: number,
  colour: string | null,
  ids: readonly [string, string, string],
  hand: Hand = defaultHand,
): FirstWools {
  const { lots } = cupboard;
  const coatForm = (form: Lot['form']) => foldOver.suits[form].suits;
  const most = [...lots].filter((l) => l.haveG > 0 && coatForm(l.form) === 'well').sort((a, b) => b.haveG - a.haveG)[0];
  const wanted = colour ?? most?.colour ?? '#8a6a48';
  const coat =
    findWools(lots, { near: wanted, suits: coatForm })[0] ??
    toBuy(ids[0], 'Top to buy, of the coat', wanted, 'combed top', 21);
  const coreG = (roughVolume(parts, lengthMm) * hand.coreDensityMgCm3.firm.usual) / 1e6;
  // The form decides before the colour: fine top felted into a core is waste.
  const forCore = { near: CORE, except: [coat.id] };
  const onlyWell = (form: Lot['form']) => (coreForm(form) === 'well' ? 'well' : 'badly');
  const core =
    findWools(lots, { ...forCore, suits: onlyWell, grams: coreG })[0] ??
    findWools(lots, { ...forCore, suits: coreForm, grams: coreG })[0] ??
    findWools(lots, { ...forCore, suits: coreForm })[0] ??
    toBuy(ids[1], 'Batt to buy, of the core', CORE, 'carded batt', 28);
  const nose =
    findWools(lots, { near: NOSE, suits: thinForm })[0] ??
    toBuy(ids[2], 'Top to buy, of the nose', NOSE, 'combed top', 21);
  const all = [coat, core, nose];
  return { coat, core, nose, toBuy: all.filter((l) => !lots.some((x) => x.id === l.id)) };
}
