/**
 * The finish of surfaces that stay in sight: marks the planned needles leave, and the passes that close them (deep to
 * shallow, coarse to fine) with the fewest stabs; where fluff is wanted instead; and the fine places of the face with their
 * own passes.
 */
import { stabsAMinute } from '@/core/time/elements';
import { wayOf } from '@/core/coat/ways';
import type { Needle } from '@/core/piece/cupboard';
import { fine, say } from '@/core/text';
import { marksAfter, openMarks, UNNOTICED, type TopLayer } from './marks';
import type { FinePlace, FinishedArea, FinishPass, FinishPlan, NeedleInput, NeedleStep, Tried } from './needle-plan';

/** Densities a finishing pass is done in: as usual, or light. Ours. */
const DENSITIES = [40, 20];
const MOST_PASSES = 3;

/** Ways of laying whose fur stands: marks drown in it and fluff is wanted. */

/**
 * The passes with the fewest stabs that bring the marks below what is noticed, each no coarser than the one before it;
 * every sequence of up to three is looked at. @returns the best there is where none does
 */
export function closingPasses(
  needles: readonly Needle[],
  top: TopLayer,
  before: number,
): { readonly passes: readonly { readonly needle: Needle; readonly perCm2: number }[]; readonly left: number } {
  if (before <= UNNOTICED) return { passes: [], left: before };
  const fineFirst = [...needles].sort((a, b) => b.thickMm - a.thickMm);
  type Try = { passes: { needle: Needle; perCm2: number }[]; left: number; stabs: number };
  let best: Try = { passes: [], left: before, stabs: 0 };
  const better = (a: Try, b: Try): boolean => {
    const [okA, okB] = [a.left <= UNNOTICED, b.left <= UNNOTICED];
    if (okA !== okB) return okA;
    return okA ? a.stabs < b.stabs || (a.stabs === b.stabs && a.left < b.left) : a.left < b.left - 1e-12;
  };
  const grow = (t: Try, from: number) => {
    if (better(t, best)) best = t;
    if (t.passes.length === MOST_PASSES) return;
    for (let i = from; i < fineFirst.length; i++) {
      for (const perCm2 of DENSITIES) {
        const needle = fineFirst[i]!;
        const left = marksAfter([{ needle, perCm2 }], top, t.left);
        grow({ passes: [...t.passes, { needle, perCm2 }], left, stabs: t.stabs + perCm2 }, i);
      }
    }
  };
  grow(best, 0);
  return best;
}

export function finishOf(x: NeedleInput, tried: readonly Tried[], steps: readonly NeedleStep[]): FinishPlan {
  const { cupboard, hand, coat } = x;
  const plain = cupboard.needles.filter((n) => n.count > 0 && n.section !== 'reverse' && n.section !== 'crown');
  const areas = coat.areas.flatMap((a): FinishedArea[] => {
    const t = tried.find((y) => y.operation.id === `lay-${a.id}`);
    const step = steps.find((s) => s.operationId === `lay-${a.id}`);
    if (!a.fur || !t || !step) return [];
    const top = { topMgCm2: t.work.topMgCm2, finenessUm: t.work.finenessUm, spread: t.work.spread };
    const leaves = plain.map((n) => ({
      needleId: n.id,
      name: n.name,
      share: openMarks(n, hand.surfaceStabsPerCm2, top),
    }));
    const common = { areaId: a.id, name: a.name, areaMm2: a.areaMm2, leaves };
    if (wayOf(a.fur.method).surface !== 'passed') {
      return [
        {
          ...common,
          now: 0,
          passes: [],
          then: 0,
          short: false,
          fluff:
            wayOf(a.fur.method).surface === 'raised'
              ? say`Left slightly loose: the raised pile hides the marks, a finishing pass would flatten it.`
              : say`The fur hides the ground: no finishing pass, less felting is fluffier.`,
        },
      ];
    }
    const now = marksAfter(
      step.phases.flatMap((p) => {
        const needle = cupboard.needles.find((n) => n.id === p.needleId)!;
        return Array.from({ length: p.passes }, () => ({ needle, perCm2: t.work.perCm2 }));
      }),
      top,
    );
    const { passes, left } = closingPasses(plain, top, now);
    let marks = now;
    const shallow = Math.min(...step.phases.map((p) => p.strokeMm));
    return [
      {
        ...common,
        now,
        passes: passes.map(({ needle, perCm2 }, i): FinishPass => {
          marks = marksAfter([{ needle, perCm2 }], top, marks);
          return {
            needleId: needle.id,
            name: needle.name,
            perCm2,
            // Each a little shallower than the one before, down to where the first barb just catches.
            strokeMm: Math.max(needle.tipMm + 0.5, shallow - 1 - i),
            minutes: ((a.areaMm2 / 100) * perCm2) / stabsAMinute(hand),
            marksAfter: marks,
          };
        }),
        then: left,
        short: left > UNNOTICED,
        fluff: null,
      },
    ];
  });
  const places = steps.flatMap((s): FinePlace[] => {
    const name = FINE[s.operationId];
    const last = s.phases[s.phases.length - 1];
    if (!name || !last) return [];
    return [
      {
        operationId: s.operationId,
        name,
        needleId: last.needleId,
        needle: last.name,
        strokeMm: last.strokeMm,
        angleDeg: last.angleDeg,
        marks: last.marks,
        says: say`${last.name}, ${fine(last.strokeMm)} along the needle at ${last.angleDeg}°, two light passes`,
      },
    ];
  });
  return { areas, places };
}

const FINE: Readonly<Record<string, string>> = {
  'face-nose': 'Muzzle and nose',
  'face-mouth': 'Lips',
  'face-lids': 'Lids',
  'face-brows': 'Brows',
};
