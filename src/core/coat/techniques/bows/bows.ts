/**
 * Bows: a small section pinched in the middle, placed, folded, each overlapping the last. For eye rims, corners and fans:
 * every bow can point another way.
 */
import { outOf } from '@/core/materials';
import { figure, letter, method } from '@/core/method/define';
import type { Bows } from '@/core/piece/coat';
import type { Finding, Operation, Remedy } from '@/core/stage';
import { count, degrees, mm, say, share } from '@/core/text';
import { rootRows } from '@/core/stabbing';
import { coverOf, hidesOf, WELL, type FurLay } from '@/core/coat/cover/cover';
import { edgeOf } from '@/core/coat/cover/enough';
import { loftOf } from '@/core/coat/loft';
import { arealMass } from '@/core/wool/fibre';
import { cutOf, longestFolded, overOf } from '@/core/coat/techniques/fold-over/fold-over-lay';
import { half } from '@/core/coat/techniques/half';
import { foldedCut, pinchCount, trimWaste } from '@/core/coat/techniques/fold-over/fold-over-methods';
import {
  coverFindings,
  crowdFindings,
  reachFindings,
  rowFindings,
  stapleFindings,
  woolFindings,
} from '@/core/coat/judgement';
import { cutThenLay } from '@/core/coat/operations';
import { HIDDEN, takes } from '@/core/coat/chart/docket';
import { PLAIN_PILE } from '@/core/coat/picture/pile';
import { findingOf, remedyOf } from '@/core/coat/remedy';
import { coverMapOf, dressed, piecesAlong, pileOfLot, rowFigures, rowsFor } from '@/core/coat/rows/row-figures';
import { evenly } from '@/core/coat/rows/spacing';
import type { RowPiece, RowSet } from '@/core/coat/rows/rows';
import { aSquare, cutting, felting, ONE_STEP, rowsLaid, type LaidRows } from '@/core/coat/rows/row-work';
import type { Work } from '@/core/time/elements';
import { both, minutesOf, takes as timed, timeFigure, tookBy } from '@/core/time/work-time';
import type { Hand } from '@/core/piece/hand';
import { trimPlan } from '@/core/coat/trim';
import { APART, THINNEST } from '@/core/coat/cover/margin-range';
import { PLAIN_LAY, shown, type LayContext, type Look, type Spec, type Way } from '@/core/coat/way';

const bowMass = method({
  id: 'bow-mass',
  title: 'Wool for the bows',
  formula: 'M = k b c / (2 L) × (1 + loss) × a',
  inputs: {
    bows: letter('k', 'bows', 'count'),
    bow: letter('b', 'weight of a bow as laid, mg', 'number'),
    cut: letter('c', 'cut length', 'length'),
    length: letter('L', 'finished length', 'length'),
    loss: letter('loss', 'lost in handling', 'share'),
    habit: letter('a', 'laid over meant, from weighed swatches; 1 without', 'number', 'lay'),
  },
  result: letter('M', 'wool to take from the lot', 'mass'),
  source: 'As for folded rows, bow by bow.',
  basis: 'ours',
  of: ({ bows, bow, cut, length, loss, habit }) => ((bows * bow * cut) / (2 * length) / 1000) * (1 + loss) * habit,
});

const fanStep = method({
  id: 'fan-step',
  title: 'Turn from bow to bow',
  formula: 'δ = mean over the courses of (turn of the lie along a course / bows on it)',
  inputs: {
    turn: letter('Σ', 'turn of the lie along all courses', 'angle'),
    bows: letter('k', 'bows', 'count'),
  },
  doubt: 'turn',
  result: letter('δ', 'turn from bow to bow', 'angle'),
  source: 'Measured on the skin: bows fan out as the lie turns.',
  basis: 'ours',
  of: ({ turn, bows }) => turn / Math.max(1, bows),
});

const pitchOf = (s: Bows): number => s.widthMm * (1 - s.overlap);

/** A bow fans its fibres, so tufts spread faster than a plain pinch. */
const layOf = ({ spec, lot, hand, habit }: Spec<Bows>): FurLay => ({
  lengthMm: spec.lengthMm,
  spacingMm: spec.spacingMm,
  liftDeg: spec.liftDeg,
  layMgCm: (spec.bowMg * habit * 10) / pitchOf(spec),
  pinchWidthMm: spec.widthMm,
  pinchPitchMm: pitchOf(spec),
  finenessUm: lot.finenessUm,
  finenessCv: lot.finenessCv,
  kappa: hand.spread[lot.form],
  unevenness: hand.unevenness,
});

const setting = (hand: Hand, rows: LaidRows, n: number): Work =>
  both(rowsLaid(rows), { bow: n, rowCm: felting(hand, rows.rowsMm, hand.passesLine + hand.passesFold) });

function look(s: Spec<Bows>): Look {
  const lay = layOf(s);
  const a = aSquare(lay.spacingMm);
  const areal = figure(arealMass, { lay: lay.layMgCm, spacing: lay.spacingMm });
  return {
    ...hidesOf(lay),
    areal,
    ...loftOf({
      lengthMm: lay.lengthMm,
      liftDeg: lay.liftDeg,
      arealMgCm2: areal.value,
      densityMgCm3: s.hand.loftDensityMgCm3,
      rise: s.rise,
    }),
    takesMgCm2: (areal.value * cutOf(lay.lengthMm, s.hand) * (1 + s.hand.handlingLoss)) / (2 * lay.lengthMm),
    minutesCm2: minutesOf(
      s.hand,
      both(setting(s.hand, a, a.rowsMm / pitchOf(s.spec)), cutting(a.rowsMm / pitchOf(s.spec))),
    ),
  };
}

/** Turn of the lie along a stretch of a course beyond the turn of the skin itself, degrees. */
function turnAlong(p: RowPiece): number {
  let turn = 0;
  for (let i = 3; i < p.lie.length; i += 3) {
    const dot = p.lie[i]! * p.lie[i - 3]! + p.lie[i + 1]! * p.lie[i - 2]! + p.lie[i + 2]! * p.lie[i - 1]!;
    turn += Math.acos(Math.max(-1, Math.min(1, dot)));
  }
  return (turn * 180) / Math.PI;
}

/** Angle off "straight away from the eye" at which a fibre counts as pointing into it, degrees. Ours. */
const INTO_DEG = 110;

/** Share of the courses whose fibres point towards the eye they surround. */
export function towardsEye(rows: RowSet, away: LayContext['shape']['away']): number {
  let bad = 0;
  let all = 0;
  for (const r of rows.rows) {
    for (const p of r.pieces) {
      for (let i = 0; i < p.points.length; i += 3) {
        let least = Infinity;
        let best: readonly number[] = [0, 0, 0];
        for (const e of away) {
          const d = [0, 1, 2].map((k) => p.points[i + k]! - e[k]!);
          const l = Math.hypot(d[0]!, d[1]!, d[2]!);
          if (l < least) {
            least = l;
            best = d.map((x) => x / (l || 1));
          }
        }
        const cos = [0, 1, 2].reduce((s, k) => s + best[k]! * p.lie[i + k]!, 0);
        all++;
        if (cos < Math.cos((INTO_DEG * Math.PI) / 180)) bad++;
      }
    }
  }
  return all === 0 ? 0 : bad / all;
}

function findingsOf(c: LayContext<Bows>, rows: RowSet): Finding[] {
  const { spec, hand } = c;
  const l = look(c);
  const allowed = longestFolded(c);
  const remedies: Remedy[] = [];
  if (l.cover.value < WELL) {
    const at = (set: Partial<Bows>) => coverOf(layOf({ ...c, spec: { ...spec, ...set } })) >= WELL;
    const heavier = edgeOf(0.1, 100, 0.1, (x) => at({ bowMg: x }), 'smallest');
    if (heavier !== null && heavier > spec.bowMg) {
      remedies.push(remedyOf(c, say`Bows of ${count(Math.round(heavier * 10) / 10)} mg`, { bowMg: heavier }));
    }
    const tighter = edgeOf(0, 0.9, 0.05, (x) => at({ overlap: x }), 'smallest');
    if (tighter !== null && tighter > spec.overlap) {
      remedies.push(remedyOf(c, say`Overlap them by ${share(tighter)}`, { overlap: tighter }));
    }
    const closer = edgeOf(0.5, spec.spacingMm, 0.5, (x) => at({ spacingMm: x }), 'largest');
    if (closer !== null) remedies.push(remedyOf(c, say`Courses ${mm(closer)} apart`, { spacingMm: closer }));
  }
  const out = [
    ...woolFindings(c),
    ...stapleFindings(
      c,
      cutOf(spec.lengthMm, hand),
      say`A bow is folded in the middle: its fibres must reach from tip to tip.`,
      allowed >= 2
        ? [remedyOf(c, say`Bows ${mm(allowed)} long, the longest this wool allows`, { lengthMm: allowed })]
        : [],
    ),
    ...coverFindings(c, l, say`Bows this light or this far apart leave the base open between them.`, remedies),
    ...rowFindings(
      c,
      rows,
      spec.spacingMm,
      (gape) => coverOf({ ...layOf(c), spacingMm: spec.spacingMm * gape }),
      (near) => remedyOf(c, say`Courses ${mm(near)} apart`, { spacingMm: near }),
    ),
    ...reachFindings(c, spec.lengthMm),
    ...crowdFindings(c, l),
  ];
  const into = c.shape.away.length > 0 ? towardsEye(rows, c.shape.away) : 0;
  if (into > 0.02) {
    out.push(
      findingOf(
        c,
        'into-eye',
        'stop',
        say`${share(into)} of the bows point into the eye.`,
        say`No fibre may point into an eye; it catches the light and is soon rubbed out. Comb them outward.`,
      ),
    );
  }
  return out;
}

function figuresOf(c: LayContext<Bows>, rows: RowSet) {
  const { spec, hand } = c;
  const n = piecesAlong(rows, pitchOf(spec));
  const over = overOf(spec.lengthMm, hand);
  const cut = figure(foldedCut, { length: spec.lengthMm, root: hand.rootMm, over });
  return {
    ...shown(look(c)),
    ...rowFigures(c, rows),
    cutLength: cut,
    mass: figure(bowMass, {
      bows: n,
      bow: spec.bowMg,
      cut: cut.value,
      length: spec.lengthMm,
      loss: hand.handlingLoss,
      habit: c.habit,
    }),
    minutes: timeFigure(hand, both(ONE_STEP, setting(hand, { rowsMm: rows.totalMm, rows: rows.rows.length }, n))),
    waste: figure(trimWaste, { lay: layOf(c).layMgCm, rows: rows.totalMm, over, length: spec.lengthMm }),
    bows: figure(pinchCount, { pinches: n, pitch: pitchOf(spec) }),
    fan: figure(fanStep, {
      turn: rows.rows.reduce((s, r) => s + r.pieces.reduce((q, p) => q + turnAlong(p), 0), 0),
      bows: n,
    }),
  };
}

/** Cutting, and setting bow by bow. */
function operationsOf(c: LayContext<Bows>, f: ReturnType<typeof figuresOf>, rows: RowSet): Operation[] {
  const { spec, lot, hand } = c;
  const passes = hand.passesLine + hand.passesFold;
  return cutThenLay(c, {
    cutLengthMm: f.cutLength.value,
    materials: outOf(lot, f.mass.value, 'coat'),
    cut: {
      does: say`Cut ${lot.name} into ${mm(f.cutLength.value)} lengths for the bows of ${c.area.name}`,
      ...timed(hand, both(ONE_STEP, cutting(f.bows.value))),
    },
    lay: {
      does: say`Set ${count(f.bows.value)} bows in ${count(rows.rows.length)} courses ${mm(spec.spacingMm)} apart on ${c.area.name}, hem first, each a fan of ${degrees(spec.fanDeg)}${c.shape.away.length > 0 ? ', all pointing away from the eye' : ''}`,
      rows: rows.rows.length,
      passes: say`pinch in the middle, ${count(hand.passesLine)} stabs across, fold, ${count(hand.passesFold)} along the fold`,
      needlework: rootRows(c.area.id, rows.totalMm, layOf(c).layMgCm, passes, spec.spacingMm, lot, hand),
      ...tookBy(f.minutes),
      caution: say`Eyes on the point of the needle, fingers flat and out of its way; never stab towards a set eye.`,
    },
  });
}

export const bows: Way<Bows> = {
  method: 'bows',
  title: 'Bows',
  unit: { one: 'course of bows', many: 'courses of bows' },
  surface: 'teased',
  trimmed: 'by itself',
  takes: 'cut lengths',
  counts: 'bows',
  fans: true,
  lengthKeys: ['lengthMm'],
  longest: longestFolded,
  reach: (s) => s.lengthMm,
  margins: [
    { ...APART, what: 'Course spacing' },
    { ...THINNEST, key: 'bowMg', what: 'Bow weight, mg', kind: 'number', least: 0.1, most: 60 },
  ],
  goodFor: 'Eye rims, fans, corners between two lies: every bow can be turned a little further than the last.',
  costs: 'Little wool, much care: each bow is placed by itself.',
  suits: {
    'combed top': { suits: 'well', why: 'A pinch splits off clean and folds in the middle.' },
    'carded batt': { suits: 'possible', why: 'Softer, without a clear point.' },
    locks: { suits: 'possible', why: 'Only fine locks, split thin.' },
    'raw fleece': { suits: 'badly', why: 'It must be washed, dried and combed first.' },
    yarn: { suits: 'possible', why: 'Short snips, combed open, make small even bows.' },
  },
  begin: ({ lot, hand, finishedLengthMm: size, now }) => {
    const length = now
      ? half(now.lengthMm, 2, 120)
      : Math.min(half(0.03 * size, 2, 120), Math.max(2, longestFolded({ lot, hand })));
    const spec: Bows = {
      method: 'bows',
      lotId: lot.id,
      lengthMm: length,
      widthMm: half(length * 0.6, 1, 40),
      overlap: 0.4,
      spacingMm: Math.max(0.5, Math.floor(length * 0.45 * 2) / 2),
      liftDeg: Math.min(25, now?.liftDeg ?? 15),
      bowMg: 1,
      fanDeg: 40,
    };
    const s: Spec<Bows> = { spec, lot, hand, habit: 1, rise: 1 };
    const least = edgeOf(
      0.1,
      100,
      0.1,
      (x) => coverOf(layOf({ ...s, spec: { ...spec, bowMg: x } })) >= WELL,
      'smallest',
    );
    return { ...spec, bowMg: least ?? spec.bowMg };
  },
  methods: [bowMass, fanStep],
  look,
  lay: (c) => {
    const { spec, lot, hand } = c;
    const { rows, chart } = rowsFor(c, evenly(spec.spacingMm), c.lying);
    const figures = figuresOf(c, rows);
    const over = overOf(spec.lengthMm, hand);
    const tuft = { widthMm: spec.widthMm, pitchMm: pitchOf(spec), staggered: true };
    const courses = rows.rows.length === 1 ? ' course' : ' courses';
    return {
      ...PLAIN_LAY,
      figures,
      docket: {
        sentence: [
          'Cut ',
          { figure: 'cutLength' },
          ' lengths. Set ',
          { figure: 'bows' },
          ...(figures.bows.value === 1 ? [' bow'] : [' bows in ', { figure: 'rows' }, courses]),
          ', each over the edge of the last, turned ',
          { figure: 'fan' },
          ' on.',
        ],
        spacing: [spec.spacingMm],
        list: [
          ...takes(lot.name, 'to set'),
          ...HIDDEN,
          { label: 'of courses', figure: 'rowLength' },
          { label: 'loft added', figure: 'loft' },
          { label: 'trimmed off', figure: 'waste' },
          { label: 'of fur', figure: 'areal' },
        ],
      },
      rows,
      chart: dressed(chart, { unit: bows.unit, tuft, tall: 0.8 }),
      coverMap: coverMapOf(c, { varies: false, laid: { spacing: evenly(spec.spacingMm), rows } }, (gape) =>
        coverOf({ ...layOf(c), spacingMm: spec.spacingMm * gape }),
      ),
      draws: [{ lotId: lot.id, massG: figures.mass.value, for: 'coat' }],
      pile: {
        ...PLAIN_PILE,
        ...pileOfLot(lot, hand),
        hemMm: spec.lengthMm,
        topMm: spec.lengthMm,
        overMm: over,
        liftDeg: spec.liftDeg,
        scatter: Math.max(0.12, (spec.fanDeg * Math.PI) / 180 / Math.sqrt(12)),
        tuft: { ...tuft, widthMm: spec.widthMm * 0.5 },
      },
      trim: trimPlan(spec.lengthMm + over, spec.lengthMm, (layOf(c).layMgCm / 10 / spec.lengthMm) * rows.totalMm),
      findings: findingsOf(c, rows),
      operations: operationsOf(c, figures, rows),
    };
  },
};
