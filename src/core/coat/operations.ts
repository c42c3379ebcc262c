/** Work of ways that cut first and lay then: two operations, tied to each other and to the areas that must lie below. */
import { ref } from '@/core/ref';
import { lightness } from '@/core/colour/lab';
import { decided, SIZE, the, type Decision, type Path } from '@/core/decision';
import { madeReady } from '@/core/materials';
import type { Material, Operation } from '@/core/stage';
import { say, type Text } from '@/core/text';
import { SCISSORS } from '@/core/tools';
import type { LayContext } from './way';

const of = (c: LayContext, ...keys: string[]): Path => ['areas', the(c.area.id), ...keys];

/** What decides how an area is laid. */
const laidBy = (c: LayContext): Decision[] => [
  decided('the place of the area', of(c, 'where'), of(c, 'strokes')),
  SIZE,
  decided('the wool', of(c, 'coat', 'lotId')),
  { what: 'the way it is laid', at: [of(c, 'coat')], but: ['lotId'] },
  decided('the rows', of(c, 'evenness'), of(c, 'branching'), of(c, 'seam'), of(c, 'awayFrom')),
];

/** What decides how its wool is cut. */
const cutBy = (c: LayContext, more: CutThenLay['cutGoesBy']): Decision[] => [
  decided('the wool', of(c, 'coat', 'lotId')),
  decided('the length of the fur', of(c, 'coat', 'lengthMm')),
  ...(more ? [decided(more.what, ...more.keys.map((k) => of(c, 'coat', k)))] : []),
];

/** What every operation of an area says. */
export const workOn = (c: LayContext, cutLengthMm: number | null, materials: readonly Material[]) => ({
  stage: 'coat' as const,
  about: ref('area', c.area.id),
  tools: [],
  restsOn: laidBy(c),
  cutLengthMm,
  lightness: lightness(c.lot.colour),
  materials,
});

/** Ties to the areas this one hangs over. */
export const tiesUnder = (c: LayContext): Operation['after'] =>
  c.under.map((x) => ({ id: `lay-${x.areaId}`, why: x.why, strength: x.strength }));

interface CutThenLay {
  /** What else of the coat decides how it is cut. */
  readonly cutGoesBy?: { readonly what: string; readonly keys: readonly string[] };
  readonly cutLengthMm: number;
  /** Wool that is cut; it is laid after that. */
  readonly materials: readonly Material[];
  readonly cut: Pick<Operation, 'does' | 'work' | 'minutes'> & {
    readonly caution?: Text;
    readonly needlework?: Operation['needlework'];
  };
  readonly lay: Pick<Operation, 'does' | 'rows' | 'passes' | 'needlework' | 'work' | 'minutes'> & {
    readonly caution?: Text;
  };
  /** Why the cut comes first. */
  readonly first?: Text;
}

export function cutThenLay(c: LayContext, x: CutThenLay): Operation[] {
  const base = workOn(c, x.cutLengthMm, x.materials);
  return [
    {
      ...base,
      id: `cut-${c.area.id}`,
      kind: 'cut',
      restsOn: cutBy(c, x.cutGoesBy),
      tools: [SCISSORS],
      rows: 0,
      passes: null,
      needlework: null,
      // Cut when it is wanted, not long before.
      after: tiesUnder(c),
      caution: say`Scissors away from the hand; keep other colours covered while you cut.`,
      ...x.cut,
    },
    {
      ...base,
      materials: madeReady(x.materials),
      id: `lay-${c.area.id}`,
      kind: 'lay',
      after: [
        { id: `cut-${c.area.id}`, why: x.first ?? say`The lengths are cut first.`, strength: Infinity },
        ...tiesUnder(c),
      ],
      caution: say`Eyes on the point of the needle, fingers flat and out of its way; count your needles when you stop.`,
      ...x.lay,
    },
  ];
}
