/**
 * One area worked out: its layers over the core, the markings that lie on it over or under its coat, what is seen after each
 * and on every place of it, and what each takes.
 */
import { timeFigure, type TimeFigure } from '@/core/time/work-time';
import type { AreaShape } from '@/core/coat/rows/area-shape';
import type { AreaPlan } from '@/core/coat/coat-plan';
import { difference } from '@/core/colour/difference';
import { labOf, labOfLinear, type Triple } from '@/core/colour/lab';
import { hexOfCurve, labOfCurve, linearOfCurve, reflectanceOf } from '@/core/colour/reflectance';
import { hexOf } from '@/core/colour/rgb';
import type { FormWork } from '@/core/form/form';
import { figure, type Figure } from '@/core/method/define';
import type { Cupboard } from '@/core/piece/cupboard';
import type { Hand } from '@/core/piece/hand';
import type { Area } from '@/core/piece/schema';
import type { PieceMarking } from '@/core/piece/shade';
import { amountOf, type Amount } from './amount';
import { vertexAreas } from '@/core/geometry/mesh';
import { coverAtDepth, fieldOf, onPatch, strayOf } from './fields';
import { readyLayers, type Coated, type Missing, type ReadyLayer } from './layers';
import { lookOf, stepped, unstepped, type Look, type ShadeField } from './look';
import type { MarkingOnSkin } from '@/core/shade/markings/marking-shape';
import { recipeWords } from '@/core/wool/recipe';
import { layerOfColour, layerWork, wispLength } from '@/core/shade/shade-methods';
import { over, presence, seenAfter } from './stack';
import { veilLayers } from './veil';
import { weightedPercentile } from '@/core/percentile';
import { CLEAR, inWords } from '@/core/shade/words';

/** A marking counts where it lies at least this share of its most. Ours. */
const MOST_OF_IT = 0.9;

export interface LayerPlan {
  readonly id: string;
  /** The layer of the piece it comes from. */
  readonly layerId: string;
  readonly says: ReadyLayer['says'];
  /** Its wool, by parts where it is a blend. */
  readonly wool: string;
  readonly amount: Amount | null;
  readonly arealMgCm2: number;
  readonly layers: Figure | null;
  readonly mass: Figure | null;
  readonly minutes: TimeFigure | null;
  readonly areaMm2: number;
  /** Share of the surface it takes where it is full; for flecks and raised tufts. */
  readonly share: number | null;
  /** Share of what lies below that it stands in front of where it is full. */
  readonly hides: number;
  readonly ownHex: string;
  readonly seenHex: string;
  /** How far what is seen is from its own colour, CIEDE2000. */
  readonly showsBy: number;
  /** Where several wools are blended: what each weighs, g. */
  readonly parts: readonly { readonly lotId: string; readonly name: string; readonly massG: number }[];
  /** How long its wisps are drawn off, mm; null where nothing is laid. */
  readonly wispMm: number | null;
}

export interface ShadedArea {
  readonly id: string;
  readonly name: string;
  readonly groundHex: string;
  readonly layers: readonly LayerPlan[];
  /** Seen where every layer is full and no marking lies: the section through all of them. */
  readonly fullHex: string;
  /** The mean over all of the area, with its markings and as much of every layer as lies at each place: what it is judged by. */
  readonly meanHex: string;
  readonly meanLab: Triple;
  /** How far nine tenths of it are from the mean at most, CIEDE2000; and whether it counts as one colour. */
  readonly spread: number;
  readonly oneColour: boolean;
  readonly wantedHex: string | null;
  /** Difference to the wanted colour, and in words. */
  readonly off: number | null;
  readonly offWords: string | null;
  /** Null for an area that lies nowhere. */
  readonly field: ShadeField | null;
}

/** A marking as it lies on one area. */
interface MarkingHere {
  readonly areaMm2: number;
  readonly layers: readonly LayerPlan[];
  /** What is seen of it, and of the area without it at the same places. */
  readonly seenHex: string;
  readonly underHex: string;
}

export interface AreaWork {
  readonly shaded: ShadedArea;
  readonly ready: readonly ReadyLayer[];
  /** One for each marking; null where it does not lie here. */
  readonly markings: readonly (MarkingHere | null)[];
  readonly missing: readonly Missing[];
}

interface AreaToShade {
  readonly area: Area;
  /** Null for bare core. */
  readonly coated: Coated | null;
  /** Null for an area that lies nowhere. */
  readonly shape: AreaShape | null;
  readonly form: FormWork;
  readonly groundHex: string;
  readonly markings: readonly PieceMarking[];
  readonly onSkin: readonly MarkingOnSkin[];
  readonly stock: Pick<Cupboard, 'lots' | 'blends'>;
  readonly hand: Hand;
  readonly seed: number;
}

export function shadeArea(c: AreaToShade): AreaWork {
  const { area, shape, stock, hand } = c;
  const ground = reflectanceOf(c.groundHex);
  const own = readyLayers(area.shade.layers, c.coated, stock, hand);
  const coatAt = own.list.findIndex((l) => l.says === 'coat');
  const below = own.list.filter((l) => l.says === 'coat' || l.says === 'veil').at(-1)?.recipe ?? null;
  const areas = shape ? vertexAreas(shape.patch) : new Float64Array(0);
  const full = (list: readonly ReadyLayer[]) =>
    seenAfter(
      ground,
      list.map((l) => l.stack),
      list.map(() => 1),
    );
  const fieldHere = (l: ReadyLayer) =>
    shape ? fieldOf(l.where, shape, c.form.body, c.form.skin) : new Float64Array(0);
  const steps = full(own.list);
  const fields = own.list.map(fieldHere);
  const describe = (l: ReadyLayer, field: Float64Array, after: Float64Array) => layerPlan(l, field, after, areas, c);
  const marks = c.markings.map((m, k) => {
    const cover = shape && coverOf(m, c.onSkin[k]!, shape, c.form.skin.edgeMm, c.seed);
    if (!cover) return null;
    const { list } = readyLayers(m.layers, null, stock, hand, below);
    const at = m.under && coatAt >= 0 ? coatAt : own.list.length;
    return { list, at, cover, fields: list.map((l) => fieldHere(l).map((x, v) => x * cover[v]!)) };
  });
  /** The layers of the area with those of some markings put in, each at its place. */
  const withMarks = <T>(mine: readonly T[], put: (k: number) => readonly T[]): T[] => [
    ...mine.flatMap((x, i) => [...marks.flatMap((m, k) => (m?.at === i ? put(k) : [])), x]),
    ...marks.flatMap((m, k) => (m?.at === mine.length ? put(k) : [])),
  ];
  /** Where a marking lies whole: what is seen with it and, at the same places, without any marking. */
  const seenOnMarking = (k: number): Pick<MarkingHere, 'seenHex' | 'underHex'> => {
    const { list, cover } = marks[k]!;
    const most = Math.max(...cover);
    const weight = cover.map((x, v) => (x >= MOST_OF_IT * most ? areas[v]! : 0));
    const whole = list.map((l) => fieldHere(l));
    return {
      seenHex: hexOf(
        meanSeen(
          ground,
          withMarks(own.list, (i) => (i === k ? list : [])),
          withMarks(fields, (i) => (i === k ? whole : [])),
          weight,
        ),
      ),
      underHex: hexOf(meanSeen(ground, own.list, fields, weight)),
    };
  };
  const markings = marks.map((m, k): MarkingHere | null => {
    if (!m) return null;
    let under = steps[m.at]!;
    return {
      areaMm2: m.cover.reduce((s, x, v) => s + x * areas[v]!, 0),
      layers: m.list.map((l, j) => {
        under = over(l.stack, under, 1);
        return describe(l, m.fields[j]!, under);
      }),
      ...seenOnMarking(k),
    };
  });
  const field = shape
    ? looksOver(
        ground,
        withMarks(own.list, (k) => marks[k]!.list),
        withMarks(fields, (k) => marks[k]!.fields),
        areas.length,
      )
    : null;
  const judged = field ? judgedOver(field, areas) : { mean: linearOfCurve(steps.at(-1)!), spread: 0 };
  const meanLab = labOfLinear(judged.mean);
  const wanted = area.shade.wanted;
  return {
    shaded: {
      id: area.id,
      name: area.name,
      groundHex: c.groundHex,
      layers: own.list.map((l, k) => describe(l, fields[k]!, steps[k + 1]!)),
      fullHex: hexOfCurve(steps.at(-1)!),
      meanHex: hexOf(judged.mean),
      meanLab,
      spread: judged.spread,
      oneColour: judged.spread <= CLEAR,
      wantedHex: wanted,
      off: wanted === null ? null : difference(labOf(wanted), meanLab),
      offWords: wanted === null ? null : inWords(labOf(wanted), meanLab),
      field,
    },
    ready: own.list,
    markings,
    missing: own.missing,
  };
}

/** The coat with its wool as it is laid, tips kept, opened or cut; null for bare core. */
export function coatedOf(area: Area, plan: AreaPlan, cupboard: Cupboard): Coated | null {
  const lot = area.coat.method === 'none' ? undefined : cupboard.lots.find((l) => l.id === plan.fur?.lotId);
  if (!plan.fur || !lot) return null;
  const { tipColour, tipShare } = plan.fur.pile;
  return { lot: { ...lot, tipColour, tipShare }, cover: plan.fur.figures.cover.value };
}

/** How much of every vertex a marking covers; null where it does not touch the area. */
function coverOf(
  m: PieceMarking,
  on: MarkingOnSkin,
  shape: AreaShape,
  edgeMm: number,
  seed: number,
): Float64Array | null {
  const { raggedMm, softMm } = m.border;
  const soft = Math.max(softMm, 0.8 * edgeMm);
  const cover = onPatch(on.depth, shape).map((d, v) =>
    d < -raggedMm - soft ? 0 : coverAtDepth(d + strayOf(shape.patch.positions, v, raggedMm, seed), soft),
  );
  return cover.some((x) => x > 0) ? cover : null;
}

function layerPlan(
  l: ReadyLayer,
  field: Float64Array,
  after: Float64Array,
  areas: Float64Array,
  { stock, hand }: Pick<AreaToShade, 'stock' | 'hand'>,
): LayerPlan {
  const areaMm2 = field.reduce((s, f, v) => s + f * areas[v]!, 0);
  const laid = l.says !== 'coat';
  const { mix } = l;
  const mass =
    laid && mix ? figure(layerOfColour, { areal: l.arealMgCm2, area: areaMm2, loss: hand.handlingLoss }) : null;
  return {
    id: l.id,
    layerId: l.layer.id,
    says: l.says,
    wool: recipeWords(l.recipe, stock.lots),
    amount: laid && l.stack.layers !== null ? amountOf(l.stack.layers) : null,
    arealMgCm2: l.arealMgCm2,
    layers:
      laid && l.stack.layers !== null && mix
        ? figure(veilLayers, { areal: l.arealMgCm2, layer: mix.m1, kappa: mix.kappa, field: 1 })
        : null,
    mass,
    minutes: laid ? timeFigure(hand, layerWork(hand, areaMm2, !mix)) : null,
    areaMm2,
    share: l.stack.layers === null ? l.stack.share : null,
    hides: presence(l.stack, 1),
    ownHex: l.ownHex,
    seenHex: hexOfCurve(after),
    showsBy: difference(labOfCurve(l.stack.curve), labOfCurve(after)),
    parts:
      mass && mix ? mix.parts.map((p) => ({ lotId: p.lot.id, name: p.lot.name, massG: p.share * mass.value })) : [],
    wispMm: laid && mix ? wispLength(mix.parts.map((p) => p.lot)) : null,
  };
}

/** A look for every vertex, made once for each combination of fields. */
function looksOver(
  ground: Float64Array,
  layers: readonly ReadyLayer[],
  fields: readonly Float64Array[],
  n: number,
): ShadeField {
  const looks: Look[] = [];
  const known = new Map<string, number>();
  const a = new Uint16Array(n);
  for (let v = 0; v < n; v++) {
    const steps = fields.map((f) => stepped(f[v]!));
    const key = steps.join();
    let look = known.get(key);
    if (look === undefined) {
      look = looks.push(lookOf(ground, layers, steps.map(unstepped))) - 1;
      known.set(key, look);
    }
    a[v] = look;
  }
  return { looks, a, b: a, t: new Float32Array(n) };
}

/** The mean of what is seen, by weights of the vertices; linear light. */
function meanSeen(
  ground: Float64Array,
  layers: readonly ReadyLayer[],
  fields: readonly Float64Array[],
  weight: Float64Array,
): Triple {
  const stack = layers.map((l) => l.stack);
  const known = new Map<string, Triple>();
  const sum: [number, number, number] = [0, 0, 0];
  let whole = 0;
  weight.forEach((w, v) => {
    if (w <= 0) return;
    const steps = fields.map((f) => stepped(f[v]!));
    const key = steps.join();
    let seen = known.get(key);
    if (!seen) {
      seen = linearOfCurve(seenAfter(ground, stack, steps.map(unstepped)).at(-1)!);
      known.set(key, seen);
    }
    whole += w;
    for (let i = 0; i < 3; i++) sum[i]! += w * seen[i]!;
  });
  return sum.map((x) => Math.max(0, Math.min(1, x / (whole || 1)))) as unknown as Triple;
}

/** The mean colour of an area and how far nine tenths of it are from it at most. */
function judgedOver(field: ShadeField, areas: Float64Array): { readonly mean: Triple; readonly spread: number } {
  const byLook = new Float64Array(field.looks.length);
  field.a.forEach((look, v) => (byLook[look]! += areas[v]!));
  const whole = byLook.reduce((s, x) => s + x, 0) || 1;
  const mean = [0, 1, 2].map((k) =>
    field.looks.reduce((s, l, i) => s + (byLook[i]! / whole) * l.seen[k]!, 0),
  ) as unknown as Triple;
  const lab = labOfLinear(mean);
  const far = Float64Array.from(field.looks, (l) => difference(lab, labOfLinear(l.seen)));
  return { mean, spread: field.looks.length > 1 ? weightedPercentile(far, byLook, 0.9) : 0 };
}
