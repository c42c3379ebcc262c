/** Fibres on a picture: each hides just the share of a pixel it covers, the nearer over the further, skin over what lies behind it. */
import { describe, expect, it } from 'vitest';
import { seeded } from '@/core/random';
import { FibreBed, SEGMENTS } from './fibres';
import { canvas, closeUp, drawFibres, drawSolid } from './raster';
import type { Lens } from './lens';

const LENS: Lens = { turned: { yaw: 0, pitch: 0 }, centre: [0, 0, 0], perMm: 10, width: 200, height: 200 };

/** Straight fibres by their two ends, mm. */
function straight(
  list: readonly { a: [number, number, number]; b: [number, number, number]; width: number }[],
): FibreBed {
  const bed = new FibreBed(list.length);
  for (const { a, b, width } of list) {
    const me = bed.next(width, 1, 0);
    for (let k = 0; k <= SEGMENTS; k++)
      for (let q = 0; q < 3; q++)
        bed.points[3 * ((SEGMENTS + 1) * me + k) + q] = a[q]! + ((b[q]! - a[q]!) * k) / SEGMENTS;
  }
  return bed;
}
const white = (bed: FibreBed) => new Float32Array(3 * SEGMENTS * bed.count).fill(1);
/** Of full width to three fifths, then to a quarter of it: the mean over the six pieces (closed form). */
const MEAN = (4 + (1 - 0.75 * (0.15 / 0.4)) + (1 - 0.75 * ((11 / 12 - 0.6) / 0.4))) / 6;

describe('a fibre', () => {
  // Area: length times width, whichever way it runs and however fine it is.
  it.each([
    [0, 0.02],
    [17, 0.02],
    [45, 0.02],
    [71, 0.05],
    [90, 0.02],
    [133, 0.2],
    [30, 0.4],
  ])('at %i degrees, %d mm wide, covers its length times its width', (deg, width) => {
    const [c, s] = [Math.cos((deg * Math.PI) / 180), Math.sin((deg * Math.PI) / 180)];
    const bed = straight([{ a: [-4 * c, -4 * s, 0], b: [4 * c, 4 * s, 0], width }]);
    const to = canvas(LENS);
    drawFibres(to, bed, white(bed));
    let covered = 0;
    for (const o of to.open) covered += 1 - o;
    expect(Math.abs(covered / (8 * width * MEAN * 100) - 1)).toBeLessThan(0.03);
  });

  it('lies over what is behind it and under what is before it, fibre or skin', () => {
    const line = (z: number) => ({
      a: [-5, 0, z] as [number, number, number],
      b: [5, 0, z] as [number, number, number],
      width: 0.6,
    });
    const bed = straight([line(-1), line(1), line(-3)]);
    const light = new Float32Array(3 * SEGMENTS * 3);
    for (let k = 0; k < SEGMENTS; k++) {
      light[3 * k] = 1; // the middle one red
      light[3 * (SEGMENTS + k) + 1] = 1; // the nearest green
      light[3 * (2 * SEGMENTS + k) + 2] = 1; // the furthest blue
    }
    const to = canvas(LENS);
    drawSolid(to, {
      positions: [-9, -9, -2, 9, -9, -2, 0, 12, -2],
      triangles: [0, 1, 2],
      light: Float32Array.from([0.2, 0.2, 0.2, 0.2, 0.2, 0.2, 0.2, 0.2, 0.2]),
    });
    drawFibres(to, bed, light);
    closeUp(to, (_x, _y, into) => into.fill(0.5));
    const at = 3 * (80 + 200 * 99);
    expect(to.light[at + 1]!).toBeGreaterThan(0.9);
    expect(to.light[at]! + to.light[at + 2]!).toBeLessThan(0.1);
    // Where the fibre grows thin at its tip the next one and the skin are seen, never the one behind the skin.
    const tip = 3 * (148 + 200 * 101);
    expect(to.light[tip + 2]!).toBeLessThanOrEqual(0.21);
    // Off the skin the wall is seen.
    expect(to.light[3 * (5 + 200 * 5)]!).toBeCloseTo(0.5, 6);
  });
});

// Fibres that fall at random hide 1 - exp(-n) of what lies under n layers of them (Poisson, as the cover figure has it).
it.each([0.3, 1, 2.5])('%d layers of fibres at random leave open what chance leaves open', (layers) => {
  const rnd = seeded(11);
  const width = 0.02;
  const n = Math.round((layers * 40 * 40) / (6 * width * MEAN));
  const bed = straight(
    Array.from({ length: n }, () => {
      const t = 2 * Math.PI * rnd();
      const [x, y, z] = [40 * rnd() - 20, 40 * rnd() - 20, rnd()];
      return {
        a: [x - 3 * Math.cos(t), y - 3 * Math.sin(t), z],
        b: [x + 3 * Math.cos(t), y + 3 * Math.sin(t), z],
        width,
      };
    }),
  );
  const to = canvas(LENS);
  drawFibres(to, bed, white(bed));
  const open = to.open.reduce((s, x) => s + x, 0) / to.open.length;
  expect(Math.abs(open - Math.exp(-layers))).toBeLessThan(0.03);
});
