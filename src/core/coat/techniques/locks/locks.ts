/**
 * Locks in courses, tips down, staggered like bricks, the tips of the course below left showing. Set by the cut end or
 * felted across the middle and folded; whole for an adult, opened for a fluffy young one; light tips kept as bands,
 * opened until they pale, or cut off.
 */
import { outOf } from '@/core/materials';
import { figure } from '@/core/method/define';
import type { Locks } from '@/core/piece/coat';
import type { Finding, Operation, Remedy } from '@/core/stage';
import { count, mm, say } from '@/core/text';
import { rootRows } from '@/core/stabbing';
import { coverOf, hidesOf, lockCover, WELL, type FurLay } from '@/core/coat/cover/cover';
import { loftOf } from '@/core/coat/loft';
import { edgeOf } from '@/core/coat/cover/enough';
import { arealMass } from '@/core/wool/fibre';
import { half } from '@/core/coat/techniques/half';
import {
  coverFindings,
  crowdFindings,
  reachFindings,
  rowFindings,
  stapleFindings,
  woolFindings,
} from '@/core/coat/judgement';
import { seatsOf } from './lock-seats';
import { cutThenLay } from '@/core/coat/operations';
import { HIDDEN, rowsApart, takes } from '@/core/coat/chart/docket';
import { PLAIN_PILE } from '@/core/coat/picture/pile';
import { findingOf, remedyOf } from '@/core/coat/remedy';
import { coverMapOf, dressed, piecesAlong, pileOfLot, rowFigures, rowsFor } from '@/core/coat/rows/row-figures';
import { evenly } from '@/core/coat/rows/spacing';
import { aSquare, ONE_STEP, rowsLaid, type LaidRows } from '@/core/coat/rows/row-work';
import type { Work } from '@/core/time/elements';
import { both, minutesOf, takes as timed, timeFigure, tookBy } from '@/core/time/work-time';
import type { RowSet } from '@/core/coat/rows/rows';
import { lockCount, lockLength, lockMass, tipWaste } from './lock-methods';
import { APART, THINNEST } from '@/core/coat/cover/margin-range';
import { PLAIN_LAY, shown, type LayContext, type Look, type Spec, type Way } from '@/core/coat/way';

/** Scatter of whole and of opened locks as they fall, radians; how much wider an opened lock is. Ours. */
const SCATTER = { whole: 0.1, opened: 0.25 };
const WIDER = 1.6;

const tipsCut = ({ spec, lot }: Spec<Locks>): number => (spec.tips === 'cut' ? lot.tipShare : 0);
const folds = (s: Locks): number => (s.root === 'felted middle' ? 2 : 1);

/**
 * How far the fibres of a lock hide beside those of a tuft: that locks are tufts with gaps between is in their width and pitch
 * already, so the usual spread of a tuft is taken out of it and only what a maker's swatches say beyond it stays.
 */
const TUFT = 0.5;
const within = (spread: number): number => Math.min(1, spread / TUFT);

const layOf = ({ spec, lot, hand, habit }: Spec<Locks>): FurLay => ({
  lengthMm: spec.lengthMm,
  spacingMm: spec.spacingMm,
  liftDeg: spec.liftDeg,
  layMgCm: (spec.lockMg * habit * 10) / spec.pitchMm,
  pinchWidthMm: Math.min(spec.pitchMm, spec.lockWidthMm * (spec.opened ? WIDER : 1)),
  pinchPitchMm: spec.pitchMm,
  finenessUm: lot.finenessUm,
  finenessCv: lot.finenessCv,
  kappa: within(hand.spread[lot.form]),
  unevenness: hand.unevenness,
  scatter: spec.opened ? SCATTER.opened : SCATTER.whole,
});

/** A lock as it is picked, with its root and the tips that are cut off, mg. */
const wholeMg = (s: Spec<Locks>): number =>
  (s.spec.lockMg * (s.spec.lengthMm + s.hand.rootMm)) / s.spec.lengthMm / (1 - tipsCut(s));

const coverIs = (s: Spec<Locks>): number => coverOf(layOf(s), lockCover);

/** An opened lock is pulled apart first and takes half as long again. Ours. */
const OPENED = 1.5;
const setting = (spec: Locks, rows: LaidRows, n: number): Work =>
  both(rowsLaid(rows), { lock: n * (spec.opened ? OPENED : 1), ...(spec.root === 'felted middle' ? { fold: n } : {}) });
const picking = (n: number): Work => ({ pickTen: n / 10 });

function look(s: Spec<Locks>): Look {
  const { spec, hand } = s;
  const areal = figure(arealMass, { lay: (spec.lockMg * s.habit * 10) / spec.pitchMm, spacing: spec.spacingMm });
  const a = aSquare(spec.spacingMm);
  return {
    ...hidesOf(layOf(s), lockCover),
    areal,
    ...loftOf({
      lengthMm: spec.lengthMm,
      liftDeg: spec.liftDeg,
      arealMgCm2: areal.value,
      densityMgCm3: hand.loftDensityMgCm3,
      rise: s.rise,
    }),
    takesMgCm2:
      (areal.value * (1 + hand.handlingLoss) * (spec.lengthMm + hand.rootMm)) / spec.lengthMm / (1 - tipsCut(s)),
    minutesCm2: minutesOf(hand, both(setting(spec, a, a.rowsMm / spec.pitchMm), picking(a.rowsMm / spec.pitchMm))),
  };
}

const longestOf = (s: Spec<Locks>): number =>
  Math.floor(((s.lot.stapleMm * (1 - tipsCut(s))) / folds(s.spec) - s.hand.rootMm) * 2) / 2;
const reachOf = (s: Locks): number => s.lengthMm * Math.cos((s.liftDeg * Math.PI) / 180);

function findingsOf(c: LayContext<Locks>, rows: RowSet, needMm: number): Finding[] {
  const { spec, lot } = c;
  const l = look(c);
  const remedies: Remedy[] = [];
  if (l.cover.value < WELL) {
    const at = (set: Partial<Locks>) => coverIs({ ...c, spec: { ...spec, ...set } }) >= WELL;
    const spacing = edgeOf(1, spec.spacingMm, 0.5, (x) => at({ spacingMm: x }), 'largest');
    if (spacing !== null) remedies.push(remedyOf(c, say`Courses ${mm(spacing)} apart`, { spacingMm: spacing }));
    const pitch = edgeOf(1, spec.pitchMm, 0.5, (x) => at({ pitchMm: x }), 'largest');
    if (pitch !== null && pitch < spec.pitchMm)
      remedies.push(remedyOf(c, say`A lock every ${mm(pitch)}`, { pitchMm: pitch }));
    if (!spec.opened && at({ opened: true })) remedies.push(remedyOf(c, say`Open the locks`, { opened: true }));
    const heavy = edgeOf(0.5, 2000, 0.5, (x) => at({ lockMg: x }), 'smallest');
    if (heavy !== null && heavy > spec.lockMg)
      remedies.push(remedyOf(c, say`Locks of ${count(heavy)} mg`, { lockMg: heavy }));
  }
  const allowed = longestOf(c);
  const shorter: Remedy[] = [];
  if (spec.root === 'felted middle') {
    shorter.push(remedyOf(c, say`Set them by their cut end instead`, { root: 'cut end' }));
  }
  if (allowed >= 3) {
    shorter.push(
      remedyOf(c, say`Locks ${mm(allowed)} long, the longest this fleece allows`, {
        lengthMm: allowed,
        lockMg: Math.max(0.2, Math.round(spec.lockMg * (allowed / spec.lengthMm) * 10) / 10),
      }),
    );
  }
  const out: Finding[] = [
    ...woolFindings(c),
    ...stapleFindings(
      c,
      needMm,
      spec.root === 'felted middle'
        ? say`A lock felted in the middle is folded: it must be twice as long as the coat and its root.`
        : say`A lock must be as long as the coat and its root.`,
      shorter,
    ),
    ...coverFindings(
      c,
      l,
      say`Between locks ${mm(spec.lockWidthMm)} wide set every ${mm(spec.pitchMm)} in courses ${mm(spec.spacingMm)} apart one sees the core.`,
      remedies,
    ),
    ...rowFindings(
      c,
      rows,
      spec.spacingMm,
      (gape) => coverIs({ ...c, spec: { ...spec, spacingMm: spec.spacingMm * gape } }),
      (near) => remedyOf(c, say`Courses ${mm(near)} apart`, { spacingMm: near }),
    ),
    ...reachFindings(c, reachOf(spec)),
    ...crowdFindings(c, l),
  ];
  if (lot.tipColour && spec.tips === 'kept') {
    out.push(
      findingOf(
        c,
        'tips-band',
        'note',
        say`The tips of ${lot.name} are of another colour: they show as bands ${mm(spec.spacingMm)} apart, ${mm(Math.min(spec.spacingMm, lot.tipShare * spec.lengthMm))} wide.`,
        say`Each course shows its tips over the one below. Open the tips and they pale into the coat; cut them off and they are gone.`,
        [remedyOf(c, say`Open the tips`, { tips: 'opened' }), remedyOf(c, say`Cut the tips off`, { tips: 'cut' })],
      ),
    );
  }
  return out;
}

function figuresOf(c: LayContext<Locks>, rows: RowSet) {
  const { spec, hand } = c;
  const n = piecesAlong(rows, spec.pitchMm);
  const tips = tipsCut(c);
  return {
    ...shown(look(c)),
    ...rowFigures(c, rows),
    cutLength: figure(lockLength, { length: spec.lengthMm, root: hand.rootMm, folds: folds(spec), tips }),
    mass: figure(lockMass, {
      locks: n,
      lock: wholeMg(c),
      tips,
      loss: hand.handlingLoss,
      habit: c.habit,
    }),
    minutes: timeFigure(hand, both(ONE_STEP, setting(spec, { rowsMm: rows.totalMm, rows: rows.rows.length }, n))),
    waste: figure(tipWaste, { locks: n, lock: wholeMg(c), tips }),
    locks: figure(lockCount, { locks: n, pitch: spec.pitchMm }),
  };
}

/** Picking the locks, and setting them course by course. */
function operationsOf(c: LayContext<Locks>, f: ReturnType<typeof figuresOf>, rows: RowSet): Operation[] {
  const { spec, lot } = c;
  const n = f.locks.value;
  const tips = spec.tips === 'cut' ? ', and cut the tips off' : spec.tips === 'opened' ? ', and open their tips' : '';
  return cutThenLay(c, {
    cutLengthMm: f.cutLength.value,
    materials: outOf(lot, f.mass.value, 'coat'),
    first: say`The locks are picked first.`,
    cut: {
      does: say`Pick ${count(n)} locks of ${lot.name} for ${c.area.name}, at least ${mm(f.cutLength.value)} long${tips}${spec.opened ? '; open them with the fingers' : ', whole'}`,
      ...timed(c.hand, both(ONE_STEP, picking(n))),
      caution:
        lot.form === 'raw fleece'
          ? say`Raw fleece carries dirt and germs: gloves, outdoors, wash your hands; a dust mask when it is teased.`
          : say`Keep other colours covered while you tease.`,
    },
    lay: {
      does: say`Set ${count(rows.rows.length)} courses ${mm(spec.spacingMm)} apart on ${c.area.name}, a lock every ${mm(spec.pitchMm)}, each course half a lock on from the one below, hem first; the tips below stay showing`,
      rows: rows.rows.length,
      passes:
        spec.root === 'felted middle'
          ? say`felt across the middle of the lock, fold, felt along the fold; tuck, do not flatten`
          : say`tease the cut end thin, felt it in, tip hanging; tuck, do not flatten`,
      needlework: rootRows(
        c.area.id,
        rows.totalMm,
        (f.mass.value * 1e4) / Math.max(1, rows.totalMm),
        spec.root === 'felted middle' ? 4 : 3,
        spec.spacingMm,
        lot,
        c.hand,
      ),
      ...tookBy(f.minutes),
    },
  });
}

export const locks: Way<Locks> = {
  method: 'locks',
  title: 'Locks in courses',
  unit: { one: 'course', many: 'courses' },
  surface: 'teased',
  trimmed: 'by itself',
  untrimmed: 'Locks keep their own tips and are not trimmed.',
  takes: 'locks',
  counts: 'locks',
  pitchKey: 'pitchMm',
  inShort: (n) => `${n} ${n === 1 ? 'course' : 'courses'} of locks`,
  lengthKeys: ['lengthMm'],
  longest: longestOf,
  reach: reachOf,
  margins: [
    { ...APART, what: 'Course spacing', least: 1, most: 120 },
    { ...THINNEST, key: 'lockMg', what: 'Lock weight, mg', kind: 'number', least: 0.5, most: 300, step: 0.5 },
  ],
  goodFor: 'Curly and wavy coats: alpaca, curly long wools. Every lock keeps its own shape.',
  costs: 'Each lock is chosen and set by hand; only the fleece you have, in the lengths it has.',
  suits: {
    'combed top': { suits: 'badly', why: 'Combing has taken out the locks: nothing holds together at the tip.' },
    'carded batt': { suits: 'badly', why: 'Carding has torn the locks apart.' },
    locks: { suits: 'well', why: 'They keep their wave and their tip.' },
    'raw fleece': {
      suits: 'possible',
      why: 'Skirt, wash and dry it first without breaking up the locks; gloves, outdoors.',
    },
    yarn: { suits: 'possible', why: 'Unplied snips stand in for small curls.' },
  },
  begin: ({ lot, hand, finishedLengthMm: size, now }) => {
    const usual = lot.piles[0];
    const length = now
      ? half(now.lengthMm, 3, 300)
      : Math.min(half(0.15 * size, 3, 300), Math.max(3, Math.floor((lot.stapleMm - hand.rootMm) * 2) / 2));
    const width = usual ? usual.widthMm : half(0.02 * size, 1, 20);
    const spec: Locks = {
      method: 'locks',
      lotId: lot.id,
      lengthMm: length,
      spacingMm: Math.max(1, half(length / 4, 1, 120)),
      pitchMm: Math.max(1, half(width * 1.6, 1, 60)),
      lockWidthMm: width,
      lockMg: 5,
      liftDeg: Math.min(25, now?.liftDeg ?? 15),
      opened: false,
      root: 'cut end',
      tips: 'kept',
    };
    const s: Spec<Locks> = { spec, lot, hand, habit: 1, rise: 1 };
    const least = edgeOf(0.5, 2000, 0.5, (x) => coverIs({ ...s, spec: { ...spec, lockMg: x } }) >= WELL, 'smallest');
    return { ...spec, lockMg: least ?? 20 };
  },
  methods: [lockCount, lockLength, lockMass, tipWaste, lockCover],
  look,
  lay: (c) => {
    const { spec, lot, hand } = c;
    const { rows, chart } = rowsFor(c, evenly(spec.spacingMm), c.lying);
    const figures = figuresOf(c, rows);
    const tuft = {
      widthMm: Math.min(spec.pitchMm, spec.lockWidthMm * (spec.opened ? WIDER : 1)),
      pitchMm: spec.pitchMm,
      staggered: true,
    };
    return {
      ...PLAIN_LAY,
      figures,
      docket: {
        sentence: [
          'Pick ',
          { figure: 'locks' },
          ' locks at least ',
          { figure: 'cutLength' },
          ' long. Set them in ',
          ...rowsApart(rows.rows.length, locks.unit),
          ', like bricks, tips down, hem first.',
        ],
        spacing: [spec.spacingMm],
        list: [
          ...takes(lot.name, 'to set'),
          ...HIDDEN,
          { label: 'of courses', figure: 'rowLength' },
          { label: 'loft added', figure: 'loft' },
          ...(tipsCut(c) > 0 ? [{ label: 'tips cut off', figure: 'waste' }] : []),
          { label: 'of locks', figure: 'areal' },
        ],
      },
      rows,
      chart: dressed(chart, { unit: locks.unit, tuft, tall: 1 }),
      coverMap: coverMapOf(c, { varies: false, laid: { spacing: evenly(spec.spacingMm), rows } }, (gape) =>
        coverIs({ ...c, spec: { ...spec, spacingMm: Math.min(120, spec.spacingMm * gape) } }),
      ),
      draws: [{ lotId: lot.id, massG: figures.mass.value, for: 'coat' }],
      pile: {
        ...PLAIN_PILE,
        ...pileOfLot(lot, hand),
        kappa: layOf(c).kappa,
        tipColour: spec.tips === 'kept' ? lot.tipColour : null,
        // Opened locks lose half their wave.
        crimpDepthMm: lot.crimpDepthMm * (spec.opened ? 0.5 : 1),
        hemMm: spec.lengthMm,
        topMm: spec.lengthMm,
        liftDeg: spec.liftDeg,
        scatter: spec.opened ? SCATTER.opened : SCATTER.whole,
        tuft,
      },
      trim: null,
      seats: seatsOf(c.area.id, rows.rows, spec.pitchMm, figures.cutLength.value),
      findings: findingsOf(c, rows, figures.cutLength.value),
      operations: operationsOf(c, figures, rows),
    };
  },
};
