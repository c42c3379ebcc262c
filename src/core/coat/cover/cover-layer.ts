/** Cover of wool laid as a layer: pieces, sheets, wisps, velvet. Random fibres lying every way (Poisson line process). */
import { figure, letter, method, type Figure } from '@/core/method/define';
import { layerCover } from './bare';
import { BELL, LIFT_SCATTER, SCATTER } from './leaning';
import { layerMass } from '@/core/wool/fibre';

export const layeredCover = method({
  id: 'layer-cover',
  title: 'Base hidden by a felted layer',
  formula: 'C = 1 − (1 + κ n c²)^(−1/c²),  n = M a / m1',
  inputs: {
    areal: letter('M', 'wool on a square cm', 'areal', 'lay'),
    layer: letter('m1', 'mass of one mean layer of fibre', 'areal'),
    slant: letter('a', 'layers seen aslant for one seen from above; 1 from above', 'number'),
    kappa: letter('κ', 'spread of this form of wool', 'number', 'hides'),
    unevenness: letter('c', 'unevenness of laying', 'number'),
  },
  result: letter('C', 'share of the base hidden', 'share'),
  source: 'Poisson cover of random fibres; clumping and unevenness ours.',
  basis: 'ours',
  of: ({ areal, layer, slant, kappa, unevenness }) => layerCover((areal * slant) / layer, kappa, unevenness),
});

const rad = Math.PI / 180;

/** Fibres lying flat every way are crossed more thickly by an oblique look: E|u x w| / cos 45 over all azimuths. */
export const FLAT_SLANT = (() => {
  let s = 0;
  for (let k = 0; k < 360; k++) s += Math.sqrt(1 - Math.cos(((k + 0.5) * Math.PI) / 180) ** 2 / 2);
  return s / 360 / Math.SQRT1_2;
})();

/**
 * The same for fibres that lie with the fur at a lift, at random places: what an oblique look against the lie leaves of the
 * layers seen from above, mean |u x w| over mean |u x n| and cos 45.
 */
export function slantFactor(liftDeg: number, scatter = SCATTER): number {
  let [across, above] = [0, 0];
  for (const r of BELL) {
    const lift = liftDeg * rad + LIFT_SCATTER * r.x;
    for (const y of BELL) {
      const along = (Math.cos(lift) * Math.cos(scatter * y.x) + Math.sin(lift)) * Math.SQRT1_2;
      across += r.w * y.w * Math.sqrt(Math.max(0, 1 - along * along));
      above += r.w * y.w * Math.abs(Math.cos(lift));
    }
  }
  return across / (Math.SQRT1_2 * above);
}

export interface FeltedLay {
  readonly arealMgCm2: number;
  readonly finenessUm: number;
  readonly finenessCv: number;
  readonly kappa: number;
  readonly unevenness: number;
}

export const layerFigure = (l: FeltedLay, slant = 1): Figure =>
  figure(layeredCover, {
    areal: l.arealMgCm2,
    layer: layerMass.of({ fineness: l.finenessUm, cv: l.finenessCv }),
    slant,
    kappa: l.kappa,
    unevenness: l.unevenness,
  });

/** Least wool on a square cm that hides a share, mg/cm2, to 0.1. */
export function thinnestLayer(l: FeltedLay, wanted: number): number {
  const c = l.unevenness;
  const n = c > 1e-6 ? ((1 - wanted) ** (-c * c) - 1) / (c * c) : -Math.log(1 - wanted);
  const m = (n / l.kappa) * layerMass.of({ fineness: l.finenessUm, cv: l.finenessCv });
  return Math.ceil(m * 10 - 1e-9) / 10;
}
