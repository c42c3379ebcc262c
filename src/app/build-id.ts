/** Which build of the program this server serves. */
import { readFile } from 'node:fs/promises';
import { join } from 'node:path';

/** Where the build is. */
export const BUILD_HOME = join(process.cwd(), '.next');

/** @returns null while the sources are being written */
export async function buildId(): Promise<string | null> {
  if (process.env.NODE_ENV === 'development') return null;
  return (await readFile(join(BUILD_HOME, 'BUILD_ID'), 'utf8')).trim();
}
