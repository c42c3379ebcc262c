/**
 * What pieces, sheet, wisps and velvet share: wool laid as a layer over the whole area and felted on. Mass, time and loft
 * of a layer, and the lay they make. Areas mm2, masses g.
 */
import { outOf } from '@/core/materials';
import { figure, letter, method, type Figure } from '@/core/method/define';
import type { Laid } from '@/core/piece/coat';
import type { Finding, Operation } from '@/core/stage';
import { joined, mgCm2, microns, say, type Text } from '@/core/text';
import { WELL } from '@/core/coat/cover/cover';
import { FLAT_SLANT, layeredCover, layerFigure, thinnestLayer, type FeltedLay } from '@/core/coat/cover/cover-layer';
import { HIDDEN, takes, type Docket } from '@/core/coat/chart/docket';
import { coverFindings, crowdFindings, rowFindings, woolFindings } from '@/core/coat/judgement';
import { tiesUnder, workOn } from '@/core/coat/operations';
import { PLAIN_PILE, type Pile } from '@/core/coat/picture/pile';
import { loftOf } from '@/core/coat/loft';
import { remedyOf } from '@/core/coat/remedy';
import { coverMapOf, dressed, pileOfLot, rowFigures, rowsFor } from '@/core/coat/rows/row-figures';
import { evenly } from '@/core/coat/rows/spacing';
import { ONE_STEP, stabs } from '@/core/coat/rows/row-work';
import type { Work } from '@/core/time/elements';
import { both, minutesOf, takes as timed, timeFigure, together } from '@/core/time/work-time';
import { forgottenPlaces } from '@/core/coat/techniques/sheet/sheet-cut';
import { PLAIN_LAY, shown, type Lay, type LayContext, type Look, type Spec } from '@/core/coat/way';

export type Felted = Extract<Laid, { arealMgCm2: number; layers: number }>;

const layerWool = method({
  id: 'layer-wool',
  title: 'Wool for the layer',
  formula: 'W = M A (1 + extra) (1 + loss) × a',
  inputs: {
    areal: letter('M', 'wool on a square cm, all layers', 'areal'),
    area: letter('A', 'area', 'area'),
    extra: letter('extra', 'beyond the area: anchoring, edges, what the reverse needle sheds', 'share'),
    loss: letter('loss', 'lost in handling', 'share'),
    habit: letter('a', 'laid over meant, from weighed swatches; 1 without', 'number', 'lay'),
  },
  result: letter('W', 'wool to take from the lot', 'mass'),
  source: 'Mass on the area and what goes beyond it.',
  basis: 'ours',
  of: ({ areal, area, extra, loss, habit }) => ((areal * area) / 100 / 1000) * (1 + extra) * (1 + loss) * habit,
});

const layerWaste = method({
  id: 'layer-waste',
  title: 'Lost in laying',
  formula: 'V = M A loss',
  inputs: {
    areal: letter('M', 'wool on a square cm, all layers', 'areal'),
    area: letter('A', 'area', 'area'),
    loss: letter('loss', 'lost in handling', 'share', 'lost'),
  },
  result: letter('V', 'lost wool', 'mass'),
  source: 'Nothing is trimmed; only handling loses wool.',
  basis: 'ours',
  of: ({ areal, area, loss }) => ((areal * area) / 100 / 1000) * loss,
});

const layerLoft = method({
  id: 'layer-loft',
  title: 'Thickness of the layer',
  formula: 'h = max(M / ρ, pile) × r',
  inputs: {
    areal: letter('M', 'wool on a square cm, all layers', 'areal', 'lay'),
    density: letter('ρ', 'density it ends up with', 'density'),
    pile: letter('pile', 'height of what stands up from it', 'length'),
    rise: letter('r', 'measured over worked out, from practice swatches; 1 without', 'number', 'stands'),
  },
  result: letter('h', 'thickness added', 'length'),
  source: 'Ours; a practice swatch measured with a rule corrects it.',
  basis: 'ours',
  of: ({ areal, density, pile, rise }) => rise * Math.max((areal / density) * 10, pile),
});

const layerCount = method({
  id: 'layer-count',
  title: 'Pieces',
  formula: 'k = layers × Σ over rows of ⌈row length / pitch⌉',
  inputs: {
    pieces: letter('Σ', 'pieces in one layer', 'count'),
    layers: letter('layers', 'layers', 'count'),
  },
  result: letter('k', 'pieces to lay', 'count'),
  source: 'Counting.',
  basis: 'ours',
  of: ({ pieces, layers }) => pieces * layers,
});

/** How a layer of this kind hides: fibres every way, or with the lie at a lift. */
const feltedLayOf = (s: Spec<Felted>): FeltedLay => ({
  arealMgCm2: s.spec.arealMgCm2 * s.habit,
  finenessUm: s.lot.finenessUm,
  finenessCv: s.lot.finenessCv,
  // More layers laid one over another even each other out.
  kappa: s.hand.spread[s.lot.form],
  unevenness: s.hand.unevenness / Math.sqrt(s.spec.layers),
});

/** Passes over the whole layer, shallow and quick. Ours. */
export const PASSES = 2;

export interface FeltedLook {
  /** Felted to a density with a pile raised from it, or lying as fur does. */
  readonly lies:
    | { readonly densityMgCm3: number; readonly pileMm: number }
    | { readonly densityMgCm3: number; readonly lengthMm: number; readonly liftDeg: number };
  readonly extra: number;
  readonly passes: number;
  readonly slant?: number;
  /** What drawing off and placing the wool of one layer takes on a square cm. */
  readonly placing: Work;
}

export function feltedLook(s: Spec<Felted>, x: FeltedLook): Look {
  const lay = feltedLayOf(s);
  return {
    cover: layerFigure(lay),
    slant: layerFigure(lay, x.slant ?? FLAT_SLANT),
    areal: figure(layerAreal, { areal: lay.arealMgCm2, layers: s.spec.layers }),
    ...('pileMm' in x.lies
      ? {
          loft: figure(layerLoft, {
            areal: lay.arealMgCm2,
            density: x.lies.densityMgCm3,
            pile: x.lies.pileMm,
            rise: s.rise,
          }),
        }
      : loftOf({ ...x.lies, arealMgCm2: lay.arealMgCm2, rise: s.rise })),
    takesMgCm2: lay.arealMgCm2 * (1 + x.extra) * (1 + s.hand.handlingLoss),
    minutesCm2: minutesOf(
      s.hand,
      both(stabs(s.hand, 100, x.passes), together([{ work: x.placing, share: s.spec.layers }])),
    ),
  };
}

const layerAreal = method({
  id: 'layer-areal',
  title: 'Wool on a square centimetre',
  formula: 'M = layers × M layer',
  inputs: {
    areal: letter('M', 'all layers together', 'areal', 'lay'),
    layers: letter('layers', 'layers', 'count'),
  },
  result: letter('M', 'wool on a square cm', 'areal'),
  source: 'As decided.',
  basis: 'ours',
  of: ({ areal }) => areal,
});

/** Formulas of every layer felted on. */
export const FELTED_METHODS = [layerWool, layerWaste, layerCount, layerAreal, layerLoft, layeredCover] as const;

/** Least weight of a first layer that hides the base. */
export const firstLayer = (s: Spec<Felted>): number => thinnestLayer(feltedLayOf(s), WELL);

interface FeltedParts<C extends Felted> {
  readonly look: FeltedLook;
  readonly unit: { readonly one: string; readonly many: string };
  /** Distance of the rows of pieces, and of the pieces along a row, mm. */
  readonly spacingMm: number;
  readonly pitchMm: number;
  readonly pieces: (rows: Lay['rows']) => number;
  /** What drawing off and placing so many pieces takes. */
  readonly placing: (pieces: number) => Work;
  readonly massExtraG: number;
  readonly does: (figures: Lay['figures']) => Text;
  readonly passes: Text;
  readonly needlework: Operation['needlework'];
  readonly caution: Text;
  readonly sentence: Docket['sentence'];
  /** What its time is for. */
  readonly doing: string;
  readonly pile: Partial<Pile> & Pick<Pile, 'hemMm' | 'liftDeg'>;
  readonly own?: Readonly<Record<string, Figure>>;
  readonly findings?: (rows: Lay['rows']) => readonly Finding[];
  readonly sheet?: Lay['sheet'];
  readonly after?: readonly Operation[];
  readonly set: (areal: number) => Partial<C>;
  readonly bricks: boolean;
  /** A later step of its own: its work, and the passes that belong to it. */
  readonly later?: { readonly work: Work; readonly passes: number };
  /** Laid in one go and not row by row. */
  readonly single?: boolean;
}

export function layFelted<C extends Felted>(c: LayContext<C>, p: FeltedParts<C>): Lay {
  const { spec, lot, hand } = c;
  const guides = rowsFor(c, evenly(p.spacingMm));
  const { chart } = guides;
  const middle = guides.rows.rows[Math.floor(guides.rows.rows.length / 2)];
  // What is laid in one go is one step at the bench; its line is where to begin.
  const rows =
    p.single && middle ? { ...guides.rows, rows: [{ ...middle, number: 1 }], totalMm: middle.lengthMm } : guides.rows;
  const l = feltedLook(c, p.look);
  const area = c.shape.patch.areaMm2;
  const pieces = figure(layerCount, { pieces: p.pieces(rows), layers: spec.layers });
  const mass = figure(layerWool, {
    areal: spec.arealMgCm2,
    area,
    extra: p.look.extra + (p.massExtraG * 1000 * 100) / (area * spec.arealMgCm2 || 1),
    loss: hand.handlingLoss,
    habit: c.habit,
  });
  const laying = both(
    ONE_STEP,
    p.placing(pieces.value),
    stabs(hand, area, p.look.passes - (p.later ? p.later.passes : 0)),
  );
  const minutes = timeFigure(hand, both(laying, p.later?.work ?? {}));
  const figures = {
    ...shown(l),
    ...rowFigures(c, rows),
    mass,
    waste: figure(layerWaste, { areal: spec.arealMgCm2, area, loss: hand.handlingLoss }),
    minutes,
    pieces,
    ...p.own,
  };
  const lay = feltedLayOf(c);
  const coverAt = (areal: number) => layerFigure({ ...lay, arealMgCm2: areal }).value;
  const least = thinnestLayer({ ...lay }, WELL) / c.habit;
  const needed = Math.ceil(least * 10 - 1e-6) / 10;
  return {
    ...PLAIN_LAY,
    figures,
    docket: {
      sentence: p.sentence,
      spacing: [p.spacingMm],
      list: [
        ...takes(lot.name, p.doing),
        ...HIDDEN,
        { label: 'loft added', figure: 'loft' },
        { label: 'lost', figure: 'waste' },
      ],
    },
    rows,
    chart: dressed(chart, {
      unit: p.unit,
      tuft: p.bricks ? { widthMm: p.pitchMm, pitchMm: p.pitchMm, staggered: true } : null,
      tall: p.bricks ? 1 : 0,
    }),
    // A layer is as thick where rows of pieces gape as the maker lays it: it only thins with them.
    coverMap: coverMapOf(c, { varies: false, laid: null }, (gape) =>
      coverAt(lay.arealMgCm2 / Math.max(1, Math.sqrt(gape))),
    ),
    draws: [{ lotId: lot.id, massG: mass.value, for: 'coat' }],
    pile: { ...PLAIN_PILE, ...pileOfLot(lot, hand), topMm: p.pile.hemMm, scattered: true, ...p.pile },
    trim: null,
    sheet: p.sheet ?? null,
    findings: [
      ...woolFindings(c),
      ...coverFindings(
        c,
        l,
        say`${mgCm2(lay.arealMgCm2)} is too thin a layer of ${microns(lot.finenessUm)} wool.`,
        needed > spec.arealMgCm2 ? [remedyOf(c, say`Lay ${mgCm2(needed)}`, p.set(needed))] : [],
      ),
      ...crowdFindings(c, l),
      ...rowFindings(
        c,
        rows,
        p.spacingMm,
        (g) => coverAt(lay.arealMgCm2 / Math.sqrt(g)),
        () => null,
      ).filter((f) => f.code === 'coat-winds' || f.code === 'coat-stray'),
      ...(p.findings?.(rows) ?? []),
    ],
    operations: [
      {
        ...workOn(c, null, outOf(lot, mass.value, 'coat')),
        id: `lay-${c.area.id}`,
        kind: 'lay',
        does: p.does(figures),
        rows: rows.rows.length,
        passes: p.passes,
        needlework: p.needlework,
        ...timed(hand, laying),
        after: tiesUnder(c),
        caution: p.caution,
      },
      ...(p.after ?? []),
    ],
  };
}

/** A step that looks over the places a flat layer leaves bare: armpits, knees, the nape. */
export function inspection(c: LayContext<Felted>, why: Text): Operation[] {
  const places = forgottenPlaces(c.shape, c.body);
  if (places.length === 0) return [];
  return [
    {
      ...workOn(c, null, []),
      id: `check-${c.area.id}`,
      kind: 'check',
      does: say`Look for bare core and patch it: ${joined(places)}`,
      rows: 0,
      passes: null,
      needlework: null,
      ...timed(c.hand, both(ONE_STEP, { bareCheck: 1 })),
      after: [{ id: `lay-${c.area.id}`, why, strength: Infinity }],
      caution: null,
    },
  ];
}
