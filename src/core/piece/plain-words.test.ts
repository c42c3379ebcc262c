/** What a maker reads about a damaged file: no word of a library, nothing longer than can be read. Properties of the product itself. */
import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { cupboard, pineMarten } from '../../../demo/load';
import { readCupboard, readPiece, type Problem } from './read';

const problems = (r: { ok: true } | { ok: false; problems: Problem[] }): string[] =>
  r.ok ? [] : r.problems.map((p) => `${p.where} ${p.says}`);
const area = (change: object) =>
  problems(readPiece({ ...pineMarten, areas: [{ ...pineMarten.areas[0]!, ...change }, ...pineMarten.areas.slice(1)] }));

describe('a damaged file is refused in words', () => {
  it.each([
    [
      'a way of laying that is none',
      () => area({ coat: { method: 'knitted' } }),
      /of a kind this program does not know/,
    ],
    ['a field that is missing', () => area({ evenness: undefined }), /Even spacing must be a number/],
    ['a list that is none', () => area({ strokes: 'none' }), /must be a list/],
    ['a choice that is none', () => area({ seam: 'sideways' }), /must be none, under or top/],
    ['a field nobody knows', () => area({ colour: 'red' }), /fields this program does not know: colour/],
    ['too many parts', () => area({ where: [{ parts: Array<string>(5000).fill('trunk') }] }), /not that many parts/],
    [
      'too many strokes',
      () => area({ strokes: Array<unknown>(401).fill({ adds: true, mirrored: false, reach: 5, places: [] }) }),
      /not have more than 400 entries|at least 1 entries/,
    ],
  ] as const)('%s', (_, make, says) => {
    expect(make().join('\n')).toMatch(says);
  });

  it('stays short, however long what is wrong', () => {
    const long = 'x'.repeat(1_000_000);
    for (const all of [
      area({ [long]: 1 }),
      area({ coat: { method: long } }),
      area({ name: { name: long } }),
      problems(readPiece({ ...pineMarten, name: long })),
      problems(readCupboard({ ...cupboard, lots: [{ ...cupboard.lots[0], name: long, haveG: long }] })),
    ]) {
      expect(all.length).toBeGreaterThan(0);
      for (const p of all) expect(p.length).toBeLessThan(700);
    }
  });

  it('says no word of a library, whatever is put in place of whatever', () => {
    const values = fc.oneof(
      fc.constant(null),
      fc.string(),
      fc.integer(),
      fc.boolean(),
      fc.constant([]),
      fc.constant({}),
    );
    const paths: (string | number)[][] = [];
    const walk = (x: unknown, path: (string | number)[]) => {
      paths.push(path);
      if (Array.isArray(x)) x.slice(0, 2).forEach((y, i) => walk(y, [...path, i]));
      else if (typeof x === 'object' && x !== null) for (const [k, y] of Object.entries(x)) walk(y, [...path, k]);
    };
    walk(pineMarten, []);
    fc.assert(
      fc.property(fc.constantFrom(...paths.filter((p) => p.length > 0)), values, (path, value) => {
        const copy = structuredClone(pineMarten) as unknown as Record<string | number, unknown>;
        let at = copy;
        for (const k of path.slice(0, -1)) at = at[k] as Record<string | number, unknown>;
        at[path[path.length - 1]!] = value;
        for (const p of problems(readPiece(copy)))
          expect(p).not.toMatch(
            /Invalid|discriminator|expected|received|undefined|NaN|regex|pattern|Unrecognized|Too (big|small)/,
          );
      }),
      { numRuns: 400 },
    );
  });
});
