/**
 * The log read back from CSV: entries are found again by their names and put right; lines without one are written down anew. What a line
 * cannot say is named with its number; then nothing is changed.
 */
import Papa from 'papaparse';
import { boundsOf, kindOf } from '@/core/piece/fields';
import { logEntrySchema, type LogEntry } from '@/core/piece/log-entry';
import type { Cupboard } from '@/core/piece/cupboard';
import type { Piece } from '@/core/piece/schema';
import { wrongTime } from '@/core/log/when';
import { plainCell } from './cut-list';
import { LOG_WHAT, type LOG_COLUMNS } from './log-csv';
import type { z } from 'zod';

type Column = (typeof LOG_COLUMNS)[number];

/** An entry put right: what of it is otherwise. */
export interface Fix {
  readonly id: string;
  readonly fixed: { readonly at?: string; readonly minutes?: number; readonly grams?: number; readonly words?: string };
}

/** A line that is no entry yet. */
export type Added =
  | {
      readonly kind: 'row';
      readonly at: string;
      readonly areaId: string;
      readonly row: number;
      readonly minutes: number;
    }
  | {
      readonly kind: 'wool';
      readonly at: string;
      readonly areaId: string;
      readonly lotId: string;
      readonly grams: number;
    }
  | { readonly kind: 'note'; readonly at: string; readonly areaId: string; readonly words: string };

type LogRead =
  | { readonly ok: true; readonly fixes: readonly Fix[]; readonly added: readonly Added[]; readonly same: number }
  | { readonly ok: false; readonly problems: readonly string[] };

/** What can be written in a table; all else is known only at the bench. */
const BY_HAND = ['row', 'wool', 'note'] as const;
const MOST_PROBLEMS = 20;
const LONGEST = 2000;

/** A cell without the mark that keeps it from being taken for a formula. */
const plain = (s: string): string => (/^'[=+\-@\t\r]/.test(s) ? s.slice(1) : s);

class Line {
  readonly problems: string[] = [];
  constructor(
    readonly number: number,
    readonly cells: Readonly<Record<string, string>>,
    readonly now: number,
  ) {}
  get(column: Column): string {
    return plain((this.cells[column] ?? '').trim());
  }
  wrong(says: string): void {
    this.problems.push(`Line ${this.number}: ${says}`);
  }
  figure(column: Column, kind: LogEntry['kind'], key: string): number | null {
    const said = this.get(column).replace(',', '.');
    const value = Number(said);
    const shape = kindOf(logEntrySchema, { kind }).shape as Record<string, z.core.$ZodType>;
    const { least, most } = boundsOf(shape[key]!);
    if (said !== '' && Number.isFinite(value) && value >= least && value <= most) return value;
    this.wrong(`${column} must be a number from ${least} to ${most}, and not “${this.get(column)}”.`);
    return null;
  }
  when(): string | null {
    const said = this.get('when');
    const at = Date.parse(said);
    const wrong = wrongTime(at, this.now);
    if (wrong === null) return new Date(at).toISOString();
    this.wrong(
      Number.isFinite(at)
        ? `when says ${said}. ${wrong}`
        : `when must be a date and time, such as 2026-03-01T18:30:00Z, and not “${said}”.`,
    );
    return null;
  }
}

/** What of a known entry the line says otherwise. */
function fixOf(line: Line, e: LogEntry): Fix['fixed'] {
  const fixed: { at?: string; minutes?: number; grams?: number; words?: string } = {};
  const at = line.when();
  if (at !== null && Date.parse(at) !== Date.parse(e.at)) fixed.at = at;
  if (e.kind === 'row' || e.kind === 'step') {
    const minutes = line.figure('minutes', e.kind, 'minutes');
    if (minutes !== null && minutes !== e.minutes) fixed.minutes = minutes;
  }
  if (e.kind === 'wool') {
    const grams = line.figure('grams', 'wool', 'grams');
    if (grams !== null && grams !== e.grams) fixed.grams = grams;
  }
  if (e.kind === 'note') {
    const words = line.get('words').slice(0, LONGEST);
    if (words === '') line.wrong('a note must not be empty; remove it in the log.');
    // As it went out: a mark against formulas is no word of the maker's.
    else if (words !== e.words.trim() && line.cells.words?.trim() !== plainCell(e.words).trim()) fixed.words = words;
  }
  return fixed;
}

function addedOf(line: Line, piece: Piece, { lots }: Pick<Cupboard, 'lots'>): Added | null {
  const what = line.get('what');
  const kind = BY_HAND.find((k) => LOG_WHAT[k] === what);
  if (!kind) {
    line.wrong(
      `a new line can be ${BY_HAND.map((k) => `“${LOG_WHAT[k]}”`).join(', ')}, and not “${what}”; the rest is written down at the bench.`,
    );
    return null;
  }
  const at = line.when();
  const called = line.get('area');
  const area = piece.areas.find((a) => a.name === called)?.id ?? piece.form.parts.find((p) => p.name === called)?.id;
  if (area === undefined && (called !== '' || kind !== 'note')) {
    line.wrong(`there is no area called “${called}”.`);
    return null;
  }
  const areaId = area ?? 'piece';
  if (kind === 'row') {
    const row = line.figure('row', 'row', 'row');
    const minutes = line.figure('minutes', 'row', 'minutes');
    return at === null || row === null || minutes === null ? null : { kind, at, areaId, row: Math.round(row), minutes };
  }
  if (kind === 'wool') {
    const wool = line.get('wool');
    const lot = lots.find((l) => l.name === wool);
    if (!lot) line.wrong(`there is no wool called “${wool}” in the cupboard.`);
    const grams = line.figure('grams', 'wool', 'grams');
    return at === null || !lot || grams === null ? null : { kind, at, areaId, lotId: lot.id, grams };
  }
  const words = line.get('words').slice(0, LONGEST);
  if (words === '') line.wrong('a note needs words.');
  return at === null || words === '' ? null : { kind, at, areaId, words };
}

/** @param now ms since 1970: nothing is written down of what is still to come */
export function readLogCsv(text: string, piece: Piece, cupboard: Pick<Cupboard, 'lots'>, now: number): LogRead {
  const { data, meta } = Papa.parse<Record<string, string>>(text.replace(/^\uFEFF/, '').trim(), { header: true });
  const missing = (['when', 'what', 'entry'] as const).filter((c) => !meta.fields?.includes(c));
  if (missing.length > 0)
    return {
      ok: false,
      problems: [`This is not a log saved here: it has no column ${missing.map((c) => `“${c}”`).join(', ')}.`],
    };
  const known = new Map(piece.log.map((e) => [e.id, e]));
  const fixes: Fix[] = [];
  const added: Added[] = [];
  const problems: string[] = [];
  const seen = new Set<string>();
  let same = 0;
  data.forEach((cells, i) => {
    // The head is line 1.
    const line = new Line(i + 2, cells, now);
    if (Object.values(cells).every((c) => String(c).trim() === '')) return;
    const id = line.get('entry');
    const e = known.get(id);
    if (id !== '' && !e) line.wrong(`the log has no entry “${id}”: leave that cell empty for a new one.`);
    else if (seen.has(id) && id !== '') line.wrong(`the entry “${id}” stands in the table twice.`);
    else if (e) {
      const fixed = fixOf(line, e);
      if (Object.keys(fixed).length > 0) fixes.push({ id, fixed });
      else same++;
    } else {
      const a = addedOf(line, piece, cupboard);
      if (a) added.push(a);
    }
    seen.add(id);
    problems.push(...line.problems);
  });
  if (problems.length > 0) {
    const more = problems.length - MOST_PROBLEMS;
    return { ok: false, problems: [...problems.slice(0, MOST_PROBLEMS), ...(more > 0 ? [`And ${more} more.`] : [])] };
  }
  return { ok: true, fixes, added, same };
}
