/**
 * Vertices of a first skin onto the surface of its field: Newton along the slope, tangential smoothing over the quads so that they lie
 * evenly, and Newton again.
 */
import type { Grid, Sheets } from './sheets';

const SMOOTHINGS = 4;
/** Share of the error a step with a slope found before may leave. */
const SMALL = 0.1;

type Ask = (x: number, y: number, z: number) => number;

/**
 * Slope of the field at a point, into `out`. One-sided: over a ten-thousandth of the grid the curvature of a surface turns it by far
 * less than matters.
 */
function gradient(f: Ask, d: number, x: number, y: number, z: number, e: number, out: Float64Array) {
  out[0] = (f(x + e, y, z) - d) / e;
  out[1] = (f(x, y + e, z) - d) / e;
  out[2] = (f(x, y, z + e) - d) / e;
}

/** Moves the vertices of the sheets where they belong. @returns the outward directions there; stride 3 */
export function settle(g: Pick<Grid, 'h' | 'within'>, s: Sheets): Float64Array {
  const p = s.positions;
  const n = p.length / 3;
  const normals = new Float64Array(p.length);
  const grad = new Float64Array(3);
  const e = 1e-4 * g.h;
  const slopes = new Float64Array(p.length);
  const slope = (v: number, f: Ask, d: number) => {
    gradient(f, d, p[3 * v]!, p[3 * v + 1]!, p[3 * v + 2]!, e, grad);
    if (s.onMidline[v]) grad[0] = 0;
    slopes.set(grad, 3 * v);
    const size = Math.sqrt(grad[0]! ** 2 + grad[1]! ** 2 + grad[2]! ** 2) || 1;
    for (let c = 0; c < 3; c++) normals[3 * v + c] = grad[c]! / size;
  };
  // A slope serves for later steps too: so near the surface it turns by little, and finding it costs three more looks at the field.
  // Where a step leaves more than a small part of the error before it, at a crease, it is found anew.
  const project = (v: number, steps: number, anew: number) => {
    const f = g.within(s.block[v]!);
    let before = SMALL * g.h;
    for (let k = 0; k < steps; k++) {
      const d = f(p[3 * v]!, p[3 * v + 1]!, p[3 * v + 2]!);
      if (k < anew || Math.abs(d) > SMALL * before) slope(v, f, d);
      before = Math.abs(d);
      const g2 = slopes[3 * v]! ** 2 + slopes[3 * v + 1]! ** 2 + slopes[3 * v + 2]! ** 2;
      if (g2 < 1e-12) break;
      const move = Math.max(-g.h, Math.min(g.h, d)) / g2;
      for (let c = 0; c < 3; c++) p[3 * v + c]! -= move * slopes[3 * v + c]!;
      if (k >= anew && Math.abs(d) < 1e-9 * g.h) break;
    }
  };
  for (let v = 0; v < n; v++) project(v, 3, 1);
  const sum = new Float64Array(p.length);
  const weight = new Float64Array(n);
  for (let round = 0; round < SMOOTHINGS; round++) {
    sum.fill(0);
    weight.fill(0);
    for (let q = 0; q < s.quads.length; q += 4) {
      for (let c = 0; c < 3; c++) {
        let m = 0;
        for (let k = 0; k < 4; k++) m += p[3 * s.quads[q + k]! + c]!;
        for (let k = 0; k < 4; k++) sum[3 * s.quads[q + k]! + c]! += m / 4;
      }
      for (let k = 0; k < 4; k++) weight[s.quads[q + k]!]!++;
    }
    for (let v = 0; v < n; v++) {
      if (weight[v] === 0) continue;
      let along = 0;
      for (let c = 0; c < 3; c++) {
        sum[3 * v + c] = sum[3 * v + c]! / weight[v]! - p[3 * v + c]!;
        if (c === 0 && s.onMidline[v]) sum[3 * v] = 0;
        along += sum[3 * v + c]! * normals[3 * v + c]!;
      }
      for (let c = 0; c < 3; c++) p[3 * v + c]! += 0.5 * (sum[3 * v + c]! - along * normals[3 * v + c]!);
    }
    const last = round === SMOOTHINGS - 1;
    for (let v = 0; v < n; v++) project(v, last ? 3 : 1, last ? 2 : 0);
  }
  return normals;
}
