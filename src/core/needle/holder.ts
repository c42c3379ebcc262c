/**
 * Several needles in a holder: how wide a place must be for all of them. mm. Ours, from geometry.
 */
import type { Needlework } from '@/core/stage';
import type { Ground } from './ground';
import type { Sight } from './fit';
import { thinness } from './thin';

/** Needles of a holder stand so far apart. Ours. */
const APART_MM = 5;
/** A place is so many times as wide as the ring of points, or some of them go in beside it. Ours. */
const ROOM = 1.5;

/** Across the ring the points of a holder stand on: a regular polygon with sides of `APART_MM`. @param needles 2 or more */
export const ringOf = (needles: number): number => APART_MM / Math.sin(Math.PI / needles);

export const hasRoom = (needles: number, acrossMm: number): boolean => acrossMm >= ROOM * ringOf(needles);

/** How wide the place is some work goes on at: by itself, by its area, and by the felt below it. */
export function acrossOf(g: Pick<Ground, 'surfaces'>, work: Needlework, sight: Sight): number {
  const { where } = work;
  const area = where.on === 'area' ? g.surfaces.find((a) => a.id === where.id) : undefined;
  return Math.min(
    work.acrossMm ?? Infinity,
    area?.acrossMm ?? Infinity,
    // On the mat the thickness is no width.
    where.on === 'mat' ? Infinity : (thinness(sight, work) ?? Infinity),
  );
}
