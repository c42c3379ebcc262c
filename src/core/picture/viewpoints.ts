/** Sides an animal is pictured from. */
import type { Vec3 } from '@/core/geometry/vec';
import type { Piece } from '@/core/piece/schema';
import type { Plan } from '@/core/plan';
import type { Lens, Turned } from './lens';
import { wholeOf } from './whole';

/** Degrees. */
const SIDES = {
  front: { yaw: 0, pitch: 8 },
  left: { yaw: 90, pitch: 8 },
  right: { yaw: -90, pitch: 8 },
  above: { yaw: 90, pitch: 75 },
  aslant: { yaw: 48, pitch: 16 },
} as const satisfies Record<string, Turned>;

export type Side = keyof typeof SIDES;
export const SIDE_NAMES = Object.keys(SIDES) as Side[];

/** As it is said under a picture. */
export const SIDE_SAYS: Readonly<Record<Side, string>> = {
  front: 'from the front',
  left: 'from its left',
  right: 'from its right',
  above: 'from above',
  aslant: 'aslant',
};

/** A relief hangs on a wall: its front is where its picture stands out, and it is looked at from there. */
const OF_RELIEF: Readonly<Record<Side, Turned>> = {
  front: { yaw: 90, pitch: 0 },
  left: { yaw: 20, pitch: 5 },
  right: { yaw: 160, pitch: 5 },
  above: { yaw: 90, pitch: 60 },
  aslant: { yaw: 62, pitch: 8 },
};

export const isRelief = ({ form }: Pick<Piece, 'form'>): boolean => form.parts.some((p) => p.shape === 'board');

/** How a piece is turned to be seen from a side. */
export const turnedTo = (piece: Pick<Piece, 'form'>, side: Side): Turned =>
  isRelief(piece) ? OF_RELIEF[side] : SIDES[side];

/** On a picture that is made better while it rests, so many one after another; the last is the finished one. Ours. */
export const refiningFibres = (width: number, height: number): readonly number[] => {
  const all = Math.max(220_000, fibresFor(width, height));
  return [30_000, 110_000, all];
};

export interface Framing {
  readonly turned: Turned;
  readonly width: number;
  readonly height: number;
  /** How much of the picture the animal fills: 1 all of it. */
  readonly zoom: number;
  /** What is in the middle; the middle of the animal without. */
  readonly centre?: Vec3;
}

/** The lens of a picture that has room for the animal from any side. */
export function lensFor(
  plan: Pick<Plan, 'form' | 'things' | 'stands'>,
  { turned, width, height, zoom, centre }: Framing,
): Lens {
  const { middle, lengthMm, heightMm, widthMm } = wholeOf(plan);
  const wide = Math.max(lengthMm, widthMm);
  const tall = Math.max(heightMm, widthMm);
  const perMm = Math.min((0.8 * width) / wide, (0.72 * height) / tall) * zoom;
  return { turned, centre: centre ?? middle, perMm, width, height };
}

/** So many fibres are drawn on a picture so large: more would not be seen. Ours. */
export const fibresFor = (width: number, height: number): number =>
  Math.round(Math.min(1_000_000, Math.max(60_000, 0.4 * width * height)));

/** The face from the front, as near as fills the picture; null where there is none. */
export function faceTurned(
  plan: Plan,
): { readonly turned: Turned; readonly centre: Vec3; readonly zoom: number } | null {
  const { face } = plan;
  if (!face) return null;
  const z = face.frame.z;
  const yaw = (Math.atan2(z[0], z[2]) * 180) / Math.PI;
  // A little from the side: a face square on is flat.
  const back = 0.35 * face.headLengthMm;
  const centre: Vec3 = [face.nose.tip[0] - back * z[0], face.nose.tip[1] - back * z[1], face.nose.tip[2] - back * z[2]];
  const whole = wholeOf(plan);
  const size = Math.max(face.headWidthMm, face.headHeightMm, face.headLengthMm);
  return {
    turned: { yaw: yaw + 28, pitch: 8 },
    centre,
    zoom: Math.max(whole.lengthMm, whole.widthMm, whole.heightMm) / (2.2 * size),
  };
}

/** The small picture a piece is known by, dots. */
const LIKENESS = { width: 480, height: 300 } as const;

/** It is small, but looked at closely: more fibres than a part of a large picture has. Ours. */
export const LIKENESS_FIBRES = 220_000;

/** The lens of the small picture a piece is known by. */
export const likenessLens = (piece: Pick<Piece, 'form'>, plan: Pick<Plan, 'form' | 'things' | 'stands'>): Lens =>
  lensFor(plan, { ...LIKENESS, turned: turnedTo(piece, 'aslant'), zoom: 1.12 });
