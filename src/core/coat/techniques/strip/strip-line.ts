/**
 * Where a strip made off the piece sits: along the middle of its area, from the hem to the top. At every height the
 * middle of the row there; on a ring its topmost place. And the strip itself: clump by clump, with the anchor that
 * holds it. Lengths mm, masses g.
 */
import type { AreaShape } from '@/core/coat/rows/area-shape';
import type { Row, RowPiece, RowSet } from '@/core/coat/rows/rows';

/** @param guides rows of the area, close together. @returns null where the area is too small to hold a strip */
export function middleLine(shape: AreaShape, guides: RowSet): RowPiece | null {
  // The largest connected part carries the strip.
  let which = 0;
  shape.components.forEach((c, i) => {
    if (c.areaMm2 > shape.components[which]!.areaMm2) which = i;
  });
  const points: number[] = [];
  const normal: number[] = [];
  const lie: number[] = [];
  for (const row of guides.rows) {
    const mine = row.pieces.filter((p) => p.component === which).sort((a, b) => b.lengthMm - a.lengthMm)[0];
    if (!mine) continue;
    const [i, t] = mine.closed ? [topmost(mine), 0] : halfway(mine);
    const mix = (a: Float64Array, k: number) =>
      a[3 * i + k]! + t * ((a[3 * i + 3 + k] ?? a[3 * i + k]!) - a[3 * i + k]!);
    for (let k = 0; k < 3; k++) {
      points.push(mix(mine.points, k));
      normal.push(mix(mine.normal, k));
      lie.push(mix(mine.lie, k));
    }
  }
  if (points.length < 6) return null;
  let length = 0;
  for (let i = 3; i < points.length; i += 3) {
    length += Math.hypot(points[i]! - points[i - 3]!, points[i + 1]! - points[i - 2]!, points[i + 2]! - points[i - 1]!);
  }
  return {
    closed: false,
    lengthMm: length,
    component: which,
    points: Float64Array.from(points),
    normal: Float64Array.from(normal),
    lie: Float64Array.from(lie),
  };
}

function topmost(p: RowPiece): number {
  let best = 0;
  for (let i = 1; i < p.points.length / 3; i++) if (p.points[3 * i + 1]! > p.points[3 * best + 1]!) best = i;
  return best;
}

/** Index of the point before the middle of an open row, and how far on towards the next. */
function halfway(p: RowPiece): [number, number] {
  let run = 0;
  for (let i = 1; i < p.points.length / 3; i++) {
    const d = Math.hypot(
      p.points[3 * i]! - p.points[3 * i - 3]!,
      p.points[3 * i + 1]! - p.points[3 * i - 2]!,
      p.points[3 * i + 2]! - p.points[3 * i - 1]!,
    );
    if (run + d >= p.lengthMm / 2) return [i - 1, d > 0 ? (p.lengthMm / 2 - run) / d : 0];
    run += d;
  }
  return [0, 0];
}

export interface Clump {
  readonly number: number;
  /** From the hem end of the strip. */
  readonly atMm: number;
  /** Finished length of each half, and the length to cut. */
  readonly lengthMm: number;
  readonly cutMm: number;
  readonly massMg: number;
}

export interface StripPlan {
  readonly lengthMm: number;
  readonly clumps: readonly Clump[];
  /** Two strips of a grippier wool, above and below. */
  readonly anchor: { readonly lengthMm: number; readonly widthMm: number; readonly massG: number } | null;
  readonly leftShare: number;
  readonly rightShare: number;
}

/** Length at a share of the way along: a smooth curve through start, middle and end. */
export function profileAt(start: number, middle: number, end: number, share: number): number {
  const a = 2 * start - 4 * middle + 2 * end;
  const b = -3 * start + 4 * middle - end;
  return Math.max(0, a * share * share + b * share + start);
}

/** Clumps at a pitch, the first and last half a pitch from the ends. */
export function clumpsOf(
  lengthMm: number,
  pitchMm: number,
  lengthAt: (share: number) => number,
  cutOf: (length: number) => number,
  mgPerMm: number,
): Clump[] {
  const n = Math.max(1, Math.round(lengthMm / pitchMm));
  return Array.from({ length: n }, (_, i) => {
    const share = (i + 0.5) / n;
    const length = lengthAt(share);
    const cut = cutOf(length);
    return {
      number: i + 1,
      atMm: share * lengthMm,
      lengthMm: length,
      cutMm: cut,
      massMg: (mgPerMm * lengthMm * cut) / n,
    };
  });
}

export const singleRow = (piece: RowPiece): Row => ({
  number: 1,
  atMm: 0,
  share: 0,
  up: 0,
  half: false,
  lengthMm: piece.lengthMm,
  pieces: [piece],
});
