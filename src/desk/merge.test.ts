/** Edits done to another state of their document. Properties of the product itself. */
import fc from 'fast-check';
import { produce } from 'immer';
import { describe, expect, it } from 'vitest';
import { cupboard, pineMarten } from '../../demo/load';
import { readCupboard, readPiece } from '@/core/piece/read';
import type { Cupboard } from '@/core/piece/cupboard';
import { redone } from './merge';

const edit = <T>(before: T, recipe: (d: T) => void) => ({ before, after: produce(before, recipe as never) });
const lot = (id: string) => ({ ...cupboard.lots[0]!, id, name: id });

describe('an edit done to another state', () => {
  it('keeps both where they touch different things, whatever their places in the lists', () => {
    const mine = edit(cupboard, (c) => void (c.lots.find((l) => l.id === 'rust-top')!.haveG = 3));
    const theirs = produce(cupboard, (c) => {
      c.lots.splice(0, 2);
      c.lots.push(lot('new-grey'));
      c.lots.unshift(lot('new-white'));
    });
    const both = redone(mine, theirs)!;
    expect(both.lots.find((l) => l.id === 'rust-top')!.haveG).toBe(3);
    expect(both.lots.map((l) => l.id)).toEqual(theirs.lots.map((l) => l.id));
    expect(readCupboard(both).ok).toBe(true);
  });
  it('adds beside what another window added, at its own place', () => {
    const mine = edit(cupboard, (c) => void c.lots.push(lot('mine')));
    const theirs = produce(cupboard, (c) => void c.lots.push(lot('theirs')));
    const last = cupboard.lots.at(-1)!.id;
    expect(
      redone(mine, theirs)!
        .lots.slice(-3)
        .map((l) => l.id),
    ).toEqual([last, 'mine', 'theirs']);
  });
  it('does not fit where the same was changed otherwise, and then nothing of it is done', () => {
    const mine = edit(cupboard, (c) => {
      c.lots[0]!.haveG = 1;
      c.lots[1]!.haveG = 1;
    });
    expect(
      redone(
        mine,
        produce(cupboard, (c) => void (c.lots[1]!.haveG = 2)),
      ),
    ).toBeNull();
    expect(
      redone(
        mine,
        produce(cupboard, (c) => void c.lots.shift()),
      ),
    ).toBeNull();
    // Both did the same: that is no quarrel.
    expect(
      redone(
        mine,
        produce(cupboard, (c) => void (c.lots[1]!.haveG = 1)),
      )!.lots[0]!.haveG,
    ).toBe(1);
  });
  it('does not take out what was changed meanwhile, and takes out once what both took out', () => {
    const mine = edit(cupboard, (c) => void c.lots.shift());
    expect(
      redone(
        mine,
        produce(cupboard, (c) => void (c.lots[0]!.haveG += 5)),
      ),
    ).toBeNull();
    expect(redone(mine, mine.after)).toEqual(mine.after);
  });
  it('a way of laying is changed as a whole: a length set in the old way does not fit the new one', () => {
    const at = pineMarten.areas.findIndex((a) => a.coat.method === 'fold-over');
    const mine = edit(pineMarten, (p) => {
      const { coat } = p.areas[at]!;
      if (coat.method === 'fold-over') coat.spacingMm = 4;
    });
    const theirs = produce(pineMarten, (p) => void (p.areas[at]!.coat = { method: 'none' }));
    expect(redone(mine, theirs)).toBeNull();
  });
  it('strokes of the comb, which have no names, are put one behind the other', () => {
    const turn = (turnDeg: number) => ({ kind: 'turn' as const, where: { parts: ['trunk'] }, turnDeg });
    const mine = edit(pineMarten, (p) => void p.combs.push(turn(10)));
    const theirs = produce(pineMarten, (p) => void p.combs.push(turn(20)));
    const both = redone(mine, theirs)!;
    expect(both.combs.slice(-2)).toEqual([turn(20), turn(10)]);
    expect(readPiece(both).ok).toBe(true);
    // Taken back from under the other's: it no longer lies on top.
    expect(
      redone({ before: mine.after, after: mine.before }, redone({ before: pineMarten, after: theirs }, mine.after)!),
    ).toBeNull();
  });
});

/** Edits of a cupboard from three random numbers. */
const EDITS: readonly ((c: Cupboard, a: number, b: number) => void)[] = [
  (c, a, b) => void (c.lots[a % c.lots.length]!.haveG = b),
  (c, a, b) => void (c.lots[a % c.lots.length]!.name = `wool ${b}`),
  (c, a) => void (c.lots.length > 3 && c.lots.splice(a % c.lots.length, 1)),
  (c, a, b) => void (c.lots.some((l) => l.id === `n${b}`) || c.lots.splice(a % c.lots.length, 0, lot(`n${b}`))),
  (c, a) => void c.lots.push(...c.lots.splice(a % c.lots.length, 1)),
  (c, a, b) => void (c.needles[a % c.needles.length]!.count = b % 9),
  (c, a, b) =>
    void c.lots[a % c.lots.length]!.piles.push({ lengthMm: 20 + (b % 50), widthMm: 3, grade: 'good', count: 4 }),
  (c, a) => void c.lots[a % c.lots.length]!.piles.pop(),
];
const edits = fc.array(fc.tuple(fc.nat(EDITS.length - 1), fc.nat(50), fc.nat(50)), { minLength: 1, maxLength: 4 });
const put = (c: Cupboard, list: readonly (readonly [number, number, number])[]) =>
  list.reduce((doc, [e, a, b]) => produce(doc, (d) => EDITS[e]!(d as Cupboard, a, b)), c);

describe('random edits of a cupboard', () => {
  it('done to what they were made on give what they gave, and taken back give what was', () => {
    fc.assert(
      fc.property(edits, (list) => {
        const after = put(cupboard, list);
        const copy = structuredClone(cupboard);
        expect(redone({ before: cupboard, after }, copy)).toEqual(after);
        expect(redone({ before: after, after: cupboard }, structuredClone(after))).toEqual(cupboard);
      }),
      { numRuns: 300 },
    );
  });
  it('of two windows: where both fit, either order has all of both', () => {
    let fitted = 0;
    fc.assert(
      fc.property(edits, edits, (one, two) => {
        const [a, b] = [put(cupboard, one), put(cupboard, two)];
        const ab = redone({ before: cupboard, after: b }, a);
        const ba = redone({ before: cupboard, after: a }, b);
        if (!ab || !ba) return;
        fitted++;
        const things = (c: Cupboard) =>
          [...c.lots]
            .sort((x, y) => x.id.localeCompare(y.id))
            .map(({ piles, ...l }) => ({ ...l, piles: piles.length }));
        expect(things(ab)).toEqual(things(ba));
      }),
      { numRuns: 300 },
    );
    expect(fitted).toBeGreaterThan(60);
  });
});
