/**
 * What every stage of a plan starts from and gives back: its result, its findings, the operations it asks for and what
 * steps of other stages have to wait for. Judgement lives next to the figures it judges; work to do is said as operations
 * and only ordered elsewhere.
 */
import type { Work } from '@/core/time/elements';
import type { Decision } from './decision';
import type { FindingCode } from './finding-codes';
import type { Memo } from './memo';
import type { Cupboard, Pile } from './piece/cupboard';
import type { HandAtWork } from './rates/hand-at-work';
import type { SEVERITIES } from './piece/known';
import type { Piece } from './piece/schema';
import type { Ref } from './ref';
import type { Vec3 } from './geometry/vec';
import type { Text } from './text';

type Severity = (typeof SEVERITIES)[number];

/** What weighs most comes first. */
export const RANK: Readonly<Record<Severity, number>> = { stop: 0, caution: 1, note: 2 };

/** A change to the piece: the value to put at a path. */
export interface PieceChange {
  readonly path: readonly (string | number)[];
  readonly value: unknown;
}

/** What is entered in the cupboard of a lot: grams that came, sorted locks that were found. */
interface LotEntry {
  readonly lotId: string;
  readonly moreG?: number;
  readonly morePiles?: readonly Pile[];
}

export interface Remedy {
  /** What the button says. */
  readonly label: Text;
  /** What it will do to the figures. */
  readonly effect: Text;
  readonly changes: readonly PieceChange[];
  /** What is entered in the cupboard with it. */
  readonly enters?: readonly LotEntry[];
}

export interface Finding {
  /** Stays the same from plan to plan for the same matter; tells it from others of its code. */
  readonly id: string;
  /** What is found, whatever it is about. */
  readonly code: FindingCode;
  readonly stage: StageName;
  readonly severity: Severity;
  /** Null for the whole piece. */
  readonly about: Ref | null;
  /** The step it is about, where it is about one. */
  readonly step?: string;
  readonly says: Text;
  readonly why: Text;
  readonly remedies: readonly Remedy[];
}

type StageName = 'form' | 'coat' | 'shade' | 'face' | 'needle' | 'order' | 'stock' | 'log';

/** Where needling goes on. */
export type Where =
  | { readonly on: 'area' | 'part'; readonly id: string }
  /** At the roots of all parts that sit on others. */
  | { readonly on: 'joints' }
  /** On the mat, off the piece: so thick, with a side that must not be reached. */
  | { readonly on: 'mat'; readonly thickMm: number; readonly lined: boolean }
  | { readonly on: 'places'; readonly places: readonly Vec3[] };

/** What the needle has to do there. */
type Stabbing = 'through' | 'join' | 'root' | 'surface' | 'line' | 'deep' | 'raise' | 'flat';

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
  /** How wide the place is, mm, where whoever asks knows; else it goes by the area and the felt. */
  readonly acrossMm: number | null;
  /** How much marks of the needle tell: 1 as usual, up to 2 on a thin pale layer. */
  readonly tells: number;
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

/** What wool is for in the step that takes it. */
export type WoolUse =
  'coat' | 'band' | 'anchor' | 'core' | 'collar' | 'flat part' | 'lining' | 'layer of colour' | 'face' | 'small thing';

/** Wool of one lot that goes through a step. */
export interface Material {
  /** Null where the maker has not chosen a wool yet. */
  readonly lotId: string | null;
  readonly massG: number;
  readonly for: WoolUse;
  /** Each gram comes out of the cupboard once; what was blended, cut or made before comes from an earlier step. */
  readonly from: 'cupboard' | 'earlier step';
}

/** One thing to do, as every stage says it. */
export interface Operation {
  readonly id: string;
  readonly stage: StageName;
  readonly about: Ref;
  readonly does: Text;
  readonly kind:
    'wire' | 'core' | 'blend' | 'cut' | 'lay' | 'veil' | 'raise' | 'make' | 'set' | 'thread' | 'trim' | 'check';
  /** Decisions of the maker it rests on: a change of one after it was done is seen and named. */
  readonly restsOn: readonly Decision[];
  /** All wool that goes through it. */
  readonly materials: readonly Material[];
  readonly cutLengthMm: number | null;
  readonly rows: number;
  readonly passes: Text | null;
  readonly needlework: Needlework | null;
  /** What else is wanted on the table. */
  readonly tools: readonly Text[];
  /** Done before the eyes are set, so that they are not in its way. */
  readonly beforeEyes?: true;
  /** The elements of its work, and the minutes they take. */
  readonly work: Work;
  readonly minutes: number;
  /** What has to set or dry before what comes after it can begin, minutes. */
  readonly wait?: { readonly minutes: number; readonly says: Text };
  /** Must be done in one go: it cannot be left half done from one sitting to the next. */
  readonly whole?: boolean;
  /** The step it is done right before, where nothing else decides. */
  readonly rightBefore?: string;
  /** Operations that must be done before this one, with the reason. */
  readonly after: readonly After[];
  /** Lightness of the wool, 0 black to 100 white: pale goes before dark where nothing else decides. */
  readonly lightness: number;
  readonly caution: Text | null;
}

/** A day as the maker counts it, and the instant it began. */
export interface Today {
  readonly date: string;
  readonly beganAt: string;
}

/** What every stage starts from, besides the plans before it: what the maker decided, has, and how the maker works. */
export interface Context {
  readonly piece: Piece;
  readonly cupboard: Cupboard;
  readonly hand: HandAtWork;
  /** The day it is planned on; null where that is left out. */
  readonly today: Today | null;
  readonly memo: Memo;
}

/** What a step of another stage has to wait for. */
export interface StepTie {
  readonly operationId: string;
  readonly after: After;
}

/** A stage that asks for no steps. */
export const NO_WORK = { operations: [], ties: [] } as const;

/** What every stage gives: `plan(context, before)`. */
export interface Stage<Result> {
  readonly result: Result;
  readonly findings: readonly Finding[];
  readonly operations: readonly Operation[];
  readonly ties: readonly StepTie[];
}
