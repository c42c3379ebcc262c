/** What was done beside what was asked, as it is kept of every piece with the hand that did it: what the plan learns from. */
import { z } from 'zod';
import { id, measure, whole } from './fields';
import { workMadeOf, WRONGS } from './log-entry';

/** What is learned. */
const LEARNT = ['time', 'wool', 'spacing', 'loft', 'shrink', 'ready'] as const;

const doneSchema = z.strictObject({
  of: z.enum(LEARNT),
  /** The way of laying; null for time, and for what is not laid. */
  way: id('Way of laying').nullable(),
  /** Of a time: the elements it was made of. */
  work: workMadeOf.nullable(),
  /** In minutes as they were said that day, grams before anything learned from the log, or millimetres. */
  asked: measure('What was asked', 0, 1e6, ''),
  actual: measure('What was done', 0, 1e6, ''),
});
export type Done = z.infer<typeof doneSchema>;

export const donePieceSchema = z.strictObject({
  pieceId: id('Piece'),
  name: z.string().max(80, 'The name of a piece must not be longer than 80 letters'),
  /** When its last entry was written down: later pieces count more. */
  at: z.iso.datetime('The time of a log entry must be a date and time'),
  done: z.array(doneSchema).max(20_000),
  /** What went wrong, by reason; left out where that was not kept. */
  wrongs: z
    .array(
      z.strictObject({
        why: z.enum(WRONGS),
        times: whole('Times it went wrong', 1, 20_000),
        pulledOff: whole('Times it was pulled off', 0, 20_000),
      }),
    )
    .max(WRONGS.length)
    .optional(),
});
export type DonePiece = z.infer<typeof donePieceSchema>;
