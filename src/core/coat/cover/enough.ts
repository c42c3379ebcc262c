/**
 * The other way round: the widest spacing, the thinnest lay, the shortest fur that still covers well. Each answer is on
 * a grid a maker can work to, and null where no value in the range does.
 */
import { coversWell, type FurLay } from './cover';

/** Best value on the grid by bisection; `good` must hold on one side only. */
export function edgeOf(
  lo: number,
  hi: number,
  step: number,
  good: (x: number) => boolean,
  want: 'largest' | 'smallest',
) {
  const n = Math.round((hi - lo) / step);
  const at = (i: number) => lo + step * (want === 'largest' ? i : n - i);
  if (!good(at(0))) return null;
  let a = 0;
  let b = n + 1;
  while (b - a > 1) {
    const m = (a + b) >> 1;
    if (good(at(m))) a = m;
    else b = m;
  }
  return Math.round(at(a) * 1e6) / 1e6;
}

/** Widest row spacing that covers well, to 0.5 mm. */
export const widestSpacing = (l: FurLay, most = 60): number | null =>
  edgeOf(0.5, most, 0.5, (spacingMm) => coversWell({ ...l, spacingMm }), 'largest');

/** Thinnest lay that covers well, to 0.1 mg per cm of row. */
export const thinnestLay = (l: FurLay, most = 300): number | null =>
  edgeOf(0.2, most, 0.1, (layMgCm) => coversWell({ ...l, layMgCm }), 'smallest');

/** Shortest fur that covers well with the same weight on every cm of row, to 0.5 mm. */
export function shortestLength(l: FurLay, most = 200): number | null {
  // The same ends on every mm of row: the lay grows with the length.
  const perMm = l.layMgCm / l.lengthMm;
  return edgeOf(3, most, 0.5, (lengthMm) => coversWell({ ...l, lengthMm, layMgCm: perMm * lengthMm }), 'smallest');
}
