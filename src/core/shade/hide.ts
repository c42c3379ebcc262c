/**
 * Hide or let through: how much wool a layer takes until what is below no longer shows, from the colours of both and the
 * fineness of the wool. Pale over dark takes several times what dark over pale does.
 */
import { difference } from '@/core/colour/difference';
import { labOfCurve } from '@/core/colour/reflectance';
import { veilCurve } from './veil';

/** A ground that changes the colour by less is hidden, CIEDE2000. Ours: slight at arm's length, and only side by side. */
export const HIDES = 4;

/** Beyond this a layer is no answer: mg/cm2. */
export const MOST_MG = 60;

/** Difference between what is seen and the wool itself, for a layer of so many hiding layers. */
export const showsBy = (own: Float64Array, ground: Float64Array, layers: number): number =>
  difference(labOfCurve(own), labOfCurve(veilCurve(own, ground, layers)));

/**
 * Least wool that hides a ground to within a difference, mg/cm2 rounded up to 0.5; null when `MOST_MG` does not.
 * @param m1 areal mass of one layer @param kappa spread of the wool
 */
export function hidingMg(
  own: Float64Array,
  ground: Float64Array,
  m1: number,
  kappa: number,
  within = HIDES,
): number | null {
  const off = (mg: number) => showsBy(own, ground, (kappa * mg) / m1);
  if (off(0) <= within) return 0;
  if (off(MOST_MG) > within) return null;
  let [lo, hi] = [0, MOST_MG];
  for (let i = 0; i < 40; i++) {
    const m = (lo + hi) / 2;
    if (off(m) > within) lo = m;
    else hi = m;
  }
  return Math.ceil(hi * 2 - 1e-6) / 2;
}

/** Least that still lets something of the ground show is any; the most that does, to the same measure, rounded down. */
export function lettingMg(
  own: Float64Array,
  ground: Float64Array,
  m1: number,
  kappa: number,
  atLeast = 5,
): number | null {
  const off = (mg: number) => showsBy(own, ground, (kappa * mg) / m1);
  if (off(0) < atLeast) return null;
  let [lo, hi] = [0, MOST_MG];
  for (let i = 0; i < 40; i++) {
    const m = (lo + hi) / 2;
    if (off(m) >= atLeast) lo = m;
    else hi = m;
  }
  return Math.floor(lo * 10) / 10;
}
