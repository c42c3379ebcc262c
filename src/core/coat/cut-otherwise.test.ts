/** A length cut otherwise: laid with what comes of it, the plan asks for just that cut. */
import { expect, it } from 'vitest';
import { COARSELY, planned } from '../../../cli/testing/planned';
import { alpacaCria, cupboard, kingfisher, pineMarten } from '../../../demo/load';
import { defaultHand } from '@/core/piece/hand';
import type { Piece } from '@/core/piece/schema';
import { methodOf } from '@/core/methods';
import { lengthFor } from './cut-otherwise';

for (const piece of [pineMarten, alpacaCria, kingfisher]) {
  it(`every cut of the ${piece.name.toLowerCase()} a quarter longer, or a fifth shorter`, () => {
    const plan = planned(piece, cupboard, defaultHand, COARSELY);
    const cuts = plan.coat.areas.flatMap((a) =>
      a.fur?.figures.cutLength ? [{ id: a.id, cut: a.fur.figures.cutLength }] : [],
    );
    expect(cuts.length).toBeGreaterThan(1);
    for (const times of [1.25, 0.8]) {
      const other: Piece = {
        ...piece,
        areas: piece.areas.map((a) => {
          const c = cuts.find((x) => x.id === a.id);
          const lengthMm =
            c && 'lengthMm' in a.coat
              ? lengthFor(c.cut, methodOf(c.cut.method), defaultHand, times * c.cut.value)
              : null;
          return lengthMm === null ? a : ({ ...a, coat: { ...a.coat, lengthMm } } as typeof a);
        }),
      };
      const then = planned(other, cupboard, defaultHand, COARSELY);
      for (const { id, cut } of cuts) {
        const now = then.coat.areas.find((a) => a.id === id)!.fur!.figures.cutLength!;
        // Within what the rounding of the length makes of it.
        expect(Math.abs(now.value - times * cut.value), `${id} ${cut.method}`).toBeLessThan(1);
      }
    }
    for (const { cut } of cuts)
      expect(
        Math.abs(
          lengthFor(cut, methodOf(cut.method), defaultHand, cut.value)! - (cut.inputs as { length: number }).length,
        ),
      ).toBeLessThanOrEqual(0.25);
    expect(lengthFor(cuts[0]!.cut, methodOf(cuts[0]!.cut.method), defaultHand, 0.1)).toBeNull();
  });
}
