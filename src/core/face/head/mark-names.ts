/** Landmarks of a face in words. */
import type { FACE_MARKS, SCALE_MARKS } from '@/core/piece/face';

export type PinMark = (typeof FACE_MARKS)[number] | (typeof SCALE_MARKS)[number];

export const MARK_NAMES: Readonly<Record<PinMark, string>> = {
  nose: 'tip of the nose',
  chin: 'chin',
  crown: 'crown, on the midline',
  'eye-left': 'left eye',
  'eye-right': 'right eye',
  'eye-left-inner': 'left eye, inner corner',
  'eye-left-outer': 'left eye, outer corner',
  'eye-right-inner': 'right eye, inner corner',
  'eye-right-outer': 'right eye, outer corner',
  'ear-left': 'left ear, root',
  'ear-right': 'right ear, root',
  'mouth-left': 'left corner of the mouth',
  'mouth-right': 'right corner of the mouth',
  'edge-a': 'one edge of an eye',
  'edge-b': 'the opposite edge of it',
  'head-a': 'head at its widest, one side',
  'head-b': 'head at its widest, other side',
};

/** In the order they are best pinned. */
const PIN_ORDER: readonly PinMark[] = [
  'edge-a',
  'edge-b',
  'nose',
  'eye-left',
  'eye-right',
  'mouth-left',
  'mouth-right',
  'chin',
  'crown',
  'ear-left',
  'ear-right',
  'eye-left-inner',
  'eye-left-outer',
  'eye-right-inner',
  'eye-right-outer',
  'head-a',
  'head-b',
];

/** Marks of the animal's right, and those that give the scale of a head. */
const RIGHT: ReadonlySet<PinMark> = new Set<PinMark>([
  'eye-right',
  'eye-right-inner',
  'eye-right-outer',
  'ear-right',
  'mouth-right',
]);
const HEAD: ReadonlySet<PinMark> = new Set<PinMark>(['head-a', 'head-b']);
export const onRight = (m: PinMark): boolean => RIGHT.has(m);

/** Marks that make sense on a photograph: from the side only those of the animal's left, no width of the head on the piece. */
export const marksFor = (of: 'animal' | 'piece', side: 'front' | 'profile'): readonly PinMark[] =>
  PIN_ORDER.filter((m) => (side === 'front' || (!onRight(m) && !HEAD.has(m))) && (of === 'animal' || !HEAD.has(m)));
