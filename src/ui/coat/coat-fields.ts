/** The measures a maker decides for every way of laying: label, unit, range of the slider. Ranges come from the schema. */
import {
  bowsSchema,
  foldOverSchema,
  locksSchema,
  piecesSchema,
  sheetSchema,
  standingSchema,
  stripSchema,
  velvetSchema,
  wispsSchema,
  type Laid,
} from '@/core/piece/coat';
import type { QuantityKind } from '@/core/text';

export interface CoatField {
  readonly key: string;
  readonly label: string;
  readonly kind: QuantityKind;
  readonly slide: { readonly min: number; readonly max: number; readonly step: number };
}

const field = (key: string, label: string, kind: QuantityKind, min: number, max: number, step: number): CoatField => ({
  key,
  label,
  kind,
  slide: { min, max, step },
});

const LENGTH = field('lengthMm', 'Length', 'length', 3, 60, 0.5);
const SPACING = field('spacingMm', 'Row spacing', 'length', 1, 20, 0.5);
const LIFT = field('liftDeg', 'Lift', 'angle', 0, 80, 1);
const LAY = field('layMgCm', 'Lay weight', 'linear', 0.5, 40, 0.5);
const AREAL = field('arealMgCm2', 'Weight', 'areal', 1, 60, 0.5);
const LAYERS = field('layers', 'Layers', 'count', 1, 8, 1);

export const FIELDS: Readonly<Record<Laid['method'], readonly CoatField[]>> = {
  'fold-over': [
    LENGTH,
    SPACING,
    LAY,
    LIFT,
    field('pinchWidthMm', 'Pinch width', 'length', 1, 25, 0.5),
    field('pinchPitchMm', 'Pinch to pinch', 'length', 1, 40, 0.5),
  ],
  standing: [
    field('lengthMm', 'Pile', 'length', 2, 40, 0.5),
    SPACING,
    LAY,
    field('liftDeg', 'Lift, fluffed', 'angle', 20, 85, 1),
    field('overMm', 'To trim off', 'length', 0, 30, 0.5),
  ],
  locks: [
    field('lengthMm', 'Length', 'length', 5, 100, 1),
    field('spacingMm', 'Course spacing', 'length', 2, 40, 0.5),
    field('pitchMm', 'Lock to lock', 'length', 1, 20, 0.5),
    field('lockWidthMm', 'Lock width', 'length', 0.5, 15, 0.5),
    field('lockMg', 'Lock weight', 'number', 0.5, 200, 0.5),
    LIFT,
  ],
  bows: [
    field('lengthMm', 'Length', 'length', 2, 30, 0.5),
    field('widthMm', 'Bow width', 'length', 0.5, 15, 0.5),
    field('overlap', 'Overlap', 'number', 0, 0.9, 0.05),
    field('spacingMm', 'Course spacing', 'length', 0.5, 15, 0.5),
    field('bowMg', 'Bow weight', 'number', 0.1, 40, 0.1),
    LIFT,
    field('fanDeg', 'Fan', 'angle', 0, 150, 5),
  ],
  strip: [
    field('startLengthMm', 'At the hem end', 'length', 2, 100, 0.5),
    field('middleLengthMm', 'In the middle', 'length', 2, 100, 0.5),
    field('endLengthMm', 'At the top end', 'length', 2, 100, 0.5),
    field('pitchMm', 'Clump to clump', 'length', 1, 20, 0.5),
    field('layMgCm', 'Weight', 'linear', 1, 120, 1),
    LIFT,
    field('anchorWidthMm', 'Anchor width', 'length', 2, 20, 0.5),
    field('leftShare', 'Left, trimmed to', 'number', 0.1, 1, 0.05),
    field('rightShare', 'Right, trimmed to', 'number', 0.1, 1, 0.05),
    field('overMm', 'To trim off', 'length', 0, 30, 0.5),
  ],
  wisps: [AREAL, LAYERS, field('lengthMm', 'Wisp length', 'length', 2, 40, 0.5), LIFT],
  pieces: [
    AREAL,
    LAYERS,
    field('pieceMm', 'Piece', 'length', 3, 60, 0.5),
    field('overlap', 'Overlap', 'number', 0, 0.8, 0.05),
  ],
  sheet: [AREAL, LAYERS, field('anchorMm', 'Anchoring', 'length', 0, 50, 1)],
  velvet: [AREAL, LAYERS, field('raiseMm', 'Pile height', 'length', 0.3, 6, 0.1)],
};

const SCHEMAS = {
  'fold-over': foldOverSchema,
  standing: standingSchema,
  locks: locksSchema,
  bows: bowsSchema,
  strip: stripSchema,
  wisps: wispsSchema,
  pieces: piecesSchema,
  sheet: sheetSchema,
  velvet: velvetSchema,
} as const;

/** Least and most a field may be, from the schema. */
export function boundsOf(method: Laid['method'], key: string): { min: number; max: number } {
  const shape = SCHEMAS[method].shape as Readonly<Record<string, unknown>>;
  const f = shape[key] as { minValue?: number | null; maxValue?: number | null; unwrap?: () => unknown };
  const inner = (f.minValue === undefined && f.unwrap ? f.unwrap() : f) as {
    minValue?: number | null;
    maxValue?: number | null;
  };
  return { min: inner.minValue ?? 0, max: inner.maxValue ?? 1e6 };
}
