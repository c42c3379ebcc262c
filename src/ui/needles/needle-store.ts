/** What the rooms of the needles read: the rack, the needle in hand, the step in hand, changes to a needle. */
import type { Needle } from '@/core/piece/cupboard';
import { withNeedleChange } from '@/core/piece/usual-needle';
import { editCupboard, editPiece, useDesk } from '@/desk/store';

export function useRack() {
  const needles = useDesk((s) => s.cupboard.needles);
  const id = useDesk((s) => s.view.needleId);
  const inHand = needles.find((n) => n.id === id) ?? needles[0] ?? null;
  return { needles, inHand };
}

/** The step in hand, where it is one that is needled; else the first one left to do. */
export function useNeedledStep() {
  const plan = useDesk((s) => s.plan);
  const id = useDesk((s) => s.view.stepId);
  if (!plan) return null;
  const needled = plan.needles.steps;
  const step =
    needled.find((s) => s.operationId === id) ??
    needled.find((s) => (plan.work.progress.find((p) => p.id === s.operationId)?.share ?? 0) < 1) ??
    needled[0];
  if (!step) return null;
  const work = plan.work.steps.find((s) => s.operation.id === step.operationId);
  return work ? { plan, step, work } : null;
}

export const editNeedle = (id: string, recipe: (n: Needle) => void): void =>
  editCupboard((d) => {
    const n = d.needles.find((x) => x.id === id);
    if (n) recipe(n);
  });

export const changeNeedle = (id: string, change: Partial<Needle>): void =>
  editNeedle(id, (n) => void Object.assign(n, withNeedleChange({ ...n }, change)));

/** Out of the rack, and out of the holders it sat in. */
export const removeNeedle = (id: string): void =>
  editCupboard((d) => {
    d.needles = d.needles.filter((n) => n.id !== id);
    d.holders = d.holders.filter((h) => h.needleId !== id);
  });

/** Chooses needle or angle for a step by hand; null for both leaves it to the plan again. */
export function chooseFor(operation: string, change: { needleId?: string | null; angleDeg?: number | null }): void {
  editPiece((d) => {
    const at = d.work.chosen.findIndex((c) => c.operation === operation);
    const now = at >= 0 ? d.work.chosen[at]! : { operation, needleId: null, angleDeg: null };
    const next = { ...now, ...change };
    if (at >= 0) d.work.chosen.splice(at, 1);
    if (next.needleId !== null || next.angleDeg !== null) d.work.chosen.push(next);
  });
}
