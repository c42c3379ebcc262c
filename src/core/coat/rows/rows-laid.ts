/**
 * Rows that lie on the piece, found again in the rows as they are planned now. What was laid stays laid where it was laid:
 * another spacing changes how many rows are planned and where, not what has been done.
 */
import type { Row } from './rows';
import { weightedPercentile } from '@/core/percentile';

interface RowsLaid {
  /** Numbers of the planned rows whose place is laid. */
  readonly done: readonly number[];
  /** Rows really laid, by whatever plan. */
  readonly laid: number;
}

/** @param entries rows written down: their number, and how far up the area they lie (0 the mean of its hem, 1 its top), null where that was not kept */
export function rowsLaid(
  entries: readonly { readonly row: number; readonly up?: number | null }[],
  rows: readonly Pick<Row, 'number' | 'up'>[],
): RowsLaid {
  const byNumber = new Set(entries.flatMap((e) => (typeof e.up === 'number' ? [] : [e.row])));
  const ups = [...new Set(entries.flatMap((e) => (typeof e.up === 'number' ? [e.up] : [])))].sort((a, b) => a - b);
  const gaps = (list: readonly number[]) => list.slice(1).map((u, i) => u - list[i]!);
  const apart = ups.length > 1 ? gaps(ups) : gaps(rows.map((r) => r.up));
  const median =
    apart.length > 0 ? weightedPercentile(Float64Array.from(apart), new Float64Array(apart.length).fill(1), 0.5) : 1;
  // A row lies in the middle of its band; a hair more, so that rounding leaves none out.
  const reach = 0.5 * median * (1 + 1e-6);
  return {
    done: rows.flatMap((r) =>
      byNumber.has(r.number) || ups.some((u) => Math.abs(u - r.up) <= reach) ? [r.number] : [],
    ),
    laid: byNumber.size + ups.length,
  };
}
