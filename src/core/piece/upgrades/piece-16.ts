/** From version 15 to 16: areas may be laid with felted feathers, and lie on the back or the hollow of a leaf alone. Those there are stay as they are. */
type Doc = Record<string, unknown>;

export const toPiece16 = (old: Doc): Doc => old;
