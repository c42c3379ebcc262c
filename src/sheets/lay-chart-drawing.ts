/**
 * A column of a lay chart as marks on paper, in millimetres at true scale: x to the right, y down, the hem at the bottom.
 * Screen, SVG and PDF all draw these same marks.
 */
import type { ChartColumn } from '@/core/coat/lay-chart';

export interface RowMark {
  readonly number: number;
  readonly y: number;
  readonly stretches: readonly { readonly x1: number; readonly x2: number; readonly closed: boolean }[];
  /** Whether its number is written beside it; crowded rows are numbered every fifth. */
  readonly numbered: boolean;
}

export interface ColumnDrawing {
  readonly widthMm: number;
  readonly heightMm: number;
  readonly rows: readonly RowMark[];
}

/** Room left of the rows for their numbers, mm. */
export const GUTTER = 9;
const EDGE = 4;

export function drawColumn(column: ChartColumn, spacingMm: number): ColumnDrawing {
  const last = column.rows[column.rows.length - 1]!;
  const first = column.rows[0]!;
  const heightMm = last.atMm - first.atMm + 2 * EDGE;
  const every = spacingMm >= 2.6 ? 1 : 5;
  return {
    widthMm: column.rightMm - column.leftMm + GUTTER + EDGE,
    heightMm,
    rows: column.rows.map((r) => ({
      number: r.number,
      y: EDGE + last.atMm - r.atMm,
      stretches: r.pieces.map((p) => ({
        x1: p.fromMm - column.leftMm + GUTTER,
        x2: p.toMm - column.leftMm + GUTTER,
        closed: p.closed,
      })),
      numbered: every === 1 || r.number === 1 || r.number % every === 0,
    })),
  };
}
