/** Time at the bench: what is left of today, and since when there was no break. Minutes; instants in ms since 1970. */
import { beginning } from '@/core/order/beginning';
import { weekdayOf } from '@/core/order/dates';
import type { LogEntry } from '@/core/piece/log-entry';
import type { Hand } from '@/core/piece/hand';
import type { Piece } from '@/core/piece/schema';
import { dayOf } from './settings';
import type { View } from './view';

/** What was asked for today, or what its day of the week has, without what is written down of today; null on a day that has no time of its own. */
export function leftToday(
  piece: Pick<Piece, 'work' | 'log'>,
  hand: Pick<Hand, 'benchMinutes'>,
  now: Date,
): number | null {
  const today = dayOf(now);
  const { tonight } = piece.work;
  if ((tonight?.on === today.date ? tonight.minutes : hand.benchMinutes[weekdayOf(today.date)]!) === 0) return null;
  // Worked on today whenever it was to begin.
  return beginning({ piece: { ...piece, work: { ...piece.work, beginOn: today.date } }, hand, today }).minutes ?? 0;
}

/** Hands that rested so long have rested, ms. Ours. */
const BREAK = 5 * 60_000;

/** Since when the maker has been at work without a break; null while the timer stands still. */
export function atWorkSince(log: readonly LogEntry[], timer: View['timer']): number | null {
  if (!timer || timer.startedAt === null) return null;
  let since = timer.startedAt - timer.beforeMs;
  for (let i = log.length - 1; i >= 0; i--) {
    const e = log[i]!;
    if (e.kind !== 'row' && (e.kind !== 'step' || e.kept)) continue;
    const ended = Date.parse(e.at);
    if (since - ended >= BREAK) break;
    since = Math.min(since, ended - (e.timed ? e.minutes * 60_000 : 0));
  }
  return since;
}
