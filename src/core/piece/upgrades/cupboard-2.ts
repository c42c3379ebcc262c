/** From version 1 to 2: wire joins wool and needles. */
export const toCupboard2 = (old: Record<string, unknown>): Record<string, unknown> => ({ ...old, wires: [] });
