/**
 * Wool of steps added up. Stock, sittings, cut list, bench book and starting over are sums over the materials of the steps and
 * nothing else, so they cannot disagree. Masses in grams.
 */
import type { Lot } from './piece/cupboard';
import type { Material, Operation, WoolUse } from './stage';

export interface WoolMass {
  /** Null for wool the maker has not chosen yet. */
  readonly lotId: string | null;
  readonly massG: number;
}

/** One entry a lot, in the order in which they are first met; nothing for what weighs nothing. */
export function byLot(list: readonly WoolMass[]): WoolMass[] {
  const sum = new Map<string | null, number>();
  for (const m of list) if (m.massG > 0) sum.set(m.lotId, (sum.get(m.lotId) ?? 0) + m.massG);
  return [...sum].map(([lotId, massG]) => ({ lotId, massG }));
}

/** Wool a step takes out of the cupboard. */
export const takenBy = (o: Pick<Operation, 'materials'>): WoolMass[] =>
  byLot(o.materials.filter((m) => m.from === 'cupboard'));

/** Wool that goes through the hands in a step, wherever it comes from. */
export const woolIn = (o: Pick<Operation, 'materials'>): WoolMass[] => byLot(o.materials);

export const massOf = (list: readonly WoolMass[]): number => list.reduce((s, m) => s + m.massG, 0);

/** Wool of one lot out of the cupboard; nothing where it weighs nothing. */
export const outOf = (lot: Pick<Lot, 'id'> | null, massG: number, use: WoolUse): Material[] =>
  massG > 0 ? [{ lotId: lot?.id ?? null, massG, for: use, from: 'cupboard' }] : [];

/** The same wool in a later step. */
export const madeReady = (list: readonly Material[]): Material[] => list.map((m) => ({ ...m, from: 'earlier step' }));

/** A part of it, when a step is done in parts. */
export const shareOf = (list: readonly WoolMass[], share: number): WoolMass[] =>
  list.map((m) => ({ ...m, massG: m.massG * share }));
