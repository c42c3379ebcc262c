import { ref } from '@/core/ref';
import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import type { Operation } from '@/core/stage';
import { say } from '@/core/text';
import { planWork } from './order';

const op = (
  id: string,
  after: [string, number][] = [],
  lightness = 50,
  kind: Operation['kind'] = 'lay',
): Operation => ({
  id,
  stage: 'coat',
  about: ref('area', id.replace(/^(cut|lay)-/, '')),
  restsOn: [],
  materials: [],
  tools: [],
  does: say`do ${id}`,
  kind,
  cutLengthMm: null,
  rows: 0,
  passes: null,
  needlework: null,
  work: { step: 1 },
  minutes: 3,
  after: after.map(([before, strength]) => ({ id: before, why: say`${before} first`, strength })),
  lightness,
  caution: null,
});
const order = (ops: Operation[]) => planWork(ops).result.steps.map((s) => s.operation.id);

describe('the order of operations', () => {
  it('keeps ties, then pale before dark, then the order given', () => {
    expect(order([op('lay-a', [], 20), op('lay-b', [], 90), op('lay-c', [], 90)])).toEqual(['lay-b', 'lay-c', 'lay-a']);
    expect(order([op('lay-a', [['lay-c', 1]], 90), op('lay-b', [], 30), op('lay-c', [], 10)])).toEqual([
      'lay-b',
      'lay-c',
      'lay-a',
    ]);
  });

  it('lays what was cut before cutting anything else', () => {
    const ops = [
      op('lay-a', [['cut-a', Infinity]], 40),
      op('cut-a', [], 40, 'cut'),
      op('lay-b', [['cut-b', Infinity]], 80),
      op('cut-b', [], 80, 'cut'),
    ];
    expect(order(ops)).toEqual(['cut-b', 'lay-b', 'cut-a', 'lay-a']);
  });

  it('lets go the weakest tie of a ring, and says so', () => {
    const ops = [op('lay-a', [['lay-c', 9]]), op('lay-b', [['lay-a', 2]]), op('lay-c', [['lay-b', 5]])];
    const plan = planWork(ops);
    expect(plan.result.steps.map((s) => s.operation.id)).toEqual(['lay-b', 'lay-c', 'lay-a']);
    expect(plan.findings.map((f) => f.id)).toEqual(['order-ring-a-b']);
  });

  it('holds every tie of any graph without rings, the same every time', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 1, max: 24 }).chain((n) =>
          fc.tuple(
            fc.shuffledSubarray(
              Array.from({ length: n }, (_, i) => i),
              { minLength: n, maxLength: n },
            ),
            fc.array(fc.tuple(fc.nat(n - 1), fc.nat(n - 1)), { maxLength: 60 }),
            fc.array(fc.nat(100), { minLength: n, maxLength: n }),
          ),
        ),
        ([rank, pairs, light]) => {
          // Ties only from lower to higher rank: no ring can arise.
          const ties = pairs.filter(([a, b]) => rank[a]! < rank[b]!);
          const ops = rank.map((_, i) =>
            op(
              `lay-${i}`,
              ties.filter(([, b]) => b === i).map(([a]) => [`lay-${a}`, 1]),
              light[i],
            ),
          );
          const plan = planWork(ops);
          const at = new Map(plan.result.steps.map((s, i) => [s.operation.id, i]));
          expect(plan.findings).toEqual([]);
          expect(at.size).toBe(ops.length);
          for (const [a, b] of ties) expect(at.get(`lay-${a}`)!).toBeLessThan(at.get(`lay-${b}`)!);
          expect(order(ops)).toEqual(plan.result.steps.map((s) => s.operation.id));
        },
      ),
    );
  });

  it('orders everything whatever the rings, and loses no operation', () => {
    fc.assert(
      fc.property(
        fc.array(fc.tuple(fc.nat(9), fc.nat(9), fc.integer({ min: 1, max: 9 })), { maxLength: 40 }),
        (pairs) => {
          const ops = Array.from({ length: 10 }, (_, i) =>
            op(
              `lay-${i}`,
              pairs.filter(([a, b]) => b === i && a !== b).map(([a, , s]) => [`lay-${a}`, s]),
            ),
          );
          expect(new Set(order(ops)).size).toBe(10);
        },
      ),
    );
  });

  it('adds up the minutes', () => {
    expect(planWork([op('lay-a'), op('lay-b')]).result.minutes).toBe(6);
    expect(planWork([]).result.steps).toEqual([]);
  });
});
