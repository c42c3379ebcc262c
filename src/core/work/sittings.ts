/**
 * Sittings: the remaining work cut into the hours the maker has. Work is taken in its order; what waits for glue or for wool
 * to dry is passed over and other work put in its place; rows may be left after any row, what must be done in one go is
 * begun only where it fits. List scheduling under several rules, the one done soonest kept; with the day before which no plan
 * can be done beside it. Minutes; days counted from the first one.
 */
import { criticalPath } from './critical';

export interface Task {
  readonly id: string;
  readonly minutes: number;
  /** It may be left after every so many minutes (a row); null where it must be done in one go. */
  readonly unitMinutes: number | null;
  /** What comes after it has to wait so long. */
  readonly waitMinutes: number;
  /** Tasks that must be done, and have set, before it. */
  readonly after: readonly string[];
}

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

export interface Schedule {
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

function run(tasks: readonly Task[], week: Week, urgency: (t: Task, i: number) => number): Slot[] {
  const order = tasks
    .map((t, i) => ({ t, u: urgency(t, i), i }))
    .sort((a, b) => a.u - b.u || a.i - b.i)
    .map((x) => x.t);
  const doneAt = new Map<string, number>();
  const known = new Set(tasks.map((t) => t.id));
  const share = new Map<string, number>();
  const longest = Math.max(0, ...week.minutes.map((m) => m - week.readyMinutes));
  const slots: Slot[] = [];
  let left = order.filter((t) => t.minutes > EPS);
  for (const t of order) if (t.minutes <= EPS) doneAt.set(t.id, -Infinity);
  for (let day = 0; left.length > 0 && day < FAR; day++) {
    const has = week.minutes[(week.firstDay + day) % 7]! - week.readyMinutes;
    if (has < LEAST) continue;
    let now = day * DAY;
    const end = now + has;
    const stints: Stint[] = [];
    let idle = 0;
    let over = false;
    const readyAt = (t: Task): number =>
      Math.max(
        -Infinity,
        ...t.after
          .filter((a) => known.has(a))
          .map((a) => {
            const d = doneAt.get(a);
            return d === undefined ? Infinity : d;
          }),
      );
    while (now < end - EPS) {
      const room = end - now;
      const rest = (t: Task) => (1 - (share.get(t.id) ?? 0)) * t.minutes;
      const fits = (t: Task): boolean =>
        rest(t) <= room + EPS
          ? true
          : t.unitMinutes !== null
            ? room >= Math.max(LEAST, t.unitMinutes) - EPS
            : // Longer than any sitting: a sitting of its own on a longest day.
              stints.length === 0 && t.minutes > longest + EPS && has >= longest - EPS;
      const next = left.find((t) => readyAt(t) <= now + EPS && fits(t));
      if (!next) {
        // Wait here where something is ready before the sitting ends and fits then.
        const soon = left
          .map((t) => ({ t, at: readyAt(t) }))
          .filter((x) => x.at > now + EPS && x.at < end - LEAST)
          .filter(
            (x) =>
              rest(x.t) <= end - x.at + EPS ||
              (x.t.unitMinutes !== null && end - x.at >= Math.max(LEAST, x.t.unitMinutes)),
          )
          .reduce((m, x) => Math.min(m, x.at), Infinity);
        if (soon === Infinity || stints.length === 0) break;
        idle += soon - now;
        now = soon;
        continue;
      }
      const from = share.get(next.id) ?? 0;
      let minutes = rest(next);
      if (minutes > room + EPS) {
        if (next.unitMinutes === null) over = true;
        else minutes = Math.max(1, Math.floor(room / next.unitMinutes + EPS)) * next.unitMinutes;
      }
      const to = minutes >= rest(next) - EPS ? 1 : Math.min(1, from + minutes / next.minutes);
      stints.push({ id: next.id, from, to, minutes });
      now += minutes;
      share.set(next.id, to);
      if (to >= 1 - EPS) {
        doneAt.set(next.id, now + next.waitMinutes);
        left = left.filter((t) => t !== next);
      }
      if (over) break;
    }
    if (stints.length === 0) continue;
    slots.push({
      day,
      stints,
      minutes: stints.reduce((s, x) => s + x.minutes, 0),
      hasMinutes: has,
      idleMinutes: idle,
      setting: [...doneAt].flatMap(([id, at]) => (at > now + EPS && at < Infinity ? [{ id, minutes: at - now }] : [])),
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
  const { chain } = criticalPath(tasks);
  const alone = run(
    tasks.filter((t) => chain.includes(t.id)).map((t) => ({ ...t, unitMinutes: t.unitMinutes === null ? null : 1 })),
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
