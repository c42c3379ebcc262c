/**
 * The work stage: the order, how far it is, the sittings, the longest chain and where time goes. Days are counted from the
 * first sitting; dates follow once the maker has set it.
 */
import type { CoatPlan } from '@/core/coat/coat';
import type { NeedlePlan } from '@/core/needle/needle-plan';
import type { Cupboard } from '@/core/piece/cupboard';
import type { Hand } from '@/core/piece/hand';
import type { Piece } from '@/core/piece/schema';
import type { Finding, Stage } from '@/core/stage';
import { minutes as time, say, type Text } from '@/core/text';
import { criticalPath } from './critical';
import { dateAfter, weekdayOf } from './dates';
import type { Ordered, Step } from './order';
import { progressOf, type StepProgress } from './progress';
import { schedule, type Stint } from './sittings';
import type { Task } from './task';
import { restsOn } from './progress';

export interface Sitting {
  readonly number: number;
  /** Days after the first day, and its date where that is set. */
  readonly day: number;
  readonly weekday: number;
  readonly date: string | null;
  readonly stints: readonly Stint[];
  readonly minutes: number;
  readonly hasMinutes: number;
  readonly idleMinutes: number;
  /** Where the work stands as it begins. */
  readonly startsAt: Text;
  /** What to take out: wool by weight, needles, and whatever else. */
  readonly wool: readonly { readonly lotId: string; readonly massG: number }[];
  readonly needles: readonly string[];
  readonly things: readonly Text[];
  /** What is soft or drying as it begins and as it ends. */
  readonly softAtStart: readonly Text[];
  readonly softAtEnd: readonly Text[];
  readonly stopsAt: Text;
  readonly over: boolean;
}

export interface WorkPlan extends Ordered {
  readonly progress: readonly StepProgress[];
  readonly minutesLeft: number;
  readonly sittings: readonly Sitting[];
  /** No plan can be done before this day, counted from the first, and its date. */
  readonly earliestDay: number;
  readonly earliestDate: string | null;
  readonly finishDate: string | null;
  /** The longest chain of what is left. */
  readonly critical: { readonly chain: readonly string[]; readonly minutes: number };
  /** How long a step can be put off, minutes; only steps that are left. */
  readonly slack: Readonly<Record<string, number>>;
  /** Steps done that rest on a decision that has changed since. */
  readonly changed: readonly { readonly id: string; readonly what: readonly string[] }[];
}

/** A step left to do as a task; what is felted can be left at any time, what is laid after any row. */
const taskOf = (s: Step, p: StepProgress, after: readonly string[]): Task => {
  const o = s.operation;
  const minutes = o.minutes * (1 - p.share);
  const unit = o.whole ? null : o.rows > 1 ? o.minutes / o.rows : Math.max(2, Math.min(10, o.minutes / 4));
  return { id: o.id, minutes, unitMinutes: unit, waitMinutes: o.wait?.minutes ?? 0, after };
};

/** Work that leaves something soft or unfinished if the sitting ends inside it. */
const SOFT = new Set(['core', 'lay', 'make', 'veil', 'set']);

export interface WorkInput {
  readonly piece: Piece;
  readonly cupboard: Cupboard;
  readonly hand: Hand;
  readonly coat: CoatPlan;
  readonly ordered: Ordered;
  readonly needles: NeedlePlan;
}

export function planSittings(x: WorkInput): Stage<WorkPlan> {
  const { piece, cupboard, hand, coat, ordered, needles } = x;
  const operations = ordered.steps.map((s) => s.operation);
  const progress = progressOf(piece, coat, operations, ordered.ties);
  const before = new Map<string, string[]>();
  for (const t of ordered.ties) before.set(t.after, [...(before.get(t.after) ?? []), t.before]);
  const left = ordered.steps.filter((s) => progress.get(s.operation.id)!.share < 1);
  const tasks = left.map((s) => taskOf(s, progress.get(s.operation.id)!, before.get(s.operation.id) ?? []));
  const firstDay = piece.work.beginOn ? weekdayOf(piece.work.beginOn) : 0;
  const plan = schedule(tasks, { minutes: hand.benchMinutes, readyMinutes: hand.readyMinutes, firstDay });
  const critical = criticalPath(tasks);
  const stepOf = new Map(ordered.steps.map((s) => [s.operation.id, s]));
  const needlesOf = new Map(needles.steps.map((s) => [s.operationId, s.phases.map((p) => p.needleId)]));

  const sittings = plan.slots.map((slot, i): Sitting => {
    const wool = new Map<string, number>();
    const needed = new Set<string>();
    const things = new Map<string, Text>();
    for (const stint of slot.stints) {
      const o = stepOf.get(stint.id)!.operation;
      // Wool is taken out when it is blended or cut; laid from what was cut.
      const cutBefore = ordered.ties.some(
        (t) =>
          t.after === o.id && restsOn(t) && ['cut', 'blend', 'make'].includes(stepOf.get(t.before)!.operation.kind),
      );
      if (o.lotId && o.massG > 0 && !(o.kind === 'lay' && cutBefore))
        wool.set(o.lotId, (wool.get(o.lotId) ?? 0) + o.massG * (stint.to - stint.from));
      for (const id of needlesOf.get(o.id) ?? []) needed.add(id);
      for (const [key, words] of thingsFor(o.kind, o.id, cupboard, piece)) things.set(key, words);
    }
    const prior = plan.slots[i - 1];
    const soft = (s: typeof slot | undefined, gapMinutes: number): Text[] =>
      !s
        ? []
        : [
            ...s.setting
              .filter((w) => w.minutes > gapMinutes)
              .map((w): Text => say`${stepOf.get(w.id)!.operation.wait!.says} ${time(w.minutes - gapMinutes)} to go.`),
            ...s.stints.slice(-1).flatMap((st): Text[] => {
              const o = stepOf.get(st.id)!.operation;
              return st.to < 1 && SOFT.has(o.kind)
                ? [say`Half done and still soft: ${o.does}. Do not squeeze it.`]
                : [];
            }),
          ];
    const first = slot.stints[0]!;
    const last = slot.stints[slot.stints.length - 1]!;
    return {
      number: i + 1,
      day: slot.day,
      weekday: (firstDay + slot.day) % 7,
      date: piece.work.beginOn ? dateAfter(piece.work.beginOn, slot.day) : null,
      stints: slot.stints,
      minutes: slot.minutes,
      hasMinutes: slot.hasMinutes,
      idleMinutes: slot.idleMinutes,
      startsAt: placeIn(stepOf.get(first.id)!, first.from, 'Begin'),
      wool: [...wool].map(([lotId, massG]) => ({ lotId, massG })),
      needles: [...needed],
      things: [...things.values()],
      softAtStart: soft(prior, prior ? (slot.day - prior.day) * 1440 - prior.hasMinutes : 0),
      softAtEnd: soft(slot, 0),
      stopsAt: placeIn(stepOf.get(last.id)!, last.to, 'Stop'),
      over: slot.over,
    };
  });
  const changed = operations.flatMap((o) => {
    const what = progress.get(o.id)!.changed;
    return what.length > 0 ? [{ id: o.id, what }] : [];
  });
  const lastSitting = sittings[sittings.length - 1];
  return {
    result: {
      ...ordered,
      progress: [...progress.values()],
      minutesLeft: tasks.reduce((s, t) => s + t.minutes, 0),
      sittings,
      earliestDay: plan.earliestDay,
      earliestDate: piece.work.beginOn ? dateAfter(piece.work.beginOn, plan.earliestDay) : null,
      finishDate: lastSitting?.date ?? null,
      critical: { chain: critical.chain, minutes: critical.minutes },
      slack: Object.fromEntries(critical.slack),
      changed,
    },
    findings: findingsOf(x, tasks, sittings, changed, stepOf),
    operations: [],
  };
}

/** Where a sitting begins or stops, in words. */
function placeIn(s: Step, share: number, word: 'Begin' | 'Stop'): Text {
  const o = s.operation;
  if (o.rows > 1 && share > 0 && share < 1) {
    const rows = Math.round(share * o.rows);
    return word === 'Begin'
      ? say`Go on at row ${rows + 1} of ${o.rows}: ${o.does}`
      : say`Stop after row ${rows} of ${o.rows}, the last one felted down: ${o.does}`;
  }
  if (word === 'Begin') return share > 0 ? say`Go on with: ${o.does}` : say`Begin with: ${o.does}`;
  return share < 1 ? say`Stop in the middle of: ${o.does}` : say`Stop after: ${o.does}`;
}

/** What else is wanted on the table. */
function thingsFor(kind: Step['operation']['kind'], id: string, cupboard: Cupboard, piece: Piece): [string, Text][] {
  const out: [string, Text][] = [];
  if (kind === 'wire') {
    const wire = cupboard.wires.find((w) => w.id === piece.frame.wireId);
    out.push(['wire', say`${wire?.name ?? 'Wire'}, cutters and pliers`]);
  }
  if (kind === 'cut' || kind === 'trim' || id.startsWith('finish-scissors'))
    out.push(['scissors', say`Sharp scissors, a rule and a comb`]);
  if (kind === 'blend') out.push(['scales', say`Scales`]);
  if (id.startsWith('bag-')) out.push(['bags', say`Small bags and clips for the colours beside`]);
  if (id.startsWith('face-eyes')) {
    out.push(['callipers', say`Callipers and an awl`]);
    const eye = cupboard.eyes.find((e) => e.id === piece.face?.eyes.stockId);
    if (eye) out.push(['eyes', say`${eye.name}`]);
    if (piece.face?.eyes.kind === 'stem') out.push(['glue', say`Glue`]);
  }
  if (kind === 'thread') {
    const set = piece.face?.whiskers.find((w) => id === `face-whiskers-${w.id}`);
    const thread = cupboard.threads.find((t) => t.id === set?.threadId);
    out.push([`thread-${thread?.id ?? ''}`, say`${thread?.name ?? 'Whisker thread'}`]);
  }
  if (id === 'form-photos') out.push(['photos', say`Photographs of the animal`]);
  return out;
}

function findingsOf(
  x: WorkInput,
  tasks: readonly Task[],
  sittings: readonly Sitting[],
  changed: WorkPlan['changed'],
  stepOf: ReadonlyMap<string, Step>,
): Finding[] {
  const out: Finding[] = [];
  const most = Math.max(...x.hand.benchMinutes) - x.hand.readyMinutes;
  if (tasks.length > 0 && sittings.length === 0)
    out.push({
      id: 'order-no-time',
      stage: 'order',
      severity: 'caution',
      about: null,
      says: say`No sitting is long enough to begin anything.`,
      why: say`Every day of your week has less than ${time(x.hand.readyMinutes + 4)} at the bench. Say in the order how long you have.`,
      remedies: [],
    });
  const over = sittings.filter((s) => s.over).map((s) => stepOf.get(s.stints[0]!.id)!.operation);
  for (const o of over)
    out.push({
      id: `order-over-${o.id}`,
      stage: 'order',
      severity: 'note',
      about: o.areaId,
      says: say`One step is longer than any sitting: ${o.does}.`,
      why: say`It takes ${time(o.minutes)} and cannot be left half done; your longest sitting has ${time(most)}.`,
      remedies: [],
    });
  for (const c of changed) {
    const o = stepOf.get(c.id)!.operation;
    out.push({
      id: `order-changed-${c.id}`,
      stage: 'order',
      severity: 'caution',
      about: o.areaId,
      says: say`Done, but planned otherwise since: ${o.does}.`,
      why: say`Changed since: ${c.what.join(', ')}. In Order, under Start over, see what doing it again would undo, or keep it as it is.`,
      remedies: [],
    });
  }
  return out;
}
