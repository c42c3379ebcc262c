/**
 * A thin layer of wool over something else: fibres lie at random, so how many lie over a point is Poisson distributed, and
 * each hides what is below only in part (Kubelka and Munk 1931: a layer of finite thickness over a ground). Our own
 * combination of the two. A layer over its own colour stays that colour; none shows the ground; many show the layer alone.
 */
import { BANDS } from '@/core/colour/observer';
import { letter, method } from '@/core/method/define';

/** Scattering of one mean layer of fibre. Ours, between 0.15 and 0.38. */
export const SCATTER = 0.25;
/** Poisson terms beyond this carry nothing. */
const TAIL = 1e-12;

/**
 * Reflectance of k layers over a ground (Kubelka and Munk 1931).
 * @param own reflectance of the layer when nothing shows through, 0..1
 */
export function overGround(own: number, ground: number, k: number): number {
  const r = Math.max(1e-4, Math.min(1 - 1e-6, own));
  if (k === 0) return ground;
  const a = (1 / r + r) / 2;
  const b = (1 / r - r) / 2;
  const coth = 1 / Math.tanh(b * SCATTER * k);
  return (1 - ground * (a - b * coth)) / (a - ground + b * coth);
}

/** Chances of 0, 1, 2... layers over a point where there are `mean` on average. */
export function poisson(mean: number): Float64Array {
  if (mean <= 0) return Float64Array.of(1);
  const out: number[] = [];
  let p = Math.exp(-mean);
  let sum = 0;
  for (let k = 0; k < 400; k++) {
    out.push(p);
    sum += p;
    if (k > mean && (1 - sum < TAIL || p < TAIL)) break;
    p *= mean / (k + 1);
  }
  // What is left of the tail lies so thick that one more term stands for it.
  out.push(Math.max(0, 1 - sum));
  return Float64Array.from(out);
}

/** One reflectance through a veil of `mean` layers that hide (layers times their spread). */
export function veilValue(own: number, ground: number, mean: number): number {
  const p = poisson(mean);
  let r = 0;
  for (let k = 0; k < p.length; k++) r += p[k]! * overGround(own, ground, k);
  return r;
}

/** The curve seen through a veil. Curves of `BANDS`. */
export function veilCurve(own: ArrayLike<number>, ground: ArrayLike<number>, mean: number): Float64Array {
  const p = poisson(mean);
  const out = new Float64Array(BANDS);
  for (let i = 0; i < BANDS; i++) {
    const r = Math.max(1e-4, Math.min(1 - 1e-6, own[i]!));
    const g = ground[i]!;
    const a = (1 / r + r) / 2;
    const b = (1 / r - r) / 2;
    // tanh(k x) step by step: tanh((k + 1) x) = (T + t) / (1 + T t).
    const t = Math.tanh(b * SCATTER);
    let T = 0;
    let sum = p[0]! * g;
    for (let k = 1; k < p.length; k++) {
      T = (T + t) / (1 + T * t);
      // (1 - g (a - b / T)) / (a - g + b / T), with both sides times T so that a flat ground needs no division by 0.
      sum += (p[k]! * (T - g * (a * T - b))) / (a * T - g * T + b);
    }
    out[i] = sum;
  }
  return out;
}

export const veilLayers = method({
  id: 'veil-layers',
  title: 'Layers that hide',
  formula: 'n = κ M f / m1',
  inputs: {
    areal: letter('M', 'wool of the veil on a square cm', 'areal', 'wisp'),
    layer: letter('m1', 'areal mass that covers once on average', 'areal'),
    kappa: letter('κ', 'spread of this form of wool', 'number', 'hides'),
    field: letter('f', 'share of the veil at this place', 'share'),
  },
  result: letter('n', 'layers that hide, on average', 'number'),
  source:
    'Seen through it: Σ over k of Poisson(k; n) × k layers over the ground (Kubelka and Munk 1931, scattering 0.25 a layer).',
  basis: 'ours',
  of: ({ areal, layer, kappa, field }) => (kappa * areal * field) / layer,
});
