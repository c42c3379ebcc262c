/** What a coat lies on: the core, or the felt of the flat part all of its area lies on, as on a wing. */
import type { Area, Piece } from '@/core/piece/schema';

/** @returns the lot; null where none is chosen */
export function groundWool(
  { core, flatParts }: Pick<Piece, 'core' | 'flatParts'>,
  { where }: Pick<Area, 'where'>,
): string | null {
  const on = new Set(where.flatMap((w) => w.parts));
  const flat = on.size === 1 ? flatParts.find((f) => on.has(f.id)) : undefined;
  return flat?.lotId ?? core.lotId;
}
