/** What was done on all other pieces, read from the store as a piece is opened, and kept with the hand. */
import { alike } from '@/core/alike';
import { donePieceSchema, type DonePiece } from '@/core/piece/done';
import type { LogEntry } from '@/core/piece/log-entry';
import { PIECE_SCHEMA, type Piece } from '@/core/piece/schema';
import { recordsOf } from '@/core/rates/records';
import { storedDocs } from './storage';
import { noted, useDesk } from './store';

/** Since this version entries keep what was planned for them; what teaches is in them as it is today. */
const KEEPS_PLANNED = 11;

/**
 * What a stored piece teaches a hand. Logs written before it was kept what was planned teach nothing, so older pieces are passed over; what
 * cannot be read teaches nothing either.
 */
export function taughtBy(doc: unknown, hand: string): DonePiece | null {
  const piece = doc as Partial<Piece> | null;
  const version = Number(piece?.schema);
  if (!(version >= KEEPS_PLANNED && version <= PIECE_SCHEMA) || !Array.isArray(piece?.log)) return null;
  try {
    const read = donePieceSchema.safeParse(recordsOf(piece as Piece, hand));
    return read.success ? read.data : null;
  } catch {
    return null;
  }
}

type Stored = { readonly id: string; readonly doc: unknown };

/** A stored piece without entries that another has already; theirs are taken down. */
function withoutSeen(doc: unknown, seen: Set<unknown>): unknown {
  const piece = doc as Partial<Piece> | null;
  if (!Array.isArray(piece?.log)) return doc;
  const log = piece.log.filter((e) => !seen.has((e as Partial<LogEntry> | null)?.id));
  for (const e of piece.log) seen.add((e as Partial<LogEntry> | null)?.id);
  return { ...piece, log };
}

/**
 * Pieces in this browser by what their logs say now; of those that are gone, or are kept elsewhere, what is remembered. A copy of a piece
 * has the log of its original: what was done once teaches once.
 * @param inHand the piece that is opened, which is read from its own log
 */
export function remembered(
  kept: readonly DonePiece[],
  docs: readonly Stored[],
  hand: string,
  inHand: string | null = null,
): DonePiece[] {
  const here = new Set(docs.map((d) => d.id));
  const seen = new Set<unknown>();
  const rank = (d: Stored) => (d.id === inHand ? 0 : 1);
  const inTurn = [...docs].sort((a, b) => rank(a) - rank(b) || (a.id < b.id ? -1 : 1));
  const done = inTurn.flatMap(({ doc }) => taughtBy(withoutSeen(doc, seen), hand) ?? []);
  return [...kept.filter((k) => !here.has(k.pieceId)), ...done].sort((a, b) => (a.pieceId < b.pieceId ? -1 : 1));
}

/** Brings what the hand remembers of other pieces up to date. */
export async function learnFromOthers(inHand: string | null = useDesk.getState().piece?.id ?? null): Promise<void> {
  const docs = await storedDocs().catch(() => null);
  if (docs === null) return;
  const { hand } = useDesk.getState();
  const done = remembered(hand.done, docs, hand.id, inHand);
  if (!alike(done, hand.done)) noted({ hand: { ...hand, done } });
}
