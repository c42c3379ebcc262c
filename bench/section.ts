/** Puts one section of the performance document in place of its older one; the others stay. */
import { readFileSync, writeFileSync } from 'node:fs';

const path = `${import.meta.dirname}/../docs/performance.md`;

/** @param section begins with its own heading, `## name` */
export function putSection(section: string): void {
  const name = section.split('\n', 1)[0]!;
  const parts = readFileSync(path, 'utf8')
    .split(/\n(?=## )/)
    .map((p) => p.trimEnd());
  const at = parts.findIndex((p) => p.startsWith(`${name}\n`));
  if (at >= 0) parts[at] = section.trimEnd();
  else parts.push(section.trimEnd());
  writeFileSync(path, `${parts.join('\n\n')}\n`);
}
