/**
 * What must hold for any piece, held over random edits of the demos: memory changes nothing, sums agree, names and ids decide
 * nothing, every step says what it rests on, and no figure is without sense. Properties of the product itself.
 */
import fc from 'fast-check';
import { produce, type Draft } from 'immer';
import { describe, expect, it } from 'vitest';
import { alpacaCria, brownHare, cupboard, kingfisher, pineMarten } from '../../demo/load';
import { coatBy } from './coat/compare-ways';
import { WAYS } from './coat/ways';
import { changedSince, madeBy, valueAt } from './decision';
import { byLot, massOf, takenBy, type WoolMass } from './materials';
import { Memo } from './memo';
import { defaultHand as hand } from './piece/hand';
import { readPiece } from './piece/read';
import type { Cupboard } from './piece/cupboard';
import type { Piece } from './piece/schema';
import { makePlan, type Plan } from './plan';

const ROUGH = { edgeShare: 1 / 45 };
const DEMOS: readonly [string, Piece][] = [
  ['marten', pineMarten],
  ['cria', alpacaCria],
  ['kingfisher', kingfisher],
  ['hare', brownHare],
];
const bytes = (p: unknown) =>
  JSON.stringify(p, (_k, v: unknown) => (ArrayBuffer.isView(v) ? Array.from(v as Float64Array) : v));

/** Edits a maker makes, each from three random numbers. */
const EDITS: readonly ((p: Piece, a: number, b: number, c: number) => Piece)[] = [
  (p, a, b, c) => {
    const i = a % p.areas.length;
    const way = WAYS[b % WAYS.length]!;
    const coat = coatBy(way.method, p, i, cupboard, hand);
    return coat && c % 3 > 0 ? produce(p, (d) => void (d.areas[i]!.coat = coat as Draft<typeof coat>)) : p;
  },
  (p, a, b) =>
    produce(p, (d) => {
      const { coat } = d.areas[a % d.areas.length]!;
      if ('lengthMm' in coat) coat.lengthMm = 4 + (b % 30);
      if ('topLengthMm' in coat) coat.topLengthMm = b % 2 === 0 ? null : 4 + (b % 17);
    }),
  (p, a, b) =>
    produce(p, (d) => {
      const { coat } = d.areas[a % d.areas.length]!;
      if ('spacingMm' in coat) coat.spacingMm = 1.5 + (b % 8) / 2;
    }),
  (p, a, b, c) =>
    produce(p, (d) => {
      const layer = d.areas[a % d.areas.length]!.shade.layers.find((l) => l.kind === 'coat');
      const two = [cupboard.lots[b % cupboard.lots.length]!.id, cupboard.lots[(b + 1 + c) % cupboard.lots.length]!.id];
      if (layer?.kind === 'coat')
        layer.blend = two[0] === two[1] ? null : two.map((lotId, i) => ({ lotId, parts: 1 + ((b + i) % 5) }));
    }),
  (p, a) => produce(p, (d) => void (d.core.lotId = a % 2 === 0 ? null : cupboard.lots[a % cupboard.lots.length]!.id)),
  (p, a) => produce(p, (d) => void (d.work.trim = a % 2 === 0 ? 'as you go' : 'at the end')),
  (p, a) => produce(p, (d) => void (d.form.finishedLengthMm = 90 + (a % 300))),
  (p, a, b) =>
    produce(p, (d) => {
      d.areas[a % d.areas.length]!.shade.layers.push({
        kind: 'veil',
        id: `extra-${a}-${b}`,
        where: { kind: 'all' },
        recipe: [{ lotId: cupboard.lots[b % cupboard.lots.length]!.id, parts: 1 }],
        even: 1,
        arealMgCm2: 1 + (b % 5),
        aim: 'let through',
      });
    }),
  (p, a) => produce(p, (d) => void (d.areas[a % d.areas.length]!.coat = { method: 'none' })),
  (p) => produce(p, (d) => void d.markings.pop()),
];
const edit = fc.tuple(fc.nat(EDITS.length - 1), fc.nat(1000), fc.nat(1000), fc.nat(1000));
const edited = (p: Piece, list: readonly [number, number, number, number][]): Piece[] =>
  list.reduce<Piece[]>((all, [e, a, b, c]) => [...all, EDITS[e]!(all[all.length - 1]!, a, b, c)], [p]);

/** Everything a plan says in numbers that stand for mass, minutes or length of steps and stock. */
function sensible(p: Plan): void {
  const good = (x: number, what: string) => expect(Number.isFinite(x) && x >= 0, `${what}: ${x}`).toBe(true);
  for (const { operation: o } of p.work.steps) {
    good(o.minutes, `${o.id} minutes`);
    good(o.cutLengthMm ?? 0, `${o.id} cut`);
    good(o.wait?.minutes ?? 0, `${o.id} wait`);
    for (const m of o.materials) good(m.massG, `${o.id} ${m.for}`);
  }
  for (const a of p.coat.areas)
    for (const [k, f] of Object.entries(a.fur?.figures ?? {}))
      if (['mass', 'time', 'length', 'rowLength', 'areal'].includes(f.kind)) good(f.value, `${a.name} ${k}`);
  for (const l of p.stock.lots) for (const x of [l.needG, l.shortG, l.cost?.value ?? 0]) good(x, `stock ${l.name}`);
  for (const s of p.work.sittings) good(s.minutes, `sitting ${s.number}`);
}

/** Wool and minutes by lot agree wherever they are added up. */
function sumsAgree(p: Plan): void {
  const of = (list: readonly WoolMass[], id: string | null) => massOf(list.filter((w) => w.lotId === id));
  const taken = byLot(p.work.steps.flatMap((s) => takenBy(s.operation)));
  const sat = byLot(p.work.sittings.flatMap((s) => s.wool));
  for (const t of taken) {
    expect(of(sat, t.lotId), `sittings ${t.lotId}`).toBeCloseTo(t.massG, 8);
    const lot = p.stock.lots.find((l) => l.lotId === t.lotId);
    if (lot) expect(lot.needG, `stock ${t.lotId}`).toBeCloseTo(t.massG, 8);
  }
  expect(p.stock.needG).toBeCloseTo(massOf(taken), 8);
  expect(p.work.sittings.reduce((m, s) => m + s.minutes, 0)).toBeCloseTo(p.work.minutesLeft, 6);
  expect(p.work.steps.reduce((m, s) => m + s.operation.minutes, 0)).toBeCloseTo(p.work.minutes, 6);
}

describe.each(DEMOS)('random edits of the %s', (_, demo) => {
  it('step by step with memory equal from nothing to the byte; sums agree, figures make sense', () => {
    fc.assert(
      fc.property(fc.array(edit, { minLength: 2, maxLength: 3 }), (list) => {
        const memo = new Memo();
        let last: Plan | null = null;
        const pieces = edited(demo, list);
        for (const p of pieces) {
          expect(readPiece(structuredClone(p)).ok).toBe(true);
          last = makePlan(p, cupboard, hand, memo, ROUGH);
          sensible(last);
          sumsAgree(last);
        }
        expect(bytes(last)).toBe(bytes(makePlan(pieces[pieces.length - 1]!, cupboard, hand, new Memo(), ROUGH)));
      }),
      { numRuns: 2 },
    );
  });
});

describe.each(DEMOS)('the steps of the %s', (_, demo) => {
  const plan = makePlan(demo, cupboard, hand, new Memo(), ROUGH);
  it('but for the photographs all say what they rest on, and a change there is named', () => {
    for (const { operation: o } of plan.work.steps) {
      if (o.about.kind === 'photographs') {
        expect(o.restsOn).toEqual([]);
        continue;
      }
      expect(o.restsOn.length, o.id).toBeGreaterThan(0);
      const made = madeBy(demo, o);
      for (const d of o.restsOn) {
        const path = d.at.find((at) => valueAt(demo, at) !== undefined);
        if (!path) continue;
        const changed = replaced(demo, path, d.but ?? []);
        expect(changedSince(changed, o, made), `${o.id}: ${d.what}`).toContain(d.what);
      }
    }
  });
});

/** The piece with something else at a path. */
function replaced(piece: Piece, path: Parameters<typeof valueAt>[1], but: readonly string[]): Piece {
  const copy = structuredClone(piece) as unknown;
  const keys = [...path];
  const last = keys.pop()!;
  const parent = valueAt(copy as Piece, keys) as Record<string | number, unknown>;
  const at =
    typeof last === 'string'
      ? last
      : (parent as unknown as Record<string, unknown>[]).findIndex((x) => x[last.by] === last.is);
  const was = parent[at];
  const key =
    was !== null && typeof was === 'object'
      ? Object.keys(was).find((k) => !but.includes(k) && k !== 'name')
      : undefined;
  if (was !== null && typeof was === 'object' && !Array.isArray(was) && key !== undefined) {
    const isId = typeof last !== 'string' && key === last.by;
    const use = isId ? Object.keys(was).find((k) => k !== key && k !== 'name' && !but.includes(k))! : key;
    parent[at] = { ...was, [use]: 'something else' };
  } else parent[at] = typeof was === 'number' ? was + 1 : ['something else'];
  return copy as Piece;
}

/** Keys under which an id stands. */
const ID_KEY =
  /^(id|part|on|parts|head|areaId|operation|other|needle|chosen|measuredBy|holderId|photo|references?|set)$|(LotId|lotId|wireId|stockId|threadId|needleId)$/;

/** The same with every id and every name another one, in another order of the alphabet. */
function renamed<T>(doc: T, ids: ReadonlyMap<string, string>): T {
  const walk = (x: unknown, key: string): unknown => {
    if (typeof x === 'string') {
      if (key === 'name') return `Name ${[...x].reverse().join('')}`.slice(0, 80);
      return ID_KEY.test(key) ? (ids.get(x) ?? x) : x;
    }
    if (Array.isArray(x)) return x.map((y) => walk(y, key));
    if (x !== null && typeof x === 'object')
      return Object.fromEntries(Object.entries(x).map(([k, v]) => [k, walk(v, k)]));
    return x;
  };
  return walk(doc, '') as T;
}
function idsOf(doc: unknown, out = new Set<string>()): Set<string> {
  if (Array.isArray(doc)) for (const x of doc) idsOf(x, out);
  else if (doc !== null && typeof doc === 'object')
    for (const [k, v] of Object.entries(doc)) {
      if (k === 'id' && typeof v === 'string') out.add(v);
      else idsOf(v, out);
    }
  return out;
}

describe.each(DEMOS)('other names and ids for all of the %s', (_, demo) => {
  const ids = new Map(
    [...idsOf([demo, cupboard])].map((id, i, all) => [id, `z${String(all.length - i).padStart(4, '0')}`] as const),
  );
  const piece = renamed(demo, ids);
  const box: Cupboard = renamed(cupboard, ids);
  it('change no figure, no finding’s code and no order', () => {
    const read = readPiece(structuredClone(piece));
    expect(read.ok ? [] : read.problems).toEqual([]);
    const [was, is] = [
      makePlan(demo, cupboard, hand, new Memo(), ROUGH),
      makePlan(piece, box, hand, new Memo(), ROUGH),
    ];
    const figures = (p: Plan) => p.coat.areas.map((a) => a.fur && Object.values(a.fur.figures).map((f) => f.value));
    expect(figures(is)).toEqual(figures(was));
    expect(is.findings.map((f) => `${f.severity} ${f.code} ${f.about?.kind}`)).toEqual(
      was.findings.map((f) => `${f.severity} ${f.code} ${f.about?.kind}`),
    );
    /** Features of the face and the few things there is one of have no id of a maker's. */
    const OWN: ReadonlySet<string> = new Set(['area', 'part', 'flat part', 'marking', 'whiskers']);
    const steps = (p: Plan, of: (id: string) => string) =>
      p.work.steps.map((s) => [
        s.operation.kind,
        s.operation.about.kind,
        OWN.has(s.operation.about.kind) ? of(s.operation.about.id) : '',
        s.operation.minutes,
      ]);
    expect(steps(is, (id) => id)).toEqual(steps(was, (id) => ids.get(id) ?? id));
    expect(is.stock.lots.map((l) => l.needG)).toEqual(was.stock.lots.map((l) => l.needG));
    expect(is.shade.areas.map((a) => [a.meanHex, a.spread])).toEqual(was.shade.areas.map((a) => [a.meanHex, a.spread]));
    expect(is.face?.measured).toEqual(was.face?.measured);
  });
});
