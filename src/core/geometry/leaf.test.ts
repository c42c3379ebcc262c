import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { FLAT_OUTLINES } from '@/core/form/begin-flat';
import { smoothRing } from '@/core/form/leaf';
import { makeField } from './field';
import { leaf, leafArea, leafBounds, leafDistance, onLeaf, towardHollow, type Bent } from './leaf';
import { polygonise } from './polygonise';
import { noNearerThan } from './shapes';

type Pt = readonly [number, number];

const upright = (width: number, length: number, cupDeg: number, curlDeg = 0): Bent => ({
  root: [0, 0, 0],
  along: [0, 1, 0],
  across: [1, 0, 0],
  face: [0, 0, 1],
  length,
  width,
  cup: (cupDeg * Math.PI) / 180,
  curl: (curlDeg * Math.PI) / 180,
});

/** Area a closed line encloses (shoelace formula). */
const enclosed = (ring: readonly Pt[]): number =>
  Math.abs(ring.reduce((s, [x, y], i) => s + x * ring.at(i - 1)![1] - ring.at(i - 1)![0] * y, 0)) / 2;

const sizeOf = (ring: readonly Pt[]) => {
  const [xs, ys] = [ring.map((p) => p[0]), ring.map((p) => p[1])];
  return { width: 2 * Math.max(...xs.map(Math.abs)), length: Math.max(...ys), low: Math.min(...ys) };
};

const RINGS = (['ear', 'wing', 'tail feather', 'claw'] as const).map((kind): [string, Pt[]] => [
  kind,
  smoothRing(FLAT_OUTLINES[kind]).map(([x, y]): Pt => [x / 5, y / 5]),
]);
const EAR = RINGS[0]![1];
const cupped = (cupDeg: number, curlDeg = 0, thick = 2) => {
  const { width, length } = sizeOf(EAR);
  const b = upright(width, length, cupDeg, curlDeg);
  return { b, s: leaf(EAR, thick, b) };
};

const angle = fc.integer({ min: 0, max: 160 });
const curl = fc.integer({ min: -90, max: 90 });
const place = fc.tuple(
  ...([15, 20, 15] as const).map((r) => fc.integer({ min: -r * 100, max: r * 100 }).map((x) => x / 100)),
);

describe('a leaf', () => {
  // Closed form: a cylinder is a plane rolled up, so a cupped sheet has just the area of the pattern it was cut by.
  it.each(RINGS)('cupped, the sheet of a %s is as large as its pattern within 1 %%', (_, ring) => {
    const { width, length } = sizeOf(ring);
    for (const cup of [0, 40, 90, 160]) {
      const s = leaf(ring, 0, upright(width, length, cup));
      expect(Math.abs(leafArea(s) / enclosed(ring) - 1), `${cup}°`).toBeLessThan(0.01);
    }
  });

  it('ways on it are as long as they were in the flat, straight up and straight across', () => {
    fc.assert(
      fc.property(angle, fc.double({ min: -1, max: 1, noNaN: true }), (cup, at) => {
        const b = upright(10, 12, cup);
        const far = (p: readonly number[], q: readonly number[]) => Math.hypot(...p.map((x, k) => x - q[k]!));
        let [up, side] = [0, 0];
        for (let i = 0; i < 200; i++) {
          up += far(onLeaf(b, 5 * at, (12 * i) / 200), onLeaf(b, 5 * at, (12 * (i + 1)) / 200));
          side += far(onLeaf(b, -5 + i / 20, 6), onLeaf(b, -5 + (i + 1) / 20, 6));
        }
        expect(up).toBeCloseTo(12, 6);
        expect(side).toBeCloseTo(10, 3);
      }),
    );
  });

  it('flat, it is a plate of its thickness whose edge is its outline', () => {
    const { s } = cupped(0);
    for (const z of [-8, -2, 3, 9]) expect(leafDistance(s, 0, 5, z)).toBeCloseTo(Math.abs(z) - 1, 9);
    const { width, length } = sizeOf(EAR);
    const { min, max } = leafBounds(s);
    expect(max[0]! - min[0]!).toBeGreaterThan(width - 0.2);
    expect(max[0]! - min[0]!).toBeLessThanOrEqual(width + 1e-6);
    expect(Math.abs(max[1]! - length)).toBeLessThan(0.1);
    expect([min[2], max[2]]).toEqual([-1, 1]);
  });

  // What cutting into blocks and leaving out what is far off rest on.
  it('changes nowhere faster than distance, and is no nearer than the ball round it', () => {
    fc.assert(
      fc.property(angle, curl, place, place, (cup, curled, p, d) => {
        const { s } = cupped(cup, curled);
        const q = p.map((x, k) => x + d[k]! / 20) as [number, number, number];
        const here = leafDistance(s, ...(p as [number, number, number]));
        expect(Math.abs(here - leafDistance(s, ...q))).toBeLessThanOrEqual(Math.hypot(...d) / 20 + 1e-9);
        expect(noNearerThan(s, ...(p as [number, number, number]))).toBeLessThanOrEqual(here + 1e-9);
      }),
      { numRuns: 300 },
    );
  });

  it('its distance is that to the nearest of all its triangles', () => {
    const { s } = cupped(110, 30);
    fc.assert(
      fc.property(place, (p) => {
        // By looking at many places of every triangle.
        let least = Infinity;
        const c = s.corners;
        for (let t = 0; t < c.length; t += 9)
          for (let i = 0; i <= 12; i++)
            for (let j = 0; i + j <= 12; j++) {
              const at = [0, 1, 2].map(
                (k) => c[t + k]! + ((c[t + 3 + k]! - c[t + k]!) * i + (c[t + 6 + k]! - c[t + k]!) * j) / 12,
              );
              least = Math.min(least, Math.hypot(at[0]! - p[0]!, at[1]! - p[1]!, at[2]! - p[2]!));
            }
        const said = leafDistance(s, ...(p as [number, number, number])) + s.half;
        expect(said).toBeLessThanOrEqual(least + 1e-9);
        expect(least - said).toBeLessThan(0.15);
      }),
      { numRuns: 60 },
    );
  });

  it('knows how far a place lies toward its hollow', () => {
    fc.assert(
      fc.property(
        angle,
        curl,
        fc.integer({ min: -40, max: 40 }),
        fc.integer({ min: 2, max: 10 }),
        (cup, curled, u, v) => {
          const { b } = cupped(cup, curled);
          const e = 1e-4;
          const at = (du: number, dv: number) => onLeaf(b, u / 10 + du, v + dv);
          const [p, pu, pv] = [at(0, 0), at(e, 0), at(0, e)];
          const [a, c] = [pu.map((x, k) => x - p[k]!), pv.map((x, k) => x - p[k]!)];
          const n = [a[1]! * c[2]! - a[2]! * c[1]!, a[2]! * c[0]! - a[0]! * c[2]!, a[0]! * c[1]! - a[1]! * c[0]!];
          const size = Math.hypot(...n);
          for (const w of [-1, 0.7])
            expect(
              towardHollow(b, ...(p.map((x, k) => x + (w * n[k]!) / size) as [number, number, number])),
            ).toBeCloseTo(w, 2);
        },
      ),
    );
  });

  // The grid is coarser than the leaf is thick: it is found whole all the same, and no thicker than it is.
  it.each([1, 2, 3.5])('is found whole by a grid of %s mm, as thick as it is', (edge) => {
    for (const turn of [0, 0.4, 0.9]) {
      const { b } = cupped(70, 0, 1.2);
      const [c, n] = [Math.cos(turn), Math.sin(turn)];
      const s = leaf(EAR, 1.2, { ...b, across: [c, n, 0], along: [-n, c, 0] });
      const skin = polygonise(makeField([{ solids: [s], innerBlend: 0, blend: 0, mirrored: false }]), edge);
      expect(skin.pieces).toBe(1);
      for (let i = 0; i < skin.positions.length; i += 3) {
        const d = leafDistance(s, skin.positions[i]!, skin.positions[i + 1]!, skin.positions[i + 2]!);
        expect(Math.abs(d)).toBeLessThan(0.02 * edge);
      }
    }
  });
});
