/** What happens at the bench, as it lands in the log: one change to undo each, with the marks of the decisions behind it. */
import { beforeEach, describe, expect, it } from 'vitest';
import { cupboard, kingfisher } from '../../demo/load';
import { plan } from '../../demo/plain-marten';
import { readPiece } from '@/core/piece/read';
import {
  cutOtherwise,
  heightMeasured,
  keepAsItIs,
  needleBroke,
  needlesCounted,
  overdue,
  mostOnRow,
  rowOtherwise,
  rowWrong,
  spacingMeasured,
  startAgain,
  stepDone,
  stepOn,
  stepUndone,
  stepWrong,
  stopHere,
  takeBack,
  toggleTimer,
  writeNote,
} from './bench';
import { keepOffcuts, lotsOf, writeWool } from './bench-wool';
import { allRight, putRight, takeOut } from './put-right';
import { longerOf, lyingOf, stoppedBy } from '@/core/coat/rows/lying';
import { ANOTHER_SITTING } from '@/core/log/sittings-done';
import { forgetHistory, undo, useDesk } from './store';
import { defaultView } from './view';

const ready = plan(kingfisher);
const state = () => useDesk.getState();
/** What was written, without what begins a sitting. */
const log = () => state().piece!.log.filter((e) => e.kind !== 'sitting');
const last = () => log()[log().length - 1]!;

beforeEach(() => {
  useDesk.setState({ piece: kingfisher, cupboard, plan: ready, view: defaultView, canEdit: true });
  forgetHistory();
});

describe('steps at the bench', () => {
  const first = ready.work.steps[1]!.operation;
  it('a step done takes the time of the timer, else the time planned, and can be taken back', () => {
    stepDone(first.id);
    expect(last()).toMatchObject({ kind: 'step', operation: first.id, minutes: Math.round(first.minutes * 10) / 10 });
    stepUndone(first.id);
    expect(log()).toEqual([]);
    toggleTimer(first.id, 1_000_000);
    stepDone(first.id, 1_000_000 + 7.5 * 60_000);
    expect(last()).toMatchObject({ minutes: 7.5 });
    expect(state().view.timer).toBeNull();
    undo();
    expect(log()).toEqual([]);
  });
  it('rows and steps carry marks of the decisions behind them; the piece stays sound', () => {
    const area = ready.log.areas.find((a) => a.areaId === 'crown')!;
    stepOn(area, 0);
    stepOn(area, 120_000);
    const row = last();
    expect(row.kind === 'row' && Object.keys(row.made)).toEqual(
      expect.arrayContaining(['the wool', 'the way it is laid', 'the place of the area', 'the size of the animal']),
    );
    stepDone('wire');
    const step = last();
    expect(step.kind === 'step' && Object.keys(step.made)).toContain('the wire');
    expect(readPiece(JSON.parse(JSON.stringify(state().piece))).ok).toBe(true);
  });
  it('an unknown step is not written down', () => {
    stepDone('no-such-step');
    expect(log()).toEqual([]);
  });
  it('starting over and keeping as it is are written down, not rubbed out', () => {
    stepDone('wire');
    startAgain(['wire'], 'too short');
    expect(last()).toMatchObject({ kind: 'start-over', operations: ['wire'], words: 'too short', areaId: 'frame' });
    keepAsItIs('wire');
    expect(last()).toMatchObject({ kind: 'step', kept: true });
    expect(log()).toHaveLength(3);
    expect(readPiece(JSON.parse(JSON.stringify(state().piece))).ok).toBe(true);
  });
});

describe('a sitting', () => {
  const crown = ready.log.areas.find((a) => a.areaId === 'crown')!;
  const all = () => state().piece!.log;

  it('begins with what the plan says is left; nothing is left of one in which everything was taken back', () => {
    stepDone('wire');
    expect(all().map((e) => e.kind)).toEqual(['sitting', 'step']);
    const { spanLeft } = ready.work;
    expect(all()[0]).toMatchObject({ leftMinutes: { likely: Math.round(spanLeft.likely * 10) / 10 } });
    stepDone('core-join');
    expect(all().map((e) => e.kind)).toEqual(['sitting', 'step', 'step']);
    takeBack();
    takeBack();
    expect(all()).toEqual([]);
    undo();
    expect(all().map((e) => e.kind)).toEqual(['sitting', 'step']);
    // The next day is another one.
    const yesterday = new Date(Date.now() - ANOTHER_SITTING - 1000).toISOString();
    const piece = { ...state().piece!, log: all().map((e) => ({ ...e, at: yesterday })) };
    useDesk.setState({ piece });
    writeNote('piece', 'again');
    expect(all().map((e) => e.kind)).toEqual(['sitting', 'step', 'sitting', 'note']);
  });

  it('one key takes the last thing back, row or step, and says where it was', () => {
    stepOn(crown, 0);
    stepOn(crown, 60_000);
    stepDone('wire');
    writeNote('crown', 'damp');
    expect(takeBack()).toBe('wire');
    expect(log().map((e) => e.kind)).toEqual(['row', 'note']);
    expect(takeBack()).toBe('lay-crown');
    expect(log().map((e) => e.kind)).toEqual(['note']);
    expect(takeBack()).toBeNull();
  });

  it('a row keeps what was planned for it and what that is made of; rows together are their step', () => {
    const lay = ready.work.steps.find((s) => s.operation.id === 'lay-crown')!.operation;
    const rows = ready.coat.areas.find((a) => a.id === 'crown')!.fur!.rows;
    stepOn(crown, 0);
    stepOn(crown, 60_000);
    const row = last();
    if (row.kind !== 'row') throw new Error('no row');
    const share = rows.rows[0]!.lengthMm / rows.totalMm;
    expect(row.planned).toBeCloseTo(lay.minutes * share, 3);
    expect(row.work!.pinch).toBeCloseTo(lay.work.pinch! * share, 9);
    expect(row.timed).toBe(true);
  });

  it('pressed again before the plan has followed: each row and each step once, in turn', () => {
    stepOn(crown, 0);
    for (let i = 1; i <= 4; i++) stepOn(crown, i * 60_000);
    expect(log().map((e) => e.kind === 'row' && e.row)).toEqual([1, 2, 3, 4]);
    stepDone('wire');
    stepDone('wire');
    expect(log().filter((e) => e.kind === 'step')).toHaveLength(1);
    startAgain(['wire'], '');
    stepDone('wire');
    expect(log().filter((e) => e.kind === 'step')).toHaveLength(2);
    // The last row ends it, however many are asked for.
    const rows = ready.coat.areas.find((a) => a.id === 'crown')!.fur!.rows.rows.length;
    let said = '';
    for (let i = 0; i < 3 * rows && said !== 'finished'; i++) said = stepOn(crown, (10 + i) * 60_000);
    expect(log().filter((e) => e.kind === 'row')).toHaveLength(rows);
    expect(state().view.timer).toBeNull();
  });

  it('asks before it believes three times what was planned, and then writes what it is told', () => {
    stepOn(crown, 0);
    expect(overdue('crown', 'lay-crown', 1, 5 * 60_000)).toBeNull();
    const night = overdue('crown', 'lay-crown', 1, 14 * 3_600_000)!;
    expect(night.minutes).toBe(14 * 60);
    expect(log()).toEqual([]);
    stepOn(crown, 14 * 3_600_000, night.planned);
    expect(last()).toMatchObject({ kind: 'row', minutes: Math.round(night.planned * 10) / 10, timed: false });
  });
});

describe('put down otherwise', () => {
  const crown = ready.log.areas.find((a) => a.areaId === 'crown')!;
  const { lotId } = ready.coat.areas.find((a) => a.id === 'crown')!.fur!;
  const have = () => state().cupboard.lots.find((l) => l.id === lotId)!.haveG;

  it('wool weighed leaves the cupboard in the same change; put right, or taken out, the difference goes back', () => {
    const was = have();
    writeWool('crown', lotId, 0.4, 'lay-crown');
    expect(have()).toBeCloseTo(was - 0.4, 9);
    expect(last()).toMatchObject({ kind: 'wool', lotId, grams: 0.4, takenG: 0.4, way: 'fold-over', askedG: null });
    putRight(last().id, { grams: 0.3 });
    expect(have()).toBeCloseTo(was - 0.3, 9);
    expect(last()).toMatchObject({ grams: 0.3, was: [{ said: { grams: 0.4 } }] });
    takeOut(last().id);
    expect(have()).toBeCloseTo(was, 9);
    for (let i = 0; i < 3; i++) undo();
    expect(have()).toBe(was);
    expect(log()).toEqual([]);
  });

  it('what is asked for the rows laid is kept beside what went, and counts once', () => {
    const asked = { ...crown, rowsDone: [1, 2], asked: [{ lotId, grams: 0.5 }] };
    useDesk.setState({ plan: { ...ready, log: { ...ready.log, areas: [asked] } } });
    writeWool('crown', lotId, 0.6, 'lay-crown');
    expect(last()).toMatchObject({ askedG: 0.5 });
    writeWool('crown', lotId, 0.1, 'lay-crown');
    expect(last()).toMatchObject({ askedG: null });
  });

  it('minutes put right keep what was said before, and are meant', () => {
    stepDone('wire');
    putRight(last().id, { minutes: 33 });
    expect(last()).toMatchObject({ minutes: 33, timed: true });
    expect(last().was).toHaveLength(1);
    putRight(last().id, { minutes: 33 });
    expect(last().was).toHaveLength(1);
    expect(readPiece(JSON.parse(JSON.stringify(state().piece))).ok).toBe(true);
  });

  it('a row pulled off and rows measured are one change each, and the piece stays sound', () => {
    const laid = { ...crown, rowsDone: [1, 2, 3, 4], rowsLaid: 4, nextRow: 5 };
    rowWrong('crown', 4, { off: true, why: 'uneven', wool: 'waste', words: '' });
    expect(last()).toMatchObject({ kind: 'wrong', operation: 'lay-crown', row: 4 });
    spacingMeasured(laid, 1.7, 2, 'fold-over', true);
    const lying = () => lyingOf(state().piece!.log, 'crown');
    expect(lying()).toEqual([{ rows: 4, spacingMm: 1.7 }]);
    spacingMeasured({ ...laid, rowsLaid: 7 }, 2.2, 2, 'fold-over', true);
    expect(lying()).toEqual([
      { rows: 4, spacingMm: 1.7 },
      { rows: 3, spacingMm: 2.2 },
    ]);
    expect(readPiece(JSON.parse(JSON.stringify(state().piece))).ok).toBe(true);
    // The measure taken out of the log is out of the plan.
    takeOut(last().id);
    expect(lying()).toEqual([{ rows: 4, spacingMm: 1.7 }]);
    startAgain(['lay-crown'], '');
    expect(lying()).toEqual([]);
    spacingMeasured(laid, 1.7, 2, 'fold-over', false);
    expect(lying()).toEqual([]);
    heightMeasured('crown', 6, 5, 'fold-over');
    expect(last()).toMatchObject({ kind: 'measured', what: 'loft', actualMm: 6, plannedMm: 5 });
    expect(readPiece(JSON.parse(JSON.stringify(state().piece))).ok).toBe(true);
  });

  it('a length cut otherwise is written down, and where the area is planned with it that is one change', () => {
    const { coat } = kingfisher.areas.find((a) => a.id === 'crown')!;
    cutOtherwise('crown', 60, 50, coat.method, null);
    expect(last()).toMatchObject({ kind: 'measured', what: 'cut', actualMm: 60, plannedMm: 50, anew: false });
    expect(state().piece!.areas).toBe(kingfisher.areas);
    cutOtherwise('crown', 60, 50, coat.method, 27);
    expect(state().piece!.areas.find((a) => a.id === 'crown')!.coat).toEqual({ ...coat, lengthMm: 27 });
    expect(readPiece(JSON.parse(JSON.stringify(state().piece))).ok).toBe(true);
    undo();
    expect(state().piece!.areas.find((a) => a.id === 'crown')!.coat).toEqual(coat);
  });

  it('a row measured is held beside what the shape has, however often; pieces counted set how far apart they are', () => {
    const area = ready.coat.areas.find((a) => a.id === 'crown')!;
    const [row] = area.fur!.rows.rows;
    rowOtherwise(area, row!, { longMm: 1.2 * row!.lengthMm, pieces: null }, true);
    const shapeMm = (last() as { plannedMm: number }).plannedMm;
    expect(shapeMm).toBeCloseTo(row!.lengthMm, 2);
    expect(longerOf(state().piece!.log, 'crown')[0]).toMatchObject({ up: row!.up });
    expect(longerOf(state().piece!.log, 'crown')[0]!.times).toBeCloseTo(1.2, 3);
    // The plan has followed: the row is longer there, the shape is as it was.
    rowOtherwise(area, { ...row!, lengthMm: 1.2 * row!.lengthMm }, { longMm: row!.lengthMm, pieces: null }, true);
    expect((last() as { plannedMm: number }).plannedMm).toBeCloseTo(shapeMm, 2);
    const { coat } = kingfisher.areas.find((a) => a.id === 'crown')!;
    const pitch = (coat as { pinchPitchMm: number }).pinchPitchMm;
    const pieces = Math.max(1, Math.floor(row!.lengthMm / (pitch + 1)));
    rowOtherwise(area, row!, { longMm: null, pieces }, false);
    expect(state().piece!.areas).toBe(kingfisher.areas);
    rowOtherwise(area, row!, { longMm: null, pieces }, true);
    expect(last()).toMatchObject({ kind: 'measured', what: 'pitch', plannedMm: pitch });
    const now = state().piece!.areas.find((a) => a.id === 'crown')!.coat as { pinchPitchMm: number };
    expect(now).toEqual({ ...coat, pinchPitchMm: (last() as { actualMm: number }).actualMm });
    expect(now.pinchPitchMm).toBeCloseTo(row!.lengthMm / pieces, 2);
    expect(mostOnRow(area, row!)).toBe(Math.floor(row!.lengthMm));
    expect(readPiece(JSON.parse(JSON.stringify(state().piece))).ok).toBe(true);
    undo();
    expect(state().piece!.areas.find((a) => a.id === 'crown')!.coat).toEqual(coat);
    // Both at once are one change.
    const entries = state().piece!.log.length;
    rowOtherwise(area, row!, { longMm: 2 * row!.lengthMm, pieces: 2 * pieces }, true);
    expect(state().piece!.log.length).toBe(entries + 2);
    expect((last() as { actualMm: number }).actualMm).toBeCloseTo(row!.lengthMm / pieces, 2);
    undo();
    expect(state().piece!.log.length).toBe(entries);
    expect(state().piece!.areas.find((a) => a.id === 'crown')!.coat).toEqual(coat);
  });

  it('more wool than the cupboard is said to have: no more comes out than was there, and no more goes back', () => {
    const was = have();
    writeWool('crown', lotId, was + 5, 'lay-crown');
    expect(have()).toBe(0);
    expect(last()).toMatchObject({ grams: was + 5, takenG: was });
    putRight(last().id, { grams: was + 1 });
    expect(have()).toBe(0);
    putRight(last().id, { grams: 1 });
    expect(have()).toBeCloseTo(was - 1, 6);
    takeOut(last().id);
    expect(have()).toBeCloseTo(was, 6);
  });
});

describe('wool of steps and of offcuts', () => {
  const veil = ready.work.steps.find(
    (s) => s.operation.kind === 'veil' && lotsOf(ready, s.operation.id).length > 0,
  )!.operation;
  const wool = veil.materials.find((m) => m.from === 'cupboard')!;
  const have = () => state().cupboard.lots.find((l) => l.id === wool.lotId)!.haveG;

  it('a step is weighed by its own wool, once; what lies in the coat of its area is not in it', () => {
    const was = have();
    writeWool(veil.about.id, wool.lotId!, 0.02, veil.id);
    expect(last()).toMatchObject({ kind: 'wool', operation: veil.id, way: null, takenG: 0.02 });
    const asked = (last() as { askedG: number }).askedG;
    expect(asked).toBeCloseTo(
      veil.materials.reduce((s, m) => s + (m.lotId === wool.lotId && m.from === 'cupboard' ? m.massG : 0), 0),
      3,
    );
    expect(have()).toBeCloseTo(was - 0.02, 9);
    writeWool(veil.about.id, wool.lotId!, 0.01, veil.id);
    expect(last()).toMatchObject({ askedG: null });
    const laid = plan(state().piece!).log.areas.find((a) => a.areaId === veil.about.id);
    expect(laid?.actualG ?? null).toBeNull();
  });
  it('what is cut or blended is weighed as it is laid, not twice', () => {
    for (const { operation: o } of ready.work.steps)
      if (o.kind === 'cut' || o.kind === 'blend') expect(lotsOf(ready, o.id)).toEqual([]);
    const lays = ready.work.steps.filter((s) => s.operation.kind === 'lay');
    for (const { operation: o } of lays) {
      const draws = ready.coat.areas.find((a) => a.id === o.about.id)!.fur!.draws.filter((d) => d.for === 'coat');
      expect(new Set(lotsOf(ready, o.id))).toEqual(new Set(draws.map((d) => d.lotId)));
    }
  });
  it('offcuts are a wool of their own, no longer than they are, and more of them are added to it', () => {
    const of = state().cupboard.lots.find((l) => l.id === wool.lotId)!;
    keepOffcuts(of.id, 1.5, 20);
    const off = () => state().cupboard.lots.filter((l) => l.name === `Offcuts of ${of.name}`);
    expect(off()).toHaveLength(1);
    expect(off()[0]).toMatchObject({
      haveG: 1.5,
      stapleMm: Math.min(20, of.stapleMm),
      colour: of.colour,
      form: of.form,
    });
    keepOffcuts(of.id, 0.7, 400);
    expect(off()).toHaveLength(1);
    expect(off()[0]).toMatchObject({ haveG: 2.2, stapleMm: Math.min(20, of.stapleMm) });
    // The wool itself is as it was: what is kept has left it as laid.
    expect(state().cupboard.lots.find((l) => l.id === of.id)).toEqual(of);
    undo();
    undo();
    expect(off()).toEqual([]);
  });
});

describe('a step gone wrong, an area stopped, an entry moved', () => {
  it('a step taken off is open again and its minutes are spent; left, it stays done', () => {
    stepDone('wire');
    stepWrong('wire', { off: false, why: 'wrong place', wool: null, words: '' });
    const share = () => plan(state().piece!).work.progress.find((p) => p.id === 'wire')!.share;
    expect(share()).toBe(1);
    stepWrong('wire', { off: true, why: 'wrong place', wool: null, words: 'bent the wrong way' });
    expect(last()).toMatchObject({ kind: 'wrong', operation: 'wire', row: null });
    expect(share()).toBe(0);
    expect(log().filter((e) => e.kind === 'step')).toHaveLength(1);
    expect(readPiece(JSON.parse(JSON.stringify(state().piece))).ok).toBe(true);
  });
  it('an area stops where its last row lies, until another is laid on it', () => {
    const crown = ready.log.areas.find((a) => a.areaId === 'crown')!;
    stopHere(crown);
    expect(log()).toEqual([]);
    const rows = ready.coat.areas.find((a) => a.id === 'crown')!.fur!.rows.rows;
    stopHere({ ...crown, rowsDone: [1, 2, 3], rowsLaid: 3 });
    expect(stoppedBy(state().piece!.log, 'crown')).toMatchObject({ rows: 3, up: rows[2]!.up });
    stepOn(crown, 0);
    stepOn(crown, 60_000);
    expect(stoppedBy(state().piece!.log, 'crown')).toBeNull();
    expect(readPiece(JSON.parse(JSON.stringify(state().piece))).ok).toBe(true);
  });
  it('an entry moved to another time stands there, and says when it was', () => {
    writeNote('piece', 'first');
    writeNote('piece', 'second');
    const [a, b] = log();
    const before = new Date(Date.parse(a!.at) - 60_000).toISOString();
    putRight(b!.id, { at: before });
    expect(log().map((e) => e.kind === 'note' && e.words)).toEqual(['second', 'first']);
    expect(log()[0]).toMatchObject({ at: before, was: [{ said: { at: b!.at } }] });
    undo();
    expect(log()).toEqual([a, b]);
  });
  it('several put right at once are one change, and each lot is drawn from once for each', () => {
    const lot = cupboard.lots[0]!;
    const have = () => state().cupboard.lots.find((l) => l.id === lot.id)!.haveG;
    writeWool('crown', lot.id, 0.4, 'lay-crown');
    writeWool('crown', lot.id, 0.2, 'lay-crown');
    const [a, b] = log();
    allRight(
      [
        { id: a!.id, fixed: { grams: 0.5 } },
        { id: b!.id, fixed: { grams: 0.1 } },
      ],
      [{ kind: 'wool', at: a!.at, areaId: 'crown', lotId: lot.id, grams: 0.3 }],
    );
    expect(have()).toBeCloseTo(lot.haveG - 0.9, 9);
    expect(log().map((e) => e.kind === 'wool' && e.takenG)).toEqual(expect.arrayContaining([0.5, 0.1, 0.3]));
    undo();
    expect(have()).toBeCloseTo(lot.haveG - 0.6, 9);
    expect(log()).toEqual([a, b]);
  });
});

describe('needles at the bench', () => {
  const count = (id: string) => state().cupboard.needles.find((n) => n.id === id)!.count;
  it('a broken one is written down and leaves the rack, as one change', () => {
    const was = count('n46');
    needleBroke('n46', 'lay-crown', false);
    expect(count('n46')).toBe(was - 1);
    expect(last()).toMatchObject({
      kind: 'broken',
      needleId: 'n46',
      operation: 'lay-crown',
      areaId: 'crown',
      found: false,
    });
    undo();
    expect(count('n46')).toBe(was);
    expect(log()).toEqual([]);
  });
  it('a holder holds no more than are left, and never fewer than a holder can', () => {
    const id = cupboard.holders[0]!.needleId;
    for (let i = 0; i < 20; i++) needleBroke(id, null, true);
    expect(count(id)).toBe(0);
    expect(state().cupboard.holders[0]!.needles).toBe(2);
  });
  it('counts are kept with when they were taken', () => {
    needlesCounted('before', { n46: 3, n40: 5 });
    expect(last()).toMatchObject({ kind: 'needles', when: 'before', counts: { n46: 3, n40: 5 } });
    expect(readPiece(JSON.parse(JSON.stringify(state().piece))).ok).toBe(true);
  });
});
