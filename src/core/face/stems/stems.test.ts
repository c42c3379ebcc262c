import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { betweenSegments } from '@/core/geometry/segment';
import { polygonise } from '@/core/geometry/polygonise';
import { makeField } from '@/core/geometry/field';
import { add, scale, type Vec3 } from '@/core/geometry/vec';
import { stemGap, stemsTouch } from '@/core/face/face-methods';
import { clearing, longestClear, stemDirection, stemState, STEM_ROOM, type StemRoom } from './stems';

const frame = { origin: [0, 0, 0] as Vec3, x: [1, 0, 0] as Vec3, y: [0, 1, 0] as Vec3, z: [0, 0, 1] as Vec3 };
/** A head that is a ball of 20 mm radius about the origin. */
const ball = (() => {
  const field = makeField(
    [
      {
        solids: [{ kind: 'ellipsoid', centre: [0, 0, 0], axes: [1, 0, 0, 0, 1, 0, 0, 0, 1], semi: [20, 20, 20] }],
        twin: null,
        innerBlend: 0,
        blend: 0,
        mirrored: false,
      },
    ],
    null,
  );
  return polygonise(field, 1.5);
})();

const room = (apart: number, more: Partial<StemRoom> = {}): StemRoom => ({
  starts: [
    { side: 'left', at: [apart / 2, 4, 10] },
    { side: 'right', at: [-apart / 2, 4, 10] },
  ],
  frame,
  inside: ball,
  thickMm: 1,
  wires: [],
  ...more,
});

describe('stems', () => {
  // Values of the design, closed form: E 14, l 15, w 1.
  it.each([
    [0, 25.679],
    [20, 27.461],
    [45, 37.794],
  ])('pointing %d down they touch at %d inward', (down, touch) => {
    expect(stemsTouch.of({ apart: 14, long: 15, down, thick: 1 })).toBeCloseTo(touch, 3);
    expect(stemGap.of({ apart: 14, long: 15, inward: touch, down, thick: 1 })).toBeCloseTo(0, 3);
  });
  it('far apart they never touch', () => {
    expect(stemsTouch.of({ apart: 34, long: 15, down: 0, thick: 1 })).toBe(Infinity);
  });
  it('the closed form is the distance of the two stretches for every mirrored pair', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 4, max: 40, noNaN: true }),
        fc.double({ min: 2, max: 25, noNaN: true }),
        fc.double({ min: 0, max: 89, noNaN: true }),
        fc.double({ min: -50, max: 70, noNaN: true }),
        (apart, long, inDeg, downDeg) => {
          const end = (side: 'left' | 'right', x: number): [Vec3, Vec3] => {
            const a: Vec3 = [x, 0, 0];
            return [a, add(a, scale(stemDirection(side, { inDeg, downDeg }), long))];
          };
          const [a, b] = end('left', apart / 2);
          const [c, d] = end('right', -apart / 2);
          const gap = stemGap.of({ apart, long, inward: inDeg, down: downDeg, thick: 1 });
          // Past the middle the stretches cross: nothing is left between them.
          expect(betweenSegments(a, b, c, d).distance - 1).toBeCloseTo(gap, 6);
        },
      ),
    );
  });
  it('two stretches are as near as the nearest of many points on them', () => {
    const n = fc.double({ min: -10, max: 10, noNaN: true });
    const p = fc.tuple(n, n, n);
    fc.assert(
      fc.property(p, p, p, p, (a, b, c, d) => {
        const at = (p: Vec3, q: Vec3, t: number): Vec3 =>
          [0, 1, 2].map((k) => p[k]! + t * (q[k]! - p[k]!)) as unknown as Vec3;
        let least = Infinity;
        for (let i = 0; i <= 40; i++) {
          for (let j = 0; j <= 40; j++) {
            const [u, v] = [at(a, b, i / 40), at(c, d, j / 40)];
            least = Math.min(least, Math.hypot(u[0] - v[0], u[1] - v[1], u[2] - v[2]));
          }
        }
        const exact = betweenSegments(a, b, c, d).distance;
        expect(exact).toBeLessThanOrEqual(least + 1e-8);
        const coarse =
          (Math.hypot(a[0] - b[0], a[1] - b[1], a[2] - b[2]) + Math.hypot(c[0] - d[0], c[1] - d[1], c[2] - d[2])) / 80;
        expect(least - exact).toBeLessThan(coarse + 1e-9);
      }),
      { numRuns: 60 },
    );
  });
  it('say how much wool is left behind their ends: a chord of the ball less their length', () => {
    const r: StemRoom = { ...room(0), starts: [{ side: 'left', at: [0, 0, 18] }] };
    const s = stemState(r, { lengthMm: 10, inDeg: 0, downDeg: 0 });
    // Straight back through the middle: 18 to -20.
    expect(s.beyondMm).toBeCloseTo(38 - 10, 1);
    expect(s.gapMm).toBeNull();
  });
  it('keep clear of a wire', () => {
    const wire = { path: [[0, 4, 20] as Vec3, [0, 4, -20] as Vec3], thickMm: 2 };
    const s = stemState(room(10, { wires: [wire] }), { lengthMm: 6, inDeg: 0, downDeg: 0 });
    // Parallel at 5 mm: less half a stem and half a wire.
    expect(s.wireMm).toBeCloseTo(5 - 0.5 - 1, 6);
  });
  it('a remedy clears everything, and no smaller change does', () => {
    const r = room(8, {
      wires: [
        {
          path: [
            [0, -6, 20],
            [0, -6, -20],
          ],
          thickMm: 1.2,
        },
      ],
    });
    const now = { lengthMm: 10, inDeg: 60, downDeg: 10 };
    expect(stemState(r, now).clear).toBe(false);
    const to = clearing(r, now, 80)!;
    expect(stemState(r, to).clear).toBe(true);
    expect(to.lengthMm).toBeLessThanOrEqual(now.lengthMm);
    const cost = (x: typeof now) =>
      Math.abs(x.inDeg - 60) / 10 + Math.abs(x.downDeg - 10) / 10 + Math.abs(x.lengthMm - 10) / 1.5;
    for (let l = 10; l >= 3; l -= 0.5) {
      for (let i = 0; i <= 90; i += 5) {
        for (let d = -30; d <= 70; d += 5) {
          const x = { lengthMm: l, inDeg: i, downDeg: d };
          if (cost(x) < cost(to) - 1e-9) expect(stemState(r, x).clear).toBe(false);
        }
      }
    }
  });
  it('the longest that fits is clear and half a millimetre more is not', () => {
    const r = room(12);
    const now = { lengthMm: 20, inDeg: 45, downDeg: 0 };
    const l = longestClear(r, now, 20)!;
    expect(stemState(r, { ...now, lengthMm: l }).clear).toBe(true);
    expect(stemState(r, { ...now, lengthMm: l + 0.5 }).clear).toBe(false);
    // 12 - 2 l sin 45 - 1 >= the room wanted.
    expect(l).toBe(Math.floor(((12 - 1 - STEM_ROOM) / (2 * Math.SQRT1_2)) * 2) / 2);
  });
  it('a remedy never asks for more stem than the eye has', () => {
    const r = room(8);
    const now = { lengthMm: 14, inDeg: 60, downDeg: 10 };
    expect(clearing(r, now, 80)!.lengthMm).toBeGreaterThan(6);
    for (const most of [12, 9.3, 6]) {
      const to = clearing(r, now, most)!;
      expect(to.lengthMm).toBeLessThanOrEqual(most);
      expect(to.lengthMm).toBeLessThanOrEqual(longestClear(r, to, most + 0.5)! + 0.5);
    }
  });
  it('nothing helps where there is no room at all', () => {
    expect(clearing(room(1.2), { lengthMm: 5, inDeg: 0, downDeg: 0 }, 80)).toBeNull();
  });
});
