/** A straight tube 1000 long with round ends, 200 across: a part whose measures are closed forms. */
import type { Part } from '../src/core/piece/schema';

export const plainTube = (id: string): Extract<Part, { shape: 'limb' }> => ({
  id,
  name: 'Tube',
  role: 'other',
  shape: 'limb',
  mirrored: false,
  blend: 0,
  lie: 'to-end',
  on: null,
  root: 'end',
  nodes: [
    { at: [0, 0, 400], radius: 100 },
    { at: [0, 0, -400], radius: 100 },
  ],
});
