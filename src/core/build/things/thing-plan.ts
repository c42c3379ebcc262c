/** Small things as they are planned: what each is cut from, what it weighs and where it lies. Plain data; mm, g. */
import type { Vec3 } from '@/core/geometry/vec';
import type { Figure } from '@/core/method/define';
import type { Thing } from '@/core/piece/things';
import type { Thread } from './thread';

/** One piece of flat felt to cut. */
export interface Panel {
  readonly name: string;
  readonly count: number;
  /** Finished, stride 2. */
  readonly outline: Float64Array;
  readonly areaMm2: number;
  /** Of one. */
  readonly mass: Figure;
}

/** One bar or board to saw. */
export interface Cut {
  readonly name: string;
  readonly count: number;
  readonly longMm: number;
  readonly wideMm: number;
  readonly thickMm: number;
}

/** What is worn: threads along its lower edge, its middle and its upper edge, and what hangs from where it is closed. */
export interface WornPlace {
  readonly threads: readonly Thread[];
  /** Where it is closed or sits: on the outside of the coat, and which way is out there. */
  readonly seat: Vec3;
  readonly outward: Vec3;
  /** Middle lines of what hangs down, with the way out at each place. */
  readonly hanging: readonly (readonly { readonly at: Vec3; readonly outward: Vec3 }[])[];
}

/** Round the board of a relief: the middle of its front, half its opening upward and forward, and how it lies in depth. */
export interface FramePlace {
  readonly middle: Vec3;
  readonly halfHigh: number;
  readonly halfLong: number;
  readonly backX: number;
  readonly frontX: number;
}

export interface ThingPlan {
  readonly id: string;
  readonly name: string;
  /** As it was decided. */
  readonly thing: Thing;
  /** Round the part over the finished coat; null for what goes round nothing, or where none can be drawn. */
  readonly girthMm: number | null;
  /** Lengths that follow from it, each with what it is. */
  readonly lengths: readonly { readonly says: string; readonly figure: Figure }[];
  readonly panels: readonly Panel[];
  /** Pattern to finished outline, of felt. */
  readonly pattern: Figure | null;
  readonly cuts: readonly Cut[];
  /** Of wood. */
  readonly wood: Figure | null;
  /** Of all of it. */
  readonly massG: number;
  readonly worn: WornPlace | null;
  readonly framed: FramePlace | null;
  /** The animal stands out so far beyond the front of the frame, less than nothing where it stays within it. */
  readonly beyondMm: number | null;
}
