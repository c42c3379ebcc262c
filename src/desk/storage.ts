/**
 * Keeping things in the browser. Pieces, the cupboard, the hand, settings and how each piece was last looked at live in
 * one IndexedDB database. Everything read is checked like a file from outside; what cannot be read is reported, never
 * thrown away. A document is changed in one transaction that reads what is stored; every write is told to the other windows.
 */
import { openDB, type DBSchema, type IDBPDatabase } from 'idb';
import type { Piece } from '@/core/piece/schema';
import { readPiece, type Problem } from '@/core/piece/read';
import { dropKept } from './kept-plans';
import { APART, thinned } from './earlier';
import type { Place } from './keeper';

interface Stored {
  readonly id: string;
  readonly doc: unknown;
  readonly savedAt: string;
}

/** A piece as it was at a time; of one that was taken off the shelf the last is how it was then. */
export interface EarlierState {
  readonly id: string;
  readonly at: string;
  readonly doc: unknown;
}

interface Database extends DBSchema {
  pieces: { key: string; value: Stored };
  states: { key: [id: string, at: string]; value: EarlierState };
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
  version: 3,
  stores: [
    { name: 'pieces', since: 1, keyPath: 'id' },
    { name: 'things', since: 1 },
    { name: 'pictures', since: 2 },
    { name: 'states', since: 3, keyPath: ['id', 'at'] },
  ],
} as const;
let database: Promise<IDBPDatabase<Database>> | null = null;

function db(): Promise<IDBPDatabase<Database>> {
  database ??= openDB<Database>(DATABASE.name, DATABASE.version, {
    upgrade(d, from) {
      for (const s of DATABASE.stores) {
        if (from < s.since)
          d.createObjectStore(s.name, 'keyPath' in s ? { keyPath: s.keyPath as string | string[] } : {});
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

/** Done when it is on the disk. @throws in a maker's words */
async function onDisk<T>(work: (d: IDBPDatabase<Database>) => Promise<T>): Promise<T> {
  try {
    return await work(await db());
  } catch (e) {
    throw new Error(inWords(e));
  }
}

const AS_ONE = { durability: 'strict' } as const;
const ofPiece = (id: string) => IDBKeyRange.bound([id, ''], [id, '\uffff']);

/**
 * Reads a piece and writes what is made of it in one go: no other window comes between. How it was is kept now and then.
 * @param always how it was is kept whenever that was
 * @returns when it was stored, or null where it was left as it is
 */
const changePiece = (id: string, work: (doc: unknown) => unknown, always = false): Promise<string | null> =>
  onDisk(async (d) => {
    const tx = d.transaction(['pieces', 'states'], 'readwrite', AS_ONE);
    const [pieces, states] = [tx.objectStore('pieces'), tx.objectStore('states')];
    const raw = await pieces.get(id);
    const doc = work(raw?.doc);
    if (doc === undefined) {
      await tx.done;
      return null;
    }
    const savedAt = new Date().toISOString();
    void pieces.put({ id, doc, savedAt });
    if (raw) {
      const times = (await states.getAllKeys(ofPiece(id))).map(([, at]) => at);
      const last = times.length > 0 ? Date.parse(times[times.length - 1]!) : -Infinity;
      const mark = Date.parse(raw.savedAt);
      if (always || mark - last >= APART) {
        void states.put({ id, at: raw.savedAt, doc: raw.doc });
        const all = [...new Set([...times, raw.savedAt])];
        const gone = new Set(thinned(all.map(Date.parse), Date.now()));
        for (const at of all) if (gone.has(Date.parse(at))) void states.delete([id, at]);
      }
    }
    await tx.done;
    return savedAt;
  });

/** Where a piece is stored. @param saved told with every write */
export const placeOfPiece = (id: string, saved: (at: string) => void): Place => ({
  async change(work) {
    const at = await changePiece(id, work);
    if (at === null) return;
    saved(at);
    tell({ says: 'piece-saved', id });
  },
});

/** Where the cupboard or the hand is stored. */
export const placeOfThing = (name: string): Place => ({
  async change(work) {
    const wrote = await onDisk(async (d) => {
      const tx = d.transaction('things', 'readwrite', AS_ONE);
      const put = work(await tx.store.get(name));
      if (put !== undefined) void tx.store.put(put, name);
      await tx.done;
      return put !== undefined;
    });
    if (wrote) tell({ says: 'thing-saved', name });
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

/** Takes a piece off the shelf; how it was is kept, so that it can be put back later too. */
export async function removePiece(id: string): Promise<void> {
  await onDisk(async (d) => {
    const tx = d.transaction(['pieces', 'states'], 'readwrite', AS_ONE);
    const raw = await tx.objectStore('pieces').get(id);
    if (raw) void tx.objectStore('states').put({ id, at: raw.savedAt, doc: raw.doc });
    void tx.objectStore('pieces').delete(id);
    await tx.done;
  });
  await dropKept(id);
  tell({ says: 'piece-saved', id });
}

/** Earlier states of a piece, newest first; those that can be read. */
export async function loadEarlier(id: string): Promise<(EarlierState & { readonly piece: Piece })[]> {
  const all = await onDisk((d) => d.getAll('states', ofPiece(id)));
  return all.reverse().flatMap((s) => {
    const read = readPiece(s.doc);
    return read.ok ? [{ ...s, piece: read.value }] : [];
  });
}

/** Stores a piece as it was at a time; how it is now is kept. */
export async function goBackTo({ id, doc }: Pick<EarlierState, 'id' | 'doc'>): Promise<void> {
  await changePiece(id, () => doc, true);
  tell({ says: 'piece-saved', id });
}

/** Pieces that were taken off the shelf and can be put back: how each was last, newest first. */
export async function loadRemoved(): Promise<EarlierState[]> {
  return onDisk(async (d) => {
    const there = new Set(await d.getAllKeys('pieces'));
    const last = new Map<string, EarlierState>();
    for (const s of await d.getAll('states')) if (!there.has(s.id)) last.set(s.id, s);
    return [...last.values()].sort((a, b) => b.at.localeCompare(a.at));
  });
}

/** Lets go of all that is kept of a piece that was taken off the shelf. */
export const forgetRemoved = (id: string): Promise<void> => onDisk((d) => d.delete('states', ofPiece(id)));

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

/** All pieces as they are stored, unread. */
export const storedDocs = (): Promise<{ readonly id: string; readonly doc: unknown }[]> =>
  onDisk((d) => d.getAll('pieces'));

export const saveThing = (name: string, value: unknown): Promise<void> => placeOfThing(name).change(() => value);

export async function loadThing(name: string): Promise<unknown> {
  return (await db()).get('things', name);
}

/** All things whose names begin so. */
export const loadThings = (begin: string): Promise<unknown[]> =>
  onDisk((d) => d.getAll('things', IDBKeyRange.bound(begin, `${begin}\uffff`)));

const pictureKey = (pieceId: string, id: string) => `${pieceId}/${id}`;

export async function savePicture(pieceId: string, id: string, picture: Blob): Promise<void> {
  await (await db()).put('pictures', picture, pictureKey(pieceId, id));
}

export async function loadPicture(pieceId: string, id: string): Promise<Blob | null> {
  return (await (await db()).get('pictures', pictureKey(pieceId, id))) ?? null;
}

/** All pictures of a piece for a copy of it, as one change. */
export async function copyPictures(fromId: string, toId: string): Promise<void> {
  await onDisk(async (d) => {
    const tx = d.transaction('pictures', 'readwrite', AS_ONE);
    const of = IDBKeyRange.bound(pictureKey(fromId, ''), pictureKey(fromId, '\uffff'));
    const [keys, all] = await Promise.all([tx.store.getAllKeys(of), tx.store.getAll(of)]);
    keys.forEach((key, i) => void tx.store.put(all[i]!, pictureKey(toId, key.slice(fromId.length + 1))));
    await tx.done;
  });
}
