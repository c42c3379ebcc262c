/** Builds the app unless it has been built from exactly these sources. */
import { execFileSync } from 'node:child_process';
import { createHash } from 'node:crypto';
import { existsSync, readdirSync, readFileSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';

const root = join(import.meta.dirname, '..');
const sum = createHash('sha256');
const files = ['src', 'demo', 'public'].flatMap((d) =>
  readdirSync(join(root, d), { recursive: true, withFileTypes: true })
    .filter((e) => e.isFile() && !/\.test\.tsx?$/.test(e.name))
    .map((e) => join(e.parentPath, e.name))
    .sort(),
);
for (const own of ['package-lock.json', 'next.config.ts', 'tsconfig.json', 'cli/plan-mark.mjs']) {
  files.push(join(root, own));
}
for (const f of files) sum.update(f.slice(root.length)).update(readFileSync(f));
const sources = sum.digest('hex');

const mark = join(root, '.next/built-from');
const built = existsSync(join(root, '.next/BUILD_ID')) && existsSync(mark) && readFileSync(mark, 'utf8') === sources;
if (!built) {
  execFileSync(join(root, 'node_modules/.bin/next'), ['build'], { cwd: root, stdio: 'inherit' });
  writeFileSync(mark, sources);
}
