/** The plane a body rests on, against what every such plane must be: under all points, touching three round the place. */
import { describe, expect, it } from 'vitest';
import { seeded } from '@/core/random';
import { heightOver, restPlane, tiltOf } from './rest-plane';

describe('the plane a body rests on', () => {
  it('a stool on four legs, one short: it rests on the three the weight lies over (closed form)', () => {
    // Legs at the corners of a square of 40; the one at (20, 20) ends 2 above the others.
    const stool = [-20, 0, -20, 20, 0, -20, -20, 0, 20, 20, 2, 20];
    expect(restPlane(stool, [-3, -3])).toEqual({ a: 0, b: 0, c: 0 });
    // Over the short one it tips: through (20, -20), (-20, 20) and (20, 20) at 2.
    const p = restPlane(stool, [5, 5])!;
    expect(heightOver(p, 20, -20)).toBeCloseTo(0, 9);
    expect(heightOver(p, 20, 20)).toBeCloseTo(2, 9);
    expect(tiltOf(p)).toBeCloseTo((Math.atan(Math.hypot(0.05, 0.05)) * 180) / Math.PI, 9);
    expect(restPlane(stool, [25, 0])).toBeNull();
  });
  it('a ball rests on the point below its middle, level', () => {
    const rnd = seeded(5);
    const ball = Array.from({ length: 4000 }, () => {
      const [h, f] = [2 * rnd() - 1, 2 * Math.PI * rnd()];
      return [30 * Math.sqrt(1 - h * h) * Math.cos(f), 30 * h, 30 * Math.sqrt(1 - h * h) * Math.sin(f)];
    }).flat();
    const p = restPlane(ball, [0, 0])!;
    expect(tiltOf(p)).toBeLessThan(3);
    expect(heightOver(p, 0, 0)).toBeLessThan(-29.8);
  });
  it('random bodies: no point lies below it, and the place lies among those on it', () => {
    const rnd = seeded(17);
    for (let k = 0; k < 60; k++) {
      const n = 20 + Math.floor(200 * rnd());
      const body = Array.from({ length: n }, () => [80 * rnd() - 40, 60 * rnd(), 120 * rnd() - 60]).flat();
      const at = [20 * rnd() - 10, 30 * rnd() - 15] as const;
      const p = restPlane(body, at)!;
      const on: number[] = [];
      for (let v = 0; v < n; v++) {
        const d = body[3 * v + 1]! - heightOver(p, body[3 * v]!, body[3 * v + 2]!);
        expect(d).toBeGreaterThan(-1e-6);
        if (d < 1e-6) on.push(v);
      }
      expect(on).toHaveLength(3);
      const turn = (a: number, b: number) =>
        (body[3 * a]! - at[0]) * (body[3 * b + 2]! - at[1]) - (body[3 * b]! - at[0]) * (body[3 * a + 2]! - at[1]);
      const [i, j, l] = on as [number, number, number];
      const signs = [turn(i, j), turn(j, l), turn(l, i)].map(Math.sign);
      expect(Math.abs(signs[0]! + signs[1]! + signs[2]!)).toBe(3);
    }
  });
});
