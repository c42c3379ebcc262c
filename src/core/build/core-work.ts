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
import { count, fine, grams, joined, mm, say, type Text } from '@/core/text';
import { LAYER_MM, layersOver, longestBlade } from './core-layers';
import type { CorePart } from './core-plan';

/** A collar is laid so thick over a joint, pressed down, mm. Ours. */
const COLLAR_MM = 1.5;

/** A wisp wound on covers so much of a wire, mm. Ours. */
const WISP_MM = 10;

/** Stabs into a core between one look at it and the next. Ours. */
const LOOK_EVERY = 400;

/** Teased, weighed and felted firm, layer by layer, looked at as it grows. */
function partWork(p: CorePart, layers: number, hand: Hand): Work {
  const stabs = ((p.count * p.volumeMm3) / 1000) * hand.coreStabsPerCm3;
  return { step: 1, corePart: p.count * (1 + layers), coreStabs: stabs / 100, coreLook: stabs / LOOK_EVERY };
}

/** A part that takes fewer stabs than this is not felted by itself. Ours. */
const LEAST_STABS = 20;

/** How thick the core of a part is at its thickest mark, the way it is thinner there; 0 where none is measured. */
const thickest = (p: CorePart): number =>
  Math.max(0, ...p.sections.flatMap((s) => (s.core ? [Math.min(s.core.width, s.core.height)] : [])));

const inLayers = (n: number, bladeMm: number): Text =>
  n > 0
    ? say`: a firm inner core of ${mm(2 * bladeMm)}, then ${count(n)} ${n === 1 ? 'layer' : 'layers'} of about ${mm(LAYER_MM)}, each felted through into the one beneath`
    : say``;

/** A wire that is wrapped thinly, where fur makes the bush. */
function wrapping(
  p: CorePart,
  common: Omit<Operation, 'id' | 'about' | 'kind' | 'restsOn' | 'does' | 'materials' | 'work' | 'minutes' | 'after'>,
  rests: Operation['restsOn'],
  lot: Cupboard['lots'][number] | null,
  hand: Hand,
): Operation[] {
  if (!p.wrap || p.wrappedMm === null) return [];
  return [
    {
      ...common,
      id: `core-wrap-${p.id}`,
      about: ref('part', p.id),
      kind: 'core',
      restsOn: [
        ...rests,
        decided('the wire', ['frame']),
        decided('the shape of the part', ['form', 'parts', the(p.id)]),
        decided('what is done under its fur', ['core', 'under', { by: 'part', is: p.id }]),
      ],
      does: say`Wrap the wire of ${p.name} thinly and tightly with ${grams(p.count * p.wrap.value)} of wool, ${fine(p.wrappedMm)} across; its fur makes the bush`,
      materials: outOf(lot, p.count * p.wrap.value, 'core'),
      ...takes(hand, { step: 1, wisp: (p.count * p.wrap.inputs.length!) / WISP_MM, compare: 1 }),
      after: [{ id: 'wire', why: say`The wire is bent first and wrapped.`, strength: Infinity }],
    },
  ];
}

export function coreOperations(
  parts: readonly CorePart[],
  lot: Cupboard['lots'][number] | null,
  cupboard: Cupboard,
  hand: Hand,
): Operation[] {
  const bladeMm = longestBlade(cupboard);
  const layers = (p: CorePart) => layersOver(thickest(p), bladeMm);
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
          ? say`Weigh out two lots of ${grams(p.mass.value)} and felt both of ${p.name} side by side, ${p.firmness}${p.length ? say`, ${mm(p.length.value)} long` : ''}${inLayers(layers(p), bladeMm)}`
          : say`Felt ${p.name} from ${grams(p.mass.value)}, ${p.firmness}${p.length ? say`, ${mm(p.length.value)} long` : ''}${inLayers(layers(p), bladeMm)}`,
      materials: outOf(lot, p.count * p.mass.value, 'core'),
      needlework: feltPart(p.id, p.count * p.volumeMm3, hand.coreDensityMgCm3[p.firmness].usual, lot, hand),
      ...takes(hand, partWork(p, layers(p), hand)),
      after: [{ id: 'wire', why: say`The wire is bent first and wrapped.`, strength: Infinity }],
    })),
    ...parts.flatMap((p) => wrapping(p, common, rests, lot, hand)),
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
