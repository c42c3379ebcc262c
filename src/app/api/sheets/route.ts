/**
 * The sheets' door: POST a piece with its cupboard and hand, get the row sheets, the face card or the bench book (PDF), the cut
 * list (CSV) or the sittings as a calendar (ICS). Nothing is kept. Problems are answered as RFC 9457 problem details.
 */
import { z } from 'zod';
import { readCupboard, readHand, readPiece, type Problem } from '@/core/piece/read';
import { makePlan } from '@/core/plan';
import { planOptions, settingsSchema } from '@/desk/settings';
import { benchBook } from '@/sheets/bench-book';
import { sittingsCalendar } from '@/sheets/calendar';
import { cutListCsv } from '@/sheets/cut-list';
import { faceCard } from '@/sheets/face-sheets';
import { rowSheets } from '@/sheets/row-sheets';

export const runtime = 'nodejs';
export const dynamic = 'force-dynamic';

const FORMATS = ['pdf', 'csv', 'face', 'book', 'ics'] as const;
type Format = (typeof FORMATS)[number];

const LARGEST_BODY = 4 * 1024 * 1024;

const bodySchema = z.strictObject({
  piece: z.unknown().optional(),
  cupboard: z.unknown().optional(),
  hand: z.unknown().optional(),
  settings: settingsSchema.default(settingsSchema.parse({})),
});

function problem(status: number, title: string, detail: string, errors: readonly Problem[] = []): Response {
  return Response.json(
    { type: 'about:blank', title, status, detail, ...(errors.length > 0 ? { errors } : {}) },
    { status, headers: { 'Content-Type': 'application/problem+json', 'Cache-Control': 'no-store' } },
  );
}

/** Reads the body but never more than the limit. @returns null when it is larger */
async function readBody(request: Request): Promise<string | null> {
  if (Number(request.headers.get('Content-Length') ?? 0) > LARGEST_BODY) return null;
  const reader = request.body?.getReader();
  if (!reader) return '';
  const parts: Uint8Array[] = [];
  let size = 0;
  for (;;) {
    const { done, value } = await reader.read();
    if (done) break;
    size += value.byteLength;
    if (size > LARGEST_BODY) {
      await reader.cancel();
      return null;
    }
    parts.push(value);
  }
  return Buffer.concat(parts).toString('utf8');
}

export async function POST(request: Request): Promise<Response> {
  const format = new URL(request.url).searchParams.get('format');
  if (!FORMATS.includes(format as Format)) {
    return problem(400, 'Unknown sheet', 'format must be pdf, csv, face, book or ics');
  }
  if (!request.headers.get('Content-Type')?.startsWith('application/json')) {
    return problem(415, 'Not a piece', 'The request must carry JSON with a piece, a cupboard and a hand.');
  }
  const text = await readBody(request);
  if (text === null) return problem(413, 'Too large', 'A piece with its cupboard must not be larger than 4 MB.');
  let raw: unknown;
  try {
    raw = JSON.parse(text);
  } catch {
    return problem(400, 'Not a piece', 'The request is not readable JSON.');
  }
  const body = bodySchema.safeParse(raw);
  if (!body.success)
    return problem(422, 'Not a piece', body.error.issues[0]?.message ?? 'The request is not complete.');
  const piece = readPiece(body.data.piece);
  const cupboard = readCupboard(body.data.cupboard);
  const hand = readHand(body.data.hand);
  for (const [what, read] of [
    ['piece', piece],
    ['cupboard', cupboard],
    ['hand', hand],
  ] as const) {
    if (!read.ok) {
      const first = read.problems[0]!;
      return problem(422, `The ${what} cannot be used`, `${first.where}: ${first.says}`, read.problems);
    }
  }
  if (!piece.ok || !cupboard.ok || !hand.ok) return problem(422, 'Not a piece', 'The request is not complete.');
  const { length, mass, currency, paper } = body.data.settings;
  const shape = planOptions(body.data.settings);
  try {
    const plan = makePlan(piece.value, cupboard.value, hand.value, undefined, shape);
    if (format === 'csv') {
      return file(
        `${piece.value.id}-cut-list.csv`,
        'text/csv; charset=utf-8',
        cutListCsv(piece.value, plan, cupboard.value.lots),
      );
    }
    const options = { units: { length, mass, currency }, paper, date: new Date() };
    if (format === 'face') {
      if (!plan.face) return problem(422, 'No face card', 'This piece has no face yet. Begin it under Face.');
      const card = await faceCard(piece.value, plan, cupboard.value, options);
      return file(`${piece.value.id}-face-card.pdf`, 'application/pdf', card as Uint8Array<ArrayBuffer>);
    }
    if (format === 'book') {
      const book = await benchBook(piece.value, plan, cupboard.value, options);
      return file(`${piece.value.id}-bench-book.pdf`, 'application/pdf', book as Uint8Array<ArrayBuffer>);
    }
    if (format === 'ics') {
      if (!piece.value.work.beginOn || plan.work.sittings.length === 0) {
        return problem(
          422,
          'No calendar',
          piece.value.work.beginOn
            ? 'Nothing is left to do.'
            : 'A calendar needs the day of the first sitting. Set it in Order, under Sittings and time.',
        );
      }
      const calendar = sittingsCalendar(piece.value, plan, cupboard.value, options.units, options.date);
      return file(`${piece.value.id}-sittings.ics`, 'text/calendar; charset=utf-8', calendar);
    }
    const pdf = await rowSheets(piece.value, plan, cupboard.value, options);
    return file(`${piece.value.id}-row-sheets.pdf`, 'application/pdf', pdf as Uint8Array<ArrayBuffer>);
  } catch (e) {
    return problem(500, 'The sheets could not be made', e instanceof Error ? e.message : String(e));
  }
}

function file(name: string, type: string, body: string | Uint8Array<ArrayBuffer>): Response {
  return new Response(body, {
    headers: {
      'Content-Type': type,
      'Content-Disposition': `attachment; filename="${name}"`,
      'Cache-Control': 'no-store',
    },
  });
}
