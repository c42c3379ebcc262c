import { describe, expect, it } from 'vitest';
import { makeField } from '@/core/geometry/field';
import { polygonise, type Skin } from '@/core/geometry/polygonise';
import { ovalCone } from '@/core/geometry/oval-cone';
import { roundCone, type Solid } from '@/core/geometry/shapes';
import { coreSkin, evenLoft, localRadius, STEEPEST } from './core-skin';

const EDGE = 1.5;
const skinOf = (s: Solid): Skin =>
  polygonise(makeField([{ solids: [s], innerBlend: 0, blend: 0, mirrored: false }]), EDGE);
const sphere = (r: number): Solid => ({
  kind: 'ellipsoid',
  centre: [0, 0, 0],
  axes: [1, 0, 0, 0, 1, 0, 0, 0, 1],
  semi: [r, r, r],
});
const allOver = (skin: Skin, mm: number) => new Float64Array(skin.positions.length / 3).fill(mm);

describe('the core under an even coat', () => {
  // Closed forms: the inner parallel body of each solid (Steiner); the ellipsoid by core.md 2, from memory.
  it.each([
    ['sphere 20, coat 4', sphere(20), 4, (4 / 3) * Math.PI * 16 ** 3],
    [
      'capsule 8 x 60, coat 3',
      roundCone([0, 0, -30], [0, 0, 30], 8, 8),
      3,
      Math.PI * 25 * 60 + (4 / 3) * Math.PI * 125,
    ],
    ['round cone 12 to 5 x 50, coat 3', roundCone([0, 0, 25], [0, 0, -25], 12, 5), 3, 7042.34],
    [
      'ellipsoid 20/14/30, coat 3',
      { kind: 'ellipsoid', centre: [0, 0, 0], axes: [1, 0, 0, 0, 1, 0, 0, 0, 1], semi: [20, 14, 30] } as Solid,
      3,
      20772.33,
    ],
  ])('%s', (_name, solid, loft, volume) => {
    const skin = skinOf(solid);
    const core = coreSkin(skin, allOver(skin, loft)).skin!;
    expect(core.pieces).toBe(1);
    expect(Math.abs(core.extent.volumeMm3 / volume - 1)).toBeLessThan(5e-4);
  });

  it('no coat leaves the skin, a coat thicker than the body leaves nothing', () => {
    const skin = skinOf(sphere(10));
    expect(coreSkin(skin, allOver(skin, 0)).skin).toBe(skin);
    expect(coreSkin(skin, allOver(skin, 11)).skin).toBeNull();
  });
});

/** Length round an ellipse, mm: Ramanujan's second (from memory), right to a millionth here. */
function roundEllipse(a: number, b: number): number {
  const h = ((a - b) / (a + b)) ** 2;
  return Math.PI * (a + b) * (1 + (3 * h) / (10 + Math.sqrt(4 - 3 * h)));
}

describe('the core under an oval part', () => {
  // Steiner: the inner parallel of a plane figure has the area A - P t + pi t^2. Ends alike, so two lengths differ by the tube between.
  it('has the section of the parallel of its ellipse', () => {
    const [a, b, coat] = [9, 13, 3];
    const s = { wide: a / 10, over: b / 10, under: b / 10 };
    const volume = (l: number) => {
      const skin = skinOf(
        ovalCone([0, 0, -l / 2], [0, 0, l / 2], [10, 10], [s, s], { top: [0, 1, 0], out: [1, 0, 0] }),
      );
      return coreSkin(skin, allOver(skin, coat)).skin!.extent.volumeMm3;
    };
    const area = (volume(90) - volume(50)) / 40;
    expect(area / (Math.PI * a * b - roundEllipse(a, b) * coat + Math.PI * coat ** 2)).toBeCloseTo(1, 3);
  });
});

describe('the core under a coat that grows thicker', () => {
  it('a tube of radius 12 under 2.5 + 0.05 z is 12 less the coat there, to 0.001', () => {
    const skin = skinOf(roundCone([0, 0, -10], [0, 0, 90], 12, 12));
    const loft = new Float64Array(skin.positions.length / 3).map((_, v) => 2.5 + 0.05 * skin.positions[3 * v + 2]!);
    const core = coreSkin(skin, loft).skin!;
    let looked = 0;
    for (let v = 0; v < core.positions.length / 3; v++) {
      const [x, y, z] = [0, 1, 2].map((k) => core.positions[3 * v + k]!) as [number, number, number];
      if (z < 5 || z > 70) continue;
      looked++;
      // The nearest point of the skin lies straight outward, so the coat there is the coat at the same z.
      expect(Math.abs(Math.hypot(x, y) - (12 - 2.5 - 0.05 * z))).toBeLessThan(1e-3);
    }
    expect(looked).toBeGreaterThan(800);
  });

  it('is never asked to grow faster than half a millimetre in one, nor beyond what was asked', () => {
    const skin = skinOf(roundCone([0, 0, -40], [0, 0, 40], 10, 10));
    const asked = new Float64Array(skin.positions.length / 3).map((_, v) => (skin.positions[3 * v + 2]! > 0 ? 8 : 1));
    const got = evenLoft(skin, asked);
    let eased = 0;
    for (let v = 0; v < got.length; v++) {
      expect(got[v]!).toBeLessThanOrEqual(asked[v]! + 1e-9);
      if (got[v]! < asked[v]! - 0.1) eased++;
    }
    for (let e = 0; e < skin.edges.count; e++) {
      const [u, v] = [skin.edges.ends[2 * e]!, skin.edges.ends[2 * e + 1]!];
      const far = Math.hypot(...[0, 1, 2].map((k) => skin.positions[3 * u + k]! - skin.positions[3 * v + k]!));
      expect(Math.abs(got[u]! - got[v]!)).toBeLessThanOrEqual(STEEPEST * far + 1e-6);
    }
    // From 1 to 8 at one in two takes 14 mm; along a tube that is 14 mm of its length.
    const band = got.length * (14 / 100);
    expect(eased).toBeGreaterThan(0.6 * band);
    expect(eased).toBeLessThan(1.4 * band);
  });
});

describe('how thick a coat a part can bear', () => {
  it('the largest ball inside a round cone at every place of its side, within 0.5 %', () => {
    const [ra, rb, l] = [12, 5, 50];
    const skin = skinOf(roundCone([0, 0, 25], [0, 0, -25], ra, rb));
    const c = coreSkin(skin, allOver(skin, 0));
    const sine = (ra - rb) / l;
    let looked = 0;
    for (let v = 0; v < skin.positions.length / 3; v += 7) {
      const x = skin.positions[3 * v]!;
      const y = skin.positions[3 * v + 1]!;
      const z = skin.positions[3 * v + 2]!;
      // The ball touching the side at (r, z) has its middle on the axis: radius r / cos of the cone's angle.
      const radius = Math.hypot(x, y) / Math.sqrt(1 - sine * sine);
      const middle = z + radius * sine;
      if (middle > 24 || middle < -24) continue;
      looked++;
      expect(Math.abs(localRadius(c, skin, v, 20) / radius - 1)).toBeLessThan(0.005);
    }
    expect(looked).toBeGreaterThan(100);
  });
});
