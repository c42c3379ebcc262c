/**
 * Hide or let through: how much wool a layer takes until what is below no longer shows, from the colours of both and the
 * fineness of the wool. Pale over dark takes several times what dark over pale does.
 */
import { edgeOf } from '@/core/coat/cover/enough';
import { difference } from '@/core/colour/difference';
import { labOfCurve } from '@/core/colour/reflectance';
import { veilCurve } from './veil';
import { SLIGHT } from '@/core/shade/words';

/** A ground that changes the colour by less is hidden, CIEDE2000. Ours: slight at arm's length, and only side by side. */
export const HIDES = 4;

/** Beyond this a layer is no answer: mg/cm2. */
const MOST_MG = 60;

/** Difference between what is seen and the wool itself, for a layer of so many hiding layers. */
export const showsBy = (own: Float64Array, ground: Float64Array, layers: number): number =>
  difference(labOfCurve(own), labOfCurve(veilCurve(own, ground, layers)));

/**
 * Least wool that hides a ground to within a difference, mg/cm2 to 0.5; null when `MOST_MG` does not.
 * @param m1 areal mass of one layer @param kappa spread of the wool
 */
export function hidingMg(
  own: Float64Array,
  ground: Float64Array,
  m1: number,
  kappa: number,
  within = HIDES,
): number | null {
  const hides = (mg: number) => showsBy(own, ground, (kappa * mg) / m1) <= within;
  return edgeOf(0, MOST_MG, 0.5, hides, 'smallest');
}

/** Most wool through which the ground still changes the colour by so much, mg/cm2 to 0.1; null where it never does. */
export function lettingMg(
  own: Float64Array,
  ground: Float64Array,
  m1: number,
  kappa: number,
  atLeast = SLIGHT,
): number | null {
  const shows = (mg: number) => showsBy(own, ground, (kappa * mg) / m1) >= atLeast;
  return edgeOf(0, MOST_MG, 0.1, shows, 'largest');
}
