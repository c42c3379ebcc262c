/** From version 6 to 7: what the maker's scales show at least, and what a pinch of the maker weighs; until then a tenth of a gram, and not known. */
export const toHand7 = (old: Record<string, unknown>): Record<string, unknown> => ({
  ...old,
  scalesStepG: 0.1,
  pinchMg: null,
});
