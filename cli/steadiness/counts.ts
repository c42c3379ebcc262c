/** How many cases the tests of steadiness try, and what they counted: a tenth in every run, all in `./test --long`. */
import { mkdirSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';

const root = join(import.meta.dirname, '../..');

/** Whether all cases are tried. */
export const LONG = process.env.LONG === '1';

/** @param tenth cases of a run that is not long */
export const cases = (tenth: number): number => (LONG ? 10 * tenth : tenth);

/** Counts of all cases are kept apart from those of a tenth. */
const COUNTS = join(root, LONG ? 'out/steadiness' : 'out/tests/steadiness');

/** Writes down what a test counted, for `docs/steadiness.md`. */
export function told(name: string, counted: Readonly<Record<string, number | string>>): void {
  mkdirSync(COUNTS, { recursive: true });
  writeFileSync(join(COUNTS, `${name}.json`), `${JSON.stringify(counted, null, 2)}\n`);
}
