/** What of what is shown may be old: the desk has changed since it was worked out. */
import { READY_EARLY, touched, type Touched } from '@/core/touched';
import type { Desk } from './store';

const NOTHING: Touched = { parts: new Set(), coats: new Set(), colours: new Set() };

interface Last {
  readonly answered: Desk['answered'];
  readonly early: Desk['early'];
  readonly piece: Desk['piece'];
  readonly cupboard: Desk['cupboard'];
  readonly hand: Desk['hand'];
  readonly is: Touched;
}
let last: Last | null = null;

/** The same answer, as one object, for as long as the desk stands as it does. */
export function touchedNow(s: Desk): Touched {
  const { answered, early, piece, cupboard, hand } = s;
  if (
    last &&
    last.answered === answered &&
    last.early === early &&
    last.piece === piece &&
    last.cupboard === cupboard &&
    last.hand === hand
  )
    return last.is;
  const is = found(s);
  last = { answered, early, piece, cupboard, hand, is };
  return is;
}

function found({ answered, early, piece, cupboard, hand }: Desk): Touched {
  if (!answered || !piece || answered.piece.id !== piece.id) return NOTHING;
  const now = { piece, cupboard, hand };
  const all = touched(answered, now);
  if (!early) return all;
  // What was ready before the core is new, but for what has been changed since.
  const since = touched(early, now);
  const parts = new Set([...all.parts].filter((p) => !READY_EARLY.includes(p) || since.parts.has(p)));
  return { parts, coats: since.coats, colours: since.colours };
}
