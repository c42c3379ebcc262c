/** What the shade stage makes, for the stages after it. Plain data. */
import type { LayerPlan, ShadedArea } from '@/core/shade/layers/area-shade';
import type { Judged } from '@/core/shade/judging/judged';
import type { MarkingOnSkin } from '@/core/shade/markings/marking-shape';

export interface MarkingPlan {
  readonly id: string;
  readonly name: string;
  readonly areaMm2: number;
  readonly overSkinMm: number | null;
  readonly chordMm: number | null;
  readonly massG: number;
  readonly seenHex: string | null;
  /** What lies under it, at its own places. */
  readonly hostHex: string | null;
  /** Contrast with what it lies on, CIEDE2000; null where it lies on nothing. */
  readonly contrast: number | null;
  /** Areas it lies on, the one with most of it first. */
  readonly hosts: readonly { readonly areaId: string; readonly areaMm2: number }[];
  readonly layers: readonly LayerPlan[];
  /** Middle line, mm on the animal; empty for shapes without one. */
  readonly line: MarkingOnSkin['line'];
  /** Distance from the middle line to the midline of the animal at both ends, mm. */
  readonly fromMidlineMm: readonly [number, number] | null;
}

interface WoolDraw {
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
  readonly massG: number;
  readonly minutes: number;
}
