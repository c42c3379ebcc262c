/**
 * A likely reflectance curve for a screen colour: the smoothest one that looks like it under D65. R = (tanh z + 1) / 2 with
 * the sum of squared steps of z least, found by Newton's method with damped steps (Burns, "Numerical methods for smoothest
 * reflectance reconstruction", Color Research and Application 45, 2020). Curves are arrays of `BANDS` shares 0..1.
 */
import { labOfXyz, type Triple } from './lab';
import { BANDS, RGB_WEIGHTS, XYZ_WEIGHTS } from './observer';
import { hexOf, linearOf } from './rgb';

/** Pure black has no such curve; it is taken as this. */
const BLACK = 1e-4;
const STEPS = 200;
const LARGEST_STEP = 2;

/** The smoothest curve of a colour in linear light, each channel 0..1. */
export function reflectanceOfLinear(rgb: Triple): Float64Array {
  if (Math.max(...rgb) < BLACK) return new Float64Array(BANDS).fill(BLACK);
  // A channel at the very edge is drawn in by less than a screen can show, or the curve would have to be infinite.
  const goal = rgb.map((x) => Math.max(1e-7, Math.min(1 - 1e-7, x)));
  if (Math.min(...goal) > 1 - 1e-6) return new Float64Array(BANDS).fill(1);
  const n = BANDS + 3;
  const z = new Float64Array(BANDS);
  const lambda = new Float64Array(3);
  const r = new Float64Array(BANDS);
  const d1 = new Float64Array(BANDS);
  const a = Array.from({ length: n }, () => new Float64Array(n + 1));
  for (let step = 0; step < STEPS; step++) {
    for (const row of a) row.fill(0);
    for (let i = 0; i < BANDS; i++) {
      const t = Math.tanh(z[i]!);
      r[i] = (t + 1) / 2;
      d1[i] = (1 - t * t) / 2;
      const curve = -t * (1 - t * t);
      let pull = 0;
      for (let k = 0; k < 3; k++) pull += RGB_WEIGHTS[k]![i]! * lambda[k]!;
      const row = a[i]!;
      let residual = d1[i]! * pull;
      const near = [i - 1, i + 1].filter((j) => j >= 0 && j < BANDS);
      for (const j of near) {
        row[j] = -2;
        residual += 2 * (z[i]! - z[j]!);
      }
      row[i] = 2 * near.length + curve * pull;
      for (let k = 0; k < 3; k++) row[BANDS + k] = a[BANDS + k]![i] = d1[i]! * RGB_WEIGHTS[k]![i]!;
      row[n] = -residual;
    }
    let off = 0;
    for (let k = 0; k < 3; k++) {
      let got = 0;
      for (let i = 0; i < BANDS; i++) got += RGB_WEIGHTS[k]![i]! * r[i]!;
      a[BANDS + k]![n] = goal[k]! - got;
      off = Math.max(off, Math.abs(goal[k]! - got));
    }
    const move = solve(a);
    let largest = 0;
    for (let i = 0; i < BANDS; i++) largest = Math.max(largest, Math.abs(move[i]!));
    const share = largest > LARGEST_STEP ? LARGEST_STEP / largest : 1;
    for (let i = 0; i < BANDS; i++) z[i]! += share * move[i]!;
    for (let k = 0; k < 3; k++) lambda[k]! += share * move[BANDS + k]!;
    if (off < 1e-10 && largest < 1e-9) break;
  }
  return r.map((_, i) => (Math.tanh(z[i]!) + 1) / 2);
}

/** Gauss elimination with pivots of a square system with its right side as last column. */
function solve(a: Float64Array[]): Float64Array {
  const n = a.length;
  for (let c = 0; c < n; c++) {
    let p = c;
    for (let i = c + 1; i < n; i++) if (Math.abs(a[i]![c]!) > Math.abs(a[p]![c]!)) p = i;
    [a[c], a[p]] = [a[p]!, a[c]!];
    const top = a[c]!;
    for (let i = c + 1; i < n; i++) {
      const row = a[i]!;
      const m = row[c]! / top[c]!;
      if (m === 0) continue;
      for (let j = c; j <= n; j++) row[j]! -= m * top[j]!;
    }
  }
  const x = new Float64Array(n);
  for (let i = n - 1; i >= 0; i--) {
    let s = a[i]![n]!;
    for (let j = i + 1; j < n; j++) s -= a[i]![j]! * x[j]!;
    x[i] = s / a[i]![i]!;
  }
  return x;
}

const known = new Map<string, Float64Array>();

/** The curve of a colour written #rrggbb; made once for each colour. Not to be changed. */
export function reflectanceOf(hex: string): Float64Array {
  let r = known.get(hex);
  if (!r) {
    if (known.size > 4000) known.clear();
    r = reflectanceOfLinear(linearOf(hex));
    known.set(hex, r);
  }
  return r;
}

const weigh = (weights: readonly Float64Array[], r: ArrayLike<number>): Triple => {
  let [x, y, z] = [0, 0, 0];
  const [wx, wy, wz] = weights as [Float64Array, Float64Array, Float64Array];
  for (let i = 0; i < BANDS; i++) {
    x += wx[i]! * r[i]!;
    y += wy[i]! * r[i]!;
    z += wz[i]! * r[i]!;
  }
  return [x, y, z];
};

/** XYZ under D65 of a curve. */
export const xyzOfCurve = (r: ArrayLike<number>): Triple => weigh(XYZ_WEIGHTS, r);
/** Linear light of a curve; may leave 0..1 a little where a screen cannot show it. */
export const linearOfCurve = (r: ArrayLike<number>): Triple => weigh(RGB_WEIGHTS, r);
/** L*, a*, b* of a curve. */
export const labOfCurve = (r: ArrayLike<number>): Triple => labOfXyz(xyzOfCurve(r));
/** The nearest screen colour of a curve. */
export const hexOfCurve = (r: ArrayLike<number>): string => hexOf(linearOfCurve(r));
