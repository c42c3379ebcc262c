/**
 * The sheets' door: POST a piece with its cupboard and hand, get the row sheets, the face card or the bench book (PDF), the cut
 * list (CSV) or the sittings as a calendar (ICS). Nothing is kept. Problems are answered as RFC 9457 problem details.
 */
import { SHEETS, type SheetKind } from '@/sheets/make-sheet';
import { answered } from './threads';

export const runtime = 'nodejs';
export const dynamic = 'force-dynamic';

const LARGEST_BODY = 4 * 1024 * 1024;
/** When it is worth asking again, s. */
const AGAIN = 10;

const problem = (status: number, title: string, detail: string, more: object = {}, headers: object = {}): Response =>
  Response.json(
    { type: 'about:blank', title, status, detail, ...more },
    { status, headers: { 'Content-Type': 'application/problem+json', 'Cache-Control': 'no-store', ...headers } },
  );

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

const isKind = (x: string | null): x is SheetKind => SHEETS.some((k) => k === x);

export async function POST(request: Request): Promise<Response> {
  const format = new URL(request.url).searchParams.get('format');
  if (!isKind(format)) return problem(400, 'Unknown sheet', 'format must be pdf, csv, face, book or ics');
  if (!request.headers.get('Content-Type')?.startsWith('application/json')) {
    return problem(415, 'Not a piece', 'The request must carry JSON with a piece, a cupboard and a hand.');
  }
  const text = await readBody(request);
  if (text === null) return problem(413, 'Too large', 'A piece with its cupboard must not be larger than 4 MB.');
  const a = await answered({ kind: format, text });
  if (a === null) {
    const says = 'Other sheets are being made and more are waiting. Try again in a moment.';
    return problem(429, 'Too many at once', says, {}, { 'Retry-After': String(AGAIN) });
  }
  if (!a.ok) return problem(a.status, a.title, a.detail, a.errors ? { errors: a.errors } : {});
  return new Response(a.body as string | Uint8Array<ArrayBuffer>, {
    headers: {
      'Content-Type': a.type,
      'Content-Disposition': `attachment; filename="${a.name}"`,
      'Cache-Control': 'no-store',
    },
  });
}
