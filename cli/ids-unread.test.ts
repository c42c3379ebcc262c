/** Nothing is read out of an id: what a thing is stands in fields of its own (docs/architecture.md). */
import { readdirSync, readFileSync } from 'node:fs';
import { join } from 'node:path';
import { describe, expect, it } from 'vitest';

const root = join(import.meta.dirname, '..', 'src');
const files = readdirSync(root, { recursive: true, encoding: 'utf8' }).filter(
  (f) => /\.tsx?$/.test(f) && !f.endsWith('.test.ts') && !f.startsWith('core/piece/upgrades/'),
);

/** An id asked for a part of it, or held against a pattern or a word of ours. */
const READ = [
  /\b(?:\w*Id|id|code)[!?]?\.(?:startsWith|endsWith|includes|match|matchAll|search|split|indexOf|replace|replaceAll)\(/,
  /\/[^/\n]+\/[a-z]*\.(?:test|exec)\([^)\n]*\b(?:\w*Id|id)\b/,
  /(?<!typeof [\w.]*)(?:\b\w+Id|\.id)\s*[!=]==?\s*['"]/,
];

const read = (text: string): string[] =>
  text.split('\n').filter((line) => !/^\s*(\*|\/\/|\/\*)/.test(line) && READ.some((r) => r.test(line)));

describe('ids', () => {
  it('are read nowhere in src', () => {
    const found = files.flatMap((f) => read(readFileSync(join(root, f), 'utf8')).map((line) => `${f}: ${line.trim()}`));
    expect(found).toEqual([]);
  });
  it.each([
    `f.id.startsWith('coat-')`,
    `o.id.includes('winds')`,
    `const x = /^face-eyes/.test(o.id);`,
    `lotId.endsWith('-top')`,
    `f.code.startsWith('shade-')`,
    `parts.find((p) => p.id === 'skull')`,
    `/skull|head/i.test(\`\${p.part.id} \${p.part.name}\`)`,
  ])('read would be found: %s', (line) => {
    expect(read(line)).toHaveLength(1);
  });
  it.each([
    `chosen.includes(w.method)`,
    `ids.includes(x.id)`,
    `parts.find((p) => p.id === id)`,
    `/a/.test(name)`,
    `typeof x.id === 'string'`,
  ])('used as a whole is no reading: %s', (line) => {
    expect(read(line)).toEqual([]);
  });
});
