/** Where the plans shared by the tests lie: a folder named by all that makes them, so that none can be stale. */
import { createHash } from 'node:crypto';
import { readdirSync, readFileSync } from 'node:fs';
import { join } from 'node:path';
import { planMark } from '../plan-mark.mjs';

const root = join(import.meta.dirname, '../..');
export const PLANS = join(root, 'out/plans');

/**
 * @param {(file: string) => Buffer | string} read how a file is read; tests hand in changed ones
 * @returns {string} the folder of the plans of exactly these sources and demos
 */
export function plansDir(read = (file) => readFileSync(join(root, file))) {
  const sum = createHash('sha256').update(planMark(read));
  const demos = readdirSync(join(root, 'demo')).sort();
  for (const f of demos) sum.update(`${f}\n`).update(read(`demo/${f}`));
  return join(PLANS, sum.digest('hex').slice(0, 20));
}
