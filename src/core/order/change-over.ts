/** From one step to the next: what can be put away, what has to be taken out, what stays on the table. */
import { woolIn } from '@/core/materials';
import type { NeedlePlan } from '@/core/needle/needle-plan';
import type { Text } from '@/core/text';
import type { Step } from './order';

interface OnTable {
  readonly lots: readonly string[];
  readonly needles: readonly string[];
  readonly tools: readonly Text[];
}

interface ChangeOver {
  readonly away: OnTable;
  readonly out: OnTable;
}

const key = (t: Text) => JSON.stringify(t);

function onTable(step: Step, needles: Pick<NeedlePlan, 'steps'>): OnTable {
  return {
    lots: woolIn(step.operation).flatMap((w) => (w.lotId === null ? [] : [w.lotId])),
    needles: [
      ...new Set(
        needles.steps.find((n) => n.operationId === step.operation.id)?.phases.flatMap((p) => p.needleId) ?? [],
      ),
    ],
    tools: step.operation.tools,
  };
}

const less = (a: OnTable, b: OnTable): OnTable => {
  const there = new Set(b.tools.map(key));
  return {
    lots: a.lots.filter((x) => !b.lots.includes(x)),
    needles: a.needles.filter((x) => !b.needles.includes(x)),
    tools: a.tools.filter((x) => !there.has(key(x))),
  };
};

/** @returns null where nothing has to be moved */
export function changeOver(from: Step, to: Step, needles: Pick<NeedlePlan, 'steps'>): ChangeOver | null {
  const [a, b] = [onTable(from, needles), onTable(to, needles)];
  const c = { away: less(a, b), out: less(b, a) };
  const none = (x: OnTable) => x.lots.length + x.needles.length + x.tools.length === 0;
  return none(c.away) && none(c.out) ? null : c;
}
