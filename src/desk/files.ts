/** Files in and out of the browser: piece files to save and open, sheets made in the worker. */
import type { Cupboard } from '@/core/piece/cupboard';
import type { Hand } from '@/core/piece/hand';
import { parsePiece, type Problem } from '@/core/piece/read';
import type { Piece } from '@/core/piece/schema';
import { connect } from './connection';
import { report } from './report';
import { optionsFor, sheetOptions, type Settings } from './settings';
import type { SheetKind } from '@/sheets/make-sheet';
import { endingOf, isZip, LARGEST, packed, unpacked } from './bundle';
import { say } from './store';
import { loadPicture, loadPiece, savePicture, savePiece } from './storage';

/** Hands a file to the maker. */
export function saveBlob(name: string, blob: Blob): void {
  const url = URL.createObjectURL(blob);
  const a = document.createElement('a');
  a.href = url;
  a.download = name;
  document.body.append(a);
  a.click();
  a.remove();
  setTimeout(() => URL.revokeObjectURL(url), 10_000);
}

/** Names of the photographs a piece goes by: references, faces, and those of its log. */
const picturesOf = ({ references, face, log }: Pick<Piece, 'references' | 'face' | 'log'>): string[] => [
  ...references.map((r) => r.id),
  ...(face?.photos ?? []).map((p) => p.id),
  ...log.flatMap((e) => (e.kind === 'photo' ? [e.id] : [])),
];

/** Those of them that are in this browser. */
async function picturesHere(piece: Piece, of = picturesOf(piece)): Promise<Map<string, Uint8Array>> {
  const found = new Map<string, Uint8Array>();
  for (const name of of) {
    const blob = await loadPicture(piece.id, name);
    if (blob) found.set(name, new Uint8Array(await blob.arrayBuffer()));
  }
  return found;
}

/** The piece as a file; where it has photographs here, with them as a zip. */
export async function savePieceFile(piece: Piece): Promise<void> {
  const json = `${JSON.stringify(piece, null, 2)}\n`;
  const pictures = await picturesHere(piece).catch(() => {
    say(`The photographs of ${piece.name} could not be read here: the file is the piece without them.`);
    return new Map<string, Uint8Array>();
  });
  if (pictures.size === 0) saveBlob(`${piece.id}.json`, new Blob([json], { type: 'application/json' }));
  else saveBlob(`${piece.id}.zip`, new Blob([packed(json, pictures) as BlobPart], { type: 'application/zip' }));
}

/** Hands out what is stored as it is, for whoever can still read it. */
export function saveRecordFile(name: string, raw: unknown): void {
  saveBlob(`${name}.json`, new Blob([`${JSON.stringify(raw, null, 2)}\n`], { type: 'application/json' }));
}

/** Hands out what went wrong in this window. */
export function saveReportFile(): void {
  saveRecordFile(`fond-badger-report-${new Date().toISOString().slice(0, 10)}`, report());
}

type OpenedFile =
  | { readonly ok: true; readonly id: string; readonly renamed: boolean }
  | { readonly ok: false; readonly problems: readonly Problem[] };

const refused = (file: File, says: string) => ({ ok: false as const, problems: [{ where: file.name, says }] });

/** What a file holds: a piece, by itself or with its photographs. */
async function unpack(
  file: File,
): Promise<Exclude<ReturnType<typeof unpacked>, { ok: false }> | { ok: false; problems: readonly Problem[] }> {
  const zip = isZip(new Uint8Array(await file.slice(0, 4).arrayBuffer()));
  if (!zip && file.size > LARGEST.json)
    return refused(file, 'The file is larger than 20 MB; a piece file is far smaller.');
  if (!zip) return { ok: true, json: await file.text(), pictures: new Map() };
  if (file.size > LARGEST.zip)
    return refused(file, 'The file is larger than 200 MB; a piece with its photographs is smaller.');
  return unpacked(file.name, new Uint8Array(await file.arrayBuffer()));
}

/** Puts a piece from a file on the shelf, its photographs with it. One with the same name there stays; the new one is put beside it. */
export async function openPieceFile(file: File): Promise<OpenedFile> {
  const unpacked = await unpack(file);
  if (!unpacked.ok) return unpacked;
  const read = parsePiece(unpacked.json);
  if (!read.ok) return { ok: false, problems: read.problems };
  let piece = read.value;
  const there = await loadPiece(piece.id);
  const renamed = there !== null && JSON.stringify(there.piece) !== JSON.stringify(piece);
  if (renamed) piece = { ...piece, id: freshId(piece.id), name: `${piece.name} (from file)`.slice(0, 80) };
  const named = picturesOf(piece).filter((name) => unpacked.pictures.has(name));
  try {
    // Those of a piece that is here already stay as they are.
    for (const name of named)
      if (renamed || !(await loadPicture(piece.id, name)))
        await savePicture(piece.id, name, unpacked.pictures.get(name)!);
    await savePiece(piece);
  } catch (e) {
    return refused(file, `It could not be kept in this browser: ${e instanceof Error ? e.message : String(e)}.`);
  }
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

/** Photographs of the log that are in this browser, as paper takes them. */
async function photographsOf(piece: Piece): Promise<Record<string, Uint8Array>> {
  const of = piece.log.flatMap((e) => (e.kind === 'photo' ? [e.id] : []));
  const onPaper = [...(await picturesHere(piece, of))].filter(([, bytes]) => /^(jpg|png)$/.test(endingOf(bytes) ?? ''));
  return Object.fromEntries(onPaper);
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
  saveBlob(made.name, new Blob([made.body as BlobPart], { type: made.type }));
}
