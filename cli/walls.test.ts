import { ESLint } from 'eslint';
import { describe, expect, it } from 'vitest';

const eslint = new ESLint();
const complaints = async (file: string, code: string) =>
  (await eslint.lintText(code, { filePath: file }))[0]!.messages
    .map((m) => m.ruleId)
    .filter((r) => r?.startsWith('no-restricted'));

describe('the walls between rooms', () => {
  it.each([
    ['src/core/coat/x.ts', `import { useState } from 'react'; export default useState;`],
    ['src/core/coat/x.ts', `import { openDB } from 'idb'; export default openDB;`],
    ['src/core/coat/x.ts', `import { readFileSync } from 'node:fs'; export default readFileSync;`],
    ['src/core/coat/x.ts', `import { useDesk } from '@/desk/store'; export default useDesk;`],
    ['src/core/coat/x.ts', `import { format } from '@/units/units'; export default format;`],
    ['src/core/coat/x.ts', `export const x = () => Math.random();`],
    ['src/core/coat/x.ts', `export const x = () => Date.now();`],
    ['src/core/coat/x.ts', `export const x = () => document.title;`],
    ['src/sheets/x.ts', `import { useDesk } from '@/desk/store'; export default useDesk;`],
    ['src/worker/x.ts', `import { useDesk } from '@/desk/store'; export default useDesk;`],
    ['src/desk/x.ts', `import { theme } from '@/ui/frame/theme'; export default theme;`],
    ['src/units/x.ts', `import { Paper } from '@/sheets/paper'; export default Paper;`],
  ])('%s may not hold: %s', async (file, code) => {
    expect(await complaints(file, code)).toHaveLength(1);
  });

  it.each([
    ['src/core/coat/x.ts', `import { mm } from '@/core/text'; export default mm;`],
    ['src/ui/coat/x.ts', `import { useDesk } from '@/desk/store'; export default useDesk;`],
    ['src/sheets/x.ts', `import { format } from '@/units/units'; export default format;`],
  ])('%s may hold: %s', async (file, code) => {
    expect(await complaints(file, code)).toHaveLength(0);
  });
});
