/** The search for recipes against looking at every one of them, and its answers against recipes planted. */
import fc from 'fast-check';
import { madeUpStock, matchExhaustive } from '../../../../bench/match-baseline';
import { describe, expect, it } from 'vitest';
import { difference } from '@/core/colour/difference';
import { labOf, type Triple } from '@/core/colour/lab';
import { labOfCurve, reflectanceOf } from '@/core/colour/reflectance';
import { blendCurve, usualBlend, type BlendHow } from '@/core/wool/blend';
import { LOT_COSTS } from './best-recipes';
import { BlendTable } from './blend-table';
import { matchBest, matchSteps, type MatchAsk } from './match';
import { windowOf } from './match-window';
import { matchVeil } from './match-veil';
import { shortfall } from './reach';
import { veilCurve } from '@/core/shade/layers/veil';
import { colourName, direction, inWords } from '@/core/shade/words';

const ask = (target: Triple, more: Partial<MatchAsk> = {}): MatchAsk => ({
  target,
  parts: 8,
  how: usualBlend,
  needG: null,
  best: 4,
  ...more,
});

describe('recipes from a stock', () => {
  it('are the same as looking at every one, for any target, school and stock', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 1, max: 9 }),
        fc.integer({ min: 1, max: 1000 }),
        fc.constantFrom<BlendHow>(usualBlend, { ...usualBlend, model: 'friele' }, { ...usualBlend, even: 0.4 }),
        fc.tuple(
          fc.double({ min: 12, max: 92, noNaN: true }),
          fc.double({ min: -12, max: 35, noNaN: true }),
          fc.double({ min: -25, max: 40, noNaN: true }),
        ),
        fc.constantFrom(null, 6, 30),
        (n, seed, how, target, needG) => {
          const stock = madeUpStock(n, seed);
          const table = new BlendTable(stock, how);
          const q = ask(target, { how, needG });
          expect(matchBest(stock, table, q, false)).toEqual(matchExhaustive(stock, table, q));
        },
      ),
      { numRuns: 60 },
    );
  });
  it('in sixteen parts too, near a target the stock can reach', () => {
    const stock = madeUpStock(10, 4);
    const table = new BlendTable(stock, usualBlend);
    const q = ask(table.lab([1, 4, 7], [5, 8, 3]), { parts: 16 });
    const best = matchBest(stock, table, q, false);
    expect(best).toEqual(matchExhaustive(stock, table, q));
    expect(best[0]!.difference).toBeLessThan(2 * LOT_COSTS);
  });
  it('3 : 3 : 2 of a rust, a cream and an umber is found again with no difference', () => {
    const hexes = ['#c8a878', '#b0622a', '#8f8a82', '#e8dcc4', '#1f6fa3', '#3b2a20'];
    const stock = hexes.map((h, i) => ({ id: String(i), curve: reflectanceOf(h), freeG: 50 }));
    const table = new BlendTable(stock, usualBlend);
    const target = labOfCurve(
      blendCurve([
        { curve: reflectanceOf('#b0622a'), parts: 3 },
        { curve: reflectanceOf('#e8dcc4'), parts: 3 },
        { curve: reflectanceOf('#3b2a20'), parts: 2 },
      ]),
    );
    // Worked out once in an independent prototype.
    [43.6235, 10.1372, 20.2755].forEach((x, i) => expect(Math.abs(target[i]! - x)).toBeLessThan(0.003));
    const planted = matchBest(stock, table, ask(target)).find((f) => f.lots.join() === '1,3,5')!;
    expect(planted.parts).toEqual([3, 3, 2]);
    expect(planted.difference).toBeLessThan(1e-6);
  });
  it('fewer lots are preferred unless one more gains over half a difference', () => {
    const stock = madeUpStock(12, 9);
    const table = new BlendTable(stock, usualBlend);
    const [best, ...rest] = matchBest(stock, table, ask(labOf('#8a6a48')));
    for (const f of rest)
      if (f.lots.length < best!.lots.length)
        expect(best!.difference).toBeLessThanOrEqual(
          f.difference - LOT_COSTS * (best!.lots.length - f.lots.length) + 1e-9,
        );
  });
  it('a lot with too little wool for its part is left out', () => {
    const stock = madeUpStock(6, 2).map((s, i) => ({ ...s, freeG: i === 0 ? 1 : 50 }));
    const table = new BlendTable(stock, usualBlend);
    const target = labOfCurve(stock[0]!.curve);
    expect(matchBest(stock, table, ask(target))[0]!.lots).toEqual([0]);
    for (const f of matchBest(stock, table, ask(target, { needG: 10 }))) {
      const i = f.lots.indexOf(0);
      // Of 10 g in 8 parts one part is 1.25 g, more than there is.
      expect(i).toBe(-1);
    }
  });
  it('a first answer comes at once and only gets better', () => {
    const stock = madeUpStock(14, 11);
    const table = new BlendTable(stock, usualBlend);
    const steps = [...matchSteps(stock, table, ask(labOf('#7a5a3c')))];
    expect(steps.length).toBeGreaterThan(2);
    for (let i = 1; i < steps.length; i++) expect(steps[i]![0]!.score).toBeLessThanOrEqual(steps[i - 1]![0]!.score);
  });
  it('four lots are taken where they gain enough', () => {
    const stock = ['#d8c9a0', '#a8452a', '#24405e', '#3a4a28'].map((h, i) => ({
      id: String(i),
      curve: reflectanceOf(h),
      freeG: 9,
    }));
    const table = new BlendTable(stock, usualBlend);
    const target = table.lab([0, 1, 2, 3], [3, 2, 2, 1]);
    const best = matchBest(stock, table, ask(target))[0]!;
    expect(best.lots).toHaveLength(4);
    expect(best.difference).toBeLessThan(1.5);
  });
  it('no stock, no answer', () => {
    const table = new BlendTable([], usualBlend);
    expect(matchBest([], table, ask([50, 0, 0]))).toEqual([]);
  });
});

describe('the window of light a colour within a difference must lie in', () => {
  it('holds every colour that is within it', () => {
    fc.assert(
      fc.property(
        fc.tuple(
          fc.double({ min: 15, max: 95, noNaN: true }),
          fc.double({ min: -40, max: 60, noNaN: true }),
          fc.double({ min: -60, max: 60, noNaN: true }),
        ),
        fc.tuple(...[0, 1, 2].map(() => fc.double({ min: -12, max: 12, noNaN: true }))),
        (t, step) => {
          const c: Triple = [t[0] + step[0]!, t[1] + step[1]!, t[2] + step[2]!];
          fc.pre(c[0] > 9 && c[0] < 100);
          const d = difference(t, c);
          const w = windowOf(t, d + 1e-6);
          const fy = (c[0] + 16) / 116;
          const back = (f: number) => (f > 6 / 29 ? f ** 3 : ((116 * f - 16) * 27) / 24389);
          const [x, y, z] = [back(fy + c[1] / 500), back(fy), back(fy - c[2] / 200)];
          expect(y).toBeGreaterThanOrEqual(w.y[0] - 1e-9);
          expect(y).toBeLessThanOrEqual(w.y[1] + 1e-9);
          for (const [bounds, value] of [
            [w.u, x - y],
            [w.v, y - z],
          ] as const) {
            if (!bounds) continue;
            expect(value).toBeGreaterThanOrEqual(bounds[0] - 1e-9);
            expect(value).toBeLessThanOrEqual(bounds[1] + 1e-9);
          }
        },
      ),
      { numRuns: 800 },
    );
  });
});

describe('a veil for a colour', () => {
  const stock = ['#38271c', '#e6d9b4', '#b5622c'].map((h, i) => ({
    id: String(i),
    curve: reflectanceOf(h),
    freeG: 20,
    m1: 2.27,
    kappa: 0.75,
  }));
  const ground = reflectanceOf('#a9825a');
  it('finds again the wool and the amount of one that was laid', () => {
    const target = labOfCurve(veilCurve(stock[0]!.curve, ground, (0.75 * 2.4) / 2.27));
    const best = matchVeil(stock, ground, target, usualBlend, 3000, 3)[0]!;
    expect(best.lots).toEqual([0]);
    expect(best.arealMgCm2).toBeCloseTo(2.4, 1);
    expect(best.difference).toBeLessThan(0.2);
  });
  it('keeps to the wool there is', () => {
    const little = stock.map((s) => ({ ...s, freeG: 0.05 }));
    // 0.05 g over 30 cm2 are 1.67 mg/cm2 of each lot.
    for (const f of matchVeil(little, ground, labOf('#38271c'), usualBlend, 3000, 5))
      f.lots.forEach((_, i) => {
        const whole = f.parts.reduce((a, b) => a + b, 0);
        expect((f.arealMgCm2 * f.parts[i]!) / whole).toBeLessThanOrEqual(1.67);
      });
  });
});

describe('what is missing', () => {
  it('is said with its direction and a lot that would do', () => {
    const browns = blendCurve([{ curve: reflectanceOf('#6b4426'), parts: 1 }]);
    const s = shortfall('#8a2a1c', browns, usualBlend)!;
    expect(s.words).toContain('redder');
    const before = difference(labOf('#8a2a1c'), labOfCurve(browns));
    expect(s.left).toBeLessThan(before / 2);
    expect(labOf(s.hex)[1]).toBeGreaterThan(labOf('#8a2a1c')[1]);
  });
  it('is nothing when the nearest is near', () => {
    expect(shortfall('#6b4426', reflectanceOf('#6c4527'), usualBlend)).toBeNull();
  });
});

describe('differences in words', () => {
  it('go by what changes most', () => {
    expect(direction([50, 10, 20], [30, 10, 20])).toEqual(['darker']);
    expect(direction([50, 10, 20], [50, 22, 20])[0]).toBe('redder');
    expect(direction([50, 5, 5], [50, 5, -15])[0]).toBe('bluer');
    expect(direction([50, 10, 20], [50, 5, 10])[0]).toBe('greyer');
    expect(inWords([50, 10, 20], [50, 10, 20])).toBe('the same');
    expect(inWords([50, 10, 20], [51.3, 10, 20])).toBe('same at arm’s length');
    expect(inWords([50, 10, 20], [20, 10, 20])).toBe('much darker');
  });
  it('name ordinary wools as a maker would', () => {
    expect(colourName(labOf('#38271c'))).toContain('brown');
    expect(colourName(labOf('#efe9da'))).toMatch(/white/);
    expect(colourName(labOf('#0c0c0c'))).toBe('black');
    expect(colourName(labOf('#8a8a8a'))).toBe('grey');
    expect(colourName(labOf('#1f6fa3'))).toContain('blue');
  });
});
