/**
 * How much light a picture is given, as with a camera that is held to the coat: where fur is seen square on, the picture is as light on the
 * whole as the plan's own colours. Looked at small, with every so-manieth fibre, each as much wider.
 */
import { SEGMENTS, type Fibres } from './fibres';
import { eye, type Lens } from './lens';
import { canvas, drawFibres, drawSolid } from './raster';

/** So many times smaller, and every so-manieth fibre. */
const SMALLER = 4;
const EVERY = 6;
/** Square on: turned to the eye by this as a cosine at least; full of fur: this much open at most. */
const SQUARE = 0.75;
const OPEN = 0.15;

/** Every so-manieth fibre, with its segments' light. */
function some(fibres: Fibres, light: Float32Array, palette: ArrayLike<number>) {
  const count = Math.floor(fibres.count / EVERY);
  const stride = 3 * (SEGMENTS + 1);
  const out = {
    count,
    points: new Float32Array(stride * count),
    width: new Float32Array(count),
    tone: new Float32Array(count),
    colour: new Uint32Array(count),
    casts: new Float32Array(count),
  };
  const lit = new Float32Array(3 * SEGMENTS * count);
  const own = new Float32Array(3 * SEGMENTS * count);
  for (let i = 0; i < count; i++) {
    const f = i * EVERY;
    out.points.set(fibres.points.subarray(stride * f, stride * (f + 1)), stride * i);
    // Felt shades little, and is not what is metered.
    out.width[i] = fibres.width[f]! * EVERY;
    lit.set(light.subarray(3 * SEGMENTS * f, 3 * SEGMENTS * (f + 1)), 3 * SEGMENTS * i);
    const e = 7 * fibres.colour[f]!;
    for (let k = 0; k < SEGMENTS; k++) {
      const c = e + ((k + 0.5) / SEGMENTS > 1 - palette[e + 6]! ? 3 : 0);
      for (let q = 0; q < 3; q++) own[3 * (SEGMENTS * i + k) + q] = palette[c + q]! * fibres.tone[f]!;
    }
  }
  return { fibres: out, lit, own };
}

/** @returns what all light is multiplied by; 1 where no fur is seen square on */
export function metered(
  lens: Lens,
  skin: {
    readonly positions: ArrayLike<number>;
    readonly normals: ArrayLike<number>;
    readonly triangles: ArrayLike<number>;
  },
  fibres: Fibres,
  light: Float32Array,
  palette: ArrayLike<number>,
): number {
  const small: Lens = {
    ...lens,
    perMm: lens.perMm / SMALLER,
    width: Math.ceil(lens.width / SMALLER),
    height: Math.ceil(lens.height / SMALLER),
  };
  const { from } = eye(lens.turned);
  const turned = new Float32Array(skin.positions.length);
  for (let v = 0; v < turned.length; v += 3)
    turned[v] = skin.normals[v]! * from[0] + skin.normals[v + 1]! * from[1] + skin.normals[v + 2]! * from[2];
  const s = some(fibres, light, palette);
  const [seen, own] = [s.lit, s.own].map((l) => {
    const c = canvas(small);
    drawSolid(c, { positions: skin.positions, triangles: skin.triangles, light: turned });
    drawFibres(c, s.fibres, l);
    return c;
  });
  let [got, meant] = [0, 0];
  for (let p = 0; p < small.width * small.height; p++) {
    if (seen!.open[p]! > OPEN || !(seen!.solid[12 * p]! > SQUARE)) continue;
    for (let q = 0; q < 3; q++) {
      got += seen!.light[3 * p + q]!;
      meant += own!.light[3 * p + q]!;
    }
  }
  return got > 0 ? meant / got : 1;
}
