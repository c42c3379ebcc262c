import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import type { Pile } from '@/core/piece/cupboard';
import { allotLocks, qualityOf } from './lock-allotment';
import { seatsOf, seenFacing, type LockSeat } from './lock-seats';
import type { Row } from '@/core/coat/rows/rows';

const pile = (lengthMm: number, widthMm: number, grade: Pile['grade'], count: number): Pile => ({
  lengthMm,
  widthMm,
  grade,
  count,
});
const seat = (course: number, count: number, seen: number, needMm = 10, widestMm = 1e6): LockSeat => ({
  areaId: 'back',
  course,
  count,
  needMm,
  widestMm,
  seen,
});

/** Every way of giving single locks to single seats, tried one by one: most seats filled, then most quality seen. */
function bruteForce(piles: readonly Pile[], seats: readonly LockSeat[]): { filled: number; value: number } {
  const locks = piles.flatMap((p) => Array.from({ length: p.count }, () => p));
  const places = seats.flatMap((s) => Array.from({ length: s.count }, () => s));
  let best = { filled: -1, value: -1 };
  const used = new Array<boolean>(locks.length).fill(false);
  const go = (i: number, filled: number, value: number) => {
    if (i === places.length) {
      if (filled > best.filled || (filled === best.filled && value > best.value + 1e-12)) best = { filled, value };
      return;
    }
    const s = places[i]!;
    go(i + 1, filled, value);
    const tried = new Set<Pile>();
    locks.forEach((p, k) => {
      if (used[k] || tried.has(p) || p.lengthMm < s.needMm || p.widthMm > s.widestMm) return;
      tried.add(p);
      used[k] = true;
      go(i + 1, filled + 1, value + qualityOf(p) * s.seen);
      used[k] = false;
    });
  };
  go(0, 0, 0);
  return best;
}

describe('sharing out sorted locks', () => {
  it('gives the best to the places most seen: the rearrangement inequality', () => {
    const a = allotLocks(
      [pile(30, 3, 'plain', 5), pile(30, 3, 'best', 3), pile(30, 3, 'good', 4)],
      [seat(1, 4, 0.2), seat(2, 4, 0.9), seat(3, 4, 0.5)],
    );
    const of = (course: number) => a.shares.filter((s) => s.course === course).map((s) => [s.pile, s.count]);
    expect(of(2)).toEqual([
      [1, 3],
      [2, 1],
    ]);
    expect(of(3)).toEqual([
      [0, 1],
      [2, 3],
    ]);
    expect(of(1)).toEqual([[0, 4]]);
    expect(a.short).toEqual([]);
  });

  it('fills as many seats as can be filled and sees as much quality as any way does', () => {
    const grade = fc.constantFrom<Pile['grade']>('best', 'good', 'plain');
    fc.assert(
      fc.property(
        fc.array(
          fc.tuple(
            fc.integer({ min: 5, max: 30 }),
            fc.integer({ min: 1, max: 6 }),
            grade,
            fc.integer({ min: 0, max: 3 }),
          ),
          {
            minLength: 1,
            maxLength: 3,
          },
        ),
        fc.array(
          fc.tuple(
            fc.integer({ min: 1, max: 2 }),
            fc.double({ min: 0.1, max: 1, noNaN: true }),
            fc.integer({ min: 5, max: 30 }),
            fc.integer({ min: 1, max: 7 }),
          ),
          { minLength: 1, maxLength: 3 },
        ),
        (p, s) => {
          const piles = p.map((x) => pile(...x));
          const seats = s.map(([count, seen, need, widest], i) => seat(i + 1, count, seen, need, widest));
          const a = allotLocks(piles, seats);
          const best = bruteForce(piles, seats);
          expect(a.shares.reduce((n, x) => n + x.count, 0)).toBe(best.filled);
          expect(a.value).toBeCloseTo(best.value, 9);
          // Nothing is given out twice, and everything fits.
          piles.forEach((q, i) => {
            expect(a.shares.filter((x) => x.pile === i).reduce((n, x) => n + x.count, 0)).toBeLessThanOrEqual(q.count);
          });
          for (const x of a.shares) {
            expect(piles[x.pile]!.lengthMm).toBeGreaterThanOrEqual(seats[x.course - 1]!.needMm);
            expect(piles[x.pile]!.widthMm).toBeLessThanOrEqual(seats[x.course - 1]!.widestMm);
          }
          seats.forEach((q) => {
            const given = a.shares.filter((x) => x.course === q.course).reduce((n, x) => n + x.count, 0);
            const short = a.short.filter((x) => x.course === q.course).reduce((n, x) => n + x.count, 0);
            expect(given + short).toBe(q.count);
          });
        },
      ),
      { numRuns: 120 },
    );
  });

  it('says what is short when locks are too short or too few', () => {
    expect(allotLocks([pile(8, 3, 'best', 50)], [seat(1, 5, 0.5, 10)]).short).toEqual([
      { areaId: 'back', course: 1, count: 5 },
    ]);
    expect(allotLocks([], [seat(1, 2, 0.5)]).short[0]!.count).toBe(2);
  });
});

describe('the places locks sit', () => {
  it('are seen most on top, hardly from below', () => {
    expect(seenFacing(0, 1, 0)).toBeGreaterThan(seenFacing(1, 0, 0));
    expect(seenFacing(1, 0, 0)).toBeGreaterThan(seenFacing(0, -1, 0));
  });
  it('count a lock a pitch, and want narrow ones where a ring is tight', () => {
    const points = new Float64Array(6);
    const up = Float64Array.of(0, 1, 0, 0, 1, 0);
    const row = (lengthMm: number, closed: boolean, number: number): Row => ({
      number,
      atMm: 0,
      up: 0,
      share: 0,
      half: false,
      lengthMm,
      pieces: [{ closed, lengthMm, component: 0, points, normal: up, lie: up }],
    });
    const [flat, ring] = seatsOf('neck', [row(61, false, 1), row(2 * Math.PI * 4, true, 2)], 6, 20) as [
      LockSeat,
      LockSeat,
    ];
    expect([flat.count, flat.widestMm > 1e5, flat.needMm]).toEqual([11, true, 20]);
    expect(ring.widestMm).toBeCloseTo(4, 9);
    expect(flat.seen).toBeCloseTo(0.5, 9);
  });
});
