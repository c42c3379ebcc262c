/** What was done on all other pieces, read from the store as a piece is opened, and kept with the hand. */
import { alike } from '@/core/alike';
import { donePieceSchema, type DonePiece } from '@/core/piece/done';
import { PIECE_SCHEMA, type Piece } from '@/core/piece/schema';
import { recordsOf } from '@/core/rates/records';
import { storedDocs } from './storage';
import { noted, useDesk } from './store';

/**
 * What a stored piece teaches a hand. Logs written before it was kept what was planned teach nothing, so older pieces are passed over; what
 * cannot be read teaches nothing either.
 */
export function taughtBy(doc: unknown, hand: string): DonePiece | null {
  const piece = doc as Partial<Piece> | null;
  if (piece?.schema !== PIECE_SCHEMA || !Array.isArray(piece.log)) return null;
  try {
    const read = donePieceSchema.safeParse(recordsOf(piece as Piece, hand));
    return read.success ? read.data : null;
  } catch {
    return null;
  }
}

/** Pieces in this browser by what their logs say now; of those that are gone, or are kept elsewhere, what is remembered. */
export function remembered(
  kept: readonly DonePiece[],
  docs: readonly { id: string; doc: unknown }[],
  hand: string,
): DonePiece[] {
  const here = new Set(docs.map((d) => d.id));
  return [...kept.filter((k) => !here.has(k.pieceId)), ...docs.flatMap(({ doc }) => taughtBy(doc, hand) ?? [])].sort(
    (a, b) => (a.pieceId < b.pieceId ? -1 : 1),
  );
}

/** Brings what the hand remembers of other pieces up to date. */
export async function learnFromOthers(): Promise<void> {
  const docs = await storedDocs().catch(() => null);
  if (docs === null) return;
  const { hand } = useDesk.getState();
  const done = remembered(hand.done, docs, hand.id);
  if (!alike(done, hand.done)) noted({ hand: { ...hand, done } });
}
