/**
 * The shade stage: every area as a stack of layers over the core, with markings laid over or under its coat; what is seen
 * after each layer and on every place, what it takes of every wool, what does not come out as meant, and the work.
 */
import type { CoatPlan } from '@/core/coat/coat';
import type { ShapedAreas } from '@/core/coat/coat';
import { difference } from '@/core/colour/difference';
import { labOf, labOfLinear, type Triple } from '@/core/colour/lab';
import { hexOfCurve, labOfCurve, reflectanceOf } from '@/core/colour/reflectance';
import { hexOf } from '@/core/colour/rgb';
import type { FormWork } from '@/core/form/form';
import type { Memo } from '@/core/memo';
import { figure, type Figure } from '@/core/method/define';
import type { Cupboard } from '@/core/piece/cupboard';
import type { Hand } from '@/core/piece/hand';
import type { Piece } from '@/core/piece/schema';
import type { Recipe } from '@/core/piece/shade';
import type { Finding, Operation, Stage } from '@/core/stage';
import { amountOf, type Amount } from './amount';
import { borders } from './borders';
import { fieldOf, onPatch, vertexAreas, coverAtDepth, noise } from './fields';
import { judgePiece, type Judged } from './judge';
import { layerFindings, missingFinding } from './layer-findings';
import { readyLayers, type ReadyLayer } from './layers';
import { lookOf, stepped, unstepped, type Look, type ShadeField } from './look';
import { markingOnSkin } from './marking-shape';
import { markingFindings } from './marking-findings';
import { recipeWords } from './recipe';
import { layerMinutes, layerOfColour } from './shade-methods';
import { seenAfter } from './stack';
import { veilLayers } from './veil';
import { inWords } from './words';
import { shadeWork, type Tie } from './shade-work';

/** Colour of core wool where none is chosen. */
const BARE_CORE = '#cbc6bc';

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
  readonly minutes: Figure | null;
  readonly areaMm2: number;
  /** Share of the surface it takes where it is full; for flecks and raised tufts. */
  readonly share: number | null;
  readonly ownHex: string;
  readonly seenHex: string;
  /** How far what is seen is from its own colour, CIEDE2000. */
  readonly showsBy: number;
  /** Where several wools are blended: what each weighs, g. */
  readonly parts: readonly { readonly lotId: string; readonly name: string; readonly massG: number }[];
}

export interface ShadedArea {
  readonly id: string;
  readonly name: string;
  readonly groundHex: string;
  readonly layers: readonly LayerPlan[];
  /** Seen where every layer is full and no marking lies. */
  readonly seenHex: string;
  readonly seenLab: Triple;
  /** Mean over all of the area with its markings. */
  readonly meanHex: string;
  readonly wantedHex: string | null;
  /** Difference to the wanted colour, and in words. */
  readonly off: number | null;
  readonly offWords: string | null;
  /** Null for an area that lies nowhere. */
  readonly field: ShadeField | null;
}

export interface MarkingPlan {
  readonly id: string;
  readonly name: string;
  readonly areaMm2: number;
  readonly overSkinMm: number | null;
  readonly chordMm: number | null;
  readonly massG: number;
  readonly seenHex: string | null;
  readonly hostHex: string | null;
  /** Contrast with what it lies on, CIEDE2000; null where it lies on nothing. */
  readonly contrast: number | null;
  readonly hosts: readonly { readonly areaId: string; readonly areaMm2: number }[];
  readonly layers: readonly LayerPlan[];
  /** Middle line, mm on the animal; empty for shapes without one. */
  readonly line: readonly (readonly [number, number, number])[];
  /** Distance from the middle line to the midline of the animal at both ends, mm. */
  readonly fromMidlineMm: readonly [number, number] | null;
}

export interface WoolDraw {
  /** Area or marking. */
  readonly areaId: string;
  readonly lotId: string;
  readonly massG: number;
}

export interface ShadePlan {
  readonly areas: readonly ShadedArea[];
  readonly markings: readonly MarkingPlan[];
  readonly judged: Judged;
  /** Wool of layers beside the coats. */
  readonly draws: readonly WoolDraw[];
  /** Coats laid from a blend: shares of each wool. */
  readonly coatBlends: readonly {
    readonly areaId: string;
    readonly parts: readonly { readonly lotId: string; readonly share: number }[];
  }[];
  readonly massG: number;
  readonly minutes: number;
}

interface AreaWork {
  readonly shaded: ShadedArea;
  readonly ready: readonly ReadyLayer[];
  /** For each marking, mm2 of it on this area. */
  readonly markingMm2: readonly number[];
  readonly markingPlans: readonly (readonly LayerPlan[])[];
  readonly markingSeen: readonly (string | null)[];
  readonly missing: readonly { readonly layerId: string; readonly lotIds: readonly string[] }[];
}

export function planShade(
  piece: Piece,
  cupboard: Cupboard,
  hand: Hand,
  coat: CoatPlan,
  shaped: ShapedAreas,
  form: FormWork,
  memo: Memo,
): Stage<ShadePlan> & { readonly ties: readonly Tie[] } {
  const stock = JSON.stringify([cupboard.lots, cupboard.blends, hand, piece.core.lotId]);
  const shapeKey = shaped.keys.join('|');
  const onSkin = piece.markings.map((m) =>
    memo.keep(`marking:${m.id}`, shapeKey + JSON.stringify([m.shape, m.mirrored, m.broken]), () =>
      markingOnSkin(form, m),
    ),
  );
  const coreLot = cupboard.lots.find((l) => l.id === piece.core.lotId);
  const groundHex = coreLot?.colour ?? BARE_CORE;
  const works = piece.areas.map((area, i) =>
    memo.keep(
      `shade:${area.id}`,
      `${shaped.keys[i]}${stock}${JSON.stringify([area.shade, area.coat, area.name, piece.markings, piece.seed, coat.areas[i]!.fur?.figures.cover.value])}`,
      () => workArea(i),
    ),
  );

  function workArea(i: number): AreaWork {
    const area = piece.areas[i]!;
    const plan = coat.areas[i]!;
    const shape = shaped.shapes[i];
    const ground = reflectanceOf(groundHex);
    const lot =
      area.coat.method === 'none'
        ? undefined
        : cupboard.lots.find((l) => 'lotId' in area.coat && l.id === area.coat.lotId);
    const pile = plan.fur?.pile;
    const coated =
      plan.fur && pile && lot
        ? { lot: { ...lot, tipColour: pile.tipColour, tipShare: pile.tipShare }, cover: plan.fur.figures.cover.value }
        : null;
    const own = readyLayers(area.shade.layers, coated, cupboard, hand);
    const under = own.list.findIndex((l) => l.layer.kind === 'coat');
    const groundRecipe: Recipe | null =
      own.list.filter((l) => l.recipe && (l.says === 'coat' || l.says === 'veil')).at(-1)?.recipe ?? null;
    const marks = piece.markings.map((m) => readyLayers(m.layers, null, cupboard, hand, groundRecipe));
    const areas = shape ? vertexAreas(shape.patch) : new Float64Array(0);
    const ones = (xs: readonly unknown[]) => xs.map(() => 1);
    const steps = seenAfter(
      ground,
      own.list.map((l) => l.stack),
      ones(own.list),
    );
    const fields = own.list.map((l) => (shape ? fieldOf(l.where, shape, form.body, form.skin) : new Float64Array(0)));
    const describe = (l: ReadyLayer, field: Float64Array, before: Float64Array, after: Float64Array): LayerPlan => {
      const areaMm2 = field.reduce((s, f, v) => s + f * areas[v]!, 0);
      const laid = l.says !== 'coat';
      const mass =
        laid && l.mix ? figure(layerOfColour, { areal: l.arealMgCm2, area: areaMm2, loss: hand.handlingLoss }) : null;
      const shownBefore = l.says === 'raised' ? l.stack.curve : before;
      return {
        id: l.id,
        layerId: l.layer.id,
        says: l.says,
        wool: l.recipe ? recipeWords(l.recipe, cupboard.lots) : '',
        amount: laid && l.stack.layers !== null ? amountOf(l.stack.layers) : null,
        arealMgCm2: l.arealMgCm2,
        layers:
          laid && l.stack.layers !== null && l.mix
            ? figure(veilLayers, { areal: l.arealMgCm2, layer: l.mix.m1, kappa: l.mix.kappa, field: 1 })
            : null,
        mass,
        minutes: laid
          ? figure(layerMinutes, {
              area: areaMm2,
              stabs: hand.surfaceStabsPerCm2,
              passes: l.says === 'raised' ? 1 : 2,
              rate: hand.stabsPerMinute,
              wisp: l.mix ? hand.minutesPerWisp : 0,
            })
          : null,
        areaMm2,
        share: l.stack.layers === null ? l.stack.share : null,
        ownHex: l.ownHex,
        seenHex: hexOfCurve(after),
        showsBy: difference(labOfCurve(shownBefore === before ? l.stack.curve : shownBefore), labOfCurve(after)),
        parts:
          mass && l.mix
            ? l.mix.parts.map((p) => ({ lotId: p.lot.id, name: p.lot.name, massG: p.share * mass.value }))
            : [],
      };
    };
    const layers = own.list.map((l, k) => describe(l, fields[k]!, steps[k]!, steps[k + 1]!));
    const top = steps[steps.length - 1]!;
    // Every marking as layers with its cover as their field, under the coat or over everything.
    const covers = piece.markings.map((m, k) => {
      if (!shape) return null;
      const depth = onPatch(onSkin[k]!.depth, shape);
      const p = shape.patch.positions;
      const soft = Math.max(m.border.softMm, 0.8 * form.skin.edgeMm);
      let any = false;
      const cover = depth.map((d, v) => {
        if (d < -m.border.raggedMm - soft) return 0;
        const stray =
          m.border.raggedMm > 0
            ? m.border.raggedMm *
              noise(Math.abs(p[3 * v]!), p[3 * v + 1]!, p[3 * v + 2]!, 3 * m.border.raggedMm + 1, piece.seed)
            : 0;
        const c = coverAtDepth(d + stray, soft);
        any ||= c > 0;
        return c;
      });
      return any ? cover : null;
    });
    const markingMm2 = covers.map((c) => (c ? c.reduce((s, x, v) => s + x * areas[v]!, 0) : 0));
    const all: { l: ReadyLayer; f: Float64Array }[] = own.list.map((l, k) => ({ l, f: fields[k]! }));
    const placed = (k: number) =>
      marks[k]!.list.map((l) => {
        const f = fieldOf(
          l.where.kind === 'all' || l.where.kind === 'line' ? l.where : { kind: 'all' },
          shape!,
          form.body,
          form.skin,
        );
        return { l, f: f.map((x, v) => x * covers[k]![v]!) };
      });
    piece.markings.forEach((m, k) => {
      if (!covers[k] || !shape) return;
      if (m.under && under >= 0)
        all.splice(
          all.findIndex((x) => x.l.layer.kind === 'coat'),
          0,
          ...placed(k),
        );
      else all.push(...placed(k));
    });
    const markingPlans = piece.markings.map((m, k): LayerPlan[] => {
      if (!covers[k] || !shape) return [];
      let ground: Float64Array = m.under && under >= 0 ? steps[under]! : top;
      return placed(k).map(({ l, f }) => {
        const after = seenAfter(ground, [l.stack], [1])[1]!;
        const p = describe(l, f, ground, after);
        ground = after;
        return p;
      });
    });
    const markingSeen = piece.markings.map((m, k) => {
      if (!covers[k]) return null;
      const list = [...own.list];
      if (m.under && under >= 0) list.splice(under, 0, ...marks[k]!.list);
      else list.push(...marks[k]!.list);
      const s = seenAfter(
        ground,
        list.map((l) => l.stack),
        ones(list),
      );
      return hexOfCurve(s[s.length - 1]!);
    });
    const field = shape ? looksOver(ground, all, areas.length, plan.fur !== null) : null;
    let mean: Triple = [0, 0, 0];
    const whole = areas.reduce((s, x) => s + x, 0);
    field?.a.forEach((look, v) => {
      mean = mean.map((x, c) => x + (areas[v]! / whole) * field.looks[look]!.seen[c]!) as unknown as Triple;
    });
    const seenLab = labOfCurve(top);
    const wanted = area.shade.wanted;
    return {
      shaded: {
        id: area.id,
        name: area.name,
        groundHex,
        layers,
        seenHex: hexOfCurve(top),
        seenLab,
        meanHex: field ? hexOf(mean) : hexOfCurve(top),
        wantedHex: wanted,
        off: wanted === null ? null : difference(labOf(wanted), seenLab),
        offWords: wanted === null ? null : inWords(labOf(wanted), seenLab),
        field,
      },
      ready: own.list,
      markingMm2,
      markingPlans,
      markingSeen,
      missing: [...own.missing, ...marks.flatMap((m) => m.missing)],
    };
  }

  const fields = borders(
    piece,
    shaped,
    works.map((w) => w.shaded.field),
  );
  const areas = works.map((w, i): ShadedArea =>
    fields[i] === w.shaded.field ? w.shaded : { ...w.shaded, field: fields[i]! },
  );
  const markings = piece.markings.map((m, k): MarkingPlan => {
    const hosts = works.flatMap((w, i) =>
      w.markingMm2[k]! > 0 ? [{ areaId: piece.areas[i]!.id, areaMm2: w.markingMm2[k]!, i }] : [],
    );
    const host = [...hosts].sort((a, b) => b.areaMm2 - a.areaMm2)[0];
    const seenHex = host ? works[host.i]!.markingSeen[k]! : null;
    const hostHex = host ? areas[host.i]!.seenHex : null;
    const { line, overSkinMm, chordMm } = onSkin[k]!;
    return {
      id: m.id,
      name: m.name,
      areaMm2: hosts.reduce((s, h) => s + h.areaMm2, 0),
      overSkinMm,
      chordMm,
      massG: hosts.reduce((s, h) => s + works[h.i]!.markingPlans[k]!.reduce((t, l) => t + (l.mass?.value ?? 0), 0), 0),
      seenHex,
      hostHex,
      contrast: seenHex && hostHex ? difference(labOf(seenHex), labOf(hostHex)) : null,
      hosts: hosts.map(({ areaId, areaMm2 }) => ({ areaId, areaMm2 })),
      layers: host ? summed(works.map((w) => w.markingPlans[k]!)) : [],
      line,
      fromMidlineMm: line.length > 1 ? [Math.abs(line[0]![0]), Math.abs(line[line.length - 1]![0])] : null,
    };
  });

  const findings: Finding[] = [];
  works.forEach((w, i) => {
    findings.push(...w.missing.map((x) => missingFinding(piece, i, x)));
    findings.push(...layerFindings(piece, i, w.shaded, w.ready, cupboard, hand, groundHex));
  });
  findings.push(...markingFindings(piece, cupboard, hand, markings, onSkin, form, shaped));
  const judged = judgePiece(piece, cupboard, hand, areas, markings, shaped, form);
  findings.push(...judged.findings);
  const draws: WoolDraw[] = [
    ...areas.flatMap((a) =>
      a.layers.flatMap((l) => l.parts.map((p) => ({ areaId: a.id, lotId: p.lotId, massG: p.massG }))),
    ),
    ...markings.flatMap((m) =>
      m.layers.flatMap((l) => l.parts.map((p) => ({ areaId: m.id, lotId: p.lotId, massG: p.massG }))),
    ),
  ].filter((d) => d.massG > 0);
  const work = shadeWork(
    piece,
    cupboard,
    hand,
    coat,
    areas,
    markings,
    works.map((w) => w.ready),
    judged,
  );
  return {
    result: {
      areas,
      markings,
      judged: judged.result,
      draws,
      coatBlends: works.flatMap((w, i) => {
        const l = w.ready.find((x) => x.says === 'coat');
        return l?.mix && l.mix.parts.length > 1
          ? [{ areaId: piece.areas[i]!.id, parts: l.mix.parts.map((p) => ({ lotId: p.lot.id, share: p.share })) }]
          : [];
      }),
      massG: draws.reduce((s, d) => s + d.massG, 0),
      minutes: work.operations.reduce((s, o) => s + o.minutes, 0),
    },
    findings,
    operations: work.operations as Operation[],
    ties: work.ties,
  };
}

/** Layers of a marking over several areas as one list: masses and areas added. */
function summed(lists: readonly (readonly LayerPlan[])[]): LayerPlan[] {
  const [first, ...rest] = lists.filter((l) => l.length > 0);
  if (!first) return [];
  return first.map((l, k) =>
    rest.reduce((s, list): LayerPlan => {
      const x = list[k];
      if (!x) return s;
      const areaMm2 = s.areaMm2 + x.areaMm2;
      return {
        ...s,
        areaMm2,
        mass: s.mass && figure(layerOfColour, { areal: s.arealMgCm2, area: areaMm2, loss: s.mass.inputs.loss! }),
        minutes:
          s.minutes &&
          figure(layerMinutes, { ...(s.minutes.inputs as Parameters<typeof layerMinutes.of>[0]), area: areaMm2 }),
        parts: s.parts.map((p, j) => ({ ...p, massG: p.massG + (x.parts[j]?.massG ?? 0) })),
      };
    }, l),
  );
}

/** A look for every vertex, made once for each combination of fields. */
function looksOver(
  ground: Float64Array,
  all: readonly { readonly l: ReadyLayer; readonly f: Float64Array }[],
  n: number,
  tipsKept: boolean,
): ShadeField {
  const looks: Look[] = [];
  const known = new Map<string, number>();
  const a = new Uint16Array(n);
  const steps = new Array<number>(all.length);
  const layers = all.map((x) => x.l);
  for (let v = 0; v < n; v++) {
    for (let k = 0; k < all.length; k++) steps[k] = stepped(all[k]!.f[v]!);
    const key = steps.join();
    let look = known.get(key);
    if (look === undefined) {
      look = looks.length;
      looks.push(lookOf(ground, layers, steps.map(unstepped), tipsKept));
      known.set(key, look);
    }
    a[v] = look;
  }
  if (looks.length === 0)
    looks.push(
      lookOf(
        ground,
        layers,
        steps.map(() => 0),
        tipsKept,
      ),
    );
  return { looks, a, b: a, t: new Float32Array(n) };
}

/** Lightness of a seen colour. */
export const seenLightness = (linear: Triple): number => labOfLinear(linear)[0];
