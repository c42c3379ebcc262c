/**
 * How an area is covered: one entry for every way of laying wool, each with the few numbers a maker decides. The piece
 * holds one for each area, a practice swatch keeps the one it was made by.
 */
import { z } from 'zod';
import { id, measure, whole } from './fields';

const lotId = id('Wool');
const length = measure('Finished length', 1, 200, 'mm');
const lift = measure('Lift', 0, 88, 'degrees');
const lay = measure('Lay weight', 0.2, 300, 'mg per cm of row');
const spacing = measure('Row spacing', 0.5, 60, 'mm');
const weight = measure('Weight of the coat', 0.2, 200, 'mg per square cm');
const layers = whole('Layers', 1, 12);

/** Folded on the row line and hanging over the row below. Length and spacing may change from the hem to the top. */
const foldOverSchema = z.strictObject({
  method: z.literal('fold-over'),
  lotId,
  lengthMm: measure('Finished length', 3, 200, 'mm'),
  /** At the top of the area; null where it stays the same. */
  topLengthMm: measure('Length at the top', 3, 200, 'mm').nullable(),
  spacingMm: spacing,
  topSpacingMm: measure('Row spacing at the top', 0.5, 60, 'mm').nullable(),
  liftDeg: measure('Lift', 0, 80, 'degrees'),
  layMgCm: lay,
  pinchWidthMm: measure('Width of a pinch', 1, 60, 'mm'),
  pinchPitchMm: measure('Distance from pinch to pinch', 1, 120, 'mm'),
});

const carrying = {
  lotId: id('Wool of the marking'),
  /** Which rows carry it: from and to as shares of the way up, and every how many. */
  from: measure('Marking starts', 0, 1, ''),
  to: measure('Marking ends', 0, 1, ''),
  every: whole('Every so many rows', 1, 50),
};

/** A marking laid into the rows of a cut pile. */
const markingSchema = z.discriminatedUnion('kind', [
  z.strictObject({ kind: z.literal('none') }),
  z.strictObject({
    kind: z.literal('stripe'),
    ...carrying,
    /** Share of the lay's thickness the band on top of it has. */
    share: measure('Share of the band', 0.05, 0.95, ''),
    cut: z.enum(['flat', 'domed']),
  }),
  z.strictObject({
    kind: z.literal('spot'),
    ...carrying,
    /** The twisted pinch laid into the middle of the row. */
    pinchMgMm: measure('Weight of the pinch', 0.05, 20, 'mg per mm'),
    pinchWidthMm: measure('Width of the pinch', 0.5, 60, 'mm'),
    pitchMm: measure('Spot to spot', 2, 200, 'mm'),
  }),
]);

/** Both halves of the lay rise and are trimmed to a plush. */
const standingSchema = z.strictObject({
  method: z.literal('standing'),
  lotId,
  lengthMm: length,
  spacingMm: spacing,
  /** Mean angle off the skin once fluffed. */
  liftDeg: lift,
  layMgCm: lay,
  /** Left on each half for trimming. */
  overMm: measure('Left for trimming', 0, 100, 'mm'),
  marking: markingSchema,
});

/** Single pinched tufts, overlapping, for eye rims, fans and corners. */
const bowsSchema = z.strictObject({
  method: z.literal('bows'),
  lotId,
  lengthMm: measure('Finished length', 2, 120, 'mm'),
  widthMm: measure('Width of a bow', 0.5, 40, 'mm'),
  overlap: measure('Overlap', 0, 0.9, ''),
  spacingMm: spacing,
  liftDeg: lift,
  bowMg: measure('Weight of a bow', 0.05, 2000, 'mg'),
  fanDeg: measure('Fan of a bow', 0, 150, 'degrees'),
});

/** A strip made off the piece, clump beside clump, and seated along the middle of the area. */
const stripSchema = z.strictObject({
  method: z.literal('strip'),
  lotId,
  anchorLotId: id('Wool of the anchor').nullable(),
  startLengthMm: measure('Length at the start', 2, 300, 'mm'),
  middleLengthMm: measure('Length in the middle', 2, 300, 'mm'),
  endLengthMm: measure('Length at the end', 2, 300, 'mm'),
  pitchMm: measure('Clump to clump', 1, 60, 'mm'),
  layMgCm: lay,
  liftDeg: lift,
  anchorWidthMm: measure('Width of the anchor strip', 2, 60, 'mm'),
  /** Trimmed to these shares of the length, left and right. */
  leftShare: measure('Trimmed on the left to', 0.1, 1, ''),
  rightShare: measure('Trimmed on the right to', 0.1, 1, ''),
  overMm: measure('Left for trimming', 0, 100, 'mm'),
});

/** Locks set in courses like bricks, tips down. */
const locksSchema = z.strictObject({
  method: z.literal('locks'),
  lotId,
  lengthMm: measure('Finished length', 3, 300, 'mm'),
  spacingMm: measure('Course spacing', 1, 120, 'mm'),
  pitchMm: measure('Lock to lock', 1, 60, 'mm'),
  lockWidthMm: measure('Width of a lock', 0.5, 60, 'mm'),
  lockMg: measure('Weight of a lock', 0.2, 5000, 'mg'),
  liftDeg: lift,
  opened: z.boolean(),
  root: z.enum(['cut end', 'felted middle']),
  tips: z.enum(['kept', 'opened', 'cut']),
});

/** Small overlapping pieces of top coat, felted on. */
const piecesSchema = z.strictObject({
  method: z.literal('pieces'),
  lotId,
  arealMgCm2: weight,
  layers,
  pieceMm: measure('Size of a piece', 3, 150, 'mm'),
  overlap: measure('Overlap', 0, 0.8, ''),
});

/** One prefelted sheet, wrapped on from the middle of the back outward. */
const sheetSchema = z.strictObject({
  method: z.literal('sheet'),
  lotId,
  arealMgCm2: weight,
  layers,
  anchorMm: measure('Anchoring at each end', 0, 80, 'mm'),
  /** Part that comes through a slit. */
  slit: id('Part').nullable(),
});

/** Wisps laid with the fur and only lightly felted. */
const wispsSchema = z.strictObject({
  method: z.literal('wisps'),
  lotId,
  arealMgCm2: weight,
  layers,
  lengthMm: measure('Length of a wisp', 2, 120, 'mm'),
  liftDeg: lift,
});

/** Short fur raised out of a felted layer with the reverse needle. */
const velvetSchema = z.strictObject({
  method: z.literal('velvet'),
  lotId,
  arealMgCm2: weight,
  layers,
  raiseMm: measure('Height of the pile', 0.3, 12, 'mm'),
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
export type Velvet = z.infer<typeof velvetSchema>;
export type Coat = z.infer<typeof coatSchema>;
export type Laid = Exclude<Coat, { method: 'none' }>;
