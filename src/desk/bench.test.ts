/** What happens at the bench, as it lands in the log: one change to undo each, with the marks of the decisions behind it. */
import { beforeEach, describe, expect, it } from 'vitest';
import { cupboard, kingfisher } from '../../demo/load';
import { plan } from '../../demo/plain-marten';
import { readPiece } from '@/core/piece/read';
import {
  keepAsItIs,
  needleBroke,
  needlesCounted,
  startAgain,
  stepDone,
  stepOn,
  stepUndone,
  toggleTimer,
} from './bench';
import { forgetHistory, undo, useDesk } from './store';
import { defaultView } from './view';

const ready = plan(kingfisher);
const state = () => useDesk.getState();
const log = () => state().piece!.log;
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
