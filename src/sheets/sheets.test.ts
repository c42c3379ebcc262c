import { onRight } from '@/core/face/head/mark-names';
import Papa from 'papaparse';
import { beforeAll, describe, expect, it } from 'vitest';
import { COARSELY, planned } from '../../cli/testing/planned';
import { alpacaCria, cupboard, kingfisher, pineMarten } from '../../demo/load';
import { defaultHand } from '@/core/piece/hand';
import type { Plan } from '@/core/plan';
import { format, metric } from '@/units/units';
import { cutListCsv } from './cut-list';
import { layChartSvg } from './lay-chart-svg';
import { planJson } from './plan-json';
import { enclosed } from '@/core/build/flat-parts';
import { coreTable } from './build-sheets';
import { coatTables } from './coat-tables';
import { flatOutline, shadeTables } from './shade-sheets';
import type { Paper } from './paper';
import { faceSheets } from './face-sheets';
import { fontsOnDisk } from './fonts-on-disk';
import { rowSheets } from './row-sheets';
import { tiles } from './tiling';

const fonts = await fontsOnDisk();
let plan: Plan;
beforeAll(() => {
  plan = planned(pineMarten, cupboard, defaultHand);
});

describe('cut list', () => {
  it('is read back by a CSV reader with the numbers of the plan', () => {
    const { data, errors } = Papa.parse<Record<string, string>>(cutListCsv(pineMarten, plan, cupboard.lots).trim(), {
      header: true,
    });
    expect(errors).toEqual([]);
    expect(data.length).toBe(plan.coat.areas.flatMap((a) => a.fur?.draws ?? []).length);
    const bib = data.find((d) => d.area === 'Throat bib')!;
    expect(bib['cut length mm']).toBe('40');
    expect(Number(bib.rows)).toBe(plan.coat.areas.find((a) => a.id === 'bib')!.fur!.rows.rows.length);
    // Every wool of every area, to the hundredth of a gram it is written in.
    for (const lot of cupboard.lots) {
      const drawn = plan.coat.areas
        .flatMap((a) => a.fur?.draws ?? [])
        .filter((d) => d.lotId === lot.id)
        .map((d) => d.massG);
      const lines = data.filter((d) => d.wool === lot.name).map((d) => Number(d['wool g']));
      expect(lines.length, lot.name).toBe(drawn.length);
      const sum = (x: readonly number[]) => x.reduce((s, v) => s + v, 0);
      expect(Math.abs(sum(lines) - sum(drawn)), lot.name).toBeLessThanOrEqual(0.005 * lines.length + 1e-9);
    }
  });

  it('keeps commas and quotes whole and lets no name act as a formula', () => {
    const named = {
      ...plan,
      coat: { ...plan.coat, areas: plan.coat.areas.map((a) => (a.id === 'bib' ? { ...a, name: '=SUM(1,2) "x"' } : a)) },
    };
    const { data } = Papa.parse<Record<string, string>>(cutListCsv(pineMarten, named, cupboard.lots).trim(), {
      header: true,
    });
    expect(data.some((d) => d.area === `'=SUM(1,2) "x"`)).toBe(true);
  });
});

describe('plan as JSON', () => {
  it('is whole, readable and free of holes', () => {
    const back = JSON.parse(planJson(plan)) as Plan;
    expect(back.coat.areas.length).toBe(pineMarten.areas.length);
    expect(back.form.skin.positions.length).toBe(plan.form.skin.positions.length);
    expect(Array.isArray(back.form.skin.triangles)).toBe(true);
    // Photographs and wire, the parts of the core and their joining, 12 of the face with its flat ears; nine areas cut, laid and trimmed,
    // legs, chin and muzzle laid and raised; two blends, six of bags and finish, 19 steps of colour.
    expect(back.work.steps.length).toBe(2 + 10 + 12 + 3 * 9 + 2 * 3 + 2 + 6 + 19);
    expect(back.core.parts.map((p) => p.id)).toEqual(pineMarten.form.parts.map((p) => p.id));
    expect(planJson(plan)).not.toContain('NaN');
  });
});

describe('lay chart as SVG', () => {
  it('draws every stretch of every row at true length in millimetres', () => {
    for (const a of plan.coat.areas.filter((x) => x.fur)) {
      const svg = layChartSvg(a)!;
      const [, w] = /width="([\d.]+)mm" height="[\d.]+mm" viewBox="0 0 ([\d.]+)/.exec(svg)!;
      expect(svg).toContain(`viewBox="0 0 ${w}`);
      const drawn = [...svg.matchAll(/M([\d.-]+) [\d.-]+H([\d.-]+)"/g)].map((m) => Number(m[2]) - Number(m[1]));
      const shown = a.fur!.chart.columns.flatMap((c) => c.rows.flatMap((r) => r.pieces.map((p) => p.toMm - p.fromMm)));
      expect(drawn.length).toBe(shown.length);
      expect(drawn.reduce((s, x) => s + x, 0)).toBeCloseTo(
        shown.reduce((s, x) => s + x, 0),
        0,
      );
      // Together with the mirrored twin the rows add up to what the docket says.
      const whole = a.fur!.chart.columns.reduce(
        (s, c) =>
          s +
          (c.label === 'both sides alike' ? 2 : 1) *
            c.rows.reduce((q, r) => q + r.pieces.reduce((z, p) => z + p.toMm - p.fromMm, 0), 0),
        0,
      );
      // Twins of a turned animal differ by less than can be laid.
      expect(Math.abs(whole / a.fur!.figures.rowLength.value - 1)).toBeLessThan(5e-3);
    }
  });

  it('escapes names', () => {
    const svg = layChartSvg({ ...plan.coat.areas[0]!, name: 'A <b> & "c"' })!;
    expect(svg).toContain('A &lt;b&gt; &amp; &quot;c&quot;');
    expect(svg).not.toContain('<b>');
  });
});

describe('row sheets', () => {
  const options = { units: metric, paper: 'a4' as const, date: new Date('2026-03-01T00:00:00Z'), fonts };
  it('makes a PDF of the right kind, with any name and on any paper', async () => {
    for (const name of ['Pine marten', 'Łasica leśna Ő ž', 'Куница', 'x'.repeat(80)]) {
      const pdf = await rowSheets({ ...pineMarten, name }, plan, cupboard, {
        ...options,
        paper: name.length > 20 ? 'letter' : 'a4',
      });
      expect(Buffer.from(pdf.subarray(0, 8)).toString('latin1')).toMatch(/^%PDF-1\.7/);
      expect(pdf.length).toBeGreaterThan(20_000);
    }
  });

  it('tiles a large chart so that neighbours share 10 mm and all of it is covered', () => {
    expect(tiles(100, 182)).toBe(1);
    expect(tiles(183, 182)).toBe(2);
    for (let length = 100; length < 3000; length += 7) {
      const n = tiles(length, 182);
      expect(n * 182 - (n - 1) * 10).toBeGreaterThanOrEqual(Math.min(length, n * 182 - (n - 1) * 10));
      expect(182 + (n - 1) * 172).toBeGreaterThanOrEqual(length);
      if (n > 1) expect(182 + (n - 2) * 172).toBeLessThan(length);
    }
  });
});

describe('the core on paper', () => {
  const printed = (core: Plan['core']) => {
    const said: string[] = [];
    const paper = {
      heading: (t: string) => said.push(t),
      paragraph: (t: string) => said.push(t),
      table: (_h: string[], _w: number[], _n: boolean[], rows: string[][]) =>
        said.push(...rows.map((r) => r.join(' | '))),
    } as unknown as Paper;
    coreTable(paper, core, metric);
    return said.join('\n');
  };
  const { core } = planned(pineMarten, cupboard, defaultHand, COARSELY);
  it('is told part by part with its collars, as on the screen', () => {
    const text = printed(core);
    for (const p of core.parts) expect(text).toContain(`${p.name} | `);
    expect(text).toContain(`Collars over the joints: ${format({ kind: 'mass', value: core.collarsG }, metric)}`);
  });
  it('is not told to be felted where it is an own base', () => {
    const text = printed({ ...core, there: true, massG: 0, span: { low: 0, likely: 0, high: 0 }, collarsG: 0 });
    expect(text).toContain('nothing of it is felted');
    expect(text).not.toMatch(/ g\b|between/);
  });
});

describe('what ways of laying need on paper', () => {
  it('locks pile by pile, clumps of a strip, sheets and trimming are printed with the numbers of the plan', () => {
    const cria = planned(alpacaCria, cupboard, defaultHand, COARSELY);
    const said: string[] = [];
    const paper = {
      heading: (t: string) => said.push(t),
      paragraph: (t: string) => said.push(t),
      table: (_h: string[], _w: number[], _n: boolean[], rows: string[][]) =>
        said.push(...rows.map((r) => r.join(' | '))),
    } as unknown as Paper;
    coatTables(paper, cria, { length: 'mm', mass: 'g', currency: '' });
    const all = said.join('\n');
    expect(all).toContain('Suri cria locks, pile by pile');
    // Every lock shared out is on the sheet once.
    const given = cria.coat.locks[0]!.allotment.shares.reduce((s, x) => s + x.count, 0);
    const printed = said
      .filter((l) => /^.+ \| (best|good|plain), /.test(l))
      .reduce((s, l) => s + Number(l.split(' | ')[2]), 0);
    expect(printed).toBe(given);
    const clumps = cria.coat.areas.find((a) => a.id === 'topknot')!.fur!.strip!.clumps;
    expect(all).toContain('Strip for Topknot');
    expect(said.filter((l) => /^\d+ \| .*mm \| .*mm \| .*mm \| /.test(l)).length).toBe(clumps.length);
    const bird = planned(kingfisher, cupboard, defaultHand, COARSELY);
    said.length = 0;
    coatTables(paper, bird, { length: 'mm', mass: 'g', currency: '' });
    expect(said.join('\n')).toMatch(/A sheet \d+.* mm by \d+.* mm, 6 mm of it on every side/);
    expect(said).toContain('Trimming');
    said.length = 0;
    shadeTables(paper, bird, { length: 'mm', mass: 'g', currency: '' });
    expect(said).toContain('Layers of colour, from below');
    expect(said.join('\n')).toMatch(/veil, thin \| 1 Rust top : 1 Cream top \| 1.5 mg\/cm²/);
  });
});

describe('markings on paper', () => {
  it('are flat at true size: a stripe by its length and widths, a spot by its two sizes, a band not at all', () => {
    const bird = planned(kingfisher, cupboard, defaultHand, COARSELY);
    const [stripe, spot] = kingfisher.markings;
    const flat = flatOutline(stripe!, bird.shade.markings[0]!)!;
    const long = bird.shade.markings[0]!.overSkinMm!;
    expect(Math.max(...flat.map((p) => p[0]))).toBeCloseTo(long, 9);
    expect(enclosed(Float64Array.from(flat.flat()))).toBeCloseTo((long * (7 + 11)) / 2, 9);
    const oval = flatOutline(spot!, bird.shade.markings[1]!)!;
    expect(enclosed(Float64Array.from(oval.flat())) / ((Math.PI * 7 * 4) / 4)).toBeCloseTo(1, 2);
    const sock = { ...spot!, shape: { kind: 'sock' as const, where: { parts: ['leg'] } } };
    expect(flatOutline(sock, bird.shade.markings[1]!)).toBeNull();
  });
  it('the cut list names every wool of the blend a coat is laid from, with its grams', () => {
    const { data } = Papa.parse<Record<string, string>>(cutListCsv(pineMarten, plan, cupboard.lots).trim(), {
      header: true,
    });
    const lines = data.filter((d) => d.area === 'Flanks');
    expect(lines.map((d) => d.wool)).toEqual(['Chestnut top', 'Dark umber top']);
    const grams = lines.map((d) => Number(d['wool g']));
    // Six parts to two.
    expect(grams[0]! / grams[1]!).toBeCloseTo(3, 0);
  });
});

describe('the face card', () => {
  /** Keeps what is drawn on it. */
  function recorder() {
    const rings: (readonly (readonly [number, number])[])[] = [];
    const lines: { points: readonly (readonly [number, number])[]; wide: number }[] = [];
    const pins: [number, number][] = [];
    const says: string[] = [];
    const paper = {
      y: 20,
      width: 210,
      height: 297,
      innerWidth: 182,
      newPage() {
        this.y = 14;
      },
      room: () => undefined,
      heading: (s: string) => says.push(s),
      paragraph: (s: string) => says.push(s),
      text: (s: string) => (says.push(s), 4),
      table: (head: readonly string[], _w: unknown, _r: unknown, rows: readonly (readonly string[])[]) =>
        says.push([...head, ...rows.flat()].join(' | ')),
      tagged: (_k: string, draw: () => void) => draw(),
      clipped: (_x: number, _y: number, _w: number, _h: number, draw: () => void) => draw(),
      checkBar: () => undefined,
      line: () => undefined,
      polyline: (points: readonly (readonly [number, number])[], wide: number) => lines.push({ points, wide }),
      polygon: (ring: readonly (readonly [number, number])[]) => rings.push(ring),
      pin: (x: number, y: number) => pins.push([x, y]),
    };
    faceSheets(paper as unknown as Paper, pineMarten, plan, cupboard, metric);
    return { rings, lines, pins, says: says.join('\n') };
  }
  it('draws the eyes at true size and four times as large', () => {
    const { rings } = recorder();
    const wide = rings.map((r) => Math.max(...r.map((p) => p[0])) - Math.min(...r.map((p) => p[0])));
    const disc = plan.face!.eyes.discMm;
    const of = (mm: number) => wide.filter((w) => Math.abs(w - mm) < 0.02 * mm).length;
    expect(of(disc)).toBeGreaterThanOrEqual(2);
    expect(of(4 * disc)).toBeGreaterThanOrEqual(2);
  });
  it('pins lie as far apart as the places on the head, front and profile', () => {
    const { pins } = recorder();
    const front = plan.face!.measured;
    const profile = front.filter((m) => !onRight(m.mark));
    expect(pins.length).toBe(front.length + profile.length);
    const at = (mark: string) => pins[front.findIndex((m) => m.mark === mark)]!;
    const [l, r] = [at('eye-left'), at('eye-right')];
    const twin = front.find((m) => m.mark === 'eye-left')!;
    expect(Math.hypot(l[0] - r[0], l[1] - r[1])).toBeCloseTo(Math.hypot(twin.inHead[0] * 2, 0), 0);
  });
  it('has the arms of the gauge at their angles, fifty millimetres long', () => {
    const { lines } = recorder();
    const arms = lines.filter((l) => l.wide === 0.5 && l.points.length === 2);
    expect(arms.length).toBe(2);
    const { inDeg } = pineMarten.face!.eyes.stem;
    const [a, b] = arms[0]!.points as [readonly [number, number], readonly [number, number]];
    expect(Math.hypot(b[0] - a[0], b[1] - a[1])).toBeCloseTo(50, 9);
    expect((Math.atan2(b[1] - a[1], b[0] - a[0]) * 180) / Math.PI).toBeCloseTo(inDeg, 6);
  });
  it('tells callipers from thread, and who may not have the piece', () => {
    const { says } = recorder();
    expect(says).toContain('To the nose, thread');
    // Of every place, as the plan has them.
    const mm = (value: number) => format({ kind: 'fine', value }, metric);
    for (const m of plan.face!.measured.filter((x) => x.mark !== 'nose' && !onRight(x.mark))) {
      expect(says).toContain(mm(m.noseStraightMm));
      if (m.noseOverMm !== null) expect(says).toContain(mm(m.noseOverMm));
    }
    expect(says).toContain('not a toy for a small child');
    expect(says).toContain('Never stab toward a set stem');
  });
});
