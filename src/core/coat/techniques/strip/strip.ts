/**
 * A strip made off the piece, for manes and crests: clumps laid side by side, overlapping, their length changing along
 * it; a strip of coarser, grippier wool felted along the middle on both faces; folded on that line, ends tucked, seated
 * along the middle of its area and fixed deep from both sides and down the centre; trimmed left and right.
 */
import { madeReady, outOf } from '@/core/materials';
import { figure } from '@/core/method/define';
import type { Strip } from '@/core/piece/coat';
import type { Finding, Operation } from '@/core/stage';
import { count, mm, say } from '@/core/text';
import { feltFlat, rootRows } from '@/core/stabbing';
import { findWools } from '@/core/wool/find';
import { hidesOf, stripCover } from '@/core/coat/cover/cover';
import { SCATTER } from '@/core/coat/cover/leaning';
import { loftOf } from '@/core/coat/loft';
import { arealMass } from '@/core/wool/fibre';
import { half } from '@/core/coat/techniques/half';
import { stapleFindings, woolFindings } from '@/core/coat/judgement';
import { chartOf } from '@/core/coat/chart/lay-chart';
import { tiesUnder, workOn } from '@/core/coat/operations';
import { PLAIN_PILE } from '@/core/coat/picture/pile';
import { findingOf, remedyOf } from '@/core/coat/remedy';
import { dressed, pileOfLot, rowFigures, rowsFor } from '@/core/coat/rows/row-figures';
import { evenly } from '@/core/coat/rows/spacing';
import type { RowSet } from '@/core/coat/rows/rows';
import { clumpsOf, middleLine, profileAt, singleRow } from './strip-line';
import { anchorMass, stripMass, stripWaste } from './strip-methods';
import { cutting, felting, ONE_STEP } from '@/core/coat/rows/row-work';
import type { Hand } from '@/core/piece/hand';
import type { Work } from '@/core/time/elements';
import { both, minutesOf, takes, timeFigure } from '@/core/time/work-time';
import { trimPlan } from '@/core/coat/trim';
import { PLAIN_LAY, shown, type LayContext, type LayFigures, type Look, type Spec, type Way } from '@/core/coat/way';

/** Anchor wool on a square cm; ours. */
const ANCHOR_MG = 12;
/** Wool finer than this slips out of an anchor. Ours. */
const GRIPPY_UM = 25;
/** Guide rows that find the middle line, mm. */
const GUIDE = 2;
/** The anchor is so much longer than its strip, for the ends to be tucked, mm. */
const ANCHOR_BEYOND = 10;
/** Passes: two on each face of the anchor, then both sides and down the centre on the piece. */
const MAKING = 4;
const SEATING = 3;
/** Clumps cut to length, laid and anchored on both faces. */
const making = (hand: Hand, lengthMm: number, clumps: number): Work =>
  both(cutting(clumps), { pinch: clumps, fold: clumps, rowCm: felting(hand, lengthMm, MAKING) });

const layOf = (s: Spec<Strip>) => s.spec.layMgCm * s.habit;
const meanLength = (s: Strip): number => (s.startLengthMm + 4 * s.middleLengthMm + s.endLengthMm) / 6;

function look(s: Spec<Strip>): Look {
  const { spec, lot, hand } = s;
  const length = meanLength(spec);
  const lay = layOf(s);
  const reach = Math.max(1, length * Math.cos((spec.liftDeg * Math.PI) / 180));
  const areal = figure(arealMass, { lay, spacing: 2 * reach });
  return {
    ...hidesOf(
      {
        lengthMm: length,
        liftDeg: spec.liftDeg,
        spacingMm: reach,
        // Half the fibre ends hang to each side.
        layMgCm: lay / 2,
        pinchWidthMm: spec.pitchMm,
        pinchPitchMm: spec.pitchMm,
        finenessUm: lot.finenessUm,
        finenessCv: lot.finenessCv,
        kappa: hand.spread[lot.form],
        unevenness: hand.unevenness,
      },
      stripCover,
    ),
    areal,
    ...loftOf({
      lengthMm: length,
      liftDeg: spec.liftDeg,
      arealMgCm2: areal.value,
      densityMgCm3: hand.loftDensityMgCm3,
      rise: s.rise,
    }),
    takesMgCm2: (areal.value * (length + hand.rootMm + spec.overMm) * (1 + hand.handlingLoss)) / length,
    // A centimetre of strip hangs over so much of the area.
    minutesCm2:
      minutesOf(hand, both(making(hand, 10, 10 / spec.pitchMm), { rowCm: felting(hand, 10, SEATING) })) /
      ((2 * reach) / 10),
  };
}

const longestOf = (s: Strip): number => Math.max(s.startLengthMm, s.middleLengthMm, s.endLengthMm);

/** Folded over the line of the anchor, from tip to tip. */
const allowedBy = ({ spec, lot, hand }: Spec<Strip>): number =>
  Math.floor((lot.stapleMm / 2 - hand.rootMm - spec.overMm) * 2) / 2;

function findingsOf(c: LayContext<Strip>, rows: RowSet): Finding[] {
  const { spec, lot, hand } = c;
  const cut = 2 * (longestOf(spec) + hand.rootMm + spec.overMm);
  const allowed = allowedBy(c);
  const k = allowed / longestOf(spec);
  const out: Finding[] = [
    ...woolFindings(c),
    ...stapleFindings(
      c,
      cut,
      say`Every clump is folded over the line of the anchor: its fibres must reach from tip to tip.`,
      allowed >= 2
        ? [
            remedyOf(c, say`A strip at most ${mm(allowed)} long`, {
              startLengthMm: Math.max(2, half(spec.startLengthMm * k, 2, 300)),
              middleLengthMm: Math.max(2, half(spec.middleLengthMm * k, 2, 300)),
              endLengthMm: Math.max(2, half(spec.endLengthMm * k, 2, 300)),
            }),
          ]
        : [],
    ),
  ];
  const anchor = c.cupboard.lots.find((l) => l.id === spec.anchorLotId);
  if (spec.anchorLotId !== null && (!anchor || anchor.finenessUm < GRIPPY_UM)) {
    const better = findWools(c.cupboard.lots, { near: lot.colour, finenessUm: { least: GRIPPY_UM } })[0];
    out.push(
      findingOf(
        c,
        'anchor-slips',
        'caution',
        anchor
          ? say`${anchor.name} is too fine for the anchor: fine wool slips.`
          : say`The wool for the anchor of ${c.area.name} is not in the cupboard.`,
        say`An anchor of a coarser, grippier wool holds the clumps and takes the deep stabs.`,
        better ? [remedyOf(c, say`Use ${better.name}`, { anchorLotId: better.id })] : [],
      ),
    );
  }
  const l = look(c);
  const reach = longestOf(spec) * Math.cos((spec.liftDeg * Math.PI) / 180) * Math.min(spec.leftShare, spec.rightShare);
  const width = c.shape.patch.areaMm2 / (rows.totalMm || 1);
  if (l.cover.value < 0.9) {
    out.push(
      findingOf(
        c,
        'base-shows',
        'caution',
        say`The strip is thin: it hides ${Math.round(l.cover.value * 100)} % of what it hangs over.`,
        say`A mane of one strip is only one layer deep to each side; lay more wool, or fur of the same colour under it.`,
        [remedyOf(c, say`Half as much wool again`, { layMgCm: Math.round(spec.layMgCm * 15) / 10 })],
      ),
    );
  }
  if (width > 2 * reach) {
    out.push(
      findingOf(
        c,
        'strip-narrow',
        'note',
        say`The strip hangs ${mm(reach)} to the shorter side; the area is ${mm(width)} wide.`,
        say`Beyond its reach the base stays bare: make the area narrower or lay fur beside it first.`,
      ),
    );
  }
  return out;
}

/** The strip along the middle of its area: its line, its clumps, its anchor. */
function stripOn(c: LayContext<Strip>) {
  const { spec, hand } = c;
  const guides = rowsFor(c, evenly(GUIDE)).rows;
  const line = c.keep('strip', [c.shape, guides], middleLine);
  const rows: RowSet = {
    ...guides,
    rows: line ? [singleRow(line)] : [],
    totalMm: line?.lengthMm ?? 0,
    meanSpacingMm: GUIDE,
  };
  const at = (share: number) => profileAt(spec.startLengthMm, spec.middleLengthMm, spec.endLengthMm, share);
  const cutOf = (l: number) => 2 * (l + hand.rootMm + spec.overMm);
  const perMm = spec.layMgCm / 10 / (2 * meanLength(spec));
  const anchorLot = c.cupboard.lots.find((l) => l.id === spec.anchorLotId) ?? null;
  return {
    line,
    rows,
    lengthMm: rows.totalMm,
    at,
    clumps: line ? clumpsOf(rows.totalMm, spec.pitchMm, at, cutOf, perMm) : [],
    anchor: anchorLot && {
      lot: anchorLot,
      mass: figure(anchorMass, { strip: rows.totalMm, width: spec.anchorWidthMm, areal: ANCHOR_MG }),
    },
  };
}
type Made = ReturnType<typeof stripOn>;

const makingOf = (hand: Hand, lengthMm: number, clumps: number): Work =>
  both(ONE_STEP, making(hand, lengthMm, clumps), { compare: 2, joint: 1 });
/** Fixed from both sides and down the centre, trimmed to the curve, left compared with right. */
const seatingOf = (hand: Hand, lengthMm: number): Work =>
  both(ONE_STEP, { rowCm: felting(hand, lengthMm, SEATING), tug: 1, compare: 3, trimCm2: lengthMm / 10 });

function figuresOf(c: LayContext<Strip>, { rows, lengthMm: length, clumps, anchor }: Made): LayFigures {
  const { spec, hand } = c;
  return {
    ...shown(look(c)),
    ...rowFigures(c, rows),
    mass: figure(stripMass, {
      clumps: clumps.reduce((s, x) => s + x.massMg, 0),
      loss: hand.handlingLoss,
      habit: c.habit,
    }),
    waste: figure(stripWaste, {
      lay: layOf(c),
      strip: length,
      over: spec.overMm,
      length: meanLength(spec),
      left: spec.leftShare,
      right: spec.rightShare,
    }),
    minutes: timeFigure(hand, both(makingOf(hand, length, clumps.length), seatingOf(hand, length))),
    ...(anchor ? { anchor: anchor.mass } : {}),
  };
}

/** Making the strip on the table, and seating it. */
function operationsOf(c: LayContext<Strip>, f: LayFigures, { lengthMm: length, clumps, anchor }: Made): Operation[] {
  const { spec, lot, area } = c;
  const cuts = clumps.map((x) => x.cutMm);
  const materials = [
    ...outOf(lot, f.mass.value, 'coat'),
    ...(anchor ? outOf(anchor.lot, anchor.mass.value, 'anchor') : []),
  ];
  const base = workOn(c, Math.max(...cuts), materials);
  const order = tiesUnder(c);
  const anchored = anchor ? say`, ${anchor.lot.name} ${mm(length + ANCHOR_BEYOND)} by ${mm(spec.anchorWidthMm)}` : '';
  return [
    {
      ...base,
      id: `make-${area.id}`,
      kind: 'make',
      does: say`Make the strip for ${area.name} on the table: ${count(clumps.length)} clumps of ${lot.name}, cut ${mm(cuts[0]!)} at the hem end, ${mm(cuts[Math.floor(cuts.length / 2)]!)} in the middle, ${mm(cuts[cuts.length - 1]!)} at the top end; felt the anchor along the middle on both faces${anchored}`,
      rows: 0,
      passes: say`two passes on each face of the anchor, then fold on that line`,
      needlework: feltFlat(2, false, length * spec.anchorWidthMm, spec.anchorWidthMm, anchor?.lot ?? lot, c.hand),
      ...takes(c.hand, makingOf(c.hand, length, clumps.length)),
      after: order,
      caution: say`Scissors away from the hand; fingers flat and out of the way of the needle on the mat.`,
    },
    {
      ...base,
      id: `lay-${area.id}`,
      kind: 'lay',
      does: say`Seat the strip along the middle of ${area.name}, ends tucked in; trim to the curve and compare left with right`,
      rows: 1,
      materials: madeReady(materials),
      passes: say`one pass deep from each side, one down the centre; tug: nothing comes out`,
      needlework: {
        ...rootRows(area.id, length, 20, 3, spec.anchorWidthMm, lot, c.hand),
        kind: 'deep',
        shows: false,
      },
      ...takes(c.hand, seatingOf(c.hand, length)),
      after: [{ id: `make-${area.id}`, why: say`The strip is made first.`, strength: Infinity }, ...order],
      caution: say`Deep stabs: eyes on the point of the needle, in and out on one line; mind the wire inside.`,
    },
  ];
}

const tooSmall = (c: LayContext<Strip>): Finding =>
  findingOf(
    c,
    'no-line',
    'stop',
    say`${c.area.name} is too small to hold a strip.`,
    say`The strip sits along the middle of its area; paint or band a longer one.`,
  );

export const strip: Way<Strip> = {
  method: 'strip',
  title: 'Strip made off the piece',
  unit: { one: 'strip', many: 'strips' },
  surface: 'teased',
  trimmed: 'in laying',
  takes: 'cut lengths',
  lengths: (s) => [
    ['at the hem end', s.startLengthMm],
    ['in the middle', s.middleLengthMm],
    ['at the top end', s.endLengthMm],
  ],
  moreLots: (s) => (s.anchorLotId === null ? [] : [s.anchorLotId]),
  lengthKeys: ['startLengthMm', 'middleLengthMm', 'endLengthMm'],
  longest: allowedBy,
  margins: [],
  goodFor: 'Manes and crests: made flat on the table where both hands are free, then seated as one.',
  costs: 'Quick to seat; needs a coarser wool for the anchor, and the join must be hidden.',
  suits: {
    'combed top': { suits: 'well', why: 'Clumps lie parallel and hang straight.' },
    'carded batt': { suits: 'badly', why: 'Its fibres lie every way: the mane looks like batting.' },
    locks: { suits: 'well', why: 'A mane of locks keeps its wave.' },
    'raw fleece': { suits: 'badly', why: 'It must be washed and dried first.' },
    yarn: { suits: 'possible', why: 'Unplied and combed it hangs in waves.' },
  },
  begin: ({ lot, cupboard, hand, finishedLengthMm: size, now }) => {
    const longest = Math.max(2, Math.floor((lot.stapleMm / 2 - hand.rootMm - 3) * 2) / 2);
    const middle = now ? half(now.lengthMm, 2, 300) : Math.min(half(0.12 * size, 2, 300), longest);
    const grippy = findWools(cupboard.lots, {
      near: lot.colour,
      finenessUm: { least: GRIPPY_UM },
      except: [lot.id],
    })[0];
    return {
      method: 'strip',
      lotId: lot.id,
      anchorLotId: grippy?.id ?? lot.id,
      startLengthMm: Math.max(2, half(middle * 0.6, 2, 300)),
      middleLengthMm: middle,
      endLengthMm: Math.max(2, half(middle * 0.7, 2, 300)),
      pitchMm: half(0.03 * size, 2, 30),
      layMgCm: 30,
      liftDeg: 30,
      anchorWidthMm: half(0.03 * size, 3, 20),
      leftShare: 1,
      rightShare: 1,
      overMm: 3,
    };
  },
  methods: [stripMass, stripWaste, stripCover, anchorMass],
  look,
  lay: (c) => {
    const { spec, lot, hand } = c;
    const made = stripOn(c);
    const { line, rows, lengthMm, at, clumps, anchor } = made;
    const figures = figuresOf(c, made);
    const mean = meanLength(spec);
    // To the side where more of it is left.
    const reach = Math.cos((spec.liftDeg * Math.PI) / 180) * Math.max(spec.leftShare, spec.rightShare);
    return {
      ...PLAIN_LAY,
      figures,
      docket: {
        sentence: [
          'Make a strip ',
          { figure: 'rowLength' },
          ` long of ${clumps.length} clumps. Anchor it on both faces, seat it along the middle, fix it deep from both sides.`,
        ],
        spacing: [],
        list: [
          { label: lot.name.toLowerCase(), figure: 'mass' },
          ...(anchor ? [{ label: `${anchor.lot.name.toLowerCase()}, anchor`, figure: 'anchor' }] : []),
          { label: 'to make and seat', figure: 'minutes' },
          { label: 'hidden under it', figure: 'cover' },
          { label: 'loft added', figure: 'loft' },
          { label: 'trimmed off', figure: 'waste' },
        ],
      },
      rows,
      chart: dressed(chartOf(rows.rows, c.shape.components, Math.max(4, spec.middleLengthMm)), {
        unit: strip.unit,
        tuft: { widthMm: spec.pitchMm, pitchMm: spec.pitchMm, staggered: false },
        tall: 1,
      }),
      coverMap: underStrip(c, line?.points ?? null, (share) => at(share) * reach, figures.cover.value),
      draws: [
        { lotId: lot.id, massG: figures.mass.value, for: 'coat' },
        ...(anchor ? [{ lotId: anchor.lot.id, massG: anchor.mass.value, for: 'anchor' as const }] : []),
      ],
      pile: {
        ...PLAIN_PILE,
        ...pileOfLot(lot, hand),
        hemMm: spec.middleLengthMm,
        topMm: spec.middleLengthMm,
        overMm: spec.overMm,
        liftDeg: spec.liftDeg,
        scatter: SCATTER,
        along: [0, 0.25, 0.5, 0.75, 1].map((x) => at(x) / spec.middleLengthMm),
        sides: { left: spec.leftShare, right: spec.rightShare },
      },
      trim: trimPlan(mean + spec.overMm, mean, (layOf(c) / mean / 10) * lengthMm),
      strip: {
        lengthMm,
        clumps,
        anchor: anchor && {
          lengthMm: lengthMm + ANCHOR_BEYOND,
          widthMm: spec.anchorWidthMm,
          massG: anchor.mass.value,
        },
        leftShare: spec.leftShare,
        rightShare: spec.rightShare,
      },
      findings: line ? findingsOf(c, rows) : [tooSmall(c)],
      operations: line ? operationsOf(c, figures, made) : [],
    };
  },
};

/** Cover of every triangle of the area: what the strip hides as far as it hangs, nothing beyond. */
function underStrip(
  c: LayContext<Strip>,
  line: Float64Array | null,
  reachAt: (share: number) => number,
  cover: number,
): Float32Array {
  const { patch } = c.shape;
  const n = line ? line.length / 3 : 0;
  return Float32Array.from({ length: patch.triangles.length / 3 }, (_, t) => {
    if (!line) return 0;
    const q = [0, 0, 0];
    for (let k = 0; k < 3; k++)
      for (let j = 0; j < 3; j++) q[j]! += patch.positions[3 * patch.triangles[3 * t + k]! + j]! / 3;
    let least = Infinity;
    let at = 0;
    for (let i = 0; i < n; i++) {
      const d = Math.hypot(line[3 * i]! - q[0]!, line[3 * i + 1]! - q[1]!, line[3 * i + 2]! - q[2]!);
      if (d < least) {
        least = d;
        at = i;
      }
    }
    return least <= reachAt(n > 1 ? at / (n - 1) : 0) ? cover : 0;
  });
}
