/** Rows one by one, as an independent reader of CSV reads them, and on paper. */
import Papa from 'papaparse';
import { beforeAll, describe, expect, it } from 'vitest';
import { planned } from '../../cli/testing/planned';
import { cupboard, pineMarten } from '../../demo/load';
import { defaultHand } from '@/core/piece/hand';
import type { Plan } from '@/core/plan';
import { metric } from '@/units/units';
import { fontsOnDisk } from './fonts-on-disk';
import { rowsCsv, rowTables } from './row-table';

let plan: Plan;
beforeAll(() => {
  plan = planned(pineMarten, cupboard, defaultHand);
});

describe('rows one by one', () => {
  it('every row of every area in CSV, with the metres and grams of the plan', () => {
    const { data, errors } = Papa.parse<Record<string, string>>(rowsCsv(plan).trim(), { header: true });
    expect(errors).toEqual([]);
    for (const a of plan.coat.areas.filter((x) => x.fur && !x.fur.sheet)) {
      const mine = data.filter((d) => d.area === a.name);
      expect(
        mine.map((d) => Number(d.row)),
        a.name,
      ).toEqual(a.fur!.rows.rows.map((r) => r.number));
      const long = mine.reduce((s, d) => s + Number(d['length mm']), 0);
      expect(Math.abs(long - a.fur!.rows.totalMm), a.name).toBeLessThanOrEqual(0.05 * mine.length + 1e-9);
      expect(Number(mine.at(-1)!['up to it g']), a.name).toBeCloseTo(a.fur!.figures.mass.value, 4);
    }
    const areas = [...new Set(data.map((d) => d.area))];
    expect(areas.length).toBe(plan.coat.areas.filter((x) => x.fur && !x.fur.sheet).length);
  });

  it('lets no name act as a formula', () => {
    const named = {
      ...plan,
      coat: { ...plan.coat, areas: plan.coat.areas.map((a) => (a.id === 'bib' ? { ...a, name: '=1+1' } : a)) },
    };
    const { data } = Papa.parse<Record<string, string>>(rowsCsv(named).trim(), { header: true });
    expect(data.some((d) => d.area === "'=1+1")).toBe(true);
    expect(data.some((d) => d.area === '=1+1')).toBe(false);
  });

  it('on paper too', async () => {
    const date = new Date('2026-03-01T00:00:00Z');
    const bytes = await rowTables(pineMarten, plan, { units: metric, paper: 'a4', date, fonts: await fontsOnDisk() });
    expect(new TextDecoder('latin1').decode(bytes.subarray(0, 5))).toBe('%PDF-');
  });
});
