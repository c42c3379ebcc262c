/** The grid round a skin, and fibres that grow along it: closed forms on a ball. */
import { describe, expect, it } from 'vitest';
import { PLAIN_PILE, type Pile } from '@/core/coat/picture/pile';
import { seeded } from '@/core/random';
import { FibreBed, grower, SEGMENTS } from './fibres';
import { cellAt, heightIn, skinField } from './skin-field';

const R = 20;
/** Points spread evenly over a ball (a golden spiral), its fur lying down. */
function ball(n: number) {
  const positions = new Float64Array(3 * n);
  const normals = new Float64Array(3 * n);
  const lie = new Float64Array(3 * n);
  for (let i = 0; i < n; i++) {
    const y = 1 - (2 * (i + 0.5)) / n;
    const r = Math.sqrt(1 - y * y);
    const a = i * Math.PI * (3 - Math.sqrt(5));
    const d = [r * Math.cos(a), y, r * Math.sin(a)];
    for (let k = 0; k < 3; k++) {
      positions[3 * i + k] = R * d[k]!;
      normals[3 * i + k] = d[k]!;
    }
    // Down, flattened on the ball.
    const down = [y * d[0]!, y * d[1]! - 1, y * d[2]!];
    const size = Math.hypot(...down) || 1;
    for (let k = 0; k < 3; k++) lie[3 * i + k] = down[k]! / size;
  }
  return { positions, normals, lie };
}
const { positions, normals, lie } = ball(4000);
const field = skinField(positions, normals, lie, 0.8);
const rnd = seeded(3);
const somewhere = (r: number): [number, number, number] => {
  const y = 1.6 * rnd() - 0.8;
  const a = 2 * Math.PI * rnd();
  const w = Math.sqrt(1 - y * y);
  return [r * w * Math.cos(a), r * y, r * w * Math.sin(a)];
};

describe('the grid round a ball', () => {
  it('knows how high a place is over it, and which way is out and down', () => {
    for (let i = 0; i < 300; i++) {
      const high = 7 * rnd() - 2;
      const p = somewhere(R + high);
      const c = cellAt(field, ...p);
      expect(c).toBeGreaterThanOrEqual(0);
      expect(Math.abs(heightIn(field, c, ...p) - high)).toBeLessThan(0.25 + 0.05 * Math.abs(high));
      const out = [0, 1, 2].reduce((s, k) => s + (field.ways[6 * c + k]! * p[k]!) / (R + high), 0);
      expect(out).toBeGreaterThan(0.995);
      expect(field.ways[6 * c + 4]!).toBeLessThan(0);
    }
  });
  it('knows nothing far off', () => {
    expect(cellAt(field, 2 * R, 0, 0)).toBe(-1);
    expect(cellAt(field, 0, 0, 0)).toBe(-1);
  });
});

describe('fibres on a ball', () => {
  const pile: Pile = {
    ...PLAIN_PILE,
    hemMm: 12,
    topMm: 12,
    liftDeg: 20,
    kappa: 0.8,
    crimpMm: 0,
    crimpDepthMm: 0,
    colour: '#6b4426',
    tipColour: null,
    tipShare: 0,
  };
  const grown = (of: Partial<Pile>, n = 800) => {
    const bed = new FibreBed(n);
    const grow = grower(bed, field, { ...pile, ...of }, 5);
    for (let i = 0; i < n; i++) {
      const [x, y, z] = somewhere(R);
      const N: [number, number, number] = [x / R, y / R, z / R];
      const down = [N[1] * N[0], N[1] * N[1] - 1, N[1] * N[2]];
      const size = Math.hypot(...down);
      grow(
        {
          x,
          y,
          z,
          n: N,
          l: [down[0]! / size, down[1]! / size, down[2]! / size],
          run: 40 * rnd(),
          along: 0,
          row: 1,
          piece: null,
          near: 0,
        },
        12,
        0.02,
        0,
      );
    }
    return bed;
  };
  const lengthOf = (bed: FibreBed, f: number): number => {
    let s = 0;
    for (let k = 0; k < SEGMENTS; k++) {
      const i = 3 * ((SEGMENTS + 1) * f + k);
      s += Math.hypot(...[0, 1, 2].map((q) => bed.points[i + 3 + q]! - bed.points[i + q]!));
    }
    return s;
  };
  it('are as long as asked, follow it down, and never run into it', () => {
    const bed = grown({});
    let [mean, down] = [0, 0];
    for (let f = 0; f < bed.count; f++) {
      mean += lengthOf(bed, f) / bed.count;
      const i = 3 * (SEGMENTS + 1) * f;
      const tip = i + 3 * SEGMENTS;
      if (bed.points[tip + 1]! < bed.points[i + 1]!) down++;
      for (let k = 1; k <= SEGMENTS; k++) {
        const r = Math.hypot(bed.points[i + 3 * k]!, bed.points[i + 3 * k + 1]!, bed.points[i + 3 * k + 2]!);
        expect(r).toBeGreaterThan(R - 0.1);
        // Not higher than a straight fibre at twice the lift would reach.
        expect(r).toBeLessThan(R + 12 * Math.sin((40 * Math.PI) / 180));
      }
    }
    expect(Math.abs(mean / 12 - 1)).toBeLessThan(0.06);
    expect(down / bed.count).toBeGreaterThan(0.97);
  });
  it('stand higher the more they are lifted, and shorter in a straight line the more they wave', () => {
    const high = (bed: FibreBed) => {
      let s = 0;
      for (let f = 0; f < bed.count; f++) {
        const i = 3 * ((SEGMENTS + 1) * f + SEGMENTS);
        s += Math.hypot(bed.points[i]!, bed.points[i + 1]!, bed.points[i + 2]!) - R;
      }
      return s / bed.count;
    };
    const [flat, lifted] = [high(grown({ liftDeg: 10 })), high(grown({ liftDeg: 40 }))];
    expect(lifted).toBeGreaterThan(1.7 * flat);
  });
  it('are the same every time', () => {
    const of = () => {
      const bed = new FibreBed(1);
      grower(bed, field, pile, 9)(
        { x: R, y: 0, z: 0, n: [1, 0, 0], l: [0, -1, 0], run: 3, along: 0, row: 4, piece: null, near: 0 },
        10,
        0.02,
        0,
      );
      return [...bed.points];
    };
    expect(of()).toEqual(of());
  });
});
