/**
 * The desk: the piece in hand, the cupboard, the hand and the settings, with undo. Every change goes through `edit…`,
 * is remembered for undo, saved at once and planned anew in the worker. A drag counts as one change until `endGesture`.
 * Undo takes back what this window did and nothing another window did since.
 */
import { produce } from 'immer';
import { create } from 'zustand';
import { CUPBOARD_SCHEMA, type Cupboard } from '@/core/piece/cupboard';
import { defaultHand, type Hand } from '@/core/piece/hand';
import { readCupboard, readPiece, type Problem } from '@/core/piece/read';
import type { Piece } from '@/core/piece/schema';
import type { DraftSkin } from '@/core/form/draft';
import type { Plan, Progress } from '@/core/plan';
import { remedied } from '@/core/remedied';
import type { Remedy } from '@/core/stage';
import type { Edit, Lost } from './keeper';
import { redone } from './merge';
import { defaultSettings, type Settings } from './settings';
import { defaultView, type View } from './view';

/** What is kept for undo: one change of the maker, over all documents it touched. */
export interface Made {
  readonly piece?: Edit<Piece>;
  readonly cupboard?: Edit<Cupboard>;
  readonly hand?: Edit<Hand>;
}

/** A document that is stored but may not be written over, why, and what is stored where it can be handed out. */
export interface Unread {
  readonly why: Lost;
  readonly problems: readonly Problem[];
  readonly raw: unknown;
}

interface Answered {
  readonly shape: Settings['shape'];
  readonly piece: Piece;
  readonly cupboard: Cupboard;
  readonly hand: Hand;
}

interface Held {
  readonly piece: Piece;
  readonly plan: Plan;
  readonly at: string;
  /** The animal as it was seen; null where it was not drawn. */
  readonly picture: string | null;
}

export interface Desk {
  readonly piece: Piece | null;
  readonly cupboard: Cupboard;
  readonly hand: Hand;
  readonly settings: Settings;
  readonly view: View;
  /** Null until the first plan of this piece is ready. */
  readonly plan: Plan | null;
  /** The plan as it was before the last change; null where that is not known. */
  readonly before: Plan | null;
  /** A state of the piece held to compare with. */
  readonly held: Held | null;
  /** A quick, coarse skin shown while a part is being dragged; null when the plan's own is up to date. */
  readonly draft: DraftSkin | null;
  /** True while a handle or slider is held. */
  readonly dragging: boolean;
  /** Set while the worker is busy. */
  readonly progress: Progress | null;
  readonly stopped: boolean;
  readonly planError: string | null;
  /** What the plan shown was worked out from; null before the first. */
  readonly answered: Answered | null;
  /** What the plan shown was worked out from as far as the coat, where its core is still that of before. */
  readonly early: Answered | null;
  /** How many things are changed and not yet stored. */
  readonly unsaved: number;
  readonly savedAt: string | null;
  readonly saveError: string | null;
  /** Cupboard and hand that are stored and cannot be read: what stands in for them is not kept. */
  readonly unread: { readonly cupboard?: Unread; readonly hand?: Unread };
  /** Why nothing more of this piece can be stored; null while all is well. */
  readonly away: Lost | null;
  readonly canEdit: boolean;
  readonly past: readonly Made[];
  readonly future: readonly Made[];
  readonly message: string | null;
}

const emptyCupboard: Cupboard = {
  kind: 'fond-badger/cupboard',
  schema: CUPBOARD_SCHEMA,
  lots: [],
  needles: [],
  holders: [],
  wires: [],
  eyes: [],
  threads: [],
  swatches: [],
  blends: [],
};

export const useDesk = create<Desk>()((): Desk => ({
  piece: null,
  cupboard: emptyCupboard,
  hand: defaultHand,
  settings: defaultSettings,
  view: defaultView,
  plan: null,
  draft: null,
  dragging: false,
  progress: null,
  stopped: false,
  planError: null,
  answered: null,
  early: null,
  before: null,
  held: null,
  unsaved: 0,
  savedAt: null,
  saveError: null,
  unread: {},
  away: null,
  canEdit: true,
  past: [],
  future: [],
  message: null,
}));

/** Whether what is shown answers what is decided now; a plan stopped or failed is not being waited for. */
export const upToDate = (s: Desk): boolean =>
  s.piece === null ||
  s.stopped ||
  s.planError !== null ||
  (s.answered?.piece === s.piece &&
    s.answered.cupboard === s.cupboard &&
    s.answered.hand === s.hand &&
    s.answered.shape === s.settings.shape);

const MOST_UNDONE = 500;
const DOCUMENTS = ['piece', 'cupboard', 'hand'] as const;
type Documents = Partial<Pick<Desk, (typeof DOCUMENTS)[number]>>;

const hearers = new Set<(made: Made) => void>();
/** Hears every edit made in this window, undone and redone ones too. Returns what ends it. */
export function onEdit(hear: (made: Made) => void): () => void {
  hearers.add(hear);
  return () => hearers.delete(hear);
}

/** Forgets what could be undone: another piece is on the desk. */
export const forgetHistory = (): void => useDesk.setState({ past: [], future: [] });

let inGesture = false;
/** The change a held handle adds to; null before its first step. */
let held: Made | null = null;

export function beginGesture(): void {
  inGesture = true;
}

/** A handle or slider is held: as a gesture, and the picture may be coarse until it is let go. */
export function beginDrag(): void {
  beginGesture();
  if (!useDesk.getState().dragging) useDesk.setState({ dragging: true });
}

export function endGesture(): void {
  inGesture = false;
  held = null;
  if (useDesk.getState().dragging) useDesk.setState({ dragging: false });
}

/** What changes from one state of the desk to the next; null where nothing does. */
function madeBetween(now: Desk, change: Documents): Made | null {
  const parts = DOCUMENTS.flatMap((name) => {
    const [before, after] = [now[name], change[name]];
    return after && before && after !== before ? [[name, { before, after }] as const] : [];
  });
  return parts.length > 0 ? (Object.fromEntries(parts) as Made) : null;
}

/** One change with another on top of it. */
const together = (a: Made, b: Made): Made =>
  Object.fromEntries(
    DOCUMENTS.flatMap((name) => {
      const [x, y] = [a[name], b[name]];
      return x || y ? [[name, { before: (x ?? y)!.before, after: (y ?? x)!.after }]] : [];
    }),
  ) as Made;

function refusal(now: Desk, made: Documents): string | null {
  if (made.piece && !now.canEdit) return 'Nothing more of this piece can be stored here: see the notice at the top.';
  if (made.cupboard && now.unread.cupboard)
    return 'The stored cupboard cannot be read, so nothing is changed in it: see the notice.';
  if (made.hand && now.unread.hand)
    return 'Your stored rates cannot be read, so nothing is changed in them: see the notice.';
  return null;
}

function record(change: Documents): void {
  const now = useDesk.getState();
  const made = madeBetween(now, change);
  if (!made) return;
  const says = refusal(now, change);
  if (says !== null) return useDesk.setState({ message: says });
  const last = now.past[now.past.length - 1];
  const joins = inGesture && held !== null && last === held;
  const entry = joins ? together(held!, made) : made;
  held = inGesture ? entry : null;
  const past = [...(joins ? now.past.slice(0, -1) : now.past), entry].slice(-MOST_UNDONE);
  // Changes that come faster than they are worked out are compared with what stood before the first of them.
  const before = !joins && upToDate(now) ? now.plan : now.before;
  useDesk.setState({ ...change, past, future: [], before });
  for (const hear of hearers) hear(made);
}

export function editPiece(recipe: (draft: Piece) => void): void {
  const { piece } = useDesk.getState();
  if (piece) record({ piece: produce(piece, recipe) });
}

export function editCupboard(recipe: (draft: Cupboard) => Cupboard | void): void {
  record({ cupboard: produce(useDesk.getState().cupboard, recipe) });
}

/** A change of piece and cupboard that is one change to undo. */
export function editPieceAndCupboard(onPiece: (draft: Piece) => void, onCupboard: (draft: Cupboard) => void): void {
  const { piece, cupboard } = useDesk.getState();
  if (piece) record({ piece: produce(piece, onPiece), cupboard: produce(cupboard, onCupboard) });
}

export function editHand(recipe: (draft: Hand) => Hand | void): void {
  record({ hand: produce(useDesk.getState().hand, recipe) });
}

/** Puts a changed piece in place of this one as one change. One that would not be valid is refused and said. */
export function changePiece(change: (piece: Piece) => Piece): void {
  const { piece } = useDesk.getState();
  if (!piece) return;
  const read = readPiece(change(piece));
  if (read.ok) record({ piece: read.value });
  else useDesk.setState({ message: `${read.problems[0]!.says}.` });
}

/** Applies a remedy as one change. A remedy that would not leave a valid piece is refused and said. */
export function applyRemedy(remedy: Pick<Remedy, 'changes' | 'enters'>): void {
  const { piece, cupboard } = useDesk.getState();
  if (!piece) return;
  const next = remedied({ piece, cupboard }, remedy);
  const read = [
    ...(next.piece === piece ? [] : [readPiece(next.piece)]),
    ...(next.cupboard === cupboard ? [] : [readCupboard(next.cupboard)]),
  ];
  const bad = read.find((r) => !r.ok);
  if (bad && !bad.ok) useDesk.setState({ message: bad.problems[0]!.says });
  else record(next);
}

/** A change nobody made by hand: stored like any other, and not to be undone. */
export function noted(change: Documents): void {
  const now = useDesk.getState();
  const made = madeBetween(now, change);
  if (!made || refusal(now, change) !== null) return;
  useDesk.setState(change);
  for (const hear of hearers) hear(made);
}

/** A change done to the desk as it is now; null where something of it has been changed otherwise since. */
function doneNow(entry: Made, way: 'back' | 'again'): Documents | null {
  const now = useDesk.getState();
  const change: Record<string, unknown> = {};
  for (const name of DOCUMENTS) {
    const e = entry[name];
    const doc = now[name];
    if (!e || !doc) continue;
    const next = redone<object>(way === 'back' ? { before: e.after, after: e.before } : e, doc);
    if (next === null) return null;
    change[name] = next;
  }
  return change as Documents;
}

function step(way: 'back' | 'again'): void {
  endGesture();
  const now = useDesk.getState();
  const [from, to] = way === 'back' ? (['past', 'future'] as const) : (['future', 'past'] as const);
  const entry = now[from][now[from].length - 1];
  if (!entry) return;
  const rest = now[from].slice(0, -1);
  const change = doneNow(entry, way);
  if (change === null) {
    const says = `This cannot be ${way === 'back' ? 'taken back' : 'done again'}: it has been changed in another window since.`;
    return useDesk.setState({ [from]: rest, message: says });
  }
  const says = refusal(now, change);
  if (says !== null) return useDesk.setState({ message: says });
  const made = madeBetween(now, change);
  useDesk.setState({ ...change, [from]: rest, [to]: [...now[to], entry], before: null });
  if (made) for (const hear of hearers) hear(made);
}

export const undo = (): void => step('back');
export const redo = (): void => step('again');

export function setView(change: Partial<View>): void {
  // A row in hand is one of the area in hand.
  const row = change.areaId !== undefined && change.row === undefined ? { row: null } : {};
  useDesk.setState((s) => ({ view: { ...s.view, ...(change.areaId === s.view.areaId ? {} : row), ...change } }));
}

export function say(message: string): void {
  useDesk.setState({ message });
}
