/**
 * Which figures a change may move, known before anything is worked out: so that what may be old is shown as such at once, and what
 * stays is left alone. What it does not name stays the same to the last digit; a test holds that.
 */
import type { Cupboard } from './piece/cupboard';
import type { Hand } from './piece/hand';
import type { Piece } from './piece/schema';
import type { Plan } from './plan';
import { alike } from './alike';
import { longerOf, lyingOf, stoppedBy } from './coat/rows/lying';
import { handAtWork, type HandAtWork } from './rates/hand-at-work';

/** What the plan is made of, as rooms show it. */
export type PlanPart = Exclude<keyof Plan, 'pieceId' | 'findings' | 'hand'>;

export interface Inputs {
  readonly piece: Piece;
  readonly cupboard: Cupboard;
  readonly hand: Hand;
}

export interface Touched {
  readonly parts: ReadonlySet<PlanPart>;
  /** Areas whose own figures may move: how they are laid, and their colour. */
  readonly coats: ReadonlySet<string> | 'all';
  readonly colours: ReadonlySet<string> | 'all';
}

const LAST = ['needles', 'work', 'stock', 'log'] as const;
const INSIDE = ['core', 'frame', 'things', 'stands', 'face', ...LAST] as const;
const BUT_FORM = ['coat', 'shade', 'flatParts', ...INSIDE] as const;
const ALL = ['form', ...BUT_FORM] as const;

/** What each field of the piece moves; null where it depends on more than that it changed. */
const OF_PIECE: Readonly<Record<keyof Piece, readonly PlanPart[] | 'by area'>> = {
  kind: [],
  schema: [],
  id: [],
  name: [],
  note: [],
  seed: BUT_FORM,
  form: ALL,
  core: ['shade', ...INSIDE],
  frame: INSIDE,
  references: [],
  // What is made apart is decided, and so no longer counted as skin that is not.
  flatParts: ['coat', 'flatParts', 'shade', 'face', ...LAST],
  combs: ALL,
  areas: 'by area',
  markings: BUT_FORM,
  smallParts: ['coat', 'shade', 'face', ...LAST],
  things: ['things', 'frame', 'stands', ...LAST],
  face: ['coat', 'shade', 'things', 'stands', 'face', ...LAST],
  correction: ['shade', ...LAST],
  work: LAST,
  known: [],
  log: LAST,
};
/** Fields of the piece that move how every area is laid, and those that move its colour: the core is its ground. */
const EVERY_COAT: ReadonlySet<keyof Piece> = new Set<keyof Piece>(['form', 'combs', 'markings', 'face']);
const EVERY_COLOUR: ReadonlySet<keyof Piece> = new Set<keyof Piece>([...EVERY_COAT, 'seed', 'core', 'flatParts']);

const OF_CUPBOARD: Readonly<Record<keyof Cupboard, readonly PlanPart[]>> = {
  kind: [],
  schema: [],
  lots: BUT_FORM,
  needles: BUT_FORM,
  holders: LAST,
  wires: INSIDE,
  eyes: ['coat', 'shade', 'face', ...LAST],
  threads: ['face', ...LAST],
  swatches: BUT_FORM,
  blends: BUT_FORM,
};
/** What of the cupboard moves the figures of areas. */
const WOOL: ReadonlySet<keyof Cupboard> = new Set<keyof Cupboard>(['lots', 'swatches', 'blends', 'needles', 'eyes']);

/** Of the hand only the hours of the week and what is waited for leave the coat alone. */
const HOURS: ReadonlySet<keyof Hand> = new Set<keyof Hand>([
  'benchMinutes',
  'readyMinutes',
  'glueMinutes',
  'dryMinutes',
]);
/** And these move nothing. */
const NAMES: ReadonlySet<keyof Hand> = new Set<keyof Hand>(['kind', 'schema', 'id', 'name']);

const keysThatDiffer = <T extends object>(a: T, b: T): (keyof T)[] =>
  (Object.keys(b) as (keyof T)[]).filter((k) => a[k] !== b[k]);

type Area = Piece['areas'][number];

/** Areas that draw on one store of sorted locks: what one takes the other lacks. */
const sharesLocks = (a: Area): boolean => a.coat.method === 'locks';

/** Which areas a change of the list of areas moves; null where only names changed. */
function areasMoved(before: Piece, now: Piece): Touched['coats'] | null {
  const same = before.areas.length === now.areas.length && before.areas.every((a, i) => a.id === now.areas[i]!.id);
  if (!same) return 'all';
  const moved = new Set<string>();
  for (const [i, a] of now.areas.entries()) {
    const keys = keysThatDiffer(before.areas[i]!, a).filter((k) => k !== 'name');
    // Where an area lies and how its fur runs decides what is left for the others.
    if (keys.some((k) => k !== 'coat' && k !== 'shade')) return 'all';
    if (keys.length === 0) continue;
    moved.add(a.id);
    if (sharesLocks(a) || sharesLocks(before.areas[i]!))
      for (const other of now.areas) if (sharesLocks(other)) moved.add(other.id);
  }
  return moved.size === 0 ? null : moved;
}

type Some = Set<string> | 'all';
const withAll = (some: Some, more: ReadonlySet<string> | 'all'): Some =>
  some === 'all' || more === 'all' ? 'all' : new Set([...some, ...more]);

/** What may differ between the plans of two states of the desk. */
export function touched(before: Inputs, now: Inputs): Touched {
  const parts = new Set<PlanPart>();
  let coats: Some = new Set();
  let colours: Some = new Set();
  const add = (list: readonly PlanPart[]) => list.forEach((p) => parts.add(p));
  const everyArea = () => {
    coats = 'all';
    colours = 'all';
  };
  for (const key of keysThatDiffer(before.piece, now.piece)) {
    const moves = OF_PIECE[key];
    if (moves !== 'by area') {
      add(moves);
      if (EVERY_COAT.has(key)) coats = 'all';
      if (EVERY_COLOUR.has(key)) colours = 'all';
      continue;
    }
    const moved = areasMoved(before.piece, now.piece);
    if (moved === null) continue;
    add(moved === 'all' ? ALL : BUT_FORM);
    coats = withAll(coats, moved);
    colours = withAll(colours, moved);
  }
  for (const key of keysThatDiffer(before.cupboard, now.cupboard)) {
    add(OF_CUPBOARD[key]);
    if (WOOL.has(key)) everyArea();
  }
  for (const key of keysThatDiffer(before.hand, now.hand)) {
    if (NAMES.has(key)) continue;
    add(HOURS.has(key) ? LAST : BUT_FORM);
    if (!HOURS.has(key)) everyArea();
  }
  // What was written down, or left out of it, may teach the hand otherwise.
  if (before.piece.log !== now.piece.log) {
    const [was, is] = [before, now].map((x) => handAtWork(x.hand, x.piece)) as [HandAtWork, HandAtWork];
    if (!alike([was.slower, was.laying], [is.slower, is.laying])) {
      add(BUT_FORM);
      everyArea();
    }
    if (was.readyMinutes !== is.readyMinutes) add(LAST);
    // Rows measured move the rest of their area, as does stopping before its last one.
    const lies = (x: Inputs, id: string) => [
      lyingOf(x.piece.log, id),
      longerOf(x.piece.log, id),
      stoppedBy(x.piece.log, id)?.up,
    ];
    const measured = now.piece.areas.flatMap(({ id }) => (alike(lies(before, id), lies(now, id)) ? [] : [id]));
    if (measured.length > 0) {
      add(BUT_FORM);
      coats = withAll(coats, new Set(measured));
      colours = withAll(colours, new Set(measured));
    }
  }
  return { parts, coats, colours };
}

/** What the coat, as soon as it is ready, no longer leaves open: all before the core. */
export const READY_EARLY: readonly PlanPart[] = ['form', 'coat', 'shade'];
