/** Share of the base hidden on every triangle of an area, from the true row spacing there. */
import type { Lot } from '@/core/piece/cupboard';
import type { Hand } from '@/core/piece/hand';
import type { FoldOver } from '@/core/piece/schema';
import { coverOf } from './cover';
import { furLayOf } from './fold-over';

const STEPS = 60;
const LEAST = 0.2;
const MOST = 3;

/** @param steepness |grad phi| of each triangle: true spacing is the spacing divided by it */
export function coverMap(spec: FoldOver, lot: Lot, hand: Hand, steepness: Float64Array): Float32Array {
  const lay = furLayOf(spec, lot, hand);
  const table = Array.from({ length: STEPS + 1 }, (_, i) => {
    const g = LEAST * (MOST / LEAST) ** (i / STEPS);
    return coverOf({ ...lay, spacingMm: spec.spacingMm / g });
  });
  return Float32Array.from(steepness, (g) => {
    const x = (Math.log(Math.max(LEAST, Math.min(MOST, g)) / LEAST) / Math.log(MOST / LEAST)) * STEPS;
    const i = Math.min(STEPS - 1, Math.floor(x));
    return table[i]! + (x - i) * (table[i + 1]! - table[i]!);
  });
}
