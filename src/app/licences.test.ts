import { readFileSync } from 'node:fs';
import { describe, expect, it } from 'vitest';
import { licencesText, shipped } from './licences';

describe('what ships with the program', () => {
  const all = shipped();
  it('may go along with a program under MIT', () => {
    // Permissive licences, by the list of SPDX; the typeface and the table of browsers by licences for fonts and for data.
    const free =
      /^(MIT|ISC|0BSD|BSD-2-Clause|BSD-3-Clause|Apache-2\.0|Unlicense|BlueOak-1\.0\.0|OFL-1\.1|CC-BY-4\.0|\(MIT (OR|AND) .+\)|MIT AND .+)$/;
    expect(all.filter((p) => !free.test(p.licence)).map((p) => `${p.name}: ${p.licence}`)).toEqual([]);
  });

  it('is listed whole, each with the words of its licence', () => {
    const { dependencies } = JSON.parse(readFileSync('package.json', 'utf8')) as {
      dependencies: Record<string, string>;
    };
    const text = licencesText();
    for (const [name, version] of Object.entries(dependencies)) expect(text).toContain(`${name} ${version} (`);
    const wordless = all.filter((p) => p.text === '').map((p) => p.name);
    expect(wordless.length / all.length, wordless.join(', ')).toBeLessThan(0.1);
    expect(text).toContain('SIL OPEN FONT LICENSE');
  });

  it('names nothing it is only tested with', () => {
    for (const name of ['vitest', '@playwright/test', 'eslint', 'fake-indexeddb'])
      expect(all.map((p) => p.name)).not.toContain(name);
  });
});
