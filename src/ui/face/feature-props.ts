/** What the controls of every feature are given, and lists of words as choices. */
import type { Face } from '@/core/piece/face';

export interface FeatureProps {
  readonly face: Face;
}

export const asOptions = <T extends string>(list: readonly T[]) =>
  list.map((value) => ({ value, says: value as string }));
