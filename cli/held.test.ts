/** No formula without something that holds it, and nothing held by a test that is not there. */
import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import { describe, expect, it } from 'vitest';
import { methods } from '../src/core/methods';
import { doubtsIn } from '../src/core/method/span';
import { HELD } from './held';

const root = join(import.meta.dirname, '..');

describe('every formula', () => {
  it('is held against something outside, or says what corrects it', () => {
    expect(Object.keys(HELD).sort()).toEqual(methods.map((m) => m.id).sort());
  });

  it('that nothing outside holds carries a doubt, and says what sharpens it', () => {
    for (const m of methods) if (HELD[m.id] === 'open') expect(doubtsIn(m), m.id).not.toEqual([]);
  });

  it('that is held is held by a test that stands in the project', () => {
    for (const [id, h] of Object.entries(HELD)) {
      if (h === 'open') continue;
      const [file, title] = h.test;
      expect(readFileSync(join(root, file), 'utf8').includes(title), `${id}: ${title}`).toBe(true);
    }
  });

  it('that is published is held: a published formula can be checked', () => {
    for (const m of methods) if (m.basis === 'published') expect(HELD[m.id], m.id).not.toBe('open');
  });
});
