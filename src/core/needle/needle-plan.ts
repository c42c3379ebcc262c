/** What the needle stage takes and gives: needles tried, stretches of work, the plan. Plain data, and words for its limits. */
import type { CoatPlan } from '@/core/coat/coat-plan';
import type { Figure } from '@/core/method/define';
import type { Cupboard, Needle } from '@/core/piece/cupboard';
import type { Piece } from '@/core/piece/schema';
import type { Context, Needlework, Operation } from '@/core/stage';
import type { Text } from '@/core/text';
import type { Limit } from './depth-window';
import type { Fit, Sight, Stretch } from './fit';
import type { Ground, Lean } from './ground';
import type { Capsule } from './obstacles';

export interface FinishPass {
  readonly needleId: string;
  readonly name: string;
  readonly perCm2: number;
  /** No deeper than this, along the needle. */
  readonly strokeMm: number;
  readonly minutes: number;
  readonly marksAfter: number;
}

export interface FinishedArea {
  readonly areaId: string;
  readonly name: string;
  readonly areaMm2: number;
  /** What every needle owned would leave on it by one usual pass. */
  readonly leaves: readonly { readonly needleId: string; readonly name: string; readonly share: number }[];
  /** Marks after the planned passes. */
  readonly now: number;
  /** Passes to add; empty where none is needed. */
  readonly passes: readonly FinishPass[];
  /** After them. */
  readonly then: number;
  /** No pass at hand closes enough. */
  readonly short: boolean;
  /** Fluff is wanted here: it is left as it is. */
  readonly fluff: Text | null;
}

export interface FinePlace {
  readonly operationId: string;
  readonly name: string;
  readonly needleId: string;
  readonly needle: string;
  readonly strokeMm: number;
  readonly angleDeg: number;
  readonly marks: number;
  readonly says: Text;
}

export interface FinishPlan {
  readonly areas: readonly FinishedArea[];
  readonly places: readonly FinePlace[];
}

export interface NeedlePhase {
  /** What it is for, where a step is done in several stretches. */
  readonly says: Text | null;
  readonly needleId: string;
  readonly name: string;
  /** The holder it is used in; null for one needle in the fingers. */
  readonly holder: { readonly id: string; readonly name: string; readonly needles: number } | null;
  readonly angleDeg: number;
  readonly lean: Lean | null;
  /** Along the needle, from where its point meets the wool. */
  readonly leastMm: number;
  readonly mostMm: number;
  readonly strokeMm: number;
  /** Square to the skin. */
  readonly depthMm: number;
  readonly limit: Limit;
  readonly openShare: number;
  readonly barbs: number;
  readonly marks: number;
  readonly passes: number;
  readonly stabs: number;
  readonly minutes: number;
  /** How depth, time and marks were found. */
  readonly figures: { readonly depth: Figure; readonly time: Figure; readonly marks: Figure | null };
  readonly because: Text;
  /** Places where it is otherwise, in words. */
  readonly tight: readonly Text[];
}

export interface NeedleStep {
  readonly operationId: string;
  readonly kind: Needlework['kind'];
  readonly layerMm: number;
  readonly phases: readonly NeedlePhase[];
}

export interface RackUse {
  readonly needleId: string;
  readonly steps: number;
  readonly stabs: number;
  readonly minutes: number;
}

export interface NeedlePlan {
  readonly steps: readonly NeedleStep[];
  /** Changes of needle in the order of the work. */
  readonly changes: readonly { readonly operationId: string; readonly from: string; readonly to: string }[];
  readonly use: readonly RackUse[];
  readonly finish: FinishPlan;
}

export interface Candidate {
  readonly needle: Needle;
  readonly fit: Fit;
}

export interface Tried {
  readonly operation: Operation;
  readonly work: Needlework;
  readonly stretches: readonly (Stretch & {
    /** Those it is chosen from, and all that were tried. */
    readonly candidates: readonly Candidate[];
    readonly tried: readonly Candidate[];
  })[];
  readonly sight: Sight;
  /** How wide the place is, mm. */
  readonly acrossMm: number;
  readonly chosen: Piece['work']['chosen'][number] | null;
}

export interface NeedleInput extends Context {
  readonly coat: CoatPlan;
  readonly ground: Ground;
  /** What is in the way once the eyes are set. */
  readonly eyes: readonly Capsule[];
}

/** Needles there are, coarse before fine. */
export const owned = (c: Cupboard): Needle[] => c.needles.filter((n) => n.count > 0).sort((a, b) => a.gauge - b.gauge);

/** The one needle of the school that uses one: as chosen, else the finest ordinary one. */
export function oneNeedle(piece: Piece, cupboard: Cupboard): Needle | null {
  const mine = owned(cupboard);
  const plain = mine.filter((n) => n.section !== 'reverse' && n.section !== 'crown');
  return mine.find((n) => n.id === piece.work.oneNeedleId) ?? plain[plain.length - 1] ?? null;
}

const LIMIT_WORDS: Readonly<Record<Limit, string>> = {
  'the other side': 'it would come through on the other side',
  'the wire': 'it would hit the wire',
  'the eye': 'it would hit a set eye or its stem',
  'the mat': 'a barb would go into the mat',
  'the fingers': 'it would come out where it is held',
  'the blade': 'the blade is no longer',
  'the steel': 'so deep a blade so thin may break',
  'the root': 'a deeper root takes length from the fur',
  'what lies below': 'it would pull up what lies below that colour',
};

export const limitWords = (l: Limit): string => LIMIT_WORDS[l];
