/**
 * What every stage of a plan gives back: its result, its findings and the operations it asks for. Judgement lives next
 * to the figures it judges; work to do is said as operations and only ordered elsewhere.
 */
import type { Vec3 } from './geometry/vec';
import type { Text } from './text';

export type Severity = 'stop' | 'caution' | 'note';

/** A change to the piece: the value to put at a path. */
export interface PieceChange {
  readonly path: readonly (string | number)[];
  readonly value: unknown;
}

export interface Remedy {
  /** What the button says. */
  readonly label: Text;
  /** What it will do to the figures. */
  readonly effect: Text;
  readonly changes: readonly PieceChange[];
}

export interface Finding {
  /** Stays the same from plan to plan for the same matter. */
  readonly id: string;
  readonly stage: StageName;
  readonly severity: Severity;
  /** The area, part or lot it is about; null for the whole piece. */
  readonly about: string | null;
  readonly says: Text;
  readonly why: Text;
  readonly remedies: readonly Remedy[];
}

export type StageName = 'form' | 'coat' | 'shade' | 'face' | 'needle' | 'order' | 'stock' | 'log';

/** Where needling goes on. */
export type Where =
  | { readonly on: 'area' | 'part'; readonly id: string }
  /** At the roots of all parts that sit on others. */
  | { readonly on: 'joints' }
  /** On the mat, off the piece: so thick, with a side that must not be reached. */
  | { readonly on: 'mat'; readonly thickMm: number; readonly lined: boolean }
  | { readonly on: 'places'; readonly places: readonly Vec3[] };

/** What the needle has to do there. */
export type Stabbing = 'through' | 'join' | 'root' | 'surface' | 'line' | 'deep' | 'raise' | 'flat';

/** Needling as a stage asks for it; which needle, how deep and at what angle is worked out from it. */
export interface Needlework {
  readonly kind: Stabbing;
  readonly where: Where;
  readonly passes: number;
  /** All passes together. */
  readonly stabs: number;
  /** Wool lying on the ground that the barbs take in, pressed down, mm. */
  readonly layerMm: number;
  /** Of the wool seen on top when it is done. */
  readonly topMgCm2: number;
  readonly finenessUm: number;
  readonly spread: number;
  /** How dense the ground is, mg/cm3. */
  readonly groundMgCm3: number;
  /** The place stays in sight, so that marks of the needle count. */
  readonly shows: boolean;
  /** For raising: thickness of the colour that lies below the top layer, mm. */
  readonly underMm: number;
  /** Stabs on a square cm in one pass. */
  readonly perCm2: number;
  /** Along a row: stabs of all passes on a square mm of its line; 0 where there is no line. */
  readonly linePerMm2: number;
}

/** A choice of the maker that asks for a tie, and the one that would do without it. */
export interface TieChoice {
  readonly school: Text;
  readonly instead: Remedy;
}

/** Something that must be done first, and why. */
export interface After {
  readonly id: string;
  readonly why: Text;
  /** Infinity where it cannot be otherwise; less where it may be let go. */
  readonly strength: number;
  readonly choice?: TieChoice;
  /** Only an order: what comes after does not rest on it, so doing it again undoes nothing. */
  readonly orderOnly?: boolean;
}

/** One thing to do, as every stage says it. */
export interface Operation {
  readonly id: string;
  readonly stage: StageName;
  /** The area it is for, or the part of the core. */
  readonly areaId: string;
  readonly does: Text;
  readonly kind:
    'wire' | 'core' | 'blend' | 'cut' | 'lay' | 'veil' | 'raise' | 'make' | 'set' | 'thread' | 'trim' | 'check';
  readonly lotId: string | null;
  readonly massG: number;
  readonly cutLengthMm: number | null;
  readonly rows: number;
  readonly passes: Text | null;
  readonly needlework: Needlework | null;
  readonly minutes: number;
  /** What has to set or dry before what comes after it can begin, minutes. */
  readonly wait?: { readonly minutes: number; readonly says: Text };
  /** Must be done in one go: it cannot be left half done from one sitting to the next. */
  readonly whole?: boolean;
  /** Operations that must be done before this one, with the reason. */
  readonly after: readonly After[];
  /** Lightness of the wool, 0 black to 100 white: pale goes before dark where nothing else decides. */
  readonly lightness: number;
  readonly caution: Text | null;
}

export interface Stage<Result> {
  readonly result: Result;
  readonly findings: readonly Finding[];
  readonly operations: readonly Operation[];
}
