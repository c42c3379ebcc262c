/**
 * The log: what was really done, in the order it was written down. An entry put right keeps what it said before; one taken back is gone.
 */
import { z } from 'zod';
import { ELEMENT_NAMES } from '@/core/time/elements';
import { id, measure, name, whole } from './fields';
import { placeSchema } from './places';

export const operationId = (what: string) =>
  z
    .string({ error: `${what} must be text` })
    .regex(/^[a-z0-9][a-z0-9-]{0,199}$/, `${what} must be small letters, digits and dashes`);

/** What a step was done by: a short mark for each decision behind it, so that a later change of one is seen. */
const madeBySchema = z.record(z.string().max(60), z.string().max(40));

const when = z.iso.datetime('The time of a log entry must be a date and time');

/** What an entry said before it was put right, and when that was. */
const wasSchema = z.strictObject({
  at: when,
  said: z.record(z.string().max(40), z.union([z.string().max(2000), z.number(), z.boolean()])),
});

const logCommon = {
  id: id('Log entry'),
  at: when,
  areaId: id('Area'),
  /** Whose hand did it. */
  by: id('Hand'),
  was: z.array(wasSchema).max(50, 'An entry can be put right 50 times'),
};

/** What some work was made of: how often each element occurs in it. */
export const workMadeOf = z.partialRecord(z.enum(ELEMENT_NAMES), measure('Elements of work', 0, 1e6, ''));

/**
 * What was planned for it that day: minutes as they were said, and what they were made of; null where that was not kept. Whether a watch
 * ran beside it: minutes put in from the plan teach nothing.
 */
const promised = {
  timed: z.boolean(),
  planned: measure('Minutes planned', 0, 100_000, 'min').nullable(),
  work: workMadeOf.nullable(),
};

/** How far up its area a row lies, 0 at the mean of its hem and 1 at the top; null where that was not kept. */
const up = measure('Place of the row', -10, 1, '').nullable();

/** What may be wrong with a row or a step. */
export const WRONGS = [
  'too thick',
  'too thin',
  'wrong colour',
  'wrong place',
  'came loose',
  'uneven',
  'other',
] as const;
/** What becomes of wool that is pulled off. */
export const PULLED = ['used again', 'waste'] as const;
/** What can be measured on the piece instead of planned: how far apart rows lie and pieces along them, how long a row is, how wide a flat part came out. */
const MEASURED = ['spacing', 'loft', 'cut', 'row', 'pitch', 'shrink'] as const;
/** What a measure with a rule may come to; and along a row or across a flat part. */
export const MEASURED_MM = measure('What was measured', 0.3, 200, 'mm');
export const LONG_MM = measure('What was measured', 0.3, 3000, 'mm');
const LONG: ReadonlySet<(typeof MEASURED)[number]> = new Set(['row', 'pitch', 'shrink']);

/** A span as it was said. */
const said = (what: string, most: number) =>
  z.strictObject({
    low: measure(what, 0, most, ''),
    likely: measure(what, 0, most, ''),
    high: measure(what, 0, most, ''),
  });

const counts = z.record(id('Needle'), whole('Number of needles', 0, 500));

export const logEntrySchema = z.discriminatedUnion('kind', [
  z.strictObject({
    ...logCommon,
    kind: z.literal('row'),
    row: whole('Row', 1, 5000),
    up,
    minutes: measure('Minutes', 0, 600, 'min'),
    made: madeBySchema,
    ...promised,
  }),
  /** Wool of one lot that went, weighed before and after: what was asked for it, and what of it left the cupboard. */
  z.strictObject({
    ...logCommon,
    kind: z.literal('wool'),
    lotId: id('Wool'),
    grams: measure('Wool used', 0, 2000, 'g'),
    /** What the plan asks for what was done since wool was weighed last, before anything learned from the log; null where not known. */
    askedG: measure('Wool asked for', 0, 2000, 'g').nullable(),
    /** The way it was laid; null where it was not laid. */
    way: id('Way of laying').nullable(),
    /** The step it was weighed for; null where that was not kept. */
    operation: operationId('Step').nullable(),
    /** What of it left the cupboard; null where it never did. */
    takenG: measure('Wool taken out of the cupboard', 0, 2000, 'g').nullable(),
  }),
  /** A row, or a step, that went wrong: pulled off and to be done anew, or left as it is. */
  z.strictObject({
    ...logCommon,
    kind: z.literal('wrong'),
    operation: operationId('Step'),
    /** The row; null where it is a step as a whole. */
    row: whole('Row', 1, 5000).nullable(),
    up,
    off: z.boolean(),
    why: z.enum(WRONGS),
    wool: z.enum(PULLED).nullable(),
    words: z.string().max(2000, 'The note must not be longer than 2000 letters'),
  }),
  /** Measured on the piece, beside what was planned there. Lengths mm. */
  z
    .strictObject({
      ...logCommon,
      kind: z.literal('measured'),
      what: z.enum(MEASURED),
      /** Of a row as the shape has it, whatever was measured before; of a flat part its pattern. */
      plannedMm: measure('What was planned', 0.3, 3000, 'mm'),
      actualMm: LONG_MM,
      way: id('Way of laying'),
      /** For a spacing: so many rows lie so far apart, from the hem; for a row its number. */
      rows: whole('Rows', 1, 5000).nullable(),
      /** Where the row lies. */
      up,
      /** Whether the rest was planned with it. */
      anew: z.boolean(),
    })
    .refine((e) => LONG.has(e.what) || e.actualMm <= 200, {
      path: ['actualMm'],
      error: 'What was measured must be between 0.3 and 200 mm',
    }),
  /** An area stops before its last row: so many rows lie, the last of them so far up. */
  z.strictObject({ ...logCommon, kind: z.literal('stopped'), rows: whole('Rows', 1, 5000), up }),
  /** A sitting begins: what was left to do by the plan of that day, and what wool and rows of the whole piece came to; null where not kept. */
  z.strictObject({
    ...logCommon,
    kind: z.literal('sitting'),
    leftMinutes: said('Minutes left', 1e6),
    woolG: said('Wool of the piece', 1e5).nullable(),
    rows: said('Rows of the piece', 1e6).nullable(),
    doneOn: z.iso.date('The day it will be done must be a date').nullable(),
  }),
  z.strictObject({ ...logCommon, kind: z.literal('note'), words: name('Note', 2000) }),
  /** A photograph of how it stands: the picture itself is kept beside the piece, under the name of the entry. */
  z.strictObject({
    ...logCommon,
    kind: z.literal('photo'),
    operation: operationId('Step').nullable(),
    /** How the animal on the screen was turned beside it; null where that says nothing. */
    seen: z
      .strictObject({
        yawDeg: measure('Turn of the animal', -360, 360, '°'),
        pitchDeg: measure('Tilt of the animal', -90, 90, '°'),
      })
      .nullable(),
    words: z.string().max(2000, 'The words must not be longer than 2000 letters'),
  }),
  /** A step done as a whole; or one kept as it is although a decision behind it has changed. */
  z.strictObject({
    ...logCommon,
    kind: z.literal('step'),
    operation: operationId('Step'),
    minutes: measure('Minutes', 0, 2880, 'min'),
    made: madeBySchema,
    ...promised,
    /** Left as it is although a decision has changed: says nothing of how far it is. */
    kept: z.boolean(),
  }),
  /** Steps taken apart again; what was logged for them before no longer counts as done. */
  z.strictObject({
    ...logCommon,
    kind: z.literal('start-over'),
    operations: z.array(operationId('Step')).min(1, 'Starting over needs a step').max(2000),
    words: z.string().max(2000, 'The reason must not be longer than 2000 letters'),
  }),
  /** A needle that broke, at which step and where on the body, and whether its point was found. */
  z.strictObject({
    ...logCommon,
    kind: z.literal('broken'),
    needleId: id('Needle'),
    operation: operationId('Step').nullable(),
    place: placeSchema.nullable(),
    found: z.boolean(),
  }),
  /** A missing needle searched for and not found: said where, so that nobody has to wonder. */
  z.strictObject({
    ...logCommon,
    kind: z.literal('searched'),
    needleId: id('Needle'),
    /** So many are there without it. */
    left: whole('Number of needles', 0, 500),
    words: z.string().max(2000, 'Where it was searched must not be longer than 2000 letters'),
  }),
  /** Needles counted as a sitting begins or ends. */
  z.strictObject({ ...logCommon, kind: z.literal('needles'), when: z.enum(['before', 'after']), counts }),
]);

export type LogEntry = z.infer<typeof logEntrySchema>;
export type MadeBy = z.infer<typeof madeBySchema>;
