/** The picture of how thin a layer is: as much wool as it says, hiding as much as fibres at random hide. */
import { describe, expect, it } from 'vitest';
import { fibreMassPerMm, layerMass } from '@/core/wool/fibre';
import { thinFibres } from './thin-fibres';

const wool = { finenessUm: 21, finenessCv: 0.22 };

describe('a thin layer drawn', () => {
  it.each([0.1, 0.5, 1.2, 3])('%s mg/cm2 is as much fibre as weighs that', (areal) => {
    const { fibres, sideMm } = thinFibres(areal, wool, 5, 3);
    const long = fibres.reduce((s, f) => s + Math.hypot(f[2] - f[0], f[3] - f[1]), 0);
    expect((long * fibreMassPerMm(21, 0.22)) / (sideMm / 10) ** 2).toBeCloseTo(areal, 9);
    for (const f of fibres) for (const x of f) expect(Math.abs(x)).toBeLessThanOrEqual(2.5 + 1e-9);
  });
  // Poisson line process: the share left bare is exp(-n) for n layers (standard).
  it.each([0.5, 1.5, 4])('at %s mg/cm2 it leaves bare what a Poisson process of lines leaves', (areal) => {
    const n = (areal / layerMass.of({ fineness: 21, cv: 0.22 })) as number;
    let bare = 0;
    let all = 0;
    for (let seed = 1; seed <= 12; seed++) {
      const { fibres, thickMm } = thinFibres(areal, wool, 5, seed);
      for (let i = 0; i < 40; i++)
        for (let j = 0; j < 40; j++) {
          const [x, y] = [-2.4 + (4.8 * (i + 0.5)) / 40, -2.4 + (4.8 * (j + 0.5)) / 40];
          all++;
          const over = fibres.some(([x0, y0, x1, y1]) => {
            const long = Math.hypot(x1 - x0, y1 - y0);
            const off = Math.abs((x - x0) * (y1 - y0) - (y - y0) * (x1 - x0)) / long;
            const t = ((x - x0) * (x1 - x0) + (y - y0) * (y1 - y0)) / long;
            return off < thickMm / 2 && t > 0 && t < long;
          });
          if (!over) bare++;
        }
    }
    // Fibres vary in thickness by weight, not in the picture: 1 + CV2 fewer of the mean would weigh as much.
    expect(Math.abs(bare / all - Math.exp(-n))).toBeLessThan(0.03);
  });
  it('is the same every time and another for another seed', () => {
    expect(thinFibres(1, wool, 5, 7)).toEqual(thinFibres(1, wool, 5, 7));
    expect(thinFibres(1, wool, 5, 7)).not.toEqual(thinFibres(1, wool, 5, 8));
  });
});
