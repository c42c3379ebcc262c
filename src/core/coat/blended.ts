/**
 * An area laid from a blend: the wool a way of laying takes as one is split over the wools it is blended from, in its figures,
 * its docket, its draws and its steps, and the blending comes before everything that uses it. Masses in grams.
 */
import { ref } from '@/core/ref';
import { lightness } from '@/core/colour/lab';
import { decided, the } from '@/core/decision';
import { madeReady } from '@/core/materials';
import { figure, letter, method } from '@/core/method/define';
import type { After, Material, Operation } from '@/core/stage';
import { grams, joined, say } from '@/core/text';
import { takes } from '@/core/time/work-time';
import type { LaidWool } from '@/core/wool/laid-wool';
import { SCALES } from '@/core/tools';
import { EVEN } from '@/core/wool/blend';
import type { Draw, Lay, LayContext } from './way';

export const blendPart = method({
  id: 'blend-part',
  title: 'One wool of the blend',
  formula: 'Wᵢ = pᵢ W',
  inputs: {
    mass: letter('W', 'wool of the blend', 'mass', 'lay'),
    share: letter('pᵢ', 'share of this wool in it', 'share'),
  },
  result: letter('Wᵢ', 'wool to take of it', 'mass'),
  source: 'Parts of a blend are parts of its mass.',
  basis: 'common practice',
  of: ({ mass, share }) => mass * share,
});

/** Pulling two wools apart and laying them together takes a minute or two (common practice), as long again for so many grams more. Ours. */
const MUCH = 8;

/** The lay with every gram of its own wool in the name of the lot it comes from. */
export function splitOver(lay: Lay, wool: LaidWool, c: LayContext): Lay {
  if (wool.parts.length < 2) return lay;
  const parts = wool.parts.map((p, i) => ({
    key: `part${i + 1}`,
    lot: p.lot,
    share: p.share,
    figure: figure(blendPart, { mass: lay.figures.mass.value, share: p.share }),
  }));
  const split = <T extends { readonly lotId: string | null; readonly massG: number; readonly for: Material['for'] }>(
    list: readonly T[],
  ): T[] =>
    list.flatMap((m) =>
      m.for === 'coat' ? parts.map((p) => ({ ...m, lotId: p.lot.id, massG: m.massG * p.share })) : [m],
    );
  const blend = blendStep(lay, wool, c, split(lay.draws));
  const first: After = {
    id: blend.id,
    why: say`The wools are blended before they are cut and laid.`,
    strength: Infinity,
  };
  return {
    ...lay,
    figures: { ...lay.figures, ...Object.fromEntries(parts.map((p) => [p.key, p.figure])) },
    docket: {
      ...lay.docket,
      list: lay.docket.list.flatMap((l) =>
        l.figure === 'mass' ? parts.map((p) => ({ label: p.lot.name.toLowerCase(), figure: p.key })) : [l],
      ),
    },
    draws: split(lay.draws),
    operations: [
      blend,
      ...lay.operations.map((o): Operation => {
        const own = split(o.materials);
        const uses = own.some((m) => m.for === 'coat');
        return {
          ...o,
          materials: own.map((m) => (m.for === 'coat' ? madeReady([m])[0]! : m)),
          after: uses ? [...o.after, first] : o.after,
        };
      }),
    ],
  };
}

function blendStep(lay: Lay, wool: LaidWool, c: LayContext, draws: readonly Draw[]): Operation {
  const own = draws.filter((d) => d.for === 'coat');
  const names = wool.parts.map((p) => p.lot);
  const massG = lay.figures.mass.value;
  return {
    id: `blend-${c.area.id}`,
    stage: 'coat',
    about: ref('area', c.area.id),
    kind: 'blend',
    restsOn: [decided('the blend', ['areas', the(c.area.id), 'shade', 'layers', { by: 'kind', is: 'coat' }])],
    does: say`Pull ${wool.lot.name} apart and lay them together for ${c.area.name} until ${wool.even > EVEN ? 'the blend is even' : 'they are streaked as wanted'}: ${joined(own.map((d) => say`${grams(d.massG)} ${names.find((l) => l.id === d.lotId)!.name}`))}`,
    materials: own.map((d): Material => ({ ...d, from: 'cupboard' })),
    cutLengthMm: null,
    rows: 0,
    passes: null,
    needlework: null,
    tools: [SCALES],
    ...takes(c.hand, { step: 1, blend: 1 + massG / MUCH }),
    after: [],
    lightness: lightness(wool.lot.colour),
    caution: say`Pull fibres apart with dry hands; a dust mask where you card.`,
  };
}
