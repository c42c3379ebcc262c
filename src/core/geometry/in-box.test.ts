import { describe, expect, it } from 'vitest';
import { stretchesIn } from './in-box';
import type { Vec3 } from './vec';

const unit = [
  [0, 1],
  [0, 1],
  [0, 1],
] as const;
const lengthOf = (lines: readonly (readonly Vec3[])[]): number =>
  lines.reduce(
    (sum, l) => sum + l.slice(1).reduce((s, b, i) => s + Math.hypot(...b.map((x, k) => x - l[i]![k]!)), 0),
    0,
  );

describe('what of a line runs in a box', () => {
  it('a line right through is cut at both sides', () => {
    expect(
      stretchesIn(
        [
          [-1, 0.5, 0.5],
          [3, 0.5, 0.5],
        ],
        unit,
      ),
    ).toEqual([
      [
        [0, 0.5, 0.5],
        [1, 0.5, 0.5],
      ],
    ]);
  });
  it('across its corners it has the length of the diagonal', () => {
    expect(
      lengthOf(
        stretchesIn(
          [
            [-1, -1, -1],
            [2, 2, 2],
          ],
          unit,
        ),
      ),
    ).toBeCloseTo(Math.sqrt(3), 12);
  });
  it('a bend inside stays one stretch; out and in again makes two', () => {
    const bent = stretchesIn(
      [
        [-1, 0.2, 0.5],
        [0.5, 0.2, 0.5],
        [0.5, 0.8, 0.5],
        [2, 0.8, 0.5],
      ],
      unit,
    );
    expect(bent).toHaveLength(1);
    expect(lengthOf(bent)).toBeCloseTo(0.5 + 0.6 + 0.5, 12);
    const away = stretchesIn(
      [
        [0.5, 0.5, 0.5],
        [0.5, 3, 0.5],
        [0.7, 3, 0.5],
        [0.7, 0.5, 0.5],
      ],
      unit,
    );
    expect(away.map((l) => lengthOf([l]))).toEqual([0.5, 0.5]);
  });
  it('what runs beside it, or only touches it, is left out', () => {
    expect(
      stretchesIn(
        [
          [-1, 2, 0.5],
          [2, 2, 0.5],
        ],
        unit,
      ),
    ).toEqual([]);
    expect(
      stretchesIn(
        [
          [-1, 1, 0.5],
          [0, 1, 0.5],
        ],
        unit,
      ),
    ).toEqual([]);
  });
  it('an open end does not cut', () => {
    const open = [unit[0], unit[1], [0, Infinity]] as const;
    expect(
      lengthOf(
        stretchesIn(
          [
            [0.5, 0.5, -2],
            [0.5, 0.5, 9],
          ],
          open,
        ),
      ),
    ).toBeCloseTo(9, 12);
  });
});
