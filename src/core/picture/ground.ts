/** The soft shadow an animal throws on what it stands on: several lamps close together and the sky, on a coarse grid. Lengths mm. */
import type { Vec3 } from '@/core/geometry/vec';
import { seeded } from '@/core/random';
import { overTriangle, squareTo } from './lamp-grid';
import { across, eye, type Lens } from './lens';
import type { Lighting } from './lighting';
import { layersOnWay, type SkyGrid } from './sky-grid';

const LAMPS = 8;
/** As wide as the lamp is seen, rad. */
const WIDE = 0.09;
const SKY: readonly Vec3[] = [0, 1, 2, 3, 4, 5, 6, 7].map((i): Vec3 => {
  const a = (i * Math.PI) / 4;
  const up = i % 2 === 0 ? 0.45 : 0.85;
  return [Math.cos(a) * Math.sqrt(1 - up * up), up, Math.sin(a) * Math.sqrt(1 - up * up)];
});

/** Over so many cells. */
const FADES = 14;

export interface Ground {
  /** Height it lies at, and where its first cell begins. */
  readonly level: number;
  readonly from: readonly [number, number];
  readonly cell: number;
  readonly n: readonly [number, number];
  /** Share of the light that arrives. */
  readonly light: Float32Array;
}

/** What else throws a shadow on it. */
interface Cast {
  readonly positions: ArrayLike<number>;
  readonly triangles: ArrayLike<number>;
}

/** @param level height of the ground @param cell side of a cell @param things what stands on it beside the animal */
export function groundUnder(
  sky: SkyGrid,
  to: Vec3,
  by: Lighting,
  level: number,
  cell: number,
  things: readonly Cast[] = [],
): Ground {
  const { field } = sky;
  const high = field.n[1] * field.h;
  // As far as the shadow of the top falls.
  const far = Math.min(2 * high, (high * Math.hypot(to[0], to[2])) / Math.max(0.2, to[1])) + 16 * cell;
  const from: [number, number] = [field.origin[0] - far, field.origin[2] - far];
  const n: [number, number] = [
    Math.ceil((field.n[0] * field.h + 2 * far) / cell),
    Math.ceil((field.n[2] * field.h + 2 * far) / cell),
  ];
  const [u, v] = squareTo(to);
  const light = new Float32Array(n[0] * n[1]).fill(1);
  const rnd = seeded(7);
  const step = 1.5 * field.h;
  const lamps = Array.from({ length: LAMPS }, (_, k) => lampAt(to, u, v, k, 0));
  const shades = (ways: readonly Vec3[]) =>
    ways.map((d) => (things.length > 0 ? thrown(things, d, level, from, cell, n) : null));
  const [byLamps, bySky] = [shades(lamps), shades(SKY)];
  const all = by.lamp * Math.max(0.05, to[1]) + by.sky;
  for (let j = 0; j < n[1]; j++)
    for (let i = 0; i < n[0]; i++) {
      const at: Vec3 = [from[0] + (i + 0.5) * cell, level + 0.3, from[1] + (j + 0.5) * cell];
      let lit = 0;
      const turn = 2 * Math.PI * rnd();
      for (let k = 0; k < LAMPS; k++) {
        if (byLamps[k]?.[i + n[0] * j]) continue;
        lit += Math.exp(-0.75 * layersOnWay(sky, at, lampAt(to, u, v, k, turn), step)) / LAMPS;
      }
      let open = 0;
      let whole = 0;
      for (const [k, d] of SKY.entries()) {
        whole += d[1];
        if (!bySky[k]?.[i + n[0] * j]) open += d[1] * Math.exp(-0.75 * layersOnWay(sky, at, d, 2 * step));
      }
      light[i + n[0] * j] = (by.lamp * Math.max(0.05, to[1]) * lit + (by.sky * open) / whole) / all;
    }
  return { level, from, cell, n, light: softened(light, n) };
}

/** One of several lamps close together. */
function lampAt(to: Vec3, u: Vec3, v: Vec3, k: number, turn: number): Vec3 {
  const r = WIDE * Math.sqrt((k + 0.5) / LAMPS);
  const a = turn + 2.399963 * k;
  const d = [0, 1, 2].map((q) => to[q]! + r * (Math.cos(a) * u[q]! + Math.sin(a) * v[q]!));
  const size = Math.hypot(...d);
  return [d[0]! / size, d[1]! / size, d[2]! / size];
}

/** Cells of the ground that things hide from a light that comes along a way. @param d unit direction to the light */
function thrown(
  things: readonly Cast[],
  d: Vec3,
  level: number,
  from: readonly [number, number],
  cell: number,
  n: readonly [number, number],
): Uint8Array {
  const out = new Uint8Array(n[0] * n[1]);
  const up = Math.max(0.05, d[1]);
  const [a, b, c] = [new Float64Array(3), new Float64Array(3), new Float64Array(3)];
  for (const { positions: p, triangles: T } of things) {
    const put = (into: Float64Array, v: number) => {
      const high = Math.max(0, p[3 * v + 1]! - level) / up;
      into[0] = (p[3 * v]! - high * d[0] - from[0]) / cell;
      into[1] = (p[3 * v + 2]! - high * d[2] - from[1]) / cell;
    };
    for (let t = 0; t < T.length; t += 3) {
      put(a, T[t]!);
      put(b, T[t + 1]!);
      put(c, T[t + 2]!);
      overTriangle(a, b, c, n[0], n[1], (at) => void (out[at] = 1));
    }
  }
  return out;
}

/** Its grain taken off, and brought to full light towards the border, where nothing is known any more. */
function softened(light: Float32Array, n: readonly [number, number]): Float32Array {
  let now = light;
  for (let pass = 0; pass < 2; pass++) {
    const out = new Float32Array(now.length);
    for (let j = 0; j < n[1]; j++)
      for (let i = 0; i < n[0]; i++) {
        let [sum, count] = [0, 0];
        for (let b = Math.max(0, j - 1); b <= Math.min(n[1] - 1, j + 1); b++)
          for (let a = Math.max(0, i - 1); a <= Math.min(n[0] - 1, i + 1); a++, count++) sum += now[a + n[0] * b]!;
        out[i + n[0] * j] = sum / count;
      }
    now = out;
  }
  for (let j = 0; j < n[1]; j++)
    for (let i = 0; i < n[0]; i++) {
      const edge = Math.min(1, Math.min(i, j, n[0] - 1 - i, n[1] - 1 - j) / FADES);
      const c = i + n[0] * j;
      now[c] = 1 - (1 - now[c]!) * edge * edge * (3 - 2 * edge);
    }
  return now;
}

/** Share of the light at a place of the ground, between its cells; all of it further off. */
function lightAt(g: Ground, x: number, z: number): number {
  const fx = (x - g.from[0]) / g.cell - 0.5;
  const fz = (z - g.from[1]) / g.cell - 0.5;
  const i = Math.floor(fx), j = Math.floor(fz); // prettier-ignore
  if (i < 0 || j < 0 || i + 1 >= g.n[0] || j + 1 >= g.n[1]) return 1;
  const [a, b] = [fx - i, fz - j];
  const at = (p: number, q: number) => g.light[p + g.n[0] * q]!;
  return (1 - b) * ((1 - a) * at(i, j) + a * at(i + 1, j)) + b * ((1 - a) * at(i, j + 1) + a * at(i + 1, j + 1));
}

/** In the deepest shadow so much of the light is left. */
const DEEPEST = 0.3;

/** What a pixel of the ground keeps of its light, where its line of sight meets the ground. */
export function shadowOn(ground: Ground, lens: Lens): (x: number, y: number) => number {
  const { right, up } = across(lens.turned);
  const { from } = eye(lens.turned);
  return (x, y) => {
    const [a, b] = [(x + 0.5 - lens.width / 2) / lens.perMm, -(y + 0.5 - lens.height / 2) / lens.perMm];
    const at = (q: number) => lens.centre[q]! + a * right[q]! + b * up[q]!;
    const t = (ground.level - at(1)) / from[1];
    return DEEPEST + (1 - DEEPEST) * lightAt(ground, at(0) + t * from[0], at(2) + t * from[2]);
  };
}
