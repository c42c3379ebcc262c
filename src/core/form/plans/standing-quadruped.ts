/**
 * Body plan: a standing quadruped of no particular kind, in thousandths of its length from nose to tail tip, with the
 * areas makers usually tell apart. A new piece starts from it. The plan itself is data; its proportions are ours.
 */
import { z } from 'zod';
import { areaSchema, partSchema } from '@/core/piece/schema';
import plan from './standing-quadruped.json';

export const STANDING_QUADRUPED = 'standing-quadruped';

export const bodyPlanSchema = z.strictObject({
  parts: z.array(partSchema),
  areas: z.array(areaSchema.omit({ coat: true })),
});

export const standingQuadruped = bodyPlanSchema.parse(plan);
