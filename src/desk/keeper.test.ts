/** Windows that share a store: nothing lost, nothing overwritten. A model-based test beside named cases. Properties of the product itself. */
import fc from 'fast-check';
import { produce } from 'immer';
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import { cupboard } from '../../demo/load';
import { CUPBOARD_SCHEMA, type Cupboard } from '@/core/piece/cupboard';
import { readCupboard } from '@/core/piece/read';
import { Keeper, type Edit, type Lost, type Place } from './keeper';

/** A store as a browser has it: one transaction after the other, copies in and out. */
class Store implements Place {
  raw: unknown;
  /** Words of the next failures. */
  failures: string[] = [];
  writes = 0;
  #turn: Promise<void> = Promise.resolve();
  constructor(doc: unknown) {
    this.raw = structuredClone(doc);
  }
  change(work: (raw: unknown) => unknown): Promise<void> {
    const mine = this.#turn.then(() => {
      // It fails when it is written, after all has been worked out.
      const put = work(structuredClone(this.raw));
      const wrong = put === undefined ? undefined : this.failures.shift();
      if (wrong !== undefined) throw new Error(wrong);
      if (put === undefined) return;
      this.raw = structuredClone(put);
      this.writes++;
    });
    this.#turn = mine.catch(() => undefined);
    return mine;
  }
}

interface Window {
  doc: Cupboard;
  readonly keeper: Keeper<Cupboard>;
  readonly refused: Edit<Cupboard>[];
  readonly said: (string | null)[];
  lost: Lost | null;
  waiting: number;
  edit(recipe: (c: Cupboard) => void): void;
}
function windowOn(store: Store, there = true): Window {
  const w: Window = {
    doc: cupboard,
    refused: [],
    said: [],
    lost: null,
    waiting: 0,
    keeper: new Keeper<Cupboard>(
      {
        place: store,
        schema: CUPBOARD_SCHEMA,
        read: readCupboard,
        show: (doc) => (w.doc = doc),
        refused: (e) => w.refused.push(...e),
        trouble: (says) => w.said.push(says),
        lost: (why) => (w.lost = why),
        waiting: (n) => (w.waiting = n),
      },
      cupboard,
      there,
    ),
    edit(recipe) {
      const before = w.doc;
      w.doc = produce(before, recipe as never);
      if (w.doc !== before) w.keeper.add({ before, after: w.doc });
    },
  };
  return w;
}
const lot = (id: string) => ({ ...cupboard.lots[0]!, id, name: id });
const have = (c: unknown, id: string) => (c as Cupboard).lots.find((l) => l.id === id)?.haveG;
const [first, second] = [cupboard.lots[0]!.id, cupboard.lots[1]!.id];

describe('two windows', () => {
  it('that add wool at the same moment both have it', async () => {
    const store = new Store(cupboard);
    const [a, b] = [windowOn(store), windowOn(store)];
    a.edit((c) => void c.lots.push(lot('mine')));
    b.edit((c) => void c.lots.push(lot('theirs')));
    await Promise.all([a.keeper.flush(), b.keeper.flush()]);
    await a.keeper.heard();
    const ids = (store.raw as Cupboard).lots.map((l) => l.id);
    expect(ids).toEqual(expect.arrayContaining(['mine', 'theirs']));
    expect(a.doc).toEqual(store.raw);
    expect(b.doc).toEqual(store.raw);
    expect([...a.refused, ...b.refused]).toEqual([]);
  });
  it('that change the same figure: the one that comes second is refused and sees what is stored', async () => {
    const store = new Store(cupboard);
    const [a, b] = [windowOn(store), windowOn(store)];
    a.edit((c) => void (c.lots[0]!.haveG = 1));
    b.edit((c) => void (c.lots[0]!.haveG = 2));
    await Promise.all([a.keeper.flush(), b.keeper.flush()]);
    expect(have(store.raw, first)).toBe(1);
    expect(b.refused.length).toBe(1);
    expect(have(b.doc, first)).toBe(1);
  });
});

describe('a document that cannot be written to', () => {
  it('taken away in another window does not come back with an edit, but can be put back', async () => {
    const store = new Store(cupboard);
    const a = windowOn(store);
    store.raw = undefined;
    a.edit((c) => void (c.lots[0]!.haveG = 1));
    await a.keeper.flush();
    expect(a.lost).toBe('gone');
    expect(store.raw).toBeUndefined();
    // Nothing is waited for that will not come.
    expect(a.waiting).toBe(0);
    await a.keeper.restore();
    expect(have(store.raw, first)).toBe(1);
    a.edit((c) => void (c.lots[1]!.haveG = 2));
    await a.keeper.flush();
    expect([have(store.raw, first), have(store.raw, second), a.waiting]).toEqual([1, 2, 0]);
  });
  it('written by a newer program is left as it is', async () => {
    const newer = { ...cupboard, schema: CUPBOARD_SCHEMA + 1, shelf: ['something new'] };
    const store = new Store(cupboard);
    const a = windowOn(store);
    store.raw = newer;
    a.edit((c) => void (c.lots[0]!.haveG = 1));
    await a.keeper.flush();
    expect(a.lost).toBe('newer');
    expect(store.raw).toEqual(newer);
  });
  it('that cannot be read is left as it is', async () => {
    const store = new Store(cupboard);
    const a = windowOn(store);
    const broken = { ...cupboard, lots: [{ ...cupboard.lots[0], haveG: 'much' }] };
    store.raw = broken;
    a.edit((c) => void (c.lots[0]!.haveG = 1));
    await a.keeper.flush();
    expect(a.lost).toBe('unreadable');
    expect(store.raw).toEqual(broken);
  });
  it('an edit made the moment the last one is stored is stored as well', async () => {
    const store = new Store(cupboard);
    const a = windowOn(store);
    a.edit((c) => void (c.lots[0]!.haveG = 1));
    for (let i = 0; i < 40 && a.waiting > 0; i++) await Promise.resolve();
    a.edit((c) => void (c.lots[1]!.haveG = 2));
    await new Promise((r) => setTimeout(r, 0));
    expect([have(store.raw, first), have(store.raw, second), a.waiting]).toEqual([1, 2, 0]);
  });
  it('that nobody has stored yet is stored with the first edit', async () => {
    const store = new Store(undefined);
    const a = windowOn(store, false);
    a.edit((c) => void (c.lots[0]!.haveG = 1));
    await a.keeper.flush();
    expect(have(store.raw, first)).toBe(1);
  });
});

describe('a write that fails', () => {
  beforeEach(() => void vi.useFakeTimers());
  afterEach(() => void vi.useRealTimers());
  it('is tried again with growing pauses, counts as not saved and keeps saying why', async () => {
    const store = new Store(cupboard);
    const a = windowOn(store);
    store.failures = ['the disk is full', 'the disk is full', 'the disk is full'];
    a.edit((c) => void (c.lots[0]!.haveG = 1));
    a.edit((c) => void (c.lots[1]!.haveG = 2));
    await vi.advanceTimersByTimeAsync(10);
    expect(a.said).toEqual(['the disk is full']);
    expect(a.waiting).toBe(2);
    await vi.advanceTimersByTimeAsync(500);
    expect(a.said.length).toBe(2);
    await vi.advanceTimersByTimeAsync(980);
    expect(a.said.length).toBe(2);
    await vi.advanceTimersByTimeAsync(20);
    expect(a.said.length).toBe(3);
    await vi.advanceTimersByTimeAsync(2000);
    expect(a.said.at(-1)).toBeNull();
    expect(a.waiting).toBe(0);
    expect([have(store.raw, first), have(store.raw, second)]).toEqual([1, 2]);
    expect(store.writes).toBe(1);
  });
  it('is tried at once when asked', async () => {
    const store = new Store(cupboard);
    const a = windowOn(store);
    store.failures = ['no'];
    a.edit((c) => void (c.lots[0]!.haveG = 1));
    await vi.advanceTimersByTimeAsync(1);
    a.keeper.retry();
    await vi.advanceTimersByTimeAsync(1);
    expect(have(store.raw, first)).toBe(1);
  });
});

/** What one window does next. */
type Act =
  | { readonly does: 'have'; readonly lot: number; readonly g: number }
  | { readonly does: 'add' }
  | { readonly does: 'remove'; readonly lot: number }
  | { readonly does: 'wait' }
  | { readonly does: 'hear' }
  | { readonly does: 'fail' };
const act: fc.Arbitrary<Act> = fc.oneof(
  {
    weight: 5,
    arbitrary: fc.record({ does: fc.constant('have' as const), lot: fc.nat(8), g: fc.integer({ min: 1, max: 90 }) }),
  },
  { weight: 2, arbitrary: fc.constant({ does: 'add' as const }) },
  { weight: 1, arbitrary: fc.record({ does: fc.constant('remove' as const), lot: fc.nat(8) }) },
  { weight: 3, arbitrary: fc.constant({ does: 'wait' as const }) },
  { weight: 2, arbitrary: fc.constant({ does: 'hear' as const }) },
  { weight: 1, arbitrary: fc.constant({ does: 'fail' as const }) },
);

describe('random doings of three windows', () => {
  beforeEach(() => void vi.useFakeTimers());
  afterEach(() => void vi.useRealTimers());
  it('every edit is in the end state, overtaken by a later one that saw it, or was refused', async () => {
    await fc.assert(
      fc.asyncProperty(fc.array(fc.tuple(fc.nat(2), act), { minLength: 4, maxLength: 30 }), async (list) => {
        const store = new Store(cupboard);
        const windows = [0, 1, 2].map(() => windowOn(store));
        /** Added and taken out by window and edit, as the maker meant it. */
        const added: { readonly id: string; readonly w: Window }[] = [];
        const removed = new Set<string>();
        let n = 0;
        for (const [who, a] of list) {
          const w = windows[who]!;
          if (a.does === 'have')
            w.edit((c) => void (c.lots.length > a.lot && (c.lots[a.lot]!.haveG = a.g + ++n / 1000)));
          if (a.does === 'add') {
            const id = `new-${++n}`;
            added.push({ id, w });
            w.edit((c) => void c.lots.push(lot(id)));
          }
          if (a.does === 'remove')
            w.edit((c) => {
              const gone = c.lots[a.lot];
              if (!gone || c.lots.length < 4) return;
              removed.add(gone.id);
              c.lots.splice(a.lot, 1);
            });
          if (a.does === 'fail') store.failures.push('busy');
          if (a.does === 'hear') void w.keeper.heard();
          if (a.does === 'wait') await vi.advanceTimersByTimeAsync(1);
        }
        store.failures = [];
        await vi.advanceTimersByTimeAsync(120_000);
        for (const w of windows) await w.keeper.heard();
        await vi.advanceTimersByTimeAsync(10);
        const end = store.raw as Cupboard;
        expect(readCupboard(end).ok).toBe(true);
        for (const w of windows) {
          expect(w.waiting).toBe(0);
          expect(w.doc).toEqual(end);
        }
        const refusedIds = new Set(
          windows.flatMap((w) =>
            w.refused.flatMap((e) =>
              e.after.lots.filter((l) => !e.before.lots.some((m) => m.id === l.id)).map((l) => l.id),
            ),
          ),
        );
        for (const { id } of added)
          expect(end.lots.some((l) => l.id === id) || removed.has(id) || refusedIds.has(id), id).toBe(true);
        // What nobody took out is still there.
        for (const l of cupboard.lots) if (!removed.has(l.id)) expect(end.lots.some((m) => m.id === l.id)).toBe(true);
      }),
      { numRuns: 150 },
    );
  });
});
