/** Sizes the bench runs at, and the animal it runs on. */
import { cupboard, pineMarten } from '../demo/load';
import { defaultHand } from '../src/core';

export { cupboard, defaultHand as hand, pineMarten };

/** Side of the skin's grid as a share of the length, and about how many triangles it gives. */
export const SIZES = [
  { name: 'demo', edgeShare: 1 / 125 },
  { name: '10k', edgeShare: 1 / 84 },
  { name: '40k', edgeShare: 1 / 169 },
  { name: '96k', edgeShare: 1 / 262 },
] as const;
