/** Opening, keeping and handing over, in windows that share a browser's store (a stand-in for it that keeps to the standard). */
import { afterAll, afterEach, beforeAll, beforeEach, describe, expect, it } from 'vitest';
import { cupboard, kingfisher, pineMarten } from '../../demo/load';
import { openWindow, quiet, withStore, type Window } from '../../cli/steadiness/windows';
import type { Cupboard } from '@/core/piece/cupboard';
import type { Piece } from '@/core/piece/schema';

let away: () => void;
beforeAll(() => void (away = withStore()));
afterAll(() => away());

const open: Window[] = [];
async function window(): Promise<Window> {
  const w = await openWindow();
  open.push(w);
  return w;
}
const desk = (w: Window) => w.app.useDesk.getState();
let keeper: Window;
beforeEach(async () => {
  keeper = await window();
  for (const e of await keeper.app.loadShelf()) await keeper.app.removePiece(e.id);
  await keeper.app.saveThing('cupboard', cupboard);
  await keeper.app.saveThing('hand', undefined);
});
afterEach(() => open.splice(0).forEach((w) => w.close()));

describe('a cupboard or rates that cannot be read', () => {
  it.each([
    ['one number is none', { ...cupboard, lots: [{ ...cupboard.lots[0]!, haveG: 'much' }] }, 'unreadable'],
    ['a newer program wrote it', { ...cupboard, schema: 99 }, 'newer'],
  ] as const)('are left as they are, whatever is edited meanwhile: %s', async (_, stored, why) => {
    await keeper.app.saveThing('cupboard', stored);
    const w = await window();
    expect(desk(w).unread.cupboard).toMatchObject({ why, raw: stored });
    w.app.editCupboard((c) => void (c.lots[0]!.haveG = 1));
    await quiet([w]);
    expect(await w.app.loadThing('cupboard')).toEqual(stored);
  });

  it('are set aside when the maker begins anew, and edits are kept from then on', async () => {
    const broken = { ...cupboard, lots: 'none' };
    await keeper.app.saveThing('cupboard', broken);
    const w = await window();
    await w.app.beginAnew('cupboard');
    expect(desk(w).unread.cupboard).toBeUndefined();
    w.app.editCupboard((c) => void (c.lots[0]!.haveG = 77));
    await quiet([w]);
    expect(((await w.app.loadThing('cupboard')) as Cupboard).lots[0]!.haveG).toBe(77);
  });
});

describe('a piece on the desk', () => {
  it('that cannot be read is refused with what is wrong and what is stored', async () => {
    const broken = { ...kingfisher, form: { ...kingfisher.form, finishedLengthMm: 5 } } as Piece;
    await keeper.app.savePiece(broken);
    const opened = await keeper.app.openPiece('kingfisher');
    expect(opened).toMatchObject({ ok: false, raw: broken });
    expect(JSON.stringify(opened)).toContain('Finished length must be between 30 and 1500 mm');
    expect(await keeper.app.openPiece('nobody')).toMatchObject({ ok: false, problems: [] });
  });

  it('left before the last change is stored shows that change when it is come back to', async () => {
    await keeper.app.savePiece(kingfisher);
    await keeper.app.savePiece(pineMarten);
    await keeper.app.openPiece('kingfisher');
    keeper.app.editPiece((p) => void (p.name = 'Changed and left'));
    await keeper.app.openPiece('pine-marten');
    await keeper.app.openPiece('kingfisher');
    expect(desk(keeper).piece!.name).toBe('Changed and left');
    await quiet([keeper]);
    expect((await keeper.app.loadPiece('kingfisher'))!.piece!.name).toBe('Changed and left');
  });

  it('taken off in another window says so and keeps nothing more until it is put back with what was changed', async () => {
    await keeper.app.savePiece(kingfisher);
    const [a, b] = [await window(), await window()];
    for (const w of [a, b]) await w.app.openPiece('kingfisher');
    await a.app.removePiece('kingfisher');
    await quiet([a, b]);
    expect(desk(b)).toMatchObject({ away: 'gone', canEdit: false });
    expect(await b.app.loadPiece('kingfisher')).toBeNull();
    await b.app.putPieceBack();
    expect(desk(b)).toMatchObject({ away: null, canEdit: true });
    b.app.editPiece((p) => void (p.name = 'Put back'));
    await quiet([a, b]);
    expect((await a.app.loadPiece('kingfisher'))!.piece!.name).toBe('Put back');
  });

  it('put back where another took its place meanwhile: both stay', async () => {
    await keeper.app.savePiece(kingfisher);
    const w = await window();
    await w.app.openPiece('kingfisher');
    await keeper.app.removePiece('kingfisher');
    await quiet([w, keeper]);
    await keeper.app.savePiece({ ...kingfisher, name: 'Another' });
    await quiet([w, keeper]);
    expect(desk(w).away).toBe('gone');
    await w.app.putPieceBack();
    const names = (await w.app.loadShelf()).map((e) => e.piece!.name).sort();
    expect(names).toEqual(['Another', 'Kingfisher (put back)']);
    expect(desk(w).piece!.name).toBe('Another');
    expect(w.said.at(-1)).toContain('put on the shelf beside it');
  });

  it('goes back to an earlier state in every window, and how it was is kept', async () => {
    await keeper.app.savePiece(kingfisher);
    const w = await window();
    await w.app.openPiece('kingfisher');
    await keeper.app.openPiece('kingfisher');
    keeper.app.editPiece((p) => void (p.name = 'Later'));
    await quiet([w, keeper]);
    await keeper.app.goBack({ id: 'kingfisher', doc: kingfisher });
    await quiet([w, keeper]);
    expect([desk(w).piece!.name, desk(keeper).piece!.name]).toEqual(['Kingfisher', 'Kingfisher']);
    expect((await w.app.loadEarlier('kingfisher')).map((s) => s.piece.name)).toContain('Later');
  });
});

describe('the store fails', () => {
  it('and what was changed is said not to be saved, tried again, and stored', async () => {
    const w = await window();
    const put = IDBObjectStore.prototype.put;
    let failures = 1;
    IDBObjectStore.prototype.put = function (this: IDBObjectStore, ...args: Parameters<typeof put>) {
      if (failures-- > 0) throw new DOMException('no room', 'QuotaExceededError');
      return put.apply(this, args);
    };
    try {
      w.app.editCupboard((c) => void (c.lots[0]!.haveG = 31));
      await expect.poll(() => desk(w).saveError).toContain('full');
      expect(desk(w).unsaved).toBe(1);
      w.app.storeNow();
      await quiet([w]);
    } finally {
      IDBObjectStore.prototype.put = put;
    }
    expect(desk(w).saveError).toBeNull();
    expect(((await w.app.loadThing('cupboard')) as Cupboard).lots[0]!.haveG).toBe(31);
  });
});

describe('a piece file', () => {
  const file = (doc: unknown): File => new File([typeof doc === 'string' ? doc : JSON.stringify(doc)], 'mine.json');

  it('is put on the shelf; one that is there already is not put there twice', async () => {
    for (let i = 0; i < 2; i++) {
      expect(await keeper.app.openPieceFile(file(kingfisher))).toEqual({ ok: true, id: 'kingfisher', renamed: false });
    }
    expect((await keeper.app.loadShelf()).length).toBe(1);
  });

  it('of the same name but other content is put beside it and leaves what is there alone', async () => {
    await keeper.app.savePiece(kingfisher);
    const opened = await keeper.app.openPieceFile(file({ ...kingfisher, note: 'Another' }));
    expect(opened).toMatchObject({ ok: true, renamed: true });
    expect((await keeper.app.loadPiece('kingfisher'))!.piece).toEqual(kingfisher);
    const beside = await keeper.app.loadPiece((opened as { id: string }).id);
    expect(beside!.piece).toMatchObject({ name: 'Kingfisher (from file)', note: 'Another' });
  });

  it('that is none changes nothing and is refused in words', async () => {
    for (const [text, says] of [
      ['{', /damaged or is not a piece file/],
      [JSON.stringify(cupboard), /not a piece file/],
      [JSON.stringify({ ...kingfisher, schema: 99 }), /newer Fond Badger/],
    ] as const) {
      const opened = await keeper.app.openPieceFile(file(text));
      expect(opened.ok).toBe(false);
      expect(JSON.stringify(opened)).toMatch(says);
    }
    const large = await keeper.app.openPieceFile(file(`"${'x'.repeat(21 * 1024 * 1024)}"`));
    expect(JSON.stringify(large)).toContain('larger than 20 MB');
    expect(await keeper.app.loadShelf()).toEqual([]);
  });
});
