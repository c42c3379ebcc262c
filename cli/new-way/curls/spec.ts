/** Curls wound round a stick, cut open and set by their root: what a maker decides about them. */
import { z } from 'zod';
import { field, owned } from '@/core/piece/fields';

export const curlsSchema = z.strictObject({
  method: z.literal('curls'),
  lotId: owned('wool', 'Wool'),
  lengthMm: field('length', 'Height of a curl', 2, 60, { label: 'Curl height', slide: [2, 30, 0.5] }),
  spacingMm: field('length', 'Row spacing', 0.5, 60, { slide: [1, 20, 0.5] }),
  pitchMm: field('length', 'Curl to curl', 1, 60, { slide: [1, 20, 0.5] }),
  curlMg: field('number', 'Weight of a curl', 0.2, 500, { label: 'Curl weight', unit: 'mg', slide: [0.5, 50, 0.5] }),
});
export type Curls = z.infer<typeof curlsSchema>;
