/** What is packed for a browser comes out as it went in. */
import { describe, expect, it } from 'vitest';
import { pineMarten } from '../../demo/load';
import { packed, unpacked } from './packed';
import { planned } from './planned';

const written = (x: unknown) =>
  JSON.stringify(x, (_k, v: unknown) => (ArrayBuffer.isView(v) ? Array.from(v as Float64Array) : v));

describe('a packed plan', () => {
  it('comes out equal, with its arrays, its endless numbers and what it shares', () => {
    const plan = planned(pineMarten);
    const out = unpacked(packed(plan)) as typeof plan;
    expect(written(out)).toBe(written(plan));
    expect(out.form.skin.positions).toBeInstanceOf(Float64Array);
    const shared = { at: Float64Array.of(1, 2, Infinity), none: undefined, last: NaN };
    const pair = unpacked(packed([shared, shared, new Map([['a', NaN]])])) as [typeof shared, typeof shared, unknown];
    expect(pair[0]).toBe(pair[1]);
    expect(pair).toEqual([shared, shared, new Map([['a', NaN]])]);
  });
});
