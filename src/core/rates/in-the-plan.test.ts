/** What a hand has learned, in the plan of the next piece: equal wherever it is shown, and nothing moved that it does not bear on. */
import { describe, expect, it } from 'vitest';
import { COARSELY, planned } from '../../../cli/testing/planned';
import { cupboard, pineMarten } from '../../../demo/load';
import type { Done } from '@/core/piece/done';
import { defaultHand, type Hand } from '@/core/piece/hand';
import type { LogEntry } from '@/core/piece/log-entry';
import type { Piece } from '@/core/piece/schema';
import { minutesOf } from '@/core/time/work-time';

const first = planned(pineMarten, cupboard, defaultHand, COARSELY);
const lays = first.coat.areas.filter((a) => a.fur?.method === 'fold-over');

/** Rows logged at twice the time planned, and a third more wool weighed than was asked for. */
const slow: Done[] = [
  ...first.work.steps
    .flatMap((s) => Array.from({ length: 3 }, () => s.operation))
    .map((o): Done => ({ of: 'time', way: null, work: o.work, asked: o.minutes, actual: 2 * o.minutes })),
  ...lays.map((a): Done => ({
    of: 'wool',
    way: 'fold-over',
    work: null,
    asked: a.fur!.figures.mass.value,
    actual: (4 / 3) * a.fur!.figures.mass.value,
  })),
];
const hand: Hand = {
  ...defaultHand,
  done: [{ pieceId: 'before', name: 'Before', at: '2026-02-01T10:00:00Z', done: slow }],
};
const plan = planned(pineMarten, cupboard, hand, COARSELY);
const step = (p: typeof plan, id: string) => p.work.steps.find((s) => s.operation.id === id)!.operation;

describe('a hand that takes twice the time and a third more wool', () => {
  it('is planned so: every step, every docket and the whole, alike', () => {
    for (const { operation: o } of plan.work.steps)
      expect(o.minutes, o.id).toBeCloseTo(minutesOf(plan.hand, o.work), 9);
    expect(plan.work.minutes / first.work.minutes).toBeGreaterThan(1.85);
    expect(plan.work.minutes / first.work.minutes).toBeLessThan(2.15);
    for (const a of plan.coat.areas) {
      if (!a.fur) continue;
      const was = first.coat.areas.find((x) => x.id === a.id)!.fur!;
      // What the docket says of an area is what its steps take, as it was before.
      const all = (p: typeof plan, id: string) =>
        p.work.steps.reduce(
          (s, x) =>
            x.operation.about.id === id && ['lay', 'cut'].includes(x.operation.kind) ? s + x.operation.minutes : s,
          0,
        );
      expect(all(plan, a.id) / all(first, a.id), a.name).toBeCloseTo(
        a.fur.figures.minutes.value / was.figures.minutes.value,
        1,
      );
      if (a.fur.method !== 'fold-over') continue;
      const times = plan.hand.laying['fold-over']!.wool!.times;
      expect(times).toBeGreaterThan(1.27);
      expect(times).toBeLessThan(1.36);
      expect(a.fur.figures.mass.value / was.figures.mass.value, a.name).toBeCloseTo(times, 6);
    }
  });

  it('needs more of the stock by as much, and the finish date is later', () => {
    const more = lays.reduce((s, a) => {
      const now = plan.coat.areas.find((x) => x.id === a.id)!.fur!;
      return s + now.figures.mass.value - a.fur!.figures.mass.value;
    }, 0);
    const coat = plan.stock.needG - plan.core.massG - (first.stock.needG - first.core.massG);
    expect(coat).toBeCloseTo(more, 6);
    expect(plan.work.sittings.length).toBeGreaterThan(1.7 * first.work.sittings.length);
  });

  it('is promised a span that goes by what it took, narrower than that of a hand nobody knows', () => {
    const wide = (x: { low: number; high: number }) => Math.log(x.high / x.low);
    expect(wide(plan.work.span)).toBeLessThan(0.6 * wide(first.work.span));
    expect(plan.work.span.low).toBeLessThan(2 * first.work.minutes);
    expect(plan.work.span.high).toBeGreaterThan(2 * first.work.minutes);
  });

  it('works with the same needles at the same depth: time moves no stab', () => {
    const slower = planned(
      pineMarten,
      cupboard,
      { ...hand, done: [{ ...hand.done[0]!, done: slow.filter((d) => d.of === 'time') }] },
      COARSELY,
    );
    const said = (p: typeof plan) =>
      p.needles.steps.map((s) => [s.operationId, s.phases.map((x) => [x.needleId, x.angleDeg])]);
    expect(said(slower)).toEqual(said(first));
    for (const { operation: o } of first.work.steps)
      expect(step(slower, o.id).needlework?.stabs, o.id).toEqual(o.needlework?.stabs);
  });
});

describe('rows logged on the piece itself', () => {
  const bib = first.coat.areas.find((a) => a.id === 'bib')!;
  const common = { areaId: 'bib', by: 'hand', was: [], at: '2026-03-01T09:00:00Z' };
  const rowOf = (areaId: string, n: number, times: number): LogEntry => {
    const rows = first.coat.areas.find((a) => a.id === areaId)!.fur!.rows;
    const share = rows.rows[n - 1]!.lengthMm / rows.totalMm;
    const lay = step(first, `lay-${areaId}`);
    const work = Object.fromEntries(Object.entries(lay.work).map(([k, v]) => [k, v * share]));
    const planned = lay.minutes * share;
    return {
      ...common,
      areaId,
      id: `${areaId}${n}`,
      kind: 'row',
      row: n,
      up: rows.rows[n - 1]!.up,
      minutes: times * planned,
      timed: true,
      planned,
      work,
      made: {},
    };
  };
  const row = (n: number, times: number) => rowOf('bib', n, times);
  const many = bib.fur!.rows.rows.length;
  const withLog = (log: LogEntry[]): Piece => ({ ...pineMarten, log });

  it('at twice the time plan the areas that are left at nearly as much, once enough are timed; taken back they no longer do', () => {
    const log = ['tail', 'flanks'].flatMap((id) =>
      first.coat.areas
        .find((a) => a.id === id)!
        .fur!.rows.rows.slice(0, 12)
        .map((r) => rowOf(id, r.number, 2)),
    );
    expect(log.length).toBe(24);
    const times = (entries: LogEntry[]) => {
      const now = planned(withLog(entries), cupboard, defaultHand, COARSELY);
      return step(now, 'lay-back').minutes / step(first, 'lay-back').minutes;
    };
    expect(times(log)).toBeGreaterThan(1.7);
    expect(times(log)).toBeLessThan(2.3);
    expect(times(log.slice(0, 19))).toBe(1);
  });

  it('measured apart otherwise, the rest is planned from where they end: rows, wool and place add up', () => {
    const n = 4;
    const spacing = 2;
    const log: LogEntry[] = [
      ...Array.from({ length: n }, (_, i) => row(i + 1, 1)),
      {
        ...common,
        id: 'm',
        kind: 'measured',
        up: null,
        what: 'spacing',
        plannedMm: 3,
        actualMm: spacing,
        way: 'fold-over',
        rows: n,
        anew: true,
      },
    ];
    const now = planned(withLog(log), cupboard, defaultHand, COARSELY);
    const area = now.coat.areas.find((a) => a.id === 'bib')!.fur!;
    // The lowest was laid where it was planned.
    const from = bib.fur!.rows.rows[0]!.atMm - spacing / 2;
    area.rows.rows.slice(0, n).forEach((r, i) => expect(r.atMm).toBeCloseTo(from + spacing * (i + 0.5), 6));
    expect(area.rows.rows[n]!.atMm).toBeCloseTo(from + spacing * n + 3.5 / 2, 6);
    const log2 = now.log.areas.find((a) => a.areaId === 'bib')!;
    expect([log2.rowsDone, log2.nextRow]).toEqual([[1, 2, 3, 4], 5]);
    // Closer laid below, so more rows in all; every row weighs by its length.
    expect(log2.rows).toBeGreaterThan(many);
    expect(area.figures.mass.value / bib.fur!.figures.mass.value).toBeCloseTo(
      area.rows.totalMm / bib.fur!.rows.totalMm,
      2,
    );
    expect(now.work.progress.find((p) => p.id === 'lay-bib')!.share).toBeCloseTo(
      area.rows.rows.slice(0, n).reduce((s, r) => s + r.lengthMm, 0) / area.rows.totalMm,
      9,
    );
    // Other areas stay as they are.
    const other = (p: typeof now) => p.coat.areas.find((a) => a.id === 'back')!.fur!.figures.mass.value;
    expect(other(now)).toBe(other(first));
  });

  it('measured and then started over, or the measure taken out, the area is planned as it was', () => {
    const rows = Array.from({ length: 4 }, (_, i) => row(i + 1, 1));
    const measured: LogEntry = {
      ...common,
      id: 'm',
      kind: 'measured',
      up: null,
      what: 'spacing',
      plannedMm: 3.5,
      actualMm: 2,
      way: 'fold-over',
      rows: 4,
      anew: true,
    };
    const over: LogEntry = { ...common, id: 'o', kind: 'start-over', operations: ['lay-bib'], words: '' };
    const of = (log: LogEntry[]) => planned(withLog(log), cupboard, defaultHand, COARSELY);
    const places = (p: typeof first) => p.coat.areas.find((a) => a.id === 'bib')!.fur!.rows.rows.map((r) => r.atMm);
    expect(places(of([...rows, measured]))).not.toEqual(places(first));
    expect(places(of([...rows, measured, over]))).toEqual(places(first));
    expect(of([...rows, measured, over]).log.areas.find((a) => a.areaId === 'bib')!.rowsDone).toEqual([]);
    const back = of(rows);
    expect(places(back)).toEqual(places(first));
    expect(back.log.areas.find((a) => a.areaId === 'bib')!.rowsDone).toEqual([1, 2, 3, 4]);
  });

  it('a row pulled off is the one that lies there, whatever it was planned as', () => {
    // All rows laid, then planned wider: the last planned row is pulled off where it lies.
    const all = bib.fur!.rows.rows.map((r) => row(r.number, 1));
    const wider: Piece = {
      ...withLog(all),
      areas: pineMarten.areas.map((a) =>
        a.id === 'bib' && 'spacingMm' in a.coat ? { ...a, coat: { ...a.coat, spacingMm: 7 } } : a,
      ),
    };
    const of = (log: LogEntry[]) =>
      planned({ ...wider, log }, cupboard, defaultHand, COARSELY).log.areas.find((a) => a.areaId === 'bib')!;
    const planned7 = planned(wider, cupboard, defaultHand, COARSELY).coat.areas.find((a) => a.id === 'bib')!.fur!.rows
      .rows;
    const last = planned7.at(-1)!;
    expect(last.number).toBeLessThan(all.length);
    const off: LogEntry = {
      ...common,
      id: 'w',
      kind: 'wrong',
      operation: 'lay-bib',
      row: last.number,
      up: last.up,
      off: true,
      why: 'uneven',
      wool: 'waste',
      words: '',
    };
    expect(of(all).rowsDone).toEqual(planned7.map((r) => r.number));
    // What was numbered so lies in the middle and stays.
    expect(of([...all, off]).rowsLaid).toBe(all.length - 1);
    expect(of([...all, off]).rowsDone).toContain(Math.floor(planned7.length / 2));
  });

  it('a row pulled off is open again and its time is spent', () => {
    const log: LogEntry[] = [
      row(1, 1),
      row(2, 1.5),
      {
        ...common,
        id: 'w',
        kind: 'wrong',
        operation: 'lay-bib',
        row: 2,
        up: null,
        off: true,
        why: 'uneven',
        wool: 'used again',
        words: '',
      },
    ];
    const logOf = (entries: LogEntry[]) => planned(withLog(entries), cupboard, defaultHand, COARSELY).log;
    const of = (entries: LogEntry[]) => logOf(entries).areas.find((a) => a.areaId === 'bib')!;
    // The last row that lies, not the one that was pulled off.
    expect(logOf(log.slice(0, 2)).goOn).toMatchObject({ operationId: 'lay-bib', left: { row: 2 } });
    expect(logOf(log).goOn).toMatchObject({ operationId: 'lay-bib', left: { row: 1 } });
    const off = of(log);
    expect([off.rowsDone, off.nextRow]).toEqual([[1], 2]);
    expect(off.actualMinutes).toBeCloseTo(of(log.slice(0, 2)).actualMinutes, 12);
    expect(off.plannedMinutes).toBeCloseTo(of(log.slice(0, 1)).plannedMinutes, 12);
    const left = of([...log.slice(0, 2), { ...log[2], off: false, wool: null } as LogEntry]);
    expect([left.rowsDone, left.nextRow]).toEqual([[1, 2], 3]);
  });
});

describe('wool weighed', () => {
  const lot = cupboard.lots.find((l) => l.id === 'chestnut-top')!;
  const need = (grams: number, askedG: number | null, haveG = lot.haveG) =>
    planned(
      {
        ...pineMarten,
        log: [
          {
            id: 'g',
            at: '2026-03-01T09:00:00Z',
            areaId: 'back',
            by: 'hand',
            was: [],
            kind: 'wool',
            lotId: lot.id,
            grams,
            askedG,
            way: 'fold-over',
            operation: null,
            takenG: grams,
          },
        ],
      },
      { ...cupboard, lots: cupboard.lots.map((l) => (l === lot ? { ...l, haveG } : l)) },
      defaultHand,
      COARSELY,
    ).stock.lots.find((l) => l.lotId === lot.id)!;
  const before = first.stock.lots.find((l) => l.lotId === lot.id)!;

  it('takes the place of what was asked for it, and what left the cupboard is not needed from it again', () => {
    const as = need(0.2, 0.2, lot.haveG - 0.2);
    expect(as.needG).toBeCloseTo(before.needG, 9);
    expect(as.toGoG).toBeCloseTo(before.needG - 0.2, 9);
    expect(as.shortG).toBeCloseTo(before.shortG, 9);
    const more = need(0.3, 0.2, lot.haveG - 0.3);
    expect(more.needG).toBeCloseTo(before.needG + 0.1, 9);
    expect(more.toGoG).toBeCloseTo(before.needG - 0.2, 9);
  });
  it('that leaves too little is said to be short by what is still to come', () => {
    const few = need(0.2, 0.2, (before.needG - 0.2) / 2);
    expect(few.shortG).toBeCloseTo((before.needG - 0.2) / 2, 9);
  });
});
