/**
 * A trial of half an hour on a practice ball: what was cut, laid, weighed, measured and timed there, and the rates that follow from it, all
 * by the same formulas the plan reckons with.
 */
import { z } from 'zod';
import { boundsOf, field } from '@/core/piece/fields';
import { handSchema, type Hand } from '@/core/piece/hand';
import { pinchRows } from '@/core/coat/rows/row-work';
import type { QuantityKind } from '@/core/text';
import { ELEMENTS, type ElementName, type Minutes } from '@/core/time/elements';
import { minutesOf } from '@/core/time/work-time';

/** What of the trial was done; null for what was left out. */
export const trialSchema = z.strictObject({
  tenPinchesG: field('mass', 'Ten pinches weigh', 0.005, 20, {
    help: 'Ten as you take them for a row, weighed together.',
  }).nullable(),
  cutMm: field('length', 'A lock was cut', 10, 300, { help: 'One lock, its cut ends even.' }).nullable(),
  standsMm: field('length', 'Folded and needled in, each side is long', 1, 150, {
    help: 'From the felt to the end of the fibre, drawn straight.',
  }).nullable(),
  rows: field('count', 'Rows laid', 1, 30, { help: 'Side by side on the ball, each as you lay it on a piece.' }),
  rowMm: field('length', 'Each so long', 10, 300),
  pinches: field('count', 'Pinches laid in all', 1, 500).nullable(),
  minutes: field('time', 'They took', 0.5, 240, {
    help: 'From the first pinch until the last row is felted and tugged at.',
  }).nullable(),
  spacingMm: field('length', 'They were to lie apart by', 0.5, 20),
  takeMm: field('length', 'From the first root line to the last', 0.5, 600, {
    help: 'Up the lie, with a rule.',
  }).nullable(),
  woolG: field('mass', 'Wool that lies in them', 0.01, 50, {
    help: 'The wool weighed before and after, less what fell off.',
  }).nullable(),
  heightMm: field('length', 'The fur stands', 1, 150, {
    help: 'A rule on the ball, the fur fluffed and not pressed.',
  }).nullable(),
  stabs: field('count', 'Stabs on one cm of row in a pass', 1, 60, {
    help: 'Counted along a centimetre, once over it.',
  }).nullable(),
  loose: field('count', 'Rows that came loose when tugged at', 0, 30).nullable(),
  blendMinutes: field('time', 'One blend took', 0.2, 60, {
    help: 'Two wools for a small area, pulled apart and together until no streak is left.',
  }).nullable(),
});
export type TrialDone = z.infer<typeof trialSchema>;

/** What a trial is called among the pieces a hand has learned from. */
export const TRIAL_PIECE = 'trial';

export const nothingTried: TrialDone = {
  tenPinchesG: null,
  cutMm: null,
  standsMm: null,
  rows: 5,
  rowMm: 60,
  pinches: null,
  minutes: null,
  spacingMm: 3,
  takeMm: null,
  woolG: null,
  heightMm: null,
  stabs: null,
  loose: null,
  blendMinutes: null,
};

/** A rate the trial yields. */
interface Yield {
  readonly says: string;
  readonly kind: QuantityKind;
  readonly was: number | null;
  readonly is: number;
}

/** More than so many of the rows loose ask for another pass. Ours. */
const LOOSE = 0.1;
const OF_ROWS = ['row', 'tug', 'pinch', 'fold', 'rowCm'] as const satisfies readonly ElementName[];

const clamp = (shape: z.core.$ZodType, x: number): number => {
  const { least, most } = boundsOf(shape);
  return Math.max(least, Math.min(most, x));
};

const LEAST_MIN = 0.001;
const MOST_MIN = 960;

/** Minutes of first values, so many times as long. */
const times = (name: ElementName, by: number): Minutes => {
  const { low, likely, high } = ELEMENTS[name];
  const within = (m: number) => Math.max(LEAST_MIN, Math.min(MOST_MIN, m * by));
  return { low: within(low), likely: within(likely), high: within(high) };
};

/** @returns the hand with every rate the trial yields, and what each was and is */
export function trialOf(hand: Hand, t: TrialDone): { readonly hand: Hand; readonly yields: readonly Yield[] } {
  const next: Hand = { ...hand, times: { ...hand.times } };
  const yields: Yield[] = [];
  const shape = handSchema.shape;
  if (t.tenPinchesG !== null) {
    next.pinchMg = t.tenPinchesG * 100;
    yields.push({
      says: 'a pinch',
      kind: 'mass',
      was: hand.pinchMg === null ? null : hand.pinchMg / 1000,
      is: t.tenPinchesG / 10,
    });
  }
  if (t.cutMm !== null && t.standsMm !== null) {
    // c = 2 (L + root), nothing being left on for trimming.
    next.rootMm = clamp(shape.rootMm, Math.round((t.cutMm / 2 - t.standsMm) * 10) / 10);
    yields.push({ says: 'taken by fold and needling', kind: 'fine', was: hand.rootMm, is: next.rootMm });
  }
  if (t.stabs !== null) {
    next.stabsPerCm = t.stabs;
    yields.push({ says: 'stabs per cm of row in a pass', kind: 'perCm', was: hand.stabsPerCm, is: t.stabs });
  }
  if (t.loose !== null && t.loose > LOOSE * t.rows) {
    next.passesLine = clamp(shape.passesLine, hand.passesLine + 1);
    yields.push({ says: 'passes along the line', kind: 'count', was: hand.passesLine, is: next.passesLine });
  }
  if (t.minutes !== null && t.pinches !== null) {
    // By the passes that were made, before a pass is added for loose rows.
    const laid = { rowsMm: t.rows * t.rowMm, rows: t.rows };
    const { compare: _, ...work } = pinchRows({ ...next, passesLine: hand.passesLine }, laid, t.pinches, true);
    const by = t.minutes / minutesOf({ times: {} }, work);
    for (const name of OF_ROWS) next.times[name] = times(name, by);
    yields.push({
      says: 'minutes for a row like these',
      kind: 'time',
      was: minutesOf(hand, work) / t.rows,
      is: t.minutes / t.rows,
    });
  }
  if (t.woolG !== null && t.heightMm !== null) {
    const areaCm2 = (t.rows * t.spacingMm * t.rowMm) / 100;
    const density = (t.woolG * 1000) / (areaCm2 * (t.heightMm / 10));
    next.loftDensityMgCm3 = clamp(shape.loftDensityMgCm3, Math.round(density * 10) / 10);
    yields.push({
      says: 'density of laid fur',
      kind: 'density',
      was: hand.loftDensityMgCm3,
      is: next.loftDensityMgCm3,
    });
  }
  if (t.blendMinutes !== null) {
    next.times.blend = times('blend', t.blendMinutes / ELEMENTS.blend.likely);
    yields.push({
      says: 'minutes for one blend',
      kind: 'time',
      was: (hand.times.blend ?? ELEMENTS.blend).likely,
      is: t.blendMinutes,
    });
  }
  return { hand: next, yields };
}

/** How far apart the rows of a trial came to lie; null where it was not measured. */
export const heldIn = (t: TrialDone): number | null =>
  t.takeMm === null || t.rows < 2 ? null : t.takeMm / (t.rows - 1);
