/**
 * Random interleavings of what makers do in several windows at once, held against a simple model (fast-check commands): every
 * edit is in the end state, was overtaken by one that had seen it, or was refused in words. Properties of the product itself.
 */
import fc from 'fast-check';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { cupboard, pineMarten } from '../../demo/load';
import type { Cupboard } from '@/core/piece/cupboard';
import type { Piece } from '@/core/piece/schema';
import { cases, LONG, told } from './counts';
import { openWindow, quiet, withStore, type Window } from './windows';

const WINDOWS = 3;
const own = (w: number): string => `own-${w}`;
const lotNamed = (id: string, haveG: number) => ({ ...cupboard.lots[0]!, id, name: id, haveG });
const START: Cupboard = {
  ...cupboard,
  lots: [...cupboard.lots, lotNamed('shared', 0), ...Array.from({ length: WINDOWS }, (_, w) => lotNamed(own(w), 0))],
};
const REFUSED = /^A change could not be kept/;

/** One change of a maker as the model keeps it. */
type Change =
  | { readonly what: 'figure'; readonly before: number; readonly after: number }
  | { readonly what: 'name'; readonly before: string; readonly after: string }
  | { readonly what: 'lot'; readonly id: string }
  | { readonly what: 'shared' };

interface Model {
  /** Lots added and not taken back. */
  readonly lots: Set<string>;
  /** By window: the figure of its own lot, the name of its own area, and what it can take back and do again. */
  readonly figure: number[];
  readonly name: string[];
  readonly past: Change[][];
  readonly future: Change[][];
  /** Every value one figure was set to by any window, with the value that window had seen. */
  readonly shared: { readonly w: number; readonly saw: number; readonly set: number }[];
  /** Whether the piece was ever taken off the shelf, and whether it is off it by the last word of a maker. */
  readonly off: { ever: boolean; now: boolean };
}
interface Real {
  readonly windows: readonly Window[];
  readonly id: string;
  imports: number;
  /** Pieces put back beside another that had taken their place. */
  beside: number;
}

const fromFile = (name: string): boolean => name.startsWith('From a file') && !name.endsWith('(put back)');
let made = 0;
const desk = (r: Real, w: number) => r.windows[w]!.app.useDesk.getState();
const have = (c: Cupboard, id: string): number => c.lots.find((l) => l.id === id)!.haveG;

/** Something a maker does in one window. */
abstract class Doing implements fc.AsyncCommand<Model, Real> {
  constructor(readonly w: number) {}
  check(_m: Readonly<Model>): boolean {
    return true;
  }
  abstract run(m: Model, r: Real): Promise<void>;
  toString = (): string => `${this.constructor.name}(${this.w})`;
  /** A piece put on the desk anew begins with nothing to take back. */
  begun(m: Model): void {
    m.past[this.w] = [];
    m.future[this.w] = [];
  }
  /** A new change: what was taken back before it cannot be done again. */
  did(m: Model, change: Change): void {
    m.past[this.w]!.push(change);
    m.future[this.w] = [];
  }
}

class SetOwnFigure extends Doing {
  async run(m: Model, r: Real) {
    const after = ++made;
    this.did(m, { what: 'figure', before: m.figure[this.w]!, after });
    m.figure[this.w] = after;
    r.windows[this.w]!.app.editCupboard((c) => void (c.lots.find((l) => l.id === own(this.w))!.haveG = after));
  }
}
class SetSharedFigure extends Doing {
  async run(m: Model, r: Real) {
    const set = ++made;
    m.shared.push({ w: this.w, saw: have(desk(r, this.w).cupboard, 'shared'), set });
    this.did(m, { what: 'shared' });
    r.windows[this.w]!.app.editCupboard((c) => void (c.lots.find((l) => l.id === 'shared')!.haveG = set));
  }
}
class AddWool extends Doing {
  async run(m: Model, r: Real) {
    const id = `added-${++made}`;
    this.did(m, { what: 'lot', id });
    m.lots.add(id);
    r.windows[this.w]!.app.editCupboard((c) => void c.lots.push(lotNamed(id, 1)));
  }
}
class NameOwnArea extends Doing {
  override check(m: Readonly<Model>) {
    return !m.off.ever;
  }
  async run(m: Model, r: Real) {
    const after = `Area ${++made}`;
    this.did(m, { what: 'name', before: m.name[this.w]!, after });
    m.name[this.w] = after;
    r.windows[this.w]!.app.editPiece((p) => void (p.areas[this.w]!.name = after));
  }
}
/** Puts the model where the maker expects to be after taking a change back or doing it again. */
function turned(m: Model, w: number, change: Change, way: 'back' | 'again'): void {
  const to = way === 'back' ? 'before' : 'after';
  if (change.what === 'figure') m.figure[w] = change[to];
  if (change.what === 'name') m.name[w] = change[to];
  if (change.what === 'lot') m.lots[way === 'back' ? 'delete' : 'add'](change.id);
}
class Undo extends Doing {
  override check(m: Readonly<Model>) {
    const last = m.past[this.w]!.at(-1);
    // Who has the last word on a figure of all is for the named cases of undo.
    return last !== undefined && last.what !== 'shared' && !(last.what === 'name' && m.off.ever);
  }
  async run(m: Model, r: Real) {
    const last = m.past[this.w]!.pop()!;
    m.future[this.w]!.push(last);
    turned(m, this.w, last, 'back');
    r.windows[this.w]!.app.undo();
  }
}
class Redo extends Doing {
  override check(m: Readonly<Model>) {
    const next = m.future[this.w]!.at(-1);
    return next !== undefined && !(next.what === 'name' && m.off.ever);
  }
  async run(m: Model, r: Real) {
    const next = m.future[this.w]!.pop()!;
    m.past[this.w]!.push(next);
    turned(m, this.w, next, 'again');
    r.windows[this.w]!.app.redo();
  }
}
class TakeOffTheShelf extends Doing {
  override check(m: Readonly<Model>) {
    return !m.off.now;
  }
  async run(m: Model, r: Real) {
    m.off.ever = m.off.now = true;
    const there = await r.windows[this.w]!.app.loadPiece(r.id);
    if (fromFile(there!.piece!.name)) r.imports--;
    // Done on the shelf; then back to the desk by the browser's own button.
    await r.windows[this.w]!.app.removePiece(r.id);
    await r.windows[this.w]!.app.openPiece(r.id);
  }
}
class PutBack extends Doing {
  override check(m: Readonly<Model>) {
    return m.off.ever;
  }
  async run(m: Model, r: Real) {
    // Offered only where it is known that the piece is gone.
    await quiet(r.windows);
    if (desk(r, this.w).away !== 'gone') return;
    const { name } = desk(r, this.w).piece!;
    await r.windows[this.w]!.app.putPieceBack();
    // Where a file of that name was opened meanwhile, both stay.
    if (!m.off.now) {
      r.beside++;
      this.begun(m);
    } else if (fromFile(name)) r.imports++;
    m.off.now = false;
  }
}
class LeaveAndComeBack extends Doing {
  override check(m: Readonly<Model>) {
    return !m.off.now;
  }
  async run(m: Model, r: Real) {
    if (desk(r, this.w).away !== null) this.begun(m);
    expect(await r.windows[this.w]!.app.openPiece(r.id)).toEqual({ ok: true });
  }
}
class OpenFile extends Doing {
  async run(m: Model, r: Real) {
    r.imports++;
    // Nothing is there under that name: the file takes its place.
    m.off.now = false;
    const file = new File([JSON.stringify({ ...pineMarten, id: r.id, name: `From a file ${++made}` })], 'piece.json');
    const opened = await r.windows[this.w]!.app.openPieceFile(file);
    expect(opened.ok).toBe(true);
  }
}
class Wait extends Doing {
  async run() {
    await new Promise((go) => setTimeout(go, 2));
  }
}

const doing = (maxCommands: number) =>
  fc.commands(
    [
      SetOwnFigure,
      SetSharedFigure,
      AddWool,
      NameOwnArea,
      Undo,
      Redo,
      TakeOffTheShelf,
      PutBack,
      LeaveAndComeBack,
      OpenFile,
      Wait,
    ].map((Kind) => fc.nat(WINDOWS - 1).map((w) => new Kind(w))),
    { maxCommands, size: 'max' },
  );

/** Everything is at rest: what every window shows is what is stored, and nothing a maker did is missing without a word. */
async function judge(m: Model, r: Real): Promise<void> {
  const { loadPiece, loadThing, loadShelf } = r.windows[0]!.app;
  const stored = (await loadThing('cupboard')) as Cupboard;
  for (const w of r.windows.keys()) expect(desk(r, w).cupboard).toEqual(stored);
  expect(new Set(stored.lots.map((l) => l.id).filter((id) => id.startsWith('added-')))).toEqual(m.lots);
  for (let w = 0; w < WINDOWS; w++) expect(have(stored, own(w)), own(w)).toBe(m.figure[w]);

  // Which edits of the figure of all are behind the value it has: each had seen the one before it.
  const kept = new Set<number>();
  for (let v = have(stored, 'shared'); v !== 0;) {
    const edit = m.shared.find((e) => e.set === v)!;
    kept.add(v);
    v = edit.saw;
  }
  const lost = new Set(m.shared.filter((e) => !kept.has(e.set)).map((e) => e.w));
  for (const w of lost)
    expect(
      r.windows[w]!.said.some((s) => REFUSED.test(s)),
      `window ${w} was told`,
    ).toBe(true);

  const piece = await loadPiece(r.id);
  expect(piece !== null).toBe(!m.off.now);
  for (const w of r.windows.keys()) {
    const { away, unsaved } = desk(r, w);
    expect(unsaved).toBe(0);
    if (m.off.now) expect(away, `window ${w}`).toBe('gone');
    if (away === null) expect(desk(r, w).piece).toEqual(piece!.piece);
  }
  if (!m.off.ever) for (let w = 0; w < WINDOWS; w++) expect((piece!.piece as Piece).areas[w]!.name).toBe(m.name[w]);
  const names = (await loadShelf()).map((e) => e.piece!.name);
  expect(names.filter(fromFile).length).toBe(r.imports);
  expect(names.filter((n) => n.endsWith('(put back)')).length).toBe(r.beside);
}

describe('windows that share a browser', { timeout: LONG ? 3_600_000 : 180_000 }, () => {
  const windows: Window[] = [];
  const away = withStore();
  beforeAll(async () => {
    for (let w = 0; w < WINDOWS; w++) windows.push(await openWindow());
  });
  afterAll(() => {
    windows.forEach((w) => w.close());
    away();
  });

  it('lose no edit and refuse none without a word, whatever comes between', async () => {
    const runs = cases(50);
    let n = 0;
    let done = 0;
    await fc.assert(
      fc.asyncProperty(doing(40), async (commands) => {
        const { savePiece, saveThing, loadShelf, removePiece } = windows[0]!.app;
        for (const e of await loadShelf()) await removePiece(e.id);
        const id = `piece-${++n}`;
        await saveThing('cupboard', START);
        await savePiece({ ...pineMarten, id });
        for (const w of windows) {
          await w.app.openCupboard();
          expect(await w.app.openPiece(id)).toEqual({ ok: true });
          w.app.useDesk.setState({ message: null });
          w.said.length = 0;
        }
        await quiet(windows);
        const each = <T>(x: (w: number) => T): T[] => Array.from({ length: WINDOWS }, (_, w) => x(w));
        const model: Model = {
          lots: new Set(),
          figure: each(() => 0),
          name: each((w) => pineMarten.areas[w]!.name),
          past: each(() => []),
          future: each(() => []),
          shared: [],
          off: { ever: false, now: false },
        };
        const real: Real = { windows, id, imports: 0, beside: 0 };
        await fc.asyncModelRun(() => ({ model, real }), commands);
        await quiet(windows);
        await judge(model, real);
        done += [...commands].length;
      }),
      { numRuns: runs },
    );
    told('interleavings', {
      'random interleavings of three windows': runs,
      'doings in them': done,
    });
  });
});
