/** The room round a head that is looked at when eyes are set: all of it, and what goes into it from the neck. */
import type { Box3 } from '@/core/geometry/in-box';

interface Head {
  readonly headLengthMm: number;
  readonly headWidthMm: number;
  readonly front: { readonly min: readonly number[]; readonly max: readonly number[] };
}

/** Space left above and below, mm. */
const MARGIN = 2;

/** In the head's own frame: across, up, and from a little behind the skull forward. */
export const roundHead = ({ headLengthMm, headWidthMm, front }: Head): Box3 => [
  [-0.6 * headWidthMm, 0.6 * headWidthMm],
  [front.min[1]! - MARGIN, front.max[1]! + MARGIN],
  [-1.1 * headLengthMm, Infinity],
];
