/** The rows as a list come to what the docket says; a press finds the row it was aimed at. Sums and closed forms of the product itself. */
import { produce } from 'immer';
import { describe, expect, it } from 'vitest';
import { alpacaCria, brownHare, cupboard, kingfisher, pineMarten } from '../../../../demo/load';
import { wayOf } from '@/core/coat/ways';
import { defaultHand } from '@/core/piece/hand';
import { makePlan } from '@/core/plan';
import type { Text } from '@/core/text';
import { rowAt, rowList } from './row-list';

/** Its words, figures as they are. */
const plainly = (t: Text): string => t.map((x) => (typeof x === 'string' ? x : String(x.value))).join('');
const ROUGH = { edgeShare: 1 / 60 };
const marten = makePlan(pineMarten, cupboard, defaultHand, undefined, ROUGH);
const bib = marten.coat.areas.find((a) => a.id === 'bib')!;

describe('rows as a list', () => {
  for (const [name, piece] of [
    ['marten', pineMarten],
    ['cria', alpacaCria],
    ['kingfisher', kingfisher],
    ['hare', brownHare],
  ] as const) {
    it(`comes to the rows, the metres, the pieces and the wool of every area: ${name}`, () => {
      const plan = piece === pineMarten ? marten : makePlan(piece, cupboard, defaultHand, undefined, ROUGH);
      for (const a of plan.coat.areas) {
        const list = rowList(a);
        if (!a.fur || a.fur.sheet) {
          expect(list).toEqual([]);
          continue;
        }
        const f = a.fur.figures;
        expect(list.length, a.name).toBe(f.rows.value);
        expect(
          list.reduce((s, r) => s + r.lengthMm, 0),
          a.name,
        ).toBeCloseTo(f.rowLength.value, 6);
        expect(list.at(-1)!.upToG, a.name).toBeCloseTo(f.mass.value, 9);
        expect(list.map((r) => r.number)).toEqual(a.fur.rows.rows.map((r) => r.number));
        const counts = wayOf(a.fur.method).counts;
        const told = list.every((r) => r.pieces !== null);
        // Folded rows, bows and locks are counted row by row.
        if (['fold-over', 'bows', 'locks'].includes(a.fur.method)) expect(told, a.name).toBe(true);
        if (counts && told)
          expect(
            list.reduce((s, r) => s + r.pieces!, 0),
            `${a.name}: ${counts}`,
          ).toBe(f[counts]!.value);
      }
    });
  }

  it('gives longer rows more wool, and rows of longer fur more than their length', () => {
    const list = rowList(bib);
    expect(list[4]!.massG / list[0]!.massG).toBeCloseTo(list[4]!.lengthMm / list[0]!.lengthMm, 9);
    const grown = produce(pineMarten, (d) => {
      const { coat } = d.areas.find((a) => a.id === 'bib')!;
      if (coat.method === 'fold-over') coat.topLengthMm = coat.lengthMm + 6;
    });
    const taller = rowList(
      makePlan(grown, cupboard, defaultHand, undefined, ROUGH).coat.areas.find((a) => a.id === 'bib')!,
    );
    const last = taller.length - 1;
    expect(taller[last]!.cutMm! - taller[0]!.cutMm!).toBeGreaterThan(8);
    expect(taller[last]!.massG / taller[0]!.massG).toBeGreaterThan(
      (1.3 * taller[last]!.lengthMm) / taller[0]!.lengthMm,
    );
  });

  it('says what is special: rings of a tail, half rows, rows that widen with the bib', () => {
    const special = (id: string) =>
      rowList(marten.coat.areas.find((a) => a.id === id)!).flatMap((r) => r.special.map((t) => plainly(t)));
    expect(special('tail').filter((s) => s === 'ring').length).toBeGreaterThan(3);
    expect(special('bib').some((s) => /^\d+(\.\d+)? longer than the row below$/.test(s))).toBe(true);
    const branched = produce(pineMarten, (d) => void d.areas.forEach((a) => (a.branching = true)));
    const halves = makePlan(branched, cupboard, defaultHand, undefined, ROUGH).coat.areas.flatMap((a) =>
      rowList(a).map((r, i) => [r, a.fur!.rows.rows[i]!] as const),
    );
    expect(halves.some(([, row]) => row.half)).toBe(true);
    for (const [line, row] of halves) expect(line.special.some((t) => /^half row/.test(plainly(t)))).toBe(row.half);
  });

  it('finds the row that was pressed: on it, beside it, and none where none is near', () => {
    for (const row of bib.fur!.rows.rows) {
      const p = row.pieces[0]!;
      const i = 3 * Math.floor(p.points.length / 6);
      const on = [p.points[i]!, p.points[i + 1]!, p.points[i + 2]!] as const;
      expect(rowAt(bib, on, 1)).toBe(row.number);
      const off = on.map((x, k) => x + 0.2 * p.normal[i + k]!) as [number, number, number];
      expect(rowAt(bib, off, 1)).toBe(row.number);
    }
    expect(rowAt(bib, [1000, 0, 0], 5)).toBeNull();
  });
});
