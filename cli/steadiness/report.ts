/** What the tests of steadiness counted, as a page of the documents. */
import { existsSync, readdirSync, readFileSync } from 'node:fs';
import { join } from 'node:path';

const COUNTS = join(import.meta.dirname, '../../out/steadiness');

type Counted = Readonly<Record<string, number | string>>;

/** What each is about, by the name it counts under. */
const ABOUT: Readonly<Record<string, string>> = {
  kills:
    'The browser is killed while a maker works: adding wool in one window and in two, changing figures, ticking off steps, opening files, opening the store of an older program. What the screen had said to be saved is there afterwards, and all of it can be read (`e2e/kills.spec.ts`).',
  interleavings:
    'Edits, undo and redo, taking pieces off and putting them back, leaving and coming back, opening files, in three windows at once and in any order, held against a simple model: every edit is in the end state, was overtaken by one that had seen it, or was refused in words (`cli/steadiness/interleavings.test.ts`).',
  mutations:
    'Damaged and hostile files: read and then planned without a figure that is none, or refused in words without a machine’s (`cli/steadiness/mutations.test.ts`).',
  door: 'Damaged and hostile requests at the server’s door: each answered as it should be, everything else answered meanwhile, and the memory given back (`e2e/door.spec.ts`).',
};

/** Counts of halves that ran beside each other are added up; what is a longest or a share is not. */
function together(all: readonly Counted[]): Counted {
  const sum: Record<string, number | string> = {};
  for (const [what, n] of all.flatMap((c) => Object.entries(c))) {
    const was = sum[what];
    if (typeof n !== 'number' || typeof was !== 'number') sum[what] = n;
    else sum[what] = /longest|times/.test(what) ? Math.max(was, n) : was + n;
  }
  return sum;
}

const written = (n: number | string): string =>
  typeof n === 'number' && !Number.isInteger(n) ? n.toFixed(2) : n.toLocaleString('en');

/** @param seed the random cases came from */
export function steadinessReport(seed: number): string {
  const files = existsSync(COUNTS) ? readdirSync(COUNTS).filter((f) => f.endsWith('.json')) : [];
  const read = (f: string) => JSON.parse(readFileSync(join(COUNTS, f), 'utf8')) as Counted;
  const parts = Object.entries(ABOUT).map(([name, about]) => {
    const mine = files.filter((f) => f.replace(/(-\d+)?\.json$/, '') === name).map(read);
    const rows = Object.entries(together(mine)).map(([what, n]) => `| ${what} | ${written(n)} |`);
    const table = rows.length > 0 ? ['| counted | |', '| --- | ---: |', ...rows] : ['Not run.'];
    return [`## ${name[0]!.toUpperCase()}${name.slice(1)}`, '', about, '', ...table, ''].join('\n');
  });
  return [
    '# Steadiness',
    '',
    `Made by \`./test --long\`, random cases from SEED=${seed}. A tenth of it runs in every \`./test\`, with other cases for each commit.`,
    'A case that fails fails the run; what is counted here held.',
    '',
    parts.join('\n'),
  ].join('\n');
}
