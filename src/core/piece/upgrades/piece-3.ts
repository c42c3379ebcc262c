/** From version 2 to 3: combed lie, areas with more ways of being laid, rows that may change from hem to top. */
type Doc = Record<string, unknown>;

export const toPiece3 = (old: Doc): Doc => ({
  ...old,
  combs: [],
  areas: (old.areas as Doc[]).map((a) => {
    const coat = a.coat as Doc;
    return {
      ...a,
      awayFrom: null,
      evenness: 0,
      branching: false,
      seam: 'none',
      coat: coat.method === 'fold-over' ? { ...coat, topLengthMm: null, topSpacingMm: null } : coat,
    };
  }),
});
