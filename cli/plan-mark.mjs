/**
 * A mark of everything a plan is made by: the sources of the computation and the libraries under it. A plan kept from
 * before is only taken when it carries the mark of this program.
 */
import { createHash } from 'node:crypto';
import { readdirSync, readFileSync } from 'node:fs';
import { join } from 'node:path';

const root = join(import.meta.dirname, '..');

/** @returns {string[]} the sources of the computation, without its tests, in a fixed order */
export const planSources = () =>
  readdirSync(join(root, 'src/core'), { recursive: true, encoding: 'utf8' })
    .filter((f) => f.endsWith('.ts') && !f.endsWith('.test.ts'))
    .map((f) => join('src/core', f))
    .sort();

/**
 * @param {(file: string) => Buffer | string} read how a file is read; tests hand in changed ones
 * @returns {string} 20 letters that change with any byte of what makes a plan
 */
export function planMark(read = (file) => readFileSync(join(root, file))) {
  const sum = createHash('sha256');
  for (const file of [...planSources(), 'package-lock.json']) sum.update(`${file}\n`).update(read(file));
  return sum.digest('hex').slice(0, 20);
}
