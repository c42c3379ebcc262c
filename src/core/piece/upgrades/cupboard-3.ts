/** From version 2 to 3: wool has crimp, tips of another colour and sorted locks; practice swatches are kept. */
type Doc = Record<string, unknown>;

export const toCupboard3 = (old: Doc): Doc => ({
  ...old,
  lots: (old.lots as Doc[]).map((l) => ({
    ...l,
    tipColour: null,
    tipShare: 0.2,
    crimpMm: 0,
    crimpDepthMm: 0,
    piles: [],
  })),
  swatches: [],
});
