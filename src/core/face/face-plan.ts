/** What the face stage gives: everything placed, measured and judged. Plain data. */
import type { WoolMass } from '@/core/materials';
import type { Outline } from '@/core/geometry/outline';
import type { Vec3 } from '@/core/geometry/vec';
import type { Figure } from '@/core/method/define';
import type { BrowPlace } from '@/core/face/features/brows';
import type { EarPlan } from '@/core/face/features/ears';
import type { EyePlan } from '@/core/face/eyes/eyes';
import type { HeadFrame } from '@/core/face/head/head';
import type { LevelPlan } from '@/core/face/level/level';
import type { Measured } from '@/core/face/head/marks';
import type { MouthPlace, NosePlace } from '@/core/face/features/mouth';
import type { WhiskerPlan } from '@/core/face/features/whiskers';

/** A place no needle may come near: round a set stem or a glass eye. mm */
export interface Zone {
  readonly a: Vec3;
  readonly b: Vec3;
  readonly radiusMm: number;
}

export interface FacePlan {
  readonly frame: HeadFrame;
  readonly headWidthMm: number;
  readonly headLengthMm: number;
  readonly headHeightMm: number;
  /** Outlines of the head in its own frame: right and up of the picture, mm. */
  readonly front: Outline;
  readonly profile: Outline;
  readonly above: Outline;
  /** Only one side: a picture in relief. */
  readonly oneSided: boolean;
  readonly measured: readonly Measured[];
  readonly nose: NosePlace;
  readonly mouth: MouthPlace | null;
  readonly eyes: EyePlan;
  readonly ears: EarPlan | null;
  readonly brows: readonly BrowPlace[];
  readonly whiskers: readonly WhiskerPlan[];
  readonly zones: readonly Zone[];
  /** Left free of fur round the middle of an eye, mm. */
  readonly clearMm: number;
  readonly tolerance: Figure;
  readonly levels: readonly LevelPlan[];
  readonly minutes: number;
  /** Wool it takes. */
  readonly draws: readonly WoolMass[];
}
