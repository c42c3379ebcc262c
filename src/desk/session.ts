/**
 * Opening and keeping things in this window: what is stored is read, every edit is stored as it happens, what other windows
 * store is taken in. Any window may change anything: edits are put together in the store (`keeper.ts`), so no window has to
 * wait for another or hand over.
 */
import { CUPBOARD_SCHEMA, type Cupboard } from '@/core/piece/cupboard';
import { defaultHand, HAND_SCHEMA, type Hand } from '@/core/piece/hand';
import { readCupboard, readHand, readPiece, type Read } from '@/core/piece/read';
import { PIECE_SCHEMA, type Piece } from '@/core/piece/schema';
import { demoCupboard } from './demo';
import { freshId } from './files';
import { Keeper, type Edit, type Lost } from './keeper';
import { learnFromOthers } from './learn-from-others';
import { Pause } from './pause';
import { defaultSettings, settingsSchema, type Settings } from './settings';
import {
  goBackTo,
  inWords,
  listen,
  loadPiece,
  loadThing,
  placeOfPiece,
  placeOfThing,
  savePiece,
  saveThing,
  type EarlierState,
} from './storage';
import { endGesture, forgetHistory, onEdit, say, useDesk, type Unread } from './store';
import { defaultView, viewSchema, type View } from './view';

/** How many edits wait, and what is wrong with storing, by document. */
const waits = new Map<string, number>();
const troubles = new Map<string, string>();
function waiting(name: string, n: number): void {
  waits.set(name, n);
  useDesk.setState({ unsaved: [...waits.values()].reduce((a, b) => a + b, 0) });
}
function trouble(name: string, says: string | null): void {
  if (says === null) troubles.delete(name);
  else troubles.set(name, says);
  useDesk.setState({ saveError: [...troubles.values()][0] ?? null });
}

/** Leaving a piece and coming back waits so long for what is being stored, ms. */
const PATIENCE = 1500;

const REFUSED =
  'A change could not be kept: the same was changed in another window at that moment. What is stored there is shown.';

const documents = {
  cupboard: { schema: CUPBOARD_SCHEMA, read: readCupboard, first: demoCupboard },
  hand: { schema: HAND_SCHEMA, read: readHand, first: defaultHand },
} as const;
type Thing = keyof typeof documents;

const keepers: { cupboard?: Keeper<Cupboard>; hand?: Keeper<Hand> } = {};
const pieces = new Map<string, Keeper<Piece>>();

function keeperOfThing<T extends Cupboard | Hand>(name: Thing, doc: T, there: boolean): Keeper<T> {
  const { schema, read } = documents[name];
  return new Keeper<T>(
    {
      place: placeOfThing(name),
      schema,
      read: read as unknown as (raw: unknown) => Read<T>,
      show: (now) => useDesk.setState({ [name]: now }),
      refused: () => say(REFUSED),
      trouble: (says) => trouble(name, says),
      waiting: (n) => waiting(name, n),
      lost: (why) => {
        // Taken away by another window: this one's is as good as any.
        if (why === 'gone') keepers[name]?.restore().catch((e: unknown) => trouble(name, inWords(e)));
        else void unreadable(name, why);
      },
    },
    doc,
    there,
  );
}

/** Says that a document is stored but cannot be read; it is left as it is. */
async function unreadable(name: Thing, why?: Lost): Promise<void> {
  const raw = await loadThing(name);
  const read = documents[name].read(raw);
  const schema = (raw as { schema?: unknown } | null)?.schema;
  const newer = typeof schema === 'number' && schema > documents[name].schema;
  const found: Unread = { why: why ?? (newer ? 'newer' : 'unreadable'), problems: read.ok ? [] : read.problems, raw };
  useDesk.setState((s) => ({ unread: { ...s.unread, [name]: found } }));
}

async function openThing(name: Thing): Promise<void> {
  const raw = await loadThing(name);
  const { first } = documents[name];
  const read = raw === undefined ? null : documents[name].read(raw);
  const doc = read?.ok ? read.value : first;
  useDesk.setState({ [name]: doc });
  keepers[name] = keeperOfThing(name, doc, raw !== undefined) as never;
  if (read && !read.ok) await unreadable(name);
}

/** Begins anew with a cupboard or rates that could not be read; what is stored is set aside, never thrown away. */
export async function beginAnew(name: Thing): Promise<void> {
  const raw = useDesk.getState().unread[name]?.raw;
  try {
    await saveThing(`${name}-set-aside-${new Date().toISOString()}`, raw);
    await keepers[name]?.restore();
  } catch (e) {
    return say(`It could not be set aside: ${inWords(e)}.`);
  }
  useDesk.setState((s) => {
    const { [name]: _, ...others } = s.unread;
    return { unread: others };
  });
}

/** Under way, of what is not kept edit by edit: settings, and how pieces are looked at. */
const pauses = new Set<Pause>();

/** Writes the newest value and nothing older, again until it is written. */
function latest(name: string, write: (value: unknown) => Promise<void>): (value: unknown) => void {
  let next: { readonly value: unknown } | null = null;
  let busy = false;
  const pause = new Pause();
  const run = async () => {
    busy = true;
    waiting(name, 1);
    while (next) {
      const now: { readonly value: unknown } = next;
      try {
        await write(now.value);
        trouble(name, null);
        if (next === now) next = null;
        pause.well();
      } catch (e) {
        trouble(name, inWords(e));
        pauses.add(pause);
        await pause.wait();
        pauses.delete(pause);
      }
    }
    busy = false;
    waiting(name, 0);
  };
  return (value) => {
    next = { value };
    if (!busy) void run();
  };
}

/** Cupboard, hand and settings, loaded once and kept up with. */
export async function openCupboard(): Promise<void> {
  const [, , settings] = await Promise.all([openThing('cupboard'), openThing('hand'), loadSettings()]);
  useDesk.setState({ settings });
  forgetHistory();
}

async function loadSettings(): Promise<Settings> {
  const read = settingsSchema.safeParse((await loadThing('settings')) ?? {});
  return read.success ? read.data : defaultSettings;
}

/** Stores every edit and follows what other windows store. Returns what ends it. */
export function keepCupboard(): () => void {
  const keepSettings = latest('settings', (v) => saveThing('settings', v));
  let following = false;
  const stop = useDesk.subscribe((now, before) => {
    if (!following && now.settings !== before.settings) keepSettings(now.settings);
  });
  const unhear = onEdit((made) => {
    if (made.cupboard) keepers.cupboard?.add(made.cupboard);
    if (made.hand) keepers.hand?.add(made.hand);
    if (made.piece) pieces.get(made.piece.after.id)?.add(made.piece as Edit<Piece>);
  });
  const deaf = listen((word) => {
    if (word.says === 'piece-saved') return void pieces.get(word.id)?.heard();
    if (word.name === 'cupboard' || word.name === 'hand') return void keepers[word.name]?.heard();
    if (word.name !== 'settings') return;
    void loadSettings().then((settings) => {
      following = true;
      useDesk.setState({ settings });
      following = false;
    });
  });
  return () => {
    stop();
    unhear();
    deaf();
  };
}

export type Opened =
  | { readonly ok: true }
  | {
      readonly ok: false;
      readonly says: string;
      readonly problems: readonly { where: string; says: string }[];
      /** What is stored, where it cannot be read. */
      readonly raw?: unknown;
    };

const onDesk = (id: string): boolean => useDesk.getState().piece?.id === id;

function keeperOfPiece(piece: Piece): Keeper<Piece> {
  const { id } = piece;
  return new Keeper<Piece>(
    {
      place: placeOfPiece(id, (savedAt) => onDesk(id) && useDesk.setState({ savedAt })),
      schema: PIECE_SCHEMA,
      read: readPiece,
      show: (now) => onDesk(id) && useDesk.setState({ piece: now }),
      refused: () => say(REFUSED),
      trouble: (says) => trouble(id, says),
      waiting: (n) => waiting(id, n),
      lost: (away) => onDesk(id) && useDesk.setState({ away, canEdit: false }),
    },
    piece,
    true,
  );
}

/** Puts a stored piece on the desk. */
export async function openPiece(id: string): Promise<Opened> {
  // Back from another room: the piece and its history stay on the desk, with what other windows did meanwhile.
  const held = pieces.get(id);
  if (held && onDesk(id) && useDesk.getState().away === null) {
    await held.heard();
    return { ok: true };
  }
  if (held && (waits.get(id) ?? 0) > 0) await Promise.race([held.flush(), new Promise((r) => setTimeout(r, PATIENCE))]);
  // What could not be stored yet is newer than what is stored.
  const unstored = held && (waits.get(id) ?? 0) > 0 ? held : null;
  const entry = await loadPiece(id);
  if (!entry) return { ok: false, says: 'There is no such piece in this browser.', problems: [] };
  const piece = unstored?.shown ?? entry.piece;
  if (!piece)
    return {
      ok: false,
      says: 'This piece was stored but cannot be read. It has been left as it is.',
      problems: entry.problems,
      raw: entry.raw,
    };
  // A relief is looked at from its front, not from behind its board.
  const relief = piece.form.parts.some((p) => p.shape === 'board');
  const first = relief ? { yaw: -defaultView.yaw } : {};
  const view = viewSchema.safeParse((await loadThing(`view:${id}`)) ?? first);
  await learnFromOthers(id);
  endGesture();
  // Keepers of other pieces with nothing left to store are let go.
  for (const other of pieces.keys()) if ((waits.get(other) ?? 0) === 0) pieces.delete(other);
  if (!unstored) pieces.set(id, keeperOfPiece(piece));
  useDesk.setState({
    piece,
    plan: null,
    answered: null,
    early: null,
    before: null,
    held: null,
    progress: null,
    planError: null,
    savedAt: entry.savedAt,
    away: null,
    canEdit: true,
    view: view.success ? view.data : defaultView,
  });
  forgetHistory();
  return { ok: true };
}

/** Puts the piece on the desk back on the shelf after another window took it off. */
export async function putPieceBack(): Promise<void> {
  const { piece } = useDesk.getState();
  if (!piece) return;
  try {
    const keeper = pieces.get(piece.id);
    if (!keeper || (await keeper.putBack())) return useDesk.setState({ away: null, canEdit: true });
    // A file with its name was opened meanwhile, say: both stay.
    const beside = `${piece.name.slice(0, 60)} (put back)`;
    await savePiece({ ...piece, id: freshId(piece.id), name: beside });
    pieces.delete(piece.id);
    useDesk.setState({ piece: null });
    await openPiece(piece.id);
    say(`Another piece is there under its name by now. Yours was put on the shelf beside it as ${beside}.`);
  } catch (e) {
    say(`It could not be put back: ${inWords(e)}.`);
  }
}

/** Goes back to an earlier state of a piece, on the desk of this window too. */
export async function goBack(state: Pick<EarlierState, 'id' | 'doc'>): Promise<void> {
  await goBackTo(state);
  await pieces.get(state.id)?.heard();
}

/** Tries again at once to store what could not be stored. */
export function storeNow(): void {
  for (const k of [keepers.cupboard, keepers.hand, ...pieces.values()]) k?.retry();
  for (const p of pauses) p.wake();
}

/** How a piece is looked at when it is opened for the first time. */
export const beginView = (id: string, view: Partial<View>): Promise<void> =>
  saveThing(`view:${id}`, { ...defaultView, ...view });

/** Keeps how the piece on the desk is looked at. Returns what ends it. */
export function keepView(id: string): () => void {
  const keep = latest(`view:${id}`, (v) => saveThing(`view:${id}`, v));
  return useDesk.subscribe((now, before) => {
    if (now.view !== before.view && now.piece?.id === id && before.piece?.id === id && now.canEdit) keep(now.view);
  });
}
