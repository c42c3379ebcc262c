/**
 * The order of the work: a topological order of the operations that keeps every "must come before" (Kahn 1962), the same
 * every time. Where nothing decides, pale comes before dark, then the order of the areas. Fur that hangs over its
 * neighbour in a ring cannot be put in order; the weakest tie of the ring is let go and said.
 */
import type { Finding, Operation, Stage } from '@/core/stage';
import { say, type Text } from '@/core/text';

export interface Step {
  readonly number: number;
  readonly operation: Operation;
  /** Operations that had to come first, with the reason. */
  readonly because: readonly { readonly id: string; readonly why: Text }[];
}

export interface WorkPlan {
  readonly steps: readonly Step[];
  readonly minutes: number;
}

interface Tie {
  readonly before: string;
  readonly after: string;
  readonly why: Text;
  readonly strength: number;
}

export function planWork(operations: readonly Operation[]): Stage<WorkPlan> {
  const byId = new Map(operations.map((o) => [o.id, o]));
  const index = new Map(operations.map((o, i) => [o.id, i]));
  let ties: Tie[] = operations.flatMap((o) =>
    o.after.filter((a) => byId.has(a.id)).map((a) => ({ before: a.id, after: o.id, why: a.why, strength: a.strength })),
  );
  const findings: Finding[] = [];
  const done = new Set<string>();
  const steps: Step[] = [];
  const rank = (o: Operation) => [-o.lightness, index.get(o.id)!] as const;
  while (steps.length < operations.length) {
    const ready = operations.filter(
      (o) => !done.has(o.id) && ties.every((t) => t.after !== o.id || done.has(t.before)),
    );
    if (ready.length === 0) {
      const weakest = weakestInRing(ties, done);
      ties = ties.filter((t) => t !== weakest && !(sameAreas(t, weakest, byId) && t.strength === weakest.strength));
      findings.push(ringFinding(weakest, byId));
      continue;
    }
    // Finish what was begun: a cut lot is laid before another is cut.
    const last = steps[steps.length - 1]?.operation;
    const next =
      ready.find((o) => last?.kind === 'cut' && o.areaId === last.areaId) ??
      ready.reduce((a, b) => {
        const [la, ia] = rank(a);
        const [lb, ib] = rank(b);
        return lb < la || (lb === la && ib < ia) ? b : a;
      });
    done.add(next.id);
    steps.push({
      number: steps.length + 1,
      operation: next,
      because: ties.filter((t) => t.after === next.id).map((t) => ({ id: t.before, why: t.why })),
    });
  }
  return {
    result: { steps, minutes: operations.reduce((s, o) => s + o.minutes, 0) },
    findings: [...new Map(findings.map((f) => [f.id, f])).values()],
    operations: [],
  };
}

const areaOf = (id: string, byId: Map<string, Operation>) => byId.get(id)!.areaId;
const sameAreas = (a: Tie, b: Tie, byId: Map<string, Operation>) =>
  areaOf(a.before, byId) === areaOf(b.before, byId) && areaOf(a.after, byId) === areaOf(b.after, byId);

function weakestInRing(ties: readonly Tie[], done: ReadonlySet<string>): Tie {
  const open = ties.filter((t) => !done.has(t.before) && !done.has(t.after));
  const next = new Map<string, string[]>();
  for (const t of open) next.set(t.before, [...(next.get(t.before) ?? []), t.after]);
  const reaches = (from: string, to: string): boolean => {
    const seen = new Set([from]);
    const waiting = [from];
    for (let x = waiting.pop(); x !== undefined; x = waiting.pop()) {
      if (x === to) return true;
      for (const y of next.get(x) ?? []) {
        if (seen.has(y)) continue;
        seen.add(y);
        waiting.push(y);
      }
    }
    return false;
  };
  const inRing = open.filter((t) => reaches(t.after, t.before));
  return inRing.reduce((a, b) => (b.strength < a.strength ? b : a));
}

function ringFinding(t: Tie, byId: Map<string, Operation>): Finding {
  const before = areaOf(t.before, byId);
  const after = areaOf(t.after, byId);
  return {
    id: `order-ring-${before}-${after}`,
    stage: 'order',
    severity: 'note',
    about: after,
    says: say`Some areas hang over each other in a ring, so one border must be tucked in by hand.`,
    why: [...t.why, ' This is the shortest border of the ring, so it is the one let go.'],
    remedies: [],
  };
}
