/** From version 4 to 5: the face. It is begun by the maker, never guessed. */
export const toPiece5 = (old: Record<string, unknown>): Record<string, unknown> => ({ ...old, face: null });
