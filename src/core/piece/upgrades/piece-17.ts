/** From version 16 to 17: small things made beside the animal. Pieces from before have none. */
type Doc = Record<string, unknown>;

export const toPiece17 = (old: Doc): Doc => ({ ...old, things: [] });
