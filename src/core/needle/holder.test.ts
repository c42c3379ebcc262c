/** Where a holder fits: rings of points and widths of surfaces against closed forms. */
import { describe, expect, it } from 'vitest';
import { hasRoom, ringOf } from './holder';
import { narrowSide, widthOfSurface } from './surface-width';

/** A flat sheet of w by l in squares of 1 mm, cut in two triangles each, set down at x. */
function sheet(w: number, l: number, x = 0) {
  const positions: number[] = [];
  const triangles: number[] = [];
  for (let i = 0; i <= w; i++) for (let j = 0; j <= l; j++) positions.push(x + i, j, 0);
  const at = (i: number, j: number) => i * (l + 1) + j;
  for (let i = 0; i < w; i++)
    for (let j = 0; j < l; j++)
      triangles.push(at(i, j), at(i + 1, j), at(i + 1, j + 1), at(i, j), at(i + 1, j + 1), at(i, j + 1));
  return { positions, triangles };
}
const beside = (a: ReturnType<typeof sheet>, b: ReturnType<typeof sheet>) => ({
  positions: [...a.positions, ...b.positions],
  triangles: [...a.triangles, ...b.triangles.map((v) => v + a.positions.length / 3)],
});

describe('how wide a place is', () => {
  it('a rectangle is as wide as its narrow side, a disc about as wide as it is across (closed form)', () => {
    expect(narrowSide(6 * 40, 2 * (6 + 40))).toBeCloseTo(6, 9);
    expect(narrowSide(25, 20)).toBeCloseTo(5, 9);
    const r = 4;
    expect(narrowSide(Math.PI * r * r, 2 * Math.PI * r)).toBeCloseTo(r * Math.sqrt(Math.PI), 9);
  });
  it('a surface by its border; two cheeks are as wide as one', () => {
    expect(widthOfSurface(sheet(6, 30))).toBeCloseTo(6, 6);
    expect(widthOfSurface(beside(sheet(6, 30), sheet(6, 30, 50)))).toBeCloseTo(6, 6);
    expect(widthOfSurface(beside(sheet(6, 30), sheet(2, 30, 50)))).toBeCloseTo(6, 6);
  });
});

describe('a holder', () => {
  it('stands on a ring: two needles 5 mm, three 5.8, four 7.1, six 10 across (regular polygons)', () => {
    expect([2, 3, 4, 6].map((n) => Math.round(10 * ringOf(n)) / 10)).toEqual([5, 5.8, 7.1, 10]);
  });
  it('of three has no room on a nose of 3.4 mm, nor on a leg of 8; on a flank it has', () => {
    expect(hasRoom(3, 3.4)).toBe(false);
    expect(hasRoom(3, 8)).toBe(false);
    expect(hasRoom(3, 25)).toBe(true);
  });
});
