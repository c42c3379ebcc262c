/**
 * A piece with its photographs in one file: a zip that any program can unpack, the piece as JSON and the pictures beside it. What comes from
 * outside is unpacked only as far as it says it is ours and small enough.
 */
import { strToU8, unzipSync, zipSync, type Zippable } from 'fflate';
import type { Problem } from '@/core/piece/read';

/** Names inside the zip. */
const PIECE = 'piece.json';
const PICTURE = /^photographs\/([a-z0-9][a-z0-9-]{0,199})\.(jpg|png|webp)$/;

const MB = 1024 * 1024;
/** A photograph as it comes off a camera is kept too; with a hundred of the smaller ones a piece takes some 40 MB. */
export const LARGEST = { zip: 200 * MB, json: 20 * MB, picture: 40 * MB, all: 300 * MB, files: 1000 } as const;

const TYPES = { jpg: 'image/jpeg', png: 'image/png', webp: 'image/webp' } as const;
type Ending = keyof typeof TYPES;

/** What a picture is, by how it begins; null where it is none that a browser shows everywhere. */
export function endingOf(b: Uint8Array): Ending | null {
  const at = (from: number, words: string) => [...words].every((c, i) => b[from + i] === c.charCodeAt(0));
  if (b[0] === 0xff && b[1] === 0xd8 && b[2] === 0xff) return 'jpg';
  if (b[0] === 0x89 && at(1, 'PNG\r\n\x1a\n')) return 'png';
  return at(0, 'RIFF') && at(8, 'WEBP') ? 'webp' : null;
}

/** The same bytes whenever it is packed. */
const DAY = new Date(1980, 0, 1);

/** @param pictures by the name each is kept under; what is no picture is left out */
export function packed(json: string, pictures: ReadonlyMap<string, Uint8Array>): Uint8Array {
  const files: Zippable = { [PIECE]: [strToU8(json), { level: 6, mtime: DAY }] };
  for (const [name, bytes] of [...pictures].sort(([a], [b]) => (a < b ? -1 : 1))) {
    const ending = endingOf(bytes);
    // They are packed already.
    if (ending) files[`photographs/${name}.${ending}`] = [bytes, { level: 0, mtime: DAY }];
  }
  return zipSync(files);
}

/** Whether a file is a zip, by how it begins. */
export const isZip = (b: Uint8Array): boolean => b[0] === 0x50 && b[1] === 0x4b && b[2] === 3 && b[3] === 4;

interface Unpacked {
  readonly ok: true;
  readonly json: string;
  readonly pictures: ReadonlyMap<string, Blob>;
}

const refused = (where: string, says: string) => ({ ok: false as const, problems: [{ where, says }] });

/** @param name of the file, for what is said of it */
export function unpacked(
  name: string,
  bytes: Uint8Array,
): Unpacked | { readonly ok: false; readonly problems: readonly Problem[] } {
  let [all, count] = [0, 0];
  let tooLarge: string | null = null;
  let files: Record<string, Uint8Array>;
  try {
    files = unzipSync(bytes, {
      filter(f) {
        const most = f.name === PIECE ? LARGEST.json : PICTURE.test(f.name) ? LARGEST.picture : 0;
        if (most === 0 || tooLarge) return false;
        all += f.originalSize;
        count++;
        if (f.originalSize > most || all > LARGEST.all || count > LARGEST.files) tooLarge = f.name;
        return tooLarge === null;
      },
    });
  } catch {
    return refused(name, 'The file is damaged: it cannot be unpacked.');
  }
  if (tooLarge !== null)
    return refused(
      tooLarge,
      `Unpacked it is more than is taken: at most 20 MB for the piece, 40 MB for a photograph, 300 MB in all.`,
    );
  const piece = files[PIECE];
  if (!piece) return refused(name, `There is no ${PIECE} in it: it is not a piece with its photographs.`);
  const pictures = new Map<string, Blob>();
  for (const [file, content] of Object.entries(files)) {
    const [, picture] = PICTURE.exec(file) ?? [];
    if (picture === undefined) continue;
    const ending = endingOf(content);
    if (!ending) return refused(file, 'It is not a photograph as JPEG, PNG or WebP.');
    pictures.set(picture, new Blob([content as BlobPart], { type: TYPES[ending] }));
  }
  return { ok: true, json: new TextDecoder().decode(piece), pictures };
}
