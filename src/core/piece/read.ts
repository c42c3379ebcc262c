/**
 * Reading what comes from outside: a file, a store, a posted request. Older schema numbers are upgraded step by step
 * and never refused; newer ones and foreign files are refused with a clear word and change nothing.
 */
import type { z } from 'zod';
import { CUPBOARD_KIND, CUPBOARD_SCHEMA, cupboardSchema, type Cupboard } from './cupboard';
import { HAND_KIND, HAND_SCHEMA, handSchema, type Hand } from './hand';
import { toCupboard2 } from './upgrades/cupboard-2';
import { toCupboard3 } from './upgrades/cupboard-3';
import { toCupboard4 } from './upgrades/cupboard-4';
import { toCupboard5 } from './upgrades/cupboard-5';
import { toCupboard6 } from './upgrades/cupboard-6';
import { toHand2 } from './upgrades/hand-2';
import { toHand3 } from './upgrades/hand-3';
import { toHand4 } from './upgrades/hand-4';
import { toHand5 } from './upgrades/hand-5';
import { toHand6 } from './upgrades/hand-6';
import { toHand7 } from './upgrades/hand-7';
import { toHand8 } from './upgrades/hand-8';
import { toHand9 } from './upgrades/hand-9';
import { toHand10 } from './upgrades/hand-10';
import { toPiece2 } from './upgrades/piece-2';
import { toPiece3 } from './upgrades/piece-3';
import { toPiece4 } from './upgrades/piece-4';
import { toPiece5 } from './upgrades/piece-5';
import { toPiece6 } from './upgrades/piece-6';
import { toPiece7 } from './upgrades/piece-7';
import { toPiece8 } from './upgrades/piece-8';
import { toPiece10 } from './upgrades/piece-10';
import { toPiece11 } from './upgrades/piece-11';
import { toPiece12 } from './upgrades/piece-12';
import { toPiece13 } from './upgrades/piece-13';
import { toPiece14 } from './upgrades/piece-14';
import { toPiece15 } from './upgrades/piece-15';
import { toPiece16 } from './upgrades/piece-16';
import { toPiece17 } from './upgrades/piece-17';
import { toPiece9 } from './upgrades/piece-9';
import { plainWords, readable } from './plain-words';
import { PIECE_KIND, PIECE_SCHEMA, pieceSchema, type Piece } from './schema';

/** One thing wrong: where, in words, and what was expected. */
export interface Problem {
  readonly where: string;
  readonly says: string;
}

export type Read<T> = { readonly ok: true; readonly value: T } | { readonly ok: false; readonly problems: Problem[] };

/** Upgrades by the schema number they start from; each returns the document one number higher. */
type Upgrades = Readonly<Record<number, (old: Record<string, unknown>) => Record<string, unknown>>>;

export const PIECE_UPGRADES: Upgrades = {
  1: toPiece2,
  2: toPiece3,
  3: toPiece4,
  4: toPiece5,
  5: toPiece6,
  6: toPiece7,
  7: toPiece8,
  8: toPiece9,
  9: toPiece10,
  10: toPiece11,
  11: toPiece12,
  12: toPiece13,
  13: toPiece14,
  14: toPiece15,
  15: toPiece16,
  16: toPiece17,
};
const HAND_UPGRADES: Upgrades = {
  1: toHand2,
  2: toHand3,
  3: toHand4,
  4: toHand5,
  5: toHand6,
  6: toHand7,
  7: toHand8,
  8: toHand9,
  9: toHand10,
};
const CUPBOARD_UPGRADES: Upgrades = {
  1: toCupboard2,
  2: toCupboard3,
  3: toCupboard4,
  4: toCupboard5,
  5: toCupboard6,
};

/**
 * Takes a document of an older version up to the newest, one version at a time.
 * @throws when a step of the chain is missing, which is a mistake of ours and not of the file
 */
export function upgraded(old: Record<string, unknown>, newest: number, upgrades: Upgrades): Record<string, unknown> {
  let doc = old;
  for (let v = old.schema as number; v < newest; v++) {
    const step = upgrades[v];
    if (!step) throw new Error(`no upgrade from version ${v}`);
    doc = { ...step(doc), schema: v + 1 };
  }
  return doc;
}

/** Path in the document to words: names of areas and parts where they have one. */
function inWords(doc: unknown, path: readonly PropertyKey[]): string {
  const words: string[] = [];
  let at: unknown = doc;
  for (const step of path) {
    at = typeof at === 'object' && at !== null ? (at as Record<PropertyKey, unknown>)[step] : undefined;
    const label = typeof at === 'object' && at !== null ? (at as { name?: unknown }).name : undefined;
    if (typeof label === 'string') words.push(label);
    else if (typeof step === 'number') words.push(`number ${step + 1}`);
    else words.push(String(step));
  }
  return words.join(' › ') || 'the whole file';
}

function readDocument<T>(
  raw: unknown,
  what: string,
  kind: string,
  newest: number,
  schema: z.ZodType<T>,
  upgrades: Upgrades,
): Read<T> {
  const refuse = (says: string): Read<T> => ({ ok: false, problems: [{ where: 'the whole file', says }] });
  if (typeof raw !== 'object' || raw === null || Array.isArray(raw)) return refuse(`This is not a ${what} file.`);
  let doc = raw as Record<string, unknown>;
  if (doc.kind !== kind) return refuse(`This is not a ${what} file of Fond Badger.`);
  if (typeof doc.schema !== 'number' || !Number.isInteger(doc.schema) || doc.schema < 1) {
    return refuse(`The ${what} file does not say which version it is.`);
  }
  if (doc.schema > newest) {
    return refuse(
      `This ${what} file was written by a newer Fond Badger (version ${doc.schema}; this one reads up to ${newest}).`,
    );
  }
  try {
    doc = upgraded(doc, newest, upgrades);
  } catch {
    return refuse(`This ${what} file of version ${doc.schema} is damaged: it cannot be brought up to date.`);
  }
  const parsed = schema.safeParse(doc, { error: plainWords });
  if (parsed.success) return { ok: true, value: parsed.data };
  return {
    ok: false,
    problems: parsed.error.issues
      .slice(0, 20)
      .map((i) => ({ where: readable(inWords(doc, i.path)), says: readable(i.message) })),
  };
}

export const readPiece = (raw: unknown): Read<Piece> =>
  readDocument(raw, 'piece', PIECE_KIND, PIECE_SCHEMA, pieceSchema, PIECE_UPGRADES);
export const readCupboard = (raw: unknown): Read<Cupboard> =>
  readDocument(raw, 'cupboard', CUPBOARD_KIND, CUPBOARD_SCHEMA, cupboardSchema, CUPBOARD_UPGRADES);
export const readHand = (raw: unknown): Read<Hand> =>
  readDocument(raw, 'hand', HAND_KIND, HAND_SCHEMA, handSchema, HAND_UPGRADES);

/** Text of a file to a piece. @returns problems in words; never throws on bad input */
export function parsePiece(text: string): Read<Piece> {
  let raw: unknown;
  try {
    raw = JSON.parse(text);
  } catch {
    return {
      ok: false,
      problems: [{ where: 'the whole file', says: 'The file is damaged or is not a piece file: it cannot be read.' }],
    };
  }
  return readPiece(raw);
}
