/** Markings: over the finished ground, or under the pile and before it; then broken into dashes where that is wanted. */
import { takes } from '@/core/time/work-time';
import { decided, the } from '@/core/decision';
import type { PieceMarking } from '@/core/piece/shade';
import { isAbout, ref } from '@/core/ref';
import type { After, Operation, StepTie } from '@/core/stage';
import { mm, say } from '@/core/text';
import {
  coatFirst,
  layerStep,
  plainStep,
  raising,
  type ShadeSteps,
  type ShadeWorkInput,
} from '@/core/shade/shade-step';
import type { MarkingPlan } from '@/core/shade/shade-plan';

/** @param ground steps of the areas' own layers */
export function markingSteps(x: ShadeWorkInput, ground: readonly Operation[]): ShadeSteps {
  const operations: Operation[] = [];
  const ties: StepTie[] = [];
  const groundFirst = (areaId: string): After[] =>
    ground
      .filter((o) => isAbout(o, 'area', areaId) && (o.kind === 'veil' || o.kind === 'raise'))
      .map((o) => ({ id: o.id, why: say`The colour of the ground is finished first.`, strength: 1 }));
  x.piece.markings.forEach((m, k) => {
    const plan = x.markings[k]!;
    if (plan.hosts.length === 0) return;
    const waits = m.under ? [] : plan.hosts.flatMap((h) => [...coatFirst(x, h.areaId), ...groundFirst(h.areaId)]);
    let last: string | null = null;
    for (const l of plan.layers) {
      const id = `mark-${m.id}-${l.id}`;
      operations.push(
        layerStep(x, {
          layer: l,
          name: m.name,
          on: ref('marking', m.id),
          hostId: plan.hosts[0]!.areaId,
          id,
          after: [
            ...waits,
            ...(last ? [{ id: last, why: say`Layer upon layer, from below.`, strength: Infinity }] : []),
          ],
          restsOn: [decided('the marking', ['markings', the(m.id)])],
        }),
      );
      last = id;
    }
    if (last === null) return;
    if (m.under)
      for (const h of plan.hosts)
        ties.push({
          operationId: `lay-${h.areaId}`,
          after: { id: last, why: say`${m.name} lies under the pile, so before it.`, strength: Infinity },
        });
    if (m.broken) operations.push(dashes(x, m, m.broken, plan, last));
  });
  return { operations, ties };
}

/** Pulling up one gap, against tugging at a row. Ours. */
const GAP = 0.3;

function dashes(
  x: ShadeWorkInput,
  m: PieceMarking,
  broken: NonNullable<PieceMarking['broken']>,
  plan: MarkingPlan,
  last: string,
): Operation {
  return {
    ...plainStep(ref('marking', m.id), plan.hostHex ?? '#808080'),
    id: `dash-${m.id}`,
    restsOn: [decided('the marking', ['markings', the(m.id)])],
    kind: 'raise',
    does: say`Break ${m.name} into dashes of ${mm(broken.dashMm)} with gaps of ${mm(broken.gapMm)}: pull the ground up through it`,
    passes: say`a stab or two in each gap, along the lie`,
    needlework: raising(x, plan.hosts[0]!.areaId, 60),
    ...takes(x.hand, {
      step: 1,
      tug: ((plan.overSkinMm ?? 0) / (broken.dashMm + broken.gapMm)) * (m.mirrored ? 2 : 1) * GAP,
    }),
    after: [{ id: last, why: say`The line is laid before it is broken.`, strength: Infinity }],
  };
}
