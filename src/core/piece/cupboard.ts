/** The cupboard: lots of wool, needles and wire, shared by all pieces. */
import { z } from 'zod';
import { colour, id, measure, name, whole } from './fields';

export const CUPBOARD_KIND = 'fond-badger/cupboard';
export const CUPBOARD_SCHEMA = 2;

export const WOOL_FORMS = ['combed top', 'carded batt', 'locks', 'raw fleece', 'yarn'] as const;
export const NEEDLE_SECTIONS = ['triangle', 'star', 'twisted', 'crown', 'reverse'] as const;

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
});

export const needleSchema = z.strictObject({
  id: id('Needle'),
  name: name('Needle name'),
  gauge: whole('Gauge', 20, 50),
  section: z.enum(NEEDLE_SECTIONS),
  count: whole('Number of needles', 0, 500),
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

export const cupboardSchema = z
  .strictObject({
    kind: z.literal(CUPBOARD_KIND),
    schema: z.literal(CUPBOARD_SCHEMA),
    lots: z.array(lotSchema).max(500),
    needles: z.array(needleSchema).max(200),
    wires: z.array(wireSchema).max(100),
  })
  .superRefine((c, ctx) => {
    if (new Set(c.lots.map((l) => l.id)).size < c.lots.length) {
      ctx.addIssue({ code: 'custom', path: ['lots'], message: 'Two lots of wool have the same name' });
    }
    if (new Set(c.wires.map((l) => l.id)).size < c.wires.length) {
      ctx.addIssue({ code: 'custom', path: ['wires'], message: 'Two wires have the same name' });
    }
    if (new Set(c.needles.map((l) => l.id)).size < c.needles.length) {
      ctx.addIssue({ code: 'custom', path: ['needles'], message: 'Two needles have the same name' });
    }
  });

export type Cupboard = z.infer<typeof cupboardSchema>;
export type Lot = z.infer<typeof lotSchema>;
export type Needle = z.infer<typeof needleSchema>;
export type Wire = z.infer<typeof wireSchema>;
