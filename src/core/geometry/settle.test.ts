/** Where vertices come to lie, against closed forms; and that the field is not asked more often than it takes. */
import { describe, expect, it } from 'vitest';
import { skinOfGrid } from './polygonise';

type Ask = (x: number, y: number, z: number) => number;

/** A field on a grid over a cube of side 2 `half`, with how often it is asked between the nodes. */
function gridOf(f: Ask, half: number, h: number) {
  const n = Math.ceil((2 * half) / h) + 1;
  const origin = [-half, -half, -half] as const;
  const value = new Float32Array(n ** 3);
  for (let z = 0; z < n; z++)
    for (let y = 0; y < n; y++)
      for (let x = 0; x < n; x++)
        value[x + n * (y + n * z)] = f(origin[0] + x * h, origin[1] + y * h, origin[2] + z * h);
  const asked = { times: 0 };
  const within = () => (x: number, y: number, z: number) => {
    asked.times++;
    return f(x, y, z);
  };
  return { grid: { h, origin, n: [n, n, n] as const, value, within }, asked };
}

const ball: Ask = (x, y, z) => Math.hypot(x - 0.13, y + 0.21, z - 0.07) - 11;
/** Two balls that meet in a crease, without any blend. */
const creased: Ask = (x, y, z) => Math.min(Math.hypot(x - 4.6, y, z) - 8, Math.hypot(x + 4.6, y, z) - 8);
/** As a box's distance is outside, with edges and corners. */
const box: Ask = (x, y, z) => {
  const [a, b, c] = [Math.abs(x) - 7.3, Math.abs(y) - 5.1, Math.abs(z) - 6.2];
  return Math.hypot(Math.max(a, 0), Math.max(b, 0), Math.max(c, 0)) + Math.min(Math.max(a, b, c), 0);
};

describe('vertices of a skin', () => {
  it('of a ball lie on it and their directions are its own', () => {
    const { grid, asked } = gridOf(ball, 14, 1.5);
    const skin = skinOfGrid(grid, false);
    const count = skin.positions.length / 3;
    for (let v = 0; v < count; v++) {
      const d = [skin.positions[3 * v]! - 0.13, skin.positions[3 * v + 1]! + 0.21, skin.positions[3 * v + 2]! - 0.07];
      const r = Math.hypot(d[0]!, d[1]!, d[2]!);
      expect(Math.abs(r - 11)).toBeLessThan(1e-6);
      const along = [0, 1, 2].reduce((s, c) => s + (d[c]! / r) * skin.normals[3 * v + c]!, 0);
      expect(1 - along).toBeLessThan(1e-6);
    }
    // A slope serves again: with one found at every step it would be 36.
    expect(asked.times / count).toBeLessThan(20);
  });

  it.each([
    ['two balls that meet in a crease', creased],
    ['a box', box],
  ])('of %s lie on it however little the slope serves again at its edges, and none is lost far off', (_, f) => {
    const { grid } = gridOf(f, 15, 1.3);
    const skin = skinOfGrid(grid, false);
    let off = 0;
    for (let v = 0; v < skin.positions.length / 3; v++) {
      const d = Math.abs(f(skin.positions[3 * v]!, skin.positions[3 * v + 1]!, skin.positions[3 * v + 2]!));
      expect(d).toBeLessThan(0.3 * grid.h);
      if (d > 1e-3 * grid.h) off++;
    }
    // Only at the very edge a vertex may lie a little beside it.
    expect(off / (skin.positions.length / 3)).toBeLessThan(0.05);
  });
});
