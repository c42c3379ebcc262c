import { describe, expect, it } from 'vitest';
import { normal, seeded } from '@/core/random';
import { rowCover } from '@/core/coat/cover/cover';
import { figure, letter, method } from './define';
import { cupboard, pineMarten } from '../../../demo/load';
import { learntFrom } from '@/core/coat/learnt';
import type { FoldOver } from '@/core/piece/coat';
import { defaultHand } from '@/core/piece/hand';
import { knownOfHand } from '@/core/piece/hand-known';
import { deviation, DOUBTS, sharpened, type DoubtName } from './doubt';
import { doubtsIn, spanOfFigure, spanOfSum } from './span';
import { methods, methodOf } from '@/core/methods';

/** Values below which a tenth and nine tenths of many lie. */
const deciles = (list: number[]): [number, number] => {
  const s = [...list].sort((a, b) => a - b);
  return [s[Math.floor(0.1 * s.length)]!, s[Math.floor(0.9 * s.length)]!];
};

const bib = pineMarten.areas.find((a) => a.id === 'bib')!.coat as FoldOver;

const volumeOfBall = method({
  id: 'test-ball',
  title: 'A ball',
  formula: 'm = d³ ρ',
  inputs: { d: letter('d', 'across', 'length', 'small'), rho: letter('ρ', 'density', 'density', 'core') },
  result: letter('m', 'wool', 'mass'),
  source: 'Test.',
  basis: 'ours',
  of: ({ d, rho }) => d ** 3 * rho,
});

describe('the span of a figure', () => {
  it('of a product of powers is the closed form: the deviations of the logarithms add as squares', () => {
    // JCGM 100:2008, 5.1.6: relative variances add by the squares of the exponents.
    const f = figure(volumeOfBall, { d: 2, rho: 3 });
    const s = spanOfFigure(volumeOfBall, f)!;
    const sd = Math.hypot(3 * DOUBTS.small.first, DOUBTS.core.first);
    expect(s.low).toBeCloseTo(24 * Math.exp(-1.2816 * sd), 9);
    expect(s.high).toBeCloseTo(24 * Math.exp(1.2816 * sd), 9);
    expect(s.doubts.map((d) => d.name)).toEqual(['small', 'core']);
    expect(s.doubts[0]!.share).toBeCloseTo((3 * DOUBTS.small.first) ** 2 / sd ** 2, 9);
  });

  it('of a cover holds eight in ten of many lays drawn at random', () => {
    const inputs = {
      ends: 80,
      fineness: 21,
      length: 14,
      lift: 20,
      spacing: 4,
      scatter: 0.12,
      width: 1,
      pitch: 1,
      kappa: 0.75,
      unevenness: 0.3,
      tilt: 0,
      toward: 0,
    };
    const f = figure(rowCover, inputs);
    const s = spanOfFigure(rowCover, f)!;
    const rnd = seeded(7);
    const drawn = Array.from({ length: 1500 }, () =>
      rowCover.of({
        ...inputs,
        ends: inputs.ends * Math.exp(DOUBTS.lay.first * normal(rnd)),
        kappa: inputs.kappa * Math.exp(DOUBTS.hides.first * normal(rnd)),
      }),
    );
    const [low, high] = deciles(drawn);
    expect(f.value).toBeGreaterThan(0.9);
    expect(Math.abs(s.low - low)).toBeLessThan(0.006);
    expect(Math.abs(s.high - high)).toBeLessThan(0.003);
  });

  it('grows narrower with every measurement, by how sure one is', () => {
    const f = figure(volumeOfBall, { d: 2, rho: 3 });
    const sd = (known: object) => Math.log(spanOfFigure(volumeOfBall, { ...f, known })!.high / 24) / 1.2816;
    // Two values, each by the inverse of its variance: a first of 0.24 and a measurement of 0.1.
    const once = 1 / Math.sqrt(1 / 0.24 ** 2 + 1 / 0.1 ** 2);
    expect(sd({ core: 1 })).toBeCloseTo(Math.hypot(3 * DOUBTS.small.first, once), 9);
    expect(deviation('core', { core: 4 })).toBeLessThan(0.05);
    expect(
      spanOfFigure(volumeOfBall, { ...f, known: { core: 1 } })!.doubts.find((d) => d.name === 'core')!.measured,
    ).toBe(1);
  });

  it('is none where nothing is in doubt, and none of nothing', () => {
    const rows = methodOf('pinch-count');
    expect(doubtsIn(rows)).toEqual([]);
    expect(spanOfFigure(rows, figure(rows, { pinches: 40, pitch: 5 }))).toBeNull();
    expect(spanOfFigure(volumeOfBall, figure(volumeOfBall, { d: 2, rho: 0 }))).toBeNull();
  });

  it('a doubt of the formula itself moves its result and no letter', () => {
    const firm = {
      ...volumeOfBall,
      inputs: { d: letter('d', 'across', 'length'), rho: letter('ρ', 'density', 'density') },
    };
    const unsure = { ...firm, doubt: 'joint' as const };
    expect(spanOfFigure(firm, figure(firm, { d: 2, rho: 3 }))).toBeNull();
    const s = spanOfFigure(unsure, figure(unsure, { d: 2, rho: 3 }))!;
    expect(s.high / 24).toBeCloseTo(Math.exp(1.2816 * DOUBTS.joint.first), 9);
  });

  it('what is said to be learnt is learnt: in the settings, by swatches, or not at all, and then it is said', () => {
    const own = structuredClone(defaultHand);
    own.coreDensityMgCm3.firm.usual = 90;
    own.looseDensityMgCm3 = 25;
    own.handlingLoss = 0.1;
    own.times = { pinch: { low: 1, likely: 1, high: 1 } };
    const names = Object.keys(DOUBTS) as DoubtName[];
    const by = (where: string) => names.filter((n) => DOUBTS[n].learnt === where).sort();
    expect(by('settings')).toEqual(Object.keys(knownOfHand(own)).sort());
    expect(knownOfHand(defaultHand)).toEqual({});
    const lot = cupboard.lots.find((l) => l.id === bib.lotId)!;
    const swatch = { id: 's', name: 's', at: '2026-03-01T09:00:00Z', coat: bib, diameterMm: 40, loftMm: 5 };
    const swatches = [{ ...swatch, verdict: 'shows a little' as const, weighedMgCm: bib.layMgCm }];
    const { known } = learntFrom({ swatches }, lot, defaultHand);
    expect(by('swatches')).toEqual(Object.keys(known).sort());
    for (const n of names)
      expect(sharpened(n).endsWith('The plan does not learn it yet.'), n).toBe(DOUBTS[n].learnt === 'nowhere yet');
  });

  it('no doubt is carried by no formula, and each says what sharpens it', () => {
    const carried = new Set(methods.flatMap(doubtsIn));
    // Times are made of elements, each with its own span.
    const names = Object.keys(DOUBTS) as DoubtName[];
    expect(names.filter((n) => !carried.has(n))).toEqual([]);
    for (const n of names) expect(DOUBTS[n].sharpen, n).toMatch(/^[A-Z].*\.$/);
  });
});

describe('the span of a sum', () => {
  const doubt = (name: DoubtName, about: string) => ({ name, about, known: {} });

  it('of one thing is that of its doubt; of the same doubt twice no narrower', () => {
    const one = spanOfSum([{ amount: 4, doubts: [doubt('lay', 'a')] }]);
    const two = spanOfSum([
      { amount: 1, doubts: [doubt('lay', 'a')] },
      { amount: 3, doubts: [doubt('lay', 'a')] },
    ]);
    expect(two).toEqual(one);
    // Fenton: the deviation of the logarithm of the sum.
    expect(Math.log(one.high / 4) / 1.2816).toBeCloseTo(Math.sqrt(Math.log1p(0.15 ** 2)), 9);
  });

  it('of different doubts holds eight in ten of many sums drawn at random', () => {
    const parts = [
      { amount: 12, doubts: [doubt('core', '')] },
      { amount: 6, doubts: [doubt('lay', 'a')] },
      { amount: 5, doubts: [doubt('lay', 'a')] },
      { amount: 7, doubts: [doubt('lay', 'b')] },
      { amount: 2, doubts: [doubt('wisp', '')] },
    ];
    const rnd = seeded(3);
    const drawn = Array.from({ length: 6000 }, () => {
      const off = new Map<string, number>();
      return parts.reduce((s, p) => {
        const d = p.doubts[0]!;
        const key = d.name + d.about;
        if (!off.has(key)) off.set(key, Math.exp(DOUBTS[d.name].first * normal(rnd)));
        return s + p.amount * off.get(key)!;
      }, 0);
    });
    const span = spanOfSum(parts);
    const [low, high] = deciles(drawn);
    expect(Math.abs(span.low / low - 1)).toBeLessThan(0.02);
    expect(Math.abs(span.high / high - 1)).toBeLessThan(0.02);
    const within = drawn.filter((x) => x >= span.low && x <= span.high).length / drawn.length;
    expect(within).toBeGreaterThan(0.77);
    expect(within).toBeLessThan(0.83);
  });

  it('of nothing is nothing', () => {
    expect(spanOfSum([])).toEqual({ low: 0, likely: 0, high: 0 });
  });
});
