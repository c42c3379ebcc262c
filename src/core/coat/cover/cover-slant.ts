/**
 * Seen aslant: fibres seen nearly along themselves hide less. Looked at along w, a layer of fibres pointing along u counts
 * E|u x w| / (w . n) as much as it would if it lay flat; from above, E|u x n|. The ratio of the two is what an oblique
 * look leaves of the layers. Against the lie, from the side the tips point to, is where gaps show most.
 */
import { figure, letter, method, type Figure } from '@/core/method/define';
import { bareShare, SCATTER } from './cover';

const VIEW_DEG = 45;
/** Scatter of the lift, radians. Ours. */
const RISE = 0.1;
const rad = Math.PI / 180;

const STEPS = 15;
/** Points and weights that stand for a bell curve: equal slices out to three deviations. */
const BELL = Array.from({ length: STEPS }, (_, i) => {
  const x = -3 + (6 * (i + 0.5)) / STEPS;
  return { x, w: Math.exp((-x * x) / 2) };
});
const WHOLE = BELL.reduce((s, b) => s + b.w, 0);

/**
 * Share of the layers an oblique look leaves, against the lie.
 * @param splayed fibres rise to all sides alike
 */
export function slantFactor(liftDeg: number, splayed = false, scatter = SCATTER, viewDeg = VIEW_DEG): number {
  const [s, c] = [Math.sin(viewDeg * rad), Math.cos(viewDeg * rad)];
  let across = 0;
  let above = 0;
  const add = (lift: number, yaw: number, w: number) => {
    const along = Math.cos(lift) * Math.cos(yaw) * s + Math.sin(lift) * c;
    across += w * Math.sqrt(Math.max(0, 1 - along * along));
    above += w * Math.abs(Math.cos(lift));
  };
  for (const r of BELL) {
    const lift = liftDeg * rad + RISE * r.x;
    if (splayed) for (let k = 0; k < 36; k++) add(lift, ((k + 0.5) * Math.PI) / 18, (r.w * WHOLE) / 36);
    else for (const y of BELL) add(lift, scatter * y.x, r.w * y.w);
  }
  return across / (c * above);
}

export const slantedCover = method({
  id: 'slant-cover',
  title: 'Base hidden, seen aslant',
  formula: 'C = 1 − [(1 − f) b^k + f b^(k+1)] at r × a rows,  a = E|u × w| / (cos θ E|u × n|),  θ = 45°',
  inputs: {
    layer: letter('q', 'layers of fibre in one row', 'number'),
    rows: letter('r', 'rows over any one place, from above', 'number'),
    slant: letter('a', 'share of them an oblique look leaves', 'number'),
    kappa: letter('κ', 'spread of this form of wool', 'number'),
    unevenness: letter('c', 'unevenness of laying', 'number'),
  },
  result: letter('C', 'share of the base hidden at 45° against the lie', 'share'),
  source: 'Projection of straight fibres; gaps look worse against the lie (common practice).',
  basis: 'ours',
  of: ({ layer, rows, slant, kappa, unevenness }) => {
    const r = rows * slant;
    const b = bareShare(layer, kappa, unevenness);
    const k = Math.floor(r);
    return 1 - ((1 - (r - k)) * b ** k + (r - k) * b ** (k + 1));
  },
});

/** The same coat aslant: `layer` fibres deep in each row, `rows` rows over any one place. */
export const slantFigure = (
  layer: number,
  rows: number,
  liftDeg: number,
  kappa: number,
  unevenness: number,
  splayed = false,
): Figure => figure(slantedCover, { layer, rows, slant: slantFactor(liftDeg, splayed), kappa, unevenness });
