/** The formulas of the needle stage. Lengths mm, densities mg/cm3. */
import { letter, method } from '@/core/method/define';

export const strokeDepth = method({
  id: 'stroke-depth',
  title: 'Depth below the surface',
  formula: 'd = s × sin α',
  inputs: {
    stroke: letter('s', 'stroke, along the needle', 'fine'),
    angle: letter('α', 'angle between needle and skin', 'angle'),
  },
  result: letter('d', 'depth of the point, square to the skin', 'fine'),
  source: 'Geometry of a right triangle.',
  basis: 'published',
  of: ({ stroke, angle }) => stroke * Math.sin((angle * Math.PI) / 180),
});

export const safeStroke = method({
  id: 'safe-stroke',
  title: 'Deepest stroke the blade bears',
  formula: 's = σ π d³ / (32 L f ρ/100)',
  inputs: {
    bears: letter('σ', 'stress it bears, MPa, with a margin to the yield of hardened spring steel', 'number'),
    thick: letter('d', 'thickness of the blade', 'fine'),
    blade: letter('L', 'free blade', 'fine'),
    side: letter('f', 'side force of the wool on a slightly slanted stab for every mm of depth, N', 'number'),
    ground: letter('ρ', 'density of the felt, mg/cm³', 'density'),
  },
  result: letter('s', 'stroke beyond the layer', 'fine'),
  source: 'Bending stress of a round bar held at one end, 32 F L / (π d³), from memory; the side force is ours.',
  basis: 'from memory',
  of: ({ bears, thick, blade, side, ground }) => (bears * Math.PI * thick ** 3) / (32 * blade * side * (ground / 100)),
});

export const needleMarks = method({
  id: 'needle-marks',
  title: 'Marks left by a pass',
  formula: 'a = (n/100) (π w²/4) exp(−κ m/m₁ e^(−w/25d))',
  inputs: {
    perCm2: letter('n', 'stabs on a square cm', 'number'),
    wide: letter('w', 'width of the mark', 'fine'),
    spread: letter('κ', 'how far one layer of fibre hides', 'number', 'hides'),
    areal: letter('m', 'wool of the top layer', 'areal', 'wisp'),
    layer: letter('m₁', 'wool that covers once on average', 'areal'),
    fineness: letter('d', 'diameter of the fibre', 'fineness'),
  },
  result: letter('a', 'share of the surface left open', 'share'),
  source: 'Holes by their area; fibres pushed aside spring back over a hole, fewer the wider it is against them. Ours.',
  basis: 'ours',
  of: ({ perCm2, wide, spread, areal, layer, fineness }) => {
    const holes = Math.min(1, (perCm2 * Math.PI * wide ** 2) / 4 / 100);
    return holes * Math.exp(-spread * (areal / layer) * Math.exp(-wide / ((25 * fineness) / 1000)));
  },
});

export const stabTime = method({
  id: 'stab-time',
  title: 'Time at the needle',
  formula: 't = N / (r × k)',
  inputs: {
    stabs: letter('N', 'stabs, all passes', 'count'),
    rate: letter('r', 'stabs a minute', 'rate', 'pace'),
    working: letter('k', 'needles that count: 1, or 0.7 for each one in a holder', 'number'),
  },
  result: letter('t', 'time', 'time'),
  source: 'Rates ours until the log has the maker’s own; needles in a holder get in each other’s way.',
  basis: 'ours',
  of: ({ stabs, rate, working }) => stabs / (rate * working),
});
