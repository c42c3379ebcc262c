/** What something new in the cupboard begins as, until the maker says what it is. Usual values, ours. */
import type { Lot, Needle, Pile, StockEye, Thread, Wire } from './cupboard';
import { usualNeedle } from './usual-needle';

export const newLot = (id: string): Lot => ({
  id,
  name: 'New wool',
  form: 'combed top',
  colour: '#b9b1a4',
  finenessUm: 23,
  finenessCv: 0.22,
  stapleMm: 75,
  haveG: 25,
  pricePer100g: null,
  tipColour: null,
  tipShare: 0.2,
  crimpMm: 0,
  crimpDepthMm: 0,
  mottle: [],
  piles: [],
});

/** Another colour in a natural wool. @param most share that is left for it */
export const newMottle = (most: number): Lot['mottle'][number] => ({ colour: '#6b5a48', share: Math.min(0.15, most) });

export const newPile = (): Pile => ({ lengthMm: 40, widthMm: 3, grade: 'good', count: 50 });

export const newNeedle = (id: string): Needle => {
  const kind = { gauge: 38, section: 'star' } as const;
  return { id, name: '38 star', ...kind, count: 1, ...usualNeedle(kind) };
};

export const newWire = (id: string): Wire => ({
  id,
  name: 'New wire',
  kind: 'wire',
  metal: 'steel',
  diameterMm: 1.2,
  haveMm: 1000,
});

export const newEyes = (id: string): StockEye => ({
  id,
  name: 'New eyes',
  kind: 'stem',
  diameterMm: 4,
  stemMm: 16,
  stemThickMm: 1,
  colour: '#17120f',
  count: 2,
});

export const newThread = (id: string): Thread => ({
  id,
  name: 'New thread',
  kind: 'nylon',
  thickMm: 0.2,
  colour: '#f1efe8',
  haveMm: 5000,
});
