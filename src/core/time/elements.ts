/**
 * The elements of the work, as a method study takes them apart: what is taken up, laid, felted, looked at and put right. Minutes
 * for one of each, low, likely and high: one time in ten it is quicker than the low, one in ten slower than the high. First values
 * are ours, so that whole pieces come to what makers know of them; the maker's own replace them.
 */

import type { Learnt } from './learning';

export interface Minutes {
  readonly low: number;
  readonly likely: number;
  readonly high: number;
}

/** Kinds of work a hand may be quicker or slower at, each with what it is called. */
export const KINDS = {
  preparing: 'Preparing: blending, cutting, sorting, bagging',
  wire: 'Wire',
  core: 'Core, joints and flat parts',
  rows: 'Rows of fur, locks and bows',
  layers: 'Top coat and layers of colour',
  face: 'The face',
  finishing: 'Trimming and finishing',
} as const;
export type KindOfWork = keyof typeof KINDS;
export const KINDS_OF_WORK = Object.keys(KINDS) as KindOfWork[];

export interface Element extends Minutes {
  /** The kind of work it belongs to; null for what goes along with all of them. */
  readonly kind: KindOfWork | null;
  /** What is done, with what one of it is. */
  readonly does: string;
}

const of = (kind: KindOfWork | null, does: string, low: number, likely: number, high: number): Element => ({
  kind,
  does,
  low,
  likely,
  high,
});

export const ELEMENTS = {
  step: of(null, 'Take up a step: tools, the place, a look from three sides', 0.3, 0.7, 1.5),
  photographs: of('preparing', 'Find and put up the photographs of a piece', 5, 10, 25),
  wire: of('wire', 'Measure, cut, bend and wrap one run of wire', 4, 7, 13),
  corePart: of('core', 'Tease, weigh and begin one part of the core', 2, 4, 8),
  coreStabs: of('core', 'A hundred stabs into a core', 0.5, 0.75, 1.2),
  coreLook: of('core', 'Squeeze, turn and compare the core once', 0.4, 0.8, 1.6),
  joint: of('core', 'Join two parts and smooth the collar over it', 3, 5, 9),
  flatPart: of('core', 'Felt one flat part, edge and all', 8, 14, 25),
  blend: of('preparing', 'Pull wools apart and together for one blend', 1.5, 2.5, 5),
  cutTen: of('preparing', 'Draw off, measure and cut wool for ten pinches', 0.6, 1, 2),
  pickTen: of('preparing', 'Look out ten locks of one length', 0.6, 1.2, 2.4),
  row: of('rows', 'Find the line of a row and begin it', 0.3, 0.5, 1),
  pinch: of('rows', 'Lay one pinch of wool', 0.2, 0.33, 0.6),
  fold: of('rows', 'Fold one pinch down', 0.05, 0.08, 0.14),
  rowCm: of('rows', 'Felt a centimetre of row in six passes', 0.22, 0.32, 0.5),
  tug: of('rows', 'Tug at a row and mend it', 0.2, 0.35, 0.6),
  compare: of(null, 'Compare both sides and the photograph once', 0.7, 1.5, 3),
  lock: of('rows', 'Tease and set one lock', 0.3, 0.5, 0.9),
  featherCut: of('preparing', 'Cut out one feather of flat felt', 0.2, 0.35, 0.7),
  feather: of('rows', 'Set one felted feather by its quill', 0.3, 0.5, 0.9),
  bow: of('rows', 'Pinch, place and fold one bow', 0.25, 0.4, 0.7),
  piece: of('layers', 'Draw off and place one piece of top coat', 0.35, 0.6, 1.1),
  wisp: of('layers', 'Draw off and lay one wisp', 0.15, 0.25, 0.45),
  surfaceStabs: of('layers', 'A hundred stabs into a layer', 0.5, 0.75, 1.2),
  look: of('layers', 'Look over a layer, after ten pieces or 25 wisps', 0.5, 1, 2),
  sheet: of('layers', 'Lay and prefelt one sheet', 3, 6, 12),
  bareCheck: of('layers', 'Look for bare core and patch it', 3, 6, 12),
  bag: of('preparing', 'Bag one colour before a trim', 0.7, 1.5, 3),
  trimCm2: of('finishing', 'Tease, comb and trim a square centimetre', 0.08, 0.13, 0.25),
  nose: of('face', 'Make a nose and set it', 8, 14, 26),
  eyeMade: of('face', 'Make one eye', 2.5, 5, 10),
  eyesSeated: of('face', 'Find and open the seats of both eyes', 5, 9, 17),
  eyesSet: of('face', 'Set both eyes and look whether they are level', 5, 9, 17),
  faceLine: of('face', 'Felt a mouth, a pair of lids or brows', 6, 11, 22),
  ear: of('face', 'Place, tack or fix one ear', 5, 9, 18),
  whisker: of('face', 'Thread one whisker through and cut it', 1.5, 2.5, 5),
  woodPart: of('finishing', 'Saw, sand and bore one piece of wood', 5, 10, 20),
  putOn: of('finishing', 'Put on one small thing and close it', 1.5, 3, 7),
  finish: of('finishing', 'Tease up, pass over and snip a finished animal', 6, 14, 30),
} as const satisfies Readonly<Record<string, Element>>;

export type ElementName = keyof typeof ELEMENTS;
export const ELEMENT_NAMES = Object.keys(ELEMENTS) as ElementName[];

/** How often each element occurs in some work. */
export type Work = Readonly<Partial<Record<ElementName, number>>>;

/** The maker's own minutes in place of first values, and how many times as long as these the log has taught that the rest takes. */
export interface Pace {
  readonly times: Readonly<Partial<Record<ElementName, Minutes>>>;
  /** By kind of work; of what goes along with all of them under `all`. */
  readonly slower?: Readonly<Record<KindOfWork | 'all', number>>;
  /** What that rests on, and how sure it is. */
  readonly learnt?: Learnt | null;
}

/** The maker's own minutes stay as they are; first values are put right by what was learned of their kind of work. */
export function minutesFor(pace: Pace, name: ElementName): Minutes {
  const own = pace.times[name];
  if (own) return own;
  const first = ELEMENTS[name];
  const by = pace.slower?.[first.kind ?? 'all'] ?? 1;
  return by === 1 ? first : { low: first.low * by, likely: first.likely * by, high: first.high * by };
}

/** The same hand before the log has taught anything. */
export const unlearnt = ({ times }: Pace): Pace => ({ times });

/** Stabs a minute at the surface. */
export const stabsAMinute = (pace: Pace): number => 100 / meanOf(minutesFor(pace, 'surfaceStabs'));

/** Mean of an element from its low, likely and high (Swanson's weights, from memory). */
export const meanOf = (m: Minutes): number => 0.3 * m.low + 0.4 * m.likely + 0.3 * m.high;
