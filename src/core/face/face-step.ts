/** What every step of the face shares: what the work of it is made from, a step with its usual values, its cautions. */
import type { CoatPlan } from '@/core/coat/coat';
import { lightness } from '@/core/colour/lab';
import type { CorePlan } from '@/core/form/core';
import type { Vec3 } from '@/core/geometry/vec';
import type { Cupboard } from '@/core/piece/cupboard';
import type { Face } from '@/core/piece/face';
import type { Hand } from '@/core/piece/hand';
import type { Piece } from '@/core/piece/schema';
import type { Needlework, Operation } from '@/core/stage';
import { atPlaces } from '@/core/stabbing';
import { say } from '@/core/text';
import type { BrowPlace } from './brows';
import type { EarPlan } from './ears';
import type { EyePlan } from './eyes';
import type { MouthPlace, NosePlace } from './mouth';
import type { WhiskerPlan } from './whiskers';

export interface FaceWorkInput {
  readonly piece: Piece;
  readonly face: Face;
  readonly cupboard: Cupboard;
  readonly hand: Hand;
  readonly coat: CoatPlan;
  readonly core: CorePlan;
  readonly nose: NosePlace;
  readonly mouth: MouthPlace | null;
  readonly eyes: EyePlan;
  readonly ears: EarPlan | null;
  readonly brows: readonly BrowPlace[];
  readonly whiskers: readonly WhiskerPlan[];
  /** Ids of all work of coat and shade: whiskers stand in its way, so they come after it. */
  readonly coatWork: readonly string[];
}

export const GLUE_CAUTION = say`Glue in fresh air and off the skin; it marks wool, so never more than a dot.`;
export const NEEDLE_CAUTION = say`Eyes on the point of the needle, fingers flat and out of its way; count your needles when you stop.`;

const lotOf = (x: FaceWorkInput, id: string | null) => x.cupboard.lots.find((l) => l.id === id) ?? null;

export type StepOfFace = Pick<Operation, 'id' | 'does' | 'minutes' | 'after'> & Partial<Operation>;

export function step(x: FaceWorkInput, o: StepOfFace): Operation {
  const wool = lotOf(x, o.lotId ?? null);
  return {
    stage: 'face',
    areaId: 'face',
    kind: 'set',
    lotId: null,
    massG: 0,
    cutLengthMm: null,
    rows: 0,
    passes: null,
    needlework: null,
    lightness: wool ? lightness(wool.colour) : 50,
    caution: null,
    ...o,
  };
}

/** Needling at places of the face; none where there are no places. */
export const atFace = (
  x: FaceWorkInput,
  kind: Parameters<typeof atPlaces>[0],
  places: readonly Vec3[],
  minutes: number,
  layerMm: number,
  lotId: string | null,
): Needlework | null => (places.length > 0 ? atPlaces(kind, places, minutes, layerMm, lotOf(x, lotId), x.hand) : null);
