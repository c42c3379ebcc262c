/**
 * How an area is covered: one entry for every way of laying wool, each with the few numbers a maker decides. The piece
 * holds one for each area, a practice swatch keeps the one it was made by.
 */
import { z } from 'zod';
import { choice, field, flag, owned, saysOf, type Slide } from './fields';

const lotId = owned('wool', 'Wool');
const LENGTHS = 'The fur that shows once it is done, from the skin to its tip.';
const length = (least: number, most: number, slide: Slide, label = 'Length') =>
  field('length', 'Finished length', least, most, { label, slide, help: LENGTHS });
const lift = field('angle', 'Lift', 0, 88, {
  slide: [0, 80, 1],
  help: 'How far the fur stands off the skin: 0 lies flat, 90 stands upright.',
});
const lay = (slide: Slide, label = 'Lay weight') =>
  field('linear', 'Lay weight', 0.2, 300, {
    label,
    slide,
    help: 'All the wool on a centimetre of row.',
  });
const spacing = field('length', 'Row spacing', 0.5, 60, { slide: [1, 20, 0.5] });
const weight = field('areal', 'Weight of the coat', 0.2, 200, {
  label: 'Weight',
  slide: [1, 60, 0.5],
  help: 'All layers together.',
});
const layers = field('count', 'Layers', 1, 12, { slide: [1, 8, 1] });
const over = field('length', 'Left for trimming', 0, 100, {
  label: 'To trim off',
  slide: [0, 30, 0.5],
  help: 'Left beyond the finished length, at every end that is trimmed.',
});

/** Folded on the row line and hanging over the row below. Length and spacing may change from the hem to the top. */
const foldOverSchema = z.strictObject({
  method: z.literal('fold-over'),
  lotId,
  lengthMm: length(3, 200, [3, 60, 0.5]),
  /** At the top of the area; null where it stays the same. */
  topLengthMm: field('length', 'Length at the top', 3, 200, {
    label: 'Length at top',
    slide: [3, 60, 0.5],
    ask: 'another length at the top',
    beginsAs: 'lengthMm',
  }).nullable(),
  spacingMm: spacing,
  topSpacingMm: field('length', 'Row spacing at the top', 0.5, 60, {
    label: 'Spacing at top',
    slide: [1, 20, 0.5],
    ask: 'another spacing at the top',
    beginsAs: 'spacingMm',
  }).nullable(),
  layMgCm: lay([0.5, 40, 0.5]),
  liftDeg: field('angle', 'Lift', 0, 80, { slide: [0, 80, 1], help: saysOf(lift)!.help! }),
  pinchWidthMm: field('length', 'Width of a pinch', 1, 60, { label: 'Pinch width', slide: [1, 25, 0.5] }),
  pinchPitchMm: field('length', 'Distance from pinch to pinch', 1, 120, {
    label: 'Pinch to pinch',
    slide: [1, 40, 0.5],
  }),
});

const itsWool = owned('wool', 'Wool of the marking', 'Its wool');
/** Which rows carry it: from and to as shares of the way up, and every how many. */
const rows = {
  from: field('number', 'Marking starts', 0, 1, { label: 'From, way up', slide: [0, 1, 0.05] }),
  to: field('number', 'Marking ends', 0, 1, { label: 'To, way up', slide: [0, 1, 0.05] }),
  every: field('count', 'Every so many rows', 1, 50, { label: 'Every row', slide: [1, 10, 1] }),
};

/** A marking laid into the rows of a cut pile. */
export const markingSchema = z.discriminatedUnion('kind', [
  z.strictObject({ kind: z.literal('none') }),
  z.strictObject({
    kind: z.literal('stripe'),
    lotId: itsWool,
    /** Share of the lay's thickness the band on top of it has. */
    share: field('number', 'Share of the band', 0.05, 0.95, { label: 'Share of lay', slide: [0.05, 0.95, 0.05] }),
    cut: choice(['flat', 'domed'], 'How it is cut', { beside: true, words: { flat: 'cut flat', domed: 'cut domed' } }),
    ...rows,
  }),
  z.strictObject({
    kind: z.literal('spot'),
    lotId: itsWool,
    /** The twisted pinch laid into the middle of the row. */
    pinchMgMm: field('number', 'Weight of the pinch', 0.05, 20, {
      label: 'Pinch',
      unit: 'mg/mm',
      slide: [0.1, 5, 0.1],
    }),
    pinchWidthMm: field('length', 'Width of the pinch', 0.5, 60, { label: 'Pinch width', slide: [1, 20, 0.5] }),
    pitchMm: field('length', 'Spot to spot', 2, 200, { slide: [4, 60, 1] }),
    ...rows,
  }),
]);

/** Both halves of the lay rise and are trimmed to a plush. */
const standingSchema = z.strictObject({
  method: z.literal('standing'),
  lotId,
  lengthMm: length(1, 200, [2, 40, 0.5], 'Pile'),
  spacingMm: spacing,
  layMgCm: lay([0.5, 40, 0.5]),
  /** Mean angle off the skin once fluffed. */
  liftDeg: field('angle', 'Lift', 0, 88, { label: 'Lift, fluffed', slide: [20, 85, 1], help: saysOf(lift)!.help! }),
  overMm: over,
  marking: markingSchema,
});

/** Single pinched tufts, overlapping, for eye rims, fans and corners. */
const bowsSchema = z.strictObject({
  method: z.literal('bows'),
  lotId,
  lengthMm: length(2, 120, [2, 30, 0.5]),
  widthMm: field('length', 'Width of a bow', 0.5, 40, { label: 'Bow width', slide: [0.5, 15, 0.5] }),
  overlap: field('number', 'Overlap', 0, 0.9, {
    slide: [0, 0.9, 0.05],
    help: 'Share of a bow that lies under the next.',
  }),
  spacingMm: field('length', 'Row spacing', 0.5, 60, { label: 'Course spacing', slide: [0.5, 15, 0.5] }),
  bowMg: field('number', 'Weight of a bow', 0.05, 2000, { label: 'Bow weight', unit: 'mg', slide: [0.1, 40, 0.1] }),
  liftDeg: lift,
  fanDeg: field('angle', 'Fan of a bow', 0, 150, { label: 'Fan', slide: [0, 150, 5] }),
});

/** A strip made off the piece, clump beside clump, and seated along the middle of the area. */
const stripSchema = z.strictObject({
  method: z.literal('strip'),
  lotId,
  anchorLotId: owned('wool', 'Wool of the anchor', 'Anchor', { none: 'No anchor' }).nullable(),
  startLengthMm: field('length', 'Length at the start', 2, 300, { label: 'At the hem end', slide: [2, 100, 0.5] }),
  middleLengthMm: field('length', 'Length in the middle', 2, 300, { label: 'In the middle', slide: [2, 100, 0.5] }),
  endLengthMm: field('length', 'Length at the end', 2, 300, { label: 'At the top end', slide: [2, 100, 0.5] }),
  pitchMm: field('length', 'Clump to clump', 1, 60, { slide: [1, 20, 0.5] }),
  layMgCm: lay([1, 120, 1], 'Weight'),
  liftDeg: lift,
  anchorWidthMm: field('length', 'Width of the anchor strip', 2, 60, { label: 'Anchor width', slide: [2, 20, 0.5] }),
  /** Trimmed to these shares of the length, left and right. */
  leftShare: field('number', 'Trimmed on the left to', 0.1, 1, { label: 'Left, trimmed to', slide: [0.1, 1, 0.05] }),
  rightShare: field('number', 'Trimmed on the right to', 0.1, 1, { label: 'Right, trimmed to', slide: [0.1, 1, 0.05] }),
  overMm: over,
});

/** Locks set in courses like bricks, tips down. */
const locksSchema = z.strictObject({
  method: z.literal('locks'),
  lotId,
  lengthMm: length(3, 300, [5, 100, 1]),
  spacingMm: field('length', 'Course spacing', 1, 120, { slide: [2, 40, 0.5] }),
  pitchMm: field('length', 'Lock to lock', 1, 60, { slide: [1, 20, 0.5] }),
  lockWidthMm: field('length', 'Width of a lock', 0.5, 60, { label: 'Lock width', slide: [0.5, 15, 0.5] }),
  lockMg: field('number', 'Weight of a lock', 0.2, 5000, { label: 'Lock weight', unit: 'mg', slide: [0.5, 200, 0.5] }),
  liftDeg: lift,
  opened: flag('locks opened'),
  root: choice(['cut end', 'felted middle'], 'Set by', {
    words: { 'cut end': 'the cut end, teased thin', 'felted middle': 'the middle, felted and folded' },
  }),
  tips: choice(['kept', 'opened', 'cut'], 'Tips', { words: { cut: 'cut off' } }),
});

/** Small overlapping pieces of top coat, felted on. */
const piecesSchema = z.strictObject({
  method: z.literal('pieces'),
  lotId,
  arealMgCm2: weight,
  layers,
  pieceMm: field('length', 'Size of a piece', 3, 150, { label: 'Piece', slide: [3, 60, 0.5] }),
  overlap: field('number', 'Overlap', 0, 0.8, {
    slide: [0, 0.8, 0.05],
    help: 'Share of a piece that lies under the next.',
  }),
});

/** One prefelted sheet, wrapped on from the middle of the back outward. */
const sheetSchema = z.strictObject({
  method: z.literal('sheet'),
  lotId,
  arealMgCm2: weight,
  layers,
  anchorMm: field('length', 'Anchoring at each end', 0, 80, { label: 'Anchoring', slide: [0, 50, 1] }),
  /** Part that comes through a slit. */
  slit: owned('part', 'Part', 'Slit for', { none: 'no part' }).nullable(),
});

/** Wisps laid with the fur and only lightly felted. */
const wispsSchema = z.strictObject({
  method: z.literal('wisps'),
  lotId,
  arealMgCm2: weight,
  layers,
  lengthMm: field('length', 'Length of a wisp', 2, 120, { label: 'Wisp length', slide: [2, 40, 0.5] }),
  liftDeg: lift,
});

/** Short fur raised out of a felted layer with the reverse needle. */
const velvetSchema = z.strictObject({
  method: z.literal('velvet'),
  lotId,
  arealMgCm2: weight,
  layers,
  raiseMm: field('length', 'Height of the pile', 0.3, 12, { label: 'Pile height', slide: [0.3, 6, 0.1] }),
});

/** No fur but a finish: a thin layer felted flat. */
const smoothSchema = z.strictObject({
  method: z.literal('smooth'),
  lotId,
  arealMgCm2: weight,
  layers,
  surface: choice(['felt', 'ground', 'leather', 'horn', 'wound'], 'Surface', {
    words: {
      felt: 'matt felt',
      ground: 'ground of a picture, felted broad',
      leather: 'leather of a nose or a pad',
      horn: 'horn of a beak, claw or hoof',
      wound: 'wound round wire or pipe cleaner',
    },
  }),
});

/** Feathers cut out of flat felt and set by their quills, like tiles. */
const feathersSchema = z.strictObject({
  method: z.literal('feathers'),
  lotId,
  lengthMm: length(3, 150, [3, 60, 0.5]),
  widthMm: field('length', 'Width of a feather', 1, 60, { label: 'Feather width', slide: [1, 20, 0.5] }),
  pitchMm: field('length', 'Feather to feather', 1, 60, { slide: [1, 20, 0.5] }),
  spacingMm: spacing,
  thicknessMm: field('length', 'Thickness of the felt', 0.2, 5, { label: 'Felt thick', slide: [0.2, 3, 0.1] }),
  liftDeg: lift,
  tip: choice(['round', 'pointed', 'square'], 'Tips', { beside: true }),
});

/** Every way of covering an area; a new way is one more entry here and one more file in the coat stage. */
export const coatSchema = z.discriminatedUnion('method', [
  foldOverSchema,
  standingSchema,
  bowsSchema,
  stripSchema,
  locksSchema,
  piecesSchema,
  sheetSchema,
  wispsSchema,
  velvetSchema,
  smoothSchema,
  feathersSchema,
  z.strictObject({ method: z.literal('none') }),
]);

export type FoldOver = z.infer<typeof foldOverSchema>;
export type Marking = z.infer<typeof markingSchema>;
export type Standing = z.infer<typeof standingSchema>;
export type Bows = z.infer<typeof bowsSchema>;
export type Strip = z.infer<typeof stripSchema>;
export type Locks = z.infer<typeof locksSchema>;
export type Pieces = z.infer<typeof piecesSchema>;
export type Sheet = z.infer<typeof sheetSchema>;
export type Wisps = z.infer<typeof wispsSchema>;
export type Feathers = z.infer<typeof feathersSchema>;
export type Smooth = z.infer<typeof smoothSchema>;
export type Velvet = z.infer<typeof velvetSchema>;
export type Coat = z.infer<typeof coatSchema>;
export type Laid = Exclude<Coat, { method: 'none' }>;
