/** The formulas of locks: number, length, wool, waste, time, cover. Lengths mm, masses g. */
import { letter, method } from '@/core/method/define';
import { tuftCover } from '@/core/coat/cover/cover';

export const lockCount = method({
  id: 'lock-count',
  title: 'Number of locks',
  formula: 'k = Σ over courses of ⌈course length / pitch⌉',
  inputs: {
    locks: letter('Σ', 'sum over the courses', 'count'),
    pitch: letter('pitch', 'lock to lock', 'length'),
  },
  result: letter('k', 'locks', 'count'),
  source: 'Counting; courses are staggered by half a lock.',
  basis: 'ours',
  of: ({ locks }) => locks,
});

export const lockLength = method({
  id: 'lock-length',
  title: 'Shortest lock that will do',
  formula: 'c = f (L + root) / (1 − tips cut)',
  inputs: {
    length: letter('L', 'finished length', 'length'),
    root: letter('root', 'taken by the needling', 'length'),
    folds: letter('f', '1 set by its cut end, 2 felted in the middle and folded', 'number'),
    tips: letter('tips cut', 'share of the lock cut off as tips', 'share'),
  },
  result: letter('c', 'length of a lock', 'length'),
  source: 'Cut end: finished length and root; felted in the middle: twice that.',
  basis: 'common practice',
  of: ({ length, root, folds, tips }) => (folds * (length + root)) / (1 - tips),
});

export const lockMass = method({
  id: 'lock-mass',
  title: 'Wool for the locks',
  formula: 'M = k b (1 + loss) × a',
  inputs: {
    locks: letter('k', 'locks', 'count'),
    lock: letter('b', 'weight of a lock, mg', 'number'),
    tips: letter('tips cut', 'share of the lock cut off as tips', 'share'),
    loss: letter('loss', 'lost in handling', 'share'),
    habit: letter('a', 'laid over meant, from weighed swatches; 1 without', 'number'),
  },
  result: letter('M', 'wool to take from the lot', 'mass'),
  source: 'Locks counted and weighed.',
  basis: 'ours',
  of: ({ locks, lock, loss, habit }) => ((locks * lock) / 1000) * (1 + loss) * habit,
});

export const tipWaste = method({
  id: 'tip-waste',
  title: 'Tips cut off',
  formula: 'W = k b × tips cut',
  inputs: {
    locks: letter('k', 'locks', 'count'),
    lock: letter('b', 'weight of a lock, mg', 'number'),
    tips: letter('tips cut', 'share of the lock cut off as tips', 'share'),
  },
  result: letter('W', 'tips', 'mass'),
  source: 'Nothing else is trimmed from a coat of locks.',
  basis: 'ours',
  of: ({ locks, lock, tips }) => ((locks * lock) / 1000) * tips,
});

export const lockMinutes = method({
  id: 'lock-minutes',
  title: 'Time to set the locks',
  formula: 't = k × t lock',
  inputs: {
    locks: letter('k', 'locks', 'count'),
    lock: letter('t lock', 'choosing, teasing the cut end, setting one', 'time'),
  },
  result: letter('t', 'time to set', 'time'),
  source: 'Ours until the log has the maker’s own; opening a lock takes half as long again.',
  basis: 'ours',
  of: ({ locks, lock }) => locks * lock,
});

export const lockCover = method({
  id: 'lock-cover',
  title: 'Base hidden by courses of locks',
  formula: 'C = 1 − mean over the gap of Π courses [1 − (w/p)(1 − b)],  w = min(p, √(w0² + 12 σ² t²))',
  inputs: {
    ends: letter('N', 'fibre ends in a lock', 'count'),
    fineness: letter('d', 'mean fibre diameter', 'fineness'),
    width: letter('w0', 'width of a lock', 'length'),
    pitch: letter('p', 'lock to lock', 'length'),
    spacing: letter('s', 'course spacing', 'length'),
    reach: letter('R', 'how far a lock reaches along the skin', 'length'),
    scatter: letter('σ', 'scatter of the locks, radians', 'number'),
    kappa: letter('κ', 'spread of this form of wool', 'number'),
    unevenness: letter('c', 'unevenness of laying', 'number'),
  },
  result: letter('C', 'share of the base hidden', 'share'),
  source: 'Course by course as for pinches of fur; whole locks scatter little, opened ones more (ours).',
  basis: 'ours',
  of: (x) =>
    tuftCover({
      ends: x.ends,
      diameterMm: x.fineness / 1000,
      widthMm: x.width,
      pitchMm: x.pitch,
      spacingMm: x.spacing,
      reachMm: x.reach,
      scatter: x.scatter,
      kappa: x.kappa,
      unevenness: x.unevenness,
    }),
});
