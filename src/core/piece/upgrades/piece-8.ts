/** From version 7 to 8: what is done where the fur is as thick as the part is said by part; until then the core gave way. */
type Doc = Record<string, unknown>;

export const toPiece8 = (old: Doc): Doc => ({ ...old, core: { ...(old.core as Doc), under: [] } });
