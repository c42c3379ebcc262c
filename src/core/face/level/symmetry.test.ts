import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { seeded } from '@/core/random';
import { midline, type Flat, type Landmarks } from './symmetry';

const FACE: Landmarks = {
  pairs: [
    { id: 'eye', left: [8, 9], right: [-8, 9] },
    { id: 'ear', left: [12, 22], right: [-12, 22] },
    { id: 'mouth', left: [5, -3], right: [-5, -3] },
  ],
  singles: [
    { id: 'nose', at: [0, 0] },
    { id: 'chin', at: [0, -8] },
    { id: 'crown', at: [0, 24] },
  ],
};

/** Turned clockwise, shifted, with noise on every landmark. */
function moved(m: Landmarks, deg: number, shift: Flat, noise = 0, seed = 1): Landmarks {
  const r = seeded(seed);
  const a = (deg * Math.PI) / 180;
  const at = ([x, y]: Flat): Flat => [
    x * Math.cos(a) + y * Math.sin(a) + shift[0] + noise * (r() + r() - 1),
    -x * Math.sin(a) + y * Math.cos(a) + shift[1] + noise * (r() + r() - 1),
  ];
  return {
    pairs: m.pairs.map((p) => ({ ...p, left: at(p.left), right: at(p.right) })),
    singles: m.singles.map((s) => ({ ...s, at: at(s.at) })),
  };
}

const off = (m: Landmarks, id: string, by: Flat): Landmarks => ({
  ...m,
  pairs: m.pairs.map((p) => (p.id === id ? { ...p, left: [p.left[0] + by[0], p.left[1] + by[1]] as const } : p)),
});

describe('midline of a face', () => {
  it('recovers a known tilt and shift exactly without noise', () => {
    fc.assert(
      fc.property(
        fc.double({ min: -40, max: 40, noNaN: true }),
        fc.double({ min: -50, max: 50, noNaN: true }),
        fc.double({ min: -50, max: 50, noNaN: true }),
        (deg, x, y) => {
          const line = midline(moved(FACE, deg, [x, y]), 0.5)!;
          expect(line.leanDeg).toBeCloseTo(deg, 6);
          for (const p of line.pairs) {
            expect(p.higherMm).toBeCloseTo(0, 6);
            expect(p.widerMm).toBeCloseTo(0, 6);
          }
          expect(line.outliers).toEqual([]);
        },
      ),
    );
  });
  it('with noise of a few tenths stays within a degree and half a millimetre', () => {
    for (let seed = 1; seed <= 20; seed++) {
      const line = midline(moved(FACE, 7, [3, -2], 0.3, seed), 0.5)!;
      expect(Math.abs(line.leanDeg - 7)).toBeLessThan(1);
      for (const s of line.singles) expect(Math.abs(s.besideMm)).toBeLessThan(0.6);
    }
  });
  it('one bad click does not bend it, and is named', () => {
    for (const by of [
      [0, 6],
      [7, 0],
      [-5, -5],
    ] as const) {
      const line = midline(moved(off(FACE, 'ear', by), -4, [1, 1], 0.15, 3), 0.5)!;
      expect(line.outliers).toEqual(['ear']);
      expect(Math.abs(line.leanDeg + 4)).toBeLessThan(0.6);
    }
    const nose = { ...FACE, singles: FACE.singles.map((s) => (s.id === 'crown' ? { ...s, at: [6, 24] as Flat } : s)) };
    expect(midline(nose, 0.5)!.outliers).toEqual(['crown']);
  });
  it('a single eye set too high is measured in full', () => {
    const line = midline(moved(off(FACE, 'eye', [0.4, 1.2]), 10, [0, 0]), 0.5)!;
    const eye = line.pairs.find((p) => p.id === 'eye')!;
    expect(eye.higherMm).toBeGreaterThan(1);
    expect(eye.higherMm).toBeLessThan(1.3);
    expect(eye.widerMm).toBeGreaterThan(0.2);
    expect(eye.tiltDeg).toBeCloseTo((Math.atan2(eye.higherMm, 16.4) * 180) / Math.PI, 1);
  });
  it('is the least squares: no line near it fits better', () => {
    const marks = moved(FACE, 5, [2, 3], 0.4, 11);
    const line = midline(marks, 1e3)!; // Nothing counts as an outlier: plain least squares.
    const sum = (deg: number, shift: number) => {
      const a = ((line.leanDeg + deg) * Math.PI) / 180;
      const t: Flat = [Math.sin(a), Math.cos(a)];
      const n: Flat = [Math.cos(a), -Math.sin(a)];
      const c = n[0] * line.at[0] + n[1] * line.at[1] + shift;
      const d = (u: Flat, v: Flat) => u[0] * v[0] + u[1] * v[1];
      return (
        marks.pairs.reduce(
          (s, p) => s + (d(n, p.left) + d(n, p.right) - 2 * c) ** 2 + (d(t, p.left) - d(t, p.right)) ** 2,
          0,
        ) + marks.singles.reduce((s, p) => s + (2 * (d(n, p.at) - c)) ** 2, 0)
      );
    };
    const best = sum(0, 0);
    for (const deg of [-0.5, -0.1, 0.1, 0.5]) expect(sum(deg, 0)).toBeGreaterThan(best);
    for (const s of [-0.2, -0.05, 0.05, 0.2]) expect(sum(0, s)).toBeGreaterThan(best);
  });
  it('leverages add up to the two unknowns, and what lies far out holds the most', () => {
    const line = midline(FACE, 0.5)!;
    expect(line.leverage.reduce((s, l) => s + l.share, 0)).toBeCloseTo(2, 6);
    const of = (id: string) => line.leverage.find((l) => l.id === id)!.share;
    expect(of('ear')).toBeGreaterThan(of('mouth'));
    expect(of('crown')).toBeGreaterThan(of('nose'));
  });
  it('needs a pair, or two single landmarks', () => {
    expect(midline({ pairs: [], singles: [{ id: 'nose', at: [0, 0] }] }, 0.5)).toBeNull();
    expect(midline({ pairs: [FACE.pairs[0]!], singles: [] }, 0.5)!.leanDeg).toBeCloseTo(0, 6);
    const two = midline({ pairs: [], singles: [FACE.singles[0]!, { id: 'crown', at: [2.4, 24] }] }, 0.5)!;
    expect(Math.abs(two.leanDeg)).toBeCloseTo((Math.atan2(2.4, 24) * 180) / Math.PI, 6);
  });
});
