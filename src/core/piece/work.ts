/** How a piece is worked: schools, needles chosen by hand, steps moved by hand, and when it begins. */
import { z } from 'zod';
import { choice, field, id } from './fields';
import { operationId } from './log-entry';

/** Needle and angle to the skin chosen by hand for a step. */
export const chosenSchema = z.strictObject({
  operation: operationId('Step'),
  needleId: id('Needle').nullable(),
  angleDeg: field('angle', 'Angle to the skin', 15, 90, { label: 'Angle to skin', slide: [15, 90, 1] }).nullable(),
});

/** So long at the bench on one day. */
export const tonightSchema = z.strictObject({
  on: z.iso.date('The day must be a date'),
  minutes: field('number', 'Minutes at the bench on that day', 0, 960, { label: 'At the bench today', unit: 'min' }),
});

export const workSchema = z.strictObject({
  /** Finer as the work gets denser and nearer the surface, or one fine needle throughout. */
  needles: choice(['coarse to fine', 'one fine needle'], 'School of needles', { beside: true }),
  /** The one needle; null for the finest that can do it. */
  oneNeedleId: id('Needle').nullable(),
  /** Trimmed area by area as they are laid, or all at the end. */
  trim: choice(['as you go', 'at the end'], 'Trimmed', { beside: true, words: { 'at the end': 'all at the end' } }),
  /** Day of the first sitting; null while it is open. */
  beginOn: z.iso.date('The first day must be a date').nullable(),
  /** So long at the bench on one day, whatever that day of the week has; null where it has as long as ever. */
  tonight: tonightSchema.nullable(),
  /** Steps moved by hand: each comes after another one, or before it. Later ones win. */
  moves: z
    .array(
      z.strictObject({
        operation: operationId('Step'),
        place: z.enum(['before', 'after']),
        other: operationId('Step'),
      }),
    )
    .max(400),
  chosen: z.array(chosenSchema).max(400),
});

export type Work = z.infer<typeof workSchema>;

export const plainWork = (): Work => ({
  needles: 'coarse to fine',
  oneNeedleId: null,
  trim: 'as you go',
  beginOn: null,
  tonight: null,
  moves: [],
  chosen: [],
});
