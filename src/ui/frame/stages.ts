/** The path: the stages of a piece in the order of the work. */
import type { StageName } from '@/core/stage';

export const STAGES = [
  { path: 'form', name: 'Form', findings: ['form'] },
  { path: 'coat', name: 'Coat', findings: ['coat', 'stock'] },
  { path: 'shade', name: 'Shade', findings: ['shade'] },
  { path: 'face', name: 'Face', findings: ['face'] },
  { path: 'needles', name: 'Needles', findings: ['needle'] },
  { path: 'order', name: 'Order', findings: ['order'] },
  { path: 'bench', name: 'Bench', findings: [] },
  { path: 'log', name: 'Log', findings: ['log'] },
] as const satisfies readonly { path: string; name: string; findings: readonly StageName[] }[];

export type StagePath = (typeof STAGES)[number]['path'];
