/** The planner against a worker that answers late and out of turn. */
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import { planned } from '../../cli/testing/planned';
import { cupboard, pineMarten } from '../../demo/load';
import { defaultHand } from '@/core/piece/hand';
import type { Piece } from '@/core/piece/schema';
import type { Plan, Progress } from '@/core/plan';
import { connectTo, WorkerGone, type connect } from './connection';
import { startPlanner, stopPlanning } from './planner';
import { useDesk } from './store';

interface Asked {
  readonly piece: Piece;
  readonly report: (p: Progress) => void;
  readonly answer: (p: Plan | null) => void;
  readonly fail: (e: Error) => void;
}

/** How often the worker was ended, and whether it hears that it is to stop. */
let ended = 0;
let deaf = false;

let asked: Asked[] = [];
let end: () => void;
const plan = planned(pineMarten);
const other = { ...plan, work: { ...plan.work, minutes: -1 } };
const longer = { ...pineMarten, form: { ...pineMarten.form, finishedLengthMm: 300 } };
const desk = () => useDesk.getState();
/** Lets everything that waits go on. */
const settle = () => new Promise((r) => setTimeout(r, 0));

beforeEach(async () => {
  asked = [];
  const slow = {
    plan: (piece: Piece, _c: unknown, _h: unknown, _o: unknown, report: (p: Progress) => void) =>
      new Promise<Plan | null>((answer, fail) => asked.push({ piece, report, answer, fail })),
    stop: () => (deaf ? new Promise(() => undefined) : Promise.resolve()),
    alive: () => (deaf ? new Promise(() => undefined) : Promise.resolve(true)),
    lasting: () => Promise.resolve(null),
    take: () => Promise.resolve(),
    recall: () => Promise.resolve(),
  };
  ended = 0;
  deaf = false;
  connectTo(slow as unknown as ReturnType<typeof connect>, () => ended++);
  useDesk.setState({ piece: pineMarten, cupboard, hand: defaultHand, plan: null, answered: null, progress: null });
  end = startPlanner();
  await settle();
});
afterEach(() => {
  stopPlanning();
  end();
  connectTo(null);
  useDesk.setState({ piece: null, plan: null, answered: null, progress: null, stopped: false });
});

describe('messages of the worker', () => {
  it('are shown while it works', () => {
    asked[0]!.report({ doing: 'Shaping the animal', share: 0.2 });
    expect(desk().progress).toEqual({ doing: 'Shaping the animal', share: 0.2 });
  });
  it('that arrive after the plan neither stick nor bring an earlier plan back', async () => {
    asked[0]!.answer(plan);
    await settle();
    expect(desk()).toMatchObject({ plan, progress: null });
    asked[0]!.report({ doing: 'Building the core', share: 0.96, early: other });
    await settle();
    expect(desk().progress).toBeNull();
    expect(desk().plan).toBe(plan);
  });
  it('of a run that was overtaken are dropped, and so is its plan', async () => {
    useDesk.setState({ piece: longer });
    await settle();
    expect(asked.map((a) => a.piece)).toEqual([pineMarten, longer]);
    asked[0]!.report({ doing: 'Building the core', share: 0.96, early: other });
    asked[0]!.answer(other);
    await settle();
    // What is under way is said from the moment it is asked for.
    expect(desk()).toMatchObject({ plan: null, progress: { doing: 'Beginning', share: 0 } });
    asked[1]!.report({ doing: 'Shaping the animal', share: 0 });
    expect(desk().progress).toEqual({ doing: 'Shaping the animal', share: 0 });
    asked[1]!.answer(plan);
    await settle();
    expect(desk()).toMatchObject({ plan, progress: null });
    expect(desk().answered!.piece).toBe(longer);
  });
  it('of a run that was stopped are dropped', async () => {
    stopPlanning();
    asked[0]!.report({ doing: 'Building the core', share: 0.96 });
    asked[0]!.answer(plan);
    await settle();
    expect(desk()).toMatchObject({ plan: null, progress: null, stopped: true });
  });
});

describe('a worker that ends', () => {
  const gone = () => new WorkerGone('it has ended');
  it('is started anew and the plan begun again, once for each state of the piece', async () => {
    asked[0]!.fail(gone());
    await settle();
    expect(asked.length).toBe(2);
    expect(desk()).toMatchObject({ planError: null, stopped: false });
    asked[1]!.fail(gone());
    await settle();
    expect(asked.length).toBe(2);
    expect(desk().planError).toBe('it has ended');
    // Another state of the piece is planned again.
    useDesk.setState({ piece: longer });
    await settle();
    expect(asked.length).toBe(3);
    expect(desk().planError).toBeNull();
  });
  it('without a word is ended, but not while it answers between two pieces of work', async () => {
    stopPlanning();
    vi.useFakeTimers();
    useDesk.setState({ piece: longer, stopped: false });
    await vi.advanceTimersByTimeAsync(300_000);
    expect(ended).toBe(0);
    deaf = true;
    await vi.advanceTimersByTimeAsync(59_000);
    expect(ended).toBe(0);
    asked.at(-1)!.report({ doing: 'Shaping the animal', share: 0.1 });
    await vi.advanceTimersByTimeAsync(59_000);
    expect(ended).toBe(0);
    await vi.advanceTimersByTimeAsync(2000);
    expect(ended).toBe(1);
    vi.useRealTimers();
  });
  it('that does not hear that it is to stop is ended; one that hears it is not', async () => {
    vi.useFakeTimers();
    stopPlanning();
    await vi.advanceTimersByTimeAsync(5000);
    expect(ended).toBe(0);
    deaf = true;
    stopPlanning();
    await vi.advanceTimersByTimeAsync(1400);
    expect(ended).toBe(0);
    await vi.advanceTimersByTimeAsync(200);
    expect(ended).toBe(1);
    vi.useRealTimers();
  });
});
