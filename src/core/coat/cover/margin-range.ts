/** How far one measure of a way of laying may be moved in search of where it only just covers. */
import type { QuantityKind } from '@/core/text';

export interface MarginRange {
  readonly key: string;
  readonly what: string;
  readonly kind: QuantityKind;
  readonly least: number;
  readonly most: number;
  readonly step: number;
  readonly want: 'largest' | 'smallest';
  /** It is the weight of what is laid: all wool of the coat goes with it. */
  readonly weight?: true;
}

export const APART: MarginRange = {
  key: 'spacingMm',
  what: 'Row spacing',
  kind: 'length',
  least: 0.5,
  most: 60,
  step: 0.5,
  want: 'largest',
};
export const THINNEST: MarginRange = {
  key: 'layMgCm',
  what: 'Lay weight',
  kind: 'linear',
  least: 0.2,
  most: 120,
  step: 0.1,
  want: 'smallest',
  weight: true,
};
export const SHORTEST: MarginRange = {
  key: 'lengthMm',
  what: 'Length',
  kind: 'length',
  least: 3,
  most: 120,
  step: 0.5,
  want: 'smallest',
};
export const LIGHTEST: MarginRange = {
  key: 'arealMgCm2',
  what: 'Weight',
  kind: 'areal',
  least: 0.2,
  most: 100,
  step: 0.1,
  want: 'smallest',
  weight: true,
};
