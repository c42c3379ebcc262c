/**
 * Work that belongs to no one area alone: photographs put beside the work, trimming area by area, and at the very end fur
 * teased up again, a last light pass with a fine needle and the scissors over the surface (common practice).
 */
import { takes } from '@/core/time/work-time';
import { PHOTOGRAPHS, SCISSORS } from '@/core/tools';
import { isAbout, only, ref } from '@/core/ref';
import type { CoatPlan } from '@/core/coat/coat-plan';
import { wayOf } from '@/core/coat/ways';
import { lightness } from '@/core/colour/lab';
import { decided, the, type Decision } from '@/core/decision';
import type { Hand } from '@/core/piece/hand';
import { PLAIN_STEP } from '@/core/plain-step';
import type { Context, Operation } from '@/core/stage';
import { feltLayer } from '@/core/stabbing';
import { count, mm, say, type Text } from '@/core/text';

/** Of finishing an animal: teasing up, and the scissors. Ours. */
const TEASED = 0.35;
const SNIPPED = 0.65;
/** A light pass: half the stabs of a usual one. */
const LIGHT = 0.5;

interface FinishInput extends Context {
  readonly coat: CoatPlan;
  /** Work of coat and shade. */
  readonly operations: readonly Operation[];
}

/** The photographs come before anything is bent or felted. */
export const photographs = (hand: Hand): Operation => ({
  ...PLAIN_STEP,
  id: 'form-photos',
  tools: [PHOTOGRAPHS],
  restsOn: [],
  stage: 'form',
  about: only('photographs'),
  kind: 'check',
  does: say`Put photographs of the animal from the front, the side and above beside the work`,
  ...takes(hand, { step: 1, photographs: 1 }),
  after: [],
});

/** How areas are laid decides what is left to do over all of them. */
const ways = (areas: readonly { readonly id: string }[]): Decision[] => [
  decided('the ways of laying', ...areas.map((a) => ['areas', the(a.id), 'coat', 'method'])),
];

/** Trimming, area by area: once it lies, or once all lies where the maker trims at the end. */
function trimsOf({ piece, cupboard, hand, coat, operations }: FinishInput): Operation[] {
  const laid = operations.filter((o) => o.kind === 'lay');
  const school = {
    school: say`trim all at the end`,
    instead: {
      label: say`Trim as you go`,
      effect: say`each area is trimmed once it lies`,
      changes: [{ path: ['work', 'trim'], value: 'as you go' }],
    },
  };
  return coat.areas.flatMap((a): Operation[] => {
    if (!a.fur?.trim || wayOf(a.fur.method).trimmed === 'in laying') return [];
    const lot = cupboard.lots.find((l) => l.id === a.fur!.lotId);
    const mine = laid.filter((o) => isAbout(o, 'area', a.id));
    const others = piece.work.trim === 'at the end' ? laid.filter((o) => !mine.includes(o)) : [];
    const { finishedMm, steps } = a.fur.trim;
    return [
      {
        ...PLAIN_STEP,
        id: `trim-${a.id}`,
        restsOn: [decided('the length of the fur', ['areas', the(a.id), 'coat', 'lengthMm'])],
        stage: 'coat',
        about: ref('area', a.id),
        kind: 'trim',
        tools: [SCISSORS],
        does: say`Tease ${a.name} out, comb it down, and trim it to ${mm(finishedMm)} in ${count(steps.length)} ${steps.length === 1 ? 'cut' : 'cuts'}: long ends first, little by little`,
        passes: say`snip up into the fur, never straight across; tease, comb down and look again after every cut`,
        ...takes(hand, { step: 1, trimCm2: a.areaMm2 / 100 }),
        lightness: lot ? lightness(lot.colour) : 50,
        after: [
          ...mine.map((o) => ({ id: o.id, why: say`${a.name} lies before it is trimmed.`, strength: Infinity })),
          ...others.map((o) => ({
            id: o.id,
            why: say`All fur lies before any of it is trimmed.`,
            strength: 1e4,
            choice: school,
            orderOnly: true,
          })),
        ],
        caution: say`Scissors away from the hand, and never more than a quarter of what is left: it cannot be put back.`,
      },
    ];
  });
}

/** At the very end: fur teased up again, a light pass over short fur, scissors over the surface; each after all before it. */
function endOf({ cupboard, hand, coat }: FinishInput, before: readonly Operation[]): Operation[] {
  const out: Operation[] = [];
  const put = (o: Pick<Operation, 'id' | 'does' | 'work' | 'minutes' | 'restsOn'> & Partial<Operation>, why: Text) =>
    out.push({
      ...PLAIN_STEP,
      stage: 'coat',
      about: only('finish'),
      kind: 'check',
      ...o,
      after: [...before, ...out].map(({ id }) => ({ id, why, strength: Infinity, orderOnly: true })),
    });
  const finished = (as: 'teased' | 'passed') => coat.areas.filter((a) => a.fur && wayOf(a.fur.method).surface === as);
  const areaOf = (areas: CoatPlan['areas']) => areas.reduce((s, a) => s + a.areaMm2, 0);
  const long = finished('teased');
  if (areaOf(long) > 0)
    put(
      {
        id: 'finish-fluff',
        restsOn: ways(long),
        does: say`Tease up again what later work has pressed flat`,
        ...takes(hand, { step: 1, finish: TEASED }),
      },
      say`The coat is teased up when nothing more is laid on it.`,
    );
  const short = finished('passed').sort((a, b) => b.areaMm2 - a.areaMm2);
  const lot = cupboard.lots.find((l) => l.id === short[0]?.fur?.lotId);
  if (short[0] && lot) {
    const asked = feltLayer(short[0].id, areaOf(short), short[0].fur!.figures.areal.value, 1, lot, hand);
    put(
      {
        id: 'finish-pass',
        restsOn: ways(short),
        does: say`A last light pass over all short fur`,
        passes: say`straight in and out, hardly below the surface`,
        needlework: { ...asked, layerMm: 0.3, stabs: asked.stabs * LIGHT, perCm2: asked.perCm2 * LIGHT },
        ...takes(hand, { step: 1, surfaceStabs: (asked.stabs * LIGHT) / 100 }),
        caution: say`Eyes on the point of the needle, fingers flat and out of its way; count your needles when you stop.`,
      },
      say`A light pass closes the last marks.`,
    );
  }
  put(
    {
      id: 'finish-scissors',
      tools: [SCISSORS],
      restsOn: ways(coat.areas.filter((a) => a.fur)),
      does: say`Look over the whole animal against the light and snip single hairs that stand up, scissors flat to the surface`,
      ...takes(hand, { step: 1, finish: SNIPPED }),
      caution: say`Scissors away from the hand.`,
    },
    say`Scissors over the surface come last.`,
  );
  return out;
}

/** @returns the work given, with trimming and the finish after it */
export function withFinish(x: FinishInput): Operation[] {
  const trims = trimsOf(x);
  const work = [...x.operations, ...trims];
  return work.some((o) => o.kind === 'lay') ? [...work, ...endOf(x, work)] : work;
}
