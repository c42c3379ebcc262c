import { describe, expect, it } from 'vitest';
import { cupboard, pineMarten } from '../../../demo/load';
import { parsePiece, PIECE_UPGRADES, readCupboard, readHand, readPiece, upgraded } from './read';
import { defaultHand } from './hand';
import { PIECE_SCHEMA } from './schema';

const problems = (raw: unknown) => {
  const r = readPiece(raw);
  return r.ok ? [] : r.problems;
};
const edited = (change: (p: ReturnType<typeof structuredClone<typeof pineMarten>>) => void) => {
  const p = structuredClone(pineMarten);
  change(p);
  return p;
};

describe('reading a piece', () => {
  it('gives back what was saved', () => {
    const r = parsePiece(JSON.stringify(pineMarten));
    expect(r.ok && r.value).toEqual(pineMarten);
    expect(readCupboard(cupboard).ok).toBe(true);
    expect(readHand(defaultHand).ok).toBe(true);
  });

  it('names the area, the field, the range and the unit', () => {
    const p = edited((q) => Object.assign(q.areas[5]!.coat, { lengthMm: 900 }));
    expect(problems(p)[0]).toEqual({
      where: 'areas › Throat bib › coat › lengthMm',
      says: 'Finished length must be between 3 and 200 mm',
    });
  });

  it.each([
    ['not text of this kind', '{"hello": 1}', /not a piece file/],
    ['cut short', JSON.stringify(pineMarten).slice(0, 900), /damaged/],
    ['empty', '', /damaged/],
    ['a list', '[]', /not a piece file/],
    ['newer', JSON.stringify({ ...pineMarten, schema: PIECE_SCHEMA + 1 }), /newer Fond Badger/],
    ['without a version', JSON.stringify({ ...pineMarten, schema: 'x' }), /which version/],
    ['another kind', JSON.stringify(cupboard), /not a piece file/],
  ])('refuses a file that is %s', (_n, text, word) => {
    const r = parsePiece(text);
    expect(r.ok).toBe(false);
    if (!r.ok) expect(r.problems[0]!.says).toMatch(word);
  });

  it('refuses what does not fit together', () => {
    expect(problems(edited((q) => (q.areas[0]!.where[0]!.parts = ['wing'])))[0]!.says).toMatch(/does not have/);
    expect(problems(edited((q) => (q.areas[1]!.id = q.areas[0]!.id)))[0]!.says).toMatch(/same name/);
    expect(problems(edited((q) => (q.areas[1]!.name = '  ')))[0]!.says).toMatch(/must not be empty/);
    expect(problems({ ...pineMarten, extra: 1 }).length).toBe(1);
    expect(problems(edited((q) => (q.form.finishedLengthMm = NaN)))[0]!.says).toMatch(/Finished length/);
  });

  it('upgrades an older document one version at a time and keeps the rest of it', () => {
    const doc = upgraded({ schema: 1, title: 'Marten', note: 'x' }, 3, {
      1: ({ title, ...rest }) => ({ ...rest, name: title }),
      2: (d) => ({ ...d, note: `${String(d.note)}!` }),
    });
    expect(doc).toEqual({ schema: 3, name: 'Marten', note: 'x!' });
    expect(() => upgraded({ schema: 1 }, 3, { 1: (d) => d })).toThrow(/no upgrade from version 2/);
  });

  it('has a step for every version before the newest, so no saved piece is ever refused', () => {
    for (let v = 1; v < PIECE_SCHEMA; v++) expect(PIECE_UPGRADES[v]).toBeTypeOf('function');
  });
});
