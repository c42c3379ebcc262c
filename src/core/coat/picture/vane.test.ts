/** Barbs of a feather: all inside it, and all over it. */
import { describe, expect, it } from 'vitest';
import { halfWidthAt } from '@/core/coat/cover/feather-shape';
import { seeded } from '@/core/random';
import { barb, barbLength } from './vane';

const o = { lengthMm: 14, widthMm: 4, tipMm: 3 };
const many = (n: number) => {
  const rnd = seeded(3);
  return Array.from({ length: n }, () => barb(o, rnd));
};

describe('barbs of a felted feather', () => {
  it('begin and end inside its outline', () => {
    for (const b of many(4000))
      for (const [u, v] of [
        [b.u0, b.v0],
        [b.u1, b.v1],
      ] as const) {
        expect(v).toBeGreaterThanOrEqual(-1e-9);
        expect(Math.abs(u)).toBeLessThanOrEqual(halfWidthAt(o, v) + 1e-3);
      }
  });
  it('leave no place of it open: every square millimetre is crossed', () => {
    const seen = new Set<string>();
    for (const b of many(6000))
      for (let q = 0; q <= 1; q += 0.02)
        seen.add(`${Math.floor(b.u0 + q * (b.u1 - b.u0))},${Math.floor(b.v0 + q * (b.v1 - b.v0))}`);
    for (let u = -2; u < 2; u++)
      for (let v = 0; v < 14; v++)
        if (halfWidthAt(o, v + 1) > Math.max(Math.abs(u), Math.abs(u + 1)) - 0.2)
          expect(seen, `${u},${v}`).toContain(`${u},${v}`);
  });
  it('are about as long as is said: so many are drawn', () => {
    const sides = many(20_000).filter((b) => !b.shaft);
    const mean = sides.reduce((s, b) => s + Math.hypot(b.u1 - b.u0, b.v1 - b.v0), 0) / sides.length;
    expect(Math.abs(mean / barbLength(o) - 1)).toBeLessThan(0.03);
  });
});
