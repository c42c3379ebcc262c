/** The step in hand at the bench, and the one after it. */
import type { Plan } from '@/core/plan';
import { areaOf } from '@/core/ref';
import { doneNow } from '@/desk/bench';
import { setView } from '@/desk/store';

/** Takes a step in hand, with its area where it is of one. */
export function takeInHand(plan: Plan, operationId: string): void {
  const o = plan.work.steps.find((s) => s.operation.id === operationId)?.operation;
  if (!o) return;
  const areaId = areaOf(o);
  setView({ stepId: o.id, ...(areaId === null ? {} : { areaId }) });
}

/** The step after one, of those left in the order of the sittings. */
export const nextAfter = (plan: Plan, id: string): string | null =>
  plan.work.sittings.flatMap((s) => s.stints.map((x) => x.id)).find((x) => x !== id && !doneNow(x)) ?? null;
