/**
 * Starting over: what a step done again undoes of what rests on it, what has to be cut, blended or made again for it, and
 * what that costs in minutes and wool. Nothing is undone that only came later in the order.
 */
import { sameRef } from '@/core/ref';
import { byLot, shareOf, takenBy, woolIn, type WoolMass } from '@/core/materials';
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
  /** Wool lost with it. */
  readonly wool: readonly WoolMass[];
}

interface StartOver {
  readonly undone: readonly Undone[];
  /** Steps done near it that need not be undone but want a look: they waited for it without resting on it. */
  readonly look: readonly string[];
  readonly minutes: number;
  /** Wool lost, by lot. */
  readonly wool: readonly WoolMass[];
}

type Kinds = ReadonlySet<Operation['kind']>;
/** Steps that make wool ready for another one, which is where it is lost. */
const READY: Kinds = new Set(['cut', 'blend']);
/** Steps whose product is used up in what comes after them. */
const MADE: Kinds = new Set(['cut', 'blend', 'make']);
const NOTHING_TO_TAKE_OFF: Kinds = new Set(['cut', 'blend', 'check', 'trim']);

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
      if (o && sameRef(b.about, o.about) && MADE.has(b.kind) && restsOn(t)) why.set(b.id, id);
    }
  }
  const madeAnew = operations.flatMap((o) => (o.kind === 'make' && why.has(o.id) ? [o.about] : []));
  const undone = operations.flatMap((o): Undone[] => {
    if (!why.has(o.id)) return [];
    const done = share(o.id);
    // Wool is lost once: where it is laid, not where it was blended or cut; with what was made of it, not where that is set.
    const lost = o.kind !== 'make' && madeAnew.some((a) => sameRef(a, o.about)) ? takenBy(o) : woolIn(o);
    const used = READY.has(o.kind) ? [] : shareOf(lost, done);
    return [
      {
        id: o.id,
        restsOn: why.get(o.id) ?? null,
        share: done,
        againMinutes: o.minutes * done,
        offMinutes: NOTHING_TO_TAKE_OFF.has(o.kind) ? 0 : o.minutes * done * OFF,
        wool: used,
      },
    ];
  });
  const look = new Set<string>();
  for (const u of undone)
    for (const t of over.get(u.id) ?? [])
      if (!restsOn(t) && !t.orderOnly && t.move === undefined && !why.has(t.after) && share(t.after) > 0)
        look.add(t.after);
  return {
    undone,
    look: operations.filter((o) => look.has(o.id)).map((o) => o.id),
    minutes: undone.reduce((s, u) => s + u.againMinutes + u.offMinutes, 0),
    wool: byLot(undone.flatMap((u) => u.wool)),
  };
}
