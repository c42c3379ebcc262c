/** The work of the core: every part felted by itself, then joined fringe to fringe under collars. */
import type { Work } from '@/core/time/elements';
import { takes } from '@/core/time/work-time';
import { lightness } from '@/core/colour/lab';
import { decided, SIZE, the } from '@/core/decision';
import { outOf } from '@/core/materials';
import type { Cupboard } from '@/core/piece/cupboard';
import type { Hand } from '@/core/piece/hand';
import { only, ref } from '@/core/ref';
import { feltPart, joinParts } from '@/core/stabbing';
import type { Operation } from '@/core/stage';
import { grams, joined, mm, say } from '@/core/text';
import type { CorePart } from './core-plan';

/** A collar is laid so thick over a joint, pressed down, mm. Ours. */
const COLLAR_MM = 1.5;

/** Stabs into a core between one look at it and the next. Ours. */
const LOOK_EVERY = 400;

/** Teased, weighed and felted firm, looked at as it grows. */
function partWork(p: CorePart, hand: Hand): Work {
  const stabs = ((p.count * p.volumeMm3) / 1000) * hand.coreStabsPerCm3;
  return { step: 1, corePart: p.count, coreStabs: stabs / 100, coreLook: stabs / LOOK_EVERY };
}

/** A part that takes fewer stabs than this is not felted by itself. Ours. */
const LEAST_STABS = 20;

export function coreOperations(
  parts: readonly CorePart[],
  lot: Cupboard['lots'][number] | null,
  hand: Hand,
): Operation[] {
  const common = {
    stage: 'form' as const,
    cutLengthMm: null,
    rows: 0,
    passes: null,
    needlework: null,
    tools: [],
    lightness: lot ? lightness(lot.colour) : 50,
    caution: say`Eyes on the point of the needle, fingers flat and out of its way; count your needles when you stop.`,
  };
  const all = parts.filter((p) => p.volumeMm3 > 0 && !p.madeApart);
  const made = all.filter((p) => ((p.count * p.volumeMm3) / 1000) * hand.coreStabsPerCm3 >= LEAST_STABS);
  // What is too little to felt by itself is laid on with the collars.
  const tips = all.filter((p) => !made.includes(p));
  const rests = [
    SIZE,
    decided('the wool of the core', ['core', 'lotId']),
    decided('how the core gives way to the coat', ['core', 'school']),
  ];
  return [
    ...made.map((p): Operation => ({
      ...common,
      id: `core-${p.id}`,
      about: ref('part', p.id),
      kind: 'core',
      restsOn: [
        ...rests,
        decided('the shape of the part', ['form', 'parts', the(p.id)]),
        decided('how firm it is', ['core', 'soft', { by: 'part', is: p.id }]),
      ],
      does:
        p.count === 2
          ? say`Weigh out two lots of ${grams(p.mass.value)} and felt both of ${p.name} side by side, ${p.firmness}${p.length ? say`, ${mm(p.length.value)} long` : ''}`
          : say`Felt ${p.name} from ${grams(p.mass.value)}, ${p.firmness}${p.length ? say`, ${mm(p.length.value)} long` : ''}`,
      materials: outOf(lot, p.count * p.mass.value, 'core'),
      needlework: feltPart(p.id, p.count * p.volumeMm3, hand.coreDensityMgCm3[p.firmness].usual, lot, hand),
      ...takes(hand, partWork(p, hand)),
      after: [{ id: 'wire', why: say`The wire is bent first and wrapped.`, strength: Infinity }],
    })),
    ...(made.length > 0
      ? [
          {
            ...common,
            id: 'core-join',
            about: only('core'),
            kind: 'core' as const,
            restsOn: rests,
            does: say`Join the parts fringe to fringe, cover each joint with a collar${tips.length > 0 ? say`, lay on the little wool of ${joined(tips.map((p) => say`${p.name}`))}` : ''}, felt until it springs back when squeezed`,
            materials: [
              ...outOf(
                lot,
                all.reduce((s, p) => s + p.count * (p.collar?.value ?? 0), 0),
                'collar',
              ),
              ...outOf(
                lot,
                tips.reduce((s, p) => s + p.count * p.mass.value, 0),
                'core',
              ),
            ],
            needlework: joinParts(4 * made.reduce((s, p) => s + (p.collar ? p.count : 0), 0), COLLAR_MM, lot, hand),
            ...takes(hand, {
              step: 1,
              joint: made.reduce((s, p) => s + (p.collar ? p.count : 0), 0),
              compare: 3,
            }),
            after: made.map((p) => ({
              id: `core-${p.id}`,
              why: say`Every part is made before it is joined.`,
              strength: Infinity,
            })),
          },
        ]
      : []),
  ];
}
