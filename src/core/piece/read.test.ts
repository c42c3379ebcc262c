import { ELEMENTS } from '@/core/time/elements';
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

  it('refuses combs, eyes and slits on parts the animal does not have, and a coat out of its range', () => {
    const turn = { kind: 'turn' as const, where: { parts: ['fin'] }, turnDeg: 20 };
    expect(problems(edited((q) => void q.combs.push(turn)))[0]!.says).toMatch(/combed on a part called “fin”/);
    const fin = { part: 'fin', side: 'left' as const, along: 0.5, up: 0, out: 1 };
    expect(problems(edited((q) => void (q.areas[0]!.awayFrom = fin)))[0]!.says).toMatch(/points away from a part/);
    const sheet = {
      method: 'sheet',
      lotId: 'core-batt',
      arealMgCm2: 12,
      layers: 2,
      anchorMm: 25,
      slit: 'fin',
    } as const;
    expect(problems(edited((q) => void (q.areas[0]!.coat = sheet)))[0]!.says).toMatch(/slit for a part called “fin”/);
    expect(problems(edited((q) => void (q.areas[0]!.coat = { ...sheet, slit: null, layers: 99 })))[0]).toEqual({
      where: 'areas › Flanks › coat › layers',
      says: 'Layers must be between 1 and 12',
    });
    expect(problems(edited((q) => void (q.areas[0]!.coat = { ...sheet, slit: 'tail' })))).toEqual([]);
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
      oldPiece.areas.map((a) => [
        a.id,
        a.where,
        a.coat.method === 'fold-over' ? { ...a.coat, topLengthMm: null, topSpacingMm: null } : a.coat,
      ]),
    );
    // From version 2 to 3: nothing is combed and rows run as they did.
    expect(r.value.combs).toEqual([]);
    expect(
      r.value.areas.every((a) => a.evenness === 0 && !a.branching && a.seam === 'none' && a.awayFrom === null),
    ).toBe(true);
  });

  it('brings a piece of version 6 up to date: parts say what they are by their names of before, the log stays whole', () => {
    const old = structuredClone(pineMarten) as unknown as Record<string, unknown> & {
      schema: number;
      form: { parts: Record<string, unknown>[] };
      log: Record<string, unknown>[];
    };
    old.schema = 6;
    for (const p of old.form.parts) delete p.role;
    const common = { at: '2026-03-01T09:00:00Z', areaId: 'bib', minutes: 2, made: {} };
    old.log = [
      { ...common, id: 'a', kind: 'row', row: 3 },
      { ...common, id: 'b', kind: 'step', operation: 'face-trial-brow-whiskers', kept: false },
      { ...common, id: 'c', kind: 'step', operation: 'lay-tail', kept: false },
    ];
    const r = readPiece(old);
    expect(r.ok ? [] : r.problems).toEqual([]);
    if (!r.ok) return;
    // From version 10 to 11: nothing is known of what was planned for entries of before, and they teach nothing.
    expect(r.value.log.map((e) => [e.by, e.was, 'planned' in e ? e.planned : null])).toEqual(
      Array(3).fill(['hand', [], null]),
    );
    expect(r.value.form.parts.map((p) => [p.id, p.role])).toEqual(pineMarten.form.parts.map((p) => [p.id, p.role]));
    expect(r.value.log).toMatchObject([
      { kind: 'row', row: 3, up: null },
      { kind: 'step', operation: 'face-trial' },
      { kind: 'step', operation: 'lay-tail' },
    ]);
  });

  it('brings a cupboard and a hand of version 2 up to date: what was there stays, what is new begins plain', () => {
    const { swatches: _s, ...rest } = structuredClone(cupboard);
    const lots = rest.lots.map(({ tipColour: _t, tipShare: _h, crimpMm: _c, crimpDepthMm: _d, piles: _p, ...l }) => l);
    const old = readCupboard({ ...rest, schema: 2, lots });
    expect(old.ok).toBe(true);
    if (!old.ok) return;
    expect(old.value.swatches).toEqual([]);
    expect(old.value.lots.map((l) => [l.id, l.haveG])).toEqual(cupboard.lots.map((l) => [l.id, l.haveG]));
    expect(old.value.lots.every((l) => l.piles.length === 0 && l.tipColour === null && l.crimpMm === 0)).toBe(true);
    const { wrapDensityMgCm3: _a, feltedDensityMgCm3: _b, surfaceStabsPerCm2: _e, times: _f, ...hand } = defaultHand;
    const mine = readHand({ ...hand, schema: 2, stabsPerMinute: 75, minutesPerPinch: 0.1 });
    // Half the stabs a minute: twice the minutes for a hundred of them; what was left as it was stays at its first value.
    const { coreStabs, surfaceStabs, rowCm } = ELEMENTS;
    const twice = ({ low, likely, high }: typeof rowCm) => ({ low: 2 * low, likely: 2 * likely, high: 2 * high });
    expect(mine.ok && mine.value).toEqual({
      ...defaultHand,
      times: { coreStabs: twice(coreStabs), surfaceStabs: twice(surfaceStabs), rowCm: twice(rowCm) },
    });
    // A maker of version 5 who had measured half a minute for a lock, where 0.4 was the first value.
    const five = readHand({
      ...defaultHand,
      times: undefined,
      minutesPerBow: 0.25,
      minutesPerPiece: 0.2,
      trimMinutesPerCm2: 0.05,
      minutesPerWisp: 0.15,
      schema: 5,
      stabsPerMinute: 150,
      minutesPerPinch: 0.1,
      minutesPerLock: 0.5,
    });
    expect(five.ok && five.value.times).toEqual({
      lock: { low: 0.3 * 1.25, likely: 0.5 * 1.25, high: expect.closeTo(0.9 * 1.25, 12) as number },
    });
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
