/** Work of ways that cut first and lay then: two operations, tied to each other and to the areas that must lie below. */
import { lightness } from '@/core/colour/lab';
import type { Operation } from '@/core/stage';
import { say, type Text } from '@/core/text';
import type { LayContext } from './way';

/** What every operation of an area says. */
export const workOn = (c: LayContext, cutLengthMm: number | null, massG: number) => ({
  stage: 'coat' as const,
  areaId: c.area.id,
  lotId: c.lot.id,
  cutLengthMm,
  lightness: lightness(c.lot.colour),
  massG,
});

/** Ties to the areas this one hangs over. */
export const tiesUnder = (c: LayContext): Operation['after'] =>
  c.under.map((x) => ({ id: `lay-${x.areaId}`, why: x.why, strength: x.strength }));

export interface CutThenLay {
  readonly cutLengthMm: number;
  readonly massG: number;
  readonly cut: { readonly does: Text; readonly minutes: number; readonly caution?: Text };
  readonly lay: Pick<Operation, 'does' | 'rows' | 'passes' | 'needlework' | 'minutes'> & { readonly caution?: Text };
  /** Why the cut comes first. */
  readonly first?: Text;
}

export function cutThenLay(c: LayContext, x: CutThenLay): Operation[] {
  const base = workOn(c, x.cutLengthMm, x.massG);
  return [
    {
      ...base,
      id: `cut-${c.area.id}`,
      kind: 'cut',
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
