/** The hand the plan shown was worked out with; the maker's rates alone where there is none yet. */
import type { Hand } from '@/core/piece/hand';
import type { HandAtWork } from '@/core/rates/hand-at-work';
import { useDesk } from '@/desk/store';

export function useHandAtWork(): HandAtWork | Hand {
  return useDesk((s) => s.plan?.hand ?? s.hand);
}
