/**
 * Keeping things in the browser. Pieces, the cupboard, the hand, settings and how each piece was last looked at live in
 * one IndexedDB database. Everything read is checked like a file from outside; what cannot be read is reported, never
 * thrown away. A document is changed in one transaction that reads what is stored; every write is told to the other windows.
 */
import { openDB, type DBSchema, type IDBPDatabase } from 'idb';
import type { Piece } from '@/core/piece/schema';
import { readPiece, type Problem } from '@/core/piece/read';
import { dropKept } from './kept-plans';
import type { Place } from './keeper';

interface Stored {
  readonly id: string;
  readonly doc: unknown;
  readonly savedAt: string;
}

interface Database extends DBSchema {
  pieces: { key: string; value: Stored };
  things: { key: string; value: unknown };
  /** Photographs by piece and name; they stay in this browser. */
  pictures: { key: string; value: Blob };
}

export interface ShelfEntry {
  readonly id: string;
  readonly savedAt: string;
  /** The piece, or what is wrong with the stored one. */
  readonly piece: Piece | null;
  readonly problems: readonly Problem[];
  /** As it is stored. */
  readonly raw: unknown;
}

/** The stores of the database, each with the version that brought it. */
export const DATABASE = {
  name: 'fond-badger',
  version: 2,
  stores: [
    { name: 'pieces', since: 1, keyPath: 'id' },
    { name: 'things', since: 1 },
    { name: 'pictures', since: 2 },
  ],
} as const;
let database: Promise<IDBPDatabase<Database>> | null = null;

function db(): Promise<IDBPDatabase<Database>> {
  database ??= openDB<Database>(DATABASE.name, DATABASE.version, {
    upgrade(d, from) {
      for (const s of DATABASE.stores) {
        if (from < s.since) d.createObjectStore(s.name, 'keyPath' in s ? { keyPath: s.keyPath } : {});
      }
    },
    // A newer program wants to take the store further: it is let go, and this window writes nothing more.
    blocking(_now, _wanted, event) {
      (event.target as IDBDatabase).close();
      database = null;
    },
    terminated() {
      database = null;
    },
  }).catch((e: unknown) => {
    database = null;
    throw new Error(inWords(e));
  });
  return database;
}

/** What went wrong with the browser's store, in words a maker can act on. */
export function inWords(e: unknown): string {
  const { name, message } = e instanceof Error ? e : { name: '', message: String(e) };
  if (name === 'QuotaExceededError') return 'the browser’s store is full';
  if (name === 'VersionError') return 'a newer Fond Badger has been here; load this page again';
  if (name === 'InvalidStateError' || name === 'SecurityError') return 'the browser does not allow storing here';
  return message || name;
}

/** What one window tells the others. */
type Word =
  { readonly says: 'piece-saved'; readonly id: string } | { readonly says: 'thing-saved'; readonly name: string };

let line: BroadcastChannel | null = null;
/** One line for speaking and hearing, so that a window never hears itself. */
const channel = (): BroadcastChannel => (line ??= new BroadcastChannel('fond-badger'));

const tell = (word: Word): void => channel().postMessage(word);

export function listen(hear: (word: Word) => void): () => void {
  const c = channel();
  const on = (e: MessageEvent<Word>) => hear(e.data);
  c.addEventListener('message', on);
  return () => c.removeEventListener('message', on);
}

/** Reads and writes in one go: no other window comes between. Done when it is on the disk. */
async function inOne<S extends 'pieces' | 'things'>(
  store: S,
  key: string,
  work: (raw: Database[S]['value'] | undefined) => Database[S]['value'] | undefined,
): Promise<boolean> {
  try {
    const tx = (await db()).transaction(store, 'readwrite', { durability: 'strict' });
    const put = work(await tx.store.get(key));
    if (put !== undefined) void tx.store.put(put, store === 'things' ? key : undefined);
    await tx.done;
    return put !== undefined;
  } catch (e) {
    throw new Error(inWords(e));
  }
}

/** Where a piece is stored. @param savedAt told with every write */
export const placeOfPiece = (id: string, saved: (at: string) => void): Place => ({
  async change(work) {
    const at = new Date().toISOString();
    const wrote = await inOne('pieces', id, (raw) => {
      const doc = work(raw?.doc);
      return doc === undefined ? undefined : { id, doc, savedAt: at };
    });
    if (!wrote) return;
    saved(at);
    tell({ says: 'piece-saved', id });
  },
});

/** Where the cupboard or the hand is stored. */
export const placeOfThing = (name: string): Place => ({
  async change(work) {
    if (await inOne('things', name, work)) tell({ says: 'thing-saved', name });
  },
});

/** Puts a piece on the shelf, whatever is there under its name. */
export async function savePiece(piece: Piece): Promise<void> {
  await placeOfPiece(piece.id, () => undefined).change(() => piece);
}

/** Puts back what was stored under a name, as it was. */
export async function putBack(entry: Pick<ShelfEntry, 'id' | 'raw'>): Promise<void> {
  await placeOfPiece(entry.id, () => undefined).change(() => entry.raw);
}

export async function removePiece(id: string): Promise<void> {
  await (await db()).delete('pieces', id);
  await dropKept(id);
  tell({ says: 'piece-saved', id });
}

function entry(raw: Stored): ShelfEntry {
  const read = readPiece(raw.doc);
  return {
    id: raw.id,
    savedAt: raw.savedAt,
    piece: read.ok ? read.value : null,
    problems: read.ok ? [] : read.problems,
    raw: raw.doc,
  };
}

export async function loadPiece(id: string): Promise<ShelfEntry | null> {
  const raw = await (await db()).get('pieces', id);
  return raw ? entry(raw) : null;
}

export async function loadShelf(): Promise<ShelfEntry[]> {
  const all = await (await db()).getAll('pieces');
  return all.map(entry).sort((a, b) => b.savedAt.localeCompare(a.savedAt));
}

export const saveThing = (name: string, value: unknown): Promise<void> => placeOfThing(name).change(() => value);

export async function loadThing(name: string): Promise<unknown> {
  return (await db()).get('things', name);
}

const pictureKey = (pieceId: string, id: string) => `${pieceId}/${id}`;

export async function savePicture(pieceId: string, id: string, picture: Blob): Promise<void> {
  await (await db()).put('pictures', picture, pictureKey(pieceId, id));
}

export async function loadPicture(pieceId: string, id: string): Promise<Blob | null> {
  return (await (await db()).get('pictures', pictureKey(pieceId, id))) ?? null;
}
