/** What every step of colour shares: what the work is made from, a step with its usual values, what must lie first. */
import { ONE_STEP } from '@/core/coat/rows/row-work';
import { takes, tookBy } from '@/core/time/work-time';
import type { CoatPlan } from '@/core/coat/coat-plan';
import { lightness } from '@/core/colour/lab';
import type { Cupboard } from '@/core/piece/cupboard';
import type { Hand } from '@/core/piece/hand';
import type { Piece } from '@/core/piece/schema';
import type { Ref } from '@/core/ref';
import { feltLayer, raiseFrom } from '@/core/stabbing';
import type { After, Material, Needlework, Operation, StepTie } from '@/core/stage';
import { count, grams, mgCm2, mm, say, share, type Text } from '@/core/text';
import type { LayerPlan, ShadedArea } from './layers/area-shade';
import type { Judged } from './judging/judged';
import { wispsOn } from './shade-methods';
import type { MarkingPlan } from './shade-plan';

export interface ShadeWorkInput {
  readonly piece: Piece;
  readonly cupboard: Cupboard;
  readonly hand: Hand;
  readonly coat: CoatPlan;
  readonly areas: readonly ShadedArea[];
  readonly markings: readonly MarkingPlan[];
  readonly judged: Judged;
}

export interface ShadeSteps {
  readonly operations: readonly Operation[];
  readonly ties: readonly StepTie[];
}

/** Reckoned with where it is not decided, mg/cm2: a thin layer, what lies under a raised colour, the most a tuft comes up through. Ours. */
export const THIN = 3;
const UNDER = 6;
const MOST_OVER = 12;

export const plainStep = (
  about: Ref,
  hex: string,
): Omit<Operation, 'id' | 'does' | 'kind' | 'work' | 'minutes' | 'restsOn'> => ({
  stage: 'shade',
  about,
  materials: [],
  cutLengthMm: null,
  rows: 0,
  passes: null,
  needlework: null,
  tools: [],
  after: [],
  lightness: lightness(hex),
  caution: say`Eyes on the point of the needle, fingers flat and out of its way. Keep a mat for pale wool and another for dark.`,
});

/** Whether an area has a coat that is laid. */
export const lies = (x: ShadeWorkInput, areaId: string): boolean =>
  x.coat.areas.find((a) => a.id === areaId)?.fur !== null;

export const lotOr = (x: ShadeWorkInput, id: string | null) =>
  x.cupboard.lots.find((l) => l.id === id) ?? x.cupboard.lots[0]!;

export const coatFirst = (x: ShadeWorkInput, areaId: string): After[] =>
  lies(x, areaId)
    ? [{ id: `lay-${areaId}`, why: say`The coat lies first; this goes on top of it.`, strength: Infinity }]
    : [];

/** Pulling up what lies just below the coat of an area. */
export function raising(x: ShadeWorkInput, areaId: string, areaMm2: number): Needlework {
  const top = x.coat.areas.find((a) => a.id === areaId)?.fur?.figures.areal.value ?? THIN;
  return raiseFrom(areaId, Math.max(20, areaMm2), { mgCm2: Math.min(top, MOST_OVER) }, { mgCm2: UNDER }, null, x.hand);
}

function needleworkOf(x: ShadeWorkInput, hostId: string, l: LayerPlan): Needlework | null {
  const areaMm2 = l.areaMm2 * (l.share ?? 1);
  if (l.says === 'raised') return raising(x, hostId, areaMm2);
  if (l.parts.length === 0) return null;
  const deep = l.says === 'deep line';
  const felt = feltLayer(
    hostId,
    areaMm2,
    Math.max(0.5, l.arealMgCm2),
    deep ? 3 : 1,
    lotOr(x, l.parts[0]!.lotId),
    x.hand,
    l.ownHex,
  );
  return deep ? { ...felt, kind: 'line' } : felt;
}

interface LayerStep {
  readonly layer: LayerPlan;
  /** What it is laid on, in words and as a thing; and the area its needle works on. */
  readonly name: string;
  readonly on: Ref;
  readonly hostId: string;
  readonly id: string;
  readonly after: readonly After[];
  readonly restsOn: Operation['restsOn'];
}

/** A layer of colour laid or raised. */
export function layerStep(x: ShadeWorkInput, { layer: l, name, on, hostId, id, after, restsOn }: LayerStep): Operation {
  const raised = l.says === 'raised';
  return {
    ...plainStep(on, l.ownHex),
    id,
    restsOn,
    kind: raised ? 'raise' : 'veil',
    does: does(l, name),
    materials: l.parts.map((p): Material => ({
      lotId: p.lotId,
      massG: p.massG,
      for: 'layer of colour',
      from: 'cupboard',
    })),
    passes: raised
      ? say`straight in and out along the lie, one light pass; needle down again where no fluff is wanted`
      : l.says === 'deep line'
        ? say`deep along the line, 3 passes`
        : say`a few fibres at a time, shallow, along the lie`,
    needlework: needleworkOf(x, hostId, l),
    ...(l.minutes ? tookBy(l.minutes) : takes(x.hand, ONE_STEP)),
    after,
  };
}

/** In how many wisps, and how long they are drawn off. */
const inWisps = (l: LayerPlan): Text =>
  l.wispMm === null
    ? say``
    : say`, in ${count(wispsOn(l.areaMm2))} ${wispsOn(l.areaMm2) === 1 ? 'wisp' : 'wisps'} of ${mm(l.wispMm)}`;

function does(l: LayerPlan, name: string): Text {
  if (l.says === 'raised')
    return say`Raise ${l.wool} on ${name} with the reverse needle, about ${share(l.share ?? 0)} of it`;
  if (l.says === 'flecks')
    return say`Bring flecks of ${l.wool} onto ${name}, about ${share(l.share ?? 0)} of it: tiny wisps, ${grams(l.mass?.value ?? 0)}`;
  if (l.says === 'deep line') return say`Felt a line of ${l.wool} deep into ${name}, ${grams(l.mass?.value ?? 0)}`;
  if (l.says === 'veil over the shadow')
    return say`Veil the line on ${name} with ${l.wool}, ${mgCm2(l.arealMgCm2)}${inWisps(l)}`;
  if (l.says === 'line') return say`Lay a line of ${l.wool} on ${name}, ${grams(l.mass?.value ?? 0)}`;
  if (l.says === 'highlight')
    return say`Lay a highlight of ${l.wool} on ${name}, ${mgCm2(l.arealMgCm2)}, ${grams(l.mass?.value ?? 0)}${inWisps(l)}`;
  return say`Lay a ${l.amount ?? 'thin'} veil of ${l.wool} over ${name}, ${mgCm2(l.arealMgCm2)}, ${grams(l.mass?.value ?? 0)}${inWisps(l)}`;
}
