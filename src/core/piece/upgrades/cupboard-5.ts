/** From version 4 to 5: eyes and whisker thread at hand. */
export const toCupboard5 = (old: Record<string, unknown>): Record<string, unknown> => ({
  ...old,
  eyes: [],
  threads: [],
});
