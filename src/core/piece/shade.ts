/**
 * How an area gets its colour: layers of wool from the bottom to the top, one of them the coat itself, and markings with
 * layers of their own. Also the small parts (nose, pads, beak) whose colours have to agree with it.
 */
import { z } from 'zod';
import { choice, colour, field, flag, id, name, owned, said, type Slide } from './fields';
import { placeSchema, selectorSchema, strokeSchema } from './places';

export const recipePartSchema = z.strictObject({
  lotId: owned('wool', 'Wool'),
  parts: field('count', 'Parts', 1, 64, { slide: [1, 16, 1] }),
});

/** One to four wools by parts. */
export const recipeSchema = z
  .array(recipePartSchema)
  .min(1, 'A blend needs a wool')
  .max(4, 'A blend has at most four wools')
  .refine((r) => new Set(r.map((x) => x.lotId)).size === r.length, 'The same wool stands twice in the blend');

export const even = field('share', 'Evenness of the blend', 0, 1, {
  label: 'Evenness',
  slide: [0, 1, 0.05],
  help: 'All: blended until no wool of it can be told apart; none: laid side by side in strands.',
});
const areal = field('areal', 'Wool of the layer', 0.1, 60, { label: 'Amount', slide: [0.1, 25, 0.1] });
const wool = (label: string) => owned('wool', 'Wool', label);
const share = (name: string, label: string, least: number, most: number, slide: Slide) =>
  field('share', name, least, most, { label, slide });
const widthMm = (name: string, least: number, most: number, slide: Slide) =>
  field('length', name, least, most, { label: 'Width', slide });

/** Where in the area a layer lies, and how much of it there. */
export const layerWhereSchema = z.discriminatedUnion('kind', [
  z.strictObject({ kind: z.literal('all') }),
  /** Full at one place, the least at the other; null for the hem and for the top of the area. */
  z.strictObject({
    kind: z.literal('fade'),
    from: placeSchema.nullable(),
    to: placeSchema.nullable(),
    least: share('Left at the end of the fade', 'Left at the end', 0, 1, [0, 1, 0.05]),
  }),
  /** Along the border of the area. */
  z.strictObject({ kind: z.literal('edge'), widthMm: widthMm('Width along the border', 0.5, 60, [0.5, 25, 0.5]) }),
  /** Along a line over the skin. */
  z.strictObject({
    kind: z.literal('line'),
    places: z.array(placeSchema).min(1, 'A line needs a place').max(200),
    widthMm: widthMm('Width of the line', 0.3, 40, [0.5, 15, 0.5]),
    mirrored: flag('both sides alike'),
  }),
]);

const common = { id: id('Layer'), where: layerWhereSchema };
const texture = choice(['tufts', 'fine'], 'Texture', {
  beside: true,
  words: { tufts: 'stands in tufts', fine: 'worked in fine' },
});

export const veilSchema = z.strictObject({
  kind: z.literal('veil'),
  ...common,
  recipe: recipeSchema,
  even,
  arealMgCm2: areal,
  /** Meant to let what is below show, or to hide it. */
  aim: choice(['let through', 'hide'], 'It is to', {
    beside: true,
    words: { 'let through': 'let it through', hide: 'hide it' },
  }),
});

export const layerSchema = z.discriminatedUnion('kind', [
  /** The coat of the area as it is laid; a blend in place of its wool where one is given. */
  z.strictObject({ kind: z.literal('coat'), id: id('Layer'), blend: recipeSchema.nullable(), even }),
  veilSchema,
  z.strictObject({ kind: z.literal('line'), ...common, lotId: wool('Wool'), arealMgCm2: areal }),
  z.strictObject({
    kind: z.literal('flecks'),
    ...common,
    lotId: wool('Wool'),
    share: share('Share of the flecks', 'Flecks', 0.01, 0.9, [0.01, 0.6, 0.01]),
    texture,
  }),
  /** A dark line felted deep, veiled with the ground colour. */
  z.strictObject({
    kind: z.literal('shadow'),
    ...common,
    lotId: wool('Dark wool'),
    arealMgCm2: areal,
    veilMgCm2: field('areal', 'Wool of the veil over it', 0.1, 40, { label: 'Veil over it', slide: [0.1, 12, 0.1] }),
  }),
  /** The ground colour with some white in it. */
  z.strictObject({
    kind: z.literal('highlight'),
    ...common,
    lotId: wool('White wool'),
    share: share('Share of the white', 'White in it', 0.05, 0.95, [0.05, 0.95, 0.05]),
    arealMgCm2: areal,
  }),
  /** A pass of the reverse needle that pulls a colour up from below. */
  z.strictObject({
    kind: z.literal('raise'),
    ...common,
    lotId: wool('Raise'),
    share: share('Share raised', 'Raised', 0.01, 0.9, [0.01, 0.6, 0.01]),
    texture,
  }),
]);

/** How its border runs: how far it strays, and how wide it is softened with the reverse needle. */
export const borderSchema = z.strictObject({
  raggedMm: field('length', 'Irregular border', 0, 15, { label: 'Border strays', slide: [0, 10, 0.5] }),
  softMm: field('length', 'Softened border', 0, 15, {
    label: 'Softened over',
    slide: [0, 10, 0.5],
    help: 'With the reverse needle, across the border.',
  }),
});

export const areaShadeSchema = z
  .strictObject({
    /** The colour it should come out in, where one was picked. */
    wanted: said(colour('Wanted colour'), { label: 'Wanted', colour: true, ask: 'a colour is wanted' }).nullable(),
    border: borderSchema,
    /** From the bottom to the top. */
    layers: z.array(layerSchema).min(1).max(24),
  })
  .refine((s) => s.layers.filter((l) => l.kind === 'coat').length === 1, 'The coat must stand once among the layers')
  .refine((s) => new Set(s.layers.map((l) => l.id)).size === s.layers.length, 'Two layers have the same name');

const size = (what: string, label: string, slideTo: number, least = 0.3, most = 400) =>
  field('length', what, least, most, { label, slide: [least, slideTo, 0.5] });

export const markingShapeSchema = z.discriminatedUnion('kind', [
  z.strictObject({
    kind: z.enum(['stripe', 'blaze']),
    /** The places it runs through, from its start to its end. */
    through: z.array(placeSchema).min(2, 'A stripe needs two places').max(40),
    startMm: size('Width at the start', 'Width, start', 40),
    endMm: size('Width at the end', 'Width, end', 40, 0),
    /** How far short of its last place it stops, along the skin. */
    stopMm: size('Stops short by', 'Stops short', 40, 0, 200),
  }),
  z.strictObject({
    kind: z.enum(['spot', 'mask']),
    at: placeSchema,
    alongMm: size('Size along the lie', 'Along the lie', 80),
    acrossMm: size('Size across the lie', 'Across the lie', 80),
  }),
  z.strictObject({
    kind: z.literal('bars'),
    where: selectorSchema,
    count: field('count', 'Number of bars', 1, 40, { label: 'Bars', slide: [1, 20, 1] }),
    /** Share of the way from bar to bar that a bar takes. */
    share: share('Share of a bar', 'Bar to gap', 0.05, 0.95, [0.05, 0.95, 0.05]),
  }),
  z.strictObject({ kind: z.literal('sock'), where: selectorSchema }),
  z.strictObject({ kind: z.literal('painted'), strokes: z.array(strokeSchema).max(200) }),
]);

export const dashesSchema = z.strictObject({
  dashMm: size('Length of a dash', 'Dash', 15, 0.5, 60),
  gapMm: size('Gap', 'Gap', 15, 0.5, 60),
});

export const pieceMarkingSchema = z.strictObject({
  id: id('Marking'),
  name: name('Name of the marking'),
  shape: markingShapeSchema,
  /** On both sides alike; on the midline it is its own mirror image. */
  mirrored: flag('both sides alike'),
  /** Laid under the pile, before the coat, and not over it. */
  under: z.boolean(),
  /** Broken into dashes with the reverse needle. */
  broken: dashesSchema.nullable(),
  border: borderSchema,
  layers: z
    .array(layerSchema)
    .min(1, 'A marking needs a layer')
    .max(8)
    .refine((l) => !l.some((x) => x.kind === 'coat'), 'A marking has no coat of its own'),
});

const SMALL_KINDS = ['nose', 'lip', 'eye', 'eye rim', 'beak', 'pads', 'claws', 'hooves', 'other'] as const;

export const smallPartSchema = z.strictObject({
  id: id('Small part'),
  name: name('Name of the part'),
  kind: choice(SMALL_KINDS, 'Kind'),
  on: owned('part', 'Part', 'Sits on'),
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
export type MarkingShape = z.infer<typeof markingShapeSchema>;
export type PieceMarking = z.infer<typeof pieceMarkingSchema>;
export type SmallPart = z.infer<typeof smallPartSchema>;

/** A shade with nothing decided: the coat in the colour of its wool. */
export const plainShade = (): AreaShade => ({
  wanted: null,
  border: { raggedMm: 0, softMm: 0 },
  layers: [{ kind: 'coat', id: 'coat', blend: null, even: 1 }],
});
