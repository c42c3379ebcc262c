/** Nearest places: on a stretch, among vertices; and the border of an open surface. */
import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { borderEdges, buildEdges, nearestVertex } from './mesh';
import { nearestOnSegment } from './segment';
import type { Vec3 } from './vec';

const point = fc.tuple(
  ...[0, 1, 2].map(() => fc.double({ min: -50, max: 50, noNaN: true })),
) as unknown as fc.Arbitrary<Vec3>;
const gap = (a: Vec3, b: Vec3) => Math.hypot(a[0] - b[0], a[1] - b[1], a[2] - b[2]);

describe('the nearest place of a stretch', () => {
  it('is nearer than any place sampled on it, and lies on it', () => {
    fc.assert(
      fc.property(point, point, point, (p, a, b) => {
        const { distance, t } = nearestOnSegment(p, a, b);
        expect(t).toBeGreaterThanOrEqual(0);
        expect(t).toBeLessThanOrEqual(1);
        const at = (s: number): Vec3 => [0, 1, 2].map((k) => a[k]! + s * (b[k]! - a[k]!)) as unknown as Vec3;
        expect(gap(p, at(t))).toBeCloseTo(distance, 9);
        for (let i = 0; i <= 20; i++) expect(distance).toBeLessThanOrEqual(gap(p, at(i / 20)) + 1e-9);
      }),
    );
  });
  it('of a stretch without length is its point', () => {
    expect(nearestOnSegment([3, 4, 0], [0, 0, 0], [0, 0, 0])).toEqual({ distance: 5, t: 0 });
  });
});

describe('the nearest vertex', () => {
  it('is the one at the least distance, the first of equals', () => {
    const positions = Float64Array.of(0, 0, 0, 5, 0, 0, 0, 5, 0, 5, 0, 0);
    expect(nearestVertex(positions, [4, 1, 0])).toBe(1);
    expect(nearestVertex(positions, [1, 4, 0])).toBe(2);
  });
});

describe('the border of a surface', () => {
  it('of two triangles is their four outer edges, of a tetrahedron nothing', () => {
    const square = buildEdges(Uint32Array.of(0, 1, 2, 0, 2, 3), 4);
    const border = borderEdges(square).map((e) => [...e].sort().join());
    expect(border.sort()).toEqual(['0,1', '0,3', '1,2', '2,3']);
    expect(borderEdges(buildEdges(Uint32Array.of(0, 2, 1, 0, 1, 3, 1, 2, 3, 2, 0, 3), 4))).toEqual([]);
  });
});
