import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { factorise, nestedDissection, solve, symmetricFromEdges } from './cholesky';

/** Grid Laplacian n x n plus a shift on the diagonal. */
function gridSystem(n: number, shift: number) {
  const ends: number[] = [];
  for (let j = 0; j < n; j++) {
    for (let i = 0; i < n; i++) {
      if (i + 1 < n) ends.push(i + n * j, i + 1 + n * j);
      if (j + 1 < n) ends.push(i + n * j, i + n * (j + 1));
    }
  }
  const e = Uint32Array.from(ends);
  const w = new Float64Array(e.length / 2).fill(-1);
  const d = new Float64Array(n * n).fill(shift);
  for (const v of e) d[v]! += 1;
  const p = new Float64Array(3 * n * n);
  for (let v = 0; v < n * n; v++) p.set([v % n, Math.floor(v / n), 0], 3 * v);
  return { m: symmetricFromEdges(n * n, e.length / 2, e, w, d), p };
}

describe('sparse solve', () => {
  it('gives back the vector the right-hand side was made from', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 2, max: 24 }),
        fc.double({ min: 0.01, max: 3, noNaN: true }),
        fc.integer(),
        (n, shift, seed) => {
          const { m, p } = gridSystem(n, shift);
          const x = Float64Array.from({ length: n * n }, (_, i) => Math.sin(seed + 3.7 * i));
          const b = new Float64Array(n * n);
          for (let c = 0; c < n * n; c++)
            for (let k = m.start[c]!; k < m.start[c + 1]!; k++) b[m.row[k]!]! += m.value[k]! * x[c]!;
          const y = solve(factorise(m, nestedDissection(m, p)), b);
          for (let i = 0; i < n * n; i++) expect(y[i]).toBeCloseTo(x[i]!, 8);
        },
      ),
      { numRuns: 40 },
    );
  });

  it('orders every vertex once, and with less fill than the given order', () => {
    const { m, p } = gridSystem(40, 0.1);
    const order = nestedDissection(m, p);
    expect(new Set(order).size).toBe(1600);
    const plain = factorise(
      m,
      Int32Array.from({ length: 1600 }, (_, i) => i),
    );
    expect(factorise(m, order).row.length).toBeLessThan(0.55 * plain.row.length);
  });

  it('refuses a matrix that is not positive definite', () => {
    const { m, p } = gridSystem(4, -5);
    expect(() => factorise(m, nestedDissection(m, p))).toThrow(/not positive definite/);
  });
});
