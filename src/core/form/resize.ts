/**
 * Resizing without working anything out again. Everything about a form is drawn in shares of its length, so an animal k
 * times as long has the same triangles, the same lie and the same rows with lengths times k. Forms and area shapes are
 * made once at a reference length and stretched to the finished one; what has no length in it is shared, not copied.
 */
import { makeBody, type Drawn } from './body';
import type { FormWork } from './form';

/** Length forms are worked out at, mm. */
export const REFERENCE_MM = 200;

/** Every number of a list times k. */
export const times = <T extends Float64Array | Float32Array>(a: T, k: number): T => a.map((x) => x * k) as T;

/** The form of an animal at its finished length, from the form at the reference length. */
export function resizeForm(work: FormWork, form: Drawn): FormWork {
  const k = form.finishedLengthMm / REFERENCE_MM;
  if (k === 1) return work;
  const { skin } = work;
  return {
    body: makeBody(form),
    skin: {
      ...skin,
      positions: times(skin.positions, k),
      extent: { volumeMm3: skin.extent.volumeMm3 * k ** 3, areaMm2: skin.extent.areaMm2 * k ** 2 },
      edgeMm: skin.edgeMm * k,
    },
    distance: times(work.distance, k),
    lie: work.lie,
  };
}
