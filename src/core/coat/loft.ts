/**
 * Loft of fur: how high it stands once it lies. Free ends rise as steeply as the fur is lifted and a little more by their
 * scatter; wool that does not fit between them lifts them further, up to a steepest angle: leaning fur lies on the rows below
 * and comes to no more than 60 degrees, a standing pile can come up straight. Ours, fitted to a simulation of fibres laid one
 * by one on each other (`loft.test.ts`).
 */
import { figure, letter, method, type Figure } from '@/core/method/define';

/** Scatter of the lift, radians; how far an end stands up by it; how much of a fibre's height lies below the loft. Ours. */
const SCATTER = (9 * Math.PI) / 180;
const BY_SCATTER = 1.12;
const OF_HEIGHT = 0.883;
/** What is felted in at the root takes no room, mm. */
const FELTED_IN = 1.8;
/** The steepest fur that leans and a pile that stands come to, degrees. */
export const LEANING = 60;
export const UPRIGHT = 90;

export const furLoft = method({
  id: 'fur-loft',
  title: 'Loft of laid fur',
  formula:
    'h = r L (x⁻⁶ + k⁻⁶)^(−1/6),  x = (S^1.75 + (0.44 c)^1.75)^(1/1.75),  S = √((0.883 sin(lift))² + 0.176²),  c = M / (ρ L) × (1 − 1.8 mm / L),  k = 0.82 sin(steepest)',
  inputs: {
    length: letter('L', 'finished length', 'length'),
    lift: letter('lift', 'angle of the fur off the skin', 'angle'),
    areal: letter('M', 'fur on a square cm', 'areal', 'lay'),
    density: letter('ρ', 'density of fur that lies as it likes', 'density'),
    steepest: letter('steepest', 'the steepest it can be pushed up: 60° on the rows below, 90° standing', 'angle'),
    rise: letter('r', 'measured over worked out, from practice swatches; 1 without', 'number', 'stands'),
  },
  result: letter('h', 'thickness added', 'length'),
  source:
    'Height of the free ends, raised by the wool that does not fit between them; nine tenths of the wool lie below it. Ours, from a simulation; within 15 % until a practice swatch is measured with a rule.',
  basis: 'ours',
  of: ({ length, lift, areal, density, steepest, rise }) => {
    const ends = Math.hypot(OF_HEIGHT * Math.sin((lift * Math.PI) / 180), BY_SCATTER * SCATTER);
    // mg/cm2 over mg/cm3 is cm.
    const crowding = ((10 * areal) / density / length) * Math.max(0, 1 - FELTED_IN / length);
    const x = (ends ** 1.75 + (0.44 * crowding) ** 1.75) ** (1 / 1.75);
    const k = 0.82 * Math.sin((steepest * Math.PI) / 180);
    return rise * length * (x ** -6 + k ** -6) ** (-1 / 6);
  },
});

export const furTightness = method({
  id: 'fur-tightness',
  title: 'How tightly the fur lies',
  formula: 'D = 0.9 M / h',
  inputs: {
    areal: letter('M', 'fur on a square cm', 'areal', 'lay'),
    loft: letter('h', 'thickness added', 'length', 'stands'),
  },
  result: letter('D', 'wool in a cubic cm of the coat', 'density'),
  source: 'Nine tenths of the wool lie below the loft; to 50 mg/cm³ it fits, above 75 it is more than fits (ours).',
  basis: 'ours',
  of: ({ areal, loft }) => (9 * areal) / loft,
});

/** More wool than this in a cubic cm stands out or has to be felted down, mg/cm3. Ours. */
export const MOST_TIGHT = 75;

interface LyingFur {
  readonly lengthMm: number;
  readonly liftDeg: number;
  readonly arealMgCm2: number;
  readonly densityMgCm3: number;
  readonly rise: number;
  readonly steepestDeg?: number;
}

/** The most wool on a square cm that fits into fur, by the inputs of its loft, mg/cm2 to 0.1. */
export function mostThatFits(inputs: Parameters<typeof furLoft.of>[0]): number {
  let [lo, hi] = [0, 1000];
  for (let i = 0; i < 40; i++) {
    const areal = (lo + hi) / 2;
    if (furTightness.of({ areal, loft: furLoft.of({ ...inputs, areal }) }) <= MOST_TIGHT) lo = areal;
    else hi = areal;
  }
  return Math.floor(lo * 10) / 10;
}

/** Loft and tightness of fur, as figures. */
export function loftOf(f: LyingFur): { readonly loft: Figure; readonly tightness: Figure } {
  const loft = figure(furLoft, {
    length: f.lengthMm,
    lift: f.liftDeg,
    areal: f.arealMgCm2,
    density: f.densityMgCm3,
    steepest: f.steepestDeg ?? LEANING,
    rise: f.rise,
  });
  return { loft, tightness: figure(furTightness, { areal: f.arealMgCm2, loft: loft.value }) };
}
