/** What the controls of every feature are given. */
import type { Face } from '@/core/piece/face';

export interface FeatureProps {
  readonly face: Face;
}
