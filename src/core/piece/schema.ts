/**
 * The piece: everything decided about one animal and nothing that can be computed. This schema is the single definition;
 * types, messages and the published JSON Schema follow from it. Parts are drawn in thousandths of the finished length.
 */
import { z } from 'zod';
import { id, measure, name, whole } from './fields';

export const PIECE_KIND = 'fond-badger/piece';
export const PIECE_SCHEMA = 1;

const point = z.tuple([
  measure('Place left or right', -2000, 2000, 'thousandths of the length'),
  measure('Place up', -2000, 2000, 'thousandths of the length'),
  measure('Place forward', -2000, 2000, 'thousandths of the length'),
]);
const radius = measure('Radius', 1, 1000, 'thousandths of the length');

const partCommon = {
  id: id('Part name'),
  name: name('Part name'),
  /** True: the part stands on both sides, drawn once on the animal's left. */
  mirrored: z.boolean(),
  /** How softly it runs into the parts before it. */
  blend: measure('Blend', 0, 300, 'thousandths of the length'),
  /** The way the fur points along the part, from its first end to its last or back. */
  lie: z.enum(['to-end', 'to-start']),
};

export const partSchema = z.discriminatedUnion('shape', [
  z.strictObject({
    ...partCommon,
    shape: z.literal('limb'),
    nodes: z
      .array(z.strictObject({ at: point, radius }))
      .min(2, 'A limb needs two places or more')
      .max(12),
  }),
  z.strictObject({
    ...partCommon,
    shape: z.literal('pad'),
    start: point,
    end: point,
    halfWidth: radius,
    halfHeight: radius,
  }),
]);

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
  parts: z.array(id('Part')).min(1, 'Choose at least one part'),
  /** Share of the way along the part, 0 at its first end. */
  along: shareRange.optional(),
  /** Degrees round the part, 0 on top (in front, on an upright part), 180 underneath (behind). */
  around: angleRange.optional(),
});

export const foldOverSchema = z.strictObject({
  method: z.literal('fold-over'),
  lotId: id('Wool'),
  lengthMm: measure('Finished length', 3, 200, 'mm'),
  spacingMm: measure('Row spacing', 0.5, 60, 'mm'),
  liftDeg: measure('Lift', 0, 80, 'degrees'),
  layMgCm: measure('Lay weight', 0.2, 300, 'mg per cm of row'),
  pinchWidthMm: measure('Width of a pinch', 1, 60, 'mm'),
  pinchPitchMm: measure('Distance from pinch to pinch', 1, 120, 'mm'),
});

/** Every way of covering an area; a new way is one more entry here and one more file in the coat stage. */
export const coatSchema = z.discriminatedUnion('method', [
  foldOverSchema,
  z.strictObject({ method: z.literal('none') }),
]);

export const areaSchema = z.strictObject({
  id: id('Area'),
  name: name('Area name'),
  where: z.array(selectorSchema).min(1, 'An area needs a place on the animal'),
  coat: coatSchema,
});

const logCommon = {
  id: id('Log entry'),
  at: z.iso.datetime('The time of a log entry must be a date and time'),
  areaId: id('Area'),
};
export const logEntrySchema = z.discriminatedUnion('kind', [
  z.strictObject({
    ...logCommon,
    kind: z.literal('row'),
    row: whole('Row', 1, 5000),
    minutes: measure('Minutes', 0, 600, 'min'),
  }),
  z.strictObject({
    ...logCommon,
    kind: z.literal('wool'),
    lotId: id('Wool'),
    grams: measure('Wool used', 0, 2000, 'g'),
  }),
  z.strictObject({ ...logCommon, kind: z.literal('note'), words: name('Note', 2000) }),
]);

export const pieceSchema = z
  .strictObject({
    kind: z.literal(PIECE_KIND),
    schema: z.literal(PIECE_SCHEMA),
    id: id('Piece'),
    name: name('Piece name'),
    note: z.string().max(4000, 'The note must not be longer than 4000 letters'),
    seed: whole('Seed', 0, 2 ** 31 - 1),
    form: z.strictObject({
      plan: id('Body plan'),
      finishedLengthMm: measure('Finished length', 30, 1500, 'mm'),
      lifeLengthMm: measure('Length in life', 30, 6000, 'mm'),
      parts: z.array(partSchema).min(1, 'The animal needs at least one part').max(60),
    }),
    areas: z.array(areaSchema).max(60),
    log: z.array(logEntrySchema).max(20000),
  })
  .superRefine((piece, ctx) => {
    const parts = new Set(piece.form.parts.map((p) => p.id));
    if (parts.size < piece.form.parts.length) {
      ctx.addIssue({ code: 'custom', path: ['form', 'parts'], message: 'Two parts have the same name' });
    }
    if (new Set(piece.areas.map((a) => a.id)).size < piece.areas.length) {
      ctx.addIssue({ code: 'custom', path: ['areas'], message: 'Two areas have the same name' });
    }
    piece.areas.forEach((a, i) =>
      a.where.forEach((w, j) =>
        w.parts.forEach((p, k) => {
          if (!parts.has(p)) {
            ctx.addIssue({
              code: 'custom',
              path: ['areas', i, 'where', j, 'parts', k],
              message: `${a.name} lies on a part called ${p}, which this animal does not have`,
            });
          }
        }),
      ),
    );
  });

export type Piece = z.infer<typeof pieceSchema>;
export type Part = z.infer<typeof partSchema>;
export type Selector = z.infer<typeof selectorSchema>;
export type Area = z.infer<typeof areaSchema>;
export type FoldOver = z.infer<typeof foldOverSchema>;
export type Coat = z.infer<typeof coatSchema>;
export type LogEntry = z.infer<typeof logEntrySchema>;
