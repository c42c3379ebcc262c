'use client';
/** The finished animal from the side a photograph was taken from, as a picture to lay on it. */
import { useMemo } from 'react';
import type { Outline } from '@/core/geometry/outline';
import type { LIGHTINGS } from '@/core/picture/lighting';
import { sideLens, type FlatBox } from '@/core/picture/side-lens';
import type { Reference } from '@/core/piece/schema';
import { useThrough } from '@/ui/parts/useThrough';

export interface Finished {
  /** Where the picture lies, mm to the right and up. */
  readonly box: FlatBox;
  /** Null until there is one. */
  readonly url: string | null;
  /** Only its first, rough picture so far, or none. */
  readonly rough: boolean;
}

/** Fur and feathers reach so far beyond the outline, as a share of the longer side. */
const AROUND = 0.14;
/** Pixels of the longer side. */
const LONGEST = 1100;

/** @returns null where it is not wanted, or the outline is not known yet */
export function useFinished(
  side: Reference['side'] | null,
  outline: Outline | null,
  light: keyof typeof LIGHTINGS,
  wanted: boolean,
): Finished | null {
  const box = useMemo((): FlatBox | null => {
    if (!outline) return null;
    const { min, max } = outline;
    const more = AROUND * Math.max(max[0] - min[0], max[1] - min[1]);
    return { min: [min[0] - more, min[1] - more], max: [max[0] + more, max[1] + more] };
  }, [outline]);
  const lens = useMemo(() => (wanted && side && box ? sideLens(side, box, LONGEST) : null), [wanted, side, box]);
  const { url, finished } = useThrough(lens, light);
  return wanted && box ? { box, url, rough: !finished } : null;
}
