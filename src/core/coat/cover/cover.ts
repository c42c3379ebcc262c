/**
 * How much of the base is hidden. A random layer of n fibres deep hides 1 - exp(-n) (Poisson line process; standard in
 * stereology, e.g. Chiu, Stoyan, Kendall and Mecke, "Stochastic Geometry and its Applications", from memory). Two things
 * make real wool worse: fibres clump (spread kappa < 1), and nobody lays evenly (coefficient of variation c, gamma
 * distributed amount). Rows overlap like slates: a place is under as many rows as their length reaches back.
 */
import { figure, letter, method, type Figure } from '@/core/method/define';
import { fibresPerMm } from '@/core/wool/fibre';

/** Share left bare by one lay of n layers, clumped by `kappa` and uneven by `c`. Dimensionless. */
export function bareShare(n: number, kappa: number, c: number): number {
  const x = kappa * n;
  return c > 1e-6 ? (1 + x * c * c) ** (-1 / (c * c)) : Math.exp(-x);
}

export const layerCover = (n: number, kappa: number, c: number): number => 1 - bareShare(n, kappa, c);

/** Clumping of N fibres of diameter d (mm) in a tuft w (mm) wide, in the form of a canopy clumping index. */
export function clumping(n: number, diameterMm: number, widthMm: number): number {
  const b = (n * diameterMm) / widthMm;
  return b < 1e-9 ? 1 : -Math.expm1(-b) / b;
}

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

export const rowCover = method({
  id: 'row-cover',
  title: 'Base hidden by overlapping rows',
  formula: 'C = 1 − [(1 − f) b^k + f b^(k+1)],  k = whole part of r, f = the rest,  b = (1 + κ q c²)^(−1/c²),  q = N d',
  inputs: {
    ends: letter('N', 'fibre ends on a mm of row', 'number'),
    fineness: letter('d', 'mean fibre diameter', 'fineness'),
    rows: letter('r', 'rows over any one place', 'number'),
    kappa: letter('κ', 'spread of this form of wool', 'number'),
    unevenness: letter('c', 'unevenness of laying', 'number'),
  },
  result: letter('C', 'share of the base hidden, seen from above', 'share'),
  source: 'Poisson cover of random fibres, once for every overlapping row; clumping and unevenness ours.',
  basis: 'ours',
  of: ({ ends, fineness, rows, kappa, unevenness }) => {
    const b = bareShare(ends * (fineness / 1000), kappa, unevenness);
    const k = Math.floor(rows);
    const f = rows - k;
    return 1 - ((1 - f) * b ** k + f * b ** (k + 1));
  },
});

/** What the tuft model needs; lengths mm. */
interface TuftLay {
  /** Fibre ends in one tuft. */
  readonly ends: number;
  readonly diameterMm: number;
  readonly widthMm: number;
  readonly pitchMm: number;
  readonly spacingMm: number;
  /** Length of the pile along the skin, L cos(lift). */
  readonly reachMm: number;
  /** Scatter of the fibres' direction, standard deviation in radians. */
  readonly scatter: number;
  readonly kappa: number;
  readonly unevenness: number;
}

const STEPS = 64;

/**
 * Share of the base hidden by separate tufts: averaged over the gap between two rows, the product over all rows that
 * reach there of the share each leaves bare. Tufts spread with distance by their scatter until they touch.
 */
export function tuftCover(t: TuftLay): number {
  let bare = 0;
  for (let i = 0; i < STEPS; i++) {
    let left = 1;
    for (let d = ((i + 0.5) / STEPS) * t.spacingMm; d < t.reachMm; d += t.spacingMm) {
      const w = Math.min(t.pitchMm, Math.sqrt(t.widthMm ** 2 + 12 * t.scatter ** 2 * d * d));
      left *= 1 - (w / t.pitchMm) * (1 - bareShare((t.ends * t.diameterMm) / w, t.kappa, t.unevenness));
    }
    bare += left / STEPS;
  }
  return 1 - bare;
}

/** Scatter of combed fibres as they fall, radians. Ours. */
export const SCATTER = 0.12;

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
}

export const tuftedCover = method({
  id: 'tuft-cover',
  title: 'Base hidden by pinches with gaps between',
  formula: 'C = 1 − mean over the gap of Π rows [1 − (w/p)(1 − b)],  w = min(p, √(w0² + 12 σ² t²))',
  inputs: {
    ends: letter('N', 'fibre ends on a mm of row', 'number'),
    fineness: letter('d', 'mean fibre diameter', 'fineness'),
    length: letter('L', 'finished length', 'length'),
    lift: letter('lift', 'angle of the fur off the skin', 'angle'),
    spacing: letter('s', 'row spacing', 'length'),
    width: letter('w0', 'width of a pinch', 'length'),
    pitch: letter('p', 'distance from pinch to pinch', 'length'),
    kappa: letter('κ', 'spread of this form of wool', 'number'),
    unevenness: letter('c', 'unevenness of laying', 'number'),
  },
  result: letter('C', 'share of the base hidden, seen from above', 'share'),
  source: 'As for rows, pinch by pinch; the pinches spread by a scatter σ of 0.12 rad (ours).',
  basis: 'ours',
  of: (x) =>
    tuftCover({
      ends: x.ends * x.pitch,
      diameterMm: x.fineness / 1000,
      widthMm: x.width,
      pitchMm: x.pitch,
      spacingMm: x.spacing,
      reachMm: x.length * Math.cos((x.lift * Math.PI) / 180),
      scatter: SCATTER,
      kappa: x.kappa,
      unevenness: x.unevenness,
    }),
});

/** Cover of a coat of rows as a figure: by rows where pinches touch, by tufts where they leave gaps. */
export function coverFigure(l: FurLay): Figure {
  const ends = fibresPerMm.of({ lay: l.layMgCm, length: l.lengthMm, fineness: l.finenessUm, cv: l.finenessCv });
  if (l.pinchPitchMm <= l.pinchWidthMm) {
    return figure(rowCover, {
      ends,
      fineness: l.finenessUm,
      rows: overlap.of({ length: l.lengthMm, lift: l.liftDeg, spacing: l.spacingMm }),
      kappa: l.kappa,
      unevenness: l.unevenness,
    });
  }
  return figure(tuftedCover, {
    ends,
    fineness: l.finenessUm,
    length: l.lengthMm,
    lift: l.liftDeg,
    spacing: l.spacingMm,
    width: l.pinchWidthMm,
    pitch: l.pinchPitchMm,
    kappa: l.kappa,
    unevenness: l.unevenness,
  });
}

export const coverOf = (l: FurLay): number => coverFigure(l).value;

/** "Covers well": every root under another row and hardly any base to be seen. */
export const WELL = 0.98;
export const LEAST_OVERLAP = 2;

export function coversWell(l: FurLay): boolean {
  return (
    overlap.of({ length: l.lengthMm, lift: l.liftDeg, spacing: l.spacingMm }) >= LEAST_OVERLAP - 1e-9 &&
    coverOf(l) >= WELL
  );
}
