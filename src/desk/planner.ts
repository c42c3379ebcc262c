/** Keeps the plan in step with the desk: every change of piece, cupboard or hand is sent to the worker. */
import * as Comlink from 'comlink';
import type { Triple } from '@/core/colour/lab';
import type { Picture } from '@/core/colour/picture';
import type { Laid } from '@/core/piece/coat';
import type { MatchQuestion, MatchResult } from '@/core/shade/matching/ask';
import type { InsideQuestion } from '@/core/needle/inside';
import type { Plan, Progress } from '@/core/plan';
import { connect, connected, endWorker, whenLost, WorkerGone } from './connection';
import { shared } from '@/core/share';
import { keepPlan, keptMemory, keptPlan } from './kept-plans';
import { noteWrong } from './report';
import { dayOf, optionsFor } from './settings';
import { say, useDesk, type Desk } from './store';

let asked = 0;
let keeping: ReturnType<typeof setTimeout> | undefined;
/** A plan is kept once nothing has been changed for so long, ms. */
const QUIET = 6000;

let recalled: { readonly id: string; readonly done: Promise<void> } | null = null;

/** Hands the worker what was remembered of planning a piece, once; a change that comes meanwhile waits for it. */
function recall(id: string): Promise<void> {
  if (recalled?.id !== id) {
    const done = keptMemory(id)
      .then(async (memory) => {
        if (memory) await connect().recall(id, memory);
      })
      // Without it the first change takes a little longer.
      .catch(() => undefined);
    recalled = { id, done };
  }
  return recalled.done;
}

/** A plan to go on with. From a coarse skin all of it is still old, and what is found waits: a small place may be lost on such a skin. */
function shownEarly(early: Plan, rough: boolean, answered: Desk['answered']): Partial<Desk> {
  const { plan: shown } = useDesk.getState();
  const plan = shared(shown, early);
  if (!rough) return { plan, early: answered };
  return { plan: { ...plan, findings: shown?.findings ?? plan.findings }, early: null, draft: null };
}

/** The day the plan shown was asked for on. */
let plannedOn = '';

async function request(): Promise<void> {
  const { piece, cupboard, hand, settings, plan: shown } = useDesk.getState();
  if (!piece) return;
  const turn = ++asked;
  clearTimeout(keeping);
  // Said at once, before the worker has heard of it.
  useDesk.setState({ stopped: false, planError: null, progress: { doing: 'Beginning', share: 0 } });
  const options = optionsFor(piece, settings);
  plannedOn = dayOf(new Date()).date;
  const answered = { piece, cupboard, hand, shape: settings.shape };
  if (!shown) {
    const kept = await keptPlan(piece, cupboard, hand, options);
    if (turn !== asked) return;
    if (kept) {
      // The worker has it before anything drawn asks about it.
      void connect().take(piece, cupboard, hand, options, kept);
      useDesk.setState({ plan: kept, answered, early: null, progress: null, draft: null });
      void recall(piece.id);
      return;
    }
  }
  await recall(piece.id);
  if (turn !== asked) return;
  // A message may come after the plan it is about: nothing is heard of a run that has ended.
  let running = true;
  const watch = watching();
  const report = Comlink.proxy((progress: Progress) => {
    watch.heard();
    if (turn !== asked || !running) return;
    const { early, rough, ...rest } = progress;
    useDesk.setState(early ? { ...shownEarly(early, rough === true, answered), progress: rest } : { progress: rest });
  });
  try {
    const plan = await connect().plan(piece, cupboard, hand, options, report).finally(watch.end);
    running = false;
    if (turn !== asked) return;
    if (!plan) return;
    useDesk.setState((s) => ({ plan: shared(s.plan, plan), answered, early: null, progress: null, draft: null }));
    // Whatever is changed meanwhile: this plan stays that of these inputs. What cannot be kept is worked out again.
    keeping = setTimeout(() => {
      connect()
        .lasting()
        .then((memory) => keepPlan(piece, cupboard, hand, options, plan, memory))
        .catch(() => undefined);
    }, QUIET);
  } catch (e) {
    running = false;
    if (turn !== asked) return;
    // The next worker remembers nothing.
    if (e instanceof WorkerGone) recalled = null;
    if (e instanceof WorkerGone && begunAgain !== piece) {
      // Once for each state of the piece: one that always ends the worker is said to.
      begunAgain = piece;
      return void request();
    }
    noteWrong('working out the plan', e);
    useDesk.setState({ progress: null, draft: null, planError: e instanceof Error ? e.message : String(e) });
  }
}

/** A worker that says nothing for so long is asked whether it is there; that it may be deep in one piece of work is waited for, ms. */
const SILENT = 30_000;
const DEEP = 30_000;

/** Watches a worker while it is at work: one that is gone without a word is ended, so that whatever waits for it goes on. */
function watching(): { readonly heard: () => void; readonly end: () => void } {
  let timer: ReturnType<typeof setTimeout>;
  const listen = () => {
    timer = setTimeout(() => {
      const line = connected();
      timer = setTimeout(() => connected() === line && endWorker(), DEEP);
      line?.alive().then(heard, () => undefined);
    }, SILENT);
  };
  const heard = () => {
    clearTimeout(timer);
    if (!over) listen();
  };
  let over = false;
  listen();
  return {
    heard,
    end: () => {
      over = true;
      clearTimeout(timer);
    },
  };
}

/** The piece whose plan was begun again because the worker had ended. */
let begunAgain: Desk['piece'] = null;

/** The worker ended by itself: what it remembered is gone, and whatever is shown is planned anew. */
function workerLost(): void {
  recalled = null;
  say('Working out the plan ended unexpectedly; it was begun again.');
  // What was under way has failed by now and begins again by itself.
  const now = useDesk.getState();
  if (now.piece && !now.progress && !now.planError && !now.stopped && now.answered?.piece === now.piece) void request();
}

let drafting = false;

/** Keeps a coarse skin in step while a part is dragged: the newest form, one at a time. */
async function draft(): Promise<void> {
  if (drafting) return;
  drafting = true;
  try {
    for (;;) {
      const { piece, dragging } = useDesk.getState();
      if (!piece || !dragging) break;
      const d = await connect().draft(piece.form);
      const now = useDesk.getState();
      if (!now.dragging) break;
      useDesk.setState({ draft: d });
      if (now.piece === piece) break;
    }
  } catch {
    // A shape that cannot be drawn coarsely is left to the plan, which says what is wrong.
  } finally {
    drafting = false;
  }
}

const shapeChanged = (a: Desk, b: Desk): boolean =>
  a.piece?.form.parts !== b.piece?.form.parts || a.piece?.form.pose !== b.piece?.form.pose;

/** Starts planning; returns what ends it. */
export function startPlanner(): () => void {
  let behind = false;
  whenLost(workerLost);
  void request();
  // A tablet left on the table over night: the day that has passed counts once it is looked at again.
  const seen = () => {
    if (document.visibilityState === 'visible' && plannedOn !== dayOf(new Date()).date) void request();
  };
  const page = typeof document === 'undefined' ? null : document;
  page?.addEventListener('visibilitychange', seen);
  const stop = useDesk.subscribe((now, before) => {
    const held = now.dragging && before.piece !== null && shapeChanged(now, before);
    if (held) {
      behind = true;
      void draft();
      return;
    }
    const same =
      now.piece === before.piece &&
      now.cupboard === before.cupboard &&
      now.hand === before.hand &&
      now.settings.shape === before.settings.shape;
    if (same && !(behind && !now.dragging)) return;
    if (now.dragging && behind) return;
    behind = false;
    void request();
  });
  return () => {
    stop();
    page?.removeEventListener('visibilitychange', seen);
  };
}

/** Between two pieces of work the worker hears that it is to stop; one that does not hear it for so long is ended, ms. */
const HEARS_WITHIN = 1500;

/** Stops the work under way; the last finished plan stays. */
export function stopPlanning(): void {
  asked++;
  clearTimeout(keeping);
  useDesk.setState({ progress: null, stopped: true });
  const line = connected();
  if (!line) return;
  const deaf = setTimeout(() => {
    if (connected() !== line) return;
    recalled = null;
    endWorker();
  }, HEARS_WITHIN);
  void line
    .stop()
    .catch(() => undefined)
    .then(() => clearTimeout(deaf));
}

export function planAgain(): void {
  void request();
}

export async function furStrands(most: number, trimStep: number | null) {
  return connect().strands(most, trimStep);
}

/** An area under several ways of laying, from the last finished plan. */
export async function comparedWays(areaId: string, methods: readonly Laid['method'][]) {
  return connect().compare(areaId, methods);
}

/** The coat of an area on a practice ball. */
export async function practiceOn(areaId: string, diameterMm: number) {
  return connect().practice(areaId, diameterMm);
}

/** Recipes for a colour from the cupboard. @returns null when another question has been asked since */
export async function recipesFor(q: MatchQuestion, report: (r: MatchResult) => void) {
  const { cupboard, hand } = useDesk.getState();
  return connect().match(q, cupboard, hand, Comlink.proxy(report));
}

/** The section along a needle, from the last finished plan. */
export async function insideAlong(q: InsideQuestion) {
  return connect().inside(q);
}

/** The colours a photograph is made of. */
export async function paletteOfPicture(picture: Picture, card: { linear: Triple; truth: string } | null) {
  return connect().palette(picture, 8, card);
}

/** The outline of the animal from one side, from the last finished plan. */
export async function outlineFrom(side: 'left' | 'front' | 'above') {
  return connect().outline(side);
}

/** Reads a scan in the worker. @returns null when it was stopped @throws in words */
export async function readScanFile(file: File, report: (p: Progress) => void) {
  const bytes = new Uint8Array(await file.arrayBuffer());
  return connect().scan(Comlink.transfer(bytes, [bytes.buffer]), file.name, Comlink.proxy(report));
}

export function stopScan(): void {
  void connected()?.stopScan();
}
