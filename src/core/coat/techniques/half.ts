/** Values a maker can set: halves of a millimetre. */

/** To half a millimetre, within bounds. */
export const half = (x: number, lo: number, hi: number) => Math.min(hi, Math.max(lo, Math.round(2 * x) / 2));
