/**
 * Felted feathers: cut out of a sheet of flat felt and set by their quills in rows, like tiles on a roof, hem first; every second row half a
 * feather on. Wing, tail and back of a bird.
 */
import { outOf } from '@/core/materials';
import { figure, type Figure } from '@/core/method/define';
import type { Feathers } from '@/core/piece/coat';
import type { Finding, Operation, Remedy } from '@/core/stage';
import { count, mm, say } from '@/core/text';
import { feltFlat, rootRows } from '@/core/stabbing';
import { WELL } from '@/core/coat/cover/cover';
import { edgeOf } from '@/core/coat/cover/enough';
import { AGAINST } from '@/core/coat/cover/leaning';
import { half } from '@/core/coat/techniques/half';
import { coverFindings, reachFindings, rowFindings, woolFindings } from '@/core/coat/judgement';
import { cutThenLay } from '@/core/coat/operations';
import { HIDDEN, rowsApart, takes } from '@/core/coat/chart/docket';
import { PLAIN_PILE } from '@/core/coat/picture/pile';
import { remedyOf } from '@/core/coat/remedy';
import { coverMapOf, dressed, piecesAlong, pileOfLot, rowFigures, rowsFor } from '@/core/coat/rows/row-figures';
import { evenly } from '@/core/coat/rows/spacing';
import { aSquare, ONE_STEP, rowsLaid, type LaidRows } from '@/core/coat/rows/row-work';
import type { RowSet } from '@/core/coat/rows/rows';
import type { Hand } from '@/core/piece/hand';
import type { Work } from '@/core/time/elements';
import { both, minutesOf, takes as timed, timeFigure, tookBy } from '@/core/time/work-time';
import { APART } from '@/core/coat/cover/margin-range';
import { PLAIN_LAY, shown, type LayContext, type Look, type Spec, type Way } from '@/core/coat/way';
import { layerMass } from '@/core/wool/fibre';
import {
  BETWEEN,
  featherAreal,
  featherCount,
  featherCover,
  featherLength,
  featherLoft,
  featherSheet,
  featherWaste,
  featherWool,
} from './feather-methods';
import { featherArea, tipOf, type FeatherOutline } from '@/core/coat/cover/feather-shape';

/** Felt is worked over so often before it holds its cut edge. Ours. */
const FELTED = 4;
/** Passes along the quills of a row. Ours. */
const PASSES = 3;

const outline = (s: Feathers): FeatherOutline => ({
  lengthMm: s.lengthMm,
  widthMm: s.widthMm,
  tipMm: tipOf(s.tip, s.lengthMm, s.widthMm),
});
const densityOf = (hand: Hand): number => hand.coreDensityMgCm3['flat felt'].usual;
const cutOf = (s: Feathers, hand: Hand): number => s.lengthMm + hand.rootMm;

function coverFigure({ spec, lot, hand, habit }: Spec<Feathers>, tiltDeg = 0): Figure {
  return figure(featherCover, {
    length: spec.lengthMm,
    width: spec.widthMm,
    tip: outline(spec).tipMm,
    pitch: spec.pitchMm,
    spacing: spec.spacingMm,
    lift: spec.liftDeg,
    tilt: tiltDeg,
    thick: spec.thicknessMm,
    density: densityOf(hand),
    habit,
    layer: layerMass.of({ fineness: lot.finenessUm, cv: lot.finenessCv }),
    kappa: hand.spread[lot.form],
    unevenness: hand.unevenness,
  });
}
const coverOf = (s: Spec<Feathers>): number => coverFigure(s).value;

const sheetOf = (s: Feathers, hand: Hand, n: number): number => n * s.widthMm * cutOf(s, hand) * BETWEEN;

/** Felting the sheet and cutting them out; and setting them. */
const cutting = (s: Feathers, hand: Hand, n: number): Work => ({
  sheet: 1,
  surfaceStabs: ((sheetOf(s, hand, n) / 100) * hand.surfaceStabsPerCm2 * FELTED) / 100,
  featherCut: n,
});
const setting = (rows: LaidRows, n: number): Work => both(rowsLaid(rows), { feather: n });

/** Lattice places on a square cm. */
const perCm2 = (s: Feathers): number => 100 / (s.pitchMm * s.spacingMm);

function look(s: Spec<Feathers>): Look {
  const { spec, hand } = s;
  const n = perCm2(spec);
  const lattice = { area: featherArea(outline(spec)), pitch: spec.pitchMm, spacing: spec.spacingMm };
  const areal = figure(featherAreal, {
    ...lattice,
    thick: spec.thicknessMm,
    density: densityOf(hand),
    habit: s.habit,
  });
  return {
    cover: coverFigure(s),
    slant: coverFigure(s, AGAINST.tiltDeg),
    areal,
    loft: figure(featherLoft, {
      ...lattice,
      length: spec.lengthMm,
      lift: spec.liftDeg,
      thick: spec.thicknessMm,
      rise: s.rise,
    }),
    takesMgCm2:
      ((sheetOf(spec, hand, n) * spec.thicknessMm * densityOf(hand)) / 1000) * (1 + hand.handlingLoss) * s.habit,
    minutesCm2: minutesOf(hand, both(setting(aSquare(spec.spacingMm), n), { ...cutting(spec, hand, n), sheet: 0 })),
  };
}

const reachOf = (s: Feathers): number => s.lengthMm * Math.cos((s.liftDeg * Math.PI) / 180);

function findingsOf(c: LayContext<Feathers>, rows: RowSet): Finding[] {
  const { spec } = c;
  const l = look(c);
  const remedies: Remedy[] = [];
  if (l.cover.value < WELL) {
    const at = (set: Partial<Feathers>) => coverOf({ ...c, spec: { ...spec, ...set } }) >= WELL;
    const spacing = edgeOf(0.5, spec.spacingMm, 0.5, (x) => at({ spacingMm: x }), 'largest');
    if (spacing !== null && spacing < spec.spacingMm)
      remedies.push(remedyOf(c, say`Rows ${mm(spacing)} apart`, { spacingMm: spacing }));
    const pitch = edgeOf(0.5, spec.pitchMm, 0.5, (x) => at({ pitchMm: x }), 'largest');
    if (pitch !== null && pitch < spec.pitchMm)
      remedies.push(remedyOf(c, say`A feather every ${mm(pitch)}`, { pitchMm: pitch }));
    const width = edgeOf(spec.widthMm, 60, 0.5, (x) => at({ widthMm: x }), 'smallest');
    if (width !== null && width > spec.widthMm)
      remedies.push(remedyOf(c, say`Feathers ${mm(width)} wide`, { widthMm: width }));
    const thick = edgeOf(spec.thicknessMm, 5, 0.1, (x) => at({ thicknessMm: x }), 'smallest');
    if (thick !== null && thick > spec.thicknessMm)
      remedies.push(remedyOf(c, say`Felt ${mm(thick)} thick`, { thicknessMm: thick }));
  }
  return [
    ...woolFindings(c),
    ...coverFindings(
      c,
      l,
      say`Between feathers ${mm(spec.widthMm)} wide set every ${mm(spec.pitchMm)} in rows ${mm(spec.spacingMm)} apart, of felt ${mm(spec.thicknessMm)} thick, one sees the core.`,
      remedies,
    ),
    ...rowFindings(
      c,
      rows,
      spec.spacingMm,
      (gape) => coverOf({ ...c, spec: { ...spec, spacingMm: spec.spacingMm * gape } }),
      (near) => remedyOf(c, say`Rows ${mm(near)} apart`, { spacingMm: near }),
    ),
    ...reachFindings(c, reachOf(spec)),
  ];
}

function figuresOf(c: LayContext<Feathers>, rows: RowSet) {
  const { spec, hand } = c;
  const n = piecesAlong(rows, spec.pitchMm);
  const cut = cutOf(spec, hand);
  const sheet = figure(featherSheet, { feathers: n, width: spec.widthMm, cut });
  const felt = { thick: spec.thicknessMm, density: densityOf(hand), habit: c.habit };
  const laid = { rowsMm: rows.totalMm, rows: rows.rows.length };
  return {
    ...shown(look(c)),
    ...rowFigures(c, rows),
    feathers: figure(featherCount, { feathers: n, pitch: spec.pitchMm }),
    cutLength: figure(featherLength, { length: spec.lengthMm, root: hand.rootMm }),
    sheet,
    mass: figure(featherWool, { sheet: sheet.value, ...felt, loss: hand.handlingLoss }),
    waste: figure(featherWaste, {
      sheet: sheet.value,
      feathers: n,
      width: spec.widthMm,
      cut,
      tip: outline(spec).tipMm,
      ...felt,
    }),
    minutes: timeFigure(hand, both(ONE_STEP, setting(laid, n))),
  };
}

/** Felting the sheet and cutting feathers out of it; setting them row by row. */
function operationsOf(c: LayContext<Feathers>, f: ReturnType<typeof figuresOf>, rows: RowSet): Operation[] {
  const { spec, lot, hand, area } = c;
  const n = f.feathers.value;
  const across = Math.sqrt(f.sheet.value);
  const quillMgCm = (spec.thicknessMm * densityOf(hand) * hand.rootMm * spec.widthMm * c.habit) / (100 * spec.pitchMm);
  return cutThenLay(c, {
    cutLengthMm: f.cutLength.value,
    cutGoesBy: { what: 'the shape of the feathers', keys: ['widthMm', 'thicknessMm', 'tip'] },
    materials: outOf(lot, f.mass.value, 'coat'),
    first: say`The feathers are cut first.`,
    cut: {
      does: say`Felt a sheet of ${lot.name} about ${mm(across)} square and ${mm(spec.thicknessMm)} thick for ${area.name}, and cut ${count(n)} feathers out of it, ${mm(f.cutLength.value)} long and ${mm(spec.widthMm)} wide, their tips ${spec.tip}`,
      needlework: feltFlat(spec.thicknessMm, false, f.sheet.value, across, lot, hand),
      ...timed(hand, both(ONE_STEP, cutting(spec, hand, n))),
      caution: say`Thin felt lets the needle through: keep it on the mat and fingers off it. Scissors away from the hand.`,
    },
    lay: {
      does: say`Set ${count(n)} feathers in ${count(rows.rows.length)} rows ${mm(spec.spacingMm)} apart on ${area.name}, one every ${mm(spec.pitchMm)}, each row half a feather on from the one below, hem first`,
      rows: rows.rows.length,
      passes: say`felt each in by its quill, ${count(PASSES)} passes; its tip stays free over the row below`,
      needlework: rootRows(area.id, rows.totalMm, quillMgCm, PASSES, spec.spacingMm, lot, hand),
      ...tookBy(f.minutes),
    },
  });
}

export const feathers: Way<Feathers> = {
  method: 'feathers',
  title: 'Felted feathers',
  unit: { one: 'row of feathers', many: 'rows of feathers' },
  surface: 'passed',
  trimmed: 'in laying',
  untrimmed: 'Feathers are cut to their shape before they are set.',
  takes: 'feathers',
  counts: 'feathers',
  pitchKey: 'pitchMm',
  inShort: (n) => `${n} ${n === 1 ? 'row' : 'rows'} of feathers`,
  lengthKeys: ['lengthMm'],
  reach: reachOf,
  margins: [
    APART,
    {
      key: 'thicknessMm',
      what: 'Felt thick',
      kind: 'length',
      least: 0.2,
      most: 5,
      step: 0.1,
      want: 'smallest',
      weight: true,
    },
  ],
  goodFor: 'Wings, tail and back of a bird: every feather keeps its own edge, group over group.',
  costs: 'Much cutting, and a third of the felt stays on the mat; every feather is set by itself.',
  suits: {
    'combed top': { suits: 'possible', why: 'Laid crosswise in thin layers it felts flat, and takes longer.' },
    'carded batt': { suits: 'well', why: 'Its fibres lie every way and felt into an even sheet.' },
    locks: { suits: 'badly', why: 'They do not felt into an even sheet.' },
    'raw fleece': { suits: 'badly', why: 'It must be washed, dried and carded first.' },
    yarn: { suits: 'badly', why: 'Its twist shows in the sheet.' },
  },
  begin: ({ lot, hand, finishedLengthMm: size, now }) => {
    const length = now ? half(now.lengthMm, 3, 150) : half(0.1 * size, 3, 150);
    const width = half(length * 0.45, 1, 60);
    const spec: Feathers = {
      method: 'feathers',
      lotId: lot.id,
      lengthMm: length,
      widthMm: width,
      pitchMm: Math.max(1, half(width * 0.8, 1, 60)),
      spacingMm: Math.max(1, Math.floor(length * 0.4 * 2) / 2),
      thicknessMm: 0.8,
      liftDeg: 6,
      tip: 'round',
    };
    const s: Spec<Feathers> = { spec, lot, hand, habit: 1, rise: 1 };
    const least = edgeOf(0.4, 3, 0.1, (x) => coverOf({ ...s, spec: { ...spec, thicknessMm: x } }) >= WELL, 'smallest');
    return { ...spec, thicknessMm: Math.max(spec.thicknessMm, least ?? 0) };
  },
  methods: [
    featherCount,
    featherLength,
    featherSheet,
    featherWool,
    featherWaste,
    featherAreal,
    featherCover,
    featherLoft,
  ],
  look,
  lay: (c) => {
    const { spec, lot, hand } = c;
    const { rows, chart } = rowsFor(c, evenly(spec.spacingMm), c.lying);
    const figures = figuresOf(c, rows);
    const tuft = { widthMm: Math.min(spec.widthMm, spec.pitchMm), pitchMm: spec.pitchMm, staggered: true };
    return {
      ...PLAIN_LAY,
      figures,
      docket: {
        sentence: [
          'Felt ',
          { figure: 'sheet' },
          ' of sheet and cut ',
          { figure: 'feathers' },
          ' feathers, ',
          { figure: 'cutLength' },
          ' long. Set them in ',
          ...rowsApart(rows.rows.length, { one: 'row', many: 'rows' }),
          ', like tiles, hem first.',
        ],
        spacing: [spec.spacingMm],
        list: [
          ...takes(lot.name, 'to set'),
          ...HIDDEN,
          { label: 'of rows', figure: 'rowLength' },
          { label: 'loft added', figure: 'loft' },
          { label: 'lost', figure: 'waste' },
        ],
      },
      rows,
      chart: dressed(chart, { unit: feathers.unit, tuft, tall: 0.9 }),
      coverMap: coverMapOf(c, { varies: false, laid: { spacing: evenly(spec.spacingMm), rows } }, (gape) =>
        coverOf({ ...c, spec: { ...spec, spacingMm: spec.spacingMm * gape } }),
      ),
      draws: [{ lotId: lot.id, massG: figures.mass.value, for: 'coat' }],
      pile: {
        ...PLAIN_PILE,
        ...pileOfLot(lot, hand),
        crimpDepthMm: 0,
        tipColour: null,
        hemMm: spec.lengthMm,
        topMm: spec.lengthMm,
        liftDeg: spec.liftDeg,
        tuft: { ...tuft, widthMm: 0 },
        vane: { ...outline(spec), thickMm: spec.thicknessMm },
      },
      trim: null,
      findings: findingsOf(c, rows),
      operations: operationsOf(c, figures, rows),
    };
  },
};
