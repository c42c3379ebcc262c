/** The font files sheets are set from; whoever makes sheets brings them, since a page reads them elsewhere than a server. */
import { unpackWoff } from './woff';

const FONT_FILES = ['latin-400', 'latin-700', 'latin-ext-400', 'latin-ext-700'] as const;
export type FontFile = (typeof FONT_FILES)[number];

/** Plain font files by what is in them. */
export type SheetFonts = Readonly<Record<FontFile, Uint8Array>>;

/** @param read how a packed file (WOFF 1.0) is read */
export async function readFonts(read: (file: FontFile) => Promise<Uint8Array>): Promise<SheetFonts> {
  const plain = await Promise.all(FONT_FILES.map(async (f) => [f, unpackWoff(await read(f))] as const));
  return Object.fromEntries(plain) as SheetFonts;
}
