/** Words and bars on a picture: covered as much as their outlines have area, as long as they say. */
import fc from 'fast-check';
import { beforeAll, describe, expect, it } from 'vitest';
import { metric } from '@/units/units';
import { fontsOnDisk } from './fonts-on-disk';
import { fill, letterer, type Letterer } from './lettering';
import { barOf } from './still-picture';

const WHITE = [255, 255, 255] as const;
const INK = [0, 0, 0] as const;
const sheet = (width: number, height: number) => ({ width, height, rgb: new Uint8Array(3 * width * height).fill(255) });
/** Pixels covered, by how dark each is. */
const covered = ({ rgb }: { readonly rgb: Uint8Array }): number => {
  let sum = 0;
  for (let i = 0; i < rgb.length; i += 3) sum += 1 - rgb[i]! / 255;
  return sum;
};

describe('an outline filled', () => {
  // Closed form: the shoelace formula, wherever its corners lie between pixels.
  it('covers as many pixels as it has area', () => {
    const corner = fc.tuple(fc.double({ min: 2, max: 58, noNaN: true }), fc.double({ min: 2, max: 38, noNaN: true }));
    fc.assert(
      fc.property(corner, corner, corner, (a, b, c) => {
        const on = sheet(60, 40);
        fill(on, [[...a, ...b, ...c]], INK);
        const area = Math.abs((b[0] - a[0]) * (c[1] - a[1]) - (c[0] - a[0]) * (b[1] - a[1])) / 2;
        expect(Math.abs(covered(on) - area)).toBeLessThan(0.02 * area + 0.8);
      }),
      { numRuns: 200 },
    );
  });
  it('a hole in it stays open, and what lies beyond the picture is left out', () => {
    const on = sheet(40, 40);
    fill(
      on,
      [
        [-10, 5, 30, 5, 30, 35, -10, 35],
        [10, 15, 10, 25, 20, 25, 20, 15],
      ],
      INK,
    );
    expect(covered(on)).toBeCloseTo(30 * 30 - 10 * 10, 0);
    expect([...on.rgb.subarray(3 * (20 * 40 + 15), 3 * (20 * 40 + 15) + 3)]).toEqual([...WHITE]);
  });
});

describe('words on a picture', () => {
  let write: Letterer;
  beforeAll(async () => {
    write = letterer(await fontsOnDisk());
  });
  it('are as wide as they say before they are written, in the letters of many languages', () => {
    for (const words of ['Pine marten, aslant', 'Łasica kuna, od przodu', '20 mm']) {
      const wide = write(null, words, 0, 0, 20, INK);
      const on = sheet(400, 60);
      expect(write(on, words, 30, 40, 20, INK)).toBeCloseTo(wide, 9);
      const dark = Array.from({ length: 400 }, (_, x) =>
        Array.from({ length: 60 }, (_, y) => on.rgb[3 * (y * 400 + x)]!).some((v) => v < 128),
      );
      expect(dark.indexOf(true)).toBeGreaterThanOrEqual(29);
      expect(dark.lastIndexOf(true)).toBeLessThanOrEqual(31 + wide);
      expect(dark.lastIndexOf(true)).toBeGreaterThan(28 + 0.9 * wide);
    }
  });
  it('twice as large cover four times as much', () => {
    const of = (size: number) => {
      const on = sheet(600, 90);
      write(on, 'Kingfisher', 10, 70, size, INK);
      return covered(on);
    };
    expect(of(48) / of(24)).toBeCloseTo(4, 1);
  });
});

describe('a scale bar', () => {
  it('is a round length in the units of the maker, about a sixth of the picture', () => {
    fc.assert(
      fc.property(fc.double({ min: 0.8, max: 60, noNaN: true }), (perMm) => {
        const mm = barOf(perMm, 1600, metric);
        expect([1, 2, 5, 10, 20, 50, 100, 200, 500]).toContain(mm);
        const inch = barOf(perMm, 1600, { ...metric, length: 'in' }) / 25.4;
        expect(Math.log2(inch)).toBeCloseTo(Math.round(Math.log2(inch)), 9);
        for (const long of [mm, inch * 25.4]) {
          expect((long * perMm) / 1600).toBeGreaterThan(0.08);
          expect((long * perMm) / 1600).toBeLessThan(0.3);
        }
      }),
    );
  });
});
