/** Distance over the skin against closed forms: great circles, a flat sheet, the unrolled cylinder. */
import { describe, expect, it } from 'vitest';
import { overSkin, overSkinFrom } from './over-skin';
import type { Mesh } from './mesh';
import type { Vec3 } from './vec';

/** A grid of points put on a surface by a function of (i, j), closed along j where asked. */
function grid(n: number, m: number, closed: boolean, at: (i: number, j: number) => Vec3): Mesh {
  const positions: number[] = [];
  const triangles: number[] = [];
  for (let i = 0; i <= n; i++) for (let j = 0; j < (closed ? m : m + 1); j++) positions.push(...at(i, j));
  const w = closed ? m : m + 1;
  const v = (i: number, j: number) => i * w + (closed ? j % m : j);
  for (let i = 0; i < n; i++) {
    for (let j = 0; j < m; j++)
      triangles.push(v(i, j), v(i + 1, j), v(i, j + 1), v(i, j + 1), v(i + 1, j), v(i + 1, j + 1));
  }
  return { positions: Float64Array.from(positions), triangles: Uint32Array.from(triangles) };
}

describe('distance over the skin', () => {
  it('on a sphere is the great circle within 1 %, away from the poles of the grid', () => {
    const R = 20;
    const mesh = grid(90, 180, true, (i, j) => {
      const th = 0.3 + ((Math.PI - 0.6) * i) / 90;
      const ph = (2 * Math.PI * j) / 180;
      return [R * Math.sin(th) * Math.cos(ph), R * Math.cos(th), R * Math.sin(th) * Math.sin(ph)];
    });
    const from: Vec3 = [R, 0, 0];
    const d = overSkin(mesh, [from], 4);
    const p = mesh.positions;
    for (let v = 0; v < d.length; v++) {
      // Ways over the missing caps are longer; only the belt is compared.
      if (Math.abs(p[3 * v + 1]!) > 0.5 * R || p[3 * v]! < 0) continue;
      const truth = R * Math.acos(Math.max(-1, Math.min(1, p[3 * v]! / R)));
      expect(Math.abs(d[v]! - truth)).toBeLessThan(0.01 * Math.max(truth, 5));
    }
  });
  it('on a flat sheet is straight, and from several places the nearest', () => {
    const mesh = grid(30, 30, false, (i, j) => [i, j, 0]);
    const d = overSkin(
      mesh,
      [
        [0, 0, 0],
        [30, 30, 0],
      ],
      4,
    );
    for (const [i, j] of [
      [10, 3],
      [2, 14],
      [25, 29],
      [15, 15],
    ] as const) {
      const truth = Math.min(Math.hypot(i, j), Math.hypot(30 - i, 30 - j));
      expect(Math.abs(d[i * 31 + j]! - truth)).toBeLessThan(0.02 * truth + 0.02);
    }
  });
  it('round a tube goes the short way round (unrolled cylinder)', () => {
    const mesh = grid(40, 72, true, (i, j) => [
      10 * Math.cos((2 * Math.PI * j) / 72),
      10 * Math.sin((2 * Math.PI * j) / 72),
      i,
    ]);
    const d = overSkin(mesh, [[10, 0, 20]], 2);
    const at = (i: number, j: number) => d[i * 72 + j]!;
    expect(at(20, 36)).toBeCloseTo(10 * Math.PI, 0);
    expect(Math.abs(at(32, 18) - Math.hypot(12, 5 * Math.PI))).toBeLessThan(0.3);
  });
  it('from vertices, and not across a gap', () => {
    const one = grid(10, 10, false, (i, j) => [i, j, 0]);
    const two = grid(10, 10, false, (i, j) => [i, j, 0.5]);
    const n = one.positions.length / 3;
    const both: Mesh = {
      positions: Float64Array.from([...one.positions, ...two.positions]),
      triangles: Uint32Array.from([...one.triangles, ...[...two.triangles].map((t) => t + n)]),
    };
    const d = overSkinFrom(both, [0]);
    expect(d[1]).toBeCloseTo(1, 9);
    expect(d[n]).toBe(Infinity);
    // Straight distance, too, only as far as the skin leads.
    expect(overSkin(both, [[0, 0, 0]], 4)[n]).toBe(Infinity);
  });
});
