/** Light from all sides: how much of the sky each place sees past fibres and skin, once for every cell that holds any. Lengths mm. */
import type { Vec3 } from '@/core/geometry/vec';
import { SEGMENTS, type Fibres } from './fibres';
import type { SkinField } from './skin-field';

/** Fibre and skin hide this much of what falls through so much of them: fibres point any way. */
const EXTINCTION = 0.75;
/** A cell this deep inside the skin is solid. */
const SOLID = 50;
const INSIDE = -0.5;
/** So far out light is taken to come freely, cells. */
const FAR = 26;

/** Twelve ways to the sky, the corners of an icosahedron, and how bright it is there: brightest above, some from the ground. */
const WAYS: readonly Vec3[] = (() => {
  const g = (1 + Math.sqrt(5)) / 2;
  const s = Math.hypot(1, g);
  const out: Vec3[] = [];
  for (const a of [-1, 1]) for (const b of [-g, g]) out.push([0, a / s, b / s], [a / s, b / s, 0], [b / s, 0, a / s]);
  return out;
})();
const bright = (d: Vec3): number => (d[1] >= 0 ? 0.6 + 0.6 * d[1] : 0.6 + 0.35 * d[1]);
const ALL = WAYS.reduce((s, d) => s + bright(d), 0);

export interface SkyGrid {
  readonly field: SkinField;
  /** Layers of fibre in every cell, and skin. */
  readonly dense: Float32Array;
  /** Share of the sky seen; NaN where nothing is. */
  readonly seen: Float32Array;
}

export function skyGrid(field: SkinField, fibres: Fibres): SkyGrid {
  const { n, h, height } = field;
  const dense = new Float32Array(height.length);
  const p = fibres.points;
  const per = Math.PI / 4 / (h * h);
  for (let f = 0; f < fibres.count; f++) {
    const w = fibres.width[f]! * fibres.casts[f]! * per;
    let at = 3 * (SEGMENTS + 1) * f;
    for (let k = 0; k < SEGMENTS; k++, at += 3) {
      const c = cellOf(field, (p[at]! + p[at + 3]!) / 2, (p[at + 1]! + p[at + 4]!) / 2, (p[at + 2]! + p[at + 5]!) / 2);
      if (c >= 0) dense[c]! += w * Math.hypot(p[at + 3]! - p[at]!, p[at + 4]! - p[at + 1]!, p[at + 5]! - p[at + 2]!);
    }
  }
  const seen = new Float32Array(height.length).fill(NaN);
  for (let c = 0; c < height.length; c++) if (height[c]! < INSIDE) dense[c] = SOLID;
  const strides = [1, n[0], n[0] * n[1]];
  for (let c = 0; c < height.length; c++) {
    const skin = Math.abs(height[c]!) < 1.5 * h;
    if ((dense[c] === 0 && !skin) || dense[c] === SOLID) continue;
    const at = [c % n[0], Math.floor(c / n[0]) % n[1], Math.floor(c / strides[2]!)];
    let sum = 0;
    for (const d of WAYS) {
      // Half of what is in its own cell, then cell by cell.
      let layers = Math.min(dense[c]!, SOLID) / 2;
      let [x, y, z] = [at[0]! + 0.5, at[1]! + 0.5, at[2]! + 0.5];
      for (let k = 0; k < FAR && layers < 6; k++) {
        x += d[0];
        y += d[1];
        z += d[2];
        const i = Math.floor(x), j = Math.floor(y), l = Math.floor(z); // prettier-ignore
        if (i < 0 || j < 0 || l < 0 || i >= n[0] || j >= n[1] || l >= n[2]) break;
        layers += dense[i + strides[1]! * j + strides[2]! * l]!;
      }
      sum += bright(d) * Math.exp(-EXTINCTION * layers);
    }
    seen[c] = sum / ALL;
  }
  return { field, dense, seen };
}

/** The cell of a place, whether skin is near or not; -1 outside. */
function cellOf({ n, h, origin }: SkinField, x: number, y: number, z: number): number {
  const i = Math.floor((x - origin[0]) / h);
  const j = Math.floor((y - origin[1]) / h);
  const k = Math.floor((z - origin[2]) / h);
  return i < 0 || j < 0 || k < 0 || i >= n[0] || j >= n[1] || k >= n[2] ? -1 : i + n[0] * (j + n[1] * k);
}

/** Share of the sky seen at a place, between the cells round it that know; all of it away from everything. */
export function fromSky(g: SkyGrid, x: number, y: number, z: number): number {
  const { n, h, origin } = g.field;
  const fx = (x - origin[0]) / h - 0.5, fy = (y - origin[1]) / h - 0.5, fz = (z - origin[2]) / h - 0.5; // prettier-ignore
  const i = Math.floor(fx), j = Math.floor(fy), k = Math.floor(fz); // prettier-ignore
  if (i < 0 || j < 0 || k < 0 || i + 1 >= n[0] || j + 1 >= n[1] || k + 1 >= n[2]) return 1;
  const u = fx - i, v = fy - j, w = fz - k; // prettier-ignore
  const first = i + n[0] * (j + n[1] * k);
  let sum = 0;
  let weight = 0;
  for (let c = 0; c < 8; c++) {
    const s = g.seen[first + (c & 1) + n[0] * (((c >> 1) & 1) + n[1] * (c >> 2))]!;
    if (s !== s) continue;
    const by = (c & 1 ? u : 1 - u) * (c & 2 ? v : 1 - v) * (c & 4 ? w : 1 - w);
    sum += by * s;
    weight += by;
  }
  return weight > 1e-6 ? sum / weight : 1;
}

/** Layers on the way from a place in a direction, walked in steps. */
export function layersOnWay(g: SkyGrid, from: Vec3, d: Vec3, stepMm: number): number {
  const { field } = g;
  let [x, y, z] = from;
  let layers = 0;
  const per = stepMm / field.h;
  const top = field.origin[1] + field.n[1] * field.h;
  let inside = false;
  for (let k = 0; k < 2000 && layers < 6; k++) {
    const c = cellOf(field, x, y, z);
    if (c >= 0) {
      inside = true;
      layers += per * g.dense[c]!;
    } else if (inside || (d[1] >= 0 && y > top)) break;
    x += stepMm * d[0];
    y += stepMm * d[1];
    z += stepMm * d[2];
  }
  return layers;
}
