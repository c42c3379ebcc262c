/** Time of work: sums, spans against a simulation of many makers, and what makers know of how long things take. */
import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { defaultHand as hand } from '@/core/piece/hand';
import { normal, seeded } from '@/core/random';
import { ELEMENT_NAMES, ELEMENTS, meanOf, minutesFor, stabsAMinute, type ElementName, type Work } from './elements';
import { both, minutesOf, REWORK, spanOf, takes, timeFigure, together } from './work-time';

const work: fc.Arbitrary<Work> = fc
  .array(fc.tuple(fc.constantFrom(...ELEMENT_NAMES), fc.double({ min: 0.2, max: 400, noNaN: true })), {
    minLength: 1,
    maxLength: 8,
  })
  .map((list) => Object.fromEntries(list) as Work);

describe('elements of the work', () => {
  it('rise from low to high, and the mean lies between likely and high: what drags, drags longer', () => {
    for (const name of ELEMENT_NAMES) {
      const { low, likely, high } = ELEMENTS[name];
      expect(low).toBeLessThan(likely);
      expect(likely).toBeLessThan(high);
      expect(high - likely, name).toBeGreaterThan(likely - low);
      expect(meanOf(ELEMENTS[name])).toBeGreaterThan(likely);
    }
  });

  it('the maker’s own take the place of first values', () => {
    const own = { times: { lock: { low: 1, likely: 2, high: 3 } } };
    expect(minutesFor(own, 'lock').likely).toBe(2);
    expect(minutesFor(own, 'bow')).toBe(ELEMENTS.bow);
    expect(stabsAMinute({ times: { surfaceStabs: { low: 0.5, likely: 0.5, high: 0.5 } } })).toBeCloseTo(200, 9);
  });
});

describe('time of some work', () => {
  it('is that of all its elements, with what is done again, whatever it is put together from', () => {
    fc.assert(
      fc.property(work, work, fc.double({ min: 0, max: 1, noNaN: true }), (a, b, share) => {
        const [ta, tb] = [minutesOf(hand, a), minutesOf(hand, b)];
        expect(minutesOf(hand, both(a, b))).toBeCloseTo(ta + tb, 6);
        expect(minutesOf(hand, together([{ work: a, share }]))).toBeCloseTo(share * ta, 6);
        expect(takes(hand, a).minutes).toBe(timeFigure(hand, a).value);
      }),
    );
    const named = both({ row: 3 }, { row: 2, pinch: 1 });
    expect(named).toEqual({ row: 5, pinch: 1 });
  });
});

/** Many makers, each with a hand of its own, elements off by as much as they are known, and every repetition by chance. */
function simulate(w: Work, seed: number, makers = 4000): number[] {
  const rnd = seeded(seed);
  // A factor with a mean of one.
  const factor = (s: number) => Math.exp(s * normal(rnd) - (s * s) / 2);
  const again = Math.log(REWORK.high / REWORK.low) / 2.563;
  return Array.from({ length: makers }, () => {
    let sum = 0;
    for (const e of Object.keys(w) as ElementName[]) {
      const { low, high } = ELEMENTS[e];
      const off = Math.log(high / low) / 2.563;
      const own = factor(Math.sqrt(Math.max(off ** 2 - 0.3 ** 2, 0.15 ** 2)));
      let n = 0;
      // Repetitions one by one where they are few, else their sum at once.
      const count = w[e]!;
      if (count <= 40) for (let i = 0; i < count; i++) n += factor(0.35);
      else n = count + Math.sqrt(count) * 0.35 * normal(rnd);
      sum += meanOf(ELEMENTS[e]) * own * n;
    }
    // The hand all elements share goes by its middle, not its mean.
    return sum * Math.exp(0.3 * normal(rnd)) * meanOf(REWORK) * Math.exp(again * normal(rnd));
  });
}

describe('span of a whole piece', () => {
  const piece: Work = {
    step: 40,
    corePart: 6,
    coreStabs: 30,
    row: 60,
    pinch: 250,
    rowCm: 150,
    trimCm2: 90,
    nose: 1,
    eyesSet: 1,
  };

  it.each([
    ['a whole piece', piece],
    ['a few repetitions', { step: 3, row: 5, pinch: 20 }],
    ['one thing often', { lock: 500 }],
  ] as [string, Work][])('of %s holds what eight in ten of many makers take', (_, w) => {
    const times = simulate(w, 7).sort((a, b) => a - b);
    const below = (share: number) => times[Math.round(share * times.length)]!;
    const s = spanOf(hand, w);
    expect(Math.abs(s.low / below(0.1) - 1)).toBeLessThan(0.05);
    expect(Math.abs(s.likely / below(0.5) - 1)).toBeLessThan(0.05);
    expect(Math.abs(s.high / below(0.9) - 1)).toBeLessThan(0.05);
  });

  it('does not shrink to nothing however often work repeats, and more work takes longer', () => {
    const many = spanOf(hand, together([{ work: piece, share: 100 }]));
    expect(many.high / many.low).toBeGreaterThan(2);
    fc.assert(
      fc.property(work, work, (a, b) => {
        const [one, more] = [spanOf(hand, a), spanOf(hand, both(a, b))];
        expect(more.likely).toBeGreaterThan(one.likely * 0.999);
        expect(one.low).toBeLessThan(one.likely);
        expect(one.likely).toBeLessThan(one.high);
      }),
    );
    expect(spanOf(hand, {})).toEqual({ low: 0, likely: 0, high: 0 });
  });
});

describe('what makers know', () => {
  // Common practice: 3 g of carded wool to a workable small body in about five minutes of stabbing.
  it('a small body of 3 g is workable in about five minutes', () => {
    const t = spanOf(hand, { coreStabs: (30 * 30) / 100 });
    expect(t.low).toBeLessThan(5.5);
    expect(t.likely).toBeLessThan(8.5);
  });

  // Common practice: a very simple bird takes tens of minutes; with a coat in pieces, a beak and two eyes some hours.
  it('a very simple bird takes tens of minutes, a covered one some hours', () => {
    const plain: Work = { step: 5, corePart: 1, coreStabs: 9, coreLook: 2, piece: 6, surfaceStabs: 6, look: 1 };
    const t = spanOf(hand, plain);
    expect(t.likely).toBeGreaterThan(25);
    expect(t.likely).toBeLessThan(60);
    const covered = both(plain, {
      corePart: 1,
      coreStabs: 21,
      joint: 1,
      piece: 14,
      surfaceStabs: 20,
      nose: 1,
      eyeMade: 0.8,
      eyesSeated: 1,
      eyesSet: 1,
      finish: 1,
    });
    expect(spanOf(hand, covered).likely).toBeGreaterThan(90);
    expect(spanOf(hand, covered).high).toBeLessThan(6 * 60);
  });
});
