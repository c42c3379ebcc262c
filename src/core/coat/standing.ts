/**
 * Standing rows (plush): laid like folded rows but not folded, so both halves rise, splay and are trimmed to an even
 * pile. Fluffing lowers the mean lift and hides the base; wasteful, so the offcuts are kept. A band or a pinch of another
 * colour laid into a row shows as a stripe or a spot.
 */
import { figure, letter, method } from '@/core/method/define';
import type { Marking, Standing } from '@/core/piece/coat';
import type { Lot } from '@/core/piece/cupboard';
import type { Finding, Remedy } from '@/core/stage';
import { count, degrees, grams, mgCm, mm, say } from '@/core/text';
import { rootRows } from '@/core/stabbing';
import { slantFactor } from './cover-slant';
import { standingCovers, standingFigure } from './cover-standing';
import { edgeOf } from './enough';
import { arealMass, fibresPerMm } from './fibre';
import { furLoft, layMass } from './fold-over-methods';
import { half } from './fold-over';
import { coverFindings, rootFindings, rowFindings, stapleFindings, woolFindings } from './judgement';
import { cutThenLay } from './operations';
import { PLAIN_PILE } from './pile';
import { findingOf, remedyOf } from './remedy';
import { coverMapOf, dressed, pileOfLot, piecesAlong, rowFigures, rowsFor } from './row-figures';
import type { RowSet } from './rows';
import {
  bandReach,
  blurMm,
  carryingRows,
  LOST,
  SAFE,
  spotDiameter,
  STAB_WIDTH,
  stripeWidth,
  type Sandwich,
} from './sandwich';
import { trimPlan } from './trim';
import { shown, type Draw, type LayContext, type Look, type Spec, type Way } from './way';
import { WELL } from './cover';

export const standingCut = method({
  id: 'cut-standing',
  title: 'Cut length for a standing lay',
  formula: 'c = 2 (L + root + o)',
  inputs: {
    length: letter('L', 'finished length of each half', 'length'),
    root: letter('root', 'taken by the needling, each half', 'length'),
    over: letter('o', 'left on each half for trimming', 'length'),
  },
  result: letter('c', 'cut length', 'length'),
  source: 'Both halves rise; each is as long as the pile and what is trimmed.',
  basis: 'common practice',
  of: ({ length, root, over }) => 2 * (length + root + over),
});

export const plushWaste = method({
  id: 'plush-waste',
  title: 'Cut off in trimming',
  formula: 'W = m ℓ o / L',
  inputs: {
    lay: letter('m', 'laid wool on a cm of row, as trimmed', 'linear'),
    rows: letter('ℓ', 'length of all rows', 'rowLength'),
    over: letter('o', 'left on each half for trimming', 'length'),
    length: letter('L', 'finished length', 'length'),
  },
  result: letter('W', 'offcuts', 'mass'),
  source: 'Both free ends beyond the finished length: far more than for folded rows.',
  basis: 'ours',
  of: ({ lay, rows, over, length }) => (((lay * rows) / 10) * (over / length)) / 1000,
});

export const standingMinutes = method({
  id: 'standing-minutes',
  title: 'Time to lay and trim',
  formula: 't = ℓ × stabs per cm × passes / rate + k × t pinch + A × t trim',
  inputs: {
    rows: letter('ℓ', 'length of all rows', 'rowLength'),
    stabs: letter('stabs', 'stabs on a cm of row in one pass', 'perCm'),
    passes: letter('passes', 'passes along the middle', 'count'),
    rate: letter('rate', 'stabs a minute', 'rate'),
    pinches: letter('k', 'pinches of wool', 'count'),
    pinch: letter('t pinch', 'drawing, cutting and placing one pinch', 'time'),
    area: letter('A', 'area', 'area'),
    trim: letter('t trim', 'teasing and trimming a square cm', 'time'),
  },
  result: letter('t', 'time to lay and trim', 'time'),
  source: 'Passes: common practice. Rates: ours until the log has the maker’s own.',
  basis: 'ours',
  of: (x) => ((x.rows / 10) * x.stabs * x.passes) / x.rate + x.pinches * x.pinch + (x.area / 100) * x.trim,
});

/** A pinch of wool drawn for a standing row, mm of row. Ours. */
const PINCH = 10;
/** Depth the band is pushed into the core, mm. Ours. */
const DEPTH = 3;
/** Scatter of a cut pile, radians. Ours. */
const SCATTER = 0.12;

const layOf = (s: Spec<Standing>) => s.spec.layMgCm * s.habit;
const endsOf = (s: Spec<Standing>) =>
  fibresPerMm.of({ lay: layOf(s), length: s.spec.lengthMm, fineness: s.lot.finenessUm, cv: s.lot.finenessCv });

const inputsOf = (s: Spec<Standing>, slant: number) => ({
  ends: endsOf(s),
  fineness: s.lot.finenessUm,
  length: s.spec.lengthMm,
  lift: s.spec.liftDeg,
  spacing: s.spec.spacingMm,
  slant,
  kappa: s.hand.spread[s.lot.form],
  unevenness: s.hand.unevenness,
});

function look(s: Spec<Standing>): Look {
  const { spec, hand } = s;
  const areal = figure(arealMass, { lay: layOf(s), spacing: spec.spacingMm });
  const cut = 2 * (spec.lengthMm + hand.rootMm + spec.overMm);
  return {
    cover: standingFigure(inputsOf(s, 1)),
    slant: standingFigure(inputsOf(s, slantFactor(spec.liftDeg, true))),
    areal,
    loft: figure(furLoft, {
      length: spec.lengthMm,
      lift: spec.liftDeg,
      areal: areal.value,
      density: hand.loftDensityMgCm3,
      rise: s.rise,
    }),
    takesMgCm2: (areal.value * cut * (1 + hand.handlingLoss)) / (2 * spec.lengthMm),
    minutesCm2:
      (10 / spec.spacingMm) *
        ((hand.stabsPerCm * (hand.passesLine + hand.passesFold)) / hand.stabsPerMinute +
          (10 / PINCH) * hand.minutesPerPinch) +
      hand.trimMinutesPerCm2,
  };
}

const coverOf = (s: Spec<Standing>): number => standingCovers.of(inputsOf(s, 1));

/** Half angle the rising pile fans to, degrees from upright. */
export const fanOf = (liftDeg: number): number => 90 - liftDeg;

/** What a marking looks like once trimmed, with the rows that carry it; null without one or without its wool. */
export function sandwichOf(c: LayContext<Standing>, rows: RowSet): { plan: Sandwich; lot: Lot; draw: Draw } | null {
  const { spec } = c;
  const m: Marking = spec.marking;
  if (m.kind === 'none') return null;
  const lot = c.cupboard.lots.find((l) => l.id === m.lotId);
  if (!lot) return null;
  const carried = carryingRows(rows.rows, m.from, m.to, m.every);
  const length = rows.rows.filter((r) => carried.includes(r.number)).reduce((s, r) => s + r.lengthMm, 0);
  const height = spec.lengthMm * Math.sin((spec.liftDeg * Math.PI) / 180);
  const fan = fanOf(spec.liftDeg);
  const common = {
    groundColour: c.lot.colour,
    markingColour: lot.colour,
    heightMm: height,
    spacingMm: spec.spacingMm,
    fanDeg: fan,
    blurMm: blurMm(height, SCATTER),
    rows: carried,
  };
  if (m.kind === 'stripe') {
    const widthMm = stripeWidth.of({
      share: m.share,
      fan,
      height,
      stab: STAB_WIDTH,
      domed: m.cut === 'domed' ? 1 : 0,
      pitch: spec.spacingMm,
    });
    return {
      plan: { ...common, kind: 'stripe', share: m.share, widthMm, cut: m.cut },
      lot,
      draw: {
        lotId: lot.id,
        massG:
          ((layOf(c) * m.share * length) / 10 / 1000) *
          ((spec.lengthMm + c.hand.rootMm + spec.overMm) / spec.lengthMm) *
          (1 + c.hand.handlingLoss),
      },
    };
  }
  const arealMgMm2 = layOf(c) / spec.spacingMm / 10;
  return {
    plan: {
      ...common,
      kind: 'spot',
      share: 1,
      widthMm: spotDiameter.of({ pinch: m.pinchMgMm, width: m.pinchWidthMm, areal: arealMgMm2 }),
      cut: 'flat',
    },
    lot,
    draw: {
      lotId: lot.id,
      massG:
        ((Math.floor(length / m.pitchMm) * m.pinchMgMm * m.pinchWidthMm) / 1000) *
        ((spec.lengthMm + c.hand.rootMm + spec.overMm) / spec.lengthMm) *
        (1 + c.hand.handlingLoss),
    },
  };
}

function findingsOf(c: LayContext<Standing>, rows: RowSet, s: Sandwich | null, cut: number): Finding[] {
  const { spec, lot, hand } = c;
  const l = look(c);
  const allowed = Math.floor((lot.stapleMm / 2 - hand.rootMm - spec.overMm) * 2) / 2;
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
  const out: Finding[] = [
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
      l.cover.value,
      l.slant.value,
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
  ];
  const m = spec.marking;
  if (m.kind !== 'none' && !c.cupboard.lots.some((x) => x.id === m.lotId)) {
    out.push(
      findingOf(
        c,
        'no-marking-wool',
        'stop',
        say`The wool for the marking of ${c.area.name} is not in the cupboard.`,
        say`Without it nothing can be said of its width.`,
      ),
    );
  }
  if (s && m.kind !== 'none') {
    if (s.rows.length === 0) {
      out.push(
        findingOf(
          c,
          'marking-nowhere',
          'caution',
          say`No row carries the marking.`,
          say`Between its start and its end lies no row of this spacing.`,
          [remedyOf(c, say`Carry it over the whole area`, { marking: { ...m, from: 0, to: 1 } })],
        ),
      );
    }
    if (s.blurMm > LOST * s.widthMm) {
      out.push(
        findingOf(
          c,
          'marking-lost',
          'stop',
          say`The ${s.kind} is lost: it would be ${mm(s.widthMm)} wide, its edges are blurred over ${mm(s.blurMm)}.`,
          say`Fibres of a pile ${mm(s.heightMm)} high scatter more than the marking is wide. Trim the pile shorter or lay a wider band.`,
        ),
      );
    } else if (s.blurMm > SAFE * s.widthMm) {
      out.push(
        findingOf(
          c,
          'marking-soft',
          'note',
          say`The ${s.kind} will have soft edges: ${mm(s.widthMm)} wide, blurred over ${mm(s.blurMm)}.`,
          say`Fibres scatter as they rise; a shorter pile keeps it crisper.`,
        ),
      );
    }
    if (m.kind === 'stripe') {
      const need = bandReach(s.heightMm, m.share, s.fanDeg, DEPTH);
      const have = spec.lengthMm + c.hand.rootMm + spec.overMm;
      if (need > have + 1e-9) {
        out.push(
          findingOf(
            c,
            'marking-short',
            'caution',
            say`The band does not reach the surface: each half needs ${mm(need)}, it is ${mm(have)}.`,
            say`The outer fibres of the fan run aslant and need more length; leave more for trimming.`,
            [
              remedyOf(c, say`Leave ${mm(Math.ceil((spec.overMm + need - have) * 2) / 2)} for trimming`, {
                overMm: Math.ceil((spec.overMm + need - have) * 2) / 2,
              }),
            ],
          ),
        );
      }
    }
  }
  return out;
}

export const standing: Way<Standing> = {
  method: 'standing',
  title: 'Standing rows',
  unit: { one: 'row', many: 'rows' },
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
    const length = Math.min(
      half(now?.lengthMm ?? 0.05 * size, 1, 200),
      Math.max(1, Math.floor((lot.stapleMm / 2 - hand.rootMm) / 1.5)),
    );
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
  look,
  lay: (c) => {
    const { spec, lot, hand } = c;
    const { rows, chart } = rowsFor(c, { hemMm: spec.spacingMm, topMm: spec.spacingMm });
    const marking = sandwichOf(c, rows);
    const cut = figure(standingCut, { length: spec.lengthMm, root: hand.rootMm, over: spec.overMm });
    const mass = figure(layMass, {
      lay: spec.layMgCm,
      rows: rows.totalMm,
      cut: cut.value,
      length: spec.lengthMm,
      loss: hand.handlingLoss,
      habit: c.habit,
    });
    const pinches = piecesAlong(rows, PINCH);
    const minutes = figure(standingMinutes, {
      rows: rows.totalMm,
      stabs: hand.stabsPerCm,
      passes: hand.passesLine + hand.passesFold,
      rate: hand.stabsPerMinute,
      pinches,
      pinch: hand.minutesPerPinch,
      area: c.shape.patch.areaMm2,
      trim: hand.trimMinutesPerCm2,
    });
    const waste = figure(plushWaste, { lay: layOf(c), rows: rows.totalMm, over: spec.overMm, length: spec.lengthMm });
    const width =
      spec.marking.kind === 'none' || !marking
        ? null
        : spec.marking.kind === 'stripe'
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
              areal: layOf(c) / spec.spacingMm / 10,
            });
    const figures = {
      ...shown(look(c)),
      ...rowFigures(c, rows),
      cutLength: cut,
      mass,
      waste,
      minutes,
      ...(width ? { marking: width } : {}),
    };
    const carries =
      marking && marking.plan.rows.length > 0
        ? marking.plan.kind === 'stripe'
          ? say`; rows ${rowsInWords(marking.plan.rows)} carry a band of ${marking.lot.name} flat across their middle`
          : say`; rows ${rowsInWords(marking.plan.rows)} carry a twisted pinch of ${marking.lot.name} in their middle`
        : say``;
    const operations = cutThenLay(c, {
      cutLengthMm: cut.value,
      massG: mass.value,
      cut: {
        does: say`Cut ${lot.name} into ${mm(cut.value)} lengths for ${c.area.name}`,
        minutes: Math.max(2, mass.value * 2),
      },
      lay: {
        does: say`Lay ${count(rows.rows.length)} standing rows ${mm(spec.spacingMm)} apart on ${c.area.name}${carries}; fluff and trim to ${mm(spec.lengthMm)}`,
        rows: rows.rows.length,
        passes: say`${count(hand.passesLine + hand.passesFold)} passes along the middle; both halves rise`,
        needlework: rootRows(
          c.area.id,
          rows.totalMm,
          spec.layMgCm * c.habit,
          hand.passesLine + hand.passesFold,
          spec.spacingMm,
          lot,
          hand,
        ),
        minutes: minutes.value,
        caution: say`Eyes on the point of the needle, fingers flat and out of its way. Bag the colours beside it before you trim, ${grams(waste.value)} of offcuts fly.`,
      },
    });
    return {
      figures,
      docket: {
        sentence: [
          'Cut ',
          { figure: 'cutLength' },
          ' lengths. Lay ',
          { figure: 'rows' },
          rows.rows.length === 1 ? ' row' : ' rows ',
          ...(rows.rows.length === 1 ? [] : [{ spacing: true } as const, ' apart']),
          ', both halves up; fluff and trim.',
          ...(width
            ? [
                spec.marking.kind === 'stripe' ? ' The stripe comes out ' : ' Spots come out ',
                { figure: 'marking' } as const,
                ' wide.',
              ]
            : []),
        ],
        spacing: [spec.spacingMm],
        list: [
          { label: 'of rows', figure: 'rowLength' },
          { label: lot.name.toLowerCase(), figure: 'mass' },
          { label: 'to lay and trim', figure: 'minutes' },
          { label: 'base hidden', figure: 'cover' },
          { label: 'hidden aslant', figure: 'slant' },
          { label: 'trimmed off', figure: 'waste' },
          { label: 'loft added', figure: 'loft' },
          { label: 'of pile', figure: 'areal' },
        ],
      },
      rows,
      chart: dressed(chart, {
        marking: marking
          ? {
              colour: marking.lot.colour,
              rows: marking.plan.rows,
              pitchMm: spec.marking.kind === 'spot' ? spec.marking.pitchMm : null,
            }
          : null,
      }),
      coverMap: coverMapOf(c, false, (gape) => coverOf({ ...c, spec: { ...spec, spacingMm: spec.spacingMm * gape } })),
      draws: [
        { lotId: lot.id, massG: Math.max(0, mass.value - (marking?.draw.massG ?? 0)) },
        ...(marking ? [marking.draw] : []),
      ],
      pile: {
        ...PLAIN_PILE,
        ...pileOfLot(lot, hand),
        hemMm: spec.lengthMm,
        topMm: spec.lengthMm,
        overMm: spec.overMm,
        liftDeg: spec.liftDeg,
        splayed: true,
        marking: marking
          ? {
              colour: marking.lot.colour,
              rows: marking.plan.rows,
              halfWidthMm: marking.plan.widthMm / 2,
              pitchMm: spec.marking.kind === 'spot' ? spec.marking.pitchMm : null,
            }
          : null,
      },
      trim: trimPlan(spec.lengthMm + spec.overMm, spec.lengthMm, (layOf(c) / spec.lengthMm / 10) * rows.totalMm),
      sandwich: marking?.plan ?? null,
      strip: null,
      sheet: null,
      seats: [],
      findings: findingsOf(c, rows, marking?.plan ?? null, cut.value),
      operations,
    };
  },
};

/** 3, 5 to 9, 12 … */
export function rowsInWords(rows: readonly number[]): string {
  const out: string[] = [];
  for (let i = 0; i < rows.length; i++) {
    let j = i;
    while (j + 1 < rows.length && rows[j + 1] === rows[j]! + 1) j++;
    out.push(j - i >= 2 ? `${rows[i]} to ${rows[j]}` : rows.slice(i, j + 1).join(', '));
    i = j;
  }
  return out.join(', ');
}
