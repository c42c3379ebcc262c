import { describe, expect, it } from 'vitest';
import { makeField, type FieldPart } from './field';
import { checkSurface, flatExtent } from './mesh';
import { polygonise } from './polygonise';
import { ellipsoidDistance, roundCone, roundConeDistance, type Ellipsoid } from './shapes';

const one = (solid: FieldPart['solids'][number], mirrored = false): FieldPart => ({
  solids: [solid],
  innerBlend: 0,
  blend: 0,
  mirrored,
});
const ellipsoid = (a: number, b: number, c: number, cx = 0): Ellipsoid => ({
  kind: 'ellipsoid',
  centre: [cx, 0, 0],
  axes: [1, 0, 0, 0, 1, 0, 0, 0, 1],
  semi: [a, b, c],
});

// Closed forms: sphere 4/3 pi R^3, capsule, frustum with caps; ellipsoid area by elliptic integrals (DLMF 19.33.1).
const solids: [string, FieldPart, number, number][] = [
  ['sphere R 20', one(roundCone([0, 0, 0], [0, 0, 0.001], 20, 20)), 33510.32, 5026.55],
  [
    'capsule r 8, segment 60.15',
    one(roundCone([0, 0, 0], [0, 0, 60.15], 8, 8)),
    Math.PI * 64 * 60.15 + (4 / 3) * Math.PI * 512,
    2 * Math.PI * 8 * 60.15 + 4 * Math.PI * 64,
  ],
  ['round cone 12 to 5, l 50', one(roundCone([0, 0, 0], [0, 0, 50], 12, 5)), 16106.34, 3784.55],
  ['ellipsoid 15/13.5/30', one(ellipsoid(15, 13.5, 30)), 25446.9, 4561.12],
  ['ellipsoid 20/8/40', one(ellipsoid(20, 8, 40)), 26808.26, 5970.04],
];

describe('polygonise', () => {
  it.each(solids)('%s: closed, manifold, volume and area of the closed form', (_name, part, volume, area) => {
    for (const field of [makeField([part]), makeField([{ ...part, mirrored: true }])]) {
      const skin = polygonise(field, 1.5);
      const check = checkSurface(skin, skin.edges);
      expect(check).toEqual({ closed: true, euler: 2, pieces: 1 });
      const flat = flatExtent(skin);
      expect(Math.abs(flat.volumeMm3 / volume - 1)).toBeLessThan(0.006);
      expect(Math.abs(flat.areaMm2 / area - 1)).toBeLessThan(0.0025);
      expect(Math.abs(skin.extent.volumeMm3 / volume - 1)).toBeLessThan(0.0002);
      expect(Math.abs(skin.extent.areaMm2 / area - 1)).toBeLessThan(0.0002);
    }
  });

  it('finds the same solid off the midline, without symmetry to lean on', () => {
    const field = makeField([one(ellipsoid(15, 13.5, 30, 40))]);
    expect(field.symmetric).toBe(false);
    const skin = polygonise(field, 1.5);
    expect(skin.extent.volumeMm3).toBeCloseTo(25446.9, -1);
    expect(skin.mirror.length).toBe(0);
  });

  it('makes a mirrored pair the same on both sides to the last bit', () => {
    const field = makeField([
      one(roundCone([0, 0, -20], [0, 2, 20], 14, 10)),
      one(roundCone([9, -4, 10], [14, -30, 14], 6, 4), true),
    ]);
    const skin = polygonise(field, 1.5);
    expect(checkSurface(skin, skin.edges).closed).toBe(true);
    const p = skin.positions;
    for (let v = 0; v < p.length / 3; v++) {
      const w = skin.mirror[v]!;
      expect(p[3 * w]! + p[3 * v]!).toBe(0);
      expect(p[3 * w + 1]).toBe(p[3 * v + 1]);
      expect(p[3 * w + 2]).toBe(p[3 * v + 2]);
    }
  });

  it('tells two separate bodies from one and a ring from a plain body', () => {
    const apart = makeField([one(roundCone([20, 0, 0], [20, 0, 5], 6, 6), true)]);
    expect(polygonise(apart, 1.5).pieces).toBe(2);
    // Two bars and two crosspieces: a closed frame has one handle.
    const bar = (a: [number, number, number], b: [number, number, number]) => one(roundCone(a, b, 3, 3));
    const ring = makeField([
      bar([0, -15, -15], [0, 15, -15]),
      bar([0, 15, -15], [0, 15, 15]),
      bar([0, 15, 15], [0, -15, 15]),
      bar([0, -15, 15], [0, -15, -15]),
    ]);
    expect(polygonise(ring, 1).handles).toBe(1);
  });
});

describe('exact distances', () => {
  it('ellipsoid: the foot of the distance lies on it, and no sampled point is nearer', () => {
    const e = ellipsoid(20, 8, 40);
    for (const q of [
      [30, 3, 10],
      [1, 1, 1],
      [0, 0, 0],
      [0, 9, 0],
      [5, 0, 39],
    ] as [number, number, number][]) {
      let best = Infinity;
      for (let i = 0; i <= 600; i++) {
        for (let j = 0; j < 600; j++) {
          const th = (Math.PI * i) / 600;
          const ph = (2 * Math.PI * j) / 600;
          const x = 20 * Math.sin(th) * Math.cos(ph) - q[0];
          const y = 8 * Math.sin(th) * Math.sin(ph) - q[1];
          const z = 40 * Math.cos(th) - q[2];
          best = Math.min(best, x * x + y * y + z * z);
        }
      }
      const d = ellipsoidDistance(e, ...q);
      expect(Math.abs(d)).toBeLessThanOrEqual(Math.sqrt(best) + 1e-5);
      expect(Math.sqrt(best) - Math.abs(d)).toBeLessThan(0.02);
    }
  });

  it('round cone: equals the largest-sphere envelope', () => {
    const c = roundCone([0, 0, 0], [0, 0, 50], 12, 5);
    for (const q of [
      [20, 0, 10],
      [0, 3, 60],
      [1, 2, -15],
      [2, 1, 20],
      [0, 14, 52],
    ] as [number, number, number][]) {
      let best = Infinity;
      for (let i = 0; i <= 20000; i++) {
        const t = i / 20000;
        best = Math.min(best, Math.hypot(q[0], q[1], q[2] - 50 * t) - (12 - 7 * t));
      }
      expect(roundConeDistance(c, ...q)).toBeCloseTo(best, 4);
    }
  });

  it('leaves out the beads a toe thinner than the grid falls into, and keeps a piece of its own', () => {
    const body = one(roundCone([0, 0, 0], [0, 0, 40], 14, 12));
    // A thread so thin that only some nodes lie in it.
    const thread = one(roundCone([0, 0, 52], [0.3, 3, 75], 0.55, 0.55));
    const apart = one(roundCone([0, 0, 120], [0, 0, 130], 9, 9));
    expect(polygonise(makeField([body, thread]), 1.5).pieces).toBe(1);
    expect(polygonise(makeField([body, thread, apart]), 1.5).pieces).toBe(2);
    expect(polygonise(makeField([body, apart]), 1.5).pieces).toBe(2);
  });
});
