/** The formulas of core, joints, wire and standing, each once. Lengths mm, masses g, volumes mm3. */
import { letter, method } from '@/core/method/define';

export const coreMass = method({
  id: 'core-mass',
  title: 'Wool for the core',
  formula: 'M = V × ρ',
  inputs: {
    volume: letter('V', 'volume of the core', 'volume'),
    density: letter('ρ', 'density it is felted to, in mg per cm³', 'density', 'core'),
  },
  result: letter('M', 'wool', 'mass'),
  source:
    'Volume by the skin of the core. Densities: firm 0.10 g/cm³ (0.07 to 0.13), with give 0.07, lofty pad 0.05. Checked by common practice: about 3 g for a bird 9 to 10 cm long.',
  basis: 'ours',
  of: ({ volume, density }) => (volume / 1000) * (density / 1000),
});

export const looseVolume = method({
  id: 'loose-volume',
  title: 'Loose wool to start from',
  formula: 'V loose = M / ρ loose',
  inputs: {
    mass: letter('M', 'wool', 'mass'),
    density: letter('ρ loose', 'density of teased wool, in mg per cm³', 'density', 'loose'),
  },
  result: letter('V loose', 'volume of the loose wool', 'volume'),
  source: 'Teased wool held loosely in the hands; weigh a known volume of yours to replace it.',
  basis: 'ours',
  of: ({ mass, density }) => (mass / (density / 1000)) * 1000,
});

export const limbLength = method({
  id: 'limb-length',
  title: 'Length before it is joined',
  formula: 'L = visible + into the body + Σ bend × r',
  inputs: {
    visible: letter('visible', 'length seen when joined', 'length'),
    inside: letter('into the body', 'length that goes into what it sits on', 'length'),
    bend: letter('Σ bend × r', 'taken by the bends, on their outer side', 'length'),
  },
  result: letter('L', 'length to make', 'length'),
  source: 'Legs look too long before they are joined: part goes into the body, part into the bend of the paw.',
  basis: 'common practice',
  of: ({ visible, inside, bend }) => visible + inside + bend,
});

export const fringeLength = method({
  id: 'fringe-length',
  title: 'Loose fringe at the joint',
  formula: 'f = max(8 mm, d / 2)',
  inputs: { across: letter('d', 'thickness of the part where it joins', 'length') },
  doubt: 'joint',
  result: letter('f', 'fringe left unfelted', 'length'),
  source: 'A loose fringe is left at the joining end; its length is ours.',
  basis: 'ours',
  of: ({ across }) => Math.max(8, across / 2),
});

export const collarMass = method({
  id: 'collar-mass',
  title: 'Wool for the collar',
  formula: 'm = π d × 2 f × 10 mg/cm²',
  inputs: {
    across: letter('d', 'thickness of the part where it joins', 'length'),
    fringe: letter('f', 'fringe', 'length'),
  },
  doubt: 'joint',
  result: letter('m', 'wool of the collar', 'mass'),
  source: 'A collar twice as wide as the fringe covers the joint and smooths out; its weight is ours.',
  basis: 'ours',
  of: ({ across, fringe }) => ((Math.PI * across * 2 * fringe) / 100) * 0.01,
});

export const wrapMass = method({
  id: 'wrap-mass',
  title: 'Wool to wrap the wire',
  formula: 'm = π/4 × (D² − d²) × L × ρ',
  inputs: {
    across: letter('D', 'across the wire with its wrapping', 'fine'),
    wire: letter('d', 'across the wire', 'fine'),
    length: letter('L', 'length wrapped', 'length'),
    density: letter('ρ', 'density it is wound to, in mg per cm³', 'density', 'core'),
  },
  result: letter('m', 'wool', 'mass'),
  source: 'A tube of felt round the wire; a millimetre of it all round, ours.',
  basis: 'ours',
  of: ({ across, wire, length, density }) =>
    (((Math.PI / 4) * (across ** 2 - wire ** 2) * length) / 1000) * (density / 1000),
});

export const wireLength = method({
  id: 'wire-length',
  title: 'Wire to cut',
  formula: 'L = (strands × path × √(1 + (π d / p)²) + turns + ends × 2 × turned) × (1 + waste)',
  inputs: {
    strands: letter('strands', 'wires side by side', 'count'),
    path: letter('path', 'length of the way through the animal', 'length'),
    thick: letter('d', 'thickness of the wire', 'length'),
    pitch: letter('p', 'length of one twist; 0 where it is not twisted', 'length'),
    turns: letter(
      'turns',
      'wound round another wire where they meet, and through or round what its feet are fixed to',
      'length',
    ),
    ends: letter('ends', 'ends turned over, twice each', 'count'),
    turned: letter('turned', 'turned over at an end', 'length'),
    waste: letter('waste', 'share lost in cutting and bending', 'share'),
  },
  result: letter('L', 'cut length', 'length'),
  source: 'A helix of that pitch is that much longer than its axis (closed form); turned ends: common practice.',
  basis: 'published',
  of: ({ strands, path, thick, pitch, turns, ends, turned, waste }) =>
    (strands * path * (pitch > 0 ? Math.hypot(1, (Math.PI * thick) / pitch) : 1) + turns + ends * 2 * turned) *
    (1 + waste),
});

export const wireRoom = method({
  id: 'wire-room',
  title: 'Wool over the wire',
  formula: 'left = (d core − n × d) / 2',
  inputs: {
    core: letter('d core', 'thinnest place of the core the wire goes through', 'length'),
    strands: letter('n', 'wires side by side', 'count'),
    thick: letter('d', 'thickness of the wire', 'length'),
  },
  result: letter('left', 'wool on each side of the wire', 'length'),
  source:
    'At least 1 mm is wanted, ours: less and the wire is felt through and the wool turns on it; 0.3 mm over a pipe cleaner, whose pile holds it.',
  basis: 'ours',
  of: ({ core, strands, thick }) => (core - strands * thick) / 2,
});

export const footGives = method({
  id: 'foot-gives',
  title: 'How far a foot gives',
  formula: 'δ = min(r/4, (3 F / (4 E √r))^⅔),  F = 0.00981 m',
  inputs: {
    mass: letter('m', 'share of the weight it bears', 'mass'),
    radius: letter('r', 'how round it is there', 'length'),
  },
  doubt: 'foot',
  result: letter('δ', 'flattened by', 'length'),
  source:
    'A ball pressed on a flat ground (Hertz 1882, from memory), felt with E = 0.05 N/mm²; what is flattened by more than a quarter is as firm as the ground. E and the quarter are ours.',
  basis: 'ours',
  of: ({ mass, radius }) => Math.min(radius / 4, ((3 * 0.00981 * mass) / (4 * 0.05 * Math.sqrt(radius))) ** (2 / 3)),
});

export const tippingAngle = method({
  id: 'tipping-angle',
  title: 'How far it can be tipped',
  formula: 'angle = atan(m / h)',
  inputs: {
    margin: letter('m', 'how far the middle of its weight lies inside its feet', 'length'),
    height: letter('h', 'height of the middle of its weight', 'length'),
  },
  result: letter('angle', 'it falls when tipped further', 'angle'),
  source: 'Statics: a body stands while its centre of mass is over the area its feet enclose.',
  basis: 'published',
  of: ({ margin, height }) => (Math.atan2(margin, height) * 180) / Math.PI,
});

export const weightLow = method({
  id: 'weight-low',
  title: 'Weight to put low',
  formula: 'w = M × (m wanted − m) / (a − m wanted)',
  inputs: {
    mass: letter('M', 'weight of the piece', 'mass'),
    margin: letter('m', 'margin as it is', 'length'),
    wanted: letter('m wanted', 'margin wanted', 'length'),
    lever: letter('a', 'how far inside that edge the weight is put', 'length'),
  },
  result: letter('w', 'weight', 'mass'),
  source: 'Balance of moments about the edge it would fall over.',
  basis: 'published',
  of: ({ mass, margin, wanted, lever }) => Math.max(0, (mass * (wanted - margin)) / Math.max(lever - wanted, 1e-9)),
});
