/** The cupboard: lots of wool with their sorted locks, needles, wire and practice swatches, shared by all pieces. */
import { z } from 'zod';
import { coatSchema } from './coat';
import { recipeSchema } from './shade';
import { colour, id, measure, name, whole } from './fields';

export const CUPBOARD_KIND = 'fond-badger/cupboard';
export const CUPBOARD_SCHEMA = 6;

export const WOOL_FORMS = ['combed top', 'carded batt', 'locks', 'raw fleece', 'yarn'] as const;
export const NEEDLE_SECTIONS = ['triangle', 'star', 'twisted', 'crown', 'reverse'] as const;

export const LOCK_GRADES = ['best', 'good', 'plain'] as const;

/** Locks sorted onto one pile. */
export const pileSchema = z.strictObject({
  lengthMm: measure('Length of the locks', 5, 400, 'mm'),
  widthMm: measure('Width of the locks', 0.5, 60, 'mm'),
  grade: z.enum(LOCK_GRADES),
  count: whole('Number of locks', 0, 5000),
});

export const lotSchema = z.strictObject({
  id: id('Wool'),
  name: name('Wool name'),
  form: z.enum(WOOL_FORMS),
  colour: colour('Colour'),
  finenessUm: measure('Fineness', 8, 80, 'micron'),
  finenessCv: measure('Variation of fineness', 0, 0.6, ''),
  stapleMm: measure('Staple', 5, 400, 'mm'),
  haveG: measure('Wool at hand', 0, 20000, 'g'),
  pricePer100g: measure('Price per 100 g', 0, 1000, '').nullable(),
  /** Colour of the tips where it differs, and how much of the fibre has it. */
  tipColour: colour('Colour of the tips').nullable(),
  tipShare: measure('Share of the tips', 0.02, 0.9, ''),
  /** Wave of the lock from crest to crest, and how far it swings out; 0 for straight. */
  crimpMm: measure('Crimp', 0, 60, 'mm'),
  crimpDepthMm: measure('Depth of the crimp', 0, 20, 'mm'),
  /** Other colours in a natural wool with their shares of its mass; the rest has the colour above. */
  mottle: z
    .array(
      z.strictObject({ colour: colour('Colour in the wool'), share: measure('Share of a colour', 0.01, 0.95, '') }),
    )
    .max(4)
    .refine(
      (m) => m.reduce((s, x) => s + x.share, 0) <= 0.98,
      'The shares of the other colours must leave something of the first',
    ),
  /** Sorted locks, where they have been counted. */
  piles: z.array(pileSchema).max(40),
});

export const needleSchema = z.strictObject({
  id: id('Needle'),
  name: name('Needle name'),
  gauge: whole('Gauge', 20, 50),
  section: z.enum(NEEDLE_SECTIONS),
  count: whole('Number of needles', 0, 500),
  /** Across the working blade. */
  thickMm: measure('Thickness of the blade', 0.2, 1.5, 'mm'),
  /** From the point to the first barb. */
  tipMm: measure('Point to first barb', 0.5, 15, 'mm'),
  /** On each edge; the edges take turns, so that the barbs of all of them are spread evenly. */
  barbs: whole('Barbs on one edge', 1, 6),
  /** From barb to barb along one edge. */
  gapMm: measure('Barb to barb along one edge', 0.3, 15, 'mm'),
  /** From the point to where the blade grows thicker. */
  bladeMm: measure('Usable blade', 8, 70, 'mm'),
  /** True once the maker has laid a rule to it; before that the figures are the usual ones. */
  measured: z.boolean(),
});

/** A handle that holds several needles of one kind. */
const holderSchema = z.strictObject({
  id: id('Holder'),
  name: name('Name of the holder'),
  needleId: id('Needle in the holder'),
  needles: whole('Needles in the holder', 2, 20),
});

export const WIRE_METALS = ['steel', 'aluminium', 'copper'] as const;

export const wireSchema = z.strictObject({
  id: id('Wire'),
  name: name('Wire name'),
  kind: z.enum(['wire', 'pipe cleaner']),
  metal: z.enum(WIRE_METALS),
  /** Of the bare wire; of a pipe cleaner over its pile. */
  diameterMm: measure('Thickness of the wire', 0.2, 8, 'mm'),
  haveMm: measure('Wire at hand', 0, 100000, 'mm'),
});

/** Eyes bought ready: sewn or glued beads, and eyes on a stem. */
export const stockEyeSchema = z.strictObject({
  id: id('Eye'),
  name: name('Name of the eye'),
  kind: z.enum(['bead', 'stem']),
  diameterMm: measure('Diameter of the eye', 0.8, 60, 'mm'),
  /** Before it is cut; nothing for a bead. */
  stemMm: measure('Length of the stem', 0, 120, 'mm'),
  stemThickMm: measure('Thickness of the stem', 0.3, 6, 'mm'),
  colour: colour('Colour of the eye'),
  count: whole('Number of eyes', 0, 1000),
});

export const threadSchema = z.strictObject({
  id: id('Thread'),
  name: name('Name of the thread'),
  kind: z.enum(['nylon', 'horsehair', 'waxed thread']),
  thickMm: measure('Thickness of the thread', 0.03, 3, 'mm'),
  colour: colour('Colour of the thread'),
  haveMm: measure('Thread at hand', 0, 1_000_000, 'mm'),
});

export const SWATCH_VERDICTS = ['hidden', 'shows a little', 'shows'] as const;

/** A practice ball covered by the spec of an area, and what came of it. */
const swatchSchema = z.strictObject({
  id: id('Swatch'),
  name: name('Name of the swatch'),
  at: z.iso.datetime('The time of a swatch must be a date and time'),
  coat: coatSchema,
  diameterMm: measure('Diameter of the ball', 15, 150, 'mm'),
  verdict: z.enum(SWATCH_VERDICTS),
  /** Measured with a rule from the ball to the top of the fur. */
  loftMm: measure('Measured loft', 0.2, 100, 'mm').nullable(),
  /** What really lay on a cm of row. */
  weighedMgCm: measure('Weighed row', 0.1, 600, 'mg per cm of row').nullable(),
});

/** A blend really made, and the colour it came out in. */
const blendTestSchema = z.strictObject({
  id: id('Blend'),
  name: name('Name of the blend'),
  at: z.iso.datetime('The time of a blend must be a date and time'),
  recipe: recipeSchema.refine((r) => r.length >= 2, 'A blend to learn from needs two wools or more'),
  even: measure('Evenness of the blend', 0, 1, ''),
  colour: colour('Colour of the blend'),
});

export const cupboardSchema = z
  .strictObject({
    kind: z.literal(CUPBOARD_KIND),
    schema: z.literal(CUPBOARD_SCHEMA),
    lots: z.array(lotSchema).max(500),
    needles: z.array(needleSchema).max(200),
    holders: z.array(holderSchema).max(40),
    wires: z.array(wireSchema).max(100),
    eyes: z.array(stockEyeSchema).max(200),
    threads: z.array(threadSchema).max(100),
    swatches: z.array(swatchSchema).max(500),
    blends: z.array(blendTestSchema).max(500),
  })
  .superRefine((c, ctx) => {
    if (new Set(c.lots.map((l) => l.id)).size < c.lots.length) {
      ctx.addIssue({ code: 'custom', path: ['lots'], message: 'Two lots of wool have the same name' });
    }
    if (new Set(c.wires.map((l) => l.id)).size < c.wires.length) {
      ctx.addIssue({ code: 'custom', path: ['wires'], message: 'Two wires have the same name' });
    }
    for (const [what, list] of [
      ['eyes', c.eyes],
      ['threads', c.threads],
    ] as const) {
      if (new Set(list.map((l) => l.id)).size < list.length) {
        ctx.addIssue({ code: 'custom', path: [what], message: `Two ${what} have the same name` });
      }
    }
    if (new Set(c.needles.map((l) => l.id)).size < c.needles.length) {
      ctx.addIssue({ code: 'custom', path: ['needles'], message: 'Two needles have the same name' });
    }
    if (new Set(c.holders.map((l) => l.id)).size < c.holders.length) {
      ctx.addIssue({ code: 'custom', path: ['holders'], message: 'Two holders have the same name' });
    }
    c.holders.forEach((h, i) => {
      if (!c.needles.some((n) => n.id === h.needleId)) {
        ctx.addIssue({
          code: 'custom',
          path: ['holders', i, 'needleId'],
          message: `${h.name} holds a needle that is not in the cupboard`,
        });
      }
    });
  });

/** Whether a reverse needle is owned. */
export const reverseOwned = (c: Pick<Cupboard, 'needles'>): boolean =>
  c.needles.some((n) => n.section === 'reverse' && n.count > 0);

export type Cupboard = z.infer<typeof cupboardSchema>;
export type Pile = z.infer<typeof pileSchema>;
export type Swatch = z.infer<typeof swatchSchema>;
export type BlendTest = z.infer<typeof blendTestSchema>;
export type Lot = z.infer<typeof lotSchema>;
export type Needle = z.infer<typeof needleSchema>;
export type Holder = z.infer<typeof holderSchema>;
export type Wire = z.infer<typeof wireSchema>;
export type StockEye = z.infer<typeof stockEyeSchema>;
export type Thread = z.infer<typeof threadSchema>;
