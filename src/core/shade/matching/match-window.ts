/**
 * Bounds for the search of recipes: what the light of a blend must be for its colour to lie near a wanted one, and whether a
 * family of blends can come there. Blending is monotone in every band of the spectrum, so the light of all blends between
 * some corners lies between the least and the most of the corners.
 */
import { WHITE, type Triple } from '@/core/colour/lab';
import { BANDS, XYZ_WEIGHTS } from '@/core/colour/observer';
import { FRIELE_S, frieleBack } from '@/core/wool/blend';
import type { BlendTable } from './blend-table';

const WY = XYZ_WEIGHTS[1]!;
const U_WEIGHTS = XYZ_WEIGHTS[0]!.map((w, k) => w / WHITE[0] - XYZ_WEIGHTS[1]![k]!);
const V_WEIGHTS = XYZ_WEIGHTS[1]!.map((w, k) => w - XYZ_WEIGHTS[2]![k]! / WHITE[2]);

/** What the light of a blend must be for its colour to lie within a difference of the target: Y, X - Y and Y - Z over white. */
export interface Window {
  readonly y: readonly [number, number];
  readonly u: readonly [number, number] | null;
  readonly v: readonly [number, number] | null;
}

const cube = (t: number): number => t * t * t;

/**
 * CIEDE2000 is at least |dL| / 1.75, and at least the distance in a, b over 2.73 (1 + 0.045 C): the rotation term takes
 * away at most sin 60° of it, and a' is never shorter than a.
 */
export function windowOf(target: Triple, within: number): Window {
  const [l, a, b] = target;
  const dl = 1.75 * within;
  const fy = (x: number) => (x + 16) / 116;
  const [lo, hi] = [fy(Math.max(-10, l - dl)), fy(l + dl)];
  const light = (f: number) => (f > 6 / 29 ? cube(f) : ((116 * f - 16) * 27) / 24389);
  const y = [light(lo), light(hi)] as const;
  const c = Math.hypot(1.5 * a, b);
  const room = 1 - 0.0615 * within;
  if (room <= 0.2) return { y, u: null, v: null };
  const r = (2.73 * within * (1 + 0.045 * c)) / room;
  const corners = (d: readonly [number, number], value: (f: number, d: number) => number) => {
    const all = [lo, hi].flatMap((f) => d.map((x) => value(f, x)));
    return [Math.min(...all), Math.max(...all)] as const;
  };
  // The cube holds above L* 8 only; below it, lightness alone decides.
  const da = [(a - r) / 500, (a + r) / 500] as const;
  const db = [(b - r) / 200, (b + r) / 200] as const;
  const edge = 6 / 29 + 1e-6;
  const u = lo + Math.min(0, da[0]) > edge ? corners(da, (f, d) => cube(f + d) - cube(f)) : null;
  const v = lo - Math.max(0, db[1]) > edge ? corners(db, (f, d) => cube(f) - cube(f - d)) : null;
  return { y, u, v };
}

/**
 * Whether a blend of some lots between some corners may lie in a window: bounds of its light, band by band.
 * @param corners parts of each lot, corner after corner, stride `lots.length`
 */
export function mayReach(
  table: BlendTable,
  lots: readonly number[],
  corners: readonly number[],
  P: number,
  w: Window,
): boolean {
  const { f, r: R } = table;
  const { even, model, m } = table.how;
  const plain = model === 'stearns-noechel';
  const top = 0.01 * (1 - m);
  const n = lots.length;
  let yl = 0;
  let yh = 0;
  let ul = 0;
  let uh = 0;
  let vl = 0;
  let vh = 0;
  for (let k = 0; k < BANDS; k++) {
    let lo = Infinity;
    let hi = -Infinity;
    let ll = Infinity;
    let lh = -Infinity;
    for (let c = 0; c < corners.length; c += n) {
      let s = 0;
      let light = 0;
      for (let i = 0; i < n; i++) {
        const at = lots[i]! * BANDS + k;
        s += corners[c + i]! * f[at]!;
        light += corners[c + i]! * R[at]!;
      }
      if (s < lo) lo = s;
      if (s > hi) hi = s;
      if (light < ll) ll = light;
      if (light > lh) lh = light;
    }
    // Stearns and Noechel's function falls as R grows, Friele's grows.
    const p = (plain ? hi : lo) / P;
    const q = (plain ? lo : hi) / P;
    let least = plain ? (1 - top * p) / (1 + m * p) : frieleBack(p, FRIELE_S);
    let most = plain ? (1 - top * q) / (1 + m * q) : frieleBack(q, FRIELE_S);
    if (even < 1) {
      least = even * least + ((1 - even) * ll) / P;
      most = even * most + ((1 - even) * lh) / P;
    }
    yl += WY[k]! * least;
    yh += WY[k]! * most;
    const u = U_WEIGHTS[k]!;
    ul += u * (u > 0 ? least : most);
    uh += u * (u > 0 ? most : least);
    const v = V_WEIGHTS[k]!;
    vl += v * (v > 0 ? least : most);
    vh += v * (v > 0 ? most : least);
  }
  const e = 1e-9;
  if (yh < w.y[0] - e || yl > w.y[1] + e) return false;
  if (w.u && (uh < w.u[0] - e || ul > w.u[1] + e)) return false;
  return !(w.v && (vh < w.v[0] - e || vl > w.v[1] + e));
}
