import { describe, expect, it } from 'vitest';
import { chartOf } from './lay-chart';
import type { Row, RowPiece } from '@/core/coat/rows/rows';

/** A straight stretch of row in the plane z = up, from x1 to x2, in steps of a millimetre. */
function stretch(x1: number, x2: number, up: number, component = 0): RowPiece {
  const n = Math.max(2, Math.round(Math.abs(x2 - x1)) + 1);
  const points = new Float64Array(3 * n);
  for (let i = 0; i < n; i++) points.set([x1 + ((x2 - x1) * i) / (n - 1), 0, up], 3 * i);
  return { closed: false, lengthMm: Math.abs(x2 - x1), component, points, normal: points, lie: points };
}
const row = (number: number, ...pieces: RowPiece[]): Row => ({
  number,
  atMm: (number - 0.5) * 4,
  up: 0,
  share: 0,
  half: false,
  lengthMm: pieces.reduce((s, p) => s + p.lengthMm, 0),
  pieces,
});
const middle = { areaMm2: 1, side: 'middle' as const, twinOf: null };

describe('the lay chart', () => {
  it('keeps true lengths and puts the hem at the bottom', () => {
    const chart = chartOf(
      [row(1, stretch(-10, 10, 0)), row(2, stretch(-15, 15, 4)), row(3, stretch(-8, 8, 8))],
      [middle],
      4,
    );
    const [column] = chart.columns;
    expect(column!.rows.map((r) => r.pieces[0]!.toMm - r.pieces[0]!.fromMm)).toEqual([20, 30, 16]);
    expect(column!.rows.map((r) => r.atMm)).toEqual([2, 6, 10]);
    expect(chart.heightMm).toBe(12);
  });

  it('sets a row over the places it lies over, whichever way its line runs', () => {
    // A V bib that leans: every row sits 5 mm further to one side; one of them is traced backwards.
    const chart = chartOf(
      [row(1, stretch(0, 20, 0)), row(2, stretch(25, 5, 4)), row(3, stretch(10, 30, 8))],
      [middle],
      4,
    );
    const starts = chart.columns[0]!.rows.map((r) => r.pieces[0]!.fromMm);
    // The nearest place on a shorter row is its end, so the lean is followed but never overdone.
    expect(starts[1]! - starts[0]!).toBeGreaterThan(3);
    expect(starts[1]! - starts[0]!).toBeLessThan(6);
    expect(starts[2]! - starts[1]!).toBeGreaterThan(3);
  });

  it('shows a mirrored pair once and two different parts beside each other', () => {
    const rows = [row(1, stretch(10, 20, 0, 0), stretch(-20, -10, 0, 1), stretch(40, 44, 0, 2))];
    const components = [
      { areaMm2: 5, side: 'left' as const, twinOf: null },
      { areaMm2: 5, side: 'right' as const, twinOf: 0 },
      { areaMm2: 1, side: 'left' as const, twinOf: null },
    ];
    expect(chartOf(rows, components, 3).columns.map((c) => [c.label, c.rows[0]!.pieces.length])).toEqual([
      ['both sides alike', 1],
      ['left', 1],
    ]);
  });

  it('never lays two stretches of one row over each other', () => {
    const chart = chartOf([row(1, stretch(-20, 20, 0)), row(2, stretch(-20, -2, 4), stretch(-1, 20, 4))], [middle], 4);
    const [a, b] = chart.columns[0]!.rows[1]!.pieces;
    expect(b!.fromMm).toBeGreaterThan(a!.toMm);
  });
});
