/**
 * The work stage: the order, how far it is, the sittings, the longest chain and where time goes. Days are counted from the
 * first sitting; dates follow once the maker has set it.
 */
import type { CoatPlan } from '@/core/coat/coat-plan';
import { byLot, massOf, shareOf, takenBy, woolIn, type WoolMass } from '@/core/materials';
import type { NeedlePlan } from '@/core/needle/needle-plan';
import type { Hand } from '@/core/piece/hand';
import type { Piece } from '@/core/piece/schema';
import { NO_WORK, type Finding, type Stage, type Today } from '@/core/stage';
import { grams, minutes as time, say, type Text } from '@/core/text';
import type { Span } from '@/core/method/span';
import { both, spanOf, together } from '@/core/time/work-time';
import { criticalPath } from './critical';
import { beginning } from './beginning';
import { dateAfter, weekdayOf } from './dates';
import type { Ordered, Step } from './order';
import { progressOf, type StepProgress } from './progress';
import { schedule, type Stint } from './sittings';
import type { Task } from './task';

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
  readonly wool: readonly WoolMass[];
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
  /** Of all work and of what is left: how sure its time is. */
  readonly span: Span;
  readonly spanLeft: Span;
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

interface WorkInput {
  readonly piece: Piece;
  readonly hand: Hand;
  readonly today: Today | null;
  readonly coat: CoatPlan;
  readonly ordered: Ordered;
  readonly needles: NeedlePlan;
}

export function planSittings(x: WorkInput): Stage<WorkPlan> {
  const { piece, hand, coat, ordered, needles } = x;
  const operations = ordered.steps.map((s) => s.operation);
  const progress = progressOf(piece, coat, operations, ordered.ties);
  const before = new Map<string, string[]>();
  for (const t of ordered.ties) before.set(t.after, [...(before.get(t.after) ?? []), t.before]);
  const left = ordered.steps.filter((s) => progress.get(s.operation.id)!.share < 1);
  const tasks = left.map((s) => taskOf(s, progress.get(s.operation.id)!, before.get(s.operation.id) ?? []));
  const begin = beginning(x);
  const firstDay = begin.on ? weekdayOf(begin.on) : 0;
  const plan = schedule(tasks, {
    minutes: hand.benchMinutes,
    readyMinutes: hand.readyMinutes,
    firstDay,
    firstMinutes: begin.minutes ?? hand.benchMinutes[firstDay]!,
  });
  const critical = criticalPath(tasks);
  const stepOf = new Map(ordered.steps.map((s) => [s.operation.id, s]));
  const needlesOf = new Map(needles.steps.map((s) => [s.operationId, s.phases.map((p) => p.needleId)]));

  const sittings = plan.slots.map((slot, i): Sitting => {
    const needed = new Set<string>();
    const things = new Map<string, Text>();
    for (const stint of slot.stints) {
      const o = stepOf.get(stint.id)!.operation;
      for (const id of needlesOf.get(o.id) ?? []) needed.add(id);
      for (const tool of o.tools) things.set(JSON.stringify(tool), tool);
    }
    const wool = byLot(slot.stints.flatMap((st) => shareOf(takenBy(stepOf.get(st.id)!.operation), st.to - st.from)));
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
              if (st.to >= 1 || !SOFT.has(o.kind)) return [];
              const rest = massOf(woolIn(o)) * (1 - st.to);
              return [
                rest > 0
                  ? say`Half done and still soft: ${o.does}. Do not squeeze it. ${grams(rest)} of its wool are for the next time.`
                  : say`Half done and still soft: ${o.does}. Do not squeeze it.`,
              ];
            }),
          ];
    const first = slot.stints[0]!;
    const last = slot.stints[slot.stints.length - 1]!;
    return {
      number: i + 1,
      day: slot.day,
      weekday: (firstDay + slot.day) % 7,
      date: begin.on ? dateAfter(begin.on, slot.day) : null,
      stints: slot.stints,
      minutes: slot.minutes,
      hasMinutes: slot.hasMinutes,
      idleMinutes: slot.idleMinutes,
      startsAt: placeIn(stepOf.get(first.id)!, first.from, 'Begin'),
      wool,
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
      span: spanOf(hand, both(...operations.map((o) => o.work))),
      spanLeft: spanOf(
        hand,
        together(left.map((s) => ({ work: s.operation.work, share: 1 - progress.get(s.operation.id)!.share }))),
      ),
      sittings,
      earliestDay: plan.earliestDay,
      earliestDate: begin.on ? dateAfter(begin.on, plan.earliestDay) : null,
      finishDate: lastSitting?.date ?? null,
      critical: { chain: critical.chain, minutes: critical.minutes },
      slack: Object.fromEntries(critical.slack),
      changed,
    },
    findings: findingsOf(x, tasks, sittings, changed, stepOf),
    ...NO_WORK,
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
      code: 'order-no-time',
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
      code: 'order-over',
      stage: 'order',
      severity: 'note',
      about: o.about,
      says: say`One step is longer than any sitting: ${o.does}.`,
      why: say`It takes ${time(o.minutes)} and cannot be left half done; your longest sitting has ${time(most)}.`,
      remedies: [],
    });
  for (const c of changed) {
    const o = stepOf.get(c.id)!.operation;
    out.push({
      id: `order-changed-${c.id}`,
      code: 'order-changed',
      stage: 'order',
      severity: 'caution',
      about: o.about,
      says: say`Done, but planned otherwise since: ${o.does}.`,
      why: say`Changed since: ${c.what.join(', ')}. In Order, under Start over, see what doing it again would undo, or keep it as it is.`,
      remedies: [],
    });
  }
  return out;
}
