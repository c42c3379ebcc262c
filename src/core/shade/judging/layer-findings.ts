/** Judgement of the layers of one area: what shows through that should not, what cannot be raised, flat black, a miss. */
import { ref, type Ref } from '@/core/ref';
import { difference } from '@/core/colour/difference';
import { lightness } from '@/core/colour/lab';
import { labOfCurve, reflectanceOf } from '@/core/colour/reflectance';
import type { Cupboard } from '@/core/piece/cupboard';
import type { Hand } from '@/core/piece/hand';
import type { Piece } from '@/core/piece/schema';
import type { Layer, Recipe } from '@/core/piece/shade';
import type { Finding, Remedy } from '@/core/stage';
import { grams, mgCm2, say } from '@/core/text';
import { reverseOwned } from '@/core/piece/cupboard';
import { arealOf } from '@/core/shade/layers/amount';
import { HIDES, hidingMg, lettingMg } from '@/core/shade/layers/hide';
import type { ShadedArea } from '@/core/shade/layers/area-shade';
import type { Missing, ReadyLayer } from '@/core/shade/layers/layers';
import { woolFor } from '@/core/shade/shade-methods';
import { seenAfter } from '@/core/shade/layers/stack';
import { ARMS_LENGTH, comparedTo, inWords, SLIGHT } from '@/core/shade/words';

/** A layer so thick is enough to raise tufts from, mg on a square cm. Ours. */
const RAISED_FROM = 3;
/** Darker than this is black. Ours. */
const BLACK = 14;
/** A coat whose ground changes it by more wants an under-layer of its colour; by this much it is only worth knowing. */
const COAT_SHOWS = 8;
const COAT_NOTE = 4;

/** Layers of an area or a marking that are left out for want of a wool. */
export function missingFindings(about: Ref, name: string, missing: readonly Missing[]): Finding[] {
  return missing.map((x) => ({
    id: `shade-missing-${about.id}-${x.layerId}`,
    code: 'shade-missing',
    stage: 'shade',
    severity: 'stop',
    about,
    says: say`A wool of a layer on ${name} is not in the cupboard.`,
    why: say`The layer is left out of the colour until it has another wool.`,
    remedies: [],
  }));
}

/** One layer of an area with what lies under it, to be judged. */
interface Layered {
  readonly piece: Piece;
  readonly index: number;
  readonly cupboard: Cupboard;
  readonly hand: Hand;
  readonly ready: readonly ReadyLayer[];
  /** Which of the ready layers, and which layer of the piece it is. */
  readonly k: number;
  readonly at: number;
  readonly l: ReadyLayer;
  readonly plan: ShadedArea['layers'][number];
  /** What is seen before it is laid and after. */
  readonly ground: Float64Array;
  readonly after: Float64Array;
  /** How far its own colour is from what lies below. */
  readonly apart: number;
  readonly put: Put;
}
type Put = (f: Omit<Finding, 'stage' | 'about'>) => void;

const pathIn = (index: number, ...more: (string | number)[]) => ['areas', index, 'shade', 'layers', ...more];

export function layerFindings(
  piece: Piece,
  index: number,
  shaded: ShadedArea,
  ready: readonly ReadyLayer[],
  cupboard: Cupboard,
  hand: Hand,
): Finding[] {
  const area = piece.areas[index]!;
  const out: Finding[] = [];
  const steps = seenAfter(
    reflectanceOf(shaded.groundHex),
    ready.map((l) => l.stack),
    ready.map(() => 1),
  );
  const put: Put = (f) => out.push({ ...f, stage: 'shade', about: ref('area', area.id) });
  ready.forEach((l, k) => {
    const x: Layered = {
      piece,
      index,
      cupboard,
      hand,
      ready,
      k,
      at: area.shade.layers.findIndex((y) => y.id === l.layer.id),
      l,
      plan: shaded.layers[k]!,
      ground: steps[k]!,
      after: steps[k + 1]!,
      apart: difference(labOfCurve(l.stack.curve), labOfCurve(steps[k]!)),
      put,
    };
    tooThin(x);
    tooThick(x);
    coatShows(x);
    raised(x);
  });
  if (ready.length > 0) flatBlack(piece, index, shaded, cupboard, put);
  if (shaded.off !== null && shaded.off > SLIGHT) {
    put({
      id: `shade-off-${area.id}`,
      code: 'shade-off',
      severity: 'caution',
      says: say`${area.name} comes out ${comparedTo('wanted', shaded.offWords!)}.`,
      why: say`Match finds the blend or veil from your cupboard that comes nearest.`,
      remedies: [],
    });
  }
  return out;
}

/** A veil that is to hide and does not. */
function tooThin({ piece, index, hand, at, l, plan, ground, after, put }: Layered): void {
  if (l.layer.kind !== 'veil' || !l.mix || l.layer.aim !== 'hide' || plan.showsBy <= HIDES) return;
  const area = piece.areas[index]!;
  const own = l.stack.curve;
  const need = hidingMg(own, ground, l.mix.m1, l.mix.kappa);
  const more = need === null ? null : woolFor(need - l.layer.arealMgCm2, plan.areaMm2, hand);
  const first = before(area.shade.layers, at);
  const thicker: Remedy[] =
    need === null || more === null
      ? []
      : [
          {
            label: say`Lay ${mgCm2(need)}`,
            effect: say`${grams(more)} more hides it`,
            changes: [{ path: pathIn(index, at, 'arealMgCm2'), value: need }],
          },
        ];
  const earlier: Remedy[] = first
    ? [
        {
          label: say`Lay ${plan.wool} before the layer below it`,
          effect: say`pale first, the darker wool only where it is to show`,
          changes: [{ path: pathIn(index), value: first }],
        },
      ]
    : [];
  put({
    id: `shade-hide-${area.id}-${l.id}`,
    code: 'shade-hide',
    severity: 'caution',
    says: say`${plan.wool} on ${area.name} lets what is below show through: ${comparedTo('the wool itself', inWords(labOfCurve(own), labOfCurve(after)))}.`,
    why:
      need === null
        ? say`No layer of it would hide what lies below. Lay it before the darker wool instead, or take the darker wool off.`
        : labOfCurve(own)[0] > labOfCurve(ground)[0]
          ? say`A pale fibre lets light through, so hiding takes ${mgCm2(need)}, ${grams(more!)} more.`
          : say`It is too thin a layer; hiding takes ${mgCm2(need)}, ${grams(more!)} more.`,
    remedies: [...thicker, ...earlier],
  });
}

/** A veil that is to let through and hides all. */
function tooThick({ piece, index, at, l, plan, ground, apart, put }: Layered): void {
  if (l.layer.kind !== 'veil' || !l.mix || l.layer.aim !== 'let through') return;
  if (plan.showsBy >= ARMS_LENGTH || apart <= SLIGHT) return;
  const area = piece.areas[index]!;
  const most = lettingMg(l.stack.curve, ground, l.mix.m1, l.mix.kappa);
  put({
    id: `shade-hides-all-${area.id}-${l.id}`,
    code: 'shade-hides-all',
    severity: 'note',
    says: say`This veil of ${plan.wool} on ${area.name} hides all that is below.`,
    why: say`It is meant to let it through; then it has to be thinner.`,
    remedies:
      most !== null && most >= 0.1
        ? [
            {
              label: say`Lay only ${mgCm2(most)}`,
              effect: say`what is below still tells`,
              changes: [{ path: pathIn(index, at, 'arealMgCm2'), value: most }],
            },
          ]
        : [],
  });
}

/** A coat that what lies below shines through. */
function coatShows({ piece, index, at, l, plan, after, apart, put }: Layered): void {
  if (l.says !== 'coat' || !l.mix || plan.showsBy <= COAT_NOTE || apart <= SLIGHT) return;
  const area = piece.areas[index]!;
  const { layers } = area.shade;
  const under = layerOf(freeId(layers, 'under'), l.recipe, arealOf('medium', l.mix.m1, l.mix.kappa));
  put({
    id: `shade-coat-${area.id}`,
    code: 'shade-coat',
    severity: plan.showsBy > COAT_SHOWS ? 'caution' : 'note',
    says: say`The coat of ${area.name} comes out ${comparedTo('its wool', inWords(labOfCurve(l.stack.curve), labOfCurve(after)))}.`,
    why: say`What lies below shines through it. A felted layer of the same wool under the coat takes that away.`,
    remedies: [
      {
        label: say`Lay ${plan.wool} under it first`,
        effect: say`a medium layer, ${mgCm2(under.arealMgCm2)}`,
        changes: [{ path: pathIn(index), value: [...layers.slice(0, at), under, ...layers.slice(at)] }],
      },
    ],
  });
}

/** A colour that is to be raised: it must lie underneath, and a reverse needle must be there. */
function raised({ piece, index, cupboard, ready, k, at, l, put }: Layered): void {
  if (l.layer.kind !== 'raise') return;
  const area = piece.areas[index]!;
  const { layers } = area.shade;
  const { lotId } = l.layer;
  const there = ready.slice(0, k).some((b) => b.mix?.parts.some((p) => p.lot.id === lotId));
  if (!there && piece.core.lotId !== lotId) {
    const lot = cupboard.lots.find((x) => x.id === lotId)!;
    const seat = Math.max(0, at - 1);
    const add = layerOf(freeId(layers, 'below'), l.recipe, RAISED_FROM);
    put({
      id: `shade-raise-${area.id}-${l.id}`,
      code: 'shade-raise',
      severity: 'stop',
      says: say`${lot.name} cannot be raised on ${area.name}: it is not underneath.`,
      why: say`The reverse needle only pulls up what lies below. Plan a layer of it under the one it is to come through.`,
      remedies: [
        {
          label: say`Lay ${lot.name} below`,
          effect: say`a layer of ${mgCm2(RAISED_FROM)} under the one on top`,
          changes: [{ path: pathIn(index), value: [...layers.slice(0, seat), add, ...layers.slice(seat)] }],
        },
      ],
    });
  }
  if (!reverseOwned(cupboard)) {
    put({
      id: `shade-no-reverse-${area.id}`,
      code: 'shade-no-reverse',
      severity: 'stop',
      says: say`There is no reverse needle in the cupboard to raise the colour with.`,
      why: say`Only a needle with its barbs the other way pulls fibre out.`,
      remedies: [],
    });
  }
}

/** An area that comes out black without being meant to. */
function flatBlack(piece: Piece, index: number, shaded: ShadedArea, cupboard: Cupboard, put: Put): void {
  const area = piece.areas[index]!;
  const l = shaded.meanLab[0];
  const wanted = area.shade.wanted === null ? null : lightness(area.shade.wanted);
  if (l >= BLACK || (wanted !== null && wanted <= l + 4)) return;
  const coatLot = area.coat.method === 'none' ? null : area.coat.lotId;
  const mixin = cupboard.lots.find((x) => {
    const L = lightness(x.colour);
    return L >= 16 && L <= 34 && x.haveG > 0 && x.id !== coatLot;
  });
  const at = area.shade.layers.findIndex((x) => x.kind === 'coat');
  put({
    id: `shade-black-${area.id}`,
    code: 'shade-black',
    severity: wanted === null ? 'note' : 'caution',
    says: say`${area.name} comes out flat black.`,
    why:
      wanted === null
        ? say`Pure black is rarely right: dark brown with dark grey looks alive. Keep it for what really is black.`
        : say`The colour wanted is not that dark. Dark brown with dark grey comes nearer.`,
    remedies:
      mixin && coatLot
        ? [
            {
              label: say`Blend the coat half and half with ${mixin.name}`,
              effect: say`dark, but not flat`,
              changes: [
                {
                  path: pathIn(index, at, 'blend'),
                  value: [
                    { lotId: coatLot, parts: 1 },
                    { lotId: mixin.id, parts: 1 },
                  ],
                },
              ],
            },
          ]
        : [],
  });
}

/** A felted layer all over, to be put under another. */
const layerOf = (id: string, recipe: Recipe, arealMgCm2: number): Extract<Layer, { kind: 'veil' }> => ({
  kind: 'veil',
  id,
  where: { kind: 'all' },
  recipe: [...recipe],
  even: 1,
  arealMgCm2,
  aim: 'let through',
});

/** The layers with one put before the layer below it; null when that layer is the coat or there is none. */
function before(layers: readonly Layer[], at: number): Layer[] | null {
  const below = layers[at - 1];
  if (!below || below.kind === 'coat' || below.kind === 'raise') return null;
  return [...layers.slice(0, at - 1), layers[at]!, below, ...layers.slice(at + 1)];
}

export function freeId(layers: readonly { readonly id: string }[], stem: string): string {
  let id = stem;
  for (let k = 2; layers.some((l) => l.id === id); k++) id = `${stem}-${k}`;
  return id;
}
