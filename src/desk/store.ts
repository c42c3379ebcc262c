/**
 * The desk: the piece in hand, the cupboard, the hand and the settings, with undo. Every change goes through `edit…`,
 * is remembered for undo, saved at once and planned anew in the worker. A drag counts as one change: its first step is
 * remembered, the rest until `endGesture` are not.
 */
import { produce } from 'immer';
import { temporal } from 'zundo';
import { create } from 'zustand';
import { shallow } from 'zustand/shallow';
import { CUPBOARD_SCHEMA, type Cupboard } from '@/core/piece/cupboard';
import { defaultHand, type Hand } from '@/core/piece/hand';
import { readPiece } from '@/core/piece/read';
import type { Piece } from '@/core/piece/schema';
import type { DraftSkin } from '@/core/form/draft';
import type { Plan, Progress } from '@/core/plan';
import type { PieceChange } from '@/core/stage';
import { defaultSettings, type Settings } from './settings';
import { defaultView, type View } from './view';

interface Answered {
  readonly shape: Settings['shape'];
  readonly piece: Piece;
  readonly cupboard: Cupboard;
  readonly hand: Hand;
}

export interface Desk {
  readonly piece: Piece | null;
  readonly cupboard: Cupboard;
  readonly hand: Hand;
  readonly settings: Settings;
  readonly view: View;
  /** Null until the first plan of this piece is ready. */
  readonly plan: Plan | null;
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
  /** How many things are changed and not yet stored. */
  readonly unsaved: number;
  readonly savedAt: string | null;
  readonly saveError: string | null;
  readonly canEdit: boolean;
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

export const useDesk = create<Desk>()(
  temporal(
    (): Desk => ({
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
      unsaved: 0,
      savedAt: null,
      saveError: null,
      canEdit: true,
      message: null,
    }),
    {
      partialize: (s) => ({ piece: s.piece, cupboard: s.cupboard, hand: s.hand }),
      equality: (a, b) => shallow(a, b),
      limit: 500,
    },
  ),
);

/** Whether what is shown answers what is decided now; a plan stopped or failed is not being waited for. */
export const upToDate = (s: Desk): boolean =>
  s.piece === null ||
  s.stopped ||
  s.planError !== null ||
  (s.answered?.piece === s.piece &&
    s.answered.cupboard === s.cupboard &&
    s.answered.hand === s.hand &&
    s.answered.shape === s.settings.shape);

let inGesture = false;

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
  if (useDesk.getState().dragging) useDesk.setState({ dragging: false });
  useDesk.temporal.getState().resume();
}

function record(change: Partial<Pick<Desk, 'piece' | 'cupboard' | 'hand'>>): void {
  if (!useDesk.getState().canEdit) {
    useDesk.setState({ message: 'This piece is being worked on in another window.' });
    return;
  }
  useDesk.setState(change);
  if (inGesture) useDesk.temporal.getState().pause();
}

export function editPiece(recipe: (draft: Piece) => void): void {
  const { piece } = useDesk.getState();
  if (piece) record({ piece: produce(piece, recipe) });
}

export function editCupboard(recipe: (draft: Cupboard) => void): void {
  record({ cupboard: produce(useDesk.getState().cupboard, recipe) });
}

/** A change of piece and cupboard that is one change to undo. */
export function editPieceAndCupboard(onPiece: (draft: Piece) => void, onCupboard: (draft: Cupboard) => void): void {
  const { piece, cupboard } = useDesk.getState();
  if (piece) record({ piece: produce(piece, onPiece), cupboard: produce(cupboard, onCupboard) });
}

export function editHand(recipe: (draft: Hand) => void): void {
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
export function applyRemedy(changes: readonly PieceChange[]): void {
  const { piece } = useDesk.getState();
  if (!piece) return;
  const next = produce(piece, (draft) => {
    for (const c of changes) {
      let at = draft as unknown as Record<string | number, unknown>;
      for (const key of c.path.slice(0, -1)) at = at[key] as Record<string | number, unknown>;
      at[c.path[c.path.length - 1]!] = c.value;
    }
  });
  const read = readPiece(next);
  if (read.ok) record({ piece: next });
  else useDesk.setState({ message: read.problems[0]!.says });
}

export function undo(): void {
  endGesture();
  if (useDesk.getState().canEdit) useDesk.temporal.getState().undo();
}

export function redo(): void {
  endGesture();
  if (useDesk.getState().canEdit) useDesk.temporal.getState().redo();
}

export function setView(change: Partial<View>): void {
  useDesk.setState((s) => ({ view: { ...s.view, ...change } }));
}

export function say(message: string): void {
  useDesk.setState({ message });
}
