/** The font files of the sheets as a page has them: served with the program, read once. */
import { readFonts, type FontFile, type SheetFonts } from '@/sheets/fonts';

const FILES: Readonly<Record<FontFile, URL>> = {
  'latin-400': new URL(
    '../../node_modules/@fontsource/atkinson-hyperlegible-next/files/atkinson-hyperlegible-next-latin-400-normal.woff',
    import.meta.url,
  ),
  'latin-700': new URL(
    '../../node_modules/@fontsource/atkinson-hyperlegible-next/files/atkinson-hyperlegible-next-latin-700-normal.woff',
    import.meta.url,
  ),
  'latin-ext-400': new URL(
    '../../node_modules/@fontsource/atkinson-hyperlegible-next/files/atkinson-hyperlegible-next-latin-ext-400-normal.woff',
    import.meta.url,
  ),
  'latin-ext-700': new URL(
    '../../node_modules/@fontsource/atkinson-hyperlegible-next/files/atkinson-hyperlegible-next-latin-ext-700-normal.woff',
    import.meta.url,
  ),
};

let read: Promise<SheetFonts> | null = null;

async function fetched(file: FontFile): Promise<Uint8Array> {
  const answer = await fetch(FILES[file]);
  if (!answer.ok) throw new Error('The typeface of the sheets could not be read.');
  return new Uint8Array(await answer.arrayBuffer());
}

export async function sheetFonts(): Promise<SheetFonts> {
  try {
    return await (read ??= readFonts(fetched));
  } catch (e) {
    // Tried again at the next sheet.
    read = null;
    throw e;
  }
}
