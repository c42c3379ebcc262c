/** What of the hand is the maker's own and no longer a first value. */
import type { DoubtName, Known } from '@/core/method/doubt';
import { defaultHand, type Hand } from './hand';

const FIELDS = {
  core: 'coreDensityMgCm3',
  loose: 'looseDensityMgCm3',
  lost: 'handlingLoss',
  pace: 'times',
} as const satisfies Partial<Record<DoubtName, keyof Hand>>;

/** A value set by the maker counts as measured once. */
export function knownOfHand(hand: Hand): Known {
  const names = Object.keys(FIELDS) as (keyof typeof FIELDS)[];
  const own = (n: keyof typeof FIELDS) => JSON.stringify(hand[FIELDS[n]]) !== JSON.stringify(defaultHand[FIELDS[n]]);
  return Object.fromEntries(names.filter(own).map((n) => [n, 1]));
}
