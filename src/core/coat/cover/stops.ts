/**
 * Where a measure of the coat comes to an end though its field goes on: the longest fur the wool allows, the longest the area bears, the
 * last value that still covers. Sliders show them and hold there. Lengths mm.
 */
import type { Spec, Way } from '@/core/coat/way';
import type { Margin } from './margins';

/** Fur reaching further than so many times the height of its area hangs over it. Ours. */
export const HANGS = 1.5;

export interface Stop {
  readonly key: string;
  readonly at: number;
  /** Whether it is the most or the least there is. */
  readonly bound: 'at most' | 'at least';
  readonly by: 'wool' | 'area' | 'cover';
}

/** In halves of a mm, as long as it reaches no further than it may. */
function longestReaching(way: Way, s: Spec, key: string, mostMm: number): number | null {
  const now = (s.spec as unknown as Record<string, unknown>)[key];
  if (!way.reach || typeof now !== 'number' || now <= 0) return null;
  // Reach goes with length.
  const perMm = way.reach({ ...s.spec, [key]: 1e4 } as typeof s.spec) / 1e4;
  return perMm > 0 ? Math.floor((2 * mostMm) / perMm + 1e-9) / 2 : null;
}

export function stopsOf(way: Way, s: Spec, margins: readonly Margin[], heightMm: number): Stop[] {
  const longest = way.longest?.(s);
  return [
    ...(way.lengthKeys ?? []).flatMap((key): Stop[] => {
      const area = longestReaching(way, s, key, HANGS * heightMm);
      return [
        ...(longest !== undefined && longest > 0
          ? [{ key, at: longest, bound: 'at most' as const, by: 'wool' as const }]
          : []),
        ...(area !== null && area > 0 ? [{ key, at: area, bound: 'at most' as const, by: 'area' as const }] : []),
      ];
    }),
    ...margins.flatMap((m): Stop[] =>
      m.limit === null ? [] : [{ key: m.key, at: m.limit, bound: m.bound, by: 'cover' }],
    ),
  ];
}
