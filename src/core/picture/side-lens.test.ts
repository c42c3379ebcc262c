/** The finished picture beside a photograph and the pins on it: the same place in both. */
import { describe, expect, it } from 'vitest';
import { kingfisher, pineMarten } from '../../../demo/load';
import { makeBody } from '@/core/form/body';
import { landmarks, seenFlat } from '@/core/form/compare';
import { projector } from './lens';
import { sideLens } from './side-lens';

const box = { min: [-70, -30], max: [150, 130] } as const;

describe('a lens from the side of a photograph', () => {
  it.each(['left', 'front', 'above'] as const)('from %s shows every landmark where it is pinned', (side) => {
    for (const { form } of [pineMarten, kingfisher]) {
      const lens = sideLens(side, box, 1100);
      expect([lens.width, lens.height]).toEqual([1100, 800]);
      const m = projector(lens);
      for (const { at, name } of landmarks(makeBody(form))) {
        const [x, y] = seenFlat(at, side);
        const [u, v] = [0, 4].map((r) => m[r]! * at[0] + m[r + 1]! * at[1] + m[r + 2]! * at[2] + m[r + 3]!);
        expect(u, name).toBeCloseTo((x - box.min[0]) * 5, 6);
        expect(v, name).toBeCloseTo((box.max[1] - y) * 5, 6);
      }
    }
  });
});
