/**
 * The longest chain of steps that wait for each other, with what has to set or dry between them (critical path method,
 * Kelley and Walker 1959): the piece cannot be done sooner however many hands work on it. Minutes.
 */
import type { Task } from './task';

interface Critical {
  /** Of the chain, first to last. */
  readonly chain: readonly string[];
  readonly minutes: number;
  /** How long each task can be put off without making the whole later. */
  readonly slack: ReadonlyMap<string, number>;
}

/** @param tasks in an order that keeps all ties */
export function criticalPath(tasks: readonly Task[]): Critical {
  const known = new Map(tasks.map((t) => [t.id, t]));
  const end = new Map<string, number>();
  const from = new Map<string, string | null>();
  for (const t of tasks) {
    let start = 0;
    let came: string | null = null;
    for (const a of t.after) {
      const b = known.get(a);
      if (!b) continue;
      const at = end.get(a)! + b.waitMinutes;
      if (at > start + 1e-9) {
        start = at;
        came = a;
      }
    }
    end.set(t.id, start + t.minutes);
    from.set(t.id, came);
  }
  const whole = Math.max(0, ...tasks.map((t) => end.get(t.id)!));
  const latest = new Map<string, number>(tasks.map((t) => [t.id, whole]));
  for (let i = tasks.length - 1; i >= 0; i--) {
    const t = tasks[i]!;
    for (const a of t.after) {
      const b = known.get(a);
      if (b) latest.set(a, Math.min(latest.get(a)!, latest.get(t.id)! - t.minutes - b.waitMinutes));
    }
  }
  const chain: string[] = [];
  let at: string | null = tasks.find((t) => Math.abs(end.get(t.id)! - whole) < 1e-9)?.id ?? null;
  while (at !== null) {
    chain.push(at);
    at = from.get(at) ?? null;
  }
  return {
    chain: chain.reverse(),
    minutes: whole,
    slack: new Map(tasks.map((t) => [t.id, Math.max(0, latest.get(t.id)! - end.get(t.id)!)])),
  };
}
