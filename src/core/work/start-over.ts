/**
 * Starting over: what a step done again undoes of what rests on it, what has to be cut, blended or made again for it, and
 * what that costs in minutes and wool. Nothing is undone that only came later in the order.
 */
import type { Operation } from '@/core/stage';
import { restsOn, type StepProgress } from './progress';
import type { Tie } from './ties';

export interface Undone {
  readonly id: string;
  /** Why it goes too: the step it rests on, or null for those begun with. */
  readonly restsOn: string | null;
  readonly share: number;
  /** To do it again, and to take it off first. */
  readonly againMinutes: number;
  readonly offMinutes: number;
  readonly massG: number;
  readonly lotId: string | null;
}

export interface StartOver {
  readonly undone: readonly Undone[];
  /** Steps done near it that need not be undone but want a look: they waited for it without resting on it. */
  readonly look: readonly string[];
  readonly minutes: number;
  /** Wool lost, by lot. */
  readonly wool: readonly { readonly lotId: string; readonly massG: number }[];
}

/** Taking something off again takes this share of the time it took. Ours. */
const OFF = 0.25;

/**
 * @param from steps to do again
 * @param operations in the order of the work
 */
export function startOver(
  from: readonly string[],
  operations: readonly Operation[],
  ties: readonly Tie[],
  progress: ReadonlyMap<string, StepProgress>,
): StartOver {
  const share = (id: string) => progress.get(id)?.share ?? 0;
  const why = new Map<string, string | null>();
  const waiting = from.filter((id) => share(id) > 0);
  for (const id of waiting) why.set(id, null);
  const over = new Map<string, Tie[]>();
  const under = new Map<string, Tie[]>();
  for (const t of ties) {
    over.set(t.before, [...(over.get(t.before) ?? []), t]);
    under.set(t.after, [...(under.get(t.after) ?? []), t]);
  }
  const byId = new Map(operations.map((o) => [o.id, o]));
  for (let id = waiting.shift(); id !== undefined; id = waiting.shift()) {
    for (const t of over.get(id) ?? []) {
      if (!restsOn(t) || why.has(t.after) || share(t.after) === 0) continue;
      why.set(t.after, id);
      waiting.push(t.after);
    }
  }
  // What was used up in it is cut, blended or made anew.
  for (const id of [...why.keys()]) {
    const o = byId.get(id);
    for (const t of under.get(id) ?? []) {
      const b = byId.get(t.before);
      if (!b || why.has(b.id) || share(b.id) === 0) continue;
      if (o && b.areaId === o.areaId && ['cut', 'blend', 'make'].includes(b.kind) && restsOn(t)) why.set(b.id, id);
    }
  }
  const undone = operations.flatMap((o): Undone[] => {
    if (!why.has(o.id)) return [];
    const done = share(o.id);
    // Wool is counted where it is laid, not where it is cut.
    const used = ['cut', 'blend'].includes(o.kind) ? 0 : o.massG * done;
    return [
      {
        id: o.id,
        restsOn: why.get(o.id) ?? null,
        share: done,
        againMinutes: o.minutes * done,
        offMinutes: ['cut', 'blend', 'check', 'trim'].includes(o.kind) ? 0 : o.minutes * done * OFF,
        massG: used,
        lotId: o.lotId,
      },
    ];
  });
  const look = new Set<string>();
  for (const u of undone)
    for (const t of over.get(u.id) ?? [])
      if (!restsOn(t) && !t.orderOnly && t.move === undefined && !why.has(t.after) && share(t.after) > 0)
        look.add(t.after);
  const wool = new Map<string, number>();
  for (const u of undone) if (u.lotId && u.massG > 0) wool.set(u.lotId, (wool.get(u.lotId) ?? 0) + u.massG);
  return {
    undone,
    look: operations.filter((o) => look.has(o.id)).map((o) => o.id),
    minutes: undone.reduce((s, u) => s + u.againMinutes + u.offMinutes, 0),
    wool: [...wool].map(([lotId, massG]) => ({ lotId, massG })),
  };
}
