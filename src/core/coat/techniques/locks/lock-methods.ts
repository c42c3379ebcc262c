/** The formulas of locks: number, length, wool, waste, time. Lengths mm, masses g. */
import { letter, method } from '@/core/method/define';

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
    habit: letter('a', 'laid over meant, from weighed swatches; 1 without', 'number', 'lay'),
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
    lock: letter('b', 'weight of a lock as it is picked, mg', 'number', 'lay'),
    tips: letter('tips cut', 'share of the lock cut off as tips', 'share'),
  },
  result: letter('W', 'tips', 'mass'),
  source: 'Nothing else is trimmed from a coat of locks.',
  basis: 'ours',
  of: ({ locks, lock, tips }) => ((locks * lock) / 1000) * tips,
});
