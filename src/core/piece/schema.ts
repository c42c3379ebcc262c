/**
 * The piece: everything decided about one animal and nothing that can be computed. This schema is the single definition;
 * types, messages and the published JSON Schema follow from it. Parts are drawn in thousandths of the finished length.
 */
import { z } from 'zod';
import { coatSchema } from './coat';
import { faceSchema, facePlaces } from './face';
import { choice, colour, field, flag, id, measure, name, owned, whole } from './fields';
import { knownSchema, MOST_KNOWN } from './known';
import { logEntrySchema } from './log-entry';
import { placeSchema, selectorSchema, strokeSchema } from './places';
import { scanContent } from './scan-content';
import { workSchema } from './work';
import { isWorn, thingSchema } from './things';
import { areaShadeSchema, markingShapeParts, pieceMarkingSchema, smallPartSchema } from './shade';

export const PIECE_KIND = 'fond-badger/piece';
export const PIECE_SCHEMA = 17;

/** What a part is to the animal, where anything depends on it. */
const PART_ROLES = ['head', 'muzzle', 'beak', 'ear', 'other'] as const;

const point = z.tuple([
  measure('Place left or right', -2000, 2000, 'thousandths of the length'),
  measure('Place up', -2000, 2000, 'thousandths of the length'),
  measure('Place forward', -2000, 2000, 'thousandths of the length'),
]);
const radius = measure('Radius', 1, 1000, 'thousandths of the length');
const ofRadius = (what: string) => measure(what, 0.2, 3, 'of its radius');

/** Other than round: half as wide, as high above its middle and as deep below it, in shares of the radius. */
export const sectionSchema = z.strictObject({
  wide: ofRadius('Width of a section'),
  over: ofRadius('Height of a section over its middle'),
  under: ofRadius('Depth of a section under its middle'),
});

const partCommon = {
  id: id('Part name'),
  name: name('Name of the part'),
  role: choice(PART_ROLES, 'What it is', {
    words: { head: 'head, carries the face', other: 'body, limb or tail' },
  }),
  /** True: the part stands on both sides, drawn once on the animal's left. */
  mirrored: z.boolean(),
  blend: field('number', 'Blend', 0, 300, {
    label: 'Blends in',
    unit: '‰',
    slide: [0, 120, 1],
    help: 'How softly it runs into the parts before it, in thousandths of the length; 0 keeps a sharp edge.',
  }),
  lie: choice(['to-end', 'to-start'], 'Its fur points', {
    beside: true,
    words: { 'to-end': 'first end to last', 'to-start': 'last end to first' },
  }),
  /** The part it grows out of; null for the one the animal is built on. */
  on: id('Part it sits on').nullable(),
  /** Which of its ends sits there. */
  root: z.enum(['start', 'end']),
};

/** What every part has, whatever its shape. */
export const anyPartSchema = z.strictObject(partCommon);

/** The last stretch of a limb spread into toes. */
export const toesSchema = z.strictObject({
  count: field('count', 'Toes', 2, 5),
  spreadDeg: field('angle', 'Spread of the toes', 0, 120, {
    label: 'Spread',
    slide: [0, 90, 1],
    help: 'From the outermost toe to the innermost.',
  }),
});

/** A pad that is a leaf: a sheet as long and as wide as the pad, with an outline, hollowed, curled and turned where it is seated. */
export const leafSchema = z.strictObject({
  /** Drawn outline: across in shares of half its width, up in shares of its length; its seat lies along the bottom, at nought. */
  outline: z
    .array(z.tuple([measure('Outline, across', -1.5, 1.5, ''), measure('Outline, up', -0.2, 1.2, '')]))
    .min(3, 'An outline needs three points or more')
    .max(24),
  cupDeg: field('angle', 'Cupped', 0, 170, {
    slide: [0, 160, 1],
    help: 'Hollowed from edge to edge: nothing is flat, 160° nearly half a pipe.',
  }),
  curlDeg: field('angle', 'Curled', -120, 120, {
    slide: [-90, 90, 1],
    help: 'From its seat to its tip: more than nothing lets the tip come forward over the hollow.',
  }),
  turnDeg: field('angle', 'Turned out', -180, 180, {
    slide: [-120, 120, 1],
    help: 'How far its hollow is turned out from facing forward.',
  }),
});

/** A place of a board that is raised, or sunk into it: oval, from the middle of its front. Drawn units. */
export const moundSchema = z.strictObject({
  id: id('Place of the ground'),
  name: name('Name of the place'),
  up: measure('Place up', -1000, 1000, 'thousandths of the length'),
  forward: measure('Place forward', -2000, 2000, 'thousandths of the length'),
  halfHeight: radius,
  halfLength: radius,
  /** Less than nothing is sunk. */
  raise: measure('Raised by', -1000, 1000, 'thousandths of the length'),
  soft: field('share', 'Runs out over', 0.2, 1, {
    slide: [0.2, 1, 0.05],
    help: 'Of the way from its middle to its rim.',
  }),
});

const partSchema = z.discriminatedUnion('shape', [
  z.strictObject({
    ...partCommon,
    shape: z.literal('limb'),
    nodes: z
      .array(z.strictObject({ at: point, radius, section: sectionSchema.optional() }))
      .min(2, 'A limb needs two places or more')
      .max(12),
    toes: toesSchema.optional(),
  }),
  z.strictObject({
    ...partCommon,
    shape: z.literal('pad'),
    start: point,
    end: point,
    halfWidth: radius,
    halfHeight: radius,
    leaf: leafSchema.optional(),
  }),
  /** The board of a relief picture: its front lies in the plane of the midline, the picture stands out to the left. */
  z.strictObject({
    ...partCommon,
    shape: z.literal('board'),
    /** Middle of the front. */
    at: point,
    halfHeight: radius,
    halfLength: radius,
    thickness: radius,
    mounds: z.array(moundSchema).max(12).optional(),
  }),
]);

/** A bend at a joint, in degrees from the pose the part is drawn in. A pair bends alike unless a side is named. */
export const jointSchema = z.strictObject({
  part: id('Part'),
  /** Which place along the part bends; what lies beyond it, seen from its root, goes along. */
  node: whole('Joint', 0, 11),
  side: z.enum(['both', 'left', 'right']),
  nodDeg: field('angle', 'Nod', -160, 160, { slide: [-160, 160, 1] }),
  turnDeg: field('angle', 'Turn', -160, 160, { slide: [-160, 160, 1] }),
  tiltDeg: field('angle', 'Tilt', -90, 90, { slide: [-90, 90, 1] }),
});

/** How the core under the coat is built. */
/** What is done where the fur is as thick as a part, other than that its core gives way. */
export const UNDER_FUR = ['as drawn', 'wrapped wire'] as const;

export const SIDES = ['front', 'back', 'left', 'right'] as const;

/** Lead-free shot, a stone, a nut: something heavy wrapped in wool, low in the core. */
export const weightSchema = z.strictObject({
  massG: field('mass', 'Weight low in it', 0.5, 2000, { label: 'Weight', slide: [1, 100, 1] }),
  side: choice(SIDES, 'Over its feet at the', { words: { left: 'left, its own', right: 'right, its own' } }),
});

export const coreSchema = z.strictObject({
  /** Built smaller by the coat's thickness, or at full size under a thin coat. */
  school: choice(['under-built', 'full-size'], 'School', {
    beside: true,
    words: { 'under-built': 'smaller by the coat', 'full-size': 'full size, thin coat' },
  }),
  /** Thickness allowed for where no coat is planned yet. */
  allowanceMm: field('length', 'Allowance for the coat', 0, 40, {
    label: 'Where no coat is planned',
    slide: [0, 10, 0.5],
  }),
  lotId: owned('wool', 'Wool').nullable(),
  /** Parts built otherwise than firm. */
  soft: z
    .array(z.strictObject({ part: id('Part'), firmness: z.enum(['with give', 'lofty pad', 'flat felt']) }))
    .max(60),
  /** Parts drawn without their fur, and parts that are a wrapped wire under it. */
  under: z.array(z.strictObject({ part: id('Part'), way: z.enum(UNDER_FUR) })).max(60),
  /** So that it stands; null where nothing is put in. */
  weight: weightSchema.nullable(),
});

const FRAME_KINDS = ['one wire', 'separate wires', 'pipe cleaner', 'none'] as const;

/** The wire inside. */
export const frameSchema = z.strictObject({
  kind: choice(FRAME_KINDS, 'Kind of frame', {
    beside: true,
    words: { 'one wire': 'one wire, doubled', 'pipe cleaner': 'pipe cleaners' },
  }),
  /** Whether the wire goes on through the head. */
  head: flag('into the head'),
  tail: flag('into the tail'),
  wireId: owned('wire', 'Wire').nullable(),
  turnedMm: field('length', 'Turned end', 0, 60, {
    label: 'Turned over at each end',
    help: 'So that no end stabs.',
  }),
  wasteShare: field('share', 'Waste of wire', 0, 0.5, { label: 'Waste' }),
});

const base64 = (what: string) =>
  z
    .string()
    .regex(/^[A-Za-z0-9+/]+={0,2}$/, `${what} is damaged`)
    .max(4_000_000, `${what} is too large`);

/** A scan of an own base: places (Float32, x y z) and triangles (Uint32) as base64, in thousandths of its length. */
const scanSchema = z
  .strictObject({
    id: id('Scan'),
    name: name('Name of the scan', 120),
    /** What was scanned: the animal as it will be, or the core the coat comes onto. */
    role: z.enum(['finished', 'core']),
    /** What was done to make it sound, in words. */
    report: z.array(z.string().max(200)).max(12),
    positions: base64('The scan'),
    triangles: base64('The scan'),
  })
  .superRefine((scan, ctx) => {
    const content = scanContent(scan);
    if (typeof content === 'string') ctx.addIssue({ code: 'custom', path: ['positions'], message: content });
  });

const onPicture = z.tuple([
  measure('Place across the picture', -1, 2, 'widths'),
  measure('Place down the picture', -1, 2, 'heights'),
]);

/** A photograph laid behind the animal. The picture itself stays in the browser; here is how it is laid. */
export const referenceSchema = z.strictObject({
  id: id('Photograph'),
  name: name('Name of the photograph', 120),
  side: choice(['left', 'front', 'above'], 'Taken from', {
    beside: true,
    words: { left: 'the left', front: 'the front' },
  }),
  /** Width of the picture over its height. */
  aspect: measure('Shape of the picture', 0.05, 20, ''),
  /** Two points of known distance. */
  a: onPicture,
  b: onPicture,
  knownMm: field('length', 'Distance in life', 1, 10000, { label: 'The two points, in life' }),
  /** How strongly the picture is seen behind the outline. */
  strength: field('share', 'Strength of the picture', 0, 1, { label: 'Strength', slide: [0, 1, 0.05] }),
  pins: z.array(z.strictObject({ landmark: z.string().max(80), at: onPicture })).max(120),
  /** A place on the picture that is neutral grey in life (a grey card), and how light it is, for reading its colours. */
  grey: z.strictObject({ at: onPicture, colour: colour('Colour of the grey card') }).nullable(),
});

const FLAT_KINDS = ['ear', 'wing', 'tail feather', 'beak', 'claw', 'other'] as const;

/** A part felted flat by itself and seated on the animal. */
export const flatPartSchema = z.strictObject({
  id: id('Flat part'),
  name: name('Name of the flat part'),
  kind: choice(FLAT_KINDS, 'Kind'),
  paired: flag('a pair, the other one turned over'),
  /** Drawn outline in thousandths of the finished length; its seat lies along the bottom, at about zero. */
  outline: z
    .array(
      z.tuple([
        measure('Outline, across', -1000, 1000, 'thousandths of the length'),
        measure('Outline, up', -1000, 1000, 'thousandths of the length'),
      ]),
    )
    .min(3, 'An outline needs three points or more')
    .max(24),
  thicknessMm: field('length', 'Thickness', 0.3, 20),
  layers: field('count', 'Layers', 1, 12),
  shrinkShare: field('number', 'Shrinkage', 0, 0.6, {
    label: 'Shrinks by, share',
    help: 'Of its width, while it is felted.',
  }),
  fringeMm: field('length', 'Fringe', 0, 60, {
    label: 'Fringe at the seat',
    help: 'Left loose to be felted into the body.',
  }),
  bendDeg: field('angle', 'Bend', 0, 180, { label: 'Bent by' }),
  lotId: owned('wool', 'Wool', 'Wool', { none: 'not chosen' }).nullable(),
  liningLotId: owned('wool', 'Wool', 'Lining', { none: 'none' }).nullable(),
  liningMm: field('length', 'Thickness of the lining', 0.1, 10, { label: 'Lining thick' }),
  /** Part it is seated on. */
  seat: owned('part', 'Part', 'Seat').nullable(),
});

/** A turn of the fur, seen on the animal's left from outside, against the clock; the right side mirrors it. */
export const combTurnSchema = z.strictObject({
  kind: z.literal('turn'),
  where: selectorSchema,
  turnDeg: field('angle', 'Turn of the fur', -180, 180, { label: 'Turned by', slide: [-180, 180, 5] }),
});

/** A stroke of the comb, or a turn of the fur on a part or band: how the lie departs from what the body gives. */
const combSchema = z.discriminatedUnion('kind', [
  z.strictObject({
    kind: z.literal('stroke'),
    mirrored: z.boolean(),
    /** How far to each side it holds. */
    reach: measure('Width of the comb', 2, 300, 'thousandths of the length'),
    places: z.array(placeSchema).min(2, 'A stroke of the comb needs two places or more').max(200),
  }),
  combTurnSchema,
]);

export const areaSchema = z.strictObject({
  id: id('Area'),
  name: name('Name of the area'),
  where: z.array(selectorSchema).max(40),
  /** Painted over what `where` says, in the order they were made. */
  strokes: z.array(strokeSchema).max(400),
  /** The fur of this area points away from here (an eye); null where it follows the lie. */
  awayFrom: placeSchema.nullable(),
  /** 0: rows run square to the lie; 1: rows keep their distance. */
  evenness: measure('Even spacing', 0, 1, ''),
  /** Half rows where rows would gape, every second row left out where they would crowd. */
  branching: flag('half rows where they gape, fewer where they crowd'),
  /** Where rows that would spiral round the body end. */
  seam: choice(['none', 'under', 'top'], 'Seam', {
    beside: true,
    words: { under: 'underneath', top: 'on top' },
    help: 'Where rows end that would otherwise spiral round the body.',
  }),
  coat: coatSchema,
  /** The layers that make its colour. */
  shade: areaShadeSchema,
});

const pieceFields = z.strictObject({
  kind: z.literal(PIECE_KIND),
  schema: z.literal(PIECE_SCHEMA),
  id: id('Piece'),
  name: name('Name of the piece'),
  note: z.string().max(4000, 'The note must not be longer than 4000 letters'),
  seed: whole('Seed', 0, 2 ** 31 - 1),
  form: z.strictObject({
    plan: id('Body plan'),
    finishedLengthMm: field('length', 'Finished length', 30, 1500, { slide: [80, 500, 1] }),
    lifeLengthMm: field('length', 'Length in life', 30, 6000, { slide: [100, 3000, 5] }),
    /** The measure the maker states the size by: nose to tail, height, width, or the length of a part. */
    measuredBy: id('Measure'),
    parts: z.array(partSchema).min(1, 'The animal needs at least one part').max(60),
    pose: z.array(jointSchema).max(120),
    /** An own base brought in; its one part stands for all of it. */
    scan: scanSchema.nullable(),
  }),
  core: coreSchema,
  frame: frameSchema,
  references: z.array(referenceSchema).max(12),
  flatParts: z.array(flatPartSchema).max(40),
  /** In the order they were made; later ones win where they meet. */
  combs: z.array(combSchema).max(300),
  areas: z.array(areaSchema).max(60),
  /** Stripes, spots, masks and the like, over or under the coats of the areas; later ones lie on top. */
  markings: z.array(pieceMarkingSchema).max(60),
  /** Colours of nose, pads, hooves, beak and other small parts. */
  smallParts: z.array(smallPartSchema).max(20),
  /** What it wears, stands on or hangs in. */
  things: z.array(thingSchema).max(20),
  /** Nose, mouth, eyes, ears, brows and whiskers; null until the face is begun. */
  face: faceSchema.nullable(),
  /** A mistake in colour is covered, or it is taken off. */
  correction: choice(['cover', 'take off'], 'A mistake in colour is', {
    beside: true,
    words: { cover: 'covered', 'take off': 'taken off' },
  }),
  /** How it is worked: schools of needles and trimming, what was moved by hand, when it begins. */
  work: workSchema,
  /** Findings the maker knows and goes on with. */
  known: z.array(knownSchema).max(MOST_KNOWN, 'There are not that many findings to know'),
  log: z.array(logEntrySchema).max(20000),
});

type Fields = z.infer<typeof pieceFields>;
interface Tell {
  (path: (string | number)[], message: string): void;
}

/** Parts: no two of one name, every one on another that there is, none on itself; bends only at joints there are. */
/** Wool is left under every place sunk into a board, as a share of its thickness. */
const LEAST_LEFT = 0.4;

/** Nothing is sunk through its board. */
function checkMounds({ form }: Fields, tell: Tell): void {
  form.parts.forEach((p, i) => {
    if (p.shape !== 'board') return;
    p.mounds?.forEach((m, j) => {
      if (-m.raise > (1 - LEAST_LEFT) * p.thickness)
        tell(['form', 'parts', i, 'mounds', j, 'raise'], `${m.name} is sunk deeper than ${p.name} is thick`);
    });
  });
}

function checkParts({ form }: Fields, tell: Tell): void {
  const known = new Map(form.parts.map((p) => [p.id, p]));
  if (known.size < form.parts.length) tell(['form', 'parts'], 'Two parts have the same name');
  form.parts.forEach((p, i) => {
    const seen = new Set<string>();
    for (let at: Part | undefined = p; at; at = at.on === null ? undefined : known.get(at.on)) {
      if (seen.has(at.id) || (at.on !== null && !known.has(at.on))) {
        tell(
          ['form', 'parts', i, 'on'],
          seen.has(at.id)
            ? `${p.name} sits on itself`
            : `${at.name} sits on a part called “${at.on}”, which this animal does not have`,
        );
        break;
      }
      seen.add(at.id);
    }
  });
  form.pose.forEach((j, i) => {
    const p = known.get(j.part);
    if (!p || j.node >= (p.shape === 'limb' ? p.nodes.length : 2)) {
      tell(
        ['form', 'pose', i],
        `The pose bends ${p ? `${p.name} at a joint it does not have` : `a part called “${j.part}”, which this animal does not have`}`,
      );
    }
  });
}

/** Everything that lies or sits on a part lies on one there is. */
function checkPlaces(piece: Fields, parts: ReadonlySet<string>, tell: Tell): void {
  const lostOf = (part: string) => `on a part called “${part}”, which this animal does not have`;
  piece.combs.forEach((c, i) => {
    const used = c.kind === 'turn' ? c.where.parts : c.places.map((q) => q.part);
    const lost = used.find((p) => !parts.has(p));
    if (lost !== undefined) tell(['combs', i], `The fur is combed ${lostOf(lost)}`);
  });
  piece.markings.forEach((m, i) => {
    const lost = markingShapeParts(m.shape).find((p) => !parts.has(p));
    if (lost !== undefined) tell(['markings', i], `The marking ${m.name} sits ${lostOf(lost)}`);
  });
  piece.smallParts.forEach((s, i) => {
    if (!parts.has(s.on)) tell(['smallParts', i, 'on'], `${s.name} sits ${lostOf(s.on)}`);
  });
  piece.things.forEach((t, i) => {
    if (isWorn(t) && !parts.has(t.on)) tell(['things', i, 'on'], `${t.name} sits ${lostOf(t.on)}`);
  });
  for (const lost of piece.face ? facePlaces(piece.face).filter((x) => !parts.has(x.part)) : [])
    tell(['face'], `${lost.what} sits ${lostOf(lost.part)}`);
}

/** An area has a place, and only on parts there are. */
function checkArea(a: Area, i: number, parts: ReadonlySet<string>, tell: Tell): void {
  const lostOf = (part: string) => `a part called “${part}”, which this animal does not have`;
  if (a.where.length === 0 && !a.strokes.some((s) => s.adds))
    tell(['areas', i, 'where'], `${a.name} needs a place on the animal`);
  a.strokes.forEach((s, j) => {
    const lost = s.places.find((q) => !parts.has(q.part));
    if (lost) tell(['areas', i, 'strokes', j], `${a.name} is painted on ${lostOf(lost.part)}`);
  });
  if (a.awayFrom && !parts.has(a.awayFrom.part))
    tell(['areas', i, 'awayFrom'], `The fur of ${a.name} points away from ${lostOf(a.awayFrom.part)}`);
  if (a.coat.method === 'sheet' && a.coat.slit !== null && !parts.has(a.coat.slit))
    tell(['areas', i, 'coat', 'slit'], `The sheet of ${a.name} is slit for ${lostOf(a.coat.slit)}`);
  a.where.forEach((w, j) =>
    w.parts.forEach((p, k) => {
      if (!parts.has(p)) tell(['areas', i, 'where', j, 'parts', k], `${a.name} lies on ${lostOf(p)}`);
    }),
  );
}

export const pieceSchema = pieceFields.superRefine((piece, ctx) => {
  const tell: Tell = (path, message) => ctx.addIssue({ code: 'custom', path, message });
  const parts = new Set(piece.form.parts.map((p) => p.id));
  checkParts(piece, tell);
  checkMounds(piece, tell);
  checkPlaces(piece, parts, tell);
  for (const [what, list] of [
    ['markings', piece.markings],
    ['small parts', piece.smallParts],
    ['small things', piece.things],
  ] as const) {
    if (new Set(list.map((x) => x.id)).size < list.length) tell([what], `Two of the ${what} have the same name`);
  }
  if (new Set(piece.areas.map((a) => a.id)).size < piece.areas.length) tell(['areas'], 'Two areas have the same name');
  piece.areas.forEach((a, i) => checkArea(a, i, parts, tell));
});

export type Joint = z.infer<typeof jointSchema>;
export type Core = z.infer<typeof coreSchema>;
export type Frame = z.infer<typeof frameSchema>;
export type { Place, Selector, Stroke } from './places';
export type Reference = z.infer<typeof referenceSchema>;
export type FlatPart = z.infer<typeof flatPartSchema>;
export type LeafShape = z.infer<typeof leafSchema>;
export type Piece = z.infer<typeof pieceSchema>;
export type Part = z.infer<typeof partSchema>;
export type Mound = z.infer<typeof moundSchema>;
export type Toes = z.infer<typeof toesSchema>;
export type Area = z.infer<typeof areaSchema>;
export type Comb = z.infer<typeof combSchema>;
export type { LogEntry } from './log-entry';
export type { Thing } from './things';
