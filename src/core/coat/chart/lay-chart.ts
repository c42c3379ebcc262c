/**
 * The lay chart: an area unrolled row by row. Every row is a straight line of its true length, the first row at the
 * bottom as on the animal. Rows are set over each other so that neighbouring places stay near each other: each piece of
 * a row is shifted to sit, on average, over the nearest places of the row before it. Lengths mm.
 */
import type { Component } from '@/core/coat/rows/area-shape';
import type { Row, RowPiece } from '@/core/coat/rows/rows';

interface ChartPiece {
  readonly fromMm: number;
  readonly toMm: number;
  readonly closed: boolean;
}

interface ChartRow {
  readonly number: number;
  /** Height of the row over the hem, mm. */
  readonly atMm: number;
  readonly pieces: readonly ChartPiece[];
}

/** One connected part of the area, or a left and right pair that is alike. */
export interface ChartColumn {
  readonly label: 'both sides alike' | 'left' | 'right' | '';
  readonly rows: readonly ChartRow[];
  readonly leftMm: number;
  readonly rightMm: number;
}

/** What lies on the rows: tufts or locks like bricks, and the rows that carry a marking. */
export interface ChartDress {
  readonly unit: { readonly one: string; readonly many: string };
  readonly tuft: { readonly widthMm: number; readonly pitchMm: number; readonly staggered: boolean } | null;
  readonly marking: {
    readonly colour: string;
    readonly rows: readonly number[];
    readonly pitchMm: number | null;
  } | null;
  /** How tall what lies on a row is drawn, as a share of the spacing. */
  readonly tall: number;
}

export interface LayChart {
  readonly columns: readonly ChartColumn[];
  readonly heightMm: number;
  readonly spacingMm: number;
  readonly dress: ChartDress;
}

export const PLAIN_DRESS: ChartDress = { unit: { one: 'row', many: 'rows' }, tuft: null, marking: null, tall: 0 };

const SAMPLES = 9;

interface Placed {
  readonly piece: RowPiece;
  /** Chart coordinate of the piece's first point and the direction it runs. */
  readonly start: number;
  readonly sign: 1 | -1;
}

function pointAt(piece: RowPiece, share: number): [number, number, number, number] {
  const times = piece.times ?? 1;
  const goal = (share * piece.lengthMm) / times;
  const p = piece.points;
  let run = 0;
  for (let i = 3; i < p.length; i += 3) {
    const d = Math.hypot(p[i]! - p[i - 3]!, p[i + 1]! - p[i - 2]!, p[i + 2]! - p[i - 1]!);
    if (run + d >= goal || i + 3 >= p.length) {
      const t = d > 0 ? Math.min(1, (goal - run) / d) : 0;
      return [0, 1, 2].map((k) => p[i - 3 + k]! + t * (p[i + k]! - p[i - 3 + k]!)).concat(times * goal) as [
        number,
        number,
        number,
        number,
      ];
    }
    run += d;
  }
  return [p[0]!, p[1]!, p[2]!, 0];
}

/** Chart coordinate of the place on the earlier row nearest to a point. */
function nearestOn(before: readonly Placed[], x: number, y: number, z: number): number {
  let best = Infinity;
  let at = 0;
  for (const q of before) {
    const p = q.piece.points;
    let run = 0;
    for (let i = 0; i < p.length; i += 3) {
      if (i > 0) run += Math.hypot(p[i]! - p[i - 3]!, p[i + 1]! - p[i - 2]!, p[i + 2]! - p[i - 1]!);
      const d = (p[i]! - x) ** 2 + (p[i + 1]! - y) ** 2 + (p[i + 2]! - z) ** 2;
      if (d < best) {
        best = d;
        at = q.start + q.sign * run * (q.piece.times ?? 1);
      }
    }
  }
  return at;
}

function place(piece: RowPiece, before: readonly Placed[]): Placed {
  if (before.length === 0 || piece.closed) return { piece, start: -piece.lengthMm / 2, sign: 1 };
  const here: number[] = [];
  const there: number[] = [];
  for (let i = 0; i < SAMPLES; i++) {
    const [x, y, z, s] = pointAt(piece, (i + 0.5) / SAMPLES);
    here.push(s);
    there.push(nearestOn(before, x, y, z));
  }
  const mean = (a: readonly number[]) => a.reduce((x, y) => x + y, 0) / a.length;
  const mh = mean(here);
  const mt = mean(there);
  const turn = here.reduce((s, h, i) => s + (h - mh) * (there[i]! - mt), 0);
  const sign = turn < 0 ? -1 : 1;
  return { piece, start: mt - sign * mh, sign };
}

/** First row of a column: the animal's left to the right of the chart, as seen from behind the hem. */
function orient(p: Placed): Placed {
  const n = p.piece.points.length;
  const runsRight = p.piece.points[n - 3]! >= p.piece.points[0]!;
  return runsRight ? p : { ...p, start: p.start + p.piece.lengthMm, sign: -1 };
}

export function chartOf(rows: readonly Row[], components: readonly Component[], spacingMm: number): LayChart {
  const columns: ChartColumn[] = [];
  components.forEach((c, index) => {
    if (c.twinOf !== null) return;
    const hasTwin = components.some((d) => d.twinOf === index);
    const out: ChartRow[] = [];
    let before: Placed[] = [];
    for (const row of rows) {
      const pieces = row.pieces.filter((p) => p.component === index);
      if (pieces.length === 0) continue;
      const placed = pieces.map((p) => (before.length === 0 ? orient(place(p, before)) : place(p, before)));
      out.push({
        number: row.number,
        atMm: row.atMm,
        pieces: apart(
          placed.map((q) => {
            const end = q.start + q.sign * q.piece.lengthMm;
            return { fromMm: Math.min(q.start, end), toMm: Math.max(q.start, end), closed: q.piece.closed };
          }),
        ),
      });
      before = placed;
    }
    if (out.length === 0) return;
    columns.push({
      label: hasTwin ? 'both sides alike' : c.side === 'middle' ? '' : c.side,
      rows: out,
      leftMm: Math.min(...out.flatMap((r) => r.pieces.map((p) => p.fromMm))),
      rightMm: Math.max(...out.flatMap((r) => r.pieces.map((p) => p.toMm))),
    });
  });
  const last = rows[rows.length - 1];
  return { columns, heightMm: last ? last.atMm + spacingMm / 2 : 0, spacingMm, dress: PLAIN_DRESS };
}

/** Pieces of one row never lie on top of each other: later ones move outward until they are clear. */
function apart(pieces: ChartPiece[]): ChartPiece[] {
  const sorted = [...pieces].sort((a, b) => a.fromMm - b.fromMm);
  for (let i = 1; i < sorted.length; i++) {
    const shift = sorted[i - 1]!.toMm + 1 - sorted[i]!.fromMm;
    if (shift > 0) sorted[i] = { ...sorted[i]!, fromMm: sorted[i]!.fromMm + shift, toMm: sorted[i]!.toMm + shift };
  }
  return sorted;
}
