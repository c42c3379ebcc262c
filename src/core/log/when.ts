/** When something written down can have been: not before programs like this, and not after now. */
const EARLIEST = Date.UTC(2000, 0, 1);

/** Why it cannot have been then, in words; null where it can. @param at, now ms since 1970 */
export function wrongTime(at: number, now: number): string | null {
  if (!Number.isFinite(at)) return 'A day and a time are needed.';
  if (at > now) return 'That is still to come.';
  return at < EARLIEST ? 'From the year 2000 on.' : null;
}
