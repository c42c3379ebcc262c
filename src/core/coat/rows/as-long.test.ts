/** Rows measured longer than the shape has them: from there on all are, wool, time and pieces with them; what lies below and where rows lie stays. */
import { describe, expect, it } from 'vitest';
import { COARSELY, planned } from '../../../../cli/testing/planned';
import { cupboard, pineMarten } from '../../../../demo/load';
import { alongRows } from '@/core/coat/picture/roots';
import { seeded } from '@/core/random';
import { defaultHand } from '@/core/piece/hand';
import type { LogEntry } from '@/core/piece/log-entry';
import type { Piece } from '@/core/piece/schema';
import { asLong, timesAt } from './as-long';
import { longerOf } from './lying';
import type { RowSet } from './rows';

const common = { at: '2026-03-01T09:00:00Z', areaId: 'bib', by: 'hand', was: [] };
const measured = (id: string, up: number, plannedMm: number, actualMm: number, more: object = {}): LogEntry =>
  ({
    ...common,
    id,
    kind: 'measured',
    what: 'row',
    plannedMm,
    actualMm,
    way: 'fold-over',
    rows: 1,
    up,
    anew: true,
    ...more,
  }) as LogEntry;

describe('what was measured of rows', () => {
  it('holds from its place on up, until the next one; measured again lower down, from there', () => {
    const log = [measured('a', 0.2, 100, 110), measured('b', 0.6, 80, 96)];
    const longer = longerOf(log, 'bib');
    expect([-0.1, 0.1, 0.2, 0.5, 0.6, 1].map((up) => timesAt(longer, up))).toEqual([1, 1, 1.1, 1.1, 1.2, 1.2]);
    expect(longerOf([...log, measured('c', 0.4, 100, 90)], 'bib').map((x) => x.times)).toEqual([1.1, 0.9]);
    expect(longerOf(log, 'back')).toEqual([]);
    expect(longerOf([measured('a', 0.2, 100, 110, { anew: false })], 'bib')).toEqual([]);
    const over: LogEntry = { ...common, id: 'o', kind: 'start-over', operations: ['lay-bib'], words: '' };
    expect(longerOf([...log, over], 'bib')).toEqual([]);
  });

  // A cylinder a tenth thicker than drawn has rings a tenth longer: 2 pi 1.1 r, and so much more to clothe (closed form).
  it('on a cylinder thicker than drawn: girth and area by the same share', () => {
    const ring = (number: number) => ({
      number,
      atMm: 3 * number - 1.5,
      share: 0,
      up: number / 10,
      half: false,
      lengthMm: 20 * Math.PI,
      pieces: [{ closed: true, lengthMm: 20 * Math.PI }],
    });
    const rows = Array.from({ length: 10 }, (_, i) => ring(i + 1));
    const drawn = { rows, totalMm: 200 * Math.PI, fluxMm2: 600 * Math.PI, meanSpacingMm: 3 } as unknown as RowSet;
    const r = asLong(drawn, [{ up: 0.1, times: 1.1 }]);
    for (const x of r.rows) expect(x.lengthMm).toBeCloseTo(2 * Math.PI * 11, 9);
    expect(r.rows[0]!.pieces[0]!.lengthMm).toBeCloseTo(2 * Math.PI * 11, 9);
    expect(r.fluxMm2).toBeCloseTo(2 * Math.PI * 11 * 30, 9);
    expect(r.rows.map((x) => x.atMm)).toEqual(rows.map((x) => x.atMm));
    const half = asLong(drawn, [{ up: 0.6, times: 1.1 }]);
    expect(half.totalMm).toBeCloseTo(2 * Math.PI * (5 * 10 + 5 * 11), 9);
  });
});

describe('in the plan', () => {
  const of = (log: LogEntry[]) => planned({ ...pineMarten, log } as Piece, cupboard, defaultHand, COARSELY);
  const before = of([]);
  const fur = (p: typeof before) => p.coat.areas.find((a) => a.id === 'bib')!.fur!;
  const was = fur(before).rows.rows;
  const from = was[Math.floor(was.length / 2)]!;
  const after = of([measured('a', from.up, from.lengthMm, 1.2 * from.lengthMm)]);

  it('rows from the one measured on are as much longer, and wool, time and pinches with them', () => {
    const now = fur(after).rows.rows;
    now.forEach((r, i) =>
      expect(r.lengthMm / was[i]!.lengthMm, `${r.number}`).toBeCloseTo(r.number >= from.number ? 1.2 : 1, 9),
    );
    const times = fur(after).rows.totalMm / fur(before).rows.totalMm;
    expect(times).toBeGreaterThan(1.04);
    const f = (p: typeof before) => fur(p).figures;
    expect(f(after).mass.value / f(before).mass.value).toBeCloseTo(times, 2);
    expect(f(after).pinches!.value).toBeGreaterThan(f(before).pinches!.value);
    expect(f(after).rowLength.value).toBeCloseTo(fur(after).rows.totalMm, 9);
    // Rows lie where they did, so the base is hidden as before.
    expect(fur(after).coverMap).toEqual(fur(before).coverMap);
    const step = (p: typeof before) => p.work.steps.find((s) => s.operation.id === 'lay-bib')!.operation;
    // Much of the time goes by their length, the rest by how many they are.
    expect(step(after).minutes / step(before).minutes).toBeGreaterThan(1 + 0.4 * (times - 1));
    expect(step(after).minutes / step(before).minutes).toBeLessThan(times);
    const lot = (p: typeof before) => p.stock.lots.find((l) => l.lotId === fur(p).lotId)!.needG;
    expect(lot(after) - lot(before)).toBeCloseTo(f(after).mass.value - f(before).mass.value, 2);
  });

  it('what is drawn goes along the whole of a longer row and does not heap up at its end', () => {
    const area = after.coat.areas.find((a) => a.id === 'bib')!;
    let [roots, atEnd] = [0, 0];
    alongRows(area, 20_000, seeded(1), ({ piece, near, row }) => {
      if (row < from.number) return;
      roots++;
      if (near >= piece!.points.length / 3 - 2) atEnd++;
    });
    const points = fur(after).rows.rows.flatMap((r) =>
      r.number < from.number ? [] : r.pieces.map((p) => p.points.length / 3),
    );
    // As many as there are points at the end of a stretch, of all: a sixth of a row too much would heap up there.
    const due = (2 * points.length) / points.reduce((s, n) => s + n, 0);
    expect(atEnd / roots).toBeLessThan(due + 0.03);
  });
  it('the chart draws every row as long as it was measured, over the same place of the one below', () => {
    const rowsOf = (p: typeof before) => fur(p).chart.columns.flatMap((c) => c.rows);
    const middle = (r: ReturnType<typeof rowsOf>[number]) =>
      (Math.min(...r.pieces.map((x) => x.fromMm)) + Math.max(...r.pieces.map((x) => x.toMm))) / 2;
    const [drawn, now] = [rowsOf(before), rowsOf(after)];
    now.forEach((r, i) => {
      const times = r.number >= from.number ? 1.2 : 1;
      const long = (x: typeof r) => x.pieces.reduce((s, y) => s + y.toMm - y.fromMm, 0);
      expect(long(r) / long(drawn[i]!)).toBeCloseTo(times, 9);
      expect(Math.abs(middle(r) - middle(drawn[i]!))).toBeLessThan(1);
    });
  });
});
