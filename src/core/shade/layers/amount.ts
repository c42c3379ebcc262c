/** How much a layer is, in a word a maker would use and in mg on a square cm. Thresholds in hiding layers, ours. */
export const AMOUNTS = ['wisp', 'thin', 'medium', 'full'] as const;
export type Amount = (typeof AMOUNTS)[number];

/** Hiding layers of each amount. */
const LAYERS: Readonly<Record<Amount, number>> = { wisp: 0.25, thin: 0.75, medium: 2, full: 4.5 };

/** mg/cm2 of an amount for wool whose one layer weighs m1 and spreads by kappa, to 0.1. */
export const arealOf = (a: Amount, m1: number, kappa: number): number =>
  Math.max(0.1, Math.round((LAYERS[a] * m1 * 10) / kappa) / 10);

/** The word for so many hiding layers. */
export function amountOf(layers: number): Amount {
  if (layers < 0.45) return 'wisp';
  if (layers < 1.25) return 'thin';
  return layers < 3 ? 'medium' : 'full';
}
