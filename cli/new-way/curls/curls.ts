/** A way of laying for the tests: curls set in rows, each by its root. Every curl hides the ground under it in all directions. */
import { outOf } from '@/core/materials';
import { figure, letter, method } from '@/core/method/define';
import { rootRows } from '@/core/stabbing';
import { count, mm, say } from '@/core/text';
import { HIDDEN, rowsApart, takes } from '@/core/coat/chart/docket';
import { WELL } from '@/core/coat/cover/cover';
import { FLAT_SLANT, layerFigure } from '@/core/coat/cover/cover-layer';
import { edgeOf } from '@/core/coat/cover/enough';
import { APART, THINNEST } from '@/core/coat/cover/margin-range';
import { coverFindings, rowFindings, stapleFindings, woolFindings } from '@/core/coat/judgement';
import { cutThenLay } from '@/core/coat/operations';
import { PLAIN_PILE } from '@/core/coat/picture/pile';
import { remedyOf } from '@/core/coat/remedy';
import { coverMapOf, dressed, piecesAlong, pileOfLot, rowFigures, rowsFor } from '@/core/coat/rows/row-figures';
import { evenly } from '@/core/coat/rows/spacing';
import type { RowSet } from '@/core/coat/rows/rows';
import { loftOf } from '@/core/coat/loft';
import { pinchCount } from '@/core/coat/techniques/fold-over/fold-over-methods';
import { PLAIN_LAY, shown, type LayContext, type Look, type Spec, type Way } from '@/core/coat/way';
import { aSquare, cutting, ONE_STEP, rowsLaid, type LaidRows } from '@/core/coat/rows/row-work';
import type { Work } from '@/core/time/elements';
import { both, minutesOf, takes as timed, timeFigure, tookBy } from '@/core/time/work-time';
import { arealMass } from '@/core/wool/fibre';
import type { Curls } from './spec';

/** Fibre wound into a curl of a height, as a multiple of the height. */
const WOUND = 4;

const curlWool = method({
  id: 'curl-wool',
  title: 'Wool for the curls',
  formula: 'M = k m (1 + loss) × a',
  inputs: {
    curls: letter('k', 'curls', 'count'),
    curl: letter('m', 'weight of a curl, mg', 'number'),
    loss: letter('loss', 'lost in handling', 'share'),
    habit: letter('a', 'laid over meant', 'number'),
  },
  result: letter('M', 'wool to take from the lot', 'mass'),
  source: 'Counting.',
  basis: 'ours',
  of: ({ curls, curl, loss, habit }) => ((curls * curl) / 1000) * (1 + loss) * habit,
});
const arealOf = (s: Spec<Curls>) => (s.spec.curlMg * s.habit * 100) / (s.spec.pitchMm * s.spec.spacingMm);
const layerOf = (s: Spec<Curls>) => ({
  arealMgCm2: arealOf(s),
  finenessUm: s.lot.finenessUm,
  finenessCv: s.lot.finenessCv,
  kappa: s.hand.spread[s.lot.form],
  unevenness: s.hand.unevenness,
});
const setting = (rows: LaidRows, n: number): Work => both(rowsLaid(rows), { pinch: n });
const coverOf = (s: Spec<Curls>): number => layerFigure(layerOf(s)).value;

function look(s: Spec<Curls>): Look {
  const areal = figure(arealMass, { lay: (s.spec.curlMg * s.habit * 10) / s.spec.pitchMm, spacing: s.spec.spacingMm });
  return {
    cover: layerFigure(layerOf(s)),
    slant: layerFigure(layerOf(s), FLAT_SLANT),
    areal,
    ...loftOf({
      lengthMm: s.spec.lengthMm,
      liftDeg: 60,
      arealMgCm2: areal.value,
      densityMgCm3: s.hand.loftDensityMgCm3,
      rise: s.rise,
    }),
    takesMgCm2: areal.value * (1 + s.hand.handlingLoss),
    minutesCm2: minutesOf(s.hand, setting(aSquare(s.spec.spacingMm), 100 / (s.spec.pitchMm * s.spec.spacingMm))),
  };
}

function findingsOf(c: LayContext<Curls>, rows: RowSet) {
  const l = look(c);
  const heavier = edgeOf(0.2, 500, 0.1, (x) => coverOf({ ...c, spec: { ...c.spec, curlMg: x } }) >= WELL, 'smallest');
  return [
    ...woolFindings(c),
    ...stapleFindings(c, WOUND * c.spec.lengthMm, say`A curl is wound from fibre so long.`, []),
    ...coverFindings(
      c,
      l,
      say`Between curls so light one sees the core.`,
      heavier === null ? [] : [remedyOf(c, say`Curls of ${heavier} mg`, { curlMg: heavier })],
    ),
    ...rowFindings(
      c,
      rows,
      c.spec.spacingMm,
      () => l.cover.value,
      () => null,
    ),
  ];
}

export const curls: Way<Curls> = {
  method: 'curls',
  title: 'Set curls',
  unit: { one: 'row of curls', many: 'rows of curls' },
  surface: 'teased',
  trimmed: 'by itself',
  untrimmed: 'Curls are not trimmed.',
  takes: 'cut lengths',
  counts: 'curls',
  margins: [APART, { ...THINNEST, key: 'curlMg', what: 'Curl weight, mg', kind: 'number', least: 0.2, most: 500 }],
  goodFor: 'Tight curly coats.',
  costs: 'Every curl is wound by itself.',
  suits: {
    'combed top': { suits: 'well', why: 'It winds evenly.' },
    'carded batt': { suits: 'possible', why: 'It winds into a rough curl.' },
    locks: { suits: 'possible', why: 'They have a curl of their own.' },
    'raw fleece': { suits: 'badly', why: 'It must be washed first.' },
    yarn: { suits: 'possible', why: 'It winds, and keeps its twist.' },
  },
  begin: ({ lot }) => ({ method: 'curls', lotId: lot.id, lengthMm: 8, spacingMm: 4, pitchMm: 4, curlMg: 3 }),
  methods: [curlWool],
  look,
  lay: (c) => {
    const { spec, lot, hand } = c;
    const { rows, chart } = rowsFor(c, evenly(spec.spacingMm), c.lying);
    const n = piecesAlong(rows, spec.pitchMm);
    const tuft = { widthMm: spec.pitchMm, pitchMm: spec.pitchMm, staggered: true };
    const figures = {
      ...shown(look(c)),
      ...rowFigures(c, rows),
      mass: figure(curlWool, { curls: n, curl: spec.curlMg, loss: hand.handlingLoss, habit: c.habit }),
      minutes: timeFigure(hand, both(ONE_STEP, setting({ rowsMm: rows.totalMm, rows: rows.rows.length }, n))),
      waste: figure(curlWool, { curls: n, curl: 0, loss: hand.handlingLoss, habit: c.habit }),
      curls: figure(pinchCount, { pinches: n, pitch: spec.pitchMm }),
    };
    return {
      ...PLAIN_LAY,
      figures,
      docket: {
        sentence: [
          'Wind ',
          { figure: 'curls' },
          ' curls. Set ',
          ...rowsApart(rows.rows.length, curls.unit),
          ', hem first.',
        ],
        spacing: [spec.spacingMm],
        list: [...takes(lot.name, 'to set'), ...HIDDEN],
      },
      rows,
      chart: dressed(chart, { unit: curls.unit, tuft }),
      coverMap: coverMapOf(c, { varies: false, laid: { spacing: evenly(spec.spacingMm), rows } }, (gape) =>
        coverOf({ ...c, spec: { ...spec, spacingMm: spec.spacingMm * gape } }),
      ),
      draws: [{ lotId: lot.id, massG: figures.mass.value, for: 'coat' }],
      pile: { ...PLAIN_PILE, ...pileOfLot(lot, hand), hemMm: spec.lengthMm, topMm: spec.lengthMm, liftDeg: 60, tuft },
      trim: null,
      findings: findingsOf(c, rows),
      operations: cutThenLay(c, {
        cutLengthMm: WOUND * spec.lengthMm,
        materials: outOf(lot, figures.mass.value, 'coat'),
        cut: {
          does: say`Wind ${count(n)} curls of ${lot.name} for ${c.area.name}`,
          ...timed(c.hand, both(ONE_STEP, cutting(n))),
        },
        lay: {
          does: say`Set ${count(n)} curls ${mm(spec.pitchMm)} apart on ${c.area.name}`,
          rows: rows.rows.length,
          passes: say`three stabs through each root`,
          needlework: rootRows(
            c.area.id,
            rows.totalMm,
            (spec.curlMg * c.habit * 10) / spec.pitchMm,
            3,
            spec.spacingMm,
            lot,
            hand,
          ),
          ...tookBy(figures.minutes),
        },
      }),
    };
  },
};
