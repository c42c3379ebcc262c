/**
 * Resizing without working anything out again. Everything about a form is drawn in shares of its length, so an animal k
 * times as long has the same triangles, the same lie and the same rows with lengths times k. Forms and area shapes are
 * made once at a reference length and stretched to the finished one; what has no length in it is shared, not copied.
 */
import type { AreaShape } from '@/core/coat/area-shape';
import type { Overhang } from '@/core/coat/neighbours';
import { makeBody } from './body';
import type { FormWork } from './form';
import type { Piece } from '@/core/piece/schema';

/** Length forms are worked out at, mm. */
export const REFERENCE_MM = 200;

const times = <T extends Float64Array | Float32Array>(a: T, k: number): T => a.map((x) => x * k) as T;

/** The form of an animal at its finished length, from the form at the reference length. */
export function resizeForm(work: FormWork, form: Piece['form']): FormWork {
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

/** The shape of an area, stretched by k. */
export function resizeShape(shape: AreaShape, k: number): AreaShape {
  if (k === 1) return shape;
  return {
    ...shape,
    patch: {
      ...shape.patch,
      positions: times(shape.patch.positions, k),
      areaMm2: shape.patch.areaMm2 * k * k,
    },
    field: {
      ...shape.field,
      phi: times(shape.field.phi, k),
      area: times(shape.field.area, k * k),
      hemLengthMm: shape.field.hemLengthMm * k,
    },
    components: shape.components.map((c) => ({ ...c, areaMm2: c.areaMm2 * k * k })),
    heightMm: shape.heightMm * k,
    away: shape.away.map(([x, y, z]) => [x * k, y * k, z * k] as const),
  };
}

export const resizeOverhang = (o: Overhang, k: number): Overhang => ({ ...o, strengthMm: o.strengthMm * k });
