/**
 * Opening and keeping a piece in this window: loads it, takes its lock so that only one window changes it, saves every
 * change as it happens, and follows what other windows save.
 */
import { defaultHand } from '@/core/piece/hand';
import type { Piece } from '@/core/piece/schema';
import { demoCupboard } from './demo';
import { defaultSettings, settingsSchema, type Settings } from './settings';
import { listen, loadCupboard, loadHand, loadPiece, loadThing, savePiece, saveThing, tell } from './storage';
import { endGesture, useDesk } from './store';
import { defaultView, viewSchema } from './view';

/** Writes the newest value and nothing older; never two writes of the same thing at once; counted while it is under way. */
function keeper<T>(write: (value: T) => Promise<void>): (value: T) => void {
  let next: { value: T } | null = null;
  let busy = false;
  const run = async () => {
    busy = true;
    useDesk.setState((s) => ({ unsaved: s.unsaved + 1 }));
    while (next) {
      const { value } = next;
      next = null;
      try {
        await write(value);
        if (useDesk.getState().saveError) useDesk.setState({ saveError: null });
      } catch (e) {
        useDesk.setState({ saveError: e instanceof Error ? e.message : String(e) });
      }
    }
    busy = false;
    useDesk.setState((s) => ({ unsaved: s.unsaved - 1 }));
  };
  return (value) => {
    next = { value };
    if (!busy) void run();
  };
}

/** Cupboard, hand and settings, loaded once and kept up with. Returns what ends it. */
export async function openCupboard(): Promise<void> {
  const [cupboard, hand, settings] = await Promise.all([loadCupboard(), loadHand(), loadSettings()]);
  useDesk.setState({ cupboard: cupboard ?? demoCupboard, hand: hand ?? defaultHand, settings });
  useDesk.temporal.getState().clear();
}

async function loadSettings(): Promise<Settings> {
  const read = settingsSchema.safeParse((await loadThing('settings')) ?? {});
  return read.success ? read.data : defaultSettings;
}

export function keepCupboard(): () => void {
  const keepBox = keeper<unknown>((v) => saveThing('cupboard', v));
  const keepHand = keeper<unknown>((v) => saveThing('hand', v));
  const keepSettings = keeper<unknown>((v) => saveThing('settings', v));
  let following = false;
  const stop = useDesk.subscribe((now, before) => {
    if (following) return;
    if (now.cupboard !== before.cupboard) keepBox(now.cupboard);
    if (now.hand !== before.hand) keepHand(now.hand);
    if (now.settings !== before.settings) keepSettings(now.settings);
  });
  const deaf = listen((word) => {
    if (word.says !== 'thing-saved') return;
    void (async () => {
      const change =
        word.name === 'cupboard'
          ? { cupboard: (await loadCupboard()) ?? useDesk.getState().cupboard }
          : word.name === 'hand'
            ? { hand: (await loadHand()) ?? useDesk.getState().hand }
            : word.name === 'settings'
              ? { settings: await loadSettings() }
              : {};
      // What another window changed is not this one's to undo.
      following = true;
      useDesk.temporal.getState().pause();
      useDesk.setState(change);
      useDesk.temporal.getState().resume();
      following = false;
    })();
  });
  return () => {
    stop();
    deaf();
  };
}

export type Opened =
  | { readonly ok: true }
  | { readonly ok: false; readonly says: string; readonly problems: readonly { where: string; says: string }[] };

/** Puts a stored piece on the desk. */
export async function openPiece(id: string): Promise<Opened> {
  const entry = await loadPiece(id);
  if (!entry) return { ok: false, says: 'There is no such piece in this browser.', problems: [] };
  if (!entry.piece)
    return {
      ok: false,
      says: 'This piece was stored but cannot be read. It has been left as it is.',
      problems: entry.problems,
    };
  const now = useDesk.getState();
  // Back from another room with nothing changed elsewhere: the piece and its history stay on the desk.
  if (now.piece?.id === id && now.canEdit && now.savedAt === entry.savedAt) return { ok: true };
  // A relief is looked at from its front, not from behind its board.
  const relief = entry.piece.form.parts.some((p) => p.shape === 'board');
  const first = relief ? { yaw: -defaultView.yaw } : {};
  const view = viewSchema.safeParse((await loadThing(`view:${id}`)) ?? first);
  endGesture();
  useDesk.setState({
    piece: entry.piece,
    plan: null,
    answered: null,
    progress: null,
    planError: null,
    savedAt: entry.savedAt,
    view: view.success ? view.data : defaultView,
  });
  useDesk.temporal.getState().clear();
  return { ok: true };
}

/**
 * Keeps the piece on the desk: lock, saving, following. Returns what ends it.
 */
export function keepPiece(id: string): () => void {
  let release: (() => void) | null = null;
  let ended = false;
  const waiting = new AbortController();
  const name = `fond-badger:piece:${id}`;

  /** Takes the lock when it is free now; a window just closing gets a moment to let go. */
  const takeIfFree = async () => {
    for (const patience of [0, 150, 400]) {
      await new Promise((r) => setTimeout(r, patience));
      if (ended || release) return;
      const got = await new Promise<boolean>((answer) => {
        void navigator.locks.request(name, { ifAvailable: true }, (lock) => hold(lock, answer));
      });
      if (got) return;
    }
    if (!ended) useDesk.setState({ canEdit: false });
  };
  /** Waits until the other window lets go. */
  const takeWhenFree = () => {
    void navigator.locks
      .request(name, { signal: waiting.signal }, (lock) => hold(lock, () => undefined))
      .catch(() => undefined);
  };
  /** Keeps a lock until it is released; what another window saved meanwhile is read first. */
  const hold = (lock: Lock | null, answer: (got: boolean) => void): Promise<void> | undefined => {
    answer(lock !== null && !ended);
    if (!lock || ended) return undefined;
    void (async () => {
      if (!useDesk.getState().canEdit) await openPiece(id);
      useDesk.setState({ canEdit: true });
    })();
    return new Promise<void>((r) => (release = r));
  };
  takeOver = () => {
    tell({ says: 'give-way', id });
    takeWhenFree();
  };
  void takeIfFree();

  const keepDoc = keeper<Piece>(async (piece) => {
    const savedAt = await savePiece(piece);
    useDesk.setState({ savedAt });
  });
  // An undo made in another room may have touched the piece; it is saved now.
  const first = useDesk.getState().piece;
  if (first)
    void loadPiece(id).then(
      (e) => JSON.stringify(e?.piece) !== JSON.stringify(first) && useDesk.getState().canEdit && keepDoc(first),
    );
  const keepView = keeper<unknown>((v) => saveThing(`view:${id}`, v));
  const stop = useDesk.subscribe((now, before) => {
    if (now.piece !== before.piece && now.piece?.id === id && now.canEdit && before.piece?.id === id)
      keepDoc(now.piece);
    if (now.view !== before.view && now.piece?.id === id && before.piece?.id === id && now.canEdit) keepView(now.view);
  });
  const deaf = listen((word) => {
    if (word.says === 'give-way' && word.id === id && release) {
      release();
      release = null;
      useDesk.setState({ canEdit: false });
    }
    if (word.says === 'piece-saved' && word.id === id && !useDesk.getState().canEdit) {
      void loadPiece(id).then((e) => e?.piece && useDesk.setState({ piece: e.piece, savedAt: e.savedAt }));
    }
  });
  return () => {
    ended = true;
    waiting.abort();
    release?.();
    stop();
    deaf();
    useDesk.setState({ canEdit: true });
  };
}

let takeOver: () => void = () => undefined;
/** Asks the window that holds the piece to give way and works here instead. */
export const workHere = (): void => takeOver();
