/** Figures a maker can believe: what the demos come to, held against what the trade knows and what geometry allows. */
import { describe, expect, it } from 'vitest';
import { COARSELY, planned } from '../../cli/testing/planned';
import { alpacaCria, brownHare, cupboard, kingfisher, pineMarten } from '../../demo/load';
import { LEANING, MOST_TIGHT } from './coat/loft';
import { defaultHand as hand } from './piece/hand';
import type { Piece } from './piece/schema';
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
    ['kingfisher', kingfisher, 8, 18],
    ['marten', pineMarten, 14, 32],
    ['hare', brownHare, 20, 48],
    ['cria', alpacaCria, 20, 50],
  ] as const)('%s: likely between %i and some %i hours', (_, piece, least, most) => {
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
