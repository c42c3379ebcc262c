/**
 * A drawing larger than the paper is cut into tiles that overlap: how many, where each stands on its page, and the
 * dashed lines and crosses to lay them over each other by. Millimetres.
 */
import type { Paper } from './paper';

export const OVERLAP = 10;
/** Left free above and below a tile for its words and the check bar. */
export const TILE_TOP = 34;
export const TILE_BOTTOM = 26;
export const BAR = 'A bar 50 mm long to check the print scale';

/** How many tiles of `size` cover `length` when neighbours share the overlap. */
export function tiles(length: number, size: number): number {
  return length <= size ? 1 : 1 + Math.ceil((length - size) / (size - OVERLAP));
}

/** Where a tile stands on the page and which part of the drawing it shows, mm. */
export interface TilePlace {
  readonly x: number;
  readonly y: number;
  readonly w: number;
  readonly h: number;
  readonly fromX: number;
  readonly fromY: number;
}

export interface Joins {
  readonly left: boolean;
  readonly right: boolean;
  readonly above: boolean;
  readonly below: boolean;
}

export const NO_JOINS: Joins = { left: false, right: false, above: false, below: false };

/** Lines and crosses where tiles lie over each other. */
export function joinMarks(paper: Paper, p: TilePlace, joins: Joins): void {
  const [l, t, r, b] = [p.x, p.y, p.x + p.w, p.y + p.h];
  if (joins.right) paper.line(r - OVERLAP, t, r - OVERLAP, b, 0.15, true);
  if (joins.left) paper.line(l + OVERLAP, t, l + OVERLAP, b, 0.15, true);
  if (joins.below) paper.line(l, b - OVERLAP, r, b - OVERLAP, 0.15, true);
  if (joins.above) paper.line(l, t + OVERLAP, r, t + OVERLAP, 0.15, true);
  // Crosses in the middle of the overlap, the same on both sheets, to lay over each other.
  const half = OVERLAP / 2;
  const xs = [...(joins.left ? [l + half] : []), ...(joins.right ? [r - half] : [])];
  const ys = [...(joins.above ? [t + half] : []), ...(joins.below ? [b - half] : [])];
  const cross = (x: number, y: number) => {
    paper.line(x - 2, y, x + 2, y, 0.2);
    paper.line(x, y - 2, x, y + 2, 0.2);
  };
  for (const x of xs) for (const y of ys.length > 0 ? ys : [t + p.h / 2]) cross(x, y);
  if (xs.length === 0) for (const y of ys) cross(l + p.w / 2, y);
}
