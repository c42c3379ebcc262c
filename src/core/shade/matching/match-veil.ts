/** A veil over a given ground that comes nearest to a wanted colour: one lot or two, and how much of it. */
import { difference } from '@/core/colour/difference';
import type { Triple } from '@/core/colour/lab';
import { labOfCurve } from '@/core/colour/reflectance';
import { goldenSection } from '@/core/minimum';
import { blendCurve, type BlendHow } from '@/core/wool/blend';
import { LOT_COSTS } from './best-recipes';
import type { StockWool } from './blend-table';
import { veilCurve } from '@/core/shade/layers/veil';

export interface VeilWool extends StockWool {
  readonly m1: number;
  readonly kappa: number;
}

interface VeilFound {
  readonly lots: readonly number[];
  readonly parts: readonly number[];
  readonly arealMgCm2: number;
  readonly lab: Triple;
  readonly difference: number;
  readonly score: number;
}

const AMOUNTS = [0.3, 0.6, 1, 1.5, 2.2, 3, 4, 5.5, 7.5, 10, 14, 20, 28];
/** Two lots are tried of the singles that come nearest. */
const PAIRED = 12;

/** @param areaMm2 area to be veiled: lots with too little wool for it drop out */
export function matchVeil(
  stock: readonly VeilWool[],
  ground: Float64Array,
  target: Triple,
  how: BlendHow,
  areaMm2: number,
  best: number,
): VeilFound[] {
  const tryOut = (lots: number[], parts: number[]): VeilFound | null => {
    const whole = parts.reduce((s, p) => s + p, 0);
    const curve =
      lots.length === 1
        ? stock[lots[0]!]!.curve
        : blendCurve(
            lots.map((l, i) => ({ curve: stock[l]!.curve, parts: parts[i]! })),
            how,
          );
    const m1 = lots.reduce((s, l, i) => s + (parts[i]! / whole) * stock[l]!.m1, 0);
    const kappa = lots.reduce((s, l, i) => s + (parts[i]! / whole) * stock[l]!.kappa, 0);
    // As much on a square cm as there is wool for.
    const most = Math.min(
      ...lots.map((l, i) => (stock[l]!.freeG * whole) / parts[i]! / Math.max(1e-9, areaMm2 / 100 / 1000)),
    );
    const seen = (mg: number) => labOfCurve(veilCurve(curve, ground, (kappa * mg) / m1));
    const off = (mg: number) => difference(target, seen(mg));
    const open = AMOUNTS.filter((mg) => mg <= most);
    if (open.length === 0) return null;
    const at = open.reduce((best, mg) => (off(mg) < off(best) ? mg : best));
    const i = AMOUNTS.indexOf(at);
    const fine = goldenSection(off, AMOUNTS[i - 1] ?? 0.1, Math.min(most, AMOUNTS[i + 1] ?? at), 20);
    const mg = Math.min(Math.floor(most * 10) / 10, Math.max(0.1, Math.round(fine * 10) / 10));
    const lab = seen(mg);
    const d = difference(target, lab);
    return { lots, parts, arealMgCm2: mg, lab, difference: d, score: d + LOT_COSTS * (lots.length - 1) };
  };
  const singles = stock.flatMap((_, i) => tryOut([i], [1]) ?? []).sort((p, q) => p.score - q.score);
  const near = singles.slice(0, PAIRED).map((s) => s.lots[0]!);
  const pairs = near.flatMap((i, x) =>
    near.slice(x + 1).flatMap((j) =>
      (
        [
          [1, 1],
          [3, 1],
          [1, 3],
        ] as const
      ).flatMap((parts) => tryOut([i, j], [...parts]) ?? []),
    ),
  );
  return [...singles, ...pairs].sort((p, q) => p.score - q.score).slice(0, best);
}
