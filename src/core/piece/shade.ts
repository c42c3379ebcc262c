/**
 * How an area gets its colour: layers of wool from the bottom to the top, one of them the coat itself, and markings with
 * layers of their own. Also the small parts (nose, pads, beak) whose colours have to agree with it.
 */
import { z } from 'zod';
import { colour, id, measure, name, whole } from './fields';
import { placeSchema, selectorSchema, strokeSchema } from './places';

/** One to four wools by parts. */
export const recipeSchema = z
  .array(z.strictObject({ lotId: id('Wool'), parts: whole('Parts', 1, 64) }))
  .min(1, 'A blend needs a wool')
  .max(4, 'A blend has at most four wools')
  .refine((r) => new Set(r.map((x) => x.lotId)).size === r.length, 'The same wool stands twice in the blend');

const even = measure('Evenness of the blend', 0, 1, '');
export const layerAreal = measure('Wool of the layer', 0.1, 60, 'mg per square cm');

/** Where in the area a layer lies, and how much of it there. */
const layerWhereSchema = z.discriminatedUnion('kind', [
  z.strictObject({ kind: z.literal('all') }),
  /** Full at one place, the least at the other; null for the hem and for the top of the area. */
  z.strictObject({
    kind: z.literal('fade'),
    from: placeSchema.nullable(),
    to: placeSchema.nullable(),
    least: measure('Left at the end of the fade', 0, 1, ''),
  }),
  /** Along the border of the area. */
  z.strictObject({ kind: z.literal('edge'), widthMm: measure('Width along the border', 0.5, 60, 'mm') }),
  /** Along a line over the skin. */
  z.strictObject({
    kind: z.literal('line'),
    places: z.array(placeSchema).min(1, 'A line needs a place').max(200),
    widthMm: measure('Width of the line', 0.3, 40, 'mm'),
    mirrored: z.boolean(),
  }),
]);

const common = { id: id('Layer'), where: layerWhereSchema };
const TEXTURES = ['fine', 'tufts'] as const;

const layerSchema = z.discriminatedUnion('kind', [
  /** The coat of the area as it is laid; a blend in place of its wool where one is given. */
  z.strictObject({ kind: z.literal('coat'), id: id('Layer'), blend: recipeSchema.nullable(), even }),
  z.strictObject({
    kind: z.literal('veil'),
    ...common,
    recipe: recipeSchema,
    even,
    arealMgCm2: layerAreal,
    /** Meant to let what is below show, or to hide it. */
    aim: z.enum(['let through', 'hide']),
  }),
  z.strictObject({ kind: z.literal('line'), ...common, lotId: id('Wool'), arealMgCm2: layerAreal }),
  z.strictObject({
    kind: z.literal('flecks'),
    ...common,
    lotId: id('Wool'),
    share: measure('Share of the flecks', 0.01, 0.9, ''),
    texture: z.enum(TEXTURES),
  }),
  /** A dark line felted deep, veiled with the ground colour. */
  z.strictObject({
    kind: z.literal('shadow'),
    ...common,
    lotId: id('Wool'),
    arealMgCm2: layerAreal,
    veilMgCm2: measure('Wool of the veil over it', 0.1, 40, 'mg per square cm'),
  }),
  /** The ground colour with some white in it. */
  z.strictObject({
    kind: z.literal('highlight'),
    ...common,
    lotId: id('Wool'),
    share: measure('Share of the white', 0.05, 0.95, ''),
    arealMgCm2: layerAreal,
  }),
  /** A pass of the reverse needle that pulls a colour up from below. */
  z.strictObject({
    kind: z.literal('raise'),
    ...common,
    lotId: id('Wool'),
    share: measure('Share raised', 0.01, 0.9, ''),
    texture: z.enum(TEXTURES),
  }),
]);

/** How its border runs: how far it strays, and how wide it is softened with the reverse needle. */
export const borderSchema = z.strictObject({
  raggedMm: measure('Irregular border', 0, 15, 'mm'),
  softMm: measure('Softened border', 0, 15, 'mm'),
});

export const areaShadeSchema = z
  .strictObject({
    /** The colour it should come out in, where one was picked. */
    wanted: colour('Wanted colour').nullable(),
    border: borderSchema,
    /** From the bottom to the top. */
    layers: z.array(layerSchema).min(1).max(24),
  })
  .refine((s) => s.layers.filter((l) => l.kind === 'coat').length === 1, 'The coat must stand once among the layers')
  .refine((s) => new Set(s.layers.map((l) => l.id)).size === s.layers.length, 'Two layers have the same name');

const size = (what: string) => measure(what, 0.3, 400, 'mm');

const markingShapeSchema = z.discriminatedUnion('kind', [
  z.strictObject({
    kind: z.enum(['stripe', 'blaze']),
    /** The places it runs through, from its start to its end. */
    through: z.array(placeSchema).min(2, 'A stripe needs two places').max(40),
    startMm: size('Width at the start'),
    endMm: measure('Width at the end', 0, 400, 'mm'),
    /** How far short of its last place it stops, along the skin. */
    stopMm: measure('Stops short by', 0, 200, 'mm'),
  }),
  z.strictObject({
    kind: z.enum(['spot', 'mask']),
    at: placeSchema,
    alongMm: size('Size along the lie'),
    acrossMm: size('Size across the lie'),
  }),
  z.strictObject({
    kind: z.literal('bars'),
    where: selectorSchema,
    count: whole('Number of bars', 1, 40),
    /** Share of the way from bar to bar that a bar takes. */
    share: measure('Share of a bar', 0.05, 0.95, ''),
  }),
  z.strictObject({ kind: z.literal('sock'), where: selectorSchema }),
  z.strictObject({ kind: z.literal('painted'), strokes: z.array(strokeSchema).max(200) }),
]);

export const pieceMarkingSchema = z.strictObject({
  id: id('Marking'),
  name: name('Name of the marking'),
  shape: markingShapeSchema,
  /** On both sides alike; on the midline it is its own mirror image. */
  mirrored: z.boolean(),
  /** Laid under the pile, before the coat, and not over it. */
  under: z.boolean(),
  /** Broken into dashes with the reverse needle. */
  broken: z
    .strictObject({ dashMm: measure('Length of a dash', 0.5, 60, 'mm'), gapMm: measure('Gap', 0.5, 60, 'mm') })
    .nullable(),
  border: borderSchema,
  layers: z
    .array(layerSchema)
    .min(1, 'A marking needs a layer')
    .max(8)
    .refine((l) => !l.some((x) => x.kind === 'coat'), 'A marking has no coat of its own'),
});

export const SMALL_KINDS = ['nose', 'lip', 'eye', 'eye rim', 'beak', 'pads', 'claws', 'hooves', 'other'] as const;

export const smallPartSchema = z.strictObject({
  id: id('Small part'),
  name: name('Name of the small part'),
  kind: z.enum(SMALL_KINDS),
  /** Part it sits on. */
  on: id('Part'),
  recipe: recipeSchema,
  even,
});

/** Parts of the animal a marking is placed by. */
export function markingShapeParts(s: MarkingShape): string[] {
  if ('through' in s) return s.through.map((p) => p.part);
  if ('at' in s) return [s.at.part];
  if ('where' in s) return s.where.parts;
  return s.strokes.flatMap((x) => x.places.map((p) => p.part));
}

export type Recipe = z.infer<typeof recipeSchema>;
export type LayerWhere = z.infer<typeof layerWhereSchema>;
export type Layer = z.infer<typeof layerSchema>;
export type AreaShade = z.infer<typeof areaShadeSchema>;
export type Border = z.infer<typeof borderSchema>;
export type MarkingShape = z.infer<typeof markingShapeSchema>;
export type PieceMarking = z.infer<typeof pieceMarkingSchema>;
export type SmallPart = z.infer<typeof smallPartSchema>;

/** A shade with nothing decided: the coat in the colour of its wool. */
export const plainShade = (): AreaShade => ({
  wanted: null,
  border: { raggedMm: 0, softMm: 0 },
  layers: [{ kind: 'coat', id: 'coat', blend: null, even: 1 }],
});
