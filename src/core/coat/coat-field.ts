/** A measure a maker decides about a way of laying: its name, its unit and the reach of its slider. Ranges come from the schema. */
import { coatSchema, type Laid } from '@/core/piece/coat';
import type { QuantityKind } from '@/core/text';

export interface CoatField {
  readonly key: string;
  readonly label: string;
  readonly kind: QuantityKind;
  readonly slide: { readonly min: number; readonly max: number; readonly step: number };
}

export const field = (
  key: string,
  label: string,
  kind: QuantityKind,
  min: number,
  max: number,
  step: number,
): CoatField => ({ key, label, kind, slide: { min, max, step } });

export const LENGTH = field('lengthMm', 'Length', 'length', 3, 60, 0.5);
export const SPACING = field('spacingMm', 'Row spacing', 'length', 1, 20, 0.5);
export const LIFT = field('liftDeg', 'Lift', 'angle', 0, 80, 1);
export const LAY = field('layMgCm', 'Lay weight', 'linear', 0.5, 40, 0.5);
export const AREAL = field('arealMgCm2', 'Weight', 'areal', 1, 60, 0.5);
export const LAYERS = field('layers', 'Layers', 'count', 1, 8, 1);

interface Bounds {
  readonly minValue?: number | null;
  readonly maxValue?: number | null;
  readonly unwrap?: () => Bounds;
}

/** Least and most a field may be, from the schema of the way it belongs to. */
export function boundsOf(method: Laid['method'], key: string): { min: number; max: number } {
  const schema = coatSchema.options.find((o) => o.shape.method.value === method)!;
  const f = (schema.shape as unknown as Readonly<Record<string, Bounds>>)[key]!;
  const inner = f.minValue === undefined && f.unwrap ? f.unwrap() : f;
  return { min: inner.minValue ?? 0, max: inner.maxValue ?? 1e6 };
}
