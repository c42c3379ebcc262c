/** The sides an animal is drawn and photographed from, without perspective: unit direction to the eye, and what is up. */
import type { Vec3 } from '@/core/geometry/vec';

export const SIDES: Readonly<
  Record<'left' | 'front' | 'above', { readonly name: string; readonly from: Vec3; readonly up: Vec3 }>
> = {
  left: { name: 'from its left', from: [1, 0, 0], up: [0, 1, 0] },
  front: { name: 'from the front', from: [0, 0, 1], up: [0, 1, 0] },
  above: { name: 'from above', from: [0, 1, 0], up: [0, 0, 1] },
};
