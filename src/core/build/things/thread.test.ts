/** Threads round parts and patterns of strips, against closed forms. */
import { describe, expect, it } from 'vitest';
import { plainTube } from '../../../../demo/plain-tube';
import { workForm } from '@/core/form/form';
import { enclosed } from '@/core/build/flat-parts';
import { bentStrip, disc, straightStrip } from './strip';
import { onThread, perimeter, threadsRound } from './thread';

const tube = (section?: { wide: number; over: number; under: number }) => {
  const part = plainTube('tube');
  const nodes = part.nodes.map((n) => (section ? { ...n, section } : n));
  return workForm({ parts: [{ ...part, nodes }], pose: [], scan: null, finishedLengthMm: 200 }, 1 / 120);
};
const round = { on: 'tube', side: 'left' as const, along: 0.5 };

describe('a thread drawn round a part', () => {
  it('is as long as a circle round a tube, and as an ellipse round an oval one', () => {
    const w = tube();
    // The tube is 1000 long and 200 across in its drawing: 40 mm across on 200 mm.
    const [t] = threadsRound(w.body, w.skin, round, [0])!;
    const r = 100 * w.body.scale;
    expect(t!.girthMm / (2 * Math.PI * r)).toBeCloseTo(1, 2);
    const oval = tube({ wide: 1.4, over: 0.8, under: 0.8 });
    const [o] = threadsRound(oval.body, oval.skin, round, [0])!;
    const [a, b] = [1.4 * 100 * oval.body.scale, 0.8 * 100 * oval.body.scale];
    // Perimeter of an ellipse (Ramanujan 1914, from memory), right to a millionth here.
    const h = ((a - b) / (a + b)) ** 2;
    const ellipse = Math.PI * (a + b) * (1 + (3 * h) / (10 + Math.sqrt(4 - 3 * h)));
    expect(Math.abs(o!.girthMm / ellipse - 1)).toBeLessThan(6e-3);
  });

  it('spans hollows: it lies along the convex hull', () => {
    // Corners of a square of 2 with one more in the middle of a side: no longer for it.
    const square = [
      [1, 1],
      [-1, 1],
      [-1, -1],
      [1, -1],
    ] as const;
    expect(perimeter(square)).toBe(8);
    // Straight up it meets the middle of the upper side, at 45 degrees to the left its corner, below the lower side.
    expect(onThread({ corners: square }, 0)[1]).toBeCloseTo(1, 12);
    expect(onThread({ corners: square }, 45)[0]).toBeCloseTo(1, 12);
    expect(onThread({ corners: square }, 45)[1]).toBeCloseTo(1, 12);
    expect(onThread({ corners: square }, 180)[1]).toBeCloseTo(-1, 12);
    expect(onThread({ corners: square }, -90)[0]).toBeCloseTo(-1, 12);
  });

  it('goes nowhere round a part that is not there', () => {
    const w = tube();
    expect(threadsRound(w.body, w.skin, { ...round, on: 'fin' }, [0])).toBeNull();
    // Beyond its end nothing is cut.
    expect(threadsRound(w.body, w.skin, round, [500])).toBeNull();
  });
});

describe('patterns of what goes round', () => {
  const at = (o: Float64Array, i: number): [number, number] => [o[2 * i]!, o[2 * i + 1]!];
  const way = (o: Float64Array, from: number, to: number) => {
    let l = 0;
    for (let i = from; i < to; i++) l += Math.hypot(at(o, i + 1)[0] - at(o, i)[0], at(o, i + 1)[1] - at(o, i)[1]);
    return l;
  };

  it.each([
    [60, 90, 20, 0],
    [90, 60, 20, 5],
    [100, 101, 12, 8],
  ])('a wall of edges %d and %d, %d wide, overlapping by %d, is part of a ring', (lower, upper, wide, overlap) => {
    const o = bentStrip(lower, upper, wide, overlap);
    const half = o.length / 4;
    expect(way(o, 0, half - 1)).toBeCloseTo(lower + overlap, 1);
    expect(way(o, half, 2 * half - 1)).toBeCloseTo(upper + overlap, 1);
    // Area between two arcs: their mean length times how far they are apart.
    expect(enclosed(o) / (((lower + upper) / 2 + overlap) * wide)).toBeCloseTo(1, 3);
    // Its ends are as long as it is wide, and its two halves mirror each other.
    expect(Math.hypot(at(o, half - 1)[0] - at(o, half)[0], at(o, half - 1)[1] - at(o, half)[1])).toBeCloseTo(wide, 6);
    expect(at(o, 0)[0]).toBeCloseTo(-at(o, half - 1)[0], 9);
    expect(Math.min(...o.filter((_, i) => i % 2 === 1))).toBeCloseTo(0, 9);
  });

  it('a strip of like edges is straight, a bottom is round', () => {
    expect(Array.from(bentStrip(50, 50, 10, 4))).toEqual(Array.from(straightStrip(54, 10)));
    expect(enclosed(straightStrip(54, 10))).toBe(540);
    expect(enclosed(disc(60)) / (Math.PI * 30 ** 2)).toBeCloseTo(1, 2);
  });
});
