/** Formulas of the shade stage that the docket and the handbook show. */
import { lookedOver, ONE_STEP, stabs } from '@/core/coat/rows/row-work';
import type { Work } from '@/core/time/elements';
import { both } from '@/core/time/work-time';
import { letter, method } from '@/core/method/define';
import type { Hand } from '@/core/piece/hand';
import { FRIELE_S, friele, frieleBack, stearns, stearnsBack } from '@/core/wool/blend';
import { veilValue } from '@/core/shade/layers/veil';

export const layerOfColour = method({
  id: 'shade-mass',
  title: 'Wool of a layer of colour',
  formula: 'W = M A (1 + loss)',
  inputs: {
    areal: letter('M', 'wool on a square cm', 'areal', 'wisp'),
    area: letter('A', 'area it lies on, counted by how much of it there is', 'area'),
    loss: letter('loss', 'lost in handling', 'share'),
  },
  result: letter('W', 'wool to take', 'mass'),
  source: 'Mass on the area and what handling loses.',
  basis: 'ours',
  of: ({ areal, area, loss }) => ((areal * area) / 100 / 1000) * (1 + loss),
});

/** Wool to take for so many mg/cm2 over an area, with what handling loses, g. */
export const woolFor = (areal: number, areaMm2: number, hand: Pick<Hand, 'handlingLoss'>): number =>
  layerOfColour.of({ areal, area: areaMm2, loss: hand.handlingLoss });

/** A wisp covers about so much, mm2. Ours. */
const WISP_MM2 = 200;

/** A wisp is drawn off so long at most, mm. Ours. */
const WISP_MM = 40;

/** Wisps a layer is laid in. */
export const wispsOn = (areaMm2: number): number => Math.ceil(areaMm2 / WISP_MM2);

/** How long they are drawn off: no longer than the fibres of any of its wools, mm. */
export const wispLength = (lots: readonly { readonly stapleMm: number }[]): number =>
  Math.min(WISP_MM, ...lots.map((l) => l.stapleMm));

/** Laying a layer of colour wisp by wisp in two light passes, or raising it in one. */
export function layerWork(hand: Hand, areaMm2: number, raised: boolean): Work {
  const wisps = raised ? 0 : wispsOn(areaMm2);
  return both(ONE_STEP, { wisp: wisps }, lookedOver(wisps, 'wisps'), stabs(hand, areaMm2, raised ? 1 : 2));
}

export const blendStearns = method({
  id: 'blend-stearns',
  title: 'Blend of two wools, Stearns and Noechel',
  formula:
    'F(R) = (1 − R) / (M (R − 0.01) + 0.01);  F = x F(R1) + (1 − x) F(R2);  R = (1 − 0.01 (1 − M) F) / (1 + M F)',
  inputs: {
    first: letter('R1', 'reflectance of the first, in one band of the spectrum', 'number'),
    second: letter('R2', 'reflectance of the second', 'number'),
    share: letter('x', 'share of the first by mass', 'share'),
    m: letter('M', 'constant of the wool, 0.15 until fitted to your blends', 'number'),
  },
  result: letter('R', 'reflectance of the blend', 'number'),
  source: 'Stearns and Noechel 1944; the constant for wool from memory. Worked out in 36 bands from 380 to 730 nm.',
  basis: 'from memory',
  of: ({ first, second, share, m }) => stearnsBack(share * stearns(first, m) + (1 - share) * stearns(second, m), m),
});

export const blendFriele = method({
  id: 'blend-friele',
  title: 'Blend of two wools, Friele',
  formula: 'f(R) = exp(−S (1 − R)² / 2R);  f = x f(R1) + (1 − x) f(R2);  q = −ln f / S;  R = 1 + q − √(q² + 2q)',
  inputs: {
    first: letter('R1', 'reflectance of the first, in one band of the spectrum', 'number'),
    second: letter('R2', 'reflectance of the second', 'number'),
    share: letter('x', 'share of the first by mass', 'share'),
  },
  result: letter('R', 'reflectance of the blend', 'number'),
  source: 'Friele 1952, S = 0.28 for wool, from memory. The other school.',
  basis: 'from memory',
  of: ({ first, second, share }) =>
    frieleBack(share * friele(first, FRIELE_S) + (1 - share) * friele(second, FRIELE_S), FRIELE_S),
});

export const veilSeen = method({
  id: 'veil-seen',
  title: 'Seen through a veil',
  formula: 'R = Σ over k of Poisson(k; n) × KM(R own, R ground, 0.25 k)',
  inputs: {
    own: letter('R own', 'reflectance of the wool of the veil, in one band', 'number'),
    ground: letter('R ground', 'reflectance of what lies below', 'number'),
    layers: letter('n', 'layers that hide, on average', 'number'),
  },
  result: letter('R', 'reflectance seen', 'number'),
  source: 'Cover of random fibres (Poisson) with a layer of finite thickness over a ground (Kubelka and Munk 1931).',
  basis: 'ours',
  of: ({ own, ground, layers }) => veilValue(own, ground, layers),
});
