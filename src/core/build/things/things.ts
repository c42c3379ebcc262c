/**
 * Small things of a piece, planned: patterns and wool of what is felted, wood of what is sawn, what is amiss with them, and the steps that
 * make them and put them on. mm, g
 */
import { takes } from '@/core/time/work-time';
import { ref } from '@/core/ref';
import { decided, SIZE, the } from '@/core/decision';
import { lightness } from '@/core/colour/lab';
import { outOf } from '@/core/materials';
import type { FormWork } from '@/core/form/form';
import type { Lot } from '@/core/piece/cupboard';
import { PLAIN_STEP } from '@/core/plain-step';
import { isFelted, isWorn, type FeltThing, type WoodThing } from '@/core/piece/things';
import type { After, Context, Operation, Stage } from '@/core/stage';
import { feltFlat } from '@/core/stabbing';
import { count, fine, joined, mm, say, type Text } from '@/core/text';
import { GLUE, SCISSORS } from '@/core/tools';
import type { StandsPlan } from '../stands';
import { thingFindings } from './thing-findings';
import type { ThingPlan } from './thing-plan';

interface BeforeThings {
  readonly work: FormWork;
  readonly measured: readonly ThingPlan[];
  readonly stands: StandsPlan;
  /** Coat and finish: what is worn goes over them. */
  readonly finished: readonly string[];
}

export function planThings(
  x: Context,
  { work, measured, stands, finished }: BeforeThings,
): Stage<readonly ThingPlan[]> {
  const after = finished.map((id): After => ({
    id,
    why: say`What it wears and stands on comes last, over the finished coat; until then it is turned in the hands.`,
    strength: Infinity,
    orderOnly: true,
  }));
  return {
    result: measured,
    findings: thingFindings(x, work, measured, stands),
    operations: measured.flatMap((p) => {
      const { thing } = p;
      if (p.massG <= 0) return [];
      return isFelted(thing) ? feltSteps(x, p, thing, after) : woodSteps(x, p, thing, stands, after);
    }),
    ties: [],
  };
}

const plain = { ...PLAIN_STEP, stage: 'form' } as const;

const restsOn = ({ id, thing }: ThingPlan) => [
  SIZE,
  decided('the small thing', ['things', the(id)]),
  ...(isWorn(thing) ? [decided('the shape of the part', ['form', 'parts', the(thing.on)])] : []),
];

const make = (p: ThingPlan): string => `thing-make-${p.id}`;

function feltSteps(
  { cupboard, hand, piece }: Context,
  p: ThingPlan,
  t: FeltThing,
  after: readonly After[],
): Operation[] {
  const lot: Lot | null = cupboard.lots.find((l) => l.id === t.lotId) ?? null;
  const panels = p.panels.reduce((n, x) => n + x.count, 0);
  const areaMm2 = p.panels.reduce((s, x) => s + x.count * x.areaMm2, 0);
  const part = isWorn(t) ? piece.form.parts.find((q) => q.id === t.on)!.name.toLowerCase() : null;
  const common = {
    ...plain,
    about: ref('small thing', p.id),
    restsOn: restsOn(p),
    lightness: lot ? lightness(lot.colour) : 50,
  };
  return [
    {
      ...common,
      id: make(p),
      kind: 'make',
      does: say`Felt ${p.name} flat, ${fine(t.thicknessMm)} thick, and cut it by its pattern: ${joined(p.panels.map((x) => say`${x.name.toLowerCase()}${x.count > 1 ? say`, ${count(x.count)}` : ''}`))}`,
      materials: outOf(lot, p.massG, 'small thing'),
      needlework: feltFlat(t.thicknessMm, false, areaMm2, Math.sqrt(areaMm2), lot, hand),
      tools: [SCISSORS],
      passes: say`felt it to the dashed line of the pattern, then cut; turn no edge, it is seen`,
      ...takes(hand, { step: 1, flatPart: panels }),
      after: [],
      caution: say`Thin felt lets the needle through: never hold it against a finger.`,
    },
    {
      ...common,
      id: `thing-put-${p.id}`,
      kind: 'set',
      does: putOn(p, t, part),
      materials: [],
      ...takes(hand, { step: 1, putOn: 1, ...(t.kind === 'bow' || t.kind === 'basket' ? { joint: panels - 1 } : {}) }),
      after: [{ id: make(p), why: say`It is made before it is put on.`, strength: Infinity }, ...after],
      caution:
        t.kind === 'bow'
          ? say`What can be pulled off is swallowed by a small child: a realistic piece is a display piece.`
          : null,
    },
  ];
}

function putOn(p: ThingPlan, t: FeltThing, part: string | null): Text {
  if (t.kind === 'basket')
    return say`Felt the wall of ${p.name} to its bottom${t.handle ? say`, and the handle in at both sides` : ''}`;
  if (t.kind === 'bow')
    return say`Fold ${p.name}, gather it in the middle, close the strip round it and fix it on the ${part ?? ''}`;
  if (t.kind === 'scarf')
    return say`Lay ${p.name} round the ${part ?? ''}, cross its ends and tack them${t.fringeMm > 0 ? say`; cut ${mm(t.fringeMm)} of each end into a fringe` : ''}`;
  return say`Close ${p.name} round the ${part ?? ''}, ${mm(t.overlapMm)} one end over the other`;
}

const SAW: Text = say`A fine saw, sandpaper and a drill`;
const DUST: Text = say`Hold the wood in a vice, not in the hand; glasses on, and a mask against dust. Glue in fresh air, off the skin.`;

function woodSteps(
  { hand }: Context,
  p: ThingPlan,
  t: WoodThing,
  stands: StandsPlan,
  after: readonly After[],
): Operation[] {
  const common = { ...plain, about: ref('small thing', p.id), restsOn: restsOn(p), materials: [] };
  const pieces = p.cuts.reduce((n, c) => n + c.count, 0);
  const carries = stands.on?.baseId === p.id || stands.on?.twigId === p.id;
  const holes = t.kind === 'base' && stands.on?.twigId === null && stands.holes.length > 0 ? stands.holes.length : 0;
  return [
    {
      ...common,
      id: make(p),
      kind: 'make',
      does: say`${p.cuts.length > 1 ? 'Saw the bars of' : 'Saw'} ${p.name}: ${joined(p.cuts.map((c) => say`${c.count > 1 ? say`${count(c.count)} of ` : ''}${mm(c.longMm)}${t.kind === 'twig' ? say` of a twig ${mm(c.wideMm)} thick` : say` by ${mm(c.wideMm)}, ${mm(c.thickMm)} ${t.kind === 'frame' ? 'deep' : 'thick'}`}`))}${t.kind === 'frame' ? ', mitred at both ends' : ''}; sand the edges${holes > 0 ? say`, and bore ${count(holes)} holes of ${fine(stands.holeMm)} by the template` : ''}`,
      tools: [SAW],
      ...takes(hand, { step: 1, woodPart: pieces }),
      after: [],
      caution: DUST,
    },
    ...(carries || t.kind === 'frame'
      ? [
          {
            ...common,
            id: `thing-put-${p.id}`,
            kind: 'set' as const,
            does:
              t.kind === 'frame'
                ? say`Glue ${p.name} at its mitres, square, and set the board in${t.glass ? say`, behind the glass` : ''}`
                : t.kind === 'twig'
                  ? say`Wind the wires of its feet round ${p.name} and hide the turns with the wool of the feet`
                  : stands.on?.twigId
                    ? say`Screw what carries it to ${p.name} from below`
                    : say`Lead the wires of its feet through ${p.name}, turn their ends over below and glue them`,
            tools: [GLUE],
            ...takes(hand, { step: 1, putOn: 1, compare: 1 }),
            wait: { minutes: hand.glueMinutes, says: say`The glue of ${p.name} sets.` },
            after: [{ id: make(p), why: say`It is made before anything is set on it.`, strength: Infinity }, ...after],
            caution: say`Ends of wire stab: turn them over. Glue in fresh air, off the skin; it marks wool.`,
          },
        ]
      : []),
  ];
}
