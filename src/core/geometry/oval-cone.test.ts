import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { makeField } from './field';
import { ovalCone, ovalConeDistance, ROUND, type OvalCone, type Section } from './oval-cone';
import { polygonise } from './polygonise';
import { roundCone, roundConeDistance, type Solid } from './shapes';

const UPRIGHT = { top: [0, 1, 0], out: [1, 0, 0] } as const;
const along = (l: number, radii: [number, number], sections: [Section, Section]): OvalCone =>
  ovalCone([0, 0, 0], [0, 0, l], radii, sections, UPRIGHT);
const skinOf = (s: Solid, mirrored = false) =>
  polygonise(makeField([{ solids: [s], innerBlend: 0, blend: 0, mirrored }]), 1.2);

const share = fc.double({ min: 0.4, max: 2, noNaN: true });
const section = fc.record({ wide: share, over: share, under: share });
const anyOval = fc
  .record({
    l: fc.double({ min: 4, max: 60, noNaN: true }),
    ra: fc.double({ min: 4, max: 20, noNaN: true }),
    rb: fc.double({ min: 4, max: 20, noNaN: true }),
    sa: section,
    sb: section,
  })
  .map(({ l, ra, rb, sa, sb }) => along(l, [ra, rb], [sa, sb]));
const place = fc.tuple(
  ...([45, 45, 90] as const).map((r) => fc.integer({ min: -r * 1000, max: r * 1000 }).map((x) => x / 1000)),
) as fc.Arbitrary<[number, number, number]>;

describe('an oval cone', () => {
  it('with round sections is the round cone, up to the share it is held back to', () => {
    const round = roundCone([0, 0, 0], [0, 0, 30], 12, 5);
    const oval = along(30, [12, 5], [ROUND, ROUND]);
    fc.assert(
      fc.property(place, (p) => {
        expect(ovalConeDistance(oval, ...p)).toBeCloseTo(oval.held * roundConeDistance(round, ...p), 9);
      }),
    );
  });

  // What cutting into blocks rests on: a block further from the surface than it is large holds none of it.
  it('changes nowhere faster than distance', () => {
    fc.assert(
      fc.property(anyOval, place, place, (s, p, d) => {
        const q = p.map((x, k) => x + d[k]! / 20) as [number, number, number];
        const far = Math.hypot(...d) / 20;
        expect(Math.abs(ovalConeDistance(s, ...p) - ovalConeDistance(s, ...q))).toBeLessThanOrEqual(far + 1e-9);
      }),
      { numRuns: 3000 },
    );
  });

  it('its surface is where half width, height and depth say, and beside it the value is the distance held back', () => {
    const s = along(
      60,
      [10, 10],
      [
        { wide: 0.7, over: 1.2, under: 0.9 },
        { wide: 0.7, over: 1.2, under: 0.9 },
      ],
    );
    for (const [x, y] of [
      [7, 0],
      [-7, 0],
      [0, 12],
      [0, -9],
      // On the ellipse of its upper and of its lower half.
      [7 * Math.cos(0.6), 12 * Math.sin(0.6)],
      [7 * Math.cos(0.6), -9 * Math.sin(0.6)],
    ] as const) {
      expect(ovalConeDistance(s, x, y, 30)).toBeCloseTo(0, 9);
      const n = [x / 49, y / (y > 0 ? 144 : 81)];
      const l = Math.hypot(n[0]!, n[1]!);
      const beside = ovalConeDistance(s, x + (0.01 * n[0]!) / l, y + (0.01 * n[1]!) / l, 30);
      expect(beside / (s.held * 0.01)).toBeCloseTo(1, 2);
    }
  });

  // Closed form: stretching across the axis multiplies a volume by the stretch; each half of the section by its own.
  it.each([
    ['elliptic cylinder with caps', 60, [8, 8], { wide: 0.75, over: 1, under: 1 }],
    ['elliptic cone', 50, [12, 5], { wide: 0.8, over: 1.3, under: 1.3 }],
    ['elliptic cone, its middle high', 50, [12, 5], { wide: 1.2, over: 0.6, under: 1.1 }],
  ] as const)('%s has the volume of the round one times half width times mean height', (_name, l, [ra, rb], s) => {
    const round = skinOf(roundCone([0, 0, 0], [0, 0, l], ra, rb)).extent.volumeMm3;
    const skin = skinOf(along(l, [ra, rb], [s, s]), true);
    expect(skin.pieces).toBe(1);
    expect(skin.extent.volumeMm3 / (round * s.wide * ((s.over + s.under) / 2))).toBeCloseTo(1, 3);
  });

  it('goes from one section to the other, area by area', () => {
    const s = along(
      40,
      [10, 10],
      [
        { wide: 0.6, over: 1.4, under: 1 },
        { wide: 1.2, over: 0.8, under: 0.8 },
      ],
    );
    const reach = (t: number, x: number, y: number): number => {
      let [lo, hi] = [0, 40];
      for (let i = 0; i < 60; i++) {
        const m = (lo + hi) / 2;
        if (ovalConeDistance(s, x * m, y * m, 40 * t) < 0) lo = m;
        else hi = m;
      }
      return lo;
    };
    for (const [t, wide, over, under] of [
      [0.05, 0.6, 1.4, 1],
      [0.5, 0.9, 1.1, 0.9],
      [0.95, 1.2, 0.8, 0.8],
    ] as const) {
      // A softened step has gone less than a hundredth of the way at a twentieth.
      const near = t === 0.5 ? 6 : 1;
      expect(reach(t, 1, 0)).toBeCloseTo(10 * wide, near);
      expect(reach(t, 0, 1)).toBeCloseTo(10 * over, near);
      expect(reach(t, 0, -1)).toBeCloseTo(10 * under, near);
    }
  });
});
