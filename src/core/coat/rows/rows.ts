/**
 * Rows of fur on an area: the level lines of its row field at half a spacing above the hem and every spacing further,
 * numbered from the hem up. Where the body widens so fast that rows would gape, a half row goes between two; where it
 * narrows so fast that they would crowd, every second is left out (branching rows, common practice). Lengths mm.
 */
import { isolines, type Isoline } from '@/core/geometry/isolines';
import { weightedPercentile } from '@/core/percentile';
import type { AreaMesh, RowField } from './row-field';
import {
  evenly,
  heightOverLying,
  rowsBelowLying,
  spacingAt,
  spacingOver,
  type Lying,
  type RowsLying,
  type Spacing,
} from './spacing';

/** One unbroken stretch of a row on the skin. `points`, `normal` and `lie` have stride 3. */
export interface RowPiece {
  readonly closed: boolean;
  readonly lengthMm: number;
  /** How many times as long as its points that is, where it was measured on the felt. */
  readonly times?: number;
  /** Connected piece of the area it lies on. */
  readonly component: number;
  readonly points: Float64Array;
  readonly normal: Float64Array;
  readonly lie: Float64Array;
}

export interface Row {
  /** Counted from 1 at the hem. */
  readonly number: number;
  /** Height above the hem, and as a share of the way to the top. */
  readonly atMm: number;
  readonly share: number;
  /** The same, and less than 0 below the mean of the hem: tells every row from the others. */
  readonly up: number;
  /** A half row, put in between two where they gape. */
  readonly half: boolean;
  readonly lengthMm: number;
  readonly pieces: readonly RowPiece[];
}

export interface RowSet {
  readonly rows: readonly Row[];
  readonly totalMm: number;
  /** True spacing on the skin, mm: 5th, 50th and 95th percentile by area. */
  readonly spacingMm: { readonly p5: number; readonly p50: number; readonly p95: number };
  /** True spacing over the spacing wanted there: 5th and 95th percentile by area. */
  readonly gape: { readonly p5: number; readonly p95: number };
  /** Angle between the rows' own direction and the lie, degrees: median and 95th percentile. */
  readonly strayDeg: { readonly p50: number; readonly p95: number };
  /**
   * Integral of |grad phi| over the area, mm2, twice where half rows lie and half where every second is left out: mean spacing
   * times total row length must come to this.
   */
  readonly fluxMm2: number;
  readonly meanSpacingMm: number;
}

/** Stretches shorter than this share of the spacing cannot be laid and are left out. */
const SHORTEST = 0.5;
/** Less steep than this a half row goes in; steeper than this every second row is left out. */
const GAPES = Math.SQRT1_2;
const CROWDS = Math.SQRT2;

/** How many times wider the true spacing is than the one wanted, where the field is so steep. */
export function gapeOf(steepness: number, branching: boolean): number {
  const g = 1 / Math.max(steepness, 1e-3);
  if (!branching) return g;
  return steepness < GAPES ? g / 2 : steepness > CROWDS ? 2 * g : g;
}

/**
 * @param spacing one number, or one at the hem and one at the top
 * @param normal outward normals at the vertices of the area, stride 3
 * @param lie unit lie at the vertices, stride 3
 * @param there rows that lie already, as measured; the spacing is that of what comes above them
 */
export function measureRows(
  mesh: AreaMesh,
  field: RowField,
  spacing: number | Spacing,
  normal: Float64Array,
  lie: Float64Array,
  branching = false,
  there: RowsLying = [],
): RowSet {
  const s: Spacing = typeof spacing === 'number' ? evenly(spacing) : spacing;
  const even = s.hemMm === s.topMm && there.length === 0;
  // The lowest of the rows that lie was laid where it was planned; the others are measured from it.
  const lowest = there.length > 0 ? measureRows(mesh, field, s, normal, lie, branching).rows[0] : undefined;
  const lying: Lying = { fromMm: lowest ? lowest.atMm - there[0]!.spacingMm / 2 : 0, rows: there };
  let top = 0;
  for (const h of field.phi) top = Math.max(top, h);
  const value = even ? field.phi : Float64Array.from(field.phi, (h) => rowsBelowLying(lying, s, h, top));
  const [first, step] = even ? [s.hemMm / 2, s.hemMm] : [0.5, 1];
  const steep = branching ? steepnessAtVertices(mesh, field) : null;

  interface Stretch {
    readonly line: Isoline;
    readonly from: number;
    readonly to: number;
    readonly closed: boolean;
  }
  const byHeight = new Map<number, Stretch[]>();
  const put = (twice: number, x: Stretch) => {
    const list = byHeight.get(twice);
    if (list) list.push(x);
    else byHeight.set(twice, [x]);
  };
  for (const line of isolines(mesh, mesh.edges, value, first, step)) {
    const twice = 2 * line.level + 1;
    if (!steep || line.level % 2 === 0) put(twice, { line, from: 0, to: line.share.length - 1, closed: line.closed });
    else for (const r of runs(line, mesh, steep, (g) => g <= CROWDS)) put(twice, { line, ...r });
  }
  if (steep) {
    for (const line of isolines(mesh, mesh.edges, value, first + step / 2, step)) {
      for (const r of runs(line, mesh, steep, (g) => g < GAPES)) put(2 * line.level + 2, { line, ...r });
    }
  }
  const rows: Row[] = [];
  for (const [twice, list] of [...byHeight.entries()].sort((a, b) => a[0] - b[0])) {
    if (there.length > 0 && twice < 0) continue;
    const atMm = heightOverLying(lying, s, twice / 2, top);
    const up = top > 0 ? atMm / top : 0;
    const share = Math.min(1, Math.max(0, up));
    const pieces = list.flatMap((x) => {
      const p = pieceOf(x.line, x.from, x.to, x.closed, mesh, normal, lie);
      return p.lengthMm < SHORTEST * spacingAt(s, share) ? [] : [p];
    });
    if (pieces.length === 0) continue;
    rows.push({
      number: rows.length + 1,
      atMm,
      share,
      up,
      half: twice % 2 === 0,
      lengthMm: pieces.reduce((t, q) => t + q.lengthMm, 0),
      pieces,
    });
  }
  const heights = triangleHeights(mesh, field);
  const wanted = Float64Array.from(heights, (h) => spacingOver(lying, s, h, top));
  const gape = Float64Array.from(field.steepness, (g) => gapeOf(g, branching));
  const true_ = gape.map((g, t) => g * wanted[t]!);
  const at = (x: Float64Array, share: number) => weightedPercentile(x, field.area, share);
  let flux = 0;
  let inRows = 0;
  for (let t = 0; t < field.area.length; t++) {
    const laid = field.area[t]! * field.steepness[t]! * (steep ? rowsThere(mesh, steep, t) : 1);
    flux += laid;
    inRows += laid / wanted[t]!;
  }
  return {
    rows,
    totalMm: rows.reduce((t, r) => t + r.lengthMm, 0),
    spacingMm: { p5: at(true_, 0.05), p50: at(true_, 0.5), p95: at(true_, 0.95) },
    gape: { p5: at(gape, 0.05), p95: at(gape, 0.95) },
    strayDeg: { p50: at(field.strayDeg, 0.5), p95: at(field.strayDeg, 0.95) },
    fluxMm2: flux,
    meanSpacingMm: even ? s.hemMm : flux / (inRows || 1),
  };
}

/** Rows laid on a triangle for every level line over it: as its corners are cut into rows, by the smoothed steepness. */
function rowsThere(mesh: AreaMesh, steep: Float64Array, t: number): number {
  const g = [0, 1, 2].reduce((s, k) => s + steep[mesh.triangles[3 * t + k]!]! / 3, 0);
  return g < GAPES ? 2 : g > CROWDS ? 0.5 : 1;
}

/** Height of the middle of every triangle above the hem, mm. */
export function triangleHeights(mesh: AreaMesh, field: RowField): Float64Array {
  return Float64Array.from(
    { length: mesh.triangles.length / 3 },
    (_, t) =>
      (field.phi[mesh.triangles[3 * t]!]! +
        field.phi[mesh.triangles[3 * t + 1]!]! +
        field.phi[mesh.triangles[3 * t + 2]!]!) /
      3,
  );
}

/** |grad phi| at the vertices, smoothed so that half rows do not begin and end at single triangles. */
function steepnessAtVertices(mesh: AreaMesh, field: RowField): Float64Array {
  const n = mesh.positions.length / 3;
  const sum = new Float64Array(n);
  const area = new Float64Array(n);
  for (let t = 0; t < field.area.length; t++) {
    for (let k = 0; k < 3; k++) {
      const v = mesh.triangles[3 * t + k]!;
      sum[v]! += field.area[t]! * field.steepness[t]!;
      area[v]! += field.area[t]!;
    }
  }
  let g = sum.map((x, v) => x / (area[v]! || 1));
  for (let r = 0; r < 3; r++) {
    const next = Float64Array.from(g);
    const count = new Float64Array(n).fill(1);
    for (let e = 0; e < mesh.edges.count; e++) {
      const [u, v] = [mesh.edges.ends[2 * e]!, mesh.edges.ends[2 * e + 1]!];
      next[u]! += g[v]!;
      next[v]! += g[u]!;
      count[u]!++;
      count[v]!++;
    }
    g = next.map((x, v) => x / count[v]!);
  }
  return g;
}

/** Unbroken runs of a line where the steepness is as asked. A closed line that is so all round stays closed. */
function runs(
  line: Isoline,
  mesh: AreaMesh,
  steep: Float64Array,
  ok: (g: number) => boolean,
): { from: number; to: number; closed: boolean }[] {
  const n = line.share.length;
  const good = Array.from({ length: n }, (_, i) => {
    const u = mesh.edges.ends[2 * line.edge[i]!]!;
    const v = mesh.edges.ends[2 * line.edge[i]! + 1]!;
    return ok((1 - line.share[i]!) * steep[u]! + line.share[i]! * steep[v]!);
  });
  if (good.every(Boolean)) return [{ from: 0, to: n - 1, closed: line.closed }];
  const out: { from: number; to: number; closed: boolean }[] = [];
  for (let i = 0; i < n; i++) {
    if (!good[i]) continue;
    let j = i;
    while (j + 1 < n && good[j + 1]) j++;
    if (j > i) out.push({ from: i, to: j, closed: false });
    i = j;
  }
  return out;
}

function pieceOf(
  line: Isoline,
  from: number,
  to: number,
  closed: boolean,
  mesh: AreaMesh,
  normal: Float64Array,
  lie: Float64Array,
): RowPiece {
  const n = to - from + 1;
  const take = (of: Float64Array): Float64Array => {
    const out = new Float64Array(3 * n);
    for (let i = 0; i < n; i++) {
      const u = 3 * mesh.edges.ends[2 * line.edge[from + i]!]!;
      const v = 3 * mesh.edges.ends[2 * line.edge[from + i]! + 1]!;
      const t = line.share[from + i]!;
      let s = 0;
      for (let k = 0; k < 3; k++) {
        out[3 * i + k] = (1 - t) * of[u + k]! + t * of[v + k]!;
        s += out[3 * i + k]! ** 2;
      }
      s = 1 / Math.sqrt(s || 1);
      for (let k = 0; k < 3; k++) out[3 * i + k]! *= s;
    }
    return out;
  };
  const points = n === line.share.length ? line.points : line.points.slice(3 * from, 3 * to + 3);
  let length = line.lengthMm;
  if (n !== line.share.length) {
    length = 0;
    for (let i = 3; i < points.length; i += 3) {
      length += Math.hypot(
        points[i]! - points[i - 3]!,
        points[i + 1]! - points[i - 2]!,
        points[i + 2]! - points[i - 1]!,
      );
    }
  }
  return {
    closed,
    lengthMm: length,
    component: mesh.piece[mesh.edges.ends[2 * line.edge[from]!]!]!,
    points,
    normal: take(normal),
    lie: take(lie),
  };
}
