import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { say } from '@/core/text';
import { plainStep } from '../../../demo/plain-step';
import { dropStep } from './drop';
import { planWork } from './order';

const op = (id: string, after: string[] = []) =>
  plainStep(
    id,
    after.map((x) => ({ id: x, why: say`${x} first`, strength: Infinity })),
  );

describe('dropping a step on another', () => {
  it('is refused across what holds it, by name; else it ends up on the side it was dropped to', () => {
    const graph = fc
      .integer({ min: 2, max: 9 })
      .chain((n) =>
        fc.tuple(
          fc.constant(n),
          fc.array(fc.tuple(fc.nat(n - 1), fc.nat(n - 1)), { maxLength: 14 }),
          fc.tuple(fc.nat(n - 1), fc.nat(n - 1)),
        ),
      );
    fc.assert(
      fc.property(graph, ([n, pairs, [from, to]]) => {
        fc.pre(from !== to);
        const ops = Array.from({ length: n }, (_, i) =>
          op(
            `s${i}`,
            pairs.filter(([a, b]) => b === i && a < b).map(([a]) => `s${a}`),
          ),
        );
        const { steps } = planWork(ops).result;
        const id = steps[from]!.operation.id;
        const onto = steps[to]!.operation.id;
        const drop = dropStep(steps, [], id, onto);
        if (!drop.ok) {
          // What forbids it is a tie that really holds.
          const text = drop.says.join('');
          const bound = to > from ? steps[from]!.latest : steps[from]!.earliest;
          expect(text).toContain(`step ${bound.number}`);
          return;
        }
        const { result, findings } = planWork(ops, drop.moves);
        const at = (x: string) => result.steps.findIndex((s) => s.operation.id === x);
        // Steps between that wait for each other in a chain may still forbid it; then it is said.
        if (findings.length === 0) expect(at(id) < at(onto)).toBe(to < from);
        else expect(findings[0]!.id).toBe(`order-move-${id}`);
        for (const t of result.ties) expect(at(t.before)).toBeLessThan(at(t.after));
      }),
      { numRuns: 400 },
    );
  });
  it('a newer move of a step takes the place of its older one', () => {
    const { steps } = planWork([op('a'), op('b'), op('c')]).result;
    const first = dropStep(steps, [], 'c', 'a');
    if (!first.ok) throw new Error('refused');
    const second = dropStep(steps, first.moves, 'c', 'b');
    expect(second.ok && second.moves).toEqual([{ operation: 'c', place: 'before', other: 'b' }]);
  });
});
