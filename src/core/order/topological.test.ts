import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { rings, shortestWay, topological, type Arrow } from './topological';

const graph = fc.integer({ min: 1, max: 18 }).chain((n) =>
  fc.record({
    n: fc.constant(n),
    place: fc.shuffledSubarray([...Array(n).keys()], { minLength: n, maxLength: n }),
    pairs: fc.array(fc.tuple(fc.nat(n - 1), fc.nat(n - 1)), { maxLength: 40 }),
    ranks: fc.array(fc.integer({ min: 0, max: 30 }), { minLength: n, maxLength: n }),
    extra: fc.tuple(fc.nat(n - 1), fc.nat(n - 1)),
  }),
);
/** Arrows only from an earlier place to a later one: no ring. */
const loose = (g: { place: number[]; pairs: [number, number][] }): Arrow[] =>
  g.pairs.flatMap(([a, b]) => (g.place[a]! < g.place[b]! ? [{ before: a, after: b }] : []));

/** Everything that waits for a thing, itself included. */
function waiting(n: number, arrows: readonly Arrow[], from: number): Set<number> {
  const out = new Set([from]);
  for (let k = 0; k < n; k++) for (const a of arrows) if (out.has(a.before)) out.add(a.after);
  return out;
}

describe('a topological order by rank', () => {
  it('keeps every arrow, loses nothing, and is the same every time', () => {
    fc.assert(
      fc.property(graph, (g) => {
        const arrows = loose(g);
        const order = topological(g.n, arrows, (i) => g.ranks[i]!);
        expect([...order].sort((a, b) => a - b)).toEqual([...Array(g.n).keys()]);
        const at = new Map(order.map((x, i) => [x, i]));
        for (const a of arrows) expect(at.get(a.before)!).toBeLessThan(at.get(a.after)!);
        expect(topological(g.n, [...arrows].reverse(), (i) => g.ranks[i]!)).toEqual(order);
      }),
    );
  });
  it('of all orders that keep the arrows it has the least rank first (brute force)', () => {
    fc.assert(
      fc.property(
        graph.filter((g) => g.n <= 6),
        (g) => {
          const arrows = loose(g);
          const key = (o: number[]) => o.map((i) => g.ranks[i]! * 100 + i);
          let best: number[] | null = null;
          const go = (o: number[]): void => {
            if (o.length === g.n) {
              const less = (a: number[], b: number[]) => {
                const i = a.findIndex((x, k) => x !== b[k]);
                return i >= 0 && a[i]! < b[i]!;
              };
              if (!best || less(key(o), key(best))) best = o;
              return;
            }
            for (let i = 0; i < g.n; i++)
              if (!o.includes(i) && arrows.every((a) => a.after !== i || o.includes(a.before))) go([...o, i]);
          };
          go([]);
          expect(topological(g.n, arrows, (i) => g.ranks[i]!)).toEqual(best);
        },
      ),
      { numRuns: 60 },
    );
  });
  it('one more arrow x before y moves only y and what waits for y: all else keeps its order', () => {
    fc.assert(
      fc.property(graph, (g) => {
        const arrows = loose(g);
        const [x, y] = g.extra;
        fc.pre(g.place[x]! < g.place[y]!);
        const before = topological(g.n, arrows, (i) => g.ranks[i]!);
        const more = [...arrows, { before: x, after: y }];
        const after = topological(g.n, more, (i) => g.ranks[i]!);
        const moved = waiting(g.n, more, y);
        expect(after.filter((i) => !moved.has(i))).toEqual(before.filter((i) => !moved.has(i)));
        // Where the order kept the arrow already, nothing moves at all.
        if (before.indexOf(x) < before.indexOf(y)) expect(after).toEqual(before);
      }),
    );
  });
});

describe('rings', () => {
  it('two things share a ring exactly when each can be reached from the other', () => {
    fc.assert(
      fc.property(graph, (g) => {
        const arrows = g.pairs.map(([before, after]) => ({ before, after }));
        const group = rings(g.n, arrows);
        const reach = [...Array(g.n).keys()].map((i) => waiting(g.n, arrows, i));
        for (let i = 0; i < g.n; i++)
          for (let j = 0; j < g.n; j++) expect(group[i] === group[j]).toBe(reach[i]!.has(j) && reach[j]!.has(i));
      }),
    );
  });
  it('the shortest way is a way, and none is shorter (brute force by steps)', () => {
    fc.assert(
      fc.property(graph, (g) => {
        const arrows = g.pairs.map(([before, after]) => ({ before, after }));
        const [from, to] = g.extra;
        const way = shortestWay(g.n, arrows, from, to);
        let seen = new Set([from]);
        let steps = 0;
        while (!seen.has(to) && steps <= g.n) {
          seen = new Set([...seen, ...arrows.flatMap((a) => (seen.has(a.before) ? [a.after] : []))]);
          steps++;
        }
        if (!seen.has(to)) expect(way).toBeNull();
        else {
          expect(way).toHaveLength(steps);
          let at = from;
          for (const i of way!) {
            expect(arrows[i]!.before).toBe(at);
            at = arrows[i]!.after;
          }
          expect(at).toBe(to);
        }
      }),
    );
  });
});
