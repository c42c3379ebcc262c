/** From step to step nothing is put away that is wanted again at once, and nothing is missing on the table. */
import { expect, it } from 'vitest';
import { kingfisher, pineMarten } from '../../../demo/load';
import { planned } from '../../../cli/testing/planned';
import { woolIn } from '@/core/materials';
import { changeOver } from './change-over';

for (const piece of [pineMarten, kingfisher]) {
  it(`the steps of the ${piece.name.toLowerCase()} one after another`, () => {
    const plan = planned(piece);
    const { steps } = plan.work;
    const wools = (i: number) => new Set(woolIn(steps[i]!.operation).flatMap((w) => w.lotId ?? []));
    const needles = (i: number) =>
      new Set(plan.needles.steps.find((n) => n.operationId === steps[i]!.operation.id)?.phases.map((p) => p.needleId));
    // What lies on the table as one goes by what is said, from the first step on.
    const table = { lots: wools(0), needles: needles(0) };
    let changes = 0;
    for (let i = 1; i < steps.length; i++) {
      const c = changeOver(steps[i - 1]!, steps[i]!, plan.needles);
      if (c) changes++;
      for (const k of ['lots', 'needles'] as const) {
        for (const x of c?.away[k] ?? []) expect(table[k].delete(x), `${x} was there`).toBe(true);
        for (const x of c?.out[k] ?? []) {
          expect(table[k].has(x), `${x} was not there`).toBe(false);
          table[k].add(x);
        }
      }
      expect(table.lots).toEqual(wools(i));
      expect(table.needles).toEqual(needles(i));
    }
    // Steps are put together so that not every one asks for other things.
    expect(changes).toBeLessThan(steps.length - 1);
    expect(changeOver(steps[3]!, steps[3]!, plan.needles)).toBeNull();
  });
}
