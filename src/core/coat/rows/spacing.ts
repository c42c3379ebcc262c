/**
 * Row spacing that may change evenly from the hem to the top of an area: s(h) = s0 + (s1 - s0) h / H. Rows are level
 * lines of psi(h) = integral of dh / s(h), counted in rows; a constant spacing gives psi = h / s. Lengths mm.
 */
export interface Spacing {
  readonly hemMm: number;
  readonly topMm: number;
}

/** The same all the way up. */
export const evenly = (mm: number): Spacing => ({ hemMm: mm, topMm: mm });

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

/** Rows that lie already, the lowest first: so many, so far apart as measured. */
export type RowsLying = readonly { readonly rows: number; readonly spacingMm: number }[];

/** Rows that lie, and the height the lowest of them begins at. */
export interface Lying {
  readonly fromMm: number;
  readonly rows: RowsLying;
}

/** Spacing at a height: as measured where rows lie, as asked elsewhere. */
export function spacingOver(lying: Lying, s: Spacing, heightMm: number, topMm: number): number {
  let upTo = lying.fromMm;
  for (const x of heightMm < upTo ? [] : lying.rows) {
    upTo += x.rows * x.spacingMm;
    if (heightMm < upTo) return x.spacingMm;
  }
  return spacingAt(s, topMm > 0 ? Math.min(1, Math.max(0, heightMm / topMm)) : 0);
}

/** Rows below a height, counted from where the lowest that lies begins; what comes above begins where those that lie end. */
export function rowsBelowLying(lying: Lying, s: Spacing, heightMm: number, topMm: number): number {
  let rows = 0;
  let upTo = lying.fromMm;
  for (const x of lying.rows) {
    if (heightMm < upTo + x.rows * x.spacingMm) return rows + (heightMm - upTo) / x.spacingMm;
    upTo += x.rows * x.spacingMm;
    rows += x.rows;
  }
  return rows + rowsBelow(s, heightMm, topMm) - rowsBelow(s, upTo, topMm);
}

/** Height with so many rows below it; the inverse of `rowsBelowLying`. */
export function heightOverLying(lying: Lying, s: Spacing, rows: number, topMm: number): number {
  let n = 0;
  let upTo = lying.fromMm;
  for (const x of lying.rows) {
    if (rows < n + x.rows) return upTo + (rows - n) * x.spacingMm;
    upTo += x.rows * x.spacingMm;
    n += x.rows;
  }
  return heightOf(s, rows - n + rowsBelow(s, upTo, topMm), topMm);
}
