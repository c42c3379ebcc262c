/** From version 7 to 8: a hand has a name, and what was done on other pieces is kept with it; until then nothing was. */
export const toHand8 = (old: Record<string, unknown>): Record<string, unknown> => ({
  ...old,
  id: 'hand',
  name: 'My hand',
  done: [],
  without: [],
});
