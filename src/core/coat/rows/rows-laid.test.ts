/** Rows laid stay laid where they were laid, whatever is planned since (common practice: nothing is taken off for a new plan). */
import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { rowsLaid } from './rows-laid';

const planned = (n: number) => Array.from({ length: n }, (_, i) => ({ number: i + 1, up: (i + 0.5) / n }));
const laid = (n: number, of: number) =>
  planned(of)
    .slice(0, n)
    .map((r) => ({ row: r.number, up: r.up }));

describe('rows laid', () => {
  it('ten of ten by a closer spacing cover all seven of a wider one, and ten lie', () => {
    expect(rowsLaid(laid(10, 10), planned(7))).toEqual({ done: [1, 2, 3, 4, 5, 6, 7], laid: 10 });
  });
  it('the lower half laid is the lower half of any later plan', () => {
    for (const n of [4, 7, 12, 23, 40]) {
      const { done, laid: lying } = rowsLaid(laid(6, 12), planned(n));
      expect(lying).toBe(6);
      // To half a row of either plan.
      expect(Math.abs(done.length / n - 0.5)).toBeLessThanOrEqual(0.5 / n + 0.5 / 12);
      expect(done).toEqual(
        planned(n)
          .slice(0, done.length)
          .map((r) => r.number),
      );
    }
  });
  it('by the same plan each row is itself and nothing else', () => {
    fc.assert(
      fc.property(fc.integer({ min: 2, max: 60 }), fc.integer({ min: 1, max: 60 }), (n, k) => {
        const rows = laid(Math.min(k, n), n);
        expect(rowsLaid(rows, planned(n)).done).toEqual(rows.map((r) => r.row));
      }),
    );
  });
  it('rows written down before their place was kept go by their number', () => {
    expect(rowsLaid([{ row: 2, up: null }, { row: 9 }], planned(5))).toEqual({ done: [2], laid: 2 });
  });
  it('rows below the mean of the hem are told apart', () => {
    const rows = [-0.3, -0.2, -0.1, 0.05, 0.15].map((up, i) => ({ number: i + 1, up }));
    expect(rowsLaid([{ row: 1, up: -0.3 }], rows)).toEqual({ done: [1], laid: 1 });
    expect(
      rowsLaid(
        [
          { row: 1, up: -0.3 },
          { row: 2, up: -0.2 },
        ],
        rows,
      ),
    ).toEqual({ done: [1, 2], laid: 2 });
  });
  it('nothing laid is nothing done', () => {
    expect(rowsLaid([], planned(3))).toEqual({ done: [], laid: 0 });
  });
});
