import { describe, expect, it } from 'vitest';
import { catchlight, mirroredLight } from './catchlight';

type V = [number, number, number];
const rad = (d: number) => (d * Math.PI) / 180;

/** Where a viewer far in front sees a lamp in a mirror ball: rays are sent in, reflected, and the one that meets the lamp kept. */
function traced(sideDeg: number, heightDeg: number): [number, number] {
  const lamp: V = [
    Math.sin(rad(sideDeg)) * Math.cos(rad(heightDeg)),
    Math.sin(rad(heightDeg)),
    Math.cos(rad(sideDeg)) * Math.cos(rad(heightDeg)),
  ];
  let best: [number, number] = [0, 0];
  let span = 1;
  for (let round = 0; round < 7; round++) {
    const [cx, cy] = best;
    let most = -2;
    for (let i = -20; i <= 20; i++) {
      for (let j = -20; j <= 20; j++) {
        const x = cx + (span * i) / 20;
        const y = cy + (span * j) / 20;
        if (x * x + y * y > 1) continue;
        const n: V = [x, y, Math.sqrt(1 - x * x - y * y)];
        // A ray along -z, reflected: r = d - 2 (d.n) n.
        const r: V = [2 * n[2] * n[0], 2 * n[2] * n[1], -1 + 2 * n[2] * n[2]];
        const meets = r[0] * lamp[0] + r[1] * lamp[1] + r[2] * lamp[2];
        if (meets > most) {
          most = meets;
          best = [x, y];
        }
      }
    }
    span /= 10;
  }
  return best;
}

describe('catchlight', () => {
  // Values of the design (half-way vector; closed form).
  it.each([
    [-45, 45, 10.82, 0.5],
    [-30, 60, 11.46, 0.5324],
    [45, 30, 1.69, 0.4402],
    [-90, 0, 9, 0.7071],
  ])('a lamp %d to the side and %d high stands at %d h', (side, high, hour, r) => {
    const c = catchlight(side, high);
    expect(c.hour).toBeCloseTo(hour, 2);
    expect(c.r).toBeCloseTo(r, 4);
  });
  it('lies where a ray-traced ball shows it', () => {
    for (const [s, h] of [
      [-45, 45],
      [20, 10],
      [70, -20],
      [-85, 60],
    ] as const) {
      const c = catchlight(s, h);
      const [x, y] = traced(s, h);
      expect(c.x).toBeCloseTo(x, 4);
      expect(c.y).toBeCloseTo(y, 4);
    }
  });
  it('straight above is twelve, and a lamp at the viewer shows in the middle', () => {
    expect(catchlight(0, 60).hour).toBeCloseTo(12, 6);
    expect(catchlight(0, 0).r).toBe(0);
  });
  it('mirrored, eleven becomes one and twelve stays', () => {
    expect(mirroredLight(catchlight(-45, 45)).hour).toBeCloseTo(12 - 10.82, 2);
    expect(mirroredLight(catchlight(0, 60)).hour).toBe(12);
  });
});
