/** Figures a maker can believe: what the demos come to, held against what the trade knows and what geometry allows. */
import { describe, expect, it } from 'vitest';
import { COARSELY, planned } from '../../cli/testing/planned';
import { alpacaCria, brownHare, cupboard, kingfisher, pineMarten } from '../../demo/load';
import { shows } from './coat/judgement';
import { LEANING, MOST_TIGHT } from './coat/loft';
import { spanOfFigure } from './method/span';
import { methodOf } from './methods';
import { defaultHand as hand } from './piece/hand';
import type { Piece } from './piece/schema';
import { isAbout } from './ref';
import { minutesOf, spanOf, together } from './time/work-time';

const DEMOS: readonly (readonly [string, Piece])[] = [
  ['marten', pineMarten],
  ['cria', alpacaCria],
  ['kingfisher', kingfisher],
  ['hare', brownHare],
];
const planOf = (piece: Piece) => planned(piece, cupboard, hand, COARSELY);
const HOUR = 60;

describe.each(DEMOS)('%s', (_, piece) => {
  it('no fur that leans stands higher than its length allows, and none holds more wool than fits', () => {
    for (const a of planOf(piece).coat.areas) {
      if (!a.fur || a.fur.method === 'standing') continue;
      const { loft, tightness } = a.fur.figures;
      if (!tightness) continue;
      expect(loft.value, a.id).toBeLessThanOrEqual(loft.inputs.length! * Math.sin((LEANING * Math.PI) / 180));
      expect(tightness.value, a.id).toBeLessThanOrEqual(MOST_TIGHT);
    }
  });

  it('what a lot may come to is what the docket says of the one area it serves, and what the core says of the one core', () => {
    const { stock, coat, core } = planOf(piece);
    for (const l of stock.lots) {
      expect([l.span.likely, l.span.low < l.needG, l.span.high > l.needG], l.lotId).toEqual([l.needG, true, true]);
      const [only, ...more] = l.uses;
      if (more.length > 0 || only!.for !== 'coat' || l.areaIds.length !== 1) continue;
      const area = coat.areas.find((a) => a.id === l.areaIds[0])!;
      if (area.fur!.draws.length > 1) continue;
      const own = spanOfFigure(methodOf(area.fur!.figures.mass.method), area.fur!.figures.mass)!;
      expect(l.span.low / own.low, l.lotId).toBeCloseTo(1, 2);
      expect(l.span.high / own.high, l.lotId).toBeCloseTo(1, 2);
    }
    const ofCore = stock.lots.find((l) => l.lotId === core.lotId);
    // Collars of the ears come with the face.
    if (ofCore && Math.abs(ofCore.needG - core.massG) < 1e-9)
      expect(ofCore.span).toEqual({
        low: expect.closeTo(core.span.low, 6),
        likely: expect.closeTo(core.span.likely, 6),
        high: expect.closeTo(core.span.high, 6),
      });
    // Errors of different wools partly make up for each other; of all wool less is unsure than of the parts by themselves.
    expect(stock.span.high).toBeLessThan(stock.lots.reduce((x, l) => x + l.span.high, 0));
    expect(stock.span.likely).toBeCloseTo(stock.needG, 9);
  });

  it('what holds only as planned is a note: cautions and stops are for what is likely to fail', () => {
    const { findings, coat, stock } = planOf(piece);
    for (const a of coat.areas) {
      const cover = a.fur?.figures.cover;
      const mine = findings.filter((f) => isAbout(f, 'area', a.id)).map((f) => f.code);
      if (mine.includes('coat-base-shows')) expect(mine, a.id).not.toContain('coat-may-show');
      if (mine.includes('coat-stands-out')) expect(mine, a.id).not.toContain('coat-may-stand-out');
      if (!cover || !mine.includes('coat-may-show')) continue;
      const span = spanOfFigure(methodOf(cover.method), cover)!;
      expect([shows(cover.value), shows(span.low)], a.id).toEqual([false, true]);
    }
    for (const f of findings)
      if (/may-show|may-stand-out|close$/.test(f.code)) expect([f.severity, f.remedies], f.id).toEqual(['note', []]);
    for (const l of stock.lots) {
      const mine = findings.filter((f) => isAbout(f, 'lot', l.lotId)).map((f) => f.code);
      expect(mine, l.lotId).toEqual(l.needG > l.haveG ? ['stock-short'] : l.span.high > l.haveG ? ['stock-close'] : []);
    }
  });

  it('time of every step is that of its elements, and all steps together that of the piece', () => {
    const { work, log } = planOf(piece);
    const operations = work.steps.map((s) => s.operation);
    for (const o of operations) {
      expect(minutesOf(hand, o.work), o.id).toBeCloseTo(o.minutes, 9);
      // Nothing is done without being taken up.
      expect(o.work.step, o.id).toBeGreaterThanOrEqual(1);
    }
    expect(work.minutes).toBeCloseTo(
      operations.reduce((s, o) => s + o.minutes, 0),
      6,
    );
    expect(work.span).toEqual(spanOf(hand, together(operations.map((o) => ({ work: o.work, share: 1 })))));
    // What is left is told alike as a sum, as a span and by the log.
    expect(log.minutesLeft).toBeCloseTo(work.minutesLeft, 9);
    expect(work.spanLeft.low).toBeLessThan(work.minutesLeft);
    expect(work.spanLeft.high).toBeGreaterThan(work.minutesLeft);
  });

  it('the time of an area on its docket is that of its steps of laying', () => {
    const { coat, work } = planOf(piece);
    for (const a of coat.areas) {
      if (!a.fur) continue;
      const own = work.steps
        .map((s) => s.operation)
        .filter((o) => ['lay', 'make', 'raise'].includes(o.kind) && o.id.endsWith(`-${a.id}`) && o.stage === 'coat');
      // Holders take stabs off a step once needles are chosen.
      const sum = own.reduce((s, o) => s + o.minutes, 0);
      expect(sum, a.id).toBeLessThanOrEqual(a.fur.figures.minutes.value + 1e-6);
      expect(sum, a.id).toBeGreaterThan(0.5 * a.fur.figures.minutes.value);
    }
  });
});

describe('whole pieces', () => {
  // Common practice: a covered piece of hand size takes a practised maker a day or more on and off; rows and locks are slow.
  it.each([
    ['kingfisher', 8, 18, kingfisher],
    ['marten', 14, 32, pineMarten],
    ['hare', 20, 48, brownHare],
    ['cria', 20, 50, alpacaCria],
  ] as const)('%s: likely between %i and some %i hours', (_, least, most, piece) => {
    const { span } = planOf(piece).work;
    expect(span.likely / HOUR).toBeGreaterThan(least);
    expect(span.likely / HOUR).toBeLessThan(most);
    // Before anything is known of the maker: from about two thirds to half as much again.
    expect(span.high / span.low).toBeGreaterThan(1.9);
    expect(span.high / span.low).toBeLessThan(3);
  });

  // Common practice: about 3 g of wool make the body of a bird 9 to 10 cm long.
  it('the core under short fur stays nearly as thick as the head', () => {
    const skull = planOf(kingfisher).core.parts.find((p) => p.id === 'skull')!;
    // Of a head 21 mm wide: a ball of its volume is no thinner than nine tenths of that.
    expect(2 * Math.cbrt((3 * skull.volumeMm3) / (4 * Math.PI))).toBeGreaterThan(0.85 * 21);
  });
});
