/** From version 9 to 10: weight put low into the core so that it stands is kept with the piece; until then there was none. */
type Doc = Record<string, unknown>;

export const toPiece10 = (old: Doc): Doc => ({ ...old, core: { ...(old.core as Doc), weight: null } });
