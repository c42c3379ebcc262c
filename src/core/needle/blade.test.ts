import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { asKind, usualNeedle, usualThickness, withNeedleChange } from '@/core/piece/usual-needle';
import { barbsOf, deepestSafe, markWidth, paceOf, rooted, tangle } from './blade';
import { closingPasses } from './finish';
import { fewestChanges, type Stand } from './changes';
import { marksAfter, openMarks, stillOpen, UNNOTICED } from './marks';

const blade = (gauge: number, section: 'triangle' | 'star' | 'crown' | 'reverse' = 'triangle') => ({
  id: `${gauge}-${section}`,
  name: `${gauge} ${section}`,
  gauge,
  section,
  count: 1,
  ...usualNeedle({ gauge, section }),
});

describe('what a needle measures', () => {
  // From memory: 32 .75, 36 .60, 38 .55, 40 .50, 42 .45, 46 .35 mm; point to first barb 3.2 to 6.4, crown about 3.
  it('gauge gives the blade, finer with the number, in between in a straight line', () => {
    expect([32, 36, 38, 40, 42, 46].map(usualThickness)).toEqual([0.75, 0.6, 0.55, 0.5, 0.45, 0.35]);
    expect(usualThickness(34)).toBeCloseTo(0.68, 2);
    for (let g = 21; g <= 50; g++) expect(usualThickness(g)).toBeLessThanOrEqual(usualThickness(g - 1));
    expect(usualThickness(50)).toBeGreaterThan(0.2);
  });
  it('edges take turns: nine barbs on a triangle spread evenly, three level ones on a crown', () => {
    const t = barbsOf(blade(40));
    expect(t).toHaveLength(9);
    t.slice(1).forEach((b, i) => expect(b - t[i]!).toBeCloseTo(2.1, 9));
    expect(barbsOf(blade(46, 'crown'))).toEqual([3, 3, 3]);
    expect(barbsOf(blade(38, 'star'))).toHaveLength(12);
  });
});

describe('another kind of needle', () => {
  const n = { ...blade(38), name: '38 triangle' };
  it('takes name and usual measures along; a name of its own and measured figures stay', () => {
    expect(asKind(n, { gauge: 46, section: 'crown' })).toMatchObject({
      name: '46 crown',
      thickMm: 0.35,
      tipMm: 3,
      barbs: 1,
    });
    expect(asKind({ ...n, name: 'old faithful', measured: true, tipMm: 5.1 }, { gauge: 40 })).toMatchObject({
      name: 'old faithful',
      tipMm: 5.1,
      gauge: 40,
    });
  });
});

describe('a change made by the maker', () => {
  const n = { ...blade(38), name: '38 triangle', tipMm: 4.4 };
  it('a name or a number leaves every measure as it is', () => {
    expect(withNeedleChange(n, { name: 'blue handle' })).toEqual({ ...n, name: 'blue handle' });
    expect(withNeedleChange(n, { count: 7 })).toEqual({ ...n, count: 7 });
  });
  it('a measure set by hand counts as measured, and another gauge does not take it away', () => {
    const own = withNeedleChange(n, { bladeMm: 31 });
    expect(own).toEqual({ ...n, bladeMm: 31, measured: true });
    expect(withNeedleChange(own, { gauge: 40 })).toEqual({ ...own, gauge: 40, name: '40 triangle' });
  });
  it('another section brings the usual measures of its kind while none was taken', () => {
    expect(withNeedleChange(n, { section: 'crown' })).toMatchObject({ name: '38 crown', barbs: 1, measured: false });
    expect(withNeedleChange({ ...n, measured: true }, { measured: false })).toEqual(n);
  });
});

describe('what a stab does', () => {
  it('roots with all three barbs of a crown at a depth where a triangle has one', () => {
    expect(rooted(blade(46, 'crown'), 6, 3) / 0.35 ** 2).toBeCloseTo(3, 9);
    expect(rooted(blade(40), 6.2, 3) / 0.5 ** 2).toBeCloseTo(1, 9);
    expect(rooted(blade(36), 6, 3)).toBe(0);
  });
  it('tangles more the deeper it goes and the thicker it is; nothing before its first barb catches', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 0, max: 25, noNaN: true }),
        fc.double({ min: 0, max: 5, noNaN: true }),
        (s, more) => {
          for (const n of [blade(36), blade(40), blade(46, 'crown')]) {
            expect(tangle(n, s + more)).toBeGreaterThanOrEqual(tangle(n, s));
            if (s <= n.tipMm) expect(tangle(n, s)).toBe(0);
          }
        },
      ),
    );
    // Two barbs of a 40 at 6 mm: (6 − 3.2) + (6 − 5.3).
    expect(tangle(blade(40), 6)).toBeCloseTo(0.25 * (2.8 + 0.7), 9);
  });
  it('steel: bending stress of a round bar, so the safe stroke goes as d³ and falls with density', () => {
    const n = blade(40);
    // 1000 MPa × π × 0.5³ / (32 × 25 mm × 0.02 N/mm)
    expect(deepestSafe(n, 100)).toBeCloseTo((1000 * Math.PI * 0.125) / (32 * 25 * 0.02), 9);
    expect(deepestSafe(n, 50)).toBeCloseTo(2 * deepestSafe(n, 100), 9);
  });
  it('a thick blade deep in firm wool slows the hand, a fine one does not', () => {
    expect(paceOf(blade(32), 20, 100)).toBeLessThan(0.7);
    expect(paceOf(blade(38), 20, 100)).toBe(1);
    expect(paceOf(blade(32), 20, 40)).toBe(1);
  });
});

const top = { topMgCm2: 6, finenessUm: 21, spread: 0.85 };

describe('marks', () => {
  it('grow with the blade and shrink with the layer; finer wool in the same weight hides them better', () => {
    expect(openMarks(blade(36), 40, top)).toBeGreaterThan(openMarks(blade(40), 40, top));
    expect(openMarks(blade(40), 40, { ...top, topMgCm2: 12 })).toBeLessThan(openMarks(blade(40), 40, top));
    expect(markWidth(blade(38, 'star'))).toBeGreaterThan(markWidth(blade(38)));
    // With no layer to spring back it is the area of the holes: 40 a cm², 0.5 mm wide.
    expect(openMarks(blade(40), 40, { ...top, topMgCm2: 0 })).toBeCloseTo(0.4 * Math.PI * 0.25 * 0.25, 9);
  });
  it('a later pass closes older marks as Poisson says: none of its stabs near', () => {
    expect(stillOpen(40)).toBeCloseTo(Math.exp(-0.4 * Math.PI * 0.5625), 12);
    // Seeded stabs at random, old marks at random: the share with none within reach.
    let seed = 12345;
    const random = () => (seed = (Math.imul(seed, 1664525) + 1013904223) >>> 0) / 2 ** 32;
    const side = 60;
    const stabs = Array.from({ length: (side * side * 40) / 100 }, () => [random() * side, random() * side] as const);
    let open = 0;
    const tries = 4000;
    for (let i = 0; i < tries; i++) {
      const [x, y] = [2 + random() * (side - 4), 2 + random() * (side - 4)];
      if (!stabs.some(([a, b]) => Math.hypot(a - x, b - y) < 0.75)) open++;
    }
    expect(open / tries).toBeCloseTo(stillOpen(40), 1);
  });
  it('coarse to fine ends with fewer marks than fine to coarse (common practice)', () => {
    const a = marksAfter(
      [
        { needle: blade(36), perCm2: 40 },
        { needle: blade(40), perCm2: 40 },
      ],
      top,
    );
    const b = marksAfter(
      [
        { needle: blade(40), perCm2: 40 },
        { needle: blade(36), perCm2: 40 },
      ],
      top,
    );
    expect(a).toBeLessThan(b);
  });
});

describe('closing passes', () => {
  const rack = [blade(36), blade(38), blade(40), blade(42)];
  it('are none where nothing shows, get finer and never coarser, and leave less than is noticed where that can be had', () => {
    expect(closingPasses(rack, top, 0.01).passes).toEqual([]);
    for (const before of [0.04, 0.08]) {
      const { passes, left } = closingPasses(rack, { ...top, topMgCm2: 12 }, before);
      expect(left).toBeLessThanOrEqual(UNNOTICED);
      passes.slice(1).forEach((p, i) => expect(p.needle.thickMm).toBeLessThanOrEqual(passes[i]!.needle.thickMm));
      expect(left).toBeCloseTo(marksAfter(passes, { ...top, topMgCm2: 12 }, before), 12);
    }
  });
  it('take the fewest stabs of all sequences of up to three passes', () => {
    const t = { ...top, topMgCm2: 9 };
    const best = closingPasses(rack, t, 0.08);
    const stabs = best.passes.reduce((s, p) => s + p.perCm2, 0);
    const all = rack.flatMap((needle) => [40, 20].map((perCm2) => ({ needle, perCm2 })));
    for (const a of [null, ...all])
      for (const b of [null, ...all])
        for (const c of [null, ...all]) {
          const passes = [a, b, c].filter((p) => p !== null);
          const sorted = passes.every((p, i) => i === 0 || p.needle.thickMm <= passes[i - 1]!.needle.thickMm);
          if (sorted && marksAfter(passes, t, 0.08) <= UNNOTICED)
            expect(passes.reduce((s, p) => s + p.perCm2, 0)).toBeGreaterThanOrEqual(stabs);
        }
  });
  it('says so where no pass at hand closes enough', () => {
    expect(closingPasses([blade(32)], { ...top, topMgCm2: 1 }, 0.1).left).toBeGreaterThan(UNNOTICED);
  });
});

describe('fewest changes of needle', () => {
  const changesOf = (row: readonly (string | null)[]) => {
    const used = row.filter((x) => x !== null);
    return used.slice(1).filter((x, i) => x !== used[i]).length;
  };
  it('equals looking at every way (brute force), changes first and cost second', () => {
    const stand = fc
      .uniqueArray(fc.constantFrom('a', 'b', 'c'), { maxLength: 3 })
      .chain((ids) =>
        fc.tuple(
          fc.constant(ids),
          fc.array(fc.integer({ min: 1, max: 9 }), { minLength: ids.length, maxLength: ids.length }),
        ),
      )
      .map(([ids, costs]): Stand => ({ choices: ids.map((needleId, i) => ({ needleId, cost: costs[i]! })) }));
    fc.assert(
      fc.property(fc.array(stand, { maxLength: 7 }), (row) => {
        const got = fewestChanges(row);
        let best = [Infinity, Infinity] as [number, number];
        const go = (i: number, picked: (string | null)[], cost: number): void => {
          if (i === row.length) {
            const k = changesOf(picked);
            if (k < best[0] || (k === best[0] && cost < best[1])) best = [k, cost];
            return;
          }
          if (row[i]!.choices.length === 0) return go(i + 1, [...picked, null], cost);
          for (const c of row[i]!.choices) go(i + 1, [...picked, c.needleId], cost + c.cost);
        };
        go(0, [], 0);
        expect(changesOf(got)).toBe(best[0]);
        const cost = got.reduce((s, id, i) => s + (row[i]!.choices.find((c) => c.needleId === id)?.cost ?? 0), 0);
        expect(cost).toBe(best[1]);
      }),
      { numRuns: 300 },
    );
  });
});
