import { produce } from 'immer';
import { beforeEach, describe, expect, it } from 'vitest';
import { cupboard, pineMarten } from '../../demo/load';
import type { AreaLog } from '@/core/log/log';
import { elapsed, isRunning, stepOn, toggleTimer } from './bench';
import { withDemoLots } from './demo';
import {
  applyRemedy,
  beginDrag,
  beginGesture,
  changePiece,
  editCupboard,
  editPiece,
  endGesture,
  forgetHistory,
  redo,
  undo,
  useDesk,
} from './store';
import { setPartLength } from '@/core/form/shape';
import { defaultView, viewSchema } from './view';

const desk = () => useDesk.getState();
const setLength = (mm: number) => editPiece((d) => void (d.form.finishedLengthMm = mm));
const length = () => desk().piece!.form.finishedLengthMm;

beforeEach(() => {
  endGesture();
  useDesk.setState({ piece: pineMarten, cupboard, plan: null, view: defaultView, canEdit: true, message: null });
  forgetHistory();
});

describe('undo', () => {
  it('takes back and brings again changes of piece and cupboard in their order', () => {
    setLength(200);
    editCupboard((d) => void d.lots.pop());
    const all = cupboard.lots.length;
    setLength(210);
    undo();
    expect([length(), desk().cupboard.lots.length]).toEqual([200, all - 1]);
    undo();
    expect([length(), desk().cupboard.lots.length]).toEqual([200, all]);
    undo();
    expect(desk().piece).toBe(pineMarten);
    undo();
    expect(desk().piece).toBe(pineMarten);
    redo();
    redo();
    redo();
    redo();
    expect([length(), desk().cupboard.lots.length]).toEqual([210, all - 1]);
    setLength(50);
    redo();
    expect(length()).toBe(50);
  });

  it('counts a drag as one change, and the next change as another', () => {
    beginGesture();
    for (const mm of [190, 195, 200]) setLength(mm);
    endGesture();
    setLength(300);
    undo();
    expect(length()).toBe(200);
    undo();
    expect(length()).toBe(185);
  });

  it('leaves how the piece is looked at alone', () => {
    setLength(200);
    useDesk.setState({ view: { ...defaultView, yaw: 10 } });
    undo();
    expect(desk().view.yaw).toBe(10);
  });

  it('never changes the document it was given', () => {
    const before = JSON.stringify(pineMarten);
    setLength(222);
    editPiece((d) => void d.areas.pop());
    expect(JSON.stringify(pineMarten)).toBe(before);
  });
});

describe('a remedy', () => {
  it('is one change of several places', () => {
    applyRemedy({
      changes: [
        { path: ['areas', 0, 'coat', 'spacingMm'], value: 2 },
        { path: ['areas', 2, 'coat', 'spacingMm'], value: 2.5 },
      ],
    });
    expect(
      desk()
        .piece!.areas.filter((_, i) => i === 0 || i === 2)
        .map((a) => a.coat.method === 'fold-over' && a.coat.spacingMm),
    ).toEqual([2, 2.5]);
    undo();
    expect(desk().piece).toBe(pineMarten);
  });
  it('enters what came in the cupboard, as one change with the piece', () => {
    const { cupboard } = desk();
    const [lot] = cupboard.lots;
    const pile = { lengthMm: 60, widthMm: 4, count: 12, grade: 'good' as const };
    applyRemedy({
      changes: [{ path: ['areas', 0, 'coat', 'spacingMm'], value: 2 }],
      enters: [{ lotId: lot!.id, moreG: 2.5, morePiles: [pile] }],
    });
    expect(desk().cupboard.lots[0]).toMatchObject({ haveG: lot!.haveG + 2.5, piles: [...lot!.piles, pile] });
    undo();
    expect([desk().piece, desk().cupboard]).toEqual([pineMarten, cupboard]);
  });
  it('that would leave an unsound piece is refused and said', () => {
    applyRemedy({ changes: [{ path: ['areas', 0, 'coat', 'spacingMm'], value: -1 }] });
    expect(desk().piece).toBe(pineMarten);
    expect(desk().message).toMatch(/Row spacing must be between/);
  });
});

describe('a piece that can no longer be stored', () => {
  it('is changed by nothing', () => {
    setLength(200);
    useDesk.setState({ canEdit: false });
    const before = desk().piece;
    setLength(400);
    applyRemedy({ changes: [{ path: ['areas', 0, 'coat', 'spacingMm'], value: 2 }] });
    undo();
    expect(desk().piece).toBe(before);
    expect(desk().message).toMatch(/Nothing more of this piece can be stored/);
  });
});

describe('a cupboard that is stored and cannot be read', () => {
  it('is not written over by what stands in for it; the piece is changed as ever', () => {
    useDesk.setState({ unread: { cupboard: { why: 'unreadable', problems: [], raw: {} } } });
    editCupboard((d) => void d.lots.pop());
    expect(desk().cupboard).toBe(cupboard);
    expect(desk().message).toMatch(/stored cupboard cannot be read/);
    setLength(200);
    expect(length()).toBe(200);
    useDesk.setState({ unread: {} });
  });
});

describe('undo beside another window', () => {
  /** What another window stored comes in. */
  const theirs = (recipe: (c: typeof cupboard) => void) =>
    useDesk.setState({ cupboard: produce(desk().cupboard, recipe as never) });
  const have = (id: string) => desk().cupboard.lots.find((l) => l.id === id)?.haveG;

  it('takes back this window’s change and leaves the other’s, and brings it again', () => {
    editCupboard((d) => void (d.lots.find((l) => l.id === 'rust-top')!.haveG = 1));
    theirs((d) => void (d.lots.find((l) => l.id === 'cream-top')!.haveG = 77));
    theirs((d) => void d.lots.unshift({ ...d.lots[0]!, id: 'from-the-other', name: 'from the other' }));
    undo();
    expect(have('rust-top')).toBe(cupboard.lots.find((l) => l.id === 'rust-top')!.haveG);
    expect(have('cream-top')).toBe(77);
    expect(desk().cupboard.lots[0]!.id).toBe('from-the-other');
    redo();
    expect(have('rust-top')).toBe(1);
    expect(have('cream-top')).toBe(77);
  });
  it('says when it no longer fits, and the change before it can still be taken back', () => {
    setLength(200);
    editCupboard((d) => void (d.lots[0]!.haveG = 1));
    theirs((d) => void (d.lots[0]!.haveG = 2));
    undo();
    expect(desk().cupboard.lots[0]!.haveG).toBe(2);
    expect(desk().message).toMatch(/changed in another window since/);
    undo();
    expect(length()).toBe(185);
  });
});

describe('the bench', () => {
  const log = (rowsDone: number[], rows = 3): AreaLog => ({
    areaId: 'bib',
    rowsDone,
    rows,
    rowsLaid: rowsDone.length,
    nextRow: [1, 2, 3].slice(0, rows).find((r) => !rowsDone.includes(r)) ?? null,
    plannedMinutes: 0,
    actualMinutes: 0,
    plannedSpanG: { low: 0, likely: 0, high: 0 },
    plannedG: 0,
    actualG: null,
    asked: [{ lotId: 'cream-top', grams: 0 }],
  });
  const MIN = 60_000;
  const written = () => desk().piece!.log;

  it('begins a row, writes it down with its minutes and begins the next', () => {
    expect(stepOn(log([]), 0)).toBe('begun');
    expect(written()).toEqual([]);
    expect(stepOn(log([]), 2.5 * MIN)).toBe('done');
    expect(written()).toMatchObject([{ kind: 'row', areaId: 'bib', row: 1, minutes: 2.5 }]);
    expect(stepOn(log([1]), 4 * MIN)).toBe('done');
    expect(written()[1]).toMatchObject({ row: 2, minutes: 1.5 });
    expect(stepOn(log([1, 2]), 5 * MIN)).toBe('finished');
    expect(desk().view.timer).toBeNull();
    expect(stepOn(log([1, 2, 3]), 6 * MIN)).toBe('finished');
    expect(written().length).toBe(3);
  });

  it('does not count the time the timer stands still', () => {
    stepOn(log([]), 0);
    toggleTimer('bib', 1 * MIN);
    expect(isRunning(desk().view.timer, 'bib')).toBe(false);
    expect(elapsed(desk().view.timer, 'bib', 30 * MIN)).toBe(MIN);
    toggleTimer('bib', 40 * MIN);
    stepOn(log([]), 41 * MIN);
    expect(written()[0]).toMatchObject({ minutes: 2 });
    expect(elapsed(desk().view.timer, 'tail', 50 * MIN)).toBe(0);
  });

  it('a row left overnight stays within what a log entry may hold', () => {
    stepOn(log([]), 0);
    stepOn(log([]), 5000 * MIN);
    expect(written()[0]).toMatchObject({ minutes: 600 });
  });
});

describe('what is kept beside the piece', () => {
  it('fills in what an older view did not have and refuses nonsense', () => {
    expect(viewSchema.parse({ yaw: 5 })).toEqual({ ...defaultView, yaw: 5 });
    expect(viewSchema.safeParse({ overlay: 'x-ray' }).success).toBe(false);
  });
  it('demo lots are added only where a demo piece needs them', () => {
    const own = {
      ...cupboard,
      lots: cupboard.lots.filter((l) => l.id === 'cream-top').map((l) => ({ ...l, haveG: 3 })),
    };
    const filled = withDemoLots(own, pineMarten);
    expect(filled.lots.map((l) => l.id).sort()).toEqual([
      'charcoal-top',
      'chestnut-top',
      'core-batt',
      'cream-top',
      'dusk-batt',
      'fawn-top',
      'hare-brown-top',
      'rust-top',
      'soft-white-top',
      'umber-top',
    ]);
    expect(filled.lots.find((l) => l.id === 'cream-top')!.haveG).toBe(3);
    expect(withDemoLots(cupboard, pineMarten)).toBe(cupboard);
  });
});

describe('a changed piece and a held handle', () => {
  it('a change that would leave an unsound piece is refused and said; nothing is lost', () => {
    changePiece((p) => ({ ...p, form: { ...p.form, finishedLengthMm: 5 } }));
    expect(desk().piece).toBe(pineMarten);
    expect(desk().message).toMatch(/Finished length must be between 30 and 1500 mm/);
    changePiece((p) => ({ ...p, name: 'Marten two' }));
    expect(desk().piece!.name).toBe('Marten two');
    undo();
    expect(desk().piece).toBe(pineMarten);
  });
  it('a drag of many steps is one change, and the desk knows when it is held', () => {
    for (let k = 1; k <= 5; k++) {
      beginDrag();
      changePiece((p) => ({ ...p, form: setPartLength(p.form, 'tail', 60 + k) }));
    }
    expect(desk().dragging).toBe(true);
    endGesture();
    expect(desk().dragging).toBe(false);
    undo();
    expect(desk().piece).toBe(pineMarten);
  });
});
