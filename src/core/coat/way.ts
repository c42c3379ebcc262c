/**
 * A way of laying: what it is good for, what it costs, which wool suits it, how a maker would begin with it, and how a
 * spec and the shape of an area become figures, rows, findings and operations. Every way is one file that makes one of
 * these; `ways.ts` lists them.
 */
import type { Body } from '@/core/form/body';
import type { Memo } from '@/core/memo';
import type { Figure, Method } from '@/core/method/define';
import type { Known } from '@/core/method/doubt';
import type { Laid } from '@/core/piece/coat';
import type { Cupboard, Lot, WOOL_FORMS } from '@/core/piece/cupboard';
import type { Hand } from '@/core/piece/hand';
import type { Area } from '@/core/piece/schema';
import type { Finding, Operation, PieceChange, WoolUse } from '@/core/stage';
import type { Suits } from '@/core/wool/forms';
import type { LaidWool } from '@/core/wool/laid-wool';
import type { Text } from '@/core/text';
import type { TimeFigure } from '@/core/time/work-time';
import type { MarginRange } from '@/core/coat/cover/margin-range';
import type { AreaShape } from '@/core/coat/rows/area-shape';
import type { Docket } from '@/core/coat/chart/docket';
import type { LayChart } from '@/core/coat/chart/lay-chart';
import type { LockSeat } from '@/core/coat/techniques/locks/lock-seats';
import type { Pile } from '@/core/coat/picture/pile';
import type { Longer } from '@/core/coat/rows/as-long';
import type { RowsLying } from '@/core/coat/rows/spacing';
import type { RowSet } from '@/core/coat/rows/rows';
import type { Sandwich } from '@/core/coat/techniques/standing/sandwich';
import type { SheetCut } from '@/core/coat/techniques/sheet/sheet-cut';
import type { StripPlan } from '@/core/coat/techniques/strip/strip-line';
import type { TrimPlan } from './trim';

type WoolForm = (typeof WOOL_FORMS)[number];

/** How well a form of wool serves a way of laying, with the reason. */
export interface Suit {
  readonly suits: Suits;
  readonly why: string;
}

/** An area that must lie before this one, with the reason. */
export interface Under {
  readonly areaId: string;
  readonly why: Text;
  readonly strength: number;
}

/** A spec with the wool and the hand it is laid by. */
export interface Spec<C extends Laid = Laid> {
  readonly spec: C;
  readonly lot: Lot;
  /** The maker's rates, with what practice swatches of this wool have taught. */
  readonly hand: Hand;
  /** Laid over meant, from weighed swatches of this wool; 1 without. */
  readonly habit: number;
  /** Measured loft over the one worked out, from swatches; 1 without. */
  readonly rise: number;
}

/** What a spec looks like wherever it lies. */
export interface Look {
  /** Share of the base hidden, seen from above; and aslant, at 45 degrees against the lie. */
  readonly cover: Figure;
  readonly slant: Figure;
  /** Mass that stays on a square cm. */
  readonly areal: Figure;
  readonly loft: Figure;
  /** Wool in a cubic cm of what lies, where fur lies on fur. */
  readonly tightness?: Figure;
  /** Loft of the place where it lies tightest, where that is another than the one told. */
  readonly tightLoft?: Figure;
  /** Wool to take for a square cm with all losses, mg, and minutes to lay it: what a change of the spec is judged by. */
  readonly takesMgCm2: number;
  readonly minutesCm2: number;
}

/** The look as figures only. */
export const shown = ({ cover, slant, areal, loft, tightness }: Look) => ({
  cover,
  slant,
  areal,
  loft,
  ...(tightness ? { tightness } : {}),
});

export interface LayContext<C extends Laid = Laid> extends Spec<C> {
  readonly area: Area;
  readonly areaIndex: number;
  /** Rows that lie already, as they were measured. */
  readonly lying: RowsLying;
  /** Rows that are longer or shorter than the shape has them, as they were measured. */
  readonly longer: readonly Longer[];
  /** How far up the maker stopped laying it, a share of the way to the top; null where it is laid to the top. */
  readonly stopsAt: number | null;
  readonly cupboard: Cupboard;
  /** What of the wool and of the hand the maker has measured. */
  readonly known: Known;
  /** The wools `lot` is laid together from; itself where it is one. */
  readonly parts: LaidWool['parts'];
  /** What puts another wool in place of one of them. */
  readonly instead: (of: Lot, other: Lot) => readonly PieceChange[];
  /** Another wool with what is known of it, and any way of laying: for judging what a change would do. */
  readonly withLot: (lot: Lot) => Omit<Spec, 'spec'>;
  readonly wayOf: (method: Laid['method']) => Way;
  readonly shape: AreaShape;
  /** Null on a practice ball. */
  readonly body: Body | null;
  readonly under: readonly Under[];
  /** Remembers what was made of the area, see `Memo.keep`. */
  readonly keep: Memo['keep'];
}

/** Figures every way gives, and its own besides. */
export interface LayFigures extends Omit<Look, 'takesMgCm2' | 'minutesCm2' | 'tightness' | 'tightLoft'> {
  /** Wool to take from the lot of the area. */
  readonly mass: Figure;
  /** Laying, and felting or fixing what was laid. */
  readonly minutes: TimeFigure;
  /** Cut off in trimming. */
  readonly waste: Figure;
  readonly rows: Figure;
  readonly rowLength: Figure;
  readonly [own: string]: Figure;
}

export interface Draw {
  readonly lotId: string;
  readonly massG: number;
  readonly for: Extract<WoolUse, 'coat' | 'band' | 'anchor'>;
}

/** An area laid in one way: all that follows from the decision. Plain data. */
export interface Lay {
  readonly figures: LayFigures;
  readonly docket: Docket;
  readonly rows: RowSet;
  readonly chart: LayChart;
  /** Share of the base hidden on every triangle of the area. */
  readonly coverMap: Float32Array;
  /** Wool by lot: the area's own first, then markings and anchors. */
  readonly draws: readonly Draw[];
  readonly pile: Pile;
  readonly trim: TrimPlan | null;
  /** Loft from the hem (0) to the top (1) of the area, in even steps, where it changes on the way; null where it does not. */
  readonly loftUp: readonly number[] | null;
  readonly sandwich: Sandwich | null;
  readonly strip: StripPlan | null;
  readonly sheet: SheetCut | null;
  /** Where locks are to sit, for sharing out the sorted ones; empty for other ways. */
  readonly seats: readonly LockSeat[];
  readonly findings: readonly Finding[];
  readonly operations: readonly Operation[];
}

/** What most ways have nothing of. */
export const PLAIN_LAY = { loftUp: null, sandwich: null, strip: null, sheet: null, seats: [] } as const;

/** Length and spacing as shares of the finished length, lift in degrees. */
export interface FirstShares {
  readonly length: number;
  readonly spacing: number;
  readonly lift: number;
}

/** What a first spec is made from. */
export interface Begin {
  /** What is usual for that place of the animal, where it is known. */
  readonly usual?: FirstShares;
  readonly lot: Lot;
  readonly cupboard: Cupboard;
  readonly hand: Hand;
  readonly finishedLengthMm: number;
  /** Length, lift and weight on a square cm the area has now, where it has a coat. */
  readonly now: { readonly lengthMm: number; readonly liftDeg: number; readonly arealMgCm2: number } | null;
}

export interface Way<C extends Laid = Laid> {
  readonly method: C['method'];
  /** On buttons and tickets. */
  readonly title: string;
  /** What is laid one after another. */
  readonly unit: { readonly one: string; readonly many: string };
  /** How its surface is finished: long fur teased up again, short fur passed over lightly, velvet raised. */
  readonly surface: 'teased' | 'passed' | 'raised';
  /** Trimmed as a step of its own, or as it is laid. */
  readonly trimmed: 'by itself' | 'in laying';
  /** Why nothing is trimmed, where there is more to say than that. */
  readonly untrimmed?: string;
  /** What is taken in hand: lengths cut from the wool, locks as they grew, feathers cut out of felt. */
  readonly takes: 'cut lengths' | 'locks' | 'feathers';
  /** The figure that says how many single tufts, locks or pieces are laid; none where it is laid in one. */
  readonly counts?: string;
  /** The measure that says how far apart they are set along a row; none where it is not asked. */
  readonly pitchKey?: keyof C & string;
  /** Every one can be turned a little further than the last, so that two lies meet without an edge. */
  readonly fans?: true;
  /** On a ticket, in two or three words; its title where it says nothing. */
  readonly inShort?: (rows: number) => string;
  /** The measures that may be moved until the coat only just covers. */
  readonly margins: readonly MarginRange[];
  /** A spec with one measure changed and all that goes along with it; only that measure where it says nothing. */
  readonly changed?: (spec: C, key: string, value: number) => C;
  /** Whether every root lies hidden under another row; asked only where roots can show. */
  readonly rootsHidden?: (spec: C) => boolean;
  /** Finished lengths along the area where they change, and where that is. */
  readonly lengths?: (spec: C) => readonly (readonly [string, number])[];
  /** The measures that say how long its fur is, as its schema has them. */
  readonly lengthKeys?: readonly (keyof C & string)[];
  /** Longest finished length its wool allows, in halves of a mm. */
  readonly longest?: (s: Spec<C>) => number;
  /** How far its fur reaches over the skin, mm. */
  readonly reach?: (spec: C) => number;
  /** Lots it draws on besides its own. */
  readonly moreLots?: (spec: C) => readonly string[];
  /** Formulas of its own, for the handbook and for opening a figure. */
  readonly methods: readonly Method[];
  readonly goodFor: string;
  readonly costs: string;
  readonly suits: Readonly<Record<WoolForm, Suit>>;
  readonly begin: (b: Begin) => C;
  readonly look: (s: Spec<C>) => Look;
  readonly lay: (c: LayContext<C>) => Lay;
}

/** A spec with one measure moved, and all that goes along with it. */
export const withMeasure = (way: Way, spec: Laid, key: string, value: number): Laid =>
  way.changed ? way.changed(spec, key, value) : ({ ...spec, [key]: value } as Laid);
