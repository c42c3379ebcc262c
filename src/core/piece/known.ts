/** Findings the maker knows and goes on with, each with how bad it was then: it comes back when it gets worse. */
import { z } from 'zod';

export const SEVERITIES = ['stop', 'caution', 'note'] as const;

/** So many are kept with a piece; the one known longest makes way. */
export const MOST_KNOWN = 400;

export const knownSchema = z.strictObject({
  /** The finding, by the id it keeps from plan to plan. */
  id: z.string().min(1, 'A finding needs its name').max(300),
  severity: z.enum(SEVERITIES),
  /** The figure it goes by, as it was then; null where it goes by its words. */
  measure: z.number().nullable(),
  /** A mark of its words then. */
  words: z.string().max(40),
  reason: z.string().max(500, 'The reason must not be longer than 500 letters'),
});

export type Known = z.infer<typeof knownSchema>;
