/** The best recipes found so far, in an order that leaves no two equal. */
import type { Triple } from '@/core/colour/lab';
import { difference } from '@/core/colour/difference';
import type { BlendTable } from './blend-table';

/** What one more lot in the blend must gain, CIEDE2000. */
export const LOT_COSTS = 0.5;

export interface Found {
  /** Index into the stock, and parts. */
  readonly lots: readonly number[];
  readonly parts: readonly number[];
  readonly lab: Triple;
  readonly difference: number;
  /** Difference and what its lots cost: what recipes are ordered by. */
  readonly score: number;
}

export interface Kept {
  readonly list: Found[];
  readonly most: number;
}

const betterThan = (p: Found, q: Found): number => {
  if (p.score !== q.score) return p.score - q.score;
  if (p.lots.length !== q.lots.length) return p.lots.length - q.lots.length;
  for (let i = 0; i < p.lots.length; i++) {
    if (p.lots[i] !== q.lots[i]) return p.lots[i]! - q.lots[i]!;
    if (p.parts[i] !== q.parts[i]) return p.parts[i]! - q.parts[i]!;
  }
  return 0;
};

export function keep(k: Kept, f: Found): void {
  if (k.list.length === k.most && betterThan(f, k.list[k.most - 1]!) >= 0) return;
  if (k.list.some((x) => betterThan(x, f) === 0)) return;
  k.list.push(f);
  k.list.sort(betterThan);
  if (k.list.length > k.most) k.list.pop();
}

/** Difference a blend of so many lots has to beat. */
export const toBeat = (k: Kept, lots: number): number =>
  k.list.length < k.most ? Infinity : k.list[k.most - 1]!.score - LOT_COSTS * (lots - 1) + 1e-9;

/** A recipe with its colour and how far it is from the wanted one. */
export function judged(table: BlendTable, target: Triple, lots: readonly number[], parts: readonly number[]): Found {
  const lab = table.lab(lots, parts);
  const d = difference(target, lab);
  return { lots, parts, lab, difference: d, score: d + LOT_COSTS * (lots.length - 1) };
}
