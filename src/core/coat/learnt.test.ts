import { describe, expect, it } from 'vitest';
import { planned } from '../../../cli/testing/planned';
import { cupboard, pineMarten } from '../../../demo/load';
import type { FoldOver, Wisps } from '@/core/piece/coat';
import type { Swatch } from '@/core/piece/cupboard';
import { defaultHand as hand } from '@/core/piece/hand';
import type { Figure } from '@/core/method/define';
import { spanOfFigure } from '@/core/method/span';
import { methodOf } from '@/core/methods';
import { asLearnt, learntFrom } from './learnt';
import { wayOf } from './ways';

const lot = cupboard.lots.find((l) => l.id === 'cream-top')!;
const bib = pineMarten.areas.find((a) => a.id === 'bib')!.coat as FoldOver;
const swatch = (change: Partial<Swatch>): Swatch => ({
  id: `s${Math.abs(JSON.stringify(change).length)}`,
  name: 'Throat bib',
  at: '2026-03-01T09:00:00Z',
  coat: bib,
  diameterMm: 40,
  verdict: 'hidden',
  loftMm: null,
  weighedMgCm: null,
  ...change,
});
const taught = (...swatches: Swatch[]) => learntFrom({ swatches }, lot, hand);
const look = (l: ReturnType<typeof taught>, coat = bib) => wayOf(coat.method).look({ spec: coat, lot, ...l });

describe('what a practice swatch teaches', () => {
  it('nothing without one, and nothing from a swatch of another wool', () => {
    expect(taught()).toEqual({ hand, habit: 1, rise: 1, swatches: 0, known: {} });
    expect(taught(swatch({ coat: { ...bib, lotId: 'rust-top' } }))).toMatchObject({ habit: 1, rise: 1, swatches: 0 });
  });

  it('a base that was hidden though it should have shown: the wool spreads better than thought, just so far', () => {
    expect(look(taught()).cover.value).toBeLessThan(0.98);
    const l = taught(swatch({ verdict: 'hidden' }));
    expect(l.hand.spread['combed top']).toBeGreaterThan(hand.spread['combed top']);
    expect(look(l).cover.value).toBeCloseTo(0.98, 6);
    // Other forms of wool are left as they are.
    expect({ ...l.hand.spread, 'combed top': 0 }).toEqual({ ...hand.spread, 'combed top': 0 });
  });

  it('a base that showed though it should have been hidden: the other way', () => {
    const thick: FoldOver = { ...bib, layMgCm: 8 };
    const l = taught(swatch({ coat: thick, verdict: 'shows' }));
    expect(l.hand.spread['combed top']).toBeLessThan(hand.spread['combed top']);
    expect(look(l, thick).cover.value).toBeCloseTo(0.93, 6);
  });

  it('a verdict that agrees changes nothing', () => {
    expect(taught(swatch({ verdict: 'shows a little' })).hand.spread).toEqual(hand.spread);
  });

  it('rows too far apart say nothing of the wool', () => {
    const sparse: FoldOver = { ...bib, spacingMm: 40 };
    expect(taught(swatch({ coat: sparse, verdict: 'hidden' })).hand.spread).toEqual(hand.spread);
  });

  it('a measured loft and a weighed row correct loft and mass, several by their geometric mean', () => {
    const was = look(taught()).loft.value;
    const l = taught(swatch({ verdict: 'shows a little', loftMm: was * 1.5 }));
    expect(l.rise).toBeCloseTo(1.5, 9);
    expect(look(l).loft.value).toBeCloseTo(was * 1.5, 9);
    const heavy = taught(
      swatch({ verdict: 'shows a little', weighedMgCm: bib.layMgCm * 2 }),
      swatch({ verdict: 'shows a little', weighedMgCm: bib.layMgCm / 2 }),
      swatch({ verdict: 'shows a little', weighedMgCm: bib.layMgCm * 1.331 }),
    );
    expect(heavy.habit).toBeCloseTo(1.1, 3);
    expect(heavy.swatches).toBe(3);
  });

  it('serves every way of laying', () => {
    const wisps: Wisps = { method: 'wisps', lotId: lot.id, arealMgCm2: 12, layers: 2, lengthMm: 12, liftDeg: 8 };
    const l = taught(swatch({ coat: wisps, verdict: 'hidden' }));
    expect(wayOf('wisps').look({ spec: wisps, lot, ...l }).cover.value).toBeCloseTo(0.98, 6);
  });

  it('changes the plan of every area laid from that wool, and no other', () => {
    const coarse = { edgeShare: 1 / 80 };
    const before = planned(pineMarten, cupboard, hand, coarse);
    const wiser = { ...cupboard, swatches: [swatch({ weighedMgCm: bib.layMgCm * 1.25 })] };
    const after = planned(pineMarten, wiser, hand, coarse);
    const of = (p: typeof before, id: string) => p.coat.areas.find((a) => a.id === id)!.fur!;
    expect(of(after, 'bib').figures.mass.value / of(before, 'bib').figures.mass.value).toBeCloseTo(1.25, 6);
    expect(of(after, 'bib').swatches).toBe(1);
    // The picture of the swatch goes by what was learnt, as the figure does.
    const hidden = { ...cupboard, swatches: [swatch({ verdict: 'hidden' })] };
    const better = planned(pineMarten, hidden, hand, coarse);
    expect(of(better, 'bib').pile.kappa).toBeGreaterThan(of(before, 'bib').pile.kappa);
    expect(of(after, 'tail').figures).toEqual(of(before, 'tail').figures);
  });

  it('says what it has measured, so that figures that rest on it are surer', () => {
    expect(taught(swatch({ verdict: 'hidden' })).known).toEqual({ hides: 1, lay: 0, stands: 0 });
    const all = taught(swatch({ loftMm: 5, weighedMgCm: 6 }), swatch({ id: 'two', name: 'b', weighedMgCm: 6.2 }));
    expect(all.known).toEqual({ hides: 2, lay: 2, stands: 1 });
    // What cannot be explained by any wool measures nothing.
    expect(taught(swatch({ coat: { ...bib, spacingMm: 40 }, verdict: 'hidden' })).known.hides).toBe(0);
  });

  it('of an area that has swatches is in its figures, and makes their spans narrower', () => {
    const swatched = {
      ...cupboard,
      swatches: [swatch({ verdict: 'shows a little', loftMm: 5, weighedMgCm: bib.layMgCm })],
    };
    const figuresOf = (c: typeof cupboard) =>
      planned(pineMarten, c).coat.areas.find((a) => a.id === 'bib')!.fur!.figures;
    const [before, after] = [figuresOf(cupboard), figuresOf(swatched)];
    for (const key of ['mass', 'loft', 'cover'] as const) {
      const wide = (f: Figure) => {
        const s = spanOfFigure(methodOf(f.method), f)!;
        return s.high / s.low;
      };
      expect(wide(after[key]), key).toBeLessThan(wide(before[key]));
      expect(after[key].known, key).toEqual({ hides: 1, lay: 1, stands: 1 });
    }
  });

  it('a spread of one’s own is known for that form of wool and for no other', () => {
    const own = { ...hand, spread: { ...hand.spread, locks: 0.61 } };
    const locks = cupboard.lots.find((l) => l.form === 'locks')!;
    expect(learntFrom({ swatches: [] }, locks, own).known).toEqual({ hides: 1 });
    expect(learntFrom({ swatches: [] }, lot, own).known).toEqual({});
  });

  it('another wool is judged with its own swatches, and with what the log taught of the way it is laid', () => {
    const other = cupboard.lots.find((l) => l.id === 'rust-top')!;
    const swatches = [swatch({ coat: { ...bib, lotId: other.id }, weighedMgCm: 1.2 * bib.layMgCm })];
    const plain = asLearnt({ swatches }, other, hand, { wool: 1, loft: 1 });
    const more = asLearnt({ swatches }, other, hand, { wool: 1.3, loft: 0.9 });
    expect(plain.habit).toBeCloseTo(1.2, 9);
    expect([more.habit / plain.habit, more.rise / plain.rise]).toEqual([
      expect.closeTo(1.3, 9),
      expect.closeTo(0.9, 9),
    ]);
  });
});
