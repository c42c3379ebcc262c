/** The log as the story of the piece: sitting by sitting what was done, used, noted and photographed, on paper. */
import type { Cupboard } from '@/core/piece/cupboard';
import type { LogEntry } from '@/core/piece/log-entry';
import { sittingsDone } from '@/core/log/sittings-done';
import type { Piece } from '@/core/piece/schema';
import type { Plan } from '@/core/plan';
import { format, words } from '@/units/units';
import { entryWords, placeOf, sittingWords, type Telling } from './entry-words';
import { MARGIN, Paper, type SheetOptions } from './paper';

/** Entries that only keep the books. */
const BESIDE = new Set<LogEntry['kind']>(['sitting', 'needles']);

/** What was done in a sitting, rows that followed each other in one line. */
export function storyLines(x: Telling, entries: readonly LogEntry[]): string[] {
  const lines: string[] = [];
  let rows: Extract<LogEntry, { kind: 'row' }>[] = [];
  const close = () => {
    const first = rows[0];
    if (!first) return;
    const minutes = rows.reduce((s, e) => s + e.minutes, 0);
    const numbers = [...new Set(rows.map((e) => e.row))];
    const which =
      numbers.length === 1
        ? `row ${numbers[0]}`
        : `${rows.length} rows, ${Math.min(...numbers)} to ${Math.max(...numbers)}`;
    lines.push(`${placeOf(x, first.areaId)}: ${which}, ${x.q({ kind: 'time', value: minutes })}.`);
    rows = [];
  };
  for (const e of entries) {
    if (e.kind === 'row') {
      if (rows[0] && rows[0].areaId !== e.areaId) close();
      rows.push(e);
      continue;
    }
    close();
    if (BESIDE.has(e.kind) || e.kind === 'photo') continue;
    const place = placeOf(x, e.areaId);
    lines.push(`${place ? `${place}: ` : ''}${entryWords(x, e)}.`.replace(/([.?])\.$/, '$1'));
  }
  close();
  return lines;
}

const HIGH = 62;

export async function story(piece: Piece, plan: Plan, cupboard: Cupboard, o: SheetOptions): Promise<Uint8Array> {
  const q: Telling['q'] = (x) => format(x, o.units);
  const telling: Telling = { piece, plan, cupboard, q, t: (x) => words(x, o.units) };
  const day = o.date.toISOString().slice(0, 10);
  const paper = new Paper(`${piece.name}: its story`, `${piece.name} · Fond Badger · ${day}`, o);
  paper.heading(piece.name, 'H1');
  const sittings = sittingsDone(piece.log);
  const minutes = sittings.reduce((s, x) => s + x.minutes, 0);
  const grams = sittings.reduce((s, x) => s + x.grams, 0);
  paper.paragraph(
    [
      `${q({ kind: 'length', value: piece.form.finishedLengthMm })} nose to tail.`,
      `${sittings.length} ${sittings.length === 1 ? 'sitting' : 'sittings'}, ${q({ kind: 'time', value: minutes })} at the bench so far.`,
      grams > 0 ? `${q({ kind: 'mass', value: grams })} of wool weighed.` : '',
      plan.work.minutesLeft > 0 ? `${q({ kind: 'time', value: plan.work.spanLeft.likely })} are left.` : 'All is done.',
    ]
      .filter(Boolean)
      .join(' '),
  );
  if (piece.note.trim()) paper.paragraph(piece.note.trim());
  for (const s of sittings) {
    const lines = storyLines(telling, s.entries);
    const photos = s.entries.flatMap((e) => (e.kind === 'photo' ? [e] : []));
    if (lines.length + photos.length === 0) continue;
    paper.heading(sittingWords(telling, s), 'H2');
    for (const l of lines) paper.paragraph(l);
    for (const p of photos) {
      const picture = o.pictures?.[p.id];
      const said = p.words || entryWords(telling, p);
      if (picture) {
        paper.room(HIGH + 8);
        const { y } = paper;
        paper.tagged('Figure', () => paper.picture(picture, MARGIN, y, paper.innerWidth, HIGH), said);
        paper.y = y + HIGH + 1.5;
      }
      paper.paragraph(picture ? said : `${said} (the picture is not at hand)`, { size: 8.5, grey: true });
    }
  }
  return paper.bytes();
}
