/**
 * Row spacing that may change evenly from the hem to the top of an area: s(h) = s0 + (s1 - s0) h / H. Rows are level
 * lines of psi(h) = integral of dh / s(h), counted in rows; a constant spacing gives psi = h / s. Lengths mm.
 */
export interface Spacing {
  readonly hemMm: number;
  readonly topMm: number;
}

export const spacingAt = (s: Spacing, share: number): number => s.hemMm + (s.topMm - s.hemMm) * share;

/** Rows below a height, with H the height of the area. */
export function rowsBelow(s: Spacing, heightMm: number, topMm: number): number {
  const d = s.topMm - s.hemMm;
  if (Math.abs(d) < 1e-9 || heightMm <= 0 || topMm <= 0) return heightMm / s.hemMm;
  return (topMm / d) * Math.log1p((d * heightMm) / (topMm * s.hemMm));
}

/** Height with so many rows below it; the inverse of `rowsBelow`. */
export function heightOf(s: Spacing, rows: number, topMm: number): number {
  const d = s.topMm - s.hemMm;
  if (Math.abs(d) < 1e-9 || rows <= 0 || topMm <= 0) return rows * s.hemMm;
  return ((topMm * s.hemMm) / d) * Math.expm1((rows * d) / topMm);
}
