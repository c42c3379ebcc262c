/** The cupboard: lots of wool with their sorted locks, needles, wire and practice swatches, shared by all pieces. */
import { z } from 'zod';
import { coatSchema } from './coat';
import { recipeSchema } from './shade';
import { choice, colour, field, flag, id, name, owned, said } from './fields';

export const CUPBOARD_KIND = 'fond-badger/cupboard';
export const CUPBOARD_SCHEMA = 6;

export const WOOL_FORMS = ['combed top', 'carded batt', 'locks', 'raw fleece', 'yarn'] as const;
export const NEEDLE_SECTIONS = ['triangle', 'star', 'twisted', 'crown', 'reverse'] as const;

export const LOCK_GRADES = ['best', 'good', 'plain'] as const;

/** Piles a lot is sorted into at most. */
export const MOST_PILES = 40;

/** Locks sorted onto one pile. */
export const pileSchema = z.strictObject({
  lengthMm: field('length', 'Length of the locks', 5, 400, { label: 'Length' }),
  widthMm: field('length', 'Width of the locks', 0.5, 60, { label: 'Width' }),
  count: field('count', 'Number of locks', 0, 5000, { label: 'Locks' }),
  grade: choice(LOCK_GRADES, 'Grade', { beside: true }),
});

const tipColour = said(colour('Colour of the tips'), {
  label: 'Colour of the tips',
  colour: true,
  ask: 'tips of another colour',
  beginsAs: 'colour',
});
export const mottleSchema = z.strictObject({
  colour: colour('Colour in the wool', 'Colour'),
  share: field('share', 'Share of a colour', 0.01, 0.95, { label: 'Share', slide: [0.01, 0.95, 0.01] }),
});

export const lotSchema = z.strictObject({
  id: id('Wool'),
  name: name('Name of the wool'),
  form: choice(WOOL_FORMS, 'Form'),
  colour: colour('Colour'),
  finenessUm: field('fineness', 'Fineness', 8, 80),
  finenessCv: field('number', 'Variation of fineness', 0, 0.6, {
    help: 'Spread of the fibres’ widths over their mean. Usual: 0.22.',
  }),
  stapleMm: field('length', 'Staple', 5, 400, { help: 'Length of the fibre as it grew.' }),
  haveG: field('mass', 'Wool at hand', 0, 20000, { label: 'At hand' }),
  pricePer100g: field('number', 'Price per 100 g', 0, 1000).nullable(),
  /** Colour of the tips where it differs, and how much of the fibre has it. */
  tipColour: tipColour.nullable(),
  tipShare: field('number', 'Share of the tips', 0.02, 0.9, { label: 'Share of the fibre that is tip' }),
  /** Wave of the lock from crest to crest, and how far it swings out; 0 for straight. */
  crimpMm: field('length', 'Crimp', 0, 60, { label: 'Crimp, crest to crest', help: '0 for straight wool.' }),
  crimpDepthMm: field('length', 'Depth of the crimp', 0, 20),
  /** Other colours in a natural wool with their shares of its mass; the rest has the colour above. */
  mottle: z
    .array(mottleSchema)
    .max(4)
    .refine(
      (m) => m.reduce((s, x) => s + x.share, 0) <= 0.98,
      'The shares of the other colours must leave something of the first',
    ),
  /** Sorted locks, where they have been counted. */
  piles: z.array(pileSchema).max(MOST_PILES),
});

export const needleSchema = z.strictObject({
  id: id('Needle'),
  name: name('Name of the needle'),
  gauge: field('count', 'Gauge', 20, 50),
  section: choice(NEEDLE_SECTIONS, 'Section'),
  count: field('count', 'Number of needles', 0, 500, { label: 'Number' }),
  /** Across the working blade. */
  thickMm: field('fine', 'Thickness of the blade', 0.2, 1.5, { label: 'Blade thick' }),
  /** From the point to the first barb. */
  tipMm: field('fine', 'Point to first barb', 0.5, 15, { label: 'Point to barb' }),
  /** On each edge; the edges take turns, so that the barbs of all of them are spread evenly. */
  barbs: field('count', 'Barbs on one edge', 1, 6, { label: 'Barbs an edge' }),
  /** From barb to barb along one edge. */
  gapMm: field('fine', 'Barb to barb along one edge', 0.3, 15, { label: 'Barb to barb' }),
  /** From the point to where the blade grows thicker. */
  bladeMm: field('fine', 'Usable blade', 8, 70, { help: 'From the point to where the blade grows thicker.' }),
  /** True once the maker has laid a rule to it; before that the figures are the usual ones. */
  measured: flag('measured by me'),
});

/** A handle that holds several needles of one kind. */
export const holderSchema = z.strictObject({
  id: id('Holder'),
  name: name('Name of the holder'),
  needleId: owned('needle', 'Needle in the holder', 'Needle'),
  needles: field('count', 'Needles in the holder', 2, 20, { label: 'Holds' }),
});

const WIRE_METALS = ['steel', 'aluminium', 'copper'] as const;

export const wireSchema = z.strictObject({
  id: id('Wire'),
  name: name('Name of the wire'),
  kind: choice(['wire', 'pipe cleaner'], 'Kind'),
  metal: choice(WIRE_METALS, 'Metal'),
  /** Of the bare wire; of a pipe cleaner over its pile. */
  diameterMm: field('fine', 'Thickness of the wire', 0.2, 8, { label: 'Thickness' }),
  haveMm: field('length', 'Wire at hand', 0, 100000, { label: 'At hand' }),
});

/** Eyes bought ready: sewn or glued beads, and eyes on a stem. */
export const stockEyeSchema = z.strictObject({
  id: id('Eye'),
  name: name('Name of the eye'),
  kind: choice(['stem', 'bead'], 'Kind of eye', { words: { stem: 'on a stem' } }),
  diameterMm: field('fine', 'Diameter of the eye', 0.8, 60, { label: 'Diameter' }),
  /** Before it is cut; nothing for a bead. */
  stemMm: field('fine', 'Length of the stem', 0, 120, { label: 'Stem long' }),
  stemThickMm: field('fine', 'Thickness of the stem', 0.3, 6, { label: 'Stem thick' }),
  colour: colour('Colour of the eye', 'Colour'),
  count: field('count', 'Number of eyes', 0, 1000, { label: 'How many' }),
});

export const threadSchema = z.strictObject({
  id: id('Thread'),
  name: name('Name of the thread'),
  kind: choice(['nylon', 'horsehair', 'waxed thread'], 'Kind of thread'),
  thickMm: field('fine', 'Thickness of the thread', 0.03, 3, { label: 'Thickness' }),
  colour: colour('Colour of the thread', 'Colour'),
  haveMm: field('fine', 'Thread at hand', 0, 1_000_000, { label: 'At hand' }),
});

const SWATCH_VERDICTS = ['hidden', 'shows a little', 'shows'] as const;

/** A practice ball covered by the spec of an area, and what came of it. */
export const swatchSchema = z.strictObject({
  id: id('Swatch'),
  name: name('Name of the swatch'),
  at: z.iso.datetime('The time of a swatch must be a date and time'),
  coat: coatSchema,
  diameterMm: field('length', 'Diameter of the ball', 15, 150, { label: 'Ball', slide: [20, 80, 1] }),
  verdict: choice(SWATCH_VERDICTS, 'The base is', {
    beside: true,
    words: { 'shows a little': 'showing a little', shows: 'showing' },
  }),
  /** Measured with a rule from the ball to the top of the fur. */
  loftMm: field('length', 'Measured loft', 0.2, 100, { label: 'Loft', ask: 'loft measured with a rule' }).nullable(),
  /** What really lay on a cm of row. */
  weighedMgCm: field('linear', 'Weighed row', 0.1, 600, { label: 'On a cm of row', ask: 'a row weighed' }).nullable(),
});

/** A blend really made, and the colour it came out in. */
const blendTestSchema = z.strictObject({
  id: id('Blend'),
  name: name('Name of the blend'),
  at: z.iso.datetime('The time of a blend must be a date and time'),
  recipe: recipeSchema.refine((r) => r.length >= 2, 'A blend to learn from needs two wools or more'),
  even: field('share', 'Evenness of the blend', 0, 1, { label: 'Evenness', slide: [0, 1, 0.05] }),
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
