import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { add, norm, scale, sub, unit, type Vec3 } from '@/core/geometry/vec';
import { betweenSegments, nearestOnSegment } from '@/core/geometry/segment';
import { metAt } from './obstacles';

const n = fc.double({ min: -20, max: 20, noNaN: true });
const point = fc.tuple(n, n, n) as fc.Arbitrary<Vec3>;
const direction = point.filter((d) => norm(d) > 1).map(unit);

describe('running into wire and stems', () => {
  it('a straight stab at a wire across it: distance less radius (closed form)', () => {
    const wire = { a: [-50, 0, 0] as Vec3, b: [50, 0, 0] as Vec3, radiusMm: 1.2 };
    expect(metAt([3, 10, 0], [0, -1, 0], wire)).toBeCloseTo(8.8, 12);
    // Passing 0.8 beside its middle it meets the side at sqrt(r² − 0.8²) before the middle.
    expect(metAt([3, 10, 0.8], [0, -1, 0], wire)).toBeCloseTo(10 - Math.sqrt(1.2 ** 2 - 0.8 ** 2), 12);
    expect(metAt([3, 10, 1.21], [0, -1, 0], wire)).toBe(Infinity);
    // At 45 degrees along the wire the way is longer by sqrt 2.
    expect(metAt([0, 10, 0], unit([1, -1, 0]), wire)).toBeCloseTo(8.8 * Math.SQRT2, 12);
    // Away from it, and starting inside.
    expect(metAt([3, 10, 0], [0, 1, 0], wire)).toBe(Infinity);
    expect(metAt([3, 0.5, 0], [0, 1, 0], wire)).toBe(0);
  });
  it('a ball where both ends are one, and the rounded end of a stem', () => {
    const ball = { a: [0, 0, 0] as Vec3, b: [0, 0, 0] as Vec3, radiusMm: 3 };
    expect(metAt([0, 0, 10], [0, 0, -1], ball)).toBeCloseTo(7, 12);
    const stem = { a: [0, 0, 0] as Vec3, b: [0, 0, -8], radiusMm: 1 } as const;
    expect(metAt([0, 0, 10], [0, 0, -1], { ...stem, b: [0, 0, -8] as Vec3 })).toBeCloseTo(9, 12);
  });
  it('where it is met it touches, before that it does not, and what is passed by is never nearer than the radius', () => {
    fc.assert(
      fc.property(point, direction, point, point, fc.double({ min: 0.3, max: 4, noNaN: true }), (from, to, a, b, r) => {
        fc.pre(nearestOnSegment(from, a, b).distance > r + 1e-6);
        const t = metAt(from, to, { a, b, radiusMm: r });
        if (t === Infinity) {
          const far = add(from, scale(to, 200));
          expect(betweenSegments(from, far, a, b).distance).toBeGreaterThan(r - 1e-6);
        } else {
          const at = add(from, scale(to, t));
          expect(nearestOnSegment(at, a, b).distance).toBeCloseTo(r, 5);
          for (const k of [0.25, 0.5, 0.75, 0.95])
            expect(nearestOnSegment(add(from, scale(sub(at, from), k)), a, b).distance).toBeGreaterThan(r - 1e-6);
        }
      }),
      { numRuns: 400 },
    );
  });
});
