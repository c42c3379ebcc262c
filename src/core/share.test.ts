import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { COARSELY, planned } from '../../cli/testing/planned';
import { cupboard, pineMarten } from '../../demo/load';
import { defaultHand } from '@/core/piece/hand';
import { shared } from './share';

const tree = fc.letrec((tie) => ({
  node: fc.oneof(
    { maxDepth: 4 },
    fc.constantFrom(0, -0, NaN, 1, 'a', null, undefined, true),
    fc.array(fc.constantFrom(0, -0, NaN, 2), { maxLength: 3 }).map((x) => Float64Array.from(x)),
    fc.array(tie('node'), { maxLength: 3 }),
    fc.dictionary(fc.constantFrom('a', 'b', 'c'), tie('node')),
  ),
})).node;

describe('what is shown and what came anew', () => {
  it('the outcome always equals what came, and is what was shown exactly when the two are equal', () => {
    fc.assert(
      fc.property(tree, tree, (was, now) => {
        const came = structuredClone(now);
        const out = shared(was, now);
        expect(out).toEqual(came);
        expect(Object.is(out, was)).toBe(isEqual(was, came));
        expect(shared(was, structuredClone(was))).toBe(was);
      }),
      { numRuns: 400 },
    );
  });

  it('a change in one area of a plan keeps the skin and every other area', () => {
    const was = planned(pineMarten, cupboard, defaultHand, COARSELY);
    const edited = {
      ...pineMarten,
      areas: pineMarten.areas.map((a) =>
        a.id === 'tail' && a.coat.method === 'fold-over' ? { ...a, coat: { ...a.coat, spacingMm: 4 } } : a,
      ),
    };
    const fresh = planned(edited, cupboard, defaultHand, COARSELY);
    const now = shared(was, structuredClone(fresh));
    expect(now).toEqual(fresh);
    expect(now.form).toBe(was.form);
    const kept = now.coat.areas.filter((a, i) => a === was.coat.areas[i]).map((a) => a.id);
    expect(now.coat.areas.map((a) => a.id).filter((id) => !kept.includes(id))).toEqual(['tail']);
    expect(now.coat.areas.find((a) => a.id === 'tail')!.surface).toBe(
      was.coat.areas.find((a) => a.id === 'tail')!.surface,
    );
  });

  it('a part that two places share stays shared', () => {
    const part = { at: Float64Array.of(1, 2) };
    const out = shared({ a: { at: Float64Array.of(9) }, b: null }, { a: part, b: part });
    expect(out.a).toBe(out.b);
  });
});

/** Equal to the letter, minus zero and NaN told apart from others. */
function isEqual(a: unknown, b: unknown): boolean {
  if (Object.is(a, b)) return true;
  if (a === null || b === null || typeof a !== 'object' || typeof b !== 'object') return false;
  if (ArrayBuffer.isView(a) || ArrayBuffer.isView(b)) {
    if (!ArrayBuffer.isView(a) || !ArrayBuffer.isView(b)) return false;
    const [x, y] = [a as Float64Array, b as Float64Array];
    return x.length === y.length && x.every((v, i) => Object.is(v, y[i]));
  }
  if (Array.isArray(a) !== Array.isArray(b)) return false;
  const [x, y] = [a as Record<string, unknown>, b as Record<string, unknown>];
  const keys = Object.keys(x);
  return keys.length === Object.keys(y).length && keys.every((k) => k in y && isEqual(x[k], y[k]));
}
