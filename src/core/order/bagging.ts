/**
 * Bagging: before an area is trimmed the colours beside it are covered, so that offcuts do not land in them (common practice).
 * Only what lies already is bagged, right before the trim; what stays bagged from the trim before is not bagged again. So it
 * is known only when the rest is ordered, and then put in.
 */
import type { Pace } from '@/core/time/elements';
import { takes } from '@/core/time/work-time';
import { decided, the } from '@/core/decision';
import { areaOf, ref } from '@/core/ref';
import type { Operation } from '@/core/stage';
import { joined, say } from '@/core/text';
import { BAGS } from '@/core/tools';

/** Two areas whose colours have to be kept apart while one of them is trimmed. */
export interface Apart {
  readonly a: string;
  readonly b: string;
}

/**
 * @param operations in the order of the work, without bags
 * @returns the bags, and the trims that wait for them
 */
export function bagging(
  operations: readonly Operation[],
  apart: readonly Apart[],
  nameOf: (areaId: string) => string,
  pace: Pace,
): { readonly bags: readonly Operation[]; readonly trims: ReadonlyMap<string, Operation> } {
  const bags: Operation[] = [];
  const trims = new Map<string, Operation>();
  const lying = new Map<string, string>();
  let bagged = new Set<string>();
  for (const o of operations) {
    const area = areaOf(o);
    if (o.kind === 'lay' && area !== null) lying.set(area, o.id);
    if (o.kind !== 'trim' || area === null) {
      // Any other work wants the bags out of its way.
      if (o.minutes > 0) bagged = new Set();
      continue;
    }
    const beside = apart.flatMap((p) => (p.a === area ? [p.b] : p.b === area ? [p.a] : []));
    const wanted = [...new Set(beside)].filter((id) => lying.has(id));
    bagged.delete(area);
    const more = wanted.filter((id) => !bagged.has(id));
    for (const id of more) bagged.add(id);
    if (more.length === 0) continue;
    const id = `bag-${area}`;
    bags.push({
      id,
      stage: 'coat',
      about: ref('area', area),
      // Its own place alone: which colours lie beside it by then, and how far apart they are, is no decision.
      restsOn: [decided('the place of the area', ['areas', the(area), 'where'])],
      does: say`Bag ${joined(more.map((a) => say`${nameOf(a)}`))} before ${nameOf(area)} is trimmed`,
      kind: 'check',
      materials: [],
      cutLengthMm: null,
      rows: 0,
      passes: null,
      needlework: null,
      tools: [BAGS],
      ...takes(pace, { step: 1, bag: more.length }),
      after: [
        ...more.map((a) => ({
          id: lying.get(a)!,
          why: say`${nameOf(a)} lies, so it can catch offcuts.`,
          strength: Infinity,
          orderOnly: true,
        })),
        // Right before the trim: it waits for all the trim waits for.
        ...o.after.map((t) => ({ ...t, orderOnly: true as const })),
      ],
      rightBefore: o.id,
      lightness: o.lightness,
      caution: say`Offcuts of one colour in another are hard to pick out again. Scissors away from the hand.`,
    });
    trims.set(o.id, {
      ...o,
      after: [
        ...o.after,
        { id, why: say`Colours beside it are bagged before it is trimmed.`, strength: Infinity, orderOnly: true },
      ],
    });
  }
  return { bags, trims };
}
