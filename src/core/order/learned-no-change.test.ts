/** What a hand learns is no change of mind: steps done before stay done by the decisions they were done by. */
import { expect, it } from 'vitest';
import { COARSELY, planned } from '../../../cli/testing/planned';
import { alpacaCria, brownHare, cupboard, kingfisher, pineMarten } from '../../../demo/load';
import { madeBy } from '@/core/decision';
import { defaultHand, type Hand } from '@/core/piece/hand';
import type { Done } from '@/core/piece/done';
import type { LogEntry } from '@/core/piece/log-entry';
import type { Piece } from '@/core/piece/schema';
import { WAYS } from '@/core/coat/ways';
import { wayOfCore } from '@/core/rates/hand-at-work';

const measured = (of: 'wool' | 'loft', way: string, actual: number): Done[] =>
  Array.from({ length: 8 }, () => ({ of, way, work: null, asked: 1, actual }));
const done = [
  ...WAYS.flatMap((w) => [...measured('wool', w.method, 1.4), ...measured('loft', w.method, 1.3)]),
  ...measured('wool', wayOfCore('firm'), 1.3),
];
const taught: Hand = {
  ...defaultHand,
  done: [{ pieceId: 'before', name: 'Before', at: '2026-01-01T10:00:00Z', done }],
};

for (const piece of [pineMarten, alpacaCria, kingfisher, brownHare]) {
  it(`every step of the ${piece.name.toLowerCase()} done, and much learned since`, () => {
    const first = planned(piece, cupboard, defaultHand, COARSELY);
    const log = first.work.steps.map(({ operation: o }, i): LogEntry => ({
      id: `s${i}`,
      at: '2026-03-01T09:00:00Z',
      areaId: o.about.id,
      by: 'hand',
      was: [],
      kind: 'step',
      operation: o.id,
      minutes: o.minutes,
      timed: false,
      planned: null,
      work: null,
      made: madeBy(piece, o),
      kept: false,
    }));
    const then = planned({ ...piece, log } as Piece, cupboard, taught, COARSELY);
    expect(then.work.progress.filter((p) => p.changed.length > 0).map((p) => `${p.id}: ${p.changed.join()}`)).toEqual(
      [],
    );
    // Much was learned indeed.
    expect(then.stock.needG / first.stock.needG).toBeGreaterThan(1.1);
  });
}

it('a step there is because colours lie beside each other rests on its own area alone: which lie there, and how far apart, is worked out', () => {
  let found = 0;
  for (const piece of [pineMarten, alpacaCria, kingfisher, brownHare]) {
    const { steps } = planned(piece, cupboard, defaultHand, COARSELY).work;
    for (const { operation: o } of steps) {
      if (!o.id.startsWith('bag-') && !o.id.startsWith('strays-')) continue;
      found++;
      const areas = o.restsOn.flatMap((d) =>
        d.at.flatMap((path) => (path[0] === 'areas' ? [JSON.stringify(path[1])] : [])),
      );
      expect(areas, o.id).toEqual([JSON.stringify({ by: 'id', is: o.about.id })]);
    }
  }
  expect(found).toBeGreaterThan(3);
});
