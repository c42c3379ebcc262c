/** What the small pictures of the head look at, and how near. */
import type { FacePlan } from '@/core/face/face';
import { outOfHead } from '@/core/face/head/head';

/** Pixels of the smaller side that the head takes. */
const HEAD_PX = 148;

/** The middle of the head, and pixels on a millimetre. */
export function headLens(face: FacePlan): { readonly at: [number, number, number]; readonly perMm: number } {
  const lo = Math.min(face.front.min[1], face.profile.min[1]);
  const hi = Math.max(face.front.max[1], face.profile.max[1]);
  const high = face.front.max[1] - face.front.min[1];
  const [x, y, z] = outOfHead(face.frame, [0, (lo + hi) / 2, -face.headLengthMm / 2]);
  return { at: [x, y, z], perMm: HEAD_PX / Math.max(face.headLengthMm * 1.15, face.headWidthMm * 1.15, high) };
}
