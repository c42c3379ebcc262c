/**
 * Rows of fur on an area: the level lines of its row field at half a spacing above the hem and every spacing further,
 * numbered from the hem up. Lengths mm.
 */
import { isolines } from '@/core/geometry/isolines';
import { weightedPercentile } from '@/core/percentile';
import type { AreaMesh, RowField } from './row-field';

/** One unbroken stretch of a row on the skin. `points`, `normal` and `lie` have stride 3. */
export interface RowPiece {
  readonly closed: boolean;
  readonly lengthMm: number;
  /** Connected piece of the area it lies on. */
  readonly component: number;
  readonly points: Float64Array;
  readonly normal: Float64Array;
  readonly lie: Float64Array;
}

export interface Row {
  /** Counted from 1 at the hem. */
  readonly number: number;
  readonly lengthMm: number;
  readonly pieces: readonly RowPiece[];
}

export interface RowSet {
  readonly rows: readonly Row[];
  readonly totalMm: number;
  /** True spacing on the skin, mm: 5th, 50th and 95th percentile by area. */
  readonly spacingMm: { readonly p5: number; readonly p50: number; readonly p95: number };
  /** Angle between the rows' own direction and the lie, degrees: median and 95th percentile. */
  readonly strayDeg: { readonly p50: number; readonly p95: number };
  /** Integral of |grad phi| over the area, mm2: spacing times total row length must come to this. */
  readonly fluxMm2: number;
}

/** Stretches shorter than this share of the spacing cannot be laid and are left out. */
const SHORTEST = 0.5;

/**
 * @param normal outward normals at the vertices of the area, stride 3
 * @param lie unit lie at the vertices, stride 3
 */
export function measureRows(
  mesh: AreaMesh,
  field: RowField,
  spacingMm: number,
  normal: Float64Array,
  lie: Float64Array,
): RowSet {
  const byLevel = new Map<number, RowPiece[]>();
  for (const line of isolines(mesh, mesh.edges, field.phi, spacingMm / 2, spacingMm)) {
    if (line.lengthMm < SHORTEST * spacingMm) continue;
    const take = (from: Float64Array): Float64Array => {
      const out = new Float64Array(line.points.length);
      for (let i = 0; i < line.share.length; i++) {
        const u = 3 * mesh.edges.ends[2 * line.edge[i]!]!;
        const v = 3 * mesh.edges.ends[2 * line.edge[i]! + 1]!;
        const t = line.share[i]!;
        let s = 0;
        for (let k = 0; k < 3; k++) {
          out[3 * i + k] = (1 - t) * from[u + k]! + t * from[v + k]!;
          s += out[3 * i + k]! ** 2;
        }
        s = 1 / Math.sqrt(s || 1);
        for (let k = 0; k < 3; k++) out[3 * i + k]! *= s;
      }
      return out;
    };
    const piece: RowPiece = {
      closed: line.closed,
      lengthMm: line.lengthMm,
      component: mesh.piece[mesh.edges.ends[2 * line.edge[0]!]!]!,
      points: line.points,
      normal: take(normal),
      lie: take(lie),
    };
    const list = byLevel.get(line.level);
    if (list) list.push(piece);
    else byLevel.set(line.level, [piece]);
  }
  const rows: Row[] = [...byLevel.entries()]
    .sort((a, b) => a[0] - b[0])
    .map(([, pieces], i) => ({
      number: i + 1,
      lengthMm: pieces.reduce((s, q) => s + q.lengthMm, 0),
      pieces,
    }));
  const spacing = Float64Array.from(field.steepness, (g) => spacingMm / Math.max(g, 1e-3));
  const at = (share: number) => weightedPercentile(spacing, field.area, share);
  let flux = 0;
  for (let t = 0; t < field.area.length; t++) flux += field.area[t]! * field.steepness[t]!;
  return {
    rows,
    totalMm: rows.reduce((s, r) => s + r.lengthMm, 0),
    spacingMm: { p5: at(0.05), p50: at(0.5), p95: at(0.95) },
    strayDeg: {
      p50: weightedPercentile(field.strayDeg, field.area, 0.5),
      p95: weightedPercentile(field.strayDeg, field.area, 0.95),
    },
    fluxMm2: flux,
  };
}
