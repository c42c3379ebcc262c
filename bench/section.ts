/** The performance document: one section of it, or all but the sections that were measured otherwise. */
import { readFileSync, writeFileSync } from 'node:fs';

const path = `${import.meta.dirname}/../docs/performance.md`;

/** Puts one section in place of its older one; the others stay. @param section begins with its own heading, `## name` */
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

/** Puts the whole document in place; sections it does not have are kept behind it. */
export function putDocument(document: string): void {
  const parts = (text: string) => text.split(/\n(?=## )/).map((p) => p.trimEnd());
  const nameOf = (part: string) => part.split('\n', 1)[0]!;
  const fresh = parts(document);
  const had = new Set(fresh.map(nameOf));
  const kept = parts(readFileSync(path, 'utf8')).filter((p) => p.startsWith('## ') && !had.has(nameOf(p)));
  writeFileSync(path, `${[...fresh, ...kept].join('\n\n')}\n`);
}
