/** Wool of another colour for what vanishes in its ground: as near as can be to the one it has, and yet told from what it lies on. */
import { difference } from '@/core/colour/difference';
import { labOf, type Triple } from '@/core/colour/lab';
import type { Lot } from '@/core/piece/cupboard';
import { VANISHES } from '@/core/shade/words';
import { findWools } from '@/core/wool/find';
import { thinForm } from '@/core/wool/forms';

/** Told apart with so much to spare, times what vanishes. Ours. */
const SURELY = 1.15;

/**
 * @param hex the colour it has @param groundHex what it lies on
 * @param seen colour of it when it is laid of another wool
 * @returns null where no wool stands apart
 */
export function woolApart(
  lots: readonly Lot[],
  hex: string,
  groundHex: string,
  seen: (lot: Lot) => Triple,
): Lot | null {
  const ground = labOf(groundHex);
  return (
    findWools(lots, { near: hex, suits: thinForm }).find((l) => difference(seen(l), ground) >= SURELY * VANISHES) ??
    null
  );
}
