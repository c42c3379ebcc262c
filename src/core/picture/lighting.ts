/**
 * Light of every fibre and of the skin: a lamp and the sky, shaded by the coat itself. Fibres go by Kajiya and Kay 1989: most light where
 * the lamp falls square on the fibre, and two glints along it, the second through the fibre and so in its colour.
 */
import type { Vec3 } from '@/core/geometry/vec';
import { SEGMENTS, type Fibres } from './fibres';
import { fromLamp, type LampGrid } from './lamp-grid';
import { fromSky, type SkyGrid } from './sky-grid';

export interface Lighting {
  readonly name: string;
  readonly lamp: number;
  readonly sky: number;
  /** How strong a glint is by it beside one by a small lamp: by a wide one it is spread out, and hardly seen. */
  readonly glints: number;
  /** Lighter or darker than metered. */
  readonly exposed: number;
  /** Degrees to the left of the eye and above it. */
  readonly left: number;
  readonly above: number;
}

/** Lamps a piece is looked at by. Ours. */
export const LIGHTINGS = {
  window: { name: 'bright window', lamp: 1, sky: 0.62, glints: 1, exposed: 1, left: 38, above: 48 },
  overcast: { name: 'overcast', lamp: 0.35, sky: 1.15, glints: 0.2, exposed: 0.95, left: 20, above: 65 },
  dusk: { name: 'dusk', lamp: 0.75, sky: 0.3, glints: 1, exposed: 0.75, left: 62, above: 22 },
} as const satisfies Record<string, Lighting>;

/** Layers of fibre hide so much of the lamp. */
const EXTINCTION = 0.75;
/** Pale fibres let light on: this much of a root of how light they are comes off what hides. */
const LETS_ON = 0.6;
/** Glints: how strong, how sharp, and how far off the mirror way they lie along the fibre, rad. */
const GLINT = { strength: 0.045, first: 36, firstOff: -0.1, second: 11, secondOff: 0.14 } as const;

/**
 * @param palette stride 7, see `Palette` @param eye unit direction to the eye
 * @returns light of every segment, stride 3
 */
export function lightFibres(
  fibres: Fibres,
  palette: ArrayLike<number>,
  lamp: LampGrid,
  sky: SkyGrid,
  by: Lighting,
  eye: Vec3,
): Float32Array {
  const out = new Float32Array(3 * SEGMENTS * fibres.count);
  const p = fibres.points;
  const L = lamp.to;
  for (let f = 0; f < fibres.count; f++) {
    const tone = fibres.tone[f]!;
    const e = 7 * fibres.colour[f]!;
    const tipFrom = 1 - palette[e + 6]!;
    let at = 3 * (SEGMENTS + 1) * f;
    for (let k = 0; k < SEGMENTS; k++, at += 3) {
      const c = e + ((k + 0.5) / SEGMENTS > tipFrom ? 3 : 0);
      const r = Math.min(1, palette[c]! * tone);
      const g = Math.min(1, palette[c + 1]! * tone);
      const b = Math.min(1, palette[c + 2]! * tone);
      let tx = p[at + 3]! - p[at]!, ty = p[at + 4]! - p[at + 1]!, tz = p[at + 5]! - p[at + 2]!; // prettier-ignore
      const size = Math.hypot(tx, ty, tz) || 1;
      tx /= size;
      ty /= size;
      tz /= size; // prettier-ignore
      const x = (p[at]! + p[at + 3]!) / 2, y = (p[at + 1]! + p[at + 4]!) / 2, z = (p[at + 2]! + p[at + 5]!) / 2; // prettier-ignore
      const { layers, open } = fromLamp(lamp, x, y, z);
      const pale = 1 - LETS_ON * Math.sqrt(0.3 * r + 0.6 * g + 0.1 * b);
      const lit = by.lamp * open * Math.exp(-EXTINCTION * pale * layers);
      const seen = fromSky(sky, x, y, z);
      const round = by.sky * (seen > 0 ? seen ** pale : 0);
      const tl = tx * L[0] + ty * L[1] + tz * L[2];
      const te = tx * eye[0] + ty * eye[1] + tz * eye[2];
      const across = Math.sqrt(Math.max(0, 1 - tl * tl));
      const body = lit * across + round;
      // On a mirror fibre the angles to lamp and eye are equal and opposite.
      const off = Math.asin(Math.max(-1, Math.min(1, tl))) + Math.asin(Math.max(-1, Math.min(1, te)));
      const first = Math.max(0, Math.cos(off + GLINT.firstOff)) ** GLINT.first;
      const second = Math.max(0, Math.cos(off + GLINT.secondOff)) ** GLINT.second;
      const one = by.glints * GLINT.strength * lit * first;
      const two = by.glints * 2 * GLINT.strength * lit * second;
      const o = 3 * (SEGMENTS * f + k);
      out[o] = r * (body + two) + one;
      out[o + 1] = g * (body + two) + one;
      out[o + 2] = b * (body + two) + one;
    }
  }
  return out;
}

/** Smooth skin, felt: as light as it is turned to the lamp. @param colour light of every vertex, stride 3 @param gloss 0 for felt, 1 for glass; of all or of every vertex */
export function lightSolid(
  positions: ArrayLike<number>,
  normals: ArrayLike<number>,
  colour: ArrayLike<number>,
  lamp: LampGrid,
  sky: SkyGrid,
  by: Lighting,
  eye: Vec3,
  gloss: number | ArrayLike<number> = 0,
): Float32Array {
  const out = new Float32Array(positions.length);
  const half = [0, 1, 2].map((k) => lamp.to[k]! + eye[k]!);
  const size = Math.hypot(...half) || 1;
  for (let v = 0; v < positions.length; v += 3) {
    const [nx, ny, nz] = [normals[v]!, normals[v + 1]!, normals[v + 2]!];
    const x = positions[v]! + 0.4 * nx, y = positions[v + 1]! + 0.4 * ny, z = positions[v + 2]! + 0.4 * nz; // prettier-ignore
    const facing = nx * lamp.to[0] + ny * lamp.to[1] + nz * lamp.to[2];
    const { layers, open } = fromLamp(lamp, x, y, z);
    const lit = by.lamp * open * Math.exp(-EXTINCTION * layers);
    const body = lit * Math.max(0, facing) + by.sky * fromSky(sky, x, y, z) * (0.75 + 0.25 * ny);
    const mirror = Math.max(0, (nx * half[0]! + ny * half[1]! + nz * half[2]!) / size);
    const g = typeof gloss === 'number' ? gloss : gloss[v / 3]!;
    // What shines less shines broader.
    const glint =
      g *
      (0.9 * lit * mirror ** (10 + 20 * g + 150 * g * g) +
        0.04 * by.sky * (1 - Math.max(0, nx * eye[0] + ny * eye[1] + nz * eye[2])));
    for (let k = 0; k < 3; k++) out[v + k] = colour[v + k]! * body + glint;
  }
  return out;
}
