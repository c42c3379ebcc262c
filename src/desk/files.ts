/** Files in and out of the browser: piece files to save and open, sheets made in the worker. */
import type { Cupboard } from '@/core/piece/cupboard';
import type { Hand } from '@/core/piece/hand';
import { parsePiece, type Problem } from '@/core/piece/read';
import type { Piece } from '@/core/piece/schema';
import { connect } from './connection';
import { report } from './report';
import { optionsFor, sheetOptions, type Settings } from './settings';
import type { SheetKind } from '@/sheets/make-sheet';
import { loadPicture, loadPiece, savePiece } from './storage';

function hand(name: string, blob: Blob): void {
  const url = URL.createObjectURL(blob);
  const a = document.createElement('a');
  a.href = url;
  a.download = name;
  document.body.append(a);
  a.click();
  a.remove();
  setTimeout(() => URL.revokeObjectURL(url), 10_000);
}

export function savePieceFile(piece: Piece): void {
  hand(`${piece.id}.json`, new Blob([`${JSON.stringify(piece, null, 2)}\n`], { type: 'application/json' }));
}

/** Hands out what is stored as it is, for whoever can still read it. */
export function saveRecordFile(name: string, raw: unknown): void {
  hand(`${name}.json`, new Blob([`${JSON.stringify(raw, null, 2)}\n`], { type: 'application/json' }));
}

/** Hands out what went wrong in this window. */
export function saveReportFile(): void {
  saveRecordFile(`fond-badger-report-${new Date().toISOString().slice(0, 10)}`, report());
}

type OpenedFile =
  | { readonly ok: true; readonly id: string; readonly renamed: boolean }
  | { readonly ok: false; readonly problems: readonly Problem[] };

const LARGEST_FILE = 20 * 1024 * 1024;

/** Puts a piece from a file on the shelf. One with the same name there stays; the new one is put beside it. */
export async function openPieceFile(file: File): Promise<OpenedFile> {
  if (file.size > LARGEST_FILE) {
    return {
      ok: false,
      problems: [{ where: file.name, says: 'The file is larger than 20 MB; a piece file is far smaller.' }],
    };
  }
  const read = parsePiece(await file.text());
  if (!read.ok) return { ok: false, problems: read.problems };
  let piece = read.value;
  const there = await loadPiece(piece.id);
  const renamed = there !== null && JSON.stringify(there.piece) !== JSON.stringify(piece);
  if (renamed) piece = { ...piece, id: freshId(piece.id), name: `${piece.name} (from file)`.slice(0, 80) };
  await savePiece(piece);
  return { ok: true, id: piece.id, renamed };
}

/** A name for a new document that no other one has. */
export function freshId(stem: string): string {
  const base =
    stem
      .toLowerCase()
      .replace(/[^a-z0-9]+/g, '-')
      .replace(/^-+|-+$/g, '')
      .slice(0, 40) || 'piece';
  return `${base}-${fewLetters()}`;
}

/** Eight random letters and figures; works also where the page did not come over a safe line. */
export const fewLetters = (): string =>
  Array.from(crypto.getRandomValues(new Uint8Array(4)), (b) => b.toString(16).padStart(2, '0')).join('');

/** Photographs of the log that are in this browser, for paper. */
async function photographsOf({ id, log }: Piece): Promise<Record<string, Uint8Array>> {
  const of = log.flatMap((e) => (e.kind === 'photo' ? [e.id] : []));
  const found = await Promise.all(
    of.map(async (entry) => {
      const blob = await loadPicture(id, entry);
      return blob && /^image\/(jpeg|png)$/.test(blob.type)
        ? ([entry, new Uint8Array(await blob.arrayBuffer())] as const)
        : null;
    }),
  );
  return Object.fromEntries(found.filter((x) => x !== null));
}

/**
 * Makes a sheet of the piece in the worker and hands it to the maker as a file.
 * @throws in words, where it cannot be made
 */
export async function saveSheet(
  kind: SheetKind,
  { settings, ...what }: { piece: Piece; cupboard: Cupboard; hand: Hand; settings: Settings },
): Promise<void> {
  const pictures = kind === 'story' ? await photographsOf(what.piece) : {};
  const made = await connect()
    .sheet(kind, what, optionsFor(what.piece, settings), { ...sheetOptions(settings), date: new Date(), pictures })
    .catch((e: unknown) => {
      throw new Error(`The sheets could not be made: ${e instanceof Error ? e.message : String(e)}`);
    });
  if ('none' in made) throw new Error(made.none);
  hand(made.name, new Blob([made.body as BlobPart], { type: made.type }));
}
