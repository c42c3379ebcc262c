/** Wool in words, the same on screen, on paper and in the calendar. */
import type { WoolMass } from '@/core/materials';
import type { Lot } from '@/core/piece/cupboard';
import { howToWeigh } from '@/core/wool/weighing';
import { masses, words, type Units } from './units';

/** What a wool is called; also where none is chosen yet or its lot has left the cupboard. */
export const woolName = (lots: readonly Pick<Lot, 'id' | 'name'>[], lotId: string | null): string =>
  lotId === null ? 'wool not chosen yet' : (lots.find((l) => l.id === lotId)?.name ?? 'wool no longer in the cupboard');

/** Each wool with its grams. @param said puts masses that belong together in the maker's units */
export const woolWords = (
  list: readonly WoolMass[],
  lots: readonly Pick<Lot, 'id' | 'name'>[],
  said: (grams: readonly number[]) => readonly string[],
): string[] => {
  const mass = said(list.map((w) => w.massG));
  return list.map((w, i) => `${woolName(lots, w.lotId)} ${mass[i]!}`);
};

/** Masses that belong together, each with how so little of it is measured where the scales do not show it. */
export const weighed = (grams: readonly number[], hand: Parameters<typeof howToWeigh>[1], u: Units): string[] =>
  masses(grams, u).map((mass, i) => {
    const how = howToWeigh(grams[i]!, hand);
    return how ? `${mass} (${words(how, u)})` : mass;
  });
