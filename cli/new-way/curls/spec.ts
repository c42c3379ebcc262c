/** Curls wound round a stick, cut open and set by their root: what a maker decides about them. */
import { z } from 'zod';
import { id, measure } from '@/core/piece/fields';

export const curlsSchema = z.strictObject({
  method: z.literal('curls'),
  lotId: id('Wool'),
  lengthMm: measure('Height of a curl', 2, 60, 'mm'),
  spacingMm: measure('Row spacing', 0.5, 60, 'mm'),
  pitchMm: measure('Curl to curl', 1, 60, 'mm'),
  curlMg: measure('Weight of a curl', 0.2, 500, 'mg'),
});
export type Curls = z.infer<typeof curlsSchema>;
