/** The log: what was really done, in the order it was written down. Entries are never changed, only taken back. */
import { z } from 'zod';
import { id, measure, name, whole } from './fields';

export const operationId = (what: string) =>
  z
    .string({ error: `${what} must be text` })
    .regex(/^[a-z0-9][a-z0-9-]{0,199}$/, `${what} must be small letters, digits and dashes`);

/** What a step was done by: a short mark for each decision behind it, so that a later change of one is seen. */
const madeBySchema = z.record(z.string().max(60), z.string().max(40));

const logCommon = {
  id: id('Log entry'),
  at: z.iso.datetime('The time of a log entry must be a date and time'),
  areaId: id('Area'),
};

const counts = z.record(id('Needle'), whole('Number of needles', 0, 500));

export const logEntrySchema = z.discriminatedUnion('kind', [
  z.strictObject({
    ...logCommon,
    kind: z.literal('row'),
    row: whole('Row', 1, 5000),
    /** How far up the area it lies, 0 at the hem and 1 at the top; null where that was not kept. */
    up: measure('Place of the row', 0, 1, '').nullable(),
    minutes: measure('Minutes', 0, 600, 'min'),
    made: madeBySchema,
  }),
  z.strictObject({
    ...logCommon,
    kind: z.literal('wool'),
    lotId: id('Wool'),
    grams: measure('Wool used', 0, 2000, 'g'),
  }),
  z.strictObject({ ...logCommon, kind: z.literal('note'), words: name('Note', 2000) }),
  /** A step done as a whole; or one kept as it is although a decision behind it has changed. */
  z.strictObject({
    ...logCommon,
    kind: z.literal('step'),
    operation: operationId('Step'),
    minutes: measure('Minutes', 0, 2880, 'min'),
    made: madeBySchema,
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
  /** A needle that broke, at which step, and whether its point was found. */
  z.strictObject({
    ...logCommon,
    kind: z.literal('broken'),
    needleId: id('Needle'),
    operation: operationId('Step').nullable(),
    found: z.boolean(),
  }),
  /** Needles counted as a sitting begins or ends. */
  z.strictObject({ ...logCommon, kind: z.literal('needles'), when: z.enum(['before', 'after']), counts }),
]);

export type LogEntry = z.infer<typeof logEntrySchema>;
export type MadeBy = z.infer<typeof madeBySchema>;
