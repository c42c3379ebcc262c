/**
 * Shade from a lamp: how much fibre lies between a place and the lamp, on a grid that stands along its light, and where the first skin is.
 * Lengths mm.
 */
import type { Vec3 } from '@/core/geometry/vec';
import { SEGMENTS, type Fibres } from './fibres';

const ACROSS = 0.4;
const DEEP = 0.5;
/** A skin this much nearer to the lamp casts its shadow: the place itself does not, nor what slants away from it to the next cell but one. */
const BIAS = 0.7;
const SLANTS = 1.5;
/** It slants no more than this from cell to cell, mm: a step is an edge. */
const STEEPEST = 2;

export interface LampGrid {
  readonly to: Vec3;
  readonly u: Vec3;
  readonly v: Vec3;
  readonly low: readonly [number, number, number];
  readonly n: readonly [number, number, number];
  /** Fibre before the middle of each cell, as layers that hide once. */
  readonly before: Float32Array;
  /** How near to the lamp a place has to be not to lie in the shadow of the first skin; -Infinity where there is none. */
  readonly skin: Float32Array;
  readonly across: number;
  readonly deep: number;
}

/** Two directions square to one and to each other. */
export function squareTo(w: Vec3): [Vec3, Vec3] {
  const a: Vec3 = Math.abs(w[1]) < 0.9 ? [0, 1, 0] : [1, 0, 0];
  const u: [number, number, number] = [a[1] * w[2] - a[2] * w[1], a[2] * w[0] - a[0] * w[2], a[0] * w[1] - a[1] * w[0]];
  const size = Math.hypot(...u);
  for (let k = 0; k < 3; k++) u[k]! /= size;
  return [u, [w[1] * u[2] - w[2] * u[1], w[2] * u[0] - w[0] * u[2], w[0] * u[1] - w[1] * u[0]]];
}

/**
 * @param to unit direction to the lamp @param coarse how many times larger cells are than for an animal of 200 mm
 * @param more what casts a shadow beside the skin, as far as it lies over the grid
 */
export function lampGrid(
  to: Vec3,
  fibres: Fibres,
  skin: { readonly positions: ArrayLike<number>; readonly triangles: ArrayLike<number> },
  coarse = 1,
  more: readonly { readonly positions: ArrayLike<number>; readonly triangles: ArrayLike<number> }[] = [],
): LampGrid {
  const [u, v] = squareTo(to);
  const across = ACROSS * coarse;
  const deep = DEEP * coarse;
  const axes = [u, v, to];
  const low = [Infinity, Infinity, Infinity] as [number, number, number];
  const high = [-Infinity, -Infinity, -Infinity];
  const p = fibres.points;
  const widen = (x: number, y: number, z: number) => {
    for (let k = 0; k < 3; k++) {
      const d = axes[k]![0] * x + axes[k]![1] * y + axes[k]![2] * z;
      if (d < low[k]!) low[k] = d;
      if (d > high[k]!) high[k] = d;
    }
  };
  const used = 3 * (SEGMENTS + 1) * fibres.count;
  for (let i = 0; i < used; i += 9) widen(p[i]!, p[i + 1]!, p[i + 2]!);
  const s = skin.positions;
  for (let i = 0; i < s.length; i += 3) widen(s[i]!, s[i + 1]!, s[i + 2]!);
  const cell = [across, across, deep];
  for (let k = 0; k < 3; k++) low[k]! -= 2 * cell[k]!;
  const n = [0, 1, 2].map((k) => Math.ceil((high[k]! - low[k]!) / cell[k]!) + 3) as [number, number, number];
  const before = new Float32Array(n[0] * n[1] * n[2]);
  const area = across * across;
  for (let f = 0; f < fibres.count; f++) {
    const w = fibres.width[f]! * fibres.casts[f]!;
    let at = 3 * (SEGMENTS + 1) * f;
    for (let k = 0; k < SEGMENTS; k++, at += 3) {
      const dx = p[at + 3]! - p[at]!, dy = p[at + 4]! - p[at + 1]!, dz = p[at + 5]! - p[at + 2]!; // prettier-ignore
      const along = dx * to[0] + dy * to[1] + dz * to[2];
      const square = Math.sqrt(Math.max(0, dx * dx + dy * dy + dz * dz - along * along));
      const mx = p[at]! + dx / 2, my = p[at + 1]! + dy / 2, mz = p[at + 2]! + dz / 2; // prettier-ignore
      const i = Math.floor((u[0] * mx + u[1] * my + u[2] * mz - low[0]) / across);
      const j = Math.floor((v[0] * mx + v[1] * my + v[2] * mz - low[1]) / across);
      const d = Math.floor((to[0] * mx + to[1] * my + to[2] * mz - low[2]) / deep);
      if (i < 0 || j < 0 || d < 0 || i >= n[0] || j >= n[1] || d >= n[2]) continue;
      before[d + n[2] * (i + n[0] * j)]! += (square * w) / area;
    }
  }
  // From the lamp on: what lies before each cell, and half of what is in it.
  for (let c = 0; c < n[0] * n[1]; c++) {
    let sum = 0;
    for (let d = n[2] - 1; d >= 0; d--) {
      const here = before[d + n[2] * c]!;
      before[d + n[2] * c] = sum + here / 2;
      sum += here;
    }
  }
  return { to, u, v, low, n, before, skin: firstSkin(u, v, to, low, n, across, [skin, ...more]), across, deep };
}

/** How near the first skin is, seen from the lamp: triangles drawn on the grid. */
function firstSkin(
  u: Vec3,
  v: Vec3,
  to: Vec3,
  low: readonly number[],
  n: readonly number[],
  across: number,
  surfaces: readonly { readonly positions: ArrayLike<number>; readonly triangles: ArrayLike<number> }[],
): Float32Array {
  const out = new Float32Array(n[0]! * n[1]!).fill(-Infinity);
  const [a, b, c] = [new Float64Array(3), new Float64Array(3), new Float64Array(3)];
  const put = (to3: Float64Array, p: ArrayLike<number>, i: number) => {
    const x = p[i]!, y = p[i + 1]!, z = p[i + 2]!; // prettier-ignore
    to3[0] = (u[0] * x + u[1] * y + u[2] * z - low[0]!) / across;
    to3[1] = (v[0] * x + v[1] * y + v[2] * z - low[1]!) / across;
    to3[2] = to[0] * x + to[1] * y + to[2] * z;
  };
  for (const { positions: p, triangles: T } of surfaces)
    for (let t = 0; t < T.length; t += 3) {
      put(a, p, 3 * T[t]!);
      put(b, p, 3 * T[t + 1]!);
      put(c, p, 3 * T[t + 2]!);
      overTriangle(a, b, c, n[0]!, n[1]!, (at, w) => {
        if (w > out[at]!) out[at] = w;
      });
    }
  return clearOfItself(out, n[0]!, n[1]!);
}

/** Every depth so much further from the lamp that a surface that slants does not lie in its own shadow. */
function clearOfItself(skin: Float32Array, wide: number, high: number): Float32Array {
  // The less steep of both ways to the next cell: at an edge the other one is a step.
  const slant = (at: number, by: number, ends: boolean): number => {
    const w = skin[at]!;
    const back = ends ? Infinity : Math.abs(w - skin[at - by]!);
    const on = Math.abs(w - (skin[at + by] ?? Infinity));
    const least = Math.min(back, on);
    return Number.isFinite(least) ? Math.min(STEEPEST, least) : 0;
  };
  const out = new Float32Array(skin.length);
  for (let j = 0; j < high; j++)
    for (let i = 0; i < wide; i++) {
      const at = i + wide * j;
      out[at] =
        skin[at] === -Infinity
          ? -Infinity
          : skin[at]! - BIAS - SLANTS * (slant(at, 1, i === 0) + slant(at, wide, j === 0));
    }
  return out;
}

/** Every cell whose middle a flat triangle covers, with the third coordinate there. */
export function overTriangle(
  a: Float64Array,
  b: Float64Array,
  c: Float64Array,
  wide: number,
  high: number,
  each: (at: number, w: number, wa: number, wb: number) => void,
): void {
  const det = (b[0]! - a[0]!) * (c[1]! - a[1]!) - (c[0]! - a[0]!) * (b[1]! - a[1]!);
  if (Math.abs(det) < 1e-12) return;
  const x0 = Math.max(0, Math.ceil(Math.min(a[0]!, b[0]!, c[0]!) - 0.5));
  const x1 = Math.min(wide - 1, Math.floor(Math.max(a[0]!, b[0]!, c[0]!) - 0.5));
  const y0 = Math.max(0, Math.ceil(Math.min(a[1]!, b[1]!, c[1]!) - 0.5));
  const y1 = Math.min(high - 1, Math.floor(Math.max(a[1]!, b[1]!, c[1]!) - 0.5));
  for (let y = y0; y <= y1; y++)
    for (let x = x0; x <= x1; x++) {
      const px = x + 0.5 - a[0]!, py = y + 0.5 - a[1]!; // prettier-ignore
      const wb = (px * (c[1]! - a[1]!) - (c[0]! - a[0]!) * py) / det;
      const wc = ((b[0]! - a[0]!) * py - px * (b[1]! - a[1]!)) / det;
      if (wb < -1e-9 || wc < -1e-9 || wb + wc > 1 + 1e-9) continue;
      const wa = 1 - wb - wc;
      each(x + wide * y, wa * a[2]! + wb * b[2]! + wc * c[2]!, wa, wb);
    }
}

/** What a place gets of the lamp: layers of fibre before it, and the share that skin leaves of it (0 or more). */
export function fromLamp(g: LampGrid, x: number, y: number, z: number): { layers: number; open: number } {
  const fu = (g.u[0] * x + g.u[1] * y + g.u[2] * z - g.low[0]) / g.across;
  const fv = (g.v[0] * x + g.v[1] * y + g.v[2] * z - g.low[1]) / g.across;
  const w = g.to[0] * x + g.to[1] * y + g.to[2] * z;
  const i = Math.floor(fu), j = Math.floor(fv); // prettier-ignore
  lit.layers = 0;
  lit.open = 1;
  // Beyond the last cell, seen from the lamp, all that lies before it hides.
  const deep = Math.max(1, (w - g.low[2]) / g.deep);
  if (i < 1 || j < 1 || i >= g.n[0] - 1 || j >= g.n[1] - 1 || deep >= g.n[2] - 1) return lit;
  lit.layers = layersBefore(g, fu - 0.5, fv - 0.5, deep - 0.5);
  let open = 0;
  for (let b = -1; b <= 1; b++) for (let a = -1; a <= 1; a++) if (g.skin[i + a + g.n[0] * (j + b)]! <= w) open++;
  lit.open = open / 9;
  return lit;
}
const lit = { layers: 0, open: 1 };

/** Layers before a place between the middles of eight cells: by the nearest one alone the cells would be seen. */
function layersBefore({ n, before }: LampGrid, x: number, y: number, z: number): number {
  const i = Math.floor(x), j = Math.floor(y), d = Math.floor(z); // prettier-ignore
  const u = x - i, v = y - j, w = z - d; // prettier-ignore
  const at = d + n[2] * (i + n[0] * j);
  const row = n[2] * n[0];
  const side = n[2];
  const pair = (a: number): number => before[a]! * (1 - w) + before[a + 1]! * w;
  return (
    (pair(at) * (1 - u) + pair(at + side) * u) * (1 - v) + (pair(at + row) * (1 - u) + pair(at + row + side) * u) * v
  );
}
