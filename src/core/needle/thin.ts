/** Small places: felt so thin that a coarse blade goes right through it, or so narrow that its marks stay. mm */
import type { Needlework } from '@/core/stage';
import type { Sight } from './fit';

/** Felt thinner than this is a thin part, and a blade thicker than this coarse for it. Ours. */
const THIN_MM = 4;
/** A place narrower than this is detail: 38 then 40 (common practice). Ours. */
const NARROW_MM = 12;
export const COARSE_MM = 0.56;

/** Felt along a stab straight in, at the thinner quarter of the places; null where nothing is known. */
export function thinness(sight: Sight, w: Needlework): number | null {
  if (w.where.on === 'mat') return w.where.thickMm;
  const all = sight.spots.flatMap((_, k) => sight.ahead(90, k, 'along the lie')?.throughMm ?? []).sort((a, b) => a - b);
  return all[Math.floor(all.length / 4)] ?? null;
}

/**
 * How a coarse blade would spoil the place: by going through, or by marks too large for it. Null where it would not, and while
 * a core is built or parts are joined deep.
 */
export function smallBy(sight: Sight, w: Needlework, acrossMm: number): 'thin' | 'narrow' | null {
  if (['through', 'join', 'deep'].includes(w.kind)) return null;
  const t = thinness(sight, w);
  if (t !== null && t < THIN_MM) return 'thin';
  return acrossMm < NARROW_MM ? 'narrow' : null;
}
