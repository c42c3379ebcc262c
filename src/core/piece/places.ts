/** Places on the animal: by part and band, by a point of the skin, by strokes of a brush. */
import { z } from 'zod';
import { field, id, measure } from './fields';

const shareRange = z
  .strictObject({ from: measure('Band start', 0, 1, ''), to: measure('Band end', 0, 1, '') })
  .refine((b) => b.from < b.to, 'The band must end after it starts');
const angleRange = z
  .strictObject({
    from: measure('Band start', 0, 180, 'degrees from the top'),
    to: measure('Band end', 0, 180, 'degrees from the top'),
  })
  .refine((b) => b.from < b.to, 'The band must end after it starts');

/** Places on the animal, kept relative to the parts so that they survive resizing and posing. */
export const selectorSchema = z.strictObject({
  parts: z.array(id('Part')).min(1, 'Choose at least one part').max(60, 'There are not that many parts'),
  /** Share of the way along the part, 0 at its first end. */
  along: shareRange.optional(),
  /** Degrees round the part, 0 on top (in front, on an upright part), 180 underneath (behind). */
  around: angleRange.optional(),
  /** One side only; both without it. */
  side: z.enum(['left', 'right']).optional(),
  /** Share of the way up a board, 0 at its lower edge; on any other part it says nothing. */
  upward: shareRange.optional(),
  /** Of a leaf its back or its hollow only; both without it, and of any other part. */
  face: z.enum(['back', 'hollow']).optional(),
});

/**
 * A place on the skin by the part it sits on: share of the way along it, and how far out towards its top and its left
 * (outward on a paired part) in its own radii.
 */
export const placeSchema = z.strictObject({
  part: id('Part'),
  side: z.enum(['left', 'right']),
  along: field('number', 'Place along the part', -1, 2, { label: 'Along the part', slide: [-1, 1.2, 0.05] }),
  up: field('number', 'Place towards the top', -6, 6, { label: 'Up', unit: 'radii', slide: [-1.2, 1.2, 0.05] }),
  out: field('number', 'Place outward', -6, 6, { label: 'Out', unit: 'radii', slide: [-1.2, 1.2, 0.05] }),
});

/** One stroke of the brush: adds to an area or takes from it. */
export const strokeSchema = z.strictObject({
  adds: z.boolean(),
  mirrored: z.boolean(),
  reach: measure('Width of the brush', 2, 300, 'thousandths of the length'),
  places: z.array(placeSchema).min(1).max(600),
});

export type Place = z.infer<typeof placeSchema>;
export type Stroke = z.infer<typeof strokeSchema>;
export type Selector = z.infer<typeof selectorSchema>;
