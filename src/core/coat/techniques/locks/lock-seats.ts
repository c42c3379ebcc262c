/**
 * Where locks are to sit: course by course, how many, how long and how narrow they must be, and how much each place is
 * seen. A place is seen by how far it faces up, forward or to a side; what faces down is hardly seen.
 */
import type { Row } from '@/core/coat/rows/rows';

export interface LockSeat {
  readonly areaId: string;
  readonly course: number;
  readonly count: number;
  /** Shortest lock that will do, and widest one that bends round, mm. */
  readonly needMm: number;
  readonly widestMm: number;
  /** 0 hidden to 1 seen from everywhere. */
  readonly seen: number;
}

/** How much a place that faces this way is seen: standing on a table, looked at from above, the front and the sides. Ours. */
export const seenFacing = (nx: number, ny: number, nz: number): number =>
  0.1 + 0.4 * Math.max(0, ny) + 0.3 * Math.abs(nx) + 0.2 * Math.max(0, nz);

/** Locks wider than this share of the radius of a ring stand off it. Ours. */
const BENDS = 1;

export function seatsOf(areaId: string, rows: readonly Row[], pitchMm: number, needMm: number): LockSeat[] {
  return rows.map((r) => {
    let seen = 0;
    let n = 0;
    for (const p of r.pieces) {
      for (let i = 0; i < p.normal.length; i += 3) {
        seen += seenFacing(p.normal[i]!, p.normal[i + 1]!, p.normal[i + 2]!);
        n++;
      }
    }
    const ring = r.pieces.filter((p) => p.closed);
    return {
      areaId,
      course: r.number,
      count: r.pieces.reduce((s, p) => s + Math.max(1, Math.ceil(p.lengthMm / pitchMm - 1e-9)), 0),
      needMm,
      widestMm: ring.length > 0 ? BENDS * (Math.min(...ring.map((p) => p.lengthMm)) / (2 * Math.PI)) : 1e6,
      seen: n === 0 ? 0 : Math.min(1, seen / n),
    };
  });
}
