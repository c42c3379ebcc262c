/** From version 3 to 4: mottled wool, and blends really made and compared. */
type Doc = Record<string, unknown>;

export const toCupboard4 = (old: Doc): Doc => ({
  ...old,
  lots: (old.lots as Doc[]).map((l) => ({ ...l, mottle: [] })),
  blends: [],
});
