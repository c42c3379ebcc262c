/** What a heap gives, against sorting. */
import fc from 'fast-check';
import { expect, it } from 'vitest';
import { Heap } from './heap';

it('gives the least key first, of equal keys the least number, and a thing as often as it was put in', () => {
  fc.assert(
    fc.property(fc.array(fc.tuple(fc.nat(9), fc.integer({ min: -5, max: 5 }))), (put) => {
      const h = new Heap();
      put.forEach(([thing, key]) => h.put(thing, key));
      const sorted = [...put].sort(([a, k], [b, l]) => k - l || a - b).map(([thing]) => thing);
      expect(put.map(() => h.take())).toEqual(sorted);
      expect(h.take()).toBe(-1);
    }),
  );
});
it('takes what is put in meanwhile in its turn', () => {
  const h = new Heap();
  h.put(1, 5);
  h.put(2, 3);
  expect(h.take()).toBe(2);
  h.put(3, 4);
  h.put(1, 2);
  expect([h.take(), h.take(), h.take(), h.take()]).toEqual([1, 3, 1, -1]);
});
