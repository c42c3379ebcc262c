/** All work of a piece put in order, with its needles and its sittings. */
import type { Hand } from '@/core/piece/hand';
import type { Work } from '@/core/time/elements';
import { takes } from '@/core/time/work-time';
import type { CoatPlan } from '@/core/coat/coat-plan';
import { firstNeedle, planNeedles, tryNeedles } from '@/core/needle/needle';
import type { NeedleInput } from '@/core/needle/needle-plan';
import type { ShadePlan } from '@/core/shade/shade-plan';
import { APART } from '@/core/shade/steps/borders';
import type { Context, Operation } from '@/core/stage';
import { bagging, type Apart } from './bagging';
import { planWork, type Ordered } from './order';
import { planSittings } from './work';

interface BeforeOrder extends Pick<NeedleInput, 'coat' | 'ground' | 'eyes'> {
  readonly shade: ShadePlan;
  readonly operations: readonly Operation[];
}

/**
 * Needles are tried and the order is found by them; bags are put in where that order asks for them and it is found again; the
 * needles are then chosen for that order, and what holders save is taken off its steps.
 */
export function putInOrder(x: Context, before: BeforeOrder) {
  const { piece, hand } = x;
  const { coat, shade, operations: all } = before;
  const needling: NeedleInput = { ...x, coat, ground: before.ground, eyes: before.eyes };
  const tried = tryNeedles(needling, all);
  const best = new Map(tried.map((t) => [t.operation.id, firstNeedle(t)]));
  const needleOf = (id: string) => best.get(id) ?? null;
  const unbagged = planWork(all, piece.work.moves, needleOf);
  // Which colours lie beside a trim is known once the rest is ordered.
  const { bags, trims } = bagging(
    unbagged.result.steps.map((s) => s.operation),
    keptApart(coat, shade),
    (id) => piece.areas.find((a) => a.id === id)!.name,
    hand,
  );
  const sorted =
    bags.length === 0
      ? unbagged
      : planWork([...all.map((o) => trims.get(o.id) ?? o), ...bags], piece.work.moves, needleOf);
  const operations = sorted.result.steps.map((s) => s.operation);
  const needles = planNeedles(
    needling,
    tried,
    operations.map((o) => o.id),
  );
  const ordered = withHolders(sorted.result, needles.saved, hand);
  return {
    needles,
    sorted,
    operations,
    sittings: planSittings({ piece, hand, today: x.today, coat, ordered, needles: needles.result }),
  };
}

/** Neighbours that lie and whose colours differ too much to let offcuts of one fall into the other. */
const keptApart = (coat: CoatPlan, shade: ShadePlan): Apart[] => {
  const lies = new Set(coat.areas.flatMap((a) => (a.fur ? [a.id] : [])));
  return shade.judged.pairs.flatMap((p) =>
    p.kind === 'areas' && p.contrast > APART && lies.has(p.a.id) && lies.has(p.b.id) ? [{ a: p.a.id, b: p.b.id }] : [],
  );
};

/** So many stabs less, of whichever kind a step has. */
const withFewer = (work: Work, stabs: number): Work => ({
  ...work,
  ...(work.coreStabs ? { coreStabs: Math.max(0, work.coreStabs - stabs / 100) } : {}),
  ...(work.surfaceStabs ? { surfaceStabs: Math.max(0, work.surfaceStabs - stabs / 100) } : {}),
});

/** Steps are shorter where several needles in a holder do them. */
function withHolders(ordered: Ordered, saved: ReadonlyMap<string, number>, hand: Hand): Ordered {
  if (saved.size === 0) return ordered;
  const steps = ordered.steps.map((s) => {
    const less = saved.get(s.operation.id);
    return less ? { ...s, operation: { ...s.operation, ...takes(hand, withFewer(s.operation.work, less)) } } : s;
  });
  return { ...ordered, steps, minutes: steps.reduce((m, s) => m + s.operation.minutes, 0) };
}
