/** The memory: by what a value was made from, equal parts by content, nothing kept that nobody asks for. Properties of the product itself. */
import { describe, expect, it } from 'vitest';
import { alike } from './alike';
import { Memo } from './memo';

const twice = (x: { readonly n: number }) => ({ n: 2 * x.n });

describe('memory', () => {
  it('makes a value once for the same object and for one with the same content, anew for another', () => {
    const m = new Memo();
    const a = { n: 3 };
    const first = m.keep('s', [a], twice);
    expect(m.keep('s', [a], twice)).toBe(first);
    expect(m.keep('s', [{ n: 3 }], twice)).toBe(first);
    expect(m.made.get('s')).toBe(1);
    expect(m.keep('s', [{ n: 4 }], twice)).toEqual({ n: 8 });
    expect(m.made.get('s')).toBe(2);
  });
  it('lets go of what was not asked for since the last time', () => {
    const m = new Memo();
    m.keep('a', [1], (n) => n);
    m.keep('b', [2], (n) => n);
    m.letGo();
    m.keep('a', [1], (n) => n);
    m.letGo();
    expect(m.last('a')?.value).toBe(1);
    expect(m.last('b')).toBeUndefined();
  });
  it('stores plain data only, also where something that acts was met before', () => {
    const m = new Memo();
    const acts = { at: () => 1 };
    m.keep('acts', ['x'], (name) => Object.assign(acts, { name }));
    m.keep('plain', [new Float64Array([1, 2])], (x) => [...x]);
    // Made from what cannot be stored, it cannot be told to be up to date when it is read back.
    m.keep('from', [acts], (x) => x.at() + 5);
    m.keep('from-again', [acts], (x) => x.at() + 6);
    const stored = structuredClone(m.lasting());
    expect(stored.map(([slot]) => slot)).toEqual(['plain']);
    const other = new Memo();
    other.recall(stored);
    other.keep('plain', [new Float64Array([1, 2])], (x) => [...x]);
    expect(other.made.size).toBe(0);
  });
});

describe('alike', () => {
  const a = { list: [1, { x: 'y' }], bytes: new Uint8Array([1, 2]), none: null, gap: undefined };
  it('looks all the way down', () => {
    expect(alike(a, structuredClone(a))).toBe(true);
    for (const [b, why] of [
      [{ ...a, list: [1, { x: 'z' }] }, 'a word deep inside'],
      [{ ...a, list: [1] }, 'a shorter list'],
      [{ ...a, bytes: new Uint8Array([1, 3]) }, 'a number'],
      [{ ...a, bytes: new Uint16Array([1, 2]) }, 'another kind of numbers'],
      [{ ...a, none: undefined }, 'nothing instead of none'],
      [{ list: a.list, bytes: a.bytes, none: null, other: undefined }, 'another name'],
      [{ ...a, more: 1 }, 'one more'],
      [{ ...a, list: { 0: 1, 1: { x: 'y' } } }, 'a record instead of a list'],
    ] as const)
      expect(alike(a, b), why).toBe(false);
    // Zero and minus zero give different plans: 1 / x.
    expect(alike([0], [-0])).toBe(false);
    expect(alike([NaN], [NaN])).toBe(true);
  });
  it('takes what acts as itself only', () => {
    const f = () => 1;
    expect(alike({ f }, { f })).toBe(true);
    expect(alike({ f }, { f: () => 1 })).toBe(false);
    expect(alike(new Map([[1, 2]]), new Map([[1, 2]]))).toBe(false);
  });
});
