/**
 * Blends and veils against worked values. Stearns and Noechel 1944, Friele 1952 (constants from memory); Kubelka and Munk
 * 1931 by a textbook example. Values of colours were worked out once in an independent prototype (tolerance says so).
 */
import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { difference } from '@/core/colour/difference';
import { labOf } from '@/core/colour/lab';
import { BANDS } from '@/core/colour/observer';
import { hexOfCurve, labOfCurve, reflectanceOf, xyzOfCurve } from '@/core/colour/reflectance';
import {
  blendCurve,
  blendValue,
  friele,
  FRIELE_S,
  frieleBack,
  stearns,
  stearnsBack,
  usualBlend,
} from '@/core/wool/blend';
import { HIDES, hidingMg, lettingMg, showsBy } from './hide';
import { over, seenAfter, weights, type StackLayer } from './stack';
import { overGround, poisson, SCATTER, veilCurve, veilValue } from './veil';
import { bodyCurve, woolCurve } from '@/core/wool/wool-colour';

const of = (...list: [string, number][]) => blendCurve(list.map(([h, parts]) => ({ curve: reflectanceOf(h), parts })));
const hexes = ['#c8a878', '#b0622a', '#3b2a20', '#ece5d6', '#1f6fa3', '#8f8a82'];
const anyHex = fc.constantFrom(...hexes);

describe('a blend by mass', () => {
  it('averages the function of Stearns and Noechel, and of Friele', () => {
    const cases = [
      [0.03, 0.8, 0.100742, 0.147827],
      [0.05, 0.6, 0.126856, 0.153974],
      [0.1, 0.4, 0.17663, 0.18365],
      [0.2, 0.5, 0.294672, 0.291394],
    ] as const;
    for (const [a, b, sn, fr] of cases) {
      expect(blendValue([a, b], [0.5, 0.5], usualBlend)).toBeCloseTo(sn, 5);
      expect(blendValue([a, b], [0.5, 0.5], { ...usualBlend, model: 'friele' })).toBeCloseTo(fr, 5);
    }
    expect(stearns(0, 0.15)).toBeCloseTo(117.6471, 4);
    expect(stearns(0.01, 0.15)).toBeCloseTo(99, 6);
    expect(stearns(0.1, 0.15)).toBeCloseTo(38.2979, 4);
    expect(stearns(0.5, 0.15)).toBeCloseTo(5.988, 4);
  });
  it('gives known colours', () => {
    const half = of(['#c8a878', 1], ['#b0622a', 1]);
    expect(hexOfCurve(half)).toBe('#bc7b48');
    // The prototype's weights ended at another band; the last digits may differ by two in a thousand.
    [57.4911, 20.1975, 37.8915].forEach((x, i) => expect(Math.abs(labOfCurve(half)[i]! - x)).toBeLessThan(0.002));
    [62.9668, 14.4158, 34.2546].forEach((x, i) =>
      expect(Math.abs(labOfCurve(of(['#c8a878', 3], ['#b0622a', 1]))[i]! - x)).toBeLessThan(0.002),
    );
    [48.5129, 9.6697, 19.28].forEach((x, i) =>
      expect(Math.abs(labOfCurve(of(['#ece5d6', 5], ['#b0622a', 3], ['#3b2a20', 2]))[i]! - x)).toBeLessThan(0.003),
    );
  });
  it('with itself is itself, in any order is the same, and shares sum up', () => {
    fc.assert(
      fc.property(anyHex, anyHex, anyHex, fc.integer({ min: 1, max: 9 }), (a, b, c, n) => {
        expect(difference(labOfCurve(of([a, n], [a, 3])), labOf(a))).toBeLessThan(1e-3);
        const one = of([a, n], [b, 2], [c, 1]);
        const two = of([c, 1], [a, n], [b, 2]);
        one.forEach((x, i) => expect(x).toBeCloseTo(two[i]!, 12));
        const scaled = of([a, 5 * n], [b, 10], [c, 5]);
        one.forEach((x, i) => expect(x).toBeCloseTo(scaled[i]!, 12));
      }),
    );
  });
  it('never gets lighter by more of a darker wool, in either school and however streaky', () => {
    fc.assert(
      fc.property(
        anyHex,
        fc.constantFrom('stearns-noechel' as const, 'friele' as const),
        fc.double({ min: 0, max: 1, noNaN: true }),
        (h, model, even) => {
          const dark = reflectanceOf('#0d0b0a');
          let last = Infinity;
          for (let parts = 0; parts <= 8; parts++) {
            const c = blendCurve(
              [
                { curve: reflectanceOf(h), parts: 8 - parts },
                { curve: dark, parts },
              ],
              { ...usualBlend, model, even },
            );
            const y = xyzOfCurve(c)[1];
            expect(y).toBeLessThanOrEqual(last + 1e-12);
            last = y;
          }
        },
      ),
      { numRuns: 60 },
    );
  });
  it('turned back is what it was', () => {
    for (const r of [0.011, 0.05, 0.3, 0.7, 0.95]) {
      expect(stearnsBack(stearns(r, 0.15), 0.15)).toBeCloseTo(r, 10);
      expect(frieleBack(friele(r, FRIELE_S), FRIELE_S)).toBeCloseTo(r, 10);
    }
  });
  it('laid side by side mixes as light does, pulled until even is darker', () => {
    const a = reflectanceOf('#ece5d6');
    const b = reflectanceOf('#3b2a20');
    const mix = (even: number) =>
      blendCurve(
        [
          { curve: a, parts: 1 },
          { curve: b, parts: 1 },
        ],
        { ...usualBlend, even },
      );
    mix(0).forEach((x, i) => expect(x).toBeCloseTo((a[i]! + b[i]!) / 2, 12));
    const y = [0, 0.5, 1].map((e) => xyzOfCurve(mix(e))[1]);
    expect(y[0]!).toBeGreaterThan(y[1]!);
    expect(y[1]!).toBeGreaterThan(y[2]!);
  });
  it('of nothing is refused in words', () => {
    expect(() => blendCurve([])).toThrow('A blend needs at least one wool');
  });
});

describe('natural wool', () => {
  const lot = { colour: '#8f8a82', mottle: [{ colour: '#3f3a34', share: 0.4 }], tipColour: null, tipShare: 0.2 };
  it('mottled is the blend of its colours by their shares', () => {
    const c = woolCurve(lot);
    of(['#8f8a82', 6], ['#3f3a34', 4]).forEach((x, i) => expect(x).toBeCloseTo(c[i]!, 12));
  });
  it('tipped is blended by the share of the tips when pulled apart, and not without', () => {
    const tipped = { ...lot, mottle: [], tipColour: '#20140c', tipShare: 0.25 };
    expect(hexOfCurve(bodyCurve(tipped))).toBe('#8f8a82');
    of(['#8f8a82', 3], ['#20140c', 1]).forEach((x, i) => expect(x).toBeCloseTo(woolCurve(tipped)[i]!, 12));
  });
});

describe('a veil', () => {
  it('has the worked values', () => {
    expect(veilValue(0.8, 0.03, 1)).toBeCloseTo(0.190341, 6);
    expect(veilValue(0.8, 0.03, 3)).toBeCloseTo(0.396877, 6);
    expect(veilValue(0.03, 0.8, 1)).toBeCloseTo(0.313337, 6);
    expect(veilValue(0.03, 0.8, 3)).toBeCloseTo(0.068365, 6);
    expect(veilValue(0.4, 0.8, 2)).toBeCloseTo(0.591304, 6);
  });
  it('is none at no wool, all veil at much, and its own colour over itself', () => {
    expect(veilValue(0.4, 0.7, 0)).toBe(0.7);
    expect(veilValue(0.4, 0.7, 80)).toBeCloseTo(0.4, 3);
    for (const r of [0.05, 0.3, 0.8]) expect(veilValue(r, r, 2.3)).toBeCloseTo(r, 9);
  });
  it('of many points is what random layers over points give (Monte-Carlo)', () => {
    // Kubelka and Munk by integrating dR/dX = S (1 - 2 a R + R^2) in small steps, over a Poisson number of layers.
    const own = 0.6;
    const ground = 0.1;
    const a = (1 / own + own) / 2;
    const stacked = (k: number) => {
      let r = ground;
      const steps = 2000;
      for (let i = 0; i < steps; i++) r += ((SCATTER * k) / steps) * (1 - 2 * a * r + r * r);
      return r;
    };
    for (const k of [1, 3, 7]) expect(overGround(own, ground, k)).toBeCloseTo(stacked(k), 3);
    const p = poisson(1.7);
    let sum = 0;
    p.forEach((x, k) => (sum += x * stacked(k)));
    expect(veilValue(own, ground, 1.7)).toBeCloseTo(sum, 3);
    expect(p.reduce((s, x) => s + x, 0)).toBeCloseTo(1, 12);
  });
  it('band by band is the same as one value', () => {
    const own = reflectanceOf('#e6d9b4');
    const ground = reflectanceOf('#38271c');
    const c = veilCurve(own, ground, 1.3);
    for (const k of [0, 12, 35]) expect(c[k]!).toBeCloseTo(veilValue(own[k]!, ground[k]!, 1.3), 9);
  });
  it('dark over pale goes nearly by cover alone (closed form)', () => {
    const n = 1.4;
    const cover = 1 - Math.exp(-n);
    expect(Math.abs(veilValue(0.02, 0.8, n) - (cover * 0.02 + (1 - cover) * 0.8))).toBeLessThan(0.06);
  });
  it('more of it never shows more of the ground', () => {
    const own = reflectanceOf('#e6d9b4');
    const ground = reflectanceOf('#38271c');
    let last = Infinity;
    for (let n = 0; n < 12; n += 0.5) {
      const d = showsBy(own, ground, n);
      expect(d).toBeLessThanOrEqual(last + 1e-9);
      last = d;
    }
  });
});

describe('hiding', () => {
  const cream = reflectanceOf('#e6d9b4');
  const umber = reflectanceOf('#38271c');
  it('pale over dark takes several times what dark over pale does (common practice)', () => {
    const pale = hidingMg(cream, umber, 2.27, 0.75, 3)!;
    const dark = hidingMg(umber, cream, 2.27, 0.75, 3)!;
    expect(pale).toBeGreaterThan(2.5 * dark);
  });
  it('is enough, and half a mg less is not', () => {
    const mg = hidingMg(umber, cream, 2.27, 0.75)!;
    expect(showsBy(umber, cream, (0.75 * mg) / 2.27)).toBeLessThanOrEqual(HIDES);
    expect(showsBy(umber, cream, (0.75 * (mg - 0.5)) / 2.27)).toBeGreaterThan(HIDES);
  });
  it('a veil that lets through still does at its most', () => {
    const mg = lettingMg(umber, cream, 2.27, 0.75)!;
    expect(showsBy(umber, cream, (0.75 * mg) / 2.27)).toBeGreaterThanOrEqual(5);
    expect(lettingMg(umber, umber, 2.27, 0.75)).toBeNull();
  });
});

describe('a stack', () => {
  const layer = (hex: string, layers: number | null, share = 0, fine = false): StackLayer => ({
    id: hex,
    curve: reflectanceOf(hex),
    layers,
    share,
    fine,
  });
  const ground = reflectanceOf('#cbc6bc');
  it('shares of the surface sum to 1 and follow cover from the top down', () => {
    const stack = [layer('#6b4426', 2), layer('#e6d9b4', 0.5), layer('#38271c', null, 0.1)];
    const w = weights(stack, [1, 1, 1]);
    expect(w.reduce((s, x) => s + x, 0)).toBeCloseTo(1, 12);
    expect(w[3]).toBeCloseTo(0.1, 12);
    expect(w[2]).toBeCloseTo(0.9 * (1 - Math.exp(-0.5)), 12);
    expect(w[0]).toBeCloseTo(0.9 * Math.exp(-0.5) * Math.exp(-2), 12);
  });
  it('where a field is 0 nothing is laid', () => {
    const stack = [layer('#6b4426', 2), layer('#38271c', null, 0.3)];
    expect(seenAfter(ground, stack, [0, 0]).at(-1)).toBe(ground);
  });
  it('raised tufts mix by area as light does; worked in fine they darken more', () => {
    const tufts = over(layer('#38271c', null, 0.3), ground, 1);
    tufts.forEach((x, i) => expect(x).toBeCloseTo(0.3 * reflectanceOf('#38271c')[i]! + 0.7 * ground[i]!, 12));
    const fine = over(layer('#38271c', null, 0.3, true), ground, 1);
    expect(xyzOfCurve(fine)[1]).toBeLessThan(xyzOfCurve(tufts)[1]);
    expect(fine).toHaveLength(BANDS);
  });
});
