/** The formulas of a strip: wool, waste, time, anchor. Lengths mm, masses g. */
import { letter, method } from '@/core/method/define';

export const stripMass = method({
  id: 'strip-mass',
  title: 'Wool for the clumps',
  formula: 'M = Σ over clumps of m p c / (2 L middle) × (1 + loss) × a',
  inputs: {
    clumps: letter('Σ', 'mass of all clumps as cut, mg', 'number'),
    loss: letter('loss', 'lost in handling', 'share'),
    habit: letter('a', 'laid over meant, from weighed swatches; 1 without', 'number', 'lay'),
  },
  result: letter('M', 'wool to take from the lot', 'mass'),
  source: 'Each clump by its own cut length.',
  basis: 'ours',
  of: ({ clumps, loss, habit }) => (clumps / 1000) * (1 + loss) * habit,
});

export const stripWaste = method({
  id: 'strip-waste',
  title: 'Cut off in trimming a strip',
  formula: 'W = m ℓ (2 o + (1 − left) L + (1 − right) L) / (2 L)',
  inputs: {
    lay: letter('m', 'wool on a cm of strip as trimmed', 'linear', 'lay'),
    strip: letter('ℓ', 'length of the strip', 'length'),
    over: letter('o', 'left on for trimming', 'length', 'over'),
    length: letter('L', 'mean length', 'length'),
    left: letter('left', 'kept on the left', 'share'),
    right: letter('right', 'kept on the right', 'share'),
  },
  result: letter('W', 'offcuts', 'mass'),
  source: 'What is cut from both sides.',
  basis: 'ours',
  of: ({ lay, strip, over, length, left, right }) =>
    (((lay * strip) / 10 / 1000) * (2 * over + (2 - left - right) * length)) / (2 * length),
});

export const anchorMass = method({
  id: 'anchor-mass',
  title: 'Wool for the anchor strips',
  formula: 'A = 2 (ℓ + 2 × 5 mm) w m',
  inputs: {
    strip: letter('ℓ', 'length of the strip', 'length'),
    width: letter('w', 'width of the anchor', 'length'),
    areal: letter('m', 'wool on a square cm of anchor', 'areal', 'lay'),
  },
  result: letter('A', 'wool for both anchors', 'mass'),
  source: 'Two strips as long as the strip and 5 mm a side, tucked in at the ends.',
  basis: 'ours',
  of: ({ strip, width, areal }) => (2 * (strip + 10) * width * areal) / 100 / 1000,
});
