/** The measure of the search for recipes: a made-up stock of wool, and every blend of it looked at. */
import { reflectanceOf } from '../src/core/colour/reflectance';
import { seeded } from '../src/core/random';
import { judged, keep, type Found, type Kept } from '../src/core/shade/matching/best-recipes';
import type { BlendTable, StockWool } from '../src/core/shade/matching/blend-table';
import type { MatchAsk } from '../src/core/shade/matching/match';

/** Wools in the colours wool has, with 2 to 22 g free of each. */
export function madeUpStock(n: number, seed: number): StockWool[] {
  const rnd = seeded(seed);
  return Array.from({ length: n }, (_, i) => {
    const l = 0.12 + 0.8 * rnd();
    const hex = `#${[l, l * (0.62 + 0.36 * rnd()), l * (0.35 + 0.55 * rnd())]
      .map((x) =>
        Math.round(255 * Math.min(1, x))
          .toString(16)
          .padStart(2, '0'),
      )
      .join('')}`;
    return { id: `lot-${i}`, curve: reflectanceOf(hex), freeG: 2 + 20 * rnd() };
  });
}

/** Whether a stock has enough of every lot for its part. */
const enough = (
  stock: readonly StockWool[],
  ask: MatchAsk,
  lots: readonly number[],
  parts: readonly number[],
): boolean =>
  ask.needG === null || lots.every((l, i) => stock[l]!.freeG >= (ask.needG! * parts[i]!) / ask.parts - 1e-9);

/** Every blend of one to three lots looked at: slow, and sure. */
export function matchExhaustive(stock: readonly StockWool[], table: BlendTable, ask: MatchAsk): Found[] {
  const kept: Kept = { list: [], most: ask.best };
  const n = stock.length;
  const P = ask.parts;
  const put = (lots: number[], parts: number[]) => {
    if (enough(stock, ask, lots, parts)) keep(kept, judged(table, ask.target, lots, parts));
  };
  for (let i = 0; i < n; i++) {
    put([i], [P]);
    for (let j = i + 1; j < n; j++) {
      for (let a = 1; a < P; a++) put([i, j], [a, P - a]);
      for (let k = j + 1; k < n; k++)
        for (let a = 1; a < P - 1; a++) for (let b = 1; b < P - a; b++) put([i, j, k], [a, b, P - a - b]);
    }
  }
  return kept.list;
}
