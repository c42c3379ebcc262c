/** From version 9 to 10: how far felt shrinks is learned too; of pieces before that is not known. */
export const toHand10 = (old: Record<string, unknown>): Record<string, unknown> => ({ ...old });
