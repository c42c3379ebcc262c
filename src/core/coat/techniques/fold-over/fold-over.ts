/**
 * Fold-over rows: fibres cut equal, twice the finished length and a little, laid with their middle on the row line,
 * needled along the line, folded down and needled along the fold. Length and spacing may change from the hem to the top;
 * the ends on a mm of row stay the same.
 */
import { outOf } from '@/core/materials';
import { figure } from '@/core/method/define';
import type { FoldOver } from '@/core/piece/coat';
import type { Operation } from '@/core/stage';
import { count, mm, say } from '@/core/text';
import { rootRows } from '@/core/stabbing';
import { coverOf, coversWell, hidesOf, LEAST_OVERLAP, overlap, rowCover } from '@/core/coat/cover/cover';
import { SCATTER } from '@/core/coat/cover/leaning';
import { loftOf } from '@/core/coat/loft';
import { arealMass } from '@/core/wool/fibre';
import {
  type FoldOverFigures,
  SHARES,
  cutOf,
  furLayOf,
  lengthAt,
  longestFolded,
  longestLength,
  overOf,
  reachOf,
  spacingOf,
  varies,
  worstLay,
} from './fold-over-lay';
import { half } from '@/core/coat/techniques/half';
import { foldOverFindings } from './fold-over-findings';
import { crowdFindings } from '@/core/coat/judgement';
import { foldedCut, layMass, longestForStaple, overLength, pinchCount, trimWaste } from './fold-over-methods';
import { cutThenLay } from '@/core/coat/operations';
import { HIDDEN, rowsApart, takes } from '@/core/coat/chart/docket';
import { PLAIN_PILE } from '@/core/coat/picture/pile';
import {
  coverMapOf,
  dressed,
  meanAlong,
  piecesAlong,
  pileOfLot,
  rowFigures,
  rowsFor,
} from '@/core/coat/rows/row-figures';
import type { RowSet } from '@/core/coat/rows/rows';
import { thinnestLay } from '@/core/coat/cover/enough';
import { aSquare, cutting, ONE_STEP, pinchRows } from '@/core/coat/rows/row-work';
import { both, minutesOf, takes as timed, timeFigure, tookBy } from '@/core/time/work-time';
import { trimPlan } from '@/core/coat/trim';
import { APART, SHORTEST, THINNEST } from '@/core/coat/cover/margin-range';
import { PLAIN_LAY, shown, type LayContext, type Look, type Spec, type Way } from '@/core/coat/way';

/** Loft at a share of the way up. */
function loftAt(s: Spec<FoldOver>, share: number): ReturnType<typeof loftOf> {
  const lay = furLayOf(s.spec, s.lot, s.hand, s.habit, share);
  return loftOf({
    lengthMm: lay.lengthMm,
    liftDeg: lay.liftDeg,
    arealMgCm2: (lay.layMgCm / lay.spacingMm) * 10,
    densityMgCm3: s.hand.loftDensityMgCm3,
    rise: s.rise,
  });
}

function look(s: Spec<FoldOver>): Look {
  const worst = worstLay(s);
  // In a word the loft of the longest place; the core gives way place by place.
  const longest = (s.spec.topLengthMm ?? 0) > s.spec.lengthMm ? 1 : 0;
  const a = aSquare(s.spec.spacingMm);
  const laid = pinchRows(s.hand, a, a.rowsMm / s.spec.pinchPitchMm, true);
  const tight = (varies(s.spec) ? SHARES : [0])
    .map((x) => loftAt(s, x))
    .reduce((p, q) => (q.tightness.value > p.tightness.value ? q : p));
  const areal = figure(arealMass, { lay: s.spec.layMgCm * s.habit, spacing: s.spec.spacingMm });
  return {
    ...hidesOf(worst),
    areal,
    loft: loftAt(s, longest).loft,
    tightness: tight.tightness,
    tightLoft: tight.loft,
    takesMgCm2: (areal.value * cutOf(s.spec.lengthMm, s.hand) * (1 + s.hand.handlingLoss)) / (2 * s.spec.lengthMm),
    minutesCm2: minutesOf(s.hand, both(laid, cutting(a.rowsMm / s.spec.pinchPitchMm))),
  };
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
    minutes: timeFigure(
      hand,
      both(ONE_STEP, pinchRows(hand, { rowsMm: rows.totalMm, rows: rows.rows.length }, pinches.value, true)),
    ),
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
    materials: outOf(lot, f.mass.value, 'coat'),
    cut: {
      does: say`Cut ${lot.name} into ${Array.isArray(cuts) ? cuts : [cuts]} lengths for ${area.name}`,
      ...timed(hand, both(ONE_STEP, cutting(f.pinches.value))),
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
      ...tookBy(f.minutes),
    },
  });
}

/** A measure as its slider moves it; rows at the top keep their share of the spacing. */
function withAlong(f: FoldOver, key: string, value: number): FoldOver {
  if (key === 'spacingMm') {
    const k = value / f.spacingMm;
    return { ...f, spacingMm: value, topSpacingMm: f.topSpacingMm === null ? null : f.topSpacingMm * k };
  }
  return { ...f, [key]: value };
}

export const foldOver: Way<FoldOver> = {
  method: 'fold-over',
  title: 'Folded rows',
  unit: { one: 'row', many: 'rows' },
  surface: 'teased',
  trimmed: 'by itself',
  takes: 'cut lengths',
  counts: 'pinches',
  pitchKey: 'pinchPitchMm',
  inShort: (n) => `${n} ${n === 1 ? 'row' : 'rows'}, folded`,
  changed: withAlong,
  rootsHidden: (f) => overlap.of({ length: f.lengthMm, lift: f.liftDeg, spacing: f.spacingMm }) >= LEAST_OVERLAP - 1e-9,
  lengths: (f) =>
    f.topLengthMm === null
      ? []
      : [
          ['at the hem', f.lengthMm],
          ['at the top', f.topLengthMm],
        ],
  lengthKeys: ['lengthMm', 'topLengthMm'],
  longest: longestFolded,
  reach: reachOf,
  margins: [APART, THINNEST, SHORTEST],
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
  begin: ({ usual: f = USUAL, lot, hand, finishedLengthMm: size, now }) => {
    const pinch = half(size * 0.04, 2, 20);
    const lift = now ? Math.min(80, now.liftDeg) : f.lift;
    // A length that was set stays; one to begin with is what the staple allows.
    const length = now
      ? half(now.lengthMm, 3, 200)
      : Math.min(half(f.length * size, 3, 200), Math.max(3, Math.floor(2 * longestLength(lot.stapleMm, hand)) / 2));
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
  methods: [foldedCut, overLength, longestForStaple, pinchCount, layMass, trimWaste, overlap, rowCover],
  look,
  lay: (c) => {
    const { spec, lot, hand } = c;
    const { rows, chart } = rowsFor(c, spacingOf(spec), c.lying);
    const figures = figuresOf(c, rows);
    const gaps = spec.pinchPitchMm > spec.pinchWidthMm;
    const ends = meanAlong(rows, (x) => lengthAt(spec, x));
    return {
      ...PLAIN_LAY,
      figures,
      docket: {
        sentence: [
          'Cut ',
          { figure: 'cutLength' },
          ...(figures.cutTop
            ? [' lengths at the hem, ', { figure: 'cutTop' } as const, ' at the top. Lay ']
            : [' lengths. Lay ']),
          ...rowsApart(figures.rows.value, foldOver.unit),
          ', hem first.',
        ],
        spacing: spec.topSpacingMm === null ? [spec.spacingMm] : [spec.spacingMm, spec.topSpacingMm],
        list: [
          { label: 'of rows', figure: 'rowLength' },
          ...takes(lot.name, 'to lay'),
          ...HIDDEN,
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
      coverMap: coverMapOf(c, { varies: varies(spec), laid: { spacing: spacingOf(spec), rows } }, (gape, share) => {
        const lay = furLayOf(spec, lot, hand, c.habit, share);
        return coverOf({ ...lay, spacingMm: lay.spacingMm * gape });
      }),
      draws: [{ lotId: lot.id, massG: figures.mass.value, for: 'coat' }],
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
      loftUp: varies(spec) ? SHARES.map((x) => loftAt(c, x).loft.value) : null,
      findings: [...foldOverFindings(c, figures, rows), ...crowdFindings(c, look(c))],
      operations: operationsOf(c, figures, rows),
    };
  },
};

/** First values where nothing is known of the place. Ours. */
const USUAL = { length: 0.075, spacing: 0.019, lift: 20 };
