/** A short coat to begin with: velvet where there is a reverse needle to raise it, wisps where there is none. */
import type { Laid } from '@/core/piece/coat';
import { reverseOwned, type Cupboard, type Lot } from '@/core/piece/cupboard';
import type { Hand } from '@/core/piece/hand';
import { findWools } from '@/core/wool/find';
import { wayOf } from './ways';

/** @param beside the wool it should look like; null for any @returns null where no wool serves */
export function shortCoat(beside: Lot | null, finishedLengthMm: number, cupboard: Cupboard, hand: Hand): Laid | null {
  const way = wayOf(reverseOwned(cupboard) ? 'velvet' : 'wisps');
  const suits = (form: Lot['form']) => way.suits[form].suits;
  const lot =
    beside && suits(beside.form) !== 'badly'
      ? beside
      : findWools(cupboard.lots, { suits, ...(beside ? { near: beside.colour } : {}) })[0];
  return lot ? way.begin({ lot, cupboard, hand, finishedLengthMm, now: null }) : null;
}
