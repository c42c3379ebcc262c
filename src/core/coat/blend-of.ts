/** The blend an area is laid from, as its layers say. */
import type { Area } from '@/core/piece/schema';
import type { Recipe } from '@/core/piece/shade';

/** The blend an area is laid from; null where it is laid from its wool alone. */
export function blendOf(area: Pick<Area, 'shade'>): { readonly recipe: Recipe; readonly even: number } | null {
  const coat = area.shade.layers.find((l) => l.kind === 'coat');
  return coat?.blend ? { recipe: coat.blend, even: coat.even } : null;
}
