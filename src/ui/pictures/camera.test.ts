import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { VIEWPOINTS, wrap } from '@/ui/frame/useDeskKeys';
import { projector } from '@/core/picture/lens';
import { across, centreOf, eye, lensOver, pixelsPerMm, scaleBar, seenAt, seenFrom } from './camera';

const dot = (a: readonly number[], b: readonly number[]) => a[0]! * b[0]! + a[1]! * b[1]! + a[2]! * b[2]!;
/** What points to the right of the picture: up x from. */
const right = ({ from: f, up: u }: ReturnType<typeof eye>) => [
  u[1] * f[2] - u[2] * f[1],
  u[2] * f[0] - u[0] * f[2],
  u[0] * f[1] - u[1] * f[0],
];

const [SIN20, COS20] = [Math.sin(Math.PI / 9), Math.cos(Math.PI / 9)];

describe('viewpoints', () => {
  const seen = (key: string) => VIEWPOINTS.find((v) => v.key === key)!;
  // x to the animal's left, y up, z forward: seen from its right the head is at the right of the picture.
  it.each([
    ['F', [0, 0, 1], [1, 0, 0], 'the front'],
    ['L', [1, 0, 0], [0, 0, -1], 'the left'],
    ['R', [-1, 0, 0], [0, 0, 1], 'the right'],
    ['B', [0, 0, -1], [-1, 0, 0], 'the back'],
    ['A', [0, 1, 0], [0, 0, 1], 'above'],
    // Half from the front, half from its right, a little from above.
    ['S', [-Math.SQRT1_2 * COS20, SIN20, Math.SQRT1_2 * COS20], [Math.SQRT1_2, 0, Math.SQRT1_2], 'the front right'],
  ])('%s looks from the side it names', (key, from, toTheRight, words) => {
    const e = eye(seen(key));
    from.forEach((x, i) => expect(e.from[i]).toBeCloseTo(x, 12));
    right(e).forEach((x, i) => expect(x).toBeCloseTo(toTheRight[i]!, 12));
    expect(seenFrom(seen(key))).toBe(words);
  });

  it('up is always square to the line of sight', () => {
    fc.assert(
      fc.property(
        fc.double({ min: -180, max: 180, noNaN: true }),
        fc.double({ min: -90, max: 90, noNaN: true }),
        (yaw, pitch) => {
          const { from, up } = eye({ yaw, pitch });
          expect(dot(from, up)).toBeCloseTo(0, 12);
          expect(dot(up, up)).toBeCloseTo(1, 12);
          expect(up[1]).toBeGreaterThanOrEqual(-1e-12);
        },
      ),
    );
  });

  it('turning on and on stays within one turn', () => {
    expect([wrap(190), wrap(-190), wrap(360), wrap(180), wrap(725)]).toEqual([-170, 170, 0, -180, 5]);
  });
});

describe('scale', () => {
  const form = { lengthMm: 200, heightMm: 80, widthMm: 40 };
  it('fits the animal from every side and grows with the zoom', () => {
    for (const size of [
      { width: 600, height: 500 },
      { width: 1200, height: 200 },
      { width: 200, height: 900 },
    ]) {
      const k = pixelsPerMm(size, form, 1);
      expect(k * form.lengthMm).toBeLessThanOrEqual(size.width);
      expect(k * form.heightMm).toBeLessThanOrEqual(size.height);
      expect(pixelsPerMm(size, form, 2)).toBeCloseTo(2 * k, 12);
    }
  });
  it('the bar is a round length, as long as fits', () => {
    expect(scaleBar(3, 130)).toEqual({ mm: 20, px: 60 });
    expect(scaleBar(13, 130)).toEqual({ mm: 10, px: 130 });
    expect(scaleBar(0.1, 130)).toEqual({ mm: 1000, px: 100 });
  });
});

describe('a place on the picture', () => {
  const size = { width: 400, height: 300 };
  it('the middle of the animal is the middle of the picture, from anywhere', () => {
    for (const view of [
      { yaw: 0, pitch: 0 },
      { yaw: 90, pitch: 0 },
      { yaw: -62, pitch: 12 },
      { yaw: -90, pitch: 90 },
    ]) {
      expect(seenAt([3, 4, 5], [3, 4, 5], view, size, 7)).toEqual([200, 150]);
    }
    expect(centreOf(Float64Array.from([0, 0, 0, 4, 2, -6, 1, 1, 1]))).toEqual([2, 1, -2.5]);
  });
  it('from its left the nose is to the left and up is up, at so many pixels a millimetre', () => {
    const left = { yaw: 90, pitch: 0 };
    const [nx, ny] = seenAt([0, 0, 10], [0, 0, 0], left, size, 2);
    expect(nx).toBeCloseTo(180, 9);
    expect(ny).toBeCloseTo(150, 9);
    expect(seenAt([0, 10, 0], [0, 0, 0], left, size, 2)[1]).toBeCloseTo(130, 9);
  });
  it('right and up are at right angles to each other and to the eye', () => {
    for (let yaw = -180; yaw < 180; yaw += 35) {
      const { right, up } = across({ yaw, pitch: 27 });
      expect(right.reduce((s, x, k) => s + x * up[k]!, 0)).toBeCloseTo(0, 9);
      expect(Math.hypot(...right)).toBeCloseTo(1, 9);
    }
  });
});

describe('the finished picture laid over the turntable', () => {
  const mm = fc.double({ min: -150, max: 150, noNaN: true });
  it('shows every place where the handles and names on the turntable have it', () => {
    fc.assert(
      fc.property(
        fc.tuple(mm, mm, mm),
        fc.tuple(mm, mm, mm),
        fc.double({ min: -180, max: 180, noNaN: true }),
        fc.double({ min: -90, max: 90, noNaN: true }),
        fc.double({ min: 0.1, max: 40, noNaN: true }),
        fc.constantFrom(1, 2),
        (p, centre, yaw, pitch, perMm, dots) => {
          const size = { width: 610, height: 480 };
          const m = projector(lensOver({ yaw, pitch }, centre, perMm, size, dots));
          const on = [0, 4].map((r) => m[r]! * p[0] + m[r + 1]! * p[1] + m[r + 2]! * p[2] + m[r + 3]!);
          seenAt(p, centre, { yaw, pitch }, size, perMm).forEach((px, k) => expect(on[k]! / dots).toBeCloseTo(px, 6));
        },
      ),
    );
  });
});
