/** The formulas of standing rows: cut, waste, time. Lengths mm, masses g. */
import { letter, method } from '@/core/method/define';

export const standingCut = method({
  id: 'cut-standing',
  title: 'Cut length for a standing lay',
  formula: 'c = 2 (L + root + o)',
  inputs: {
    length: letter('L', 'finished length of each half', 'length'),
    root: letter('root', 'taken by the needling, each half', 'length'),
    over: letter('o', 'left on each half for trimming', 'length'),
  },
  result: letter('c', 'cut length', 'length'),
  source: 'Both halves rise; each is as long as the pile and what is trimmed.',
  basis: 'common practice',
  of: ({ length, root, over }) => 2 * (length + root + over),
});

export const bandWool = method({
  id: 'band-wool',
  title: 'Wool of the band or the pinches',
  formula: 'B = m (L + root + o) / L × (1 + loss)',
  inputs: {
    laid: letter('m', 'wool of the marking in the pile as trimmed', 'mass', 'lay'),
    length: letter('L', 'finished length of each half', 'length'),
    root: letter('root', 'taken by the needling, each half', 'length'),
    over: letter('o', 'left on each half for trimming', 'length'),
    loss: letter('loss', 'lost in handling', 'share'),
  },
  result: letter('B', 'wool to take for the marking', 'mass'),
  source: 'The same cut as the lay it lies in.',
  basis: 'ours',
  of: ({ laid, length, root, over, loss }) => ((laid * (length + root + over)) / length) * (1 + loss),
});

export const groundWool = method({
  id: 'ground-wool',
  title: 'Wool of the ground beside the band',
  formula: 'W = W all − B',
  inputs: {
    all: letter('W all', 'wool of all rows', 'mass', 'lay'),
    band: letter('B', 'of it in the band, of another wool', 'mass', 'lay'),
  },
  result: letter('W', 'wool to take from the lot of the ground', 'mass'),
  source: 'A band takes the place of the wool it lies in; a pinch is laid on top of it.',
  basis: 'ours',
  of: ({ all, band }) => Math.max(0, all - band),
});

export const plushWaste = method({
  id: 'plush-waste',
  title: 'Cut off in trimming standing wool',
  formula: 'W = m ℓ o / L',
  inputs: {
    lay: letter('m', 'laid wool on a cm of row, as trimmed', 'linear', 'lay'),
    rows: letter('ℓ', 'length of all rows', 'rowLength'),
    over: letter('o', 'left on each half for trimming', 'length', 'over'),
    length: letter('L', 'finished length', 'length'),
  },
  result: letter('W', 'offcuts', 'mass'),
  source: 'Both free ends beyond the finished length: far more than for folded rows.',
  basis: 'ours',
  of: ({ lay, rows, over, length }) => (((lay * rows) / 10) * (over / length)) / 1000,
});
