import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { makeField } from './field';
import { convexHull, insideHull, type Point2 } from './hull';
import { outline } from './outline';
import { polygonise } from './polygonise';
import { roundCone, type Solid } from './shapes';
import { areaOf, around, slice, widthOf } from './slice';

const skinOf = (s: Solid, edge = 1) =>
  polygonise(makeField([{ solids: [s], innerBlend: 0, blend: 0, mirrored: false }]), edge);
const ellipsoid: Solid = {
  kind: 'ellipsoid',
  centre: [1, 2, 3],
  axes: [1, 0, 0, 0, 1, 0, 0, 0, 1],
  semi: [20, 14, 30],
};

describe('a plane through a closed skin', () => {
  // Closed form: a cut of an ellipsoid at z is an ellipse, half axes times sqrt(1 - (z/c)^2).
  it.each([0, 10, -18])('cuts an ellipsoid in an ellipse, %s mm from its middle', (z) => {
    const skin = skinOf(ellipsoid);
    const loops = slice(skin, { at: [1, 2, 3 + z], normal: [0, 0, 1], across: [1, 0, 0], up: [0, 1, 0] });
    expect(loops.length).toBe(1);
    const k = Math.sqrt(1 - (z / 30) ** 2);
    expect(widthOf(loops[0]!, 0)).toBeCloseTo(40 * k, 1);
    expect(widthOf(loops[0]!, 1)).toBeCloseTo(28 * k, 1);
    expect(Math.abs(areaOf(loops[0]!) / (Math.PI * 20 * 14 * k * k) - 1)).toBeLessThan(2e-3);
    expect(around(loops[0]!)).toBe(true);
    expect(around(loops[0]!, 25, 0)).toBe(false);
  });

  it('finds every loop, and none beside the body', () => {
    const two = polygonise(
      makeField([
        { solids: [roundCone([-20, 0, -9], [-20, 0, 9], 5, 5)], innerBlend: 0, blend: 0, mirrored: false },
        { solids: [roundCone([20, 0, -9], [20, 0, 9], 7, 7)], innerBlend: 0, blend: 0, mirrored: false },
      ]),
      1,
    );
    const loops = slice(two, { at: [0, 0, 0], normal: [0, 0, 1], across: [1, 0, 0], up: [0, 1, 0] });
    const areas = loops.map(areaOf).sort((a, b) => a - b);
    expect(areas.length).toBe(2);
    expect(Math.abs(areas[0]! / (Math.PI * 25) - 1)).toBeLessThan(0.01);
    expect(Math.abs(areas[1]! / (Math.PI * 49) - 1)).toBeLessThan(0.01);
    expect(slice(two, { at: [0, 0, 40], normal: [0, 0, 1], across: [1, 0, 0], up: [0, 1, 0] })).toEqual([]);
  });
});

describe('the outline of a body', () => {
  it('of an ellipsoid is an ellipse as large as the body', () => {
    const skin = skinOf(ellipsoid);
    const o = outline(skin, skin.edges, [1, 0, 0], [0, 1, 0]);
    // From its left: z to the left of the picture, y up.
    expect(Math.abs(o.max[1] - o.min[1] - 28)).toBeLessThan(0.1);
    expect(Math.abs(o.max[0] - o.min[0] - 60)).toBeLessThan(0.1);
    let length = 0;
    for (const l of o.lines) {
      for (let i = 0; i < l.length; i += 2) {
        expect(Math.abs(Math.hypot((l[i]! + 3) / 30, (l[i + 1]! - 2) / 14) - 1)).toBeLessThan(0.02);
        if (i > 0) length += Math.hypot(l[i]! - l[i - 2]!, l[i + 1]! - l[i - 1]!);
      }
    }
    // Ramanujan 1914: circumference of an ellipse of half axes 30 and 14. The drawn line zigzags over the triangles.
    const around = Math.PI * (3 * 44 - Math.sqrt((3 * 30 + 14) * (30 + 3 * 14)));
    expect(length / around).toBeGreaterThan(0.95);
    expect(length / around).toBeLessThan(1.4);
  });

  it('leaves out what stands behind', () => {
    const two = polygonise(
      makeField([
        { solids: [roundCone([0, 0, 0], [0, 0, 1], 20, 20)], innerBlend: 0, blend: 0, mirrored: false },
        { solids: [roundCone([-40, 0, 0], [-40, 0, 1], 8, 8)], innerBlend: 0, blend: 0, mirrored: false },
      ]),
      1.5,
    );
    const front = outline(two, two.edges, [1, 0, 0], [0, 1, 0]);
    const behind = front.lines.filter((l) => Math.hypot(l[0]!, l[1]!) < 12);
    expect(behind).toEqual([]);
    const back = outline(two, two.edges, [-1, 0, 0], [0, 1, 0]);
    expect(back.lines.some((l) => Math.hypot(l[0]!, l[1]!) < 12)).toBe(true);
  });
});

describe('convex hull', () => {
  it('of a square with points inside and on its sides is the square', () => {
    const hull = convexHull([
      [0, 0],
      [4, 0],
      [4, 4],
      [0, 4],
      [2, 2],
      [2, 0],
      [1, 3],
      [0, 2],
    ]);
    expect(hull.map((p) => p.join())).toEqual(['0,0', '4,0', '4,4', '0,4']);
    expect(insideHull(hull, [1, 2]).margin).toBe(1);
    expect(insideHull(hull, [1, 2]).outward[0]).toBe(-1);
    expect(insideHull(hull, [5.5, 2]).margin).toBe(-1.5);
  });

  it('holds all its points and needs no more than them', () => {
    const point = fc.tuple(fc.integer({ min: -50, max: 50 }), fc.integer({ min: -50, max: 50 }));
    fc.assert(
      fc.property(fc.array(point, { minLength: 3, maxLength: 40 }), (points) => {
        const hull = convexHull(points as Point2[]);
        if (hull.length < 3) return;
        for (const p of points) expect(insideHull(hull, p as Point2).margin).toBeGreaterThanOrEqual(-1e-9);
        for (const h of hull) expect(points.some((p) => p[0] === h[0] && p[1] === h[1])).toBe(true);
      }),
    );
  });
});
