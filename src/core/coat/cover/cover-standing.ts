/**
 * Cover of a standing pile: fibres rise from the row line to all sides alike. At a distance t from the line
 * n(t) = (q / pi) arcosh(L cos(lift) / t) layers lie over the base (fibres of azimuth psi reach t when
 * L cos(lift) |sin psi| > t and cross it 1/|sin psi| as thickly), summed over the rows to both sides.
 */
import { figure, letter, method, type Figure } from '@/core/method/define';
import { bareShare } from './cover';

const STEPS = 48;

/** No pile stands all at one angle: the lift scatters about its mean, degrees. Ours. */
export const RISE_DEG = 10;
const RISES = (() => {
  const x = [-2, -1.5, -1, -0.5, 0, 0.5, 1, 1.5, 2];
  const w = x.map((v) => Math.exp((-v * v) / 2));
  const all = w.reduce((a, b) => a + b, 0);
  return x.map((v, i) => ({ deg: v * RISE_DEG, share: w[i]! / all }));
})();

interface StandingLay {
  /** Fibre ends on a mm of row times their diameter. */
  readonly q: number;
  readonly lengthMm: number;
  readonly liftDeg: number;
  readonly spacingMm: number;
  readonly kappa: number;
  readonly unevenness: number;
}

/** Layers over a place `t` mm from a row line, rows to both sides counted. */
function standingLayers(s: Pick<StandingLay, 'q' | 'lengthMm' | 'liftDeg' | 'spacingMm'>, t: number): number {
  let n = 0;
  for (const b of RISES) {
    const reach = s.lengthMm * Math.cos((Math.max(0, Math.min(90, s.liftDeg + b.deg)) * Math.PI) / 180);
    for (const side of [t, s.spacingMm - t]) {
      for (let d = side; d < reach; d += s.spacingMm) {
        n += b.share * (s.q / Math.PI) * Math.acosh(reach / Math.max(d, 1e-6));
      }
    }
  }
  return n;
}

export function standingCover(s: StandingLay): number {
  let bare = 0;
  for (let i = 0; i < STEPS; i++) {
    bare += bareShare(standingLayers(s, ((i + 0.5) / STEPS) * s.spacingMm), s.kappa, s.unevenness) / STEPS;
  }
  return 1 - bare;
}

export const standingCovers = method({
  id: 'standing-cover',
  title: 'Base hidden by a standing pile',
  formula: 'C = 1 − mean over the gap of b(n(t)),  n(t) = (q a / π) Σ arcosh(L cos(lift) / t),  q = N d',
  inputs: {
    ends: letter('N', 'fibre ends on a mm of row', 'number'),
    fineness: letter('d', 'mean fibre diameter', 'fineness'),
    length: letter('L', 'finished length', 'length'),
    lift: letter('lift', 'mean angle of the pile off the skin', 'angle'),
    spacing: letter('s', 'row spacing', 'length'),
    slant: letter('a', 'layers seen aslant for one seen from above; 1 from above', 'number'),
    kappa: letter('κ', 'spread of this form of wool', 'number'),
    unevenness: letter('c', 'unevenness of laying', 'number'),
  },
  result: letter('C', 'share of the base hidden', 'share'),
  source: 'Fibres splayed evenly to all sides of the row line; Poisson cover.',
  basis: 'ours',
  of: (x) =>
    standingCover({
      q: ((x.ends * x.fineness) / 1000) * x.slant,
      lengthMm: x.length,
      liftDeg: x.lift,
      spacingMm: x.spacing,
      kappa: x.kappa,
      unevenness: x.unevenness,
    }),
});

export const standingFigure = (x: Parameters<typeof standingCovers.of>[0]): Figure => figure(standingCovers, x);
