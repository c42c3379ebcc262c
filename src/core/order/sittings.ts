/**
 * Sittings: the remaining work cut into the hours the maker has. Work is taken in its order; what waits for glue or for wool
 * to dry is passed over and other work put in its place; rows may be left after any row, what must be done in one go is
 * begun only where it fits. List scheduling under several rules, the one done soonest kept; with the day before which no plan
 * can be done beside it. Minutes; days counted from the first one.
 */
import { criticalPath } from './critical';
import type { Task } from './task';

export interface Week {
  /** Minutes at the bench by day of the week, Monday first. */
  readonly minutes: readonly number[];
  /** Getting ready and clearing away, of every sitting. */
  readonly readyMinutes: number;
  /** Day of the week of the first day: 0 Monday. */
  readonly firstDay: number;
  /** Minutes at the bench on the first day, where they are not those of its day of the week; getting ready is taken off them too. */
  readonly firstMinutes?: number;
}

/** Minutes to work in on a day, without getting ready and clearing away. */
const minutesOn = (week: Week, day: number): number =>
  (day === 0 && week.firstMinutes !== undefined ? week.firstMinutes : week.minutes[(week.firstDay + day) % 7]!) -
  week.readyMinutes;

/** The longest sitting there can be. */
const longestOf = (week: Week): number =>
  Math.max(0, ...week.minutes.map((m) => m - week.readyMinutes), minutesOn(week, 0));

export interface Stint {
  readonly id: string;
  /** Share of the task done before and after it, 0..1. */
  readonly from: number;
  readonly to: number;
  readonly minutes: number;
}

export interface Slot {
  /** Days after the first. */
  readonly day: number;
  readonly stints: readonly Stint[];
  readonly minutes: number;
  readonly hasMinutes: number;
  /** Spent waiting although there was time. */
  readonly idleMinutes: number;
  /** What is setting or drying as it ends, and how long still. */
  readonly setting: readonly { readonly id: string; readonly minutes: number }[];
  /** One step longer than any sitting, done in one go all the same. */
  readonly over: boolean;
}

interface Schedule {
  readonly slots: readonly Slot[];
  /** No plan can be done before this day. */
  readonly earliestDay: number;
}

const DAY = 1440;
/** Nothing is begun for less than this. Ours. */
const LEAST = 4;
const EPS = 1e-9;
/** Give up beyond this many days. */
const FAR = 3660;

/** Minutes from the start of a task to the end of all work after it, waits and all: what is most urgent. */
export function tails(tasks: readonly Task[]): Map<string, number> {
  const next = new Map<string, string[]>();
  for (const t of tasks) for (const a of t.after) next.set(a, [...(next.get(a) ?? []), t.id]);
  const byId = new Map(tasks.map((t) => [t.id, t]));
  const out = new Map<string, number>();
  // Tasks come in an order that keeps all ties, so what follows is known when a task is reached from the end.
  for (let i = tasks.length - 1; i >= 0; i--) {
    const t = tasks[i]!;
    const rest = Math.max(
      0,
      ...(next.get(t.id) ?? []).map((id) => (byId.has(id) ? t.waitMinutes + (out.get(id) ?? 0) : 0)),
    );
    out.set(t.id, t.minutes + rest);
  }
  return out;
}

/** A task with its place in the order of a rule, and what is known of it while the days go by. */
interface Open {
  readonly t: Task;
  readonly rank: number;
  /** When all it waits for is done and set. */
  readyAt: number;
  waits: number;
  share: number;
}

/** What is left to do while the days go by: tasks that wait for nothing undone, in the order of a rule. */
class Queue {
  readonly open: Open[] = [];
  left: number;
  /** What is done and still has to set, and until when. */
  setting: { readonly id: string; readonly at: number }[] = [];
  readonly #next = new Map<string, Open[]>();

  constructor(tasks: readonly Task[], urgency: (t: Task, i: number) => number) {
    const all = tasks
      .map((t, i) => ({ t, u: urgency(t, i), i }))
      .sort((a, b) => a.u - b.u || a.i - b.i)
      .map(({ t }, rank): Open => ({ t, rank, readyAt: -Infinity, waits: 0, share: 0 }));
    const byId = new Map(all.map((o) => [o.t.id, o]));
    for (const o of all)
      for (const a of new Set(o.t.after)) {
        if (!byId.has(a)) continue;
        o.waits++;
        const list = this.#next.get(a);
        if (list) list.push(o);
        else this.#next.set(a, [o]);
      }
    this.left = all.length;
    // Those that wait for nothing from the start; finishing one that takes no time sets others free by itself.
    for (const o of all.filter((x) => x.waits === 0)) {
      if (o.t.minutes <= EPS) this.finish(o, -Infinity);
      else this.#enter(o);
    }
  }

  #enter(o: Open): void {
    let lo = 0;
    let hi = this.open.length;
    while (lo < hi) {
      const mid = (lo + hi) >> 1;
      if (this.open[mid]!.rank < o.rank) lo = mid + 1;
      else hi = mid;
    }
    this.open.splice(lo, 0, o);
  }

  finish(o: Open, at: number): void {
    this.left--;
    const set = at + o.t.waitMinutes;
    if (o.t.waitMinutes > 0 && at > -Infinity) this.setting.push({ id: o.t.id, at: set });
    for (const n of this.#next.get(o.t.id) ?? []) {
      n.readyAt = Math.max(n.readyAt, set);
      if (--n.waits > 0) continue;
      // What takes no time is done as soon as it can be.
      if (n.t.minutes <= EPS) this.finish(n, n.readyAt);
      else this.#enter(n);
    }
  }
}

const restOf = (o: Open): number => (1 - o.share) * o.t.minutes;

/** Whether so much time is enough to begin it: to finish it, or to do a unit of what may be left half done. */
const canBegin = (o: Open, room: number): boolean =>
  restOf(o) <= room + EPS || (o.t.unitMinutes !== null && room >= Math.max(LEAST, o.t.unitMinutes) - EPS);

/** One day at the bench, worked through the queue; null where nothing can be done on it. */
function sit(queue: Queue, day: number, has: number, longest: number): Slot | null {
  const { open } = queue;
  let now = day * DAY;
  const end = now + has;
  const stints: Stint[] = [];
  let idle = 0;
  let over = false;
  while (now < end - EPS && !over) {
    const room = end - now;
    const at = open.findIndex(
      (o) =>
        o.readyAt <= now + EPS &&
        (canBegin(o, room) ||
          // Longer than any sitting: a sitting of its own on a longest day.
          (o.t.unitMinutes === null && stints.length === 0 && o.t.minutes > longest + EPS && has >= longest - EPS)),
    );
    if (at < 0) {
      // Wait here where something is ready before the sitting ends and fits then.
      const soon = open.reduce(
        (m, o) =>
          o.readyAt > now + EPS && o.readyAt < end - LEAST && canBegin(o, end - o.readyAt) ? Math.min(m, o.readyAt) : m,
        Infinity,
      );
      if (soon === Infinity || stints.length === 0) break;
      idle += soon - now;
      now = soon;
      continue;
    }
    const o = open[at]!;
    const from = o.share;
    const whole = restOf(o);
    let minutes = whole;
    if (whole > room + EPS) {
      if (o.t.unitMinutes === null) over = true;
      else minutes = Math.max(1, Math.floor(room / o.t.unitMinutes + EPS)) * o.t.unitMinutes;
    }
    const to = minutes >= whole - EPS ? 1 : Math.min(1, from + minutes / o.t.minutes);
    stints.push({ id: o.t.id, from, to, minutes });
    now += minutes;
    o.share = to;
    if (to >= 1 - EPS) {
      open.splice(at, 1);
      queue.finish(o, now);
    }
  }
  if (stints.length === 0) return null;
  queue.setting = queue.setting.filter((x) => x.at > now + EPS);
  return {
    day,
    stints,
    minutes: stints.reduce((m, x) => m + x.minutes, 0),
    hasMinutes: has,
    idleMinutes: idle,
    setting: queue.setting.map((x) => ({ id: x.id, minutes: x.at - now })),
    over,
  };
}

function run(tasks: readonly Task[], week: Week, urgency: (t: Task, i: number) => number): Slot[] {
  const queue = new Queue(tasks, urgency);
  const longest = longestOf(week);
  const slots: Slot[] = [];
  for (let day = 0; queue.left > 0 && day < FAR; day++) {
    const has = minutesOn(week, day);
    const slot = has < LEAST ? null : sit(queue, day, has, longest);
    if (slot) slots.push(slot);
  }
  return slots;
}

/**
 * No plan can be done before this day: all work must fit into the hours up to it, and so must the longest chain by itself
 * with its waits.
 */
export function earliestDay(tasks: readonly Task[], week: Week): number {
  const longest = longestOf(week);
  // Steps longer than any sitting may run over, so only a sitting's worth of each is counted.
  const total = tasks.reduce((s, t) => s + (t.unitMinutes === null ? Math.min(t.minutes, longest) : t.minutes), 0);
  let sum = 0;
  let day = -1;
  while (sum < total - 1e-6 && day < FAR) {
    day++;
    const has = minutesOn(week, day);
    if (has >= LEAST) sum += has;
  }
  const onChain = new Set(criticalPath(tasks).chain);
  const alone = run(
    tasks.filter((t) => onChain.has(t.id)).map((t) => ({ ...t, unitMinutes: t.unitMinutes === null ? null : 1 })),
    week,
    (_, i) => i,
  );
  return Math.max(0, day, alone[alone.length - 1]?.day ?? 0);
}

/** @param tasks in an order that keeps all ties */
export function schedule(tasks: readonly Task[], week: Week): Schedule {
  if (!week.minutes.some((m) => m - week.readyMinutes >= LEAST)) return { slots: [], earliestDay: 0 };
  const tail = tails(tasks);
  const rules: ((t: Task, i: number) => number)[] = [
    (_, i) => i,
    (t) => -tail.get(t.id)!,
    // What has to set goes first, else in order.
    (t, i) => (t.waitMinutes > 0 ? i - tasks.length : i),
    // What cannot be left half done goes first while there is room for it.
    (t, i) => (t.unitMinutes === null ? i - tasks.length : i),
  ];
  const all = rules.map((r) => run(tasks, week, r));
  const lastDay = (s: readonly Slot[]) => s[s.length - 1]?.day ?? 0;
  const best = all.reduce((a, b) =>
    lastDay(b) < lastDay(a) || (lastDay(b) === lastDay(a) && b.length < a.length) ? b : a,
  );
  return { slots: best, earliestDay: earliestDay(tasks, week) };
}
