/** Thin parts: felt so thin that a coarse blade goes right through it. mm */
import type { Needlework } from '@/core/stage';
import type { Sight } from './fit';

/** Felt thinner than this is a thin part, and a blade thicker than this coarse for it. Ours. */
const THIN_MM = 4;
export const COARSE_MM = 0.56;

/** Felt along a stab straight in, at the thinner quarter of the places; null where nothing is known. */
export function thinness(sight: Sight, w: Needlework): number | null {
  if (w.where.on === 'mat') return w.where.thickMm;
  const all = sight.spots.flatMap((_, k) => sight.ahead(90, k, 'along the lie')?.throughMm ?? []).sort((a, b) => a - b);
  return all[Math.floor(all.length / 4)] ?? null;
}

/** Whether marks of a coarse blade would go through: not while a core is built or parts are joined deep. */
export function isThin(sight: Sight, w: Needlework): boolean {
  if (['through', 'join', 'deep'].includes(w.kind)) return false;
  const t = thinness(sight, w);
  return t !== null && t < THIN_MM;
}
