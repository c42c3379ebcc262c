import { describe, expect, it } from 'vitest';
import { stretchesIn, type Box3 } from './in-box';
import type { Vec3 } from './vec';

const UNIT: Box3 = [
  [0, 1],
  [0, 1],
  [0, 1],
];
/** Corners of a line as "x y z, x y z". */
const path = (words: string): Vec3[] => words.split(', ').map((p) => p.split(' ').map(Number) as unknown as Vec3);
const cut = (words: string, box = UNIT) => stretchesIn(path(words), box);
const lengths = (lines: readonly (readonly Vec3[])[]): number[] =>
  lines.map((l) => l.slice(1).reduce((s, b, i) => s + Math.hypot(...b.map((x, k) => x - l[i]![k]!)), 0));

describe('what of a line runs in a box', () => {
  it('a line right through is cut at both sides', () => {
    expect(cut('-1 0.5 0.5, 3 0.5 0.5')).toEqual([path('0 0.5 0.5, 1 0.5 0.5')]);
  });
  it('across its corners it has the length of the diagonal', () => {
    expect(lengths(cut('-1 -1 -1, 2 2 2'))[0]).toBeCloseTo(Math.sqrt(3), 12);
  });
  it('a bend inside stays one stretch; out and in again makes two', () => {
    const bent = lengths(cut('-1 0.2 0.5, 0.5 0.2 0.5, 0.5 0.8 0.5, 2 0.8 0.5'));
    expect(bent).toHaveLength(1);
    expect(bent[0]).toBeCloseTo(0.5 + 0.6 + 0.5, 12);
    expect(lengths(cut('0.5 0.5 0.5, 0.5 3 0.5, 0.7 3 0.5, 0.7 0.5 0.5'))).toEqual([0.5, 0.5]);
  });
  it('what runs beside it, or only touches it, is left out', () => {
    expect(cut('-1 2 0.5, 2 2 0.5')).toEqual([]);
    expect(cut('-1 1 0.5, 0 1 0.5')).toEqual([]);
  });
  it('an open end does not cut', () => {
    expect(lengths(cut('0.5 0.5 -2, 0.5 0.5 9', [UNIT[0]!, UNIT[1]!, [0, Infinity]]))[0]).toBeCloseTo(9, 12);
  });
});
