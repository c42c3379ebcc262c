/**
 * What every stage of a plan gives back: its result, its findings and the operations it asks for. Judgement lives next
 * to the figures it judges; work to do is said as operations and only ordered elsewhere.
 */
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

export type StageName = 'form' | 'coat' | 'shade' | 'face' | 'order' | 'stock' | 'log';

/** One thing to do, as every stage says it. */
export interface Operation {
  readonly id: string;
  readonly stage: StageName;
  /** The area it is for, or the part of the core. */
  readonly areaId: string;
  readonly does: Text;
  readonly kind: 'wire' | 'core' | 'blend' | 'cut' | 'lay' | 'veil' | 'raise' | 'make' | 'set' | 'thread' | 'check';
  readonly lotId: string | null;
  readonly massG: number;
  readonly cutLengthMm: number | null;
  readonly rows: number;
  readonly passes: Text | null;
  readonly needle: Text | null;
  readonly minutes: number;
  /** Operations that must be done before this one, with the reason. */
  readonly after: readonly { readonly id: string; readonly why: Text; readonly strength: number }[];
  /** Lightness of the wool, 0 black to 100 white: pale goes before dark where nothing else decides. */
  readonly lightness: number;
  readonly caution: Text | null;
}

export interface Stage<Result> {
  readonly result: Result;
  readonly findings: readonly Finding[];
  readonly operations: readonly Operation[];
}
