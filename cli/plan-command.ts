/**
 * The plan from the command line, as a function of its arguments:
 *   npm run plan -- demo/pine-marten.json --format json,pdf,csv,svg,book,ics,log,picture [--out DIR] [--cupboard FILE] [--hand FILE]
 *                   [--from aslant|left|right|front|above|face|sheet] [--light window|overcast|dusk] [--size 1600x1200] [--named]
 *                   [--length mm|in] [--paper a4|letter] [--shape fine|coarse] [--date YYYY-MM-DD]
 * Several formats are written from one plan: --format pdf,csv.
 * JSON, CSV and the calendar go to standard output unless --out is given; PDF, book and SVG need --out (default: the current folder).
 */
import { mkdirSync, readFileSync, writeFileSync } from 'node:fs';
import { dirname, join } from 'node:path';
import { parseArgs } from 'node:util';
import { defaultHand, makePlan, parsePiece, readCupboard, readHand, type Problem, type Read } from '../src/core';
import { LIGHTINGS } from '../src/core/picture/lighting';
import { SIDE_NAMES } from '../src/core/picture/viewpoints';
import { stillPicture } from '../src/sheets/still-picture';
import { layChartSvg } from '../src/sheets/lay-chart-svg';
import { planOptions } from '../src/desk/settings';
import { fontsOnDisk } from '../src/sheets/fonts-on-disk';
import { makeSheet, NoSheet, SHEETS } from '../src/sheets/make-sheet';
import type { SheetOptions } from '../src/sheets/paper';
import { planJson } from '../src/sheets/plan-json';

const FORMATS = ['json', 'pdf', 'csv', 'rows', 'tables', 'svg', 'book', 'ics', 'log', 'story', 'picture'] as const;

class Refused extends Error {}

function take<T>(read: Read<T>, file: string): T {
  if (read.ok) return read.value;
  throw new Refused(
    [`${file} cannot be used:`, ...read.problems.map((p: Problem) => `  ${p.where}: ${p.says}`)].join('\n'),
  );
}

function json(file: string): unknown {
  try {
    return JSON.parse(readFileSync(file, 'utf8'));
  } catch (e) {
    throw new Refused(`${file} cannot be read: ${(e as Error).message}`);
  }
}

/** Where its words go. */
export interface Io {
  readonly out: (text: string) => void;
  readonly err: (text: string) => void;
}

/** What a picture is asked to be. @throws {Refused} naming what it may be */
function pictureAsked({ from, light, size }: { readonly from: string; readonly light: string; readonly size: string }) {
  const sides = [...SIDE_NAMES, 'face', 'sheet'] as const;
  const side = sides.find((s) => s === from);
  if (!side) throw new Refused(`--from must be one of ${sides.join(', ')}`);
  if (!(light in LIGHTINGS)) throw new Refused(`--light must be one of ${Object.keys(LIGHTINGS).join(', ')}`);
  const [width, height] = (/^(\d{2,4})x(\d{2,4})$/.exec(size) ?? []).slice(1).map(Number);
  const fits = (n: number | undefined) => n !== undefined && n >= 100 && n <= 4000;
  if (!fits(width) || !fits(height))
    throw new Refused('--size must be such as 1600x1200, from 100 to 4000 pixels each way');
  return { from: side, light: light as keyof typeof LIGHTINGS, width: width!, height: height! };
}

async function command(args: readonly string[], io: Io): Promise<void> {
  const { values: v, positionals } = parseArgs({
    args: [...args],
    allowPositionals: true,
    options: {
      format: { type: 'string', default: 'json' },
      out: { type: 'string' },
      cupboard: { type: 'string' },
      hand: { type: 'string' },
      length: { type: 'string', default: 'mm' },
      paper: { type: 'string', default: 'a4' },
      shape: { type: 'string', default: 'fine' },
      date: { type: 'string' },
      from: { type: 'string', default: 'aslant' },
      light: { type: 'string', default: 'window' },
      size: { type: 'string', default: '1600x1200' },
      named: { type: 'boolean', default: false },
    },
  });
  const file = positionals[0];
  if (!file || positionals.length > 1)
    throw new Refused('Name one piece file, for example: npm run plan -- demo/pine-marten.json');
  const forms = FORMATS.filter((f) => v.format.split(',').includes(f));
  if (forms.length === 0 || v.format.split(',').some((f) => !FORMATS.some((known) => known === f)))
    throw new Refused(`--format must be one of ${FORMATS.join(', ')}, or several with commas between them`);
  const wants = (f: (typeof FORMATS)[number]): boolean => forms.includes(f);
  if (v.length !== 'mm' && v.length !== 'in') throw new Refused('--length must be mm or in');
  if (v.paper !== 'a4' && v.paper !== 'letter') throw new Refused('--paper must be a4 or letter');
  if (v.shape !== 'fine' && v.shape !== 'coarse') throw new Refused('--shape must be fine or coarse');
  const date = v.date ? new Date(`${v.date}T00:00:00Z`) : new Date();
  if (Number.isNaN(date.getTime())) throw new Refused('--date must be a date such as 2026-11-25');

  const picture = wants('picture') ? pictureAsked(v) : null;

  let text: string;
  try {
    text = readFileSync(file, 'utf8');
  } catch (e) {
    throw new Refused(`${file} cannot be read: ${(e as Error).message}`);
  }
  const piece = take(parsePiece(text), file);
  const box = v.cupboard ?? join(dirname(file), 'cupboard.json');
  const cupboard = take(readCupboard(json(box)), box);
  const hand = v.hand ? take(readHand(json(v.hand)), v.hand) : defaultHand;
  if (wants('ics') && !piece.work.beginOn)
    throw new Refused('A calendar needs the day of the first sitting (work.beginOn in the piece).');
  const plan = makePlan(piece, cupboard, hand, undefined, planOptions({ shape: v.shape }));

  const out =
    v.out ??
    (forms.length > 1 ||
    wants('pdf') ||
    wants('svg') ||
    wants('book') ||
    wants('tables') ||
    wants('story') ||
    wants('picture')
      ? '.'
      : undefined);
  const put = (name: string, data: string | Uint8Array): void => {
    if (out === undefined) {
      io.out(data as string);
      return;
    }
    mkdirSync(out, { recursive: true });
    writeFileSync(join(out, name), data);
    io.err(`${join(out, name)}\n`);
  };
  if (wants('json')) put(`${piece.id}.plan.json`, `${planJson(plan)}\n`);
  const units = { length: v.length, mass: 'g', currency: '' } as const;
  const options: SheetOptions = { units, paper: v.paper, date, fonts: await fontsOnDisk() };
  for (const kind of SHEETS) {
    // The face card comes with the row sheets, where there is a face.
    if (kind === 'face' ? !wants('pdf') || !plan.face : !wants(kind)) continue;
    const { name, body } = await makeSheet(kind, piece, plan, cupboard, hand, options);
    put(name, body);
  }
  if (picture) {
    const png = stillPicture(piece, plan, cupboard, { ...picture, named: v.named ? units : null }, options.fonts);
    if (!png) throw new Refused('This piece has no face yet: begin it, or take another side.');
    put(`${piece.id}-${picture.from}.png`, png);
  }
  if (wants('svg')) {
    for (const a of plan.coat.areas) {
      const svg = layChartSvg(a);
      if (svg) put(`${piece.id}-${a.id}.svg`, svg);
    }
  }
}

/** @returns 0, or 1 when it was refused or failed, which is said on `err` */
export async function planCommand(args: readonly string[], io: Io): Promise<number> {
  try {
    await command(args, io);
    return 0;
  } catch (e) {
    const refused =
      e instanceof Refused || e instanceof NoSheet || (e as { code?: string }).code?.startsWith('ERR_PARSE_ARGS');
    io.err(`${refused ? (e as Error).message : String((e as Error).stack)}\n`);
    return 1;
  }
}
