/** Cover of coats laid in rows as figures: from above, and aslant as one looks at a piece on a table. */
import { figure, letter, method, type Figure, type Method } from '@/core/method/define';
import { fibresPerMm } from '@/core/wool/fibre';
import { ABOVE, AGAINST, ALONG_ROWS, hiddenBy, SCATTER, type RowsOfFur, type View } from './leaning';

export const overlap = method({
  id: 'overlap',
  title: 'Rows over any one place',
  formula: 'r = L cos(lift) / s',
  inputs: {
    length: letter('L', 'finished length', 'length'),
    lift: letter('lift', 'angle of the fur off the skin', 'angle'),
    spacing: letter('s', 'row spacing', 'length'),
  },
  result: letter('r', 'rows that overlap', 'number'),
  source: 'Geometry; at least 2 is wanted so that every root is under another row (ours).',
  basis: 'ours',
  of: ({ length, lift, spacing }) => (length * Math.cos((lift * Math.PI) / 180)) / spacing,
});

/** One formula for whatever is laid in rows: what differs is where the fibres fall to. */
const coverBy = (
  id: string,
  title: string,
  falls: RowsOfFur['falls'],
  fall: string,
  single = false,
): Method<
  | 'ends'
  | 'fineness'
  | 'length'
  | 'lift'
  | 'spacing'
  | 'scatter'
  | 'width'
  | 'pitch'
  | 'kappa'
  | 'unevenness'
  | 'tilt'
  | 'toward'
> =>
  method({
    id,
    title,
    formula: single
      ? 'C = 1 − mean over the reach of b(n),  n = N d L |u × w| / (cos T h),  b(n) = (1 + κ n c²)^(−1/c²)'
      : 'C = 1 − mean over the gap of Π rows b(n),  n = N d L |u × w| / (cos T h),  b(n) = (1 + κ n c²)^(−1/c²)',
    inputs: {
      ends: letter('N', 'fibre ends on a mm of row', 'number', 'lay'),
      fineness: letter('d', 'mean fibre diameter', 'fineness'),
      length: letter('L', 'finished length', 'length'),
      lift: letter('lift', 'angle of the fibres u off the skin', 'angle'),
      spacing: letter('s', 'row spacing', 'length'),
      scatter: letter('σ', 'scatter of their direction, radians', 'number'),
      width: letter('w0', 'width of a pinch or a lock', 'length'),
      pitch: letter('p', 'from one to the next', 'length'),
      kappa: letter('κ', 'spread of this form of wool', 'number', 'hides'),
      unevenness: letter('c', 'unevenness of laying', 'number'),
      tilt: letter('T', 'line of sight w off straight down', 'angle'),
      toward: letter('A', 'seen from: 0° against the lie, 90° along the rows', 'angle'),
    },
    result: letter('C', 'share of the base hidden', 'share'),
    source: `Shadows of straight fibres along the line of sight, ${fall}; h is how far one falls from its row. Poisson cover, once for every row; clumping and unevenness ours.`,
    basis: 'ours',
    of: (x) =>
      hiddenBy(
        {
          lengthMm: x.length,
          liftDeg: x.lift,
          spacingMm: x.spacing,
          q: (x.ends * x.fineness) / 1000,
          falls,
          scatter: x.scatter,
          widthMm: x.width,
          pitchMm: x.pitch,
          kappa: x.kappa,
          unevenness: x.unevenness,
          single,
        },
        { tiltDeg: x.tilt, azimuthDeg: x.toward },
      ),
  });

export const rowCover = coverBy('row-cover', 'Base hidden by rows of fur', 'to the hem', 'which fall to the hem');
export const lockCover = coverBy(
  'lock-cover',
  'Base hidden by courses of locks',
  'to the hem',
  'which hang together lock by lock; whole locks scatter little, opened ones more',
);
export const standingCover = coverBy(
  'standing-cover',
  'Base hidden by a standing pile',
  'to all sides',
  'which rise to all sides alike',
);
export const stripCover = coverBy(
  'strip-cover',
  'Base hidden under the strip',
  'to the hem',
  'one layer to each side, as far as it hangs from above',
  true,
);

export interface FurLay {
  readonly lengthMm: number;
  readonly spacingMm: number;
  readonly liftDeg: number;
  readonly layMgCm: number;
  readonly pinchWidthMm: number;
  readonly pinchPitchMm: number;
  readonly finenessUm: number;
  readonly finenessCv: number;
  readonly kappa: number;
  readonly unevenness: number;
  /** Scatter of the fibres' direction on the skin, radians; of combed fur where it says nothing. */
  readonly scatter?: number;
}

/** Cover of a lay from a view, as a figure. */
export const coverFigure = (l: FurLay, view: View = ABOVE, by: typeof rowCover = rowCover): Figure =>
  figure(by, {
    ends: fibresPerMm.of({ lay: l.layMgCm, length: l.lengthMm, fineness: l.finenessUm, cv: l.finenessCv }),
    fineness: l.finenessUm,
    length: l.lengthMm,
    lift: l.liftDeg,
    spacing: l.spacingMm,
    scatter: l.scatter ?? SCATTER,
    width: l.pinchWidthMm,
    pitch: l.pinchPitchMm,
    kappa: l.kappa,
    unevenness: l.unevenness,
    tilt: view.tiltDeg,
    toward: view.azimuthDeg,
  });

export const coverOf = (l: FurLay, by: typeof rowCover = rowCover): number => coverFigure(l, ABOVE, by).value;

/** How well a lay hides, from above and from where it hides least. */
export function hidesOf(l: FurLay, by: typeof rowCover = rowCover): { readonly cover: Figure; readonly slant: Figure } {
  const against = coverFigure(l, AGAINST, by);
  // Between rows of a standing pile one looks down along them.
  const along = by === standingCover ? coverFigure(l, ALONG_ROWS, by) : against;
  return { cover: coverFigure(l, ABOVE, by), slant: along.value < against.value ? along : against };
}

/** "Covers well": every root under another row and hardly any base to be seen. */
export const WELL = 0.98;
export const LEAST_OVERLAP = 2;

export function coversWell(l: FurLay): boolean {
  return (
    overlap.of({ length: l.lengthMm, lift: l.liftDeg, spacing: l.spacingMm }) >= LEAST_OVERLAP - 1e-9 &&
    coverOf(l) >= WELL
  );
}
