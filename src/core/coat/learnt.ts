/**
 * What practice swatches of a lot teach. A ball covered by the spec of an area, looked at, measured with a rule and
 * weighed, corrects three figures for that wool: how far a layer hides (kappa), how high laid wool stands (loft density),
 * and how much really lies on a cm of row. A swatch outweighs a default; several are averaged (geometric mean).
 */
import type { Laid } from '@/core/piece/coat';
import type { Cupboard, Lot, Swatch } from '@/core/piece/cupboard';
import { defaultHand, type Hand } from '@/core/piece/hand';
import type { LaidWool } from '@/core/wool/laid-wool';
import { together, type Known } from '@/core/method/doubt';
import { WELL } from '@/core/coat/cover/cover';
import { knownOfHand } from '@/core/piece/hand-known';
import type { HandAtWork } from '@/core/rates/hand-at-work';
import type { Figure } from '@/core/method/define';
import type { Lay, LayFigures, Spec } from './way';
import { wayOf } from './ways';

interface Learnt {
  readonly hand: Hand;
  readonly habit: number;
  readonly rise: number;
  /** Swatches of this wool it rests on, and what of it is measured: by them, or by the maker before. */
  readonly swatches: number;
  readonly known: Known;
}

/** Share hidden a verdict stands for: at least, at most. Ours. */
const VERDICT = { hidden: [WELL, 1], 'shows a little': [0.93, WELL], shows: [0.5, 0.93] } as const;
const KAPPA = { least: 0.02, most: 1 };

const mean = (x: readonly number[]): number =>
  x.length === 0 ? 1 : Math.exp(x.reduce((s, v) => s + Math.log(v), 0) / x.length);

const withKappa = (hand: Hand, lot: Lot, kappa: number): Hand => ({
  ...hand,
  spread: { ...hand.spread, [lot.form]: kappa },
});

const weighedOver = (s: Swatch): number =>
  s.weighedMgCm !== null && 'layMgCm' in s.coat ? s.weighedMgCm / s.coat.layMgCm : 1;

/**
 * Kappa at which a swatch looks as it did: the one assumed where the two agree, else the nearest that does.
 * @returns null when no kappa explains it (rows too far apart for any wool to hide the base)
 */
function kappaOf(s: Swatch, lot: Lot, hand: Hand): number | null {
  const spec = s.coat as Laid;
  const coverAt = (kappa: number) =>
    wayOf(spec.method).look({ spec, lot, hand: withKappa(hand, lot, kappa), habit: weighedOver(s), rise: 1 }).cover
      .value;
  const [least, most] = VERDICT[s.verdict];
  const was = hand.spread[lot.form];
  const c = coverAt(was);
  if (c >= least && c <= most) return was;
  const goal = c < least ? least : most;
  let [lo, hi] = [KAPPA.least, KAPPA.most] as [number, number];
  if (coverAt(lo) > goal || coverAt(hi) < goal) return null;
  for (let i = 0; i < 50; i++) {
    const k = (lo + hi) / 2;
    if (coverAt(k) < goal) lo = k;
    else hi = k;
  }
  return (lo + hi) / 2;
}

export function learntFrom(cupboard: Pick<Cupboard, 'swatches'>, lot: Lot, hand: Hand): Learnt {
  const mine = cupboard.swatches.filter((s) => s.coat.method !== 'none' && s.coat.lotId === lot.id);
  // How far this form of wool spreads may be the maker's own value already.
  const own = hand.spread[lot.form] === defaultHand.spread[lot.form] ? 0 : 1;
  if (mine.length === 0) return { hand, habit: 1, rise: 1, swatches: 0, known: own > 0 ? { hides: own } : {} };
  const kappas = mine.flatMap((s) => kappaOf(s, lot, hand) ?? []);
  const rises = mine.flatMap((s) => {
    if (s.loftMm === null) return [];
    const spec = s.coat as Laid;
    const plain: Spec = { spec, lot, hand, habit: weighedOver(s), rise: 1 };
    return [s.loftMm / wayOf(spec.method).look(plain).loft.value];
  });
  const habits = mine.filter((s) => s.weighedMgCm !== null).map(weighedOver);
  return {
    hand: kappas.length > 0 ? withKappa(hand, lot, mean(kappas)) : hand,
    habit: mean(habits),
    rise: mean(rises),
    swatches: mine.length,
    known: { hides: kappas.length + own, lay: habits.length, stands: rises.length },
  };
}

/** The same of several wools laid together: the mean by their shares. */
export function learntTogether(cupboard: Pick<Cupboard, 'swatches'>, wool: LaidWool, hand: Hand): Learnt {
  const { parts, lot } = wool;
  const all = parts.map((p) => ({ share: p.share, form: p.lot.form, ...learntFrom(cupboard, p.lot, hand) }));
  if (all.length === 1) {
    const { hand: h, habit, rise, swatches, known } = all[0]!;
    return { hand: h, habit, rise, swatches, known };
  }
  const by = (of: (x: (typeof all)[number]) => number) => all.reduce((s, x) => s + x.share * of(x), 0);
  return {
    hand: withKappa(
      hand,
      lot,
      by((x) => x.hand.spread[x.form]),
    ),
    habit: by((x) => x.habit),
    rise: by((x) => x.rise),
    swatches: all.reduce((s, x) => s + x.swatches, 0),
    known: leastKnown(all.map((x) => x.known)),
  };
}

/** What is known of a wool and of the hand it is laid by. */
export const knownOf = (learnt: Learnt, hand: Hand): Known => together(knownOfHand(hand), learnt.known);

/** What was weighed and measured of a way of laying on this piece and on others comes on top of what swatches of a wool say. */
export function taughtOf(hand: HandAtWork, way: string, known: Known) {
  const rates = hand.laying[way];
  return {
    wool: rates?.wool?.times ?? 1,
    loft: rates?.loft?.times ?? 1,
    known: together(known, { lay: rates?.wool?.entries ?? 0, stands: rates?.loft?.entries ?? 0 }),
  };
}

/** Another wool as a judgement of a change wants it. */
export function asLearnt(
  cupboard: Pick<Cupboard, 'swatches'>,
  lot: Lot,
  hand: Hand,
  taught: { readonly wool: number; readonly loft: number },
): Omit<Spec, 'spec'> {
  const { hand: rates, habit, rise } = learntFrom(cupboard, lot, hand);
  return { lot, hand: rates, habit: habit * taught.wool, rise: rise * taught.loft };
}

/** Figures that say what of their wool is measured. */
export const knowing = (lay: Lay, known: Known): Lay =>
  Object.values(known).every((n) => n === 0)
    ? lay
    : { ...lay, figures: mapped(lay.figures, (f): Figure => ({ ...f, known })) };

const mapped = (figures: LayFigures, by: (f: Figure) => Figure): LayFigures =>
  Object.fromEntries(Object.entries(figures).map(([k, f]) => [k, by(f)])) as unknown as LayFigures;

/** Of wools laid together no more is known than of the one least known. */
function leastKnown(all: readonly Known[]): Known {
  const names = Object.keys(together(...all)) as (keyof Known)[];
  return Object.fromEntries(names.map((n) => [n, Math.min(...all.map((k) => k[n] ?? 0))]));
}
