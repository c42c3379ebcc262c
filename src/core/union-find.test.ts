/** Groups made by joining, against the groups of a graph walked from each of its places. */
import fc from 'fast-check';
import { expect, it } from 'vitest';
import { UnionFind } from './union-find';

it('two things are of one group exactly when a way of joinings leads from one to the other', () => {
  const graphs = fc.integer({ min: 1, max: 40 }).chain((n) =>
    fc.record({
      n: fc.constant(n),
      pairs: fc.array(fc.tuple(fc.nat(n - 1), fc.nat(n - 1)), { maxLength: 60 }),
    }),
  );
  fc.assert(
    fc.property(graphs, ({ n, pairs }) => {
      const groups = new UnionFind(n);
      for (const [a, b] of pairs) groups.join(a, b);
      for (let from = 0; from < n; from++) {
        const reached = new Set([from]);
        for (const at of reached)
          for (const [a, b] of pairs) {
            if (a === at) reached.add(b);
            if (b === at) reached.add(a);
          }
        for (let to = 0; to < n; to++) expect(groups.head(from) === groups.head(to)).toBe(reached.has(to));
      }
    }),
  );
});
