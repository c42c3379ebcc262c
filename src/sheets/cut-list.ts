/** The cut list as CSV (RFC 4180): one line for every wool of an area, in millimetres and grams whatever the maker reads on screen. */
import { isAbout } from '@/core/ref';
import Papa from 'papaparse';
import { wayOf } from '@/core/coat/ways';
import type { Cupboard } from '@/core/piece/cupboard';
import type { Piece } from '@/core/piece/schema';
import type { Plan } from '@/core/plan';
import { woolName } from '@/units/wool-words';

const round = (x: number, step: number) => Number((Math.round(x / step) * step).toFixed(3));

export function cutListCsv(piece: Piece, plan: Plan, lots: Cupboard['lots']): string {
  const lines = plan.work.steps
    .filter((s) => s.operation.kind === 'lay')
    .flatMap((s, i) => {
      const area = plan.coat.areas.find((a) => isAbout(s.operation, 'area', a.id))!;
      const spec = piece.areas.find((a) => a.id === area.id)!.coat;
      const f = area.fur!.figures;
      const [own, ...more] = area.fur!.draws.map((d) => ({
        order: i + 1,
        area: area.name,
        wool: woolName(lots, d.lotId),
        for: d.for,
        'wool g': round(d.massG, 0.01),
      }));
      const line = {
        ...own!,
        way: wayOf(area.fur!.method).title,
        'cut length mm': f.cutLength ? round(f.cutLength.value, 0.5) : '',
        'finished length mm': 'lengthMm' in spec ? spec.lengthMm : '',
        rows: f.rows.value,
        'spacing mm': 'spacingMm' in spec ? spec.spacingMm : '',
        'row length mm': round(f.rowLength.value, 1),
        pieces: f[wayOf(area.fur!.method).counts ?? '']?.value ?? '',
        'trimmed g': round(f.waste.value, 0.1),
        minutes: round(f.minutes.value, 1),
        'base hidden %': round(f.cover.value * 100, 0.1),
      };
      return [line, ...more];
    });
  const safe = lines.map((l) => ({ ...l, area: plainCell(l.area), wool: plainCell(l.wool) }));
  return Papa.unparse(safe, { newline: '\r\n', columns: COLUMNS }) + '\r\n';
}

const COLUMNS = [
  'order', 'area', 'way', 'wool', 'for', 'cut length mm', 'finished length mm', 'rows', 'spacing mm', 'row length mm', 'pieces',
  'wool g', 'trimmed g', 'minutes', 'base hidden %',
]; // prettier-ignore

/** A name that a spreadsheet would take for a formula is kept as text. */
export const plainCell = (s: string): string => (/^[=+\-@\t\r]/.test(s) ? `'${s}` : s);
