/** Where a finding is answered: its stage, the room of it, and what is in hand there. The one place that knows. */
import type { CodeOf, FindingCode } from '@/core/finding-codes';
import type { Piece } from '@/core/piece/schema';
import type { Finding } from '@/core/stage';
import {
  FEATURES,
  type CoatRoom,
  type FaceRoom,
  type FormRoom,
  type NeedleRoom,
  type OrderRoom,
  type ShadeRoom,
  type View,
} from '@/desk/view';
import type { StagePath } from './stages';

interface FindingPlace {
  readonly stage: StagePath;
  readonly view: Partial<View>;
}

const FORM: Readonly<Record<CodeOf<'form'>, FormRoom>> = {
  'form-apart': 'shape',
  'form-thin': 'shape',
  'form-swallowed': 'core',
  'form-core-apart': 'core',
  'form-core-undrawn': 'core',
  'form-core-no-wool': 'core',
  'form-through': 'flat',
  'form-shrinks': 'flat',
  'form-wire-none': 'frame',
  'form-wire-short': 'frame',
  'form-wire-thick': 'frame',
  'form-wire-bare': 'frame',
  'form-falls': 'stands',
  'form-leans': 'stands',
  'form-thing-nowhere': 'things',
  'form-thing-no-wool': 'things',
  'form-thing-other': 'things',
  'form-base-small': 'things',
  'form-twig-rolls': 'things',
  'form-frame-shallow': 'things',
};
/** Findings that are answered in another room than the first of their stage. */
const LIE: ReadonlySet<FindingCode> = new Set<FindingCode>([
  'coat-corner',
  'coat-winds',
  'coat-stray',
  'coat-into-eye',
  'coat-uneven',
]);
const FACE: Partial<Record<FindingCode, FaceRoom>> = {
  'face-level': 'level',
  'face-stems-meet': 'set',
  'face-stems-out': 'set',
  'face-stems-wire': 'set',
  'face-eye-sunk': 'set',
  'face-eye-bulges': 'set',
  'face-eye-hidden': 'set',
  'face-small': 'eye',
  'face-dark-line': 'eye',
  'face-light-hidden': 'eye',
  'face-eye-lost': 'eye',
};
const ORDER: Partial<Record<FindingCode, OrderRoom>> = {
  'order-no-time': 'time',
  'order-over': 'time',
  'order-changed': 'over',
};

/** Where areas lie is decided in the Form. */
const AREAS: ReadonlySet<FindingCode> = new Set<FindingCode>(['coat-unclothed', 'coat-nowhere']);

export const formRoomOf = (f: Finding): FormRoom =>
  // Too little of its wool is answered where that is chosen.
  f.stage === 'stock'
    ? 'core'
    : AREAS.has(f.code)
      ? 'areas'
      : ((FORM as Partial<Record<FindingCode, FormRoom>>)[f.code] ?? 'shape');
export const coatRoomOf = (f: Finding): CoatRoom => (LIE.has(f.code) ? 'lie' : 'lay');
export const shadeRoomOf = (f: Finding): ShadeRoom =>
  f.about?.kind === 'area' ? 'stack' : f.about?.kind === 'marking' ? 'markings' : 'judge';
export const faceRoomOf = (f: Finding): FaceRoom => FACE[f.code] ?? 'chart';
export const needleRoomOf = (f: Finding): NeedleRoom =>
  f.code === 'needle-missing' || f.code === 'needle-lost' ? 'rack' : 'plan';
export const orderRoomOf = (f: Finding): OrderRoom => ORDER[f.code] ?? 'steps';

/** What a finding is about, taken in hand. */
function inHand({ about, step }: Finding): Partial<View> {
  const more = step === undefined ? {} : { stepId: step };
  if (about?.kind === 'area') return { ...more, areaId: about.id };
  if (about?.kind === 'part') return { ...more, partId: about.id };
  if (about?.kind === 'small thing') return { ...more, thingId: about.id };
  if (about?.kind === 'flat part') return { ...more, flatId: about.id };
  if (about?.kind === 'marking') return { ...more, markingId: about.id };
  if (about?.kind === 'whiskers') return { ...more, feature: 'whiskers', whiskersId: about.id };
  const feature = FEATURES.find((x) => about?.kind === 'feature' && x === about.id);
  return feature ? { ...more, feature } : more;
}

/** The area that draws on a wool, as the maker has decided it. */
function areaOn(piece: Piece, lotId: string | undefined): string | null {
  const of = (a: Piece['areas'][number]) => (a.coat.method === 'none' ? null : a.coat.lotId);
  return piece.areas.find((a) => lotId !== undefined && of(a) === lotId)?.id ?? null;
}

export function placeOfFinding(f: Finding, piece: Piece): FindingPlace {
  const held = inHand(f);
  switch (f.stage) {
    case 'form':
      return { stage: 'form', view: { ...held, room: formRoomOf(f) } };
    case 'coat':
      if (f.code === 'coat-stopped') return { stage: 'bench', view: { ...held, benchRoom: 'write' } };
      return AREAS.has(f.code)
        ? { stage: 'form', view: { ...held, room: 'areas' } }
        : { stage: 'coat', view: { ...held, coatRoom: coatRoomOf(f) } };
    case 'shade':
      return { stage: 'shade', view: { ...held, shadeRoom: shadeRoomOf(f) } };
    case 'face':
      return { stage: 'face', view: { ...held, faceRoom: faceRoomOf(f) } };
    case 'needle':
      return { stage: 'needles', view: { ...held, needleRoom: needleRoomOf(f) } };
    case 'order':
      return { stage: 'order', view: { ...held, orderRoom: orderRoomOf(f) } };
    case 'stock': {
      const lot = f.about?.kind === 'lot' ? f.about.id : undefined;
      if (lot !== undefined && lot === piece.core.lotId) return { stage: 'form', view: { room: 'core' } };
      const areaId = areaOn(piece, lot);
      return areaId === null
        ? { stage: 'order', view: { orderRoom: 'steps' } }
        : { stage: 'coat', view: { areaId, coatRoom: 'lay' } };
    }
    case 'log':
      return { stage: 'log', view: {} };
  }
}
