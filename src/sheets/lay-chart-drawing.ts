/**
 * A column of a lay chart as marks on paper, in millimetres at true scale: x to the right, y down, the hem at the bottom.
 * Screen, SVG and PDF all draw these same marks: rows, the tufts or bricks that lie on them, and what carries a marking.
 */
import type { ChartColumn, ChartDress } from '@/core/coat/chart/lay-chart';

interface RowMark {
  readonly number: number;
  readonly y: number;
  readonly stretches: readonly { readonly x1: number; readonly x2: number; readonly closed: boolean }[];
  /** Whether its number is written beside it; crowded rows are numbered every fifth. */
  readonly numbered: boolean;
  /** Tufts, locks or pieces along it, hanging `tallMm` down from it. */
  readonly tufts: readonly { readonly x1: number; readonly x2: number }[];
  /** It carries a stripe (no places) or spots at these places; null for neither. */
  readonly carries: { readonly colour: string; readonly spots: readonly number[] | null } | null;
}

export interface ColumnDrawing {
  readonly widthMm: number;
  readonly heightMm: number;
  readonly tallMm: number;
  readonly rows: readonly RowMark[];
}

/** Room left of the rows for their numbers, mm. */
export const GUTTER = 9;
const EDGE = 4;

interface Stretch {
  readonly x1: number;
  readonly x2: number;
}

/** Tufts of a stretch: one every pitch from its beginning, every second row half a pitch on. */
function tuftsOn(s: Stretch, number: number, t: NonNullable<ChartDress['tuft']>): Stretch[] {
  const out: Stretch[] = [];
  const shift = t.staggered && number % 2 === 0 ? t.pitchMm / 2 : 0;
  for (let x = s.x1 - shift; x < s.x2 - 1e-6; x += t.pitchMm) {
    const middle = x + t.pitchMm / 2;
    const half = Math.min(t.widthMm, t.pitchMm) / 2;
    const x1 = Math.max(s.x1, middle - half);
    const x2 = Math.min(s.x2, middle + half);
    if (x2 - x1 > 0.15 * half) out.push({ x1, x2 });
  }
  return out;
}

const spotsOn = (s: Stretch, pitchMm: number): number[] => {
  const out: number[] = [];
  for (let x = s.x1 + pitchMm / 2; x < s.x2; x += pitchMm) out.push(x);
  return out;
};

export function drawColumn(column: ChartColumn, spacingMm: number, dress: ChartDress): ColumnDrawing {
  const last = column.rows[column.rows.length - 1]!;
  const first = column.rows[0]!;
  const tallMm = dress.tall * spacingMm;
  const foot = Math.max(EDGE, tallMm + 1);
  const heightMm = last.atMm - first.atMm + EDGE + foot;
  const every = spacingMm >= 2.6 ? 1 : 5;
  const { tuft, marking } = dress;
  return {
    widthMm: column.rightMm - column.leftMm + GUTTER + EDGE,
    heightMm,
    tallMm,
    rows: column.rows.map((r): RowMark => {
      const stretches = r.pieces.map((p) => ({
        x1: p.fromMm - column.leftMm + GUTTER,
        x2: p.toMm - column.leftMm + GUTTER,
        closed: p.closed,
      }));
      const carries = marking?.rows.includes(r.number) ?? false;
      return {
        number: r.number,
        y: EDGE + last.atMm - r.atMm,
        stretches,
        numbered: every === 1 || r.number === 1 || r.number % every === 0,
        tufts: tuft ? stretches.flatMap((s) => tuftsOn(s, r.number, tuft)) : [],
        carries: carries
          ? {
              colour: marking!.colour,
              spots: marking!.pitchMm === null ? null : stretches.flatMap((s) => spotsOn(s, marking!.pitchMm!)),
            }
          : null,
      };
    }),
  };
}
