/** What every step of the face shares: what the work of it is made from, a step with its usual values, its cautions. */
import type { Work } from '@/core/time/elements';
import { ONE_STEP } from '@/core/coat/rows/row-work';
import { both, takes } from '@/core/time/work-time';
import type { CoatPlan } from '@/core/coat/coat-plan';
import { lightness } from '@/core/colour/lab';
import type { CorePlan } from '@/core/build/core-plan';
import type { Vec3 } from '@/core/geometry/vec';
import type { Cupboard } from '@/core/piece/cupboard';
import type { Face } from '@/core/piece/face';
import type { Hand } from '@/core/piece/hand';
import type { Piece } from '@/core/piece/schema';
import { decided, the } from '@/core/decision';
import { ref } from '@/core/ref';
import type { After, Needlework, Operation, StepTie } from '@/core/stage';
import { GLUE } from '@/core/tools';
import { atPlaces } from '@/core/stabbing';
import { say, type Text } from '@/core/text';
import type { BrowPlace } from '@/core/face/features/brows';
import type { EarPlan } from '@/core/face/features/ears';
import type { EyePlan } from '@/core/face/eyes/eyes';
import type { MouthPlace, NosePlace } from '@/core/face/features/mouth';
import type { WhiskerPlan } from '@/core/face/features/whiskers';

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

export interface FaceSteps {
  readonly operations: readonly Operation[];
  readonly ties: readonly StepTie[];
}

export const JOINED: After = { id: 'core-join', why: say`The head is joined and firm first.`, strength: Infinity };
export const NOSE_FIRST: After = {
  id: 'face-nose',
  why: say`The nose comes first: it is the guide for the eyes.`,
  strength: Infinity,
};
export const eyesFirst = (why: Text): After => ({ id: 'face-eyes-set', why, strength: Infinity });
export const laidFirst = (areaId: string, why: Text): After => ({ id: `lay-${areaId}`, why, strength: Infinity });

export const GLUE_CAUTION = say`Glue in fresh air and off the skin; it marks wool, so never more than a dot.`;
export const NEEDLE_CAUTION = say`Eyes on the point of the needle, fingers flat and out of its way; count your needles when you stop.`;

/** A lot of the cupboard; null where none is chosen. */
export const lotOf = (x: FaceWorkInput, id: string | null) => x.cupboard.lots.find((l) => l.id === id) ?? null;

export type StepOfFace = Pick<Operation, 'id' | 'about' | 'does' | 'work' | 'after' | 'restsOn'> & Partial<Operation>;

/** Time of a step of the face: taken up, and its own work. */
export const faceTime = (hand: Hand, work: Work) => takes(hand, both(ONE_STEP, work));

export function step(x: FaceWorkInput, o: StepOfFace): Operation {
  const wool = lotOf(x, o.materials?.[0]?.lotId ?? null);
  return {
    stage: 'face',
    kind: 'set',
    materials: [],
    cutLengthMm: null,
    rows: 0,
    passes: null,
    needlework: null,
    tools: [],
    lightness: wool ? lightness(wool.colour) : 50,
    caution: null,
    ...o,
    ...faceTime(x.hand, o.work),
  };
}

/** A line, a brow, a seam is so wide where it is needled, mm. Ours. */
export const LINE_MM = 2;

/** Needling at places of the face; none where there are no places. */
export const atFace = (
  x: FaceWorkInput,
  kind: Parameters<typeof atPlaces>[0],
  places: readonly Vec3[],
  minutes: number,
  layerMm: number,
  acrossMm: number,
  lotId: string | null,
): Needlework | null =>
  places.length > 0 ? atPlaces(kind, places, minutes, layerMm, acrossMm, lotOf(x, lotId), x.hand) : null;

/** Whatever is glued comes after the trial of the glue. */
export const TRIED: After = {
  id: 'face-trial',
  why: say`Glue is tried on a spare piece first.`,
  strength: Infinity,
  orderOnly: true,
};

/** Glue tried on a spare piece, once, where anything of the face is glued. */
export const glueTrial = (x: FaceWorkInput): Operation[] => {
  const glued = x.face.whiskers.filter((w) => w.glue !== 'none');
  if (x.face.eyes.kind !== 'stem' && glued.length === 0) return [];
  return [
    step(x, {
      id: TRIED.id,
      about: ref('feature', 'glue'),
      restsOn: [
        decided(
          'what is glued',
          ['face', 'eyes', 'kind'],
          ...glued.map((w) => ['face', 'whiskers', the(w.id), 'glue']),
        ),
      ],
      kind: 'check',
      tools: [GLUE],
      does: say`Try the glue on a spare piece of the same wool and let it dry: it marks some wool for good`,
      work: { blend: 1 },
      wait: { minutes: x.hand.glueMinutes, says: say`The glue on the trial piece dries.` },
      after: [],
      caution: GLUE_CAUTION,
    }),
  ];
};
