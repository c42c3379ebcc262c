/** The shape of an area stretched with its animal: what has no length in it is shared, not copied (see form/resize.ts). */
import { times } from '@/core/form/resize';
import type { AreaShape } from './area-shape';
import type { Overhang } from './neighbours';

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
