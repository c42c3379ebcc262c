/**
 * The day the rest is done from, and the minutes there are on it: the first day the maker set, or today once that has passed. What was
 * already worked today is gone from it; minutes are null where they are those of its day of the week.
 */
import type { Hand } from '@/core/piece/hand';
import type { Piece } from '@/core/piece/schema';
import type { Today } from '@/core/stage';
import { weekdayOf } from './dates';

export function beginning({
  piece,
  hand,
  today,
}: {
  readonly piece: Pick<Piece, 'work' | 'log'>;
  readonly hand: Pick<Hand, 'benchMinutes'>;
  readonly today: Today | null;
}): {
  readonly on: string | null;
  readonly minutes: number | null;
} {
  const { beginOn, tonight } = piece.work;
  if (beginOn === null) return { on: null, minutes: null };
  const on = today && today.date > beginOn ? today.date : beginOn;
  const asked = tonight?.on === on ? tonight.minutes : null;
  if (today?.date !== on) return { on, minutes: asked };
  const spent = piece.log.reduce(
    (s, e) =>
      e.at >= today.beganAt && (e.kind === 'row' || (e.kind === 'step' && !e.kept && e.timed)) ? s + e.minutes : s,
    0,
  );
  return { on, minutes: Math.max(0, (asked ?? hand.benchMinutes[weekdayOf(on)]!) - spent) };
}
