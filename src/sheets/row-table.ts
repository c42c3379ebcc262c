/** The rows of every area one by one: as CSV (RFC 4180, millimetres and grams whatever the maker reads) and on paper in the maker's units. */
import Papa from 'papaparse';
import type { AreaPlan } from '@/core/coat/coat-plan';
import { rowList } from '@/core/coat/rows/row-list';
import { wayOf } from '@/core/coat/ways';
import type { Piece } from '@/core/piece/schema';
import type { Plan } from '@/core/plan';
import { format, masses, metric, words } from '@/units/units';
import { plainCell } from './cut-list';
import { Paper, type SheetOptions } from './paper';

const round = (x: number, digits: number) => Number(x.toFixed(digits));
const COLUMNS = ['area', 'row', 'length mm', 'cut mm', 'pieces', 'wool g', 'up to it g', 'to know'];

/** Areas laid in rows, in the order of the work. */
const laid = (plan: Plan): AreaPlan[] =>
  plan.work.steps.flatMap(({ operation: o }) =>
    o.kind === 'lay'
      ? plan.coat.areas.filter((a) => o.about.kind === 'area' && a.id === o.about.id && rowList(a).length > 0)
      : [],
  );

export function rowsCsv(plan: Plan): string {
  const lines = laid(plan).flatMap((a) =>
    rowList(a).map((r) => ({
      area: plainCell(a.name),
      row: r.number,
      'length mm': round(r.lengthMm, 1),
      'cut mm': r.cutMm === null ? '' : round(r.cutMm, 1),
      pieces: r.pieces ?? '',
      'wool g': round(r.massG, 4),
      'up to it g': round(r.upToG, 4),
      'to know': plainCell(r.special.map((s) => words(s, metric)).join('; ')),
    })),
  );
  return Papa.unparse(lines, { newline: '\r\n', columns: COLUMNS }) + '\r\n';
}

/** @returns a PDF with a table for each area, to tick off beside the work */
export async function rowTables(piece: Piece, plan: Plan, o: SheetOptions): Promise<Uint8Array> {
  const u = o.units;
  const day = o.date.toISOString().slice(0, 10);
  const paper = new Paper(`${piece.name}: rows`, `${piece.name} · Fond Badger · ${day}`, o);
  paper.heading(piece.name, 'H1');
  const areas = laid(plan);
  if (areas.length === 0) paper.paragraph('No area is laid in rows yet.');
  for (const a of areas) {
    const list = rowList(a);
    const counts = wayOf(a.fur!.method).counts;
    const grams = masses(
      list.map((r) => r.massG),
      u,
    );
    const upTo = masses(
      list.map((r) => r.upToG),
      u,
    );
    paper.heading(`${a.name}, hem first`, 'H2');
    paper.table(
      [a.fur!.chart.dress.unit.one, 'Long', 'Cut', counts ?? '', 'Wool', 'Up to it', 'To know'],
      [14, 20, 20, 18, 20, 20, 62],
      [true, true, true, true, true, true, false],
      list.map((r, i) => [
        String(r.number),
        format({ kind: 'length', value: r.lengthMm }, u),
        r.cutMm === null ? '' : format({ kind: 'length', value: r.cutMm }, u),
        r.pieces === null ? '' : String(r.pieces),
        grams[i]!,
        upTo[i]!,
        r.special.map((s) => words(s, u)).join('; '),
      ]),
    );
  }
  return paper.bytes();
}
