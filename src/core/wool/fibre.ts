/**
 * Fibres by number and weight. Wool is counted through its mean fibre diameter d and coefficient of variation CV; the
 * mean cross-section of a fibre is (pi/4) d^2 (1 + CV^2). Density of wool substance 1.31 g/cm3 (from memory).
 */
import { letter, method } from '@/core/method/define';

const WOOL_DENSITY = 1.31; // mg per mm3

/** Mass of one mm of one fibre, mg. */
export const fibreMassPerMm = (finenessUm: number, cv: number): number =>
  WOOL_DENSITY * (Math.PI / 4) * (finenessUm / 1000) ** 2 * (1 + cv * cv);

export const layerMass = method({
  id: 'layer-mass',
  title: 'Mass of one mean layer of fibre',
  formula: 'm1 = (π/4) ρ d (1 + CV²)',
  inputs: {
    fineness: letter('d', 'mean fibre diameter', 'fineness'),
    cv: letter('CV', 'variation of the fibre diameter', 'share'),
  },
  result: letter('m1', 'areal mass that covers once on average', 'areal'),
  source: 'Geometry of round fibres; ρ = 1.31 g/cm3 for wool (handbook value, from memory).',
  basis: 'from memory',
  of: ({ fineness, cv }) => (fibreMassPerMm(fineness, cv) / (fineness / 1000)) * 100,
});

export const fibresPerMm = method({
  id: 'fibres-per-mm',
  title: 'Fibre ends on a millimetre of row',
  formula: 'N = m / (L ρ (π/4) d² (1 + CV²))',
  inputs: {
    lay: letter('m', 'laid wool on a cm of row', 'linear', 'lay'),
    length: letter('L', 'finished length', 'length'),
    fineness: letter('d', 'mean fibre diameter', 'fineness'),
    cv: letter('CV', 'variation of the fibre diameter', 'share'),
  },
  result: letter('N', 'ends a mm', 'number'),
  source: 'Laid mass shared out over fibres of length L.',
  basis: 'ours',
  of: ({ lay, length, fineness, cv }) => lay / 10 / (length * fibreMassPerMm(fineness, cv)),
});

export const arealMass = method({
  id: 'areal-mass',
  title: 'Fur on a square centimetre',
  formula: 'M = m / s',
  inputs: {
    lay: letter('m', 'laid wool on a cm of row', 'linear', 'lay'),
    spacing: letter('s', 'row spacing', 'length'),
  },
  result: letter('M', 'areal mass', 'areal'),
  source: 'Definition.',
  basis: 'ours',
  of: ({ lay, spacing }) => lay / (spacing / 10),
});
