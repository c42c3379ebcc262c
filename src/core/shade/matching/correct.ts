/**
 * Putting a colour right: on a flat picture it is covered, on a figure it can be pulled off (common practice, two schools).
 * Steps in words with the wool each takes.
 */
import { labOf } from '@/core/colour/lab';
import { reflectanceOf } from '@/core/colour/reflectance';
import type { Text } from '@/core/text';
import { grams, mgCm2, say } from '@/core/text';
import { layerMass } from '@/core/wool/fibre';
import { difference } from '@/core/colour/difference';
import type { Cupboard } from '@/core/piece/cupboard';
import type { Hand } from '@/core/piece/hand';
import { hidingMg } from '@/core/shade/layers/hide';
import type { ShadedArea } from '@/core/shade/layers/area-shade';
import { woolFor } from '@/core/shade/shade-methods';
import { woolCurve } from '@/core/wool/wool-colour';
import { ARMS_LENGTH, direction } from '@/core/shade/words';

/** @returns nothing when no colour is wanted or it is reached */
export function correction(
  school: 'cover' | 'take off',
  shaded: ShadedArea,
  areaMm2: number,
  cupboard: Cupboard,
  hand: Hand,
): Text[] {
  if (shaded.wantedHex === null || shaded.off === null || shaded.off < ARMS_LENGTH) return [];
  const wanted = labOf(shaded.wantedHex);
  const lot = cupboard.lots
    .filter((l) => l.haveG > 0)
    .map((l) => ({ l, off: difference(wanted, labOf(l.colour)) }))
    .sort((a, b) => a.off - b.off)[0]?.l;
  const way = direction(shaded.meanLab, wanted).slice(0, 2).join(' and ');
  if (!lot) return [];
  const steps: Text[] = [];
  if (school === 'cover') {
    const m1 = layerMass.of({ fineness: lot.finenessUm, cv: lot.finenessCv });
    const need = hidingMg(woolCurve(lot), reflectanceOf(shaded.meanHex), m1, hand.spread[lot.form]);
    steps.push(
      need === null
        ? say`It has to come out ${way}. ${lot.name} cannot hide what is there; lay the nearest dark first, then it.`
        : say`It has to come out ${way}. Cover it with ${lot.name}, ${mgCm2(need)}, ${grams(woolFor(need, areaMm2, hand))} in all; felt it on shallow.`,
    );
    steps.push(say`Look from arm’s length, then lay the last wisps.`);
    return steps;
  }
  const top = [...shaded.layers].reverse().find((l) => l.says !== 'coat' && l.mass);
  steps.push(
    top
      ? say`Lift the ${top.wool} off again: loosen it with the reverse needle and pull it away with tweezers, about ${grams(top.mass!.value)} comes off.`
      : say`Lift the top of the coat off where it is wrong; loosen it with the reverse needle and pull row by row.`,
  );
  steps.push(say`Needle the ground down once more, so that it holds.`);
  steps.push(say`Lay it anew ${way}; ${lot.name} is the nearest in the cupboard.`);
  return steps;
}
