/** The path: the stages of a piece in the order of the work. */
export const STAGES = [
  { path: 'form', name: 'Form' },
  { path: 'coat', name: 'Coat' },
  { path: 'shade', name: 'Shade' },
  { path: 'face', name: 'Face' },
  { path: 'needles', name: 'Needles' },
  { path: 'order', name: 'Order' },
  { path: 'bench', name: 'Bench' },
  { path: 'log', name: 'Log' },
] as const;

export type StagePath = (typeof STAGES)[number]['path'];
