import { describe, expect, it } from 'vitest';
import { PLAIN_DRESS, type ChartColumn, type ChartDress } from '@/core/coat/chart/lay-chart';
import { drawColumn, GUTTER } from './lay-chart-drawing';

const column: ChartColumn = {
  label: '',
  leftMm: -20,
  rightMm: 20,
  rows: [1, 2, 3].map((number) => ({
    number,
    atMm: 6 * number - 3,
    up: 0,
    pieces: [{ fromMm: -20, toMm: 20, closed: false }],
  })),
};
const draw = (dress: Partial<ChartDress>) => drawColumn(column, 6, { ...PLAIN_DRESS, ...dress });

describe('a column of the lay chart', () => {
  it('plain: rows at true length, the hem at the bottom', () => {
    const d = draw({});
    expect(d.rows.map((r) => r.stretches[0]!.x2 - r.stretches[0]!.x1)).toEqual([40, 40, 40]);
    expect(d.rows.map((r) => r.y)).toEqual([16, 10, 4]);
    expect(d.rows.every((r) => r.tufts.length === 0 && r.carries === null)).toBe(true);
  });

  it('locks lie like bricks: every second course half a lock on, none over the ends', () => {
    const d = draw({ tuft: { widthMm: 4, pitchMm: 4, staggered: true }, tall: 1 });
    expect(d.tallMm).toBe(6);
    const starts = d.rows.map((r) => r.tufts.map((t) => t.x1 - GUTTER));
    expect(starts[0]!.slice(0, 3)).toEqual([0, 4, 8]);
    expect(starts[1]!.slice(0, 3)).toEqual([0, 2, 6]);
    expect(starts[2]).toEqual(starts[0]);
    for (const r of d.rows) {
      for (const t of r.tufts) {
        expect(t.x1).toBeGreaterThanOrEqual(GUTTER - 1e-9);
        expect(t.x2).toBeLessThanOrEqual(GUTTER + 40 + 1e-9);
      }
      // A whole number of locks along 40 mm, and one more where the half ones stand at both ends.
      expect([10, 11]).toContain(r.tufts.length);
    }
    // Room for the lowest course to hang down.
    expect(d.heightMm - d.rows[0]!.y).toBeGreaterThanOrEqual(6);
  });

  it('pinches with gaps are as wide as the pinch', () => {
    const d = draw({ tuft: { widthMm: 3, pitchMm: 8, staggered: false } });
    expect(d.rows[0]!.tufts.map((t) => t.x2 - t.x1)).toEqual([3, 3, 3, 3, 3]);
  });

  it('rows that carry a marking say so: a stripe all along, spots at their pitch', () => {
    const stripe = draw({ marking: { colour: '#e6d9b4', rows: [2], pitchMm: null } });
    expect(stripe.rows.map((r) => r.carries)).toEqual([null, { colour: '#e6d9b4', spots: null }, null]);
    const spots = draw({ marking: { colour: '#e6d9b4', rows: [1, 3], pitchMm: 10 } });
    expect(spots.rows[0]!.carries!.spots!.map((x) => x - GUTTER)).toEqual([5, 15, 25, 35]);
    expect(spots.rows[1]!.carries).toBeNull();
  });
});
