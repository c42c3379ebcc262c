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
}

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

function run(tasks: readonly Task[], week: Week, urgency: (t: Task, i: number) => number): Slot[] {
  const all = tasks
    .map((t, i) => ({ t, u: urgency(t, i), i }))
    .sort((a, b) => a.u - b.u || a.i - b.i)
    .map(({ t }, rank): Open => ({ t, rank, readyAt: -Infinity, waits: 0, share: 0 }));
  const byId = new Map(all.map((o) => [o.t.id, o]));
  const next = new Map<string, Open[]>();
  for (const o of all)
    for (const a of new Set(o.t.after)) {
      if (!byId.has(a)) continue;
      o.waits++;
      const list = next.get(a);
      if (list) list.push(o);
      else next.set(a, [o]);
    }
  const longest = Math.max(0, ...week.minutes.map((m) => m - week.readyMinutes));
  const slots: Slot[] = [];
  /** Tasks that wait for nothing undone, in the order of the rule. */
  const open: Open[] = [];
  let left = all.length;
  /** What is done and still has to set. */
  let setting: { id: string; at: number }[] = [];
  const enter = (o: Open): void => {
    let lo = 0;
    let hi = open.length;
    while (lo < hi) {
      const mid = (lo + hi) >> 1;
      if (open[mid]!.rank < o.rank) lo = mid + 1;
      else hi = mid;
    }
    open.splice(lo, 0, o);
  };
  const finish = (o: Open, at: number): void => {
    left--;
    const set = at + o.t.waitMinutes;
    if (o.t.waitMinutes > 0 && at > -Infinity) setting.push({ id: o.t.id, at: set });
    for (const n of next.get(o.t.id) ?? []) {
      n.readyAt = Math.max(n.readyAt, set);
      if (--n.waits > 0) continue;
      // What takes no time is done as soon as it can be.
      if (n.t.minutes <= EPS) finish(n, n.readyAt);
      else enter(n);
    }
  };
  // Those that wait for nothing from the start; finishing one that takes no time sets others free by itself.
  for (const o of all.filter((x) => x.waits === 0)) {
    if (o.t.minutes <= EPS) finish(o, -Infinity);
    else enter(o);
  }
  for (let day = 0; left > 0 && day < FAR; day++) {
    const has = week.minutes[(week.firstDay + day) % 7]! - week.readyMinutes;
    if (has < LEAST) continue;
    let now = day * DAY;
    const end = now + has;
    const stints: Stint[] = [];
    let idle = 0;
    let over = false;
    const rest = (o: Open) => (1 - o.share) * o.t.minutes;
    const canBegin = (o: Open, room: number): boolean =>
      rest(o) <= room + EPS || (o.t.unitMinutes !== null && room >= Math.max(LEAST, o.t.unitMinutes) - EPS);
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
            o.readyAt > now + EPS && o.readyAt < end - LEAST && canBegin(o, end - o.readyAt)
              ? Math.min(m, o.readyAt)
              : m,
          Infinity,
        );
        if (soon === Infinity || stints.length === 0) break;
        idle += soon - now;
        now = soon;
        continue;
      }
      const o = open[at]!;
      const from = o.share;
      let minutes = rest(o);
      const whole = minutes;
      if (minutes > room + EPS) {
        if (o.t.unitMinutes === null) over = true;
        else minutes = Math.max(1, Math.floor(room / o.t.unitMinutes + EPS)) * o.t.unitMinutes;
      }
      const to = minutes >= whole - EPS ? 1 : Math.min(1, from + minutes / o.t.minutes);
      stints.push({ id: o.t.id, from, to, minutes });
      now += minutes;
      o.share = to;
      if (to >= 1 - EPS) {
        open.splice(at, 1);
        finish(o, now);
      }
    }
    if (stints.length === 0) continue;
    setting = setting.filter((x) => x.at > now + EPS);
    slots.push({
      day,
      stints,
      minutes: stints.reduce((m, x) => m + x.minutes, 0),
      hasMinutes: has,
      idleMinutes: idle,
      setting: setting.map((x) => ({ id: x.id, minutes: x.at - now })),
      over,
    });
  }
  return slots;
}

/**
 * No plan can be done before this day: all work must fit into the hours up to it, and so must the longest chain by itself
 * with its waits.
 */
export function earliestDay(tasks: readonly Task[], week: Week): number {
  const longest = Math.max(0, ...week.minutes.map((m) => m - week.readyMinutes));
  // Steps longer than any sitting may run over, so only a sitting's worth of each is counted.
  const total = tasks.reduce((s, t) => s + (t.unitMinutes === null ? Math.min(t.minutes, longest) : t.minutes), 0);
  let sum = 0;
  let day = -1;
  while (sum < total - 1e-6 && day < FAR) {
    day++;
    const has = week.minutes[(week.firstDay + day) % 7]! - week.readyMinutes;
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
