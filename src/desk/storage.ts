/**
 * Keeping things in the browser. Pieces, the cupboard, the hand, settings and how each piece was last looked at live in
 * one IndexedDB database. Everything read is checked like a file from outside; what cannot be read is reported, never
 * thrown away. Writes from all windows wait for each other (Web Locks) and are told to the other windows.
 */
import { openDB, type DBSchema, type IDBPDatabase } from 'idb';
import type { Piece } from '@/core/piece/schema';
import { readCupboard, readHand, readPiece, type Problem } from '@/core/piece/read';
import type { Cupboard } from '@/core/piece/cupboard';
import type { Hand } from '@/core/piece/hand';
import { dropKept } from './kept-plans';

interface Database extends DBSchema {
  pieces: { key: string; value: { readonly id: string; readonly doc: unknown; readonly savedAt: string } };
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
    terminated() {
      database = null;
    },
  });
  return database;
}

/** What one window tells the others. */
type Word =
  | { readonly says: 'piece-saved'; readonly id: string }
  | { readonly says: 'thing-saved'; readonly name: string }
  | { readonly says: 'give-way'; readonly id: string };

let line: BroadcastChannel | null = null;
/** One line for speaking and hearing, so that a window never hears itself. */
const channel = (): BroadcastChannel => (line ??= new BroadcastChannel('fond-badger'));

export const tell = (word: Word): void => channel().postMessage(word);

export function listen(hear: (word: Word) => void): () => void {
  const c = channel();
  const on = (e: MessageEvent<Word>) => hear(e.data);
  c.addEventListener('message', on);
  return () => c.removeEventListener('message', on);
}

/** One write at a time over all windows. */
const inTurn = <T>(work: () => Promise<T>): Promise<T> =>
  navigator.locks.request('fond-badger:write', work) as unknown as Promise<T>;

export async function savePiece(piece: Piece): Promise<string> {
  const savedAt = new Date().toISOString();
  await inTurn(async () => (await db()).put('pieces', { id: piece.id, doc: piece, savedAt }));
  tell({ says: 'piece-saved', id: piece.id });
  return savedAt;
}

export async function removePiece(id: string): Promise<void> {
  await inTurn(async () => (await db()).delete('pieces', id));
  await dropKept(id);
  tell({ says: 'piece-saved', id });
}

function entry(raw: { id: string; doc: unknown; savedAt: string }): ShelfEntry {
  const read = readPiece(raw.doc);
  return {
    id: raw.id,
    savedAt: raw.savedAt,
    piece: read.ok ? read.value : null,
    problems: read.ok ? [] : read.problems,
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

export async function saveThing(name: string, value: unknown): Promise<void> {
  await inTurn(async () => (await db()).put('things', value, name));
  tell({ says: 'thing-saved', name });
}

export async function loadThing(name: string): Promise<unknown> {
  return (await db()).get('things', name);
}

const pictureKey = (pieceId: string, id: string) => `${pieceId}/${id}`;

export async function savePicture(pieceId: string, id: string, picture: Blob): Promise<void> {
  await inTurn(async () => (await db()).put('pictures', picture, pictureKey(pieceId, id)));
}

export async function loadPicture(pieceId: string, id: string): Promise<Blob | null> {
  return (await (await db()).get('pictures', pictureKey(pieceId, id))) ?? null;
}

export async function loadCupboard(): Promise<Cupboard | null> {
  const read = readCupboard(await loadThing('cupboard'));
  return read.ok ? read.value : null;
}

export async function loadHand(): Promise<Hand | null> {
  const read = readHand(await loadThing('hand'));
  return read.ok ? read.value : null;
}
