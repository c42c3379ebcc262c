/**
 * One search for a wool, wherever one is proposed: by form, staple, fineness and what is left of it, then by how near its
 * colour is. A wool that serves less well must be that much nearer in colour to be taken.
 */
import { difference } from '@/core/colour/difference';
import { labOf } from '@/core/colour/lab';
import type { Lot } from '@/core/piece/cupboard';
import type { Suits } from './forms';

interface WoolAsk {
  /** Colour it should be near, #rrggbb. */
  readonly near?: string;
  readonly suits?: (form: Lot['form']) => Suits;
  readonly stapleMm?: number;
  readonly finenessUm?: { readonly least?: number; readonly most?: number };
  /** So much of it must be left, g. */
  readonly grams?: number;
  readonly except?: readonly string[];
}

/** A form that is only possible counts like a colour so much further away, CIEDE2000. Ours. */
const POSSIBLE = 15;

/** Whether a wool can be used at all for what is asked. @param freeG what is left of it */
export const serves = (l: Lot, ask: WoolAsk, freeG: number = l.haveG): boolean =>
  !ask.except?.includes(l.id) &&
  ask.suits?.(l.form) !== 'badly' &&
  l.stapleMm >= (ask.stapleMm ?? 0) &&
  l.finenessUm >= (ask.finenessUm?.least ?? 0) &&
  l.finenessUm <= (ask.finenessUm?.most ?? Infinity) &&
  freeG > 0 &&
  freeG >= (ask.grams ?? 0);

/** Wools that serve, best first; equals in the order of the cupboard. @param freeOf what is left of a lot, g */
export function findWools(lots: readonly Lot[], ask: WoolAsk, freeOf: (l: Lot) => number = (l) => l.haveG): Lot[] {
  const near = ask.near === undefined ? null : labOf(ask.near);
  const off = (l: Lot): number =>
    (near ? difference(near, labOf(l.colour)) : 0) + (ask.suits?.(l.form) === 'possible' ? POSSIBLE : 0);
  return lots
    .filter((l) => serves(l, ask, freeOf(l)))
    .map((l, i) => ({ l, i, off: off(l) }))
    .sort((a, b) => a.off - b.off || a.i - b.i)
    .map((x) => x.l);
}
