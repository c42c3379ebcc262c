/** What the maker chose about the program itself. */
import { z } from 'zod';

export const settingsSchema = z.object({
  length: z.enum(['mm', 'in']).default('mm'),
  mass: z.enum(['g', 'oz']).default('g'),
  currency: z.string().max(4, 'The sign for money must not be longer than 4 letters').default(''),
  paper: z.enum(['a4', 'letter']).default('a4'),
  /** How the animal is drawn: with all its fur, or with few strands for a machine that draws slowly. */
  picture: z.enum(['whole', 'plain']).catch('whole').default('whole'),
});

export type Settings = z.infer<typeof settingsSchema>;
export const defaultSettings: Settings = settingsSchema.parse({});
