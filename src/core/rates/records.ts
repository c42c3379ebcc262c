/** What a log teaches: what was done beside what was asked, without what nobody timed or weighed. Minutes, grams, millimetres. */
import type { Done, DonePiece } from '@/core/piece/done';
import type { LogEntry } from '@/core/piece/log-entry';
import type { Piece } from '@/core/piece/schema';

/** Shorter than so much of what was planned nobody timed it: it was only written down. Ours. */
const ONLY_WRITTEN = 0.05;

/** Whether a watch ran beside a row or a step, and long enough to be meant. */
export const wasTimed = (e: { readonly timed: boolean; readonly planned: number | null; readonly minutes: number }) =>
  e.timed && !!e.planned && e.minutes >= ONLY_WRITTEN * e.planned;

function recordOf(e: LogEntry): Done[] {
  if (e.kind === 'row' || (e.kind === 'step' && !e.kept)) {
    const { work, planned, minutes } = e;
    if (work === null || planned === null || !wasTimed(e)) return [];
    return [{ of: 'time', way: null, work, asked: planned, actual: minutes }];
  }
  if (e.kind === 'wool')
    return e.askedG && e.grams > 0 ? [{ of: 'wool', way: e.way, work: null, asked: e.askedG, actual: e.grams }] : [];
  if (e.kind === 'measured') return [{ of: e.what, way: e.way, work: null, asked: e.plannedMm, actual: e.actualMm }];
  return [];
}

/** What was done on a piece by one hand. @returns null where its log teaches nothing */
export function recordsOf({ id, name, log }: Pick<Piece, 'id' | 'name' | 'log'>, hand: string): DonePiece | null {
  const mine = log.filter((e) => e.by === hand);
  const done = mine.flatMap(recordOf);
  return done.length > 0 ? { pieceId: id, name, at: mine[mine.length - 1]!.at, done } : null;
}

/** Everything a hand has done: on other pieces as kept with it, on this one by its log; what is left out teaches nothing. */
export function everythingDone(
  hand: { readonly id: string; readonly done: readonly DonePiece[]; readonly without: readonly string[] },
  piece: Pick<Piece, 'id' | 'name' | 'log'>,
): DonePiece[] {
  const here = recordsOf(piece, hand.id);
  return [...hand.done.filter((d) => d.pieceId !== piece.id), ...(here ? [here] : [])].filter(
    (d) => !hand.without.includes(d.pieceId),
  );
}
