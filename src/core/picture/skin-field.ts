/**
 * Height over the skin, the way out of it and the way fur lies, on a grid round the skin: what fibres grow along. Every vertex of the skin
 * speaks for the places near it, the nearer the more. Lengths mm.
 */

export interface SkinField {
  readonly h: number;
  readonly origin: readonly [number, number, number];
  readonly n: readonly [number, number, number];
  /** Height over the skin at the middle of a cell, negative inside; NaN where no skin is within reach. */
  readonly height: Float32Array;
  /** Outward normal and lie of every cell, stride 6, unit. */
  readonly ways: Float32Array;
}

/** So far from the skin fibres are still led by it. */
export const REACH = 6.5;
/** Keeps a vertex that is hit exactly from speaking alone, mm6. */
const SOFT = 0.4;

/**
 * @param positions vertices of the skin, stride 3 @param normals outward, unit @param lie unit, stride 3
 * @param h side of a cell
 */
export function skinField(
  positions: ArrayLike<number>,
  normals: ArrayLike<number>,
  lie: ArrayLike<number>,
  h: number,
  reach = REACH,
): SkinField {
  const lo = [Infinity, Infinity, Infinity];
  const hi = [-Infinity, -Infinity, -Infinity];
  for (let i = 0; i < positions.length; i++) {
    lo[i % 3] = Math.min(lo[i % 3]!, positions[i]!);
    hi[i % 3] = Math.max(hi[i % 3]!, positions[i]!);
  }
  const origin = lo.map((x) => x - reach - h) as [number, number, number];
  const n = [0, 1, 2].map((k) => Math.ceil((hi[k]! - lo[k]! + 2 * (reach + h)) / h)) as [number, number, number];
  const cells = n[0] * n[1] * n[2];
  const height = new Float32Array(cells);
  const ways = new Float32Array(6 * cells);
  const weight = new Float32Array(cells);
  for (let v = 0; v < positions.length; v += 3) {
    const [px, py, pz] = [positions[v]!, positions[v + 1]!, positions[v + 2]!];
    const [nx, ny, nz] = [normals[v]!, normals[v + 1]!, normals[v + 2]!];
    const [lx, ly, lz] = [lie[v]!, lie[v + 1]!, lie[v + 2]!];
    const from = [0, 1, 2].map((k) => Math.max(0, Math.floor((positions[v + k]! - reach - origin[k]!) / h)));
    const to = [0, 1, 2].map((k) => Math.min(n[k]! - 1, Math.floor((positions[v + k]! + reach - origin[k]!) / h)));
    for (let k = from[2]!; k <= to[2]!; k++) {
      const dz = origin[2] + (k + 0.5) * h - pz;
      for (let j = from[1]!; j <= to[1]!; j++) {
        const dy = origin[1] + (j + 0.5) * h - py;
        const yz = dy * dy + dz * dz;
        if (yz > reach * reach) continue;
        const row = n[0] * (j + n[1] * k);
        for (let i = from[0]!; i <= to[0]!; i++) {
          const dx = origin[0] + (i + 0.5) * h - px;
          const d2 = dx * dx + yz;
          if (d2 > reach * reach) continue;
          const w = 1 / (d2 * d2 * d2 + SOFT);
          const c = row + i;
          weight[c]! += w;
          height[c]! += w * (dx * nx + dy * ny + dz * nz);
          ways[6 * c]! += w * nx;
          ways[6 * c + 1]! += w * ny;
          ways[6 * c + 2]! += w * nz;
          ways[6 * c + 3]! += w * lx;
          ways[6 * c + 4]! += w * ly;
          ways[6 * c + 5]! += w * lz;
        }
      }
    }
  }
  for (let c = 0; c < cells; c++) {
    if (weight[c] === 0) height[c] = NaN;
    else {
      height[c]! /= weight[c]!;
      made(ways, 6 * c);
      made(ways, 6 * c + 3);
    }
  }
  return { h, origin, n, height, ways };
}

/** Makes three numbers a unit vector. */
function made(v: Float32Array, at: number): void {
  const size = Math.hypot(v[at]!, v[at + 1]!, v[at + 2]!) || 1;
  for (let k = 0; k < 3; k++) v[at + k]! /= size;
}

/** The cell a place lies in; -1 where there is none, or no skin near. */
export function cellAt(f: SkinField, x: number, y: number, z: number): number {
  const i = Math.floor((x - f.origin[0]) / f.h);
  const j = Math.floor((y - f.origin[1]) / f.h);
  const k = Math.floor((z - f.origin[2]) / f.h);
  if (i < 0 || j < 0 || k < 0 || i >= f.n[0] || j >= f.n[1] || k >= f.n[2]) return -1;
  const c = i + f.n[0] * (j + f.n[1] * k);
  return Number.isNaN(f.height[c]!) ? -1 : c;
}

/** Height over the skin at a place of a cell: that of its middle, and on along its normal. */
export function heightIn(f: SkinField, c: number, x: number, y: number, z: number): number {
  const i = c % f.n[0];
  const j = Math.floor(c / f.n[0]) % f.n[1];
  const k = Math.floor(c / (f.n[0] * f.n[1]));
  return (
    f.height[c]! +
    (x - f.origin[0] - (i + 0.5) * f.h) * f.ways[6 * c]! +
    (y - f.origin[1] - (j + 0.5) * f.h) * f.ways[6 * c + 1]! +
    (z - f.origin[2] - (k + 0.5) * f.h) * f.ways[6 * c + 2]!
  );
}
