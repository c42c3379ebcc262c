/** The font files as a server or the command line reads them: out of the installed package. */
import { readFile } from 'node:fs/promises';
import { createRequire } from 'node:module';
import { dirname, join } from 'node:path';
import { readFonts, type SheetFonts } from './fonts';

let read: Promise<SheetFonts> | null = null;

export function fontsOnDisk(): Promise<SheetFonts> {
  // The package is found from where the server or the command runs, so bundling does not move it.
  const need = createRequire(join(process.cwd(), 'package.json'));
  const home = dirname(need.resolve('@fontsource/atkinson-hyperlegible-next/package.json'));
  return (read ??= readFonts((f) => readFile(join(home, 'files', `atkinson-hyperlegible-next-${f}-normal.woff`))));
}
