/**
 * Fold-over rows: fibres cut equal, twice the finished length and a little, laid with their middle on the row line,
 * needled along the line, folded down and needled along the fold. Length and spacing may change from the hem to the top;
 * the ends on a mm of row stay the same.
 */
import { figure } from '@/core/method/define';
import type { FoldOver } from '@/core/piece/coat';
import type { Lot } from '@/core/piece/cupboard';
import type { Hand } from '@/core/piece/hand';
import type { Operation } from '@/core/stage';
import { count, mm, say } from '@/core/text';
import { rootRows } from '@/core/stabbing';
import { coverFigure, coverOf, coversWell, LEAST_OVERLAP, overlap, SCATTER, type FurLay } from './cover';
import { slantFigure } from './cover-slant';
import { arealMass, fibresPerMm } from './fibre';
import { foldOverFindings } from './fold-over-findings';
import {
  foldedCut,
  furLoft,
  layMass,
  layMinutes,
  longestForStaple,
  overLength,
  pinchCount,
  trimWaste,
} from './fold-over-methods';
import { cutThenLay } from './operations';
import { PLAIN_PILE } from './pile';
import { coverMapOf, dressed, meanAlong, piecesAlong, pileOfLot, rowFigures, rowsFor } from './row-figures';
import type { RowSet } from './rows';
import { spacingAt, type Spacing } from './spacing';
import { thinnestLay } from './enough';
import { trimPlan } from './trim';
import { shown, type LayContext, type LayFigures, type Look, type Spec, type Way } from './way';

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

const SHARES = [0, 0.25, 0.5, 0.75, 1];
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

export const overOf = (length: number, hand: Hand): number =>
  overLength.of({ length, share: hand.overShare, least: hand.overLeastMm });
export const cutOf = (length: number, hand: Hand): number =>
  foldedCut.of({ length, root: hand.rootMm, over: overOf(length, hand) });

function look(s: Spec<FoldOver>): Look {
  const worst = worstLay(s);
  const ends = fibresPerMm.of({
    lay: worst.layMgCm,
    length: worst.lengthMm,
    fineness: worst.finenessUm,
    cv: worst.finenessCv,
  });
  // Loft by the longest place: that is what the core must give way to.
  const long = furLayOf(s.spec, s.lot, s.hand, s.habit, (s.spec.topLengthMm ?? 0) > s.spec.lengthMm ? 1 : 0);
  const areal = figure(arealMass, { lay: s.spec.layMgCm * s.habit, spacing: s.spec.spacingMm });
  return {
    cover: coverFigure(worst),
    slant: slantFigure(
      (ends * worst.finenessUm) / 1000,
      overlap.of({ length: worst.lengthMm, lift: worst.liftDeg, spacing: worst.spacingMm }),
      worst.liftDeg,
      worst.kappa,
      worst.unevenness,
    ),
    areal,
    loft: figure(furLoft, {
      length: long.lengthMm,
      lift: long.liftDeg,
      areal: (long.layMgCm / long.spacingMm) * 10,
      density: s.hand.loftDensityMgCm3,
      rise: s.rise,
    }),
    takesMgCm2: (areal.value * cutOf(s.spec.lengthMm, s.hand) * (1 + s.hand.handlingLoss)) / (2 * s.spec.lengthMm),
    minutesCm2:
      (10 / s.spec.spacingMm) *
      ((s.hand.stabsPerCm * (s.hand.passesLine + s.hand.passesFold)) / s.hand.stabsPerMinute +
        (10 / s.spec.pinchPitchMm) * s.hand.minutesPerPinch),
  };
}

export interface FoldOverFigures extends LayFigures {
  readonly cutLength: LayFigures[string];
  readonly over: LayFigures[string];
  readonly pinches: LayFigures[string];
  readonly overlap: LayFigures[string];
}

function figuresOf(c: LayContext<FoldOver>, rows: RowSet): FoldOverFigures {
  const { spec, hand } = c;
  const mean = meanAlong(rows, (x) => lengthAt(spec, x));
  const meanCut = meanAlong(rows, (x) => cutOf(lengthAt(spec, x), hand));
  const meanOver = meanAlong(rows, (x) => overOf(lengthAt(spec, x), hand));
  const lay = (spec.layMgCm * mean) / spec.lengthMm;
  const pinches = figure(pinchCount, { pinches: piecesAlong(rows, spec.pinchPitchMm), pitch: spec.pinchPitchMm });
  const worst = worstLay(c);
  const top = spec.topLengthMm;
  return {
    ...shown(look(c)),
    ...rowFigures(c, rows),
    over: figure(overLength, { length: spec.lengthMm, share: hand.overShare, least: hand.overLeastMm }),
    cutLength: figure(foldedCut, { length: spec.lengthMm, root: hand.rootMm, over: overOf(spec.lengthMm, hand) }),
    ...(top === null ? {} : { cutTop: figure(foldedCut, { length: top, root: hand.rootMm, over: overOf(top, hand) }) }),
    mass: figure(layMass, {
      lay,
      rows: rows.totalMm,
      cut: meanCut,
      length: mean,
      loss: hand.handlingLoss,
      habit: c.habit,
    }),
    waste: figure(trimWaste, { lay: lay * c.habit, rows: rows.totalMm, over: meanOver, length: mean }),
    pinches,
    minutes: figure(layMinutes, {
      rows: rows.totalMm,
      stabs: hand.stabsPerCm,
      line: hand.passesLine,
      fold: hand.passesFold,
      rate: hand.stabsPerMinute,
      pinches: pinches.value,
      pinch: hand.minutesPerPinch,
    }),
    overlap: figure(overlap, { length: worst.lengthMm, lift: worst.liftDeg, spacing: worst.spacingMm }),
  };
}

/** Cutting and laying as operations. */
function operationsOf(c: LayContext<FoldOver>, f: FoldOverFigures, rows: RowSet): Operation[] {
  const { area, spec, lot, hand } = c;
  const ring = rows.rows.length > 0 && rows.rows.every((r) => r.pieces.some((p) => p.closed));
  const cuts = f.cutTop
    ? say`${mm(f.cutLength.value)} at the hem to ${mm(f.cutTop.value)} at the top`
    : mm(f.cutLength.value);
  const apart =
    spec.topSpacingMm === null
      ? say`${mm(spec.spacingMm)} apart`
      : say`${mm(spec.spacingMm)} apart at the hem, ${mm(spec.topSpacingMm)} at the top`;
  return cutThenLay(c, {
    cutLengthMm: f.cutLength.value,
    massG: f.mass.value,
    cut: {
      does: say`Cut ${lot.name} into ${Array.isArray(cuts) ? cuts : [cuts]} lengths for ${area.name}`,
      minutes: Math.max(2, f.mass.value * 2),
    },
    lay: {
      does: say`Lay ${count(f.rows.value)} ${ring ? 'rings' : 'rows'} ${apart} on ${area.name}, hem first${ring ? '; the last ring is teased out into the fur above it' : ''}`,
      rows: f.rows.value,
      passes: say`${count(hand.passesLine)} passes along the line, fold down, ${count(hand.passesFold)} along the fold`,
      needlework: rootRows(
        area.id,
        rows.totalMm,
        spec.layMgCm * c.habit,
        hand.passesLine + hand.passesFold,
        spec.spacingMm,
        lot,
        hand,
      ),
      minutes: f.minutes.value,
    },
  });
}

export const foldOver: Way<FoldOver> = {
  method: 'fold-over',
  title: 'Folded rows',
  unit: { one: 'row', many: 'rows' },
  goodFor:
    'Long and medium fur with a clear lie: flanks, tails, bibs, ruffs. Each row hides the roots of the one below.',
  costs: 'Slow, a little wool lost in the folds and in trimming.',
  suits: {
    'combed top': { suits: 'well', why: 'Its fibres lie parallel and cut to one length.' },
    'carded batt': { suits: 'badly', why: 'Its fibres lie every way: the cut ends come out uneven and tangle.' },
    locks: { suits: 'possible', why: 'Folded in the middle they hold well, but every lock must be opened flat first.' },
    'raw fleece': { suits: 'badly', why: 'It must be washed, dried and combed before it can be cut to one length.' },
    yarn: { suits: 'possible', why: 'Unplied and combed out it can be folded; its twist leaves a kink.' },
  },
  begin: ({ area, lot, hand, finishedLengthMm: size, now }) => {
    const f = FIRST[area.id] ?? USUAL;
    const pinch = half(size * 0.04, 2, 20);
    const lift = now ? Math.min(80, now.liftDeg) : f.lift;
    const length = Math.min(
      half(now?.lengthMm ?? f.length * size, 3, 200),
      Math.max(3, Math.floor(2 * longestLength(lot.stapleMm, hand)) / 2),
    );
    // Never so far apart that a root is under fewer than two rows, however short the staple keeps the fur.
    const widest = Math.max(0.5, Math.floor(length * Math.cos((lift * Math.PI) / 180)) / LEAST_OVERLAP);
    const spec: FoldOver = {
      method: 'fold-over',
      lotId: lot.id,
      lengthMm: length,
      topLengthMm: null,
      spacingMm: Math.min(now ? half(length / 4, 1, 60) : half(f.spacing * size, 1, 60), widest),
      topSpacingMm: null,
      liftDeg: lift,
      layMgCm: 5,
      pinchWidthMm: pinch,
      pinchPitchMm: pinch,
    };
    const lay = furLayOf(spec, lot, hand);
    const least = coversWell(lay) ? null : thinnestLay(lay);
    return { ...spec, layMgCm: least ?? spec.layMgCm };
  },
  look,
  lay: (c) => {
    const { spec, lot, hand } = c;
    const { rows, chart } = rowsFor(c, spacingOf(spec));
    const figures = figuresOf(c, rows);
    const gaps = spec.pinchPitchMm > spec.pinchWidthMm;
    const ends = meanAlong(rows, (x) => lengthAt(spec, x));
    return {
      figures,
      docket: {
        sentence: [
          'Cut ',
          { figure: 'cutLength' },
          ...(figures.cutTop
            ? [' lengths at the hem, ', { figure: 'cutTop' } as const, ' at the top. Lay ']
            : [' lengths. Lay ']),
          { figure: 'rows' },
          figures.rows.value === 1 ? ' row' : ' rows',
          ...(figures.rows.value === 1 ? [] : [' ', { spacing: true } as const, ' apart']),
          ', hem first.',
        ],
        spacing: spec.topSpacingMm === null ? [spec.spacingMm] : [spec.spacingMm, spec.topSpacingMm],
        list: [
          { label: 'of rows', figure: 'rowLength' },
          { label: lot.name.toLowerCase(), figure: 'mass' },
          { label: 'to lay', figure: 'minutes' },
          { label: 'base hidden', figure: 'cover' },
          { label: 'hidden aslant', figure: 'slant' },
          { label: 'pinches', figure: 'pinches' },
          { label: 'loft added', figure: 'loft' },
          { label: 'rows overlap', figure: 'overlap' },
          { label: 'trimmed off', figure: 'waste' },
        ],
      },
      rows,
      chart: dressed(chart, {
        unit: foldOver.unit,
        tuft: gaps ? { widthMm: spec.pinchWidthMm, pitchMm: spec.pinchPitchMm, staggered: false } : null,
      }),
      coverMap: coverMapOf(c, varies(spec), (gape, share) => {
        const lay = furLayOf(spec, lot, hand, c.habit, share);
        return coverOf({ ...lay, spacingMm: lay.spacingMm * gape });
      }),
      draws: [{ lotId: lot.id, massG: figures.mass.value }],
      pile: {
        ...PLAIN_PILE,
        ...pileOfLot(lot, hand),
        hemMm: spec.lengthMm,
        topMm: spec.topLengthMm ?? spec.lengthMm,
        overMm: overOf(spec.lengthMm, hand),
        liftDeg: spec.liftDeg,
        scatter: SCATTER,
        tuft: gaps ? { widthMm: spec.pinchWidthMm, pitchMm: spec.pinchPitchMm, staggered: false } : null,
      },
      trim: trimPlan(
        ends + meanAlong(rows, (x) => overOf(lengthAt(spec, x), hand)),
        ends,
        ((spec.layMgCm * c.habit) / spec.lengthMm / 10) * rows.totalMm,
      ),
      sandwich: null,
      strip: null,
      sheet: null,
      seats: [],
      findings: foldOverFindings(c, figures, rows),
      operations: operationsOf(c, figures, rows),
    };
  },
};

/** First values of an area as shares of the finished length; short on head and legs. Ours. */
const FIRST: Readonly<Record<string, { length: number; spacing: number; lift: number }>> = {
  legs: { length: 0.045, spacing: 0.016, lift: 20 },
  head: { length: 0.035, spacing: 0.013, lift: 15 },
  cheek: { length: 0.045, spacing: 0.014, lift: 25 },
  brow: { length: 0.028, spacing: 0.011, lift: 15 },
  tail: { length: 0.085, spacing: 0.032, lift: 30 },
};
const USUAL = { length: 0.075, spacing: 0.019, lift: 20 };

/** To half a millimetre, within bounds. */
export const half = (x: number, lo: number, hi: number) => Math.min(hi, Math.max(lo, Math.round(2 * x) / 2));
