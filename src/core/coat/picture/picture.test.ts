/** Strands on the animal and fibres of a swatch: as many as asked, as long as they should be, hiding what they should. */
import { beforeAll, describe, expect, it } from 'vitest';
import { COARSELY, planned } from '../../../../cli/testing/planned';
import { alpacaCria, cupboard, pineMarten } from '../../../../demo/load';
import { defaultHand as hand } from '@/core/piece/hand';
import type { Plan } from '@/core/plan';
import { layerCover } from '@/core/coat/cover/bare';
import { fibreMassPerMm } from '@/core/wool/fibre';
import { PLAIN_PILE, type Pile } from './pile';
import { leftOver, strands } from '@/core/shade/layers/strands';
import { swatchFibres, type SwatchSpec } from './swatch-fibres';

let marten: Plan;
let cria: Plan;
beforeAll(() => {
  marten = planned(pineMarten, cupboard, hand);
  cria = planned(alpacaCria, cupboard, hand, COARSELY);
});

describe('strands', () => {
  it('come in the number asked, shared out by area, all of them finite', () => {
    for (const [piece, plan] of [
      [pineMarten, marten],
      [alpacaCria, cria],
    ] as const) {
      const s = strands(piece, plan.coat, 20_000);
      expect(Math.abs(s.count - 20_000)).toBeLessThan(60);
      expect(s.points.length).toBe(s.count * s.segments * 6);
      expect(s.points.every(Number.isFinite)).toBe(true);
      expect(s.colours.every((c) => c >= 0 && c <= 1)).toBe(true);
    }
  });

  it('any first part of them is an even sample: the first tenth reaches as far over the animal as all of them', () => {
    const s = strands(pineMarten, marten.coat, 30_000);
    const extent = (share: number) => {
      let [lo, hi, sum] = [Infinity, -Infinity, 0];
      const n = Math.floor(s.count * share);
      for (let i = 0; i < n; i++) {
        const z = s.points[i * s.segments * 6 + 2]!;
        lo = Math.min(lo, z);
        hi = Math.max(hi, z);
        sum += z / n;
      }
      return [lo, hi, sum] as const;
    };
    const [all, tenth] = [extent(1), extent(0.1)];
    expect(Math.abs(all[0] - tenth[0])).toBeLessThan(3);
    expect(Math.abs(all[1] - tenth[1])).toBeLessThan(3);
    expect(Math.abs(all[2] - tenth[2])).toBeLessThan(2);
  });

  it('grow shorter with every cut of the trim plan, down to the finished length', () => {
    const tail = marten.coat.areas.find((a) => a.id === 'tail')!;
    const cuts = tail.fur!.trim!.steps.length;
    const left = Array.from({ length: cuts + 1 }, (_, i) => leftOver(tail, i));
    expect([...left].sort((a, b) => b - a)).toEqual(left);
    expect(left[0]).toBeCloseTo(3.2, 6);
    expect(left[cuts]).toBeCloseTo(0, 9);
    expect(leftOver(tail, null)).toBe(0);
    const mean = (step: number | null) => {
      const s = strands(pineMarten, marten.coat, 4000, step);
      let total = 0;
      for (let i = 0; i < s.points.length; i += 6) {
        total += Math.hypot(
          s.points[i + 3]! - s.points[i]!,
          s.points[i + 4]! - s.points[i + 1]!,
          s.points[i + 5]! - s.points[i + 2]!,
        );
      }
      return total / s.count;
    };
    expect(mean(0) - mean(null)).toBeGreaterThan(1.5);
  });

  it('of a crimped lock wave: longer along the strand than from root to tip', () => {
    const s = strands(alpacaCria, cria.coat, 3000);
    expect(s.segments).toBe(8);
    let along = 0;
    let straight = 0;
    for (let i = 0; i < s.count; i++) {
      const o = i * s.segments * 6;
      for (let k = 0; k < s.segments; k++) {
        along += Math.hypot(
          s.points[o + 6 * k + 3]! - s.points[o + 6 * k]!,
          s.points[o + 6 * k + 4]! - s.points[o + 6 * k + 1]!,
          s.points[o + 6 * k + 5]! - s.points[o + 6 * k + 2]!,
        );
      }
      const e = o + 6 * (s.segments - 1) + 3;
      straight += Math.hypot(
        s.points[e]! - s.points[o]!,
        s.points[e + 1]! - s.points[o + 1]!,
        s.points[e + 2]! - s.points[o + 2]!,
      );
    }
    expect(along / straight).toBeGreaterThan(1.02);
  });
});

/** Share of a swatch hidden by its fibres, looked at point by point in its middle. */
function hidden(s: SwatchSpec, wide: number, high: number): number {
  const f = swatchFibres(s, wide, high);
  const cell = 0.5;
  const nx = Math.ceil(wide / cell);
  const ny = Math.ceil(high / cell);
  const grid: number[][] = Array.from({ length: nx * ny }, () => []);
  for (let i = 0; i < f.count; i++) {
    const [x1, y1, x2, y2] = [0, 1, 2, 3].map((k) => f.strokes[4 * i + k]!) as [number, number, number, number];
    const steps = Math.ceil(Math.hypot(x2 - x1, y2 - y1) / (cell / 3)) + 1;
    const seen = new Set<number>();
    for (let k = 0; k <= steps; k++) {
      const cx = Math.floor((x1 + ((x2 - x1) * k) / steps) / cell);
      const cy = Math.floor((y1 + ((y2 - y1) * k) / steps) / cell);
      for (const [ox, oy] of [
        [cx, cy],
        [cx + 1, cy],
        [cx - 1, cy],
      ] as const) {
        if (ox >= 0 && oy >= 0 && ox < nx && oy < ny) seen.add(oy * nx + ox);
      }
    }
    for (const c of seen) grid[c]!.push(i);
  }
  let n = 0;
  let covered = 0;
  for (let y = 2.013; y < high - 2; y += 0.37) {
    for (let x = 1.007; x < wide - 1; x += 0.23) {
      n++;
      const at = grid[Math.floor(y / cell) * nx + Math.floor(x / cell)]!;
      if (
        at.some((i) => {
          const [x1, y1, x2, y2] = [0, 1, 2, 3].map((k) => f.strokes[4 * i + k]!) as [number, number, number, number];
          const [dx, dy] = [x2 - x1, y2 - y1];
          const l = Math.hypot(dx, dy);
          const t = ((x - x1) * dx + (y - y1) * dy) / (l * l);
          return t >= 0 && t <= 1 && Math.abs((x - x1) * dy - (y - y1) * dx) / l < f.widthMm / 2;
        })
      )
        covered++;
    }
  }
  return covered / n;
}

describe('a swatch fibre by fibre', () => {
  const pile: Pile = {
    ...PLAIN_PILE,
    hemMm: 12,
    topMm: 12,
    liftDeg: 20,
    kappa: 0.75,
    crimpMm: 0,
    crimpDepthMm: 0,
    colour: '#6b4426',
    tipColour: null,
    tipShare: 0.2,
  };
  const spec: SwatchSpec = {
    pile,
    arealMgCm2: 6,
    spacingMm: 3,
    finenessUm: 22,
    finenessCv: 0.22,
    unevenness: 0,
    seed: 5,
  };
  const layers = (areal: number) =>
    (areal / 100 / (12 * fibreMassPerMm(22, 0.22))) * 12 * Math.cos((20 * Math.PI) / 180) * 0.022;

  it.each([3, 6, 12])('of %i mg/cm2 shows between its fibres what the cover figure says', (arealMgCm2) => {
    expect(Math.abs(hidden({ ...spec, arealMgCm2 }, 24, 20) - layerCover(layers(arealMgCm2), 0.75, 0))).toBeLessThan(
      0.03,
    );
  });
  it('of a layer laid every way too', () => {
    const flat = { ...pile, scattered: true, liftDeg: 3, hemMm: 6, topMm: 6 };
    const n = (8 / 100 / fibreMassPerMm(22, 0.22)) * 0.022 * Math.cos((3 * Math.PI) / 180);
    expect(Math.abs(hidden({ ...spec, pile: flat, arealMgCm2: 8 }, 24, 20) - layerCover(n, 0.75, 0))).toBeLessThan(
      0.03,
    );
  });
  it('of feathers hides what lies between their rows, and leaves open what is wider than they are', () => {
    const vane = { lengthMm: 9, widthMm: 4, tipMm: 2, thickMm: 0.8 };
    const feathers = (pitchMm: number, spacingMm = 4) => ({
      ...spec,
      spacingMm,
      pile: { ...pile, vane, tuft: { widthMm: 0, pitchMm, staggered: true } },
    });
    expect(hidden(feathers(3), 20, 20)).toBeGreaterThan(0.9);
    // Twice as far apart as they are wide, in rows that hardly overlap: half of it is open.
    expect(Math.abs(hidden(feathers(8, 9), 20, 20) - 0.5)).toBeLessThan(0.1);
    const s = swatchFibres(feathers(3), 20, 20);
    expect(s.tone!.length).toBe(s.count);
    expect(s.tone!.reduce((a, b) => Math.min(a, b))).toBeCloseTo(0.82, 6);
    expect(swatchFibres(spec, 8, 8).tone).toBeNull();
  });
  it('is the same every time, and another with another seed', () => {
    expect(swatchFibres(spec, 10, 10)).toEqual(swatchFibres(spec, 10, 10));
    expect(swatchFibres({ ...spec, seed: 6 }, 10, 10).strokes).not.toEqual(swatchFibres(spec, 10, 10).strokes);
  });
  it('has tips of their own colour where the wool has', () => {
    const tipped = swatchFibres({ ...spec, pile: { ...pile, tipColour: '#ffffff' } }, 8, 8);
    expect(tipped.colour.filter((c) => c === 1).length).toBe(tipped.colour.length / 2);
  });
});
