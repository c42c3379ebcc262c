/**
 * What a fold-over spec lays at any place between hem and top: length, spacing, the fur that covers, the cut. Lengths mm,
 * masses mg on a cm of row.
 */
import type { FoldOver } from '@/core/piece/coat';
import type { Lot } from '@/core/piece/cupboard';
import type { Hand } from '@/core/piece/hand';
import { coverOf, type FurLay } from '@/core/coat/cover/cover';
import { foldedCut, longestForStaple, overLength } from './fold-over-methods';
import { spacingAt, type Spacing } from '@/core/coat/rows/spacing';
import type { LayFigures, Spec } from '@/core/coat/way';

/** Length and spacing at a share of the way up. */
export const lengthAt = (s: FoldOver, share: number): number =>
  s.lengthMm + ((s.topLengthMm ?? s.lengthMm) - s.lengthMm) * share;
export const spacingOf = (s: FoldOver): Spacing => ({ hemMm: s.spacingMm, topMm: s.topSpacingMm ?? s.spacingMm });

/** What covers at a share of the way up. The lay grows with the length: the same ends on every mm of row. */
export function furLayOf(spec: FoldOver, lot: Lot, hand: Hand, habit = 1, share = 0): FurLay {
  const lengthMm = lengthAt(spec, share);
  return {
    lengthMm,
    spacingMm: spacingAt(spacingOf(spec), share),
    liftDeg: spec.liftDeg,
    layMgCm: (spec.layMgCm * habit * lengthMm) / spec.lengthMm,
    pinchWidthMm: spec.pinchWidthMm,
    pinchPitchMm: spec.pinchPitchMm,
    finenessUm: lot.finenessUm,
    finenessCv: lot.finenessCv,
    kappa: hand.spread[lot.form],
    unevenness: hand.unevenness,
  };
}

/** Shares of the way up at which what changes on it is looked at. */
export const SHARES = [0, 0.25, 0.5, 0.75, 1];
export const varies = (s: FoldOver): boolean =>
  (s.topLengthMm !== null && s.topLengthMm !== s.lengthMm) ||
  (s.topSpacingMm !== null && s.topSpacingMm !== s.spacingMm);

/** The place between hem and top where least is hidden. */
export function worstLay(s: Spec<FoldOver>): FurLay {
  const all = (varies(s.spec) ? SHARES : [0]).map((x) => furLayOf(s.spec, s.lot, s.hand, s.habit, x));
  return all.reduce((a, b) => (coverOf(b) < coverOf(a) ? b : a));
}

export const longestLength = (staple: number, hand: Hand): number =>
  longestForStaple.of({ staple, root: hand.rootMm, share: hand.overShare, least: hand.overLeastMm });

/** How far the longest of it reaches over the skin, mm. */
export const reachOf = (f: FoldOver): number =>
  Math.max(f.lengthMm, f.topLengthMm ?? 0) * Math.cos((f.liftDeg * Math.PI) / 180);

/** Longest finished length a folded wool allows, in halves of a mm. */
export const longestFolded = ({ lot, hand }: Pick<Spec, 'lot' | 'hand'>): number =>
  Math.floor(2 * longestLength(lot.stapleMm, hand)) / 2;

export const overOf = (length: number, hand: Hand): number =>
  overLength.of({ length, share: hand.overShare, least: hand.overLeastMm });
export const cutOf = (length: number, hand: Hand): number =>
  foldedCut.of({ length, root: hand.rootMm, over: overOf(length, hand) });

export interface FoldOverFigures extends LayFigures {
  readonly cutLength: LayFigures[string];
  readonly over: LayFigures[string];
  readonly pinches: LayFigures[string];
  readonly overlap: LayFigures[string];
}
