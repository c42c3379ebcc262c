/** Rows as long as they really are: where the felt came out thicker or thinner than drawn, rows go further round it, or less far. Lengths mm. */
import type { RowSet } from './rows';

/** From a place on up, 0 the hem and 1 the top, rows are so many times as long as the shape has them. */
export interface Longer {
  readonly up: number;
  readonly times: number;
}

/** A row at the place itself is as long, whatever rounding says. */
const HAIR = 1e-6;

/** How many times as long rows are there. @param longer from below upwards */
export const timesAt = (longer: readonly Longer[], up: number): number =>
  longer.findLast((x) => x.up <= up + HAIR)?.times ?? 1;

/** Rows keep where they lie and how far apart; how long they are, and so the area they lie on, follows. */
export function asLong(all: RowSet, longer: readonly Longer[]): RowSet {
  const rows = all.rows.map((r) => {
    const times = timesAt(longer, r.up);
    return times === 1
      ? r
      : {
          ...r,
          lengthMm: r.lengthMm * times,
          pieces: r.pieces.map((p) => ({ ...p, lengthMm: p.lengthMm * times, times })),
        };
  });
  const totalMm = rows.reduce((s, r) => s + r.lengthMm, 0);
  return { ...all, rows, totalMm, fluxMm2: all.totalMm > 0 ? (all.fluxMm2 * totalMm) / all.totalMm : 0 };
}
