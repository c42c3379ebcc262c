/** From version 5 to 6: what needles measure (the usual, until a rule is laid to them), and holders. */
import type { Needle } from '../cupboard';
import { usualNeedle } from '../usual-needle';

export const toCupboard6 = (old: Record<string, unknown>): Record<string, unknown> => ({
  ...old,
  needles: ((old.needles ?? []) as Needle[]).map((n) => ({ ...n, ...usualNeedle(n) })),
  holders: [],
});
