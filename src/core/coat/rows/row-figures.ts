/** Figures and helpers that every way of laying in rows shares. Lengths mm, masses g. */
import { figure, type Figure } from '@/core/method/define';
import type { Lot } from '@/core/piece/cupboard';
import type { Hand } from '@/core/piece/hand';
import { chartOf, type ChartDress, type LayChart } from '@/core/coat/chart/lay-chart';
import { rowCount, rowTotal } from '@/core/coat/techniques/fold-over/fold-over-methods';
import { asLong } from './as-long';
import { gapeOf, measureRows, triangleHeights, type RowSet } from './rows';
import { spacingAt, spacingOver, type Lying, type RowsLying, type Spacing } from './spacing';
import type { LayContext } from '@/core/coat/way';

/**
 * The rows of an area at a spacing, kept while only wool, length or lift change.
 * @param lying rows that lie already, as they were measured
 */
export function rowsFor(c: LayContext, spacing: Spacing, lying: RowsLying = []): { rows: RowSet; chart: LayChart } {
  const all = c.keep('rows', [c.shape, spacing, c.area.branching, lying], (shape, apart, branching, there) =>
    measureRows(shape.patch, shape.field, apart, shape.normal, shape.lie, branching, there),
  );
  const laid = c.stopsAt === null ? all : c.keep('rows laid', [all, c.stopsAt], upTo);
  const rows = c.longer.length === 0 ? laid : c.keep('rows as long', [laid, c.longer], asLong);
  const chart = c.keep('chart', [rows, c.shape.components], (r, components) =>
    chartOf(r.rows, components, r.meanSpacingMm),
  );
  return { rows, chart };
}

/** A row at the place where the maker stopped is laid, whatever rounding says. */
const HAIR = 1e-6;

/** Rows up to a place, 0 the hem and 1 the top: what lies above is bare. */
function upTo(all: RowSet, stopsAt: number): RowSet {
  const rows = all.rows.filter((r) => r.up <= stopsAt + HAIR);
  const totalMm = rows.reduce((s, r) => s + r.lengthMm, 0);
  return { ...all, rows, totalMm, fluxMm2: all.totalMm > 0 ? (all.fluxMm2 * totalMm) / all.totalMm : 0 };
}

export const dressed = (chart: LayChart, dress: Partial<ChartDress>): LayChart => ({
  ...chart,
  dress: { ...chart.dress, ...dress },
});

export const rowFigures = (c: LayContext, rows: RowSet): { rows: Figure; rowLength: Figure } => ({
  rows: figure(rowCount, { rows: rows.rows.length, spacing: rows.meanSpacingMm, height: c.shape.heightMm }),
  rowLength: figure(rowTotal, {
    total: rows.totalMm,
    rows: rows.rows.length,
    spacing: rows.meanSpacingMm,
    flux: rows.fluxMm2,
  }),
});

/** How many pieces of wool go along the rows at a pitch: every stretch of a row is begun anew. */
export const piecesAlong = (rows: RowSet, pitchMm: number): number =>
  rows.rows.reduce(
    (s, r) => s + r.pieces.reduce((q, p) => q + Math.max(1, Math.ceil(p.lengthMm / pitchMm - 1e-9)), 0),
    0,
  );

/** Mean of a quantity along all rows, by their length. */
export function meanAlong(rows: RowSet, of: (share: number) => number): number {
  if (rows.totalMm === 0) return of(0);
  return rows.rows.reduce((s, r) => s + r.lengthMm * of(r.share), 0) / rows.totalMm;
}

const STEPS = 60;
const LEAST = 0.2;
const MOST = 4;
const LEVELS = 6;

/**
 * Share of the base hidden on every triangle, from how wide the rows gape there and how high it lies.
 * @param laid rows and the spacing asked, where some may lie apart otherwise; null where nothing is laid in rows
 * @param cover of a place where rows gape so many times wider than wanted, at a share of the way up
 */
export function coverMapOf(
  c: LayContext,
  {
    varies,
    laid,
  }: { readonly varies: boolean; readonly laid: { readonly spacing: Spacing; readonly rows: RowSet } | null },
  cover: (gape: number, share: number) => number,
): Float32Array {
  const { field, patch } = c.shape;
  let top = 0;
  for (const h of field.phi) top = Math.max(top, h);
  const levels = varies ? LEVELS : 1;
  // Filled as it is asked: most places gape much alike.
  const table = Array.from({ length: levels }, () => new Float64Array(STEPS + 1).fill(NaN));
  const entry = (l: number, i: number): number => {
    const known = table[l]![i]!;
    if (!Number.isNaN(known)) return known;
    return (table[l]![i] = cover(LEAST * (MOST / LEAST) ** (i / STEPS), levels === 1 ? 0 : l / (levels - 1)));
  };
  const there = laid ? c.lying : [];
  const lying: Lying = {
    fromMm: there.length > 0 ? (laid!.rows.rows[0]?.atMm ?? 0) - there[0]!.spacingMm / 2 : 0,
    rows: there,
  };
  // Half a row above the last one the base is bare.
  const bareAbove = laid && c.stopsAt !== null ? c.stopsAt * top + spacingAt(laid.spacing, c.stopsAt) / 2 : Infinity;
  const heights = varies || lying.rows.length > 0 || bareAbove < top ? triangleHeights(patch, field) : null;
  const apart = (t: number): number => {
    const share = top > 0 ? Math.min(1, Math.max(0, heights![t]! / top)) : 0;
    return spacingOver(lying, laid!.spacing, heights![t]!, top) / spacingAt(laid!.spacing, share);
  };
  return Float32Array.from(field.steepness, (g, t) => {
    if (heights && heights[t]! > bareAbove) return 0;
    const wider = gapeOf(g, c.area.branching) * (lying.rows.length > 0 ? apart(t) : 1);
    const gape = Math.max(LEAST, Math.min(MOST, wider));
    const x = (Math.log(gape / LEAST) / Math.log(MOST / LEAST)) * STEPS;
    const i = Math.min(STEPS - 1, Math.floor(x));
    const level = heights && top > 0 ? Math.min(1, Math.max(0, heights[t]! / top)) * (levels - 1) : 0;
    const at = (l: number) => entry(l, i) + (x - i) * (entry(l, i + 1) - entry(l, i));
    const l = Math.min(levels - 2, Math.floor(level));
    return levels === 1 ? at(0) : at(l) + (level - l) * (at(l + 1) - at(l));
  });
}

/** Colours and crimp of a lot, for the picture. */
export const pileOfLot = (lot: Lot, hand: Hand) => ({
  kappa: hand.spread[lot.form],
  colour: lot.colour,
  tipColour: lot.tipColour,
  tipShare: lot.tipShare,
  crimpMm: lot.crimpMm,
  crimpDepthMm: lot.crimpDepthMm,
});
