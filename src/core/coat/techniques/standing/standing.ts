/**
 * Standing rows (plush): laid like folded rows but not folded, so both halves rise, splay and are trimmed to an even
 * pile. Fluffing lowers the mean lift and hides the base; wasteful, so the offcuts are kept. A band or a pinch of another
 * colour laid into a row shows as a stripe or a spot.
 */
import { outOf } from '@/core/materials';
import { figure, type Figure } from '@/core/method/define';
import type { Standing } from '@/core/piece/coat';
import type { Finding, Operation, Remedy } from '@/core/stage';
import { count, degrees, mgCm, mm, say } from '@/core/text';
import { rootRows } from '@/core/stabbing';
import { coverOf as hides, hidesOf, standingCover, WELL, type FurLay } from '@/core/coat/cover/cover';
import { loftOf, UPRIGHT } from '@/core/coat/loft';
import { edgeOf } from '@/core/coat/cover/enough';
import { arealMass } from '@/core/wool/fibre';
import { layMass } from '@/core/coat/techniques/fold-over/fold-over-methods';
import { half } from '@/core/coat/techniques/half';
import {
  coverFindings,
  crowdFindings,
  rootFindings,
  rowFindings,
  stapleFindings,
  woolFindings,
} from '@/core/coat/judgement';
import { cutThenLay } from '@/core/coat/operations';
import { HIDDEN, rowsApart, type Docket } from '@/core/coat/chart/docket';
import { PLAIN_PILE } from '@/core/coat/picture/pile';
import { remedyOf } from '@/core/coat/remedy';
import { coverMapOf, dressed, pileOfLot, piecesAlong, rowFigures, rowsFor } from '@/core/coat/rows/row-figures';
import { evenly } from '@/core/coat/rows/spacing';
import type { RowSet } from '@/core/coat/rows/rows';
import { fanOf, layOf, markingFindings, sandwichOf } from './standing-marking';
import { spotDiameter, STAB_WIDTH, stripeWidth, type Sandwich } from './sandwich';
import { bandWool, groundWool, plushWaste, standingCut } from './standing-methods';
import { aSquare, cutting, ONE_STEP, pinchRows } from '@/core/coat/rows/row-work';
import type { Work } from '@/core/time/elements';
import { both, minutesOf, takes, timeFigure, tookBy } from '@/core/time/work-time';
import { trimPlan } from '@/core/coat/trim';
import { APART, THINNEST } from '@/core/coat/cover/margin-range';
import { PLAIN_LAY, shown, type LayContext, type LayFigures, type Look, type Spec, type Way } from '@/core/coat/way';

/** The band or the pinches of another wool, where there are any. */
type Marked = ReturnType<typeof sandwichOf>;
type StandingFigures = LayFigures & { readonly cutLength: Figure; readonly marking?: Figure; readonly band?: Figure };

/** A pinch of wool drawn for a standing row, mm of row. Ours. */
const PINCH = 10;

const furOf = (s: Spec<Standing>): FurLay => ({
  lengthMm: s.spec.lengthMm,
  spacingMm: s.spec.spacingMm,
  liftDeg: s.spec.liftDeg,
  layMgCm: layOf(s),
  // Laid side by side without gaps.
  pinchWidthMm: PINCH,
  pinchPitchMm: PINCH,
  finenessUm: s.lot.finenessUm,
  finenessCv: s.lot.finenessCv,
  kappa: s.hand.spread[s.lot.form],
  unevenness: s.hand.unevenness,
});

function look(s: Spec<Standing>): Look {
  const { spec, hand } = s;
  const areal = figure(arealMass, { lay: layOf(s), spacing: spec.spacingMm });
  const cut = 2 * (spec.lengthMm + hand.rootMm + spec.overMm);
  const a = aSquare(spec.spacingMm);
  return {
    ...hidesOf(furOf(s), standingCover),
    areal,
    ...loftOf({
      lengthMm: spec.lengthMm,
      liftDeg: spec.liftDeg,
      arealMgCm2: areal.value,
      densityMgCm3: hand.loftDensityMgCm3,
      rise: s.rise,
      steepestDeg: UPRIGHT,
    }),
    takesMgCm2: (areal.value * cut * (1 + hand.handlingLoss)) / (2 * spec.lengthMm),
    minutesCm2: minutesOf(hand, both(pinchRows(hand, a, a.rowsMm / PINCH, false), cutting(a.rowsMm / PINCH))),
  };
}

const coverOf = (s: Spec<Standing>): number => hides(furOf(s), standingCover);

/** Both halves reach from the core to the tip. */
const longestOf = ({ spec, lot, hand }: Spec<Standing>): number =>
  Math.floor((lot.stapleMm / 2 - hand.rootMm - spec.overMm) * 2) / 2;

function findingsOf(c: LayContext<Standing>, rows: RowSet, s: Sandwich | null, cut: number): Finding[] {
  const { spec } = c;
  const l = look(c);
  const allowed = longestOf(c);
  const remedies: Remedy[] = [];
  if (l.cover.value < WELL) {
    const at = (set: Partial<Standing>) => coverOf({ ...c, spec: { ...spec, ...set } }) >= WELL;
    const spacing = edgeOf(0.5, spec.spacingMm, 0.5, (x) => at({ spacingMm: x }), 'largest');
    if (spacing !== null) remedies.push(remedyOf(c, say`Rows ${mm(spacing)} apart`, { spacingMm: spacing }));
    const heavy = edgeOf(0.2, 300, 0.1, (x) => at({ layMgCm: x }), 'smallest');
    if (heavy !== null) remedies.push(remedyOf(c, say`Lay ${mgCm(heavy)} of row`, { layMgCm: heavy }));
    const fluffed = edgeOf(20, spec.liftDeg, 1, (x) => at({ liftDeg: x }), 'largest');
    if (fluffed !== null && fluffed < spec.liftDeg)
      remedies.push(remedyOf(c, say`Fluff it until it leans to ${degrees(fluffed)}`, { liftDeg: fluffed }));
  }
  return [
    ...woolFindings(c),
    ...stapleFindings(
      c,
      cut,
      say`Both halves of the lay must reach from the core to the tip, or they pull out.`,
      allowed >= 1 && allowed < spec.lengthMm
        ? [remedyOf(c, say`A pile ${mm(allowed)} long, the longest this wool allows`, { lengthMm: allowed })]
        : [],
    ),
    ...coverFindings(
      c,
      l,
      say`A pile that stands at ${degrees(spec.liftDeg)} lets one look down between the rows. Closer rows, more wool or more fluffing close it.`,
      remedies,
    ),
    ...rowFindings(
      c,
      rows,
      spec.spacingMm,
      (gape) => coverOf({ ...c, spec: { ...spec, spacingMm: Math.min(60, spec.spacingMm * gape) } }),
      (near) => remedyOf(c, say`Rows ${mm(near)} apart`, { spacingMm: near }),
    ),
    ...rootFindings(c, layOf(c), spec.lengthMm, (mg) => remedyOf(c, say`Lay ${mgCm(mg)} of row`, { layMgCm: mg })),
    ...crowdFindings(c, l),
    ...markingFindings(c, s),
  ];
}

/** How wide a stripe or a spot comes out; null without one. */
function markingWidth({ spec, ...c }: LayContext<Standing>, marking: Marked): Figure | null {
  if (!marking || spec.marking.kind === 'none') return null;
  return spec.marking.kind === 'stripe'
    ? figure(stripeWidth, {
        share: spec.marking.share,
        fan: fanOf(spec.liftDeg),
        height: marking.plan.heightMm,
        stab: STAB_WIDTH,
        domed: spec.marking.cut === 'domed' ? 1 : 0,
        pitch: spec.spacingMm,
      })
    : figure(spotDiameter, {
        pinch: spec.marking.pinchMgMm,
        width: spec.marking.pinchWidthMm,
        areal: layOf({ spec, ...c }) / spec.spacingMm / 10,
      });
}

/** Laying alone; trimming is a step of its own. */
const layingOf = ({ hand }: LayContext<Standing>, rows: RowSet): Work =>
  both(ONE_STEP, pinchRows(hand, { rowsMm: rows.totalMm, rows: rows.rows.length }, piecesAlong(rows, PINCH), false));

function figuresOf(c: LayContext<Standing>, rows: RowSet, marking: Marked): StandingFigures {
  const { spec, hand } = c;
  const cut = figure(standingCut, { length: spec.lengthMm, root: hand.rootMm, over: spec.overMm });
  const all = figure(layMass, {
    lay: spec.layMgCm,
    rows: rows.totalMm,
    cut: cut.value,
    length: spec.lengthMm,
    loss: hand.handlingLoss,
    habit: c.habit,
  });
  const band = marking?.wool ?? null;
  const width = markingWidth(c, marking);
  return {
    ...shown(look(c)),
    ...rowFigures(c, rows),
    cutLength: cut,
    // A band lies in place of the ground's wool, a pinch on top of it.
    mass: band && spec.marking.kind === 'stripe' ? figure(groundWool, { all: all.value, band: band.value }) : all,
    waste: figure(plushWaste, { lay: layOf(c), rows: rows.totalMm, over: spec.overMm, length: spec.lengthMm }),
    minutes: timeFigure(hand, layingOf(c, rows)),
    ...(width ? { marking: width } : {}),
    ...(band ? { band } : {}),
  };
}

const docketOf = ({ spec, lot }: LayContext<Standing>, f: StandingFigures, rows: RowSet, marking: Marked): Docket => ({
  sentence: [
    'Cut ',
    { figure: 'cutLength' },
    ' lengths. Lay ',
    ...rowsApart(rows.rows.length, standing.unit),
    ', both halves up; fluff and trim.',
    ...(f.marking
      ? [
          spec.marking.kind === 'stripe' ? ' The stripe comes out ' : ' Spots come out ',
          { figure: 'marking' },
          ' wide.',
        ]
      : []),
  ],
  spacing: [spec.spacingMm],
  list: [
    { label: 'of rows', figure: 'rowLength' },
    { label: lot.name.toLowerCase(), figure: 'mass' },
    ...(f.band
      ? [
          {
            label: `${marking!.lot.name.toLowerCase()}, ${spec.marking.kind === 'stripe' ? 'band' : 'pinches'}`,
            figure: 'band',
          },
        ]
      : []),
    { label: 'to lay', figure: 'minutes' },
    ...HIDDEN,
    { label: 'trimmed off', figure: 'waste' },
    { label: 'loft added', figure: 'loft' },
    { label: 'of pile', figure: 'areal' },
  ],
});

/** Cutting, and laying with the band or the pinches in their rows. */
function operationsOf(c: LayContext<Standing>, f: StandingFigures, rows: RowSet, marking: Marked): Operation[] {
  const { spec, lot, hand } = c;
  const passes = hand.passesLine + hand.passesFold;
  const carries =
    marking && marking.plan.rows.length > 0
      ? marking.plan.kind === 'stripe'
        ? say`; rows ${rowsInWords(marking.plan.rows)} carry a band of ${marking.lot.name} flat across their middle`
        : say`; rows ${rowsInWords(marking.plan.rows)} carry a twisted pinch of ${marking.lot.name} in their middle`
      : say``;
  const band = f.band?.value ?? 0;
  return cutThenLay(c, {
    cutLengthMm: f.cutLength.value,
    materials: [...outOf(lot, f.mass.value, 'coat'), ...(marking && f.band ? outOf(marking.lot, band, 'band') : [])],
    cut: {
      does: say`Cut ${lot.name}${marking ? say` and ${marking.lot.name}` : ''} into ${mm(f.cutLength.value)} lengths for ${c.area.name}`,
      ...takes(hand, both(ONE_STEP, cutting(piecesAlong(rows, PINCH)))),
    },
    lay: {
      does: say`Lay ${count(rows.rows.length)} standing rows ${mm(spec.spacingMm)} apart on ${c.area.name}${carries}`,
      rows: rows.rows.length,
      passes: say`${count(passes)} passes along the middle; both halves rise`,
      needlework: rootRows(c.area.id, rows.totalMm, layOf(c), passes, spec.spacingMm, lot, hand),
      ...tookBy(f.minutes),
    },
  });
}

export const standing: Way<Standing> = {
  method: 'standing',
  title: 'Standing rows',
  unit: { one: 'row', many: 'rows' },
  surface: 'teased',
  trimmed: 'by itself',
  takes: 'cut lengths',
  inShort: (n) => `${n} ${n === 1 ? 'row' : 'rows'}, standing`,
  moreLots: (s) => (s.marking.kind === 'none' ? [] : [s.marking.lotId]),
  lengthKeys: ['lengthMm'],
  longest: longestOf,
  margins: [APART, THINNEST],
  goodFor:
    'Plush that stands up and is trimmed to a shape: young animals, dense plushy coats; stripes and spots cut from the pile.',
  costs: 'The most wool of all ways: much of it is trimmed off. Keep the offcuts for cores.',
  suits: {
    'combed top': { suits: 'well', why: 'It cuts to one length and rises evenly.' },
    'carded batt': {
      suits: 'possible',
      why: 'It rises more loosely; the pile looks woollier and needs more trimming.',
    },
    locks: { suits: 'possible', why: 'They stand in tufts with gaps between.' },
    'raw fleece': { suits: 'badly', why: 'It must be washed, dried and combed first.' },
    yarn: { suits: 'well', why: 'Wound round a card, cut and combed open it gives a dense, even pile.' },
  },
  begin: ({ lot, hand, finishedLengthMm: size, now }) => {
    const length = now
      ? half(now.lengthMm, 1, 200)
      : Math.min(half(0.05 * size, 1, 200), Math.max(1, Math.floor((lot.stapleMm / 2 - hand.rootMm) / 1.5)));
    const spec: Standing = {
      method: 'standing',
      lotId: lot.id,
      lengthMm: length,
      spacingMm: Math.max(1, half(length * 0.6, 0.5, 60)),
      liftDeg: 50,
      layMgCm: 5,
      overMm: Math.max(hand.overLeastMm, half(length * 0.5, 0, 100)),
      marking: { kind: 'none' },
    };
    const s: Spec<Standing> = { spec, lot, hand, habit: 1, rise: 1 };
    const least = edgeOf(0.2, 300, 0.1, (x) => coverOf({ ...s, spec: { ...spec, layMgCm: x } }) >= WELL, 'smallest');
    return { ...spec, layMgCm: least ?? 30 };
  },
  methods: [standingCut, bandWool, groundWool, standingCover, plushWaste, stripeWidth, spotDiameter],
  look,
  lay: (c) => {
    const { spec, lot, hand } = c;
    const { rows, chart } = rowsFor(c, evenly(spec.spacingMm), c.lying);
    const marking = sandwichOf(c, rows);
    const figures = figuresOf(c, rows, marking);
    const marked = marking && {
      colour: marking.lot.colour,
      rows: marking.plan.rows,
      pitchMm: spec.marking.kind === 'spot' ? spec.marking.pitchMm : null,
    };
    return {
      ...PLAIN_LAY,
      figures,
      docket: docketOf(c, figures, rows, marking),
      rows,
      chart: dressed(chart, { marking: marked }),
      coverMap: coverMapOf(c, { varies: false, laid: { spacing: evenly(spec.spacingMm), rows } }, (gape) =>
        coverOf({ ...c, spec: { ...spec, spacingMm: spec.spacingMm * gape } }),
      ),
      draws: [
        { lotId: lot.id, massG: figures.mass.value, for: 'coat' },
        ...(marking && figures.band
          ? [{ lotId: marking.lot.id, massG: figures.band.value, for: 'band' as const }]
          : []),
      ],
      pile: {
        ...PLAIN_PILE,
        ...pileOfLot(lot, hand),
        hemMm: spec.lengthMm,
        topMm: spec.lengthMm,
        overMm: spec.overMm,
        liftDeg: spec.liftDeg,
        splayed: true,
        marking: marked && { ...marked, halfWidthMm: marking.plan.widthMm / 2 },
      },
      trim: trimPlan(spec.lengthMm + spec.overMm, spec.lengthMm, (layOf(c) / spec.lengthMm / 10) * rows.totalMm),
      sandwich: marking?.plan ?? null,
      findings: findingsOf(c, rows, marking?.plan ?? null, figures.cutLength.value),
      operations: operationsOf(c, figures, rows, marking),
    };
  },
};

/** 3, 5 to 9, 12 … */
function rowsInWords(rows: readonly number[]): string {
  const out: string[] = [];
  for (let i = 0; i < rows.length; i++) {
    let j = i;
    while (j + 1 < rows.length && rows[j + 1] === rows[j]! + 1) j++;
    out.push(j - i >= 2 ? `${rows[i]} to ${rows[j]}` : rows.slice(i, j + 1).join(', '));
    i = j;
  }
  return out.join(', ');
}
