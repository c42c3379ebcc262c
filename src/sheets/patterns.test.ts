/** Patterns and templates on paper: at true size, whole, in strips that overlap where they are longer than the sheet. */
import { describe, expect, it } from 'vitest';
import { COARSELY, planned } from '../../cli/testing/planned';
import { cupboard, kingfisher, pineMarten } from '../../demo/load';
import { beginThing } from '@/core/build/things/begin-thing';
import { defaultHand } from '@/core/piece/hand';
import type { Piece } from '@/core/piece/schema';
import type { Plan } from '@/core/plan';
import { metric } from '@/units/units';
import { buildSheets } from './build-sheets';
import type { Paper } from './paper';

const plan = (p: Piece): Plan => planned(p, cupboard, defaultHand, COARSELY);
type Point = readonly [number, number];

/** What is drawn under each heading: lines within each clipped window, moved back by where that begins. */
function printed(of: Plan) {
  const sheets: { title: string; windows: { x: number; y: number; w: number; h: number; lines: Point[][] }[] }[] = [];
  const says: string[] = [];
  const paper = {
    y: 14,
    width: 210,
    height: 297,
    innerWidth: 182,
    newPage() {
      this.y = 14;
    },
    room: () => undefined,
    heading(s: string) {
      sheets.push({ title: s, windows: [] });
      this.y += 8;
    },
    paragraph(s: string) {
      says.push(s);
      this.y += 6;
    },
    text: () => 4,
    table: () => undefined,
    tagged: (_k: string, draw: () => void) => draw(),
    clipped(x: number, y: number, w: number, h: number, draw: () => void) {
      sheets.at(-1)!.windows.push({ x, y, w, h, lines: [] });
      draw();
    },
    checkBar: () => undefined,
    line: () => undefined,
    polyline: (points: readonly Point[]) =>
      void sheets
        .at(-1)
        ?.windows.at(-1)
        ?.lines.push([...points]),
  };
  buildSheets(paper as unknown as Paper, of, metric);
  return { sheets, says };
}
const span = (line: readonly Point[], k: 0 | 1): number =>
  Math.max(...line.map((p) => p[k])) - Math.min(...line.map((p) => p[k]));

describe('patterns of small things', () => {
  const scarf = beginThing('scarf', pineMarten, plan(pineMarten), 0.15);
  const of = plan({ ...pineMarten, things: [{ ...scarf, lotId: 'rust-top', endsMm: 90 } as typeof scarf] });
  const { sheets, says } = printed(of);
  const { pattern, panels } = of.things[0]!;
  const sheet = sheets.find((s) => s.title === 'Pattern: Scarf, scarf')!;

  it('are as long as they are cut, in strips that share ten millimetres', () => {
    const long = span(
      Array.from({ length: panels[0]!.outline.length / 2 }, (_, i): Point => [
        panels[0]!.outline[2 * i]!,
        panels[0]!.outline[2 * i + 1]!,
      ]),
      0,
    );
    const cut = long * pattern!.value;
    expect(cut).toBeGreaterThan(182);
    // Enough windows of 182 mm, each but the first 10 mm further back.
    const strips = 1 + Math.ceil((cut - 182) / 172);
    expect(sheet.windows.length).toBe(strips);
    // Every window draws all of it at true size; each 172 mm further on.
    sheet.windows.forEach((w, i) => {
      expect(span(w.lines[0]!, 0)).toBeCloseTo(cut, 6);
      expect(span(w.lines[1]!, 0)).toBeCloseTo(long, 6);
      const from = Math.min(...w.lines[0]!.map((p) => p[0]));
      expect(from - Math.min(...sheet.windows[0]!.lines[0]!.map((p) => p[0]))).toBeCloseTo(-172 * i, 6);
      // None runs off the sheet, nor over the one above it.
      expect(w.y + w.h).toBeLessThan(297 - 24);
      if (i > 0) expect(w.y).toBeGreaterThan(sheet.windows[i - 1]!.y + sheet.windows[i - 1]!.h);
    });
    // Together they show all of it.
    expect(sheet.windows.reduce((s, w) => s + w.w - 0.6, 0) - 10 * (strips - 1)).toBeCloseTo(cut, 6);
    expect(says.some((s) => s.includes(`In ${strips} strips`))).toBe(true);
  });

  it('patterns that fit are on one sheet, flat parts as before', () => {
    for (const f of of.flatParts) {
      const own = sheets.find((s) => s.title.startsWith(`Pattern: ${f.name}`))!;
      expect(own.windows.length).toBe(1);
      expect(span(own.windows[0]!.lines[0]!, 0) / span(own.windows[0]!.lines[1]!, 0)).toBeCloseTo(f.pattern.value, 6);
    }
  });
});

describe('the template of a base', () => {
  it('has its outline and its holes at true size, as far apart as the feet', () => {
    const base = beginThing('base', { ...kingfisher, things: [] }, plan({ ...kingfisher, things: [] }), 0.15);
    const of = plan({ ...kingfisher, things: [base] });
    const { sheets } = printed(of);
    const sheet = sheets.find((s) => s.title === 'Template: Base')!;
    if (base.kind !== 'base') throw new Error('no base');
    const [edge, , , ...holes] = sheet.windows[0]!.lines;
    expect(span(edge!, 0)).toBeCloseTo(base.wideMm, 1);
    expect(span(edge!, 1)).toBeCloseTo(base.longMm, 1);
    expect(holes.length).toBe(of.stands.holes.length);
    expect(holes.length).toBe(2);
    const middle = (l: readonly Point[]): Point => [
      (Math.max(...l.map((p) => p[0])) + Math.min(...l.map((p) => p[0]))) / 2,
      (Math.max(...l.map((p) => p[1])) + Math.min(...l.map((p) => p[1]))) / 2,
    ];
    const [a, b] = holes.map(middle) as [Point, Point];
    const [p, q] = of.stands.holes.map((h) => h.at) as [Point, Point];
    expect(Math.hypot(a[0] - b[0], a[1] - b[1])).toBeCloseTo(Math.hypot(p[0] - q[0], p[1] - q[1]), 6);
    for (const h of holes) expect(span(h, 0)).toBeCloseTo(of.stands.holeMm, 1);
    // The animal’s left lies to the left of the page: its x runs the other way.
    expect(Math.sign(a[0] - b[0])).toBe(-Math.sign(p[0] - q[0]));
  });
  it('a bird on a twig has none to bore', () => {
    const sheet = printed(plan(kingfisher)).sheets.find((s) => s.title.startsWith('Template'))!;
    expect(sheet.windows[0]!.lines.length).toBe(3);
  });
});
