/** An area that stops before its last row: what lies is as it was planned, what does not asks for nothing, and the base above it is bare. */
import { describe, expect, it } from 'vitest';
import { COARSELY, planned } from '../../../cli/testing/planned';
import { cupboard, pineMarten } from '../../../demo/load';
import { defaultHand } from '@/core/piece/hand';
import type { LogEntry } from '@/core/piece/log-entry';
import type { Piece } from '@/core/piece/schema';
import { weightedPercentile } from '@/core/percentile';

const of = (log: readonly LogEntry[]) =>
  planned({ ...pineMarten, log: [...log] } as Piece, cupboard, defaultHand, COARSELY);
const before = of([]);
const area = (p: typeof before) => p.coat.areas.find((a) => a.id === 'bib')!;
const rows = area(before).fur!.rows.rows;
const LAST = 6;
const common = { at: '2026-03-01T09:00:00Z', areaId: 'bib', by: 'hand', was: [] };
const laid: LogEntry[] = rows.slice(0, LAST).map((r) => ({
  ...common,
  id: `r${r.number}`,
  kind: 'row',
  row: r.number,
  up: r.up,
  minutes: 5,
  timed: true,
  planned: null,
  work: null,
  made: {},
}));
const stopped: LogEntry = { ...common, id: 'stop', kind: 'stopped', rows: LAST, up: rows[LAST - 1]!.up };
const after = of([...laid, stopped]);

describe('an area stopped at its sixth row', () => {
  const fur = area(after).fur!;
  const was = area(before).fur!;

  it('has the rows that lie, as long and where they were planned, and no others', () => {
    expect(fur.rows.rows).toEqual(rows.slice(0, LAST));
    const share = fur.rows.totalMm / was.rows.totalMm;
    expect(fur.rows.totalMm).toBeCloseTo(
      rows.slice(0, LAST).reduce((s, r) => s + r.lengthMm, 0),
      9,
    );
    expect(share).toBeLessThan(0.9);
    // Wool goes by the length of the rows.
    expect(fur.figures.mass.value / was.figures.mass.value).toBeCloseTo(share, 2);
  });
  it('is done: nothing of it is left in the order, and the whole asks for less wool and time', () => {
    expect(after.work.progress.find((p) => p.id === 'lay-bib')!.share).toBe(1);
    expect(after.log.areas.find((a) => a.areaId === 'bib')).toMatchObject({ nextRow: null, rows: LAST });
    const laidOnly = of(laid);
    expect(laidOnly.work.progress.find((p) => p.id === 'lay-bib')!.share).toBeLessThan(1);
    expect(after.work.minutesLeft).toBeLessThan(laidOnly.work.minutesLeft - 1);
    const lot = (p: typeof before) => p.stock.lots.find((l) => l.lotId === fur.lotId)!.needG;
    expect(lot(before) - lot(after)).toBeCloseTo(was.figures.mass.value - fur.figures.mass.value, 2);
  });
  it('hides nothing above its last row, as much below it as before', () => {
    const { positions, triangles } = area(after).surface!;
    const bare = [...fur.coverMap].filter((c) => c === 0).length;
    expect(bare / fur.coverMap.length).toBeGreaterThan(0.1);
    for (let t = 0; t < fur.coverMap.length; t++)
      if (fur.coverMap[t]! > 0) expect(fur.coverMap[t]).toBe(was.coverMap[t]);
    expect(triangles.length / 3).toBe(fur.coverMap.length);
    expect(positions.length).toBe(area(before).surface!.positions.length);
    expect(
      weightedPercentile(Float64Array.from(was.coverMap), new Float64Array(was.coverMap.length).fill(1), 0),
    ).toBeGreaterThan(0.2);
  });
  it('says so, with how much stays bare; other areas are as they were', () => {
    const said = after.findings.filter((f) => f.code === 'coat-stopped');
    expect(said.map((f) => [f.about?.id, f.severity])).toEqual([['bib', 'note']]);
    for (const a of after.coat.areas)
      if (a.id !== 'bib')
        expect(a.fur?.rows.totalMm, a.name).toBe(before.coat.areas.find((b) => b.id === a.id)!.fur?.rows.totalMm);
  });
  it('is laid on after all with the next row, when it is taken out, and when it is started over', () => {
    const more: LogEntry = { ...laid[0]!, id: 'on', row: LAST + 1, up: rows[LAST]!.up } as LogEntry;
    expect(area(of([...laid, stopped, more])).fur!.rows.rows).toHaveLength(rows.length);
    expect(area(of(laid)).fur!.rows.rows).toHaveLength(rows.length);
    const over: LogEntry = { ...common, id: 'o', kind: 'start-over', operations: ['lay-bib'], words: '' };
    expect(area(of([...laid, stopped, over])).fur!.rows.rows).toHaveLength(rows.length);
  });
});
