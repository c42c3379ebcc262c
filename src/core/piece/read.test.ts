import { describe, expect, it } from 'vitest';
import oldPiece from './upgrades/piece-1.example.json';
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

  it('brings a piece of version 1 up to date: parts know what they sit on, areas can be painted', () => {
    const r = readPiece(structuredClone(oldPiece));
    expect(r.ok).toBe(true);
    if (!r.ok) return;
    expect(r.value.schema).toBe(PIECE_SCHEMA);
    expect(r.value.form.pose).toEqual([]);
    expect(Object.fromEntries(r.value.form.parts.map((p) => [p.id, [p.on, p.root]]))).toEqual({
      trunk: [null, 'end'],
      neck: ['trunk', 'end'],
      skull: ['neck', 'end'],
      muzzle: ['skull', 'end'],
      tail: ['trunk', 'start'],
      foreleg: ['trunk', 'start'],
      hindleg: ['trunk', 'start'],
      ear: ['skull', 'start'],
    });
    expect(r.value.areas.map((a) => [a.id, a.where, a.coat])).toEqual(
      oldPiece.areas.map((a) => [a.id, a.where, a.coat]),
    );
  });

  it('refuses a damaged older piece without falling over', () => {
    const bad = readPiece({ ...structuredClone(oldPiece), form: null });
    expect(bad.ok).toBe(false);
    if (!bad.ok) expect(bad.problems[0]!.says).toMatch(/damaged/);
  });

  it('brings an older cupboard and an older hand up to date', () => {
    const box = readCupboard({
      kind: 'fond-badger/cupboard',
      schema: 1,
      lots: cupboard.lots,
      needles: cupboard.needles,
    });
    expect(box.ok && box.value.wires).toEqual([]);
    const { coreDensityMgCm3: _a, looseDensityMgCm3: _b, coreStabsPerCm3: _c, ...old } = defaultHand;
    const hand = readHand({ ...old, schema: 1, rootMm: 4 });
    expect(hand.ok && [hand.value.rootMm, hand.value.coreDensityMgCm3.firm.usual]).toEqual([4, 100]);
  });

  it('refuses parts that sit on themselves, on nothing, and bends at joints that are not there', () => {
    const ring = edited((q) => {
      q.form.parts[0]!.on = 'neck';
    });
    expect(problems(ring)[0]!.says).toMatch(/sits on itself/);
    expect(problems(edited((q) => (q.form.parts[1]!.on = 'mast')))[0]!.says).toMatch(/does not have/);
    const bend = { part: 'neck', node: 9, side: 'both' as const, nodDeg: 1, turnDeg: 0, tiltDeg: 0 };
    expect(problems(edited((q) => void q.form.pose.push(bend)))[0]!.says).toMatch(/Neck at a joint it does not have/);
    expect(problems(edited((q) => (q.areas[0]!.where = [])))[0]!.says).toMatch(/needs a place/);
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
