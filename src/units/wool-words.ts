/** Wool in words, the same on screen, on paper and in the calendar. */
import type { WoolMass } from '@/core/materials';
import type { Lot } from '@/core/piece/cupboard';

/** What a wool is called; also where none is chosen yet or its lot has left the cupboard. */
export const woolName = (lots: readonly Pick<Lot, 'id' | 'name'>[], lotId: string | null): string =>
  lotId === null ? 'wool not chosen yet' : (lots.find((l) => l.id === lotId)?.name ?? 'wool no longer in the cupboard');

/** Each wool with its grams. @param mass puts grams in the maker's units */
export const woolWords = (
  list: readonly WoolMass[],
  lots: readonly Pick<Lot, 'id' | 'name'>[],
  mass: (grams: number) => string,
): string[] => list.map((w) => `${woolName(lots, w.lotId)} ${mass(w.massG)}`);
