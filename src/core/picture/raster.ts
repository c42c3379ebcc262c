/**
 * Fibres and skin on a picture without a graphics card. Skin first, with four samples a pixel; then fibres sorted by depth from the front
 * to the back, each hiding just the share of a pixel it covers, until a pixel is full: a fibre is a fifth of a pixel wide, so nothing is drawn
 * by yes and no.
 */
import { SEGMENTS, type Fibres } from './fibres';
import { overTriangle } from './lamp-grid';
import { projector, type Lens } from './lens';

/** Surfaces that hide what lies behind them, lit already: light of every vertex, stride 3. */
export interface Solid {
  readonly positions: ArrayLike<number>;
  readonly triangles: ArrayLike<number>;
  readonly light: Float32Array;
}

export interface Canvas {
  readonly lens: Lens;
  /** Light of a pixel, stride 3; and what share of it nothing covers. */
  readonly light: Float32Array;
  readonly open: Float32Array;
  /** Depth of the skin at four places of every pixel, larger the nearer, and its light there, stride 3. */
  readonly depth: Float32Array;
  readonly solid: Float32Array;
}

export function canvas(lens: Lens): Canvas {
  const n = lens.width * lens.height;
  return {
    lens,
    light: new Float32Array(3 * n),
    open: new Float32Array(n).fill(1),
    depth: new Float32Array(4 * n).fill(-Infinity),
    solid: new Float32Array(12 * n),
  };
}

/** @param nearer as if it stood so much nearer to the eye, mm: before what it is set into */
export function drawSolid(c: Canvas, s: Solid, nearer = 0): void {
  const m = projector(c.lens);
  const { width, height } = c.lens;
  const [a, b, d] = [new Float64Array(3), new Float64Array(3), new Float64Array(3)];
  const { positions: p, triangles: T, light } = s;
  const put = (o: Float64Array, i: number) => {
    const x = p[i]!, y = p[i + 1]!, z = p[i + 2]!; // prettier-ignore
    o[0] = 2 * (m[0]! * x + m[1]! * y + m[2]! * z + m[3]!);
    o[1] = 2 * (m[4]! * x + m[5]! * y + m[6]! * z + m[7]!);
    o[2] = m[8]! * x + m[9]! * y + m[10]! * z + m[11]! + nearer;
  };
  for (let t = 0; t < T.length; t += 3) {
    const [i, j, k] = [3 * T[t]!, 3 * T[t + 1]!, 3 * T[t + 2]!];
    put(a, i);
    put(b, j);
    put(d, k);
    overTriangle(a, b, d, 2 * width, 2 * height, (at, w, wa, wb) => {
      const x = at % (2 * width);
      const y = (at - x) / (2 * width);
      const to = 4 * ((x >> 1) + width * (y >> 1)) + (x & 1) + 2 * (y & 1);
      if (w <= c.depth[to]!) return;
      c.depth[to] = w;
      const wc = 1 - wa - wb;
      for (let q = 0; q < 3; q++) c.solid[3 * to + q] = wa * light[i + q]! + wb * light[j + q]! + wc * light[k + q]!;
    });
  }
}

/** Full so far along a fibre, then thinner to its tip. */
const THICK = Array.from({ length: SEGMENTS }, (_, k) => {
  const t = (k + 0.5) / SEGMENTS;
  return t < 0.6 ? 1 : 1 - 0.75 * ((t - 0.6) / 0.4);
});
/** A pixel that lets less through than this is full. */
const FULL = 0.004;

/** All segments from the front to the back: a counting sort by depth in 65,536 steps. */
function fromTheFront(fibres: Fibres, m: Float64Array): Uint32Array {
  const n = fibres.count * SEGMENTS;
  const p = fibres.points;
  const at = (f: number, k: number) => 3 * ((SEGMENTS + 1) * f + k);
  const depth = new Float32Array(n);
  let [lo, hi] = [Infinity, -Infinity];
  for (let f = 0, s = 0; f < fibres.count; f++)
    for (let k = 0; k < SEGMENTS; k++, s++) {
      const i = at(f, k);
      const z = m[8]! * (p[i]! + p[i + 3]!) + m[9]! * (p[i + 1]! + p[i + 4]!) + m[10]! * (p[i + 2]! + p[i + 5]!);
      depth[s] = z;
      if (z < lo) lo = z;
      if (z > hi) hi = z;
    }
  const scale = hi > lo ? 65535 / (hi - lo) : 0;
  const start = new Uint32Array(65537);
  for (let s = 0; s < n; s++) start[1 + Math.floor((hi - depth[s]!) * scale)]!++;
  for (let i = 0; i < 65536; i++) start[i + 1]! += start[i]!;
  const order = new Uint32Array(n);
  for (let s = 0; s < n; s++) order[start[Math.floor((hi - depth[s]!) * scale)]!++] = s;
  return order;
}

/** @param light of every segment, stride 3 */
export function drawFibres(c: Canvas, fibres: Fibres, light: Float32Array): void {
  const { lens, depth: skin, open, light: out } = c;
  const m = projector(lens);
  const order = fromTheFront(fibres, m);
  const { width, height, perMm } = lens;
  const p = fibres.points;
  for (let o = 0; o < order.length; o++) {
    const s = order[o]!;
    const f = Math.floor(s / SEGMENTS);
    const k = s - f * SEGMENTS;
    const i = 3 * ((SEGMENTS + 1) * f + k);
    let x0 = m[0]! * p[i]! + m[1]! * p[i + 1]! + m[2]! * p[i + 2]! + m[3]!;
    let y0 = m[4]! * p[i]! + m[5]! * p[i + 1]! + m[6]! * p[i + 2]! + m[7]!;
    let x1 = m[0]! * p[i + 3]! + m[1]! * p[i + 4]! + m[2]! * p[i + 5]! + m[3]!;
    let y1 = m[4]! * p[i + 3]! + m[5]! * p[i + 4]! + m[6]! * p[i + 5]! + m[7]!;
    if (x0 + x1 < -40 || y0 + y1 < -40 || x0 + x1 > 2 * width + 40 || y0 + y1 > 2 * height + 40) continue;
    const z =
      (m[8]! * (p[i]! + p[i + 3]!) + m[9]! * (p[i + 1]! + p[i + 4]!) + m[10]! * (p[i + 2]! + p[i + 5]!)) / 2 + m[11]!;
    // Along the way it is longer in; the other way it is cut into rows or columns.
    const level = Math.abs(x1 - x0) >= Math.abs(y1 - y0);
    if (!level) {
      [x0, y0] = [y0, x0];
      [x1, y1] = [y1, x1];
    }
    if (x1 < x0) {
      [x0, x1] = [x1, x0];
      [y0, y1] = [y1, y0];
    }
    const run = x1 - x0;
    const slope = run > 1e-6 ? (y1 - y0) / run : 0;
    const stretch = Math.sqrt(1 + slope * slope);
    const wide = fibres.width[f]! * THICK[k]! * perMm;
    // A finer one than a pixel is spread over one and lets the rest through.
    const band = Math.max(1, wide * stretch);
    const dense = (wide * stretch) / band;
    const [r, g, b] = [light[3 * s]!, light[3 * s + 1]!, light[3 * s + 2]!];
    const along = level ? width : height;
    const beside = level ? height : width;
    const from = Math.max(0, Math.floor(x0));
    const to = Math.min(along - 1, Math.floor(x1));
    for (let q = from; q <= to; q++) {
      const part = Math.min(x1, q + 1) - Math.max(x0, q);
      const middle = y0 + slope * (Math.min(x1, Math.max(x0, q + 0.5)) - x0);
      const [low, high] = [middle - band / 2, middle + band / 2];
      for (let row = Math.floor(low); row < high; row++) {
        if (row < 0 || row >= beside) continue;
        const amount = dense * part * (Math.min(high, row + 1) - Math.max(low, row));
        const px = level ? q + width * row : row + width * q;
        const t = open[px]!;
        if (t < FULL) continue;
        const d = 4 * px;
        const clear =
          (skin[d]! < z ? 0.25 : 0) +
          (skin[d + 1]! < z ? 0.25 : 0) +
          (skin[d + 2]! < z ? 0.25 : 0) +
          (skin[d + 3]! < z ? 0.25 : 0);
        if (clear === 0) continue;
        const a = Math.min(1, amount) * clear;
        const w = t * a;
        out[3 * px]! += w * r;
        out[3 * px + 1]! += w * g;
        out[3 * px + 2]! += w * b;
        open[px] = t - w;
      }
    }
  }
}

/**
 * What shows through: skin where there is any, else what stands behind.
 * @param behind light of a pixel, into three numbers @param free told how much of every pixel is what stands behind
 */
export function closeUp(
  c: Canvas,
  behind: (x: number, y: number, into: Float64Array) => void,
  free?: Float32Array,
): void {
  const { width, height } = c.lens;
  const back = new Float64Array(3);
  for (let y = 0; y < height; y++)
    for (let x = 0; x < width; x++) {
      const px = x + width * y;
      const t = c.open[px]!;
      if (t <= 0) continue;
      let hit = 0;
      const sum = [0, 0, 0];
      for (let q = 0; q < 4; q++)
        if (c.depth[4 * px + q]! > -Infinity) {
          hit++;
          for (let k = 0; k < 3; k++) sum[k]! += c.solid[3 * (4 * px + q) + k]!;
        }
      if (hit < 4) behind(x, y, back);
      if (free) free[px] = (t * (4 - hit)) / 4;
      for (let k = 0; k < 3; k++) c.light[3 * px + k]! += t * (sum[k]! / 4 + ((4 - hit) / 4) * back[k]!);
      c.open[px] = 0;
    }
}
