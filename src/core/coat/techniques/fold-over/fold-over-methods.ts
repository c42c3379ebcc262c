/** The formulas of fold-over rows: cut length, wool, waste, loft, pinches, time. */
import { letter, method } from '@/core/method/define';

export const overLength = method({
  id: 'over-length',
  title: 'Left on for trimming',
  formula: 'o = max(o least, share × L)',
  inputs: {
    length: letter('L', 'finished length', 'length'),
    share: letter('share', 'share of the length left for trimming', 'share'),
    least: letter('o least', 'least left for trimming', 'length'),
  },
  result: letter('o', 'left on for trimming', 'length'),
  source: 'A little more than is wanted, for it cannot be put back.',
  basis: 'common practice',
  of: ({ length, share: s, least }) => Math.max(least, s * length),
});

export const foldedCut = method({
  id: 'cut-folded',
  title: 'Cut length for a folded lay',
  formula: 'c = 2 (L + root + o)',
  inputs: {
    length: letter('L', 'finished length', 'length'),
    root: letter('root', 'taken by the fold and the needling', 'length'),
    over: letter('o', 'left on for trimming', 'length'),
  },
  result: letter('c', 'cut length', 'length'),
  source: 'Twice the finished length and a little.',
  basis: 'common practice',
  of: ({ length, root, over }) => 2 * (length + root + over),
});

export const layMass = method({
  id: 'lay-mass',
  title: 'Wool for the rows',
  formula: 'M = m ℓ c / (2 L) × (1 + loss) × a',
  inputs: {
    lay: letter('m', 'laid wool on a cm of row', 'linear'),
    rows: letter('ℓ', 'length of all rows', 'rowLength'),
    cut: letter('c', 'cut length', 'length'),
    length: letter('L', 'finished length', 'length'),
    loss: letter('loss', 'lost in handling', 'share'),
    habit: letter('a', 'laid over meant, from weighed swatches; 1 without', 'number', 'lay'),
  },
  result: letter('M', 'wool to take from the lot', 'mass'),
  source: 'Laid mass grown by cut length over laid length, and handling loss (5 % unless the maker says otherwise).',
  basis: 'ours',
  of: ({ lay, rows, cut, length, loss, habit }) =>
    (((lay * rows) / 10) * (cut / (2 * length)) * (1 + loss) * habit) / 1000,
});

export const trimWaste = method({
  id: 'trim-waste',
  title: 'Cut off in trimming laid fur',
  formula: 'W = m ℓ o / L',
  inputs: {
    lay: letter('m', 'laid wool on a cm of row', 'linear', 'lay'),
    rows: letter('ℓ', 'length of all rows', 'rowLength'),
    over: letter('o', 'left on for trimming', 'length', 'over'),
    length: letter('L', 'finished length', 'length'),
  },
  result: letter('W', 'offcuts', 'mass'),
  source: 'The free ends beyond the finished length.',
  basis: 'ours',
  of: ({ lay, rows, over, length }) => (((lay * rows) / 10) * (over / length)) / 1000,
});

export const rowTotal = method({
  id: 'row-total',
  title: 'Length of all rows',
  formula: 'ℓ = Σ length of each row on the skin;  check: s ℓ ≈ ∫ k |grad φ| dA',
  inputs: {
    total: letter('Σ', 'sum over the rows', 'rowLength'),
    rows: letter('n', 'number of rows', 'count'),
    spacing: letter('s', 'row spacing', 'length'),
    flux: letter(
      '∫ k |grad φ| dA',
      'integral over the area; k is 2 where half rows lie, ½ where every second is left out, else 1',
      'area',
    ),
  },
  result: letter('ℓ', 'length of all rows', 'rowLength'),
  source: 'Rows are level lines of the height above the hem; the check is the coarea formula (Federer 1959).',
  basis: 'published',
  of: ({ total }) => total,
});

export const rowCount = method({
  id: 'row-count',
  title: 'Number of rows',
  formula: 'n = rows at s/2, 3s/2, 5s/2 … above the hem that cross the area',
  inputs: {
    rows: letter('n', 'rows found', 'count'),
    spacing: letter('s', 'row spacing', 'length'),
    height: letter('H', 'height of the area against the lie', 'length'),
  },
  result: letter('n', 'rows', 'count'),
  source: 'Hem first, each next row a spacing further against the lie.',
  basis: 'common practice',
  of: ({ rows }) => rows,
});

export const pinchCount = method({
  id: 'pinch-count',
  title: 'Pinches of wool',
  formula: 'k = Σ over rows of ⌈row length / p⌉',
  inputs: {
    pinches: letter('Σ', 'sum over the rows', 'count'),
    pitch: letter('p', 'distance from pinch to pinch', 'length'),
  },
  result: letter('k', 'pinches', 'count'),
  source: 'Counting.',
  basis: 'ours',
  of: ({ pinches }) => pinches,
});

export const longestForStaple = method({
  id: 'longest-for-staple',
  title: 'Longest fur this staple allows',
  formula: 'L = min(c/2 − root − o least, (c/2 − root) / (1 + share)) with c the staple',
  inputs: {
    staple: letter('c', 'staple of the wool', 'length'),
    root: letter('root', 'taken by the fold and the needling', 'length'),
    share: letter('share', 'share of the length left for trimming', 'share'),
    least: letter('o least', 'least left for trimming', 'length'),
  },
  result: letter('L', 'longest finished length', 'length'),
  source: 'The cut length turned round.',
  basis: 'ours',
  of: ({ staple, root, share: s, least }) => Math.min(staple / 2 - root - least, (staple / 2 - root) / (1 + s)),
});
