/**
 * How much light a picture is given, as with a camera that is held to the coat: where fur is seen square on and is lit, the picture is as light
 * as the plan's own colours. Fur shades itself and felt hardly does, so each is metered for itself. Looked at small, with every
 * so-manieth fibre, each as much wider.
 */
import type { Vec3 } from '@/core/geometry/vec';
import { SEGMENTS, type Fibres } from './fibres';
import { eye, type Lens } from './lens';
import { canvas, drawFibres, drawSolid } from './raster';

/** So many times smaller, and every so-manieth fibre. */
const SMALLER = 4;
const EVERY = 6;
/** Square on: turned to the eye by this as a cosine at least; full of fur: this much open at most. */
const SQUARE = 0.75;
const OPEN = 0.15;
/** Felt lies in few layers over skin of its colour: it may be as open as this. A pixel is of fur or of felt by this share at least. Ours. */
const FELT_OPEN = 0.6;
const ALL = 0.9;

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
    felt: new Uint8Array(count),
  };
  const lit = new Float32Array(3 * SEGMENTS * count);
  const own = new Float32Array(3 * SEGMENTS * count);
  const kind = new Float32Array(3 * SEGMENTS * count);
  for (let i = 0; i < count; i++) {
    const f = i * EVERY;
    out.points.set(fibres.points.subarray(stride * f, stride * (f + 1)), stride * i);
    out.width[i] = fibres.width[f]! * EVERY;
    out.felt[i] = fibres.felt[f]!;
    kind.fill(out.felt[i]!, 3 * SEGMENTS * i, 3 * SEGMENTS * (i + 1));
    lit.set(light.subarray(3 * SEGMENTS * f, 3 * SEGMENTS * (f + 1)), 3 * SEGMENTS * i);
    const e = 7 * fibres.colour[f]!;
    for (let k = 0; k < SEGMENTS; k++) {
      const c = e + ((k + 0.5) / SEGMENTS > 1 - palette[e + 6]! ? 3 : 0);
      for (let q = 0; q < 3; q++) own[3 * (SEGMENTS * i + k) + q] = palette[c + q]! * fibres.tone[f]!;
    }
  }
  return { fibres: out, lit, own, kind };
}

/** What light is multiplied by; nothing where none of a kind is seen square on. */
interface Metered {
  readonly fur: number | null;
  readonly felt: number | null;
}

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
): Metered {
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
  const [seen, own, kind] = [s.lit, s.own, s.kind].map((l) => {
    const c = canvas(small);
    drawSolid(c, { positions: skin.positions, triangles: skin.triangles, light: turned });
    drawFibres(c, s.fibres, l);
    return c;
  });
  const gains: Record<'fur' | 'felt', number[]> = { fur: [], felt: [] };
  for (let p = 0; p < small.width * small.height; p++) {
    if (!(seen!.solid[12 * p]! > SQUARE)) continue;
    const open = seen!.open[p]!;
    const felt = open < 1 ? kind!.light[3 * p]! / (1 - open) : 0;
    const of = felt > ALL && open <= FELT_OPEN ? 'felt' : felt < 1 - ALL && open <= OPEN ? 'fur' : null;
    if (!of) continue;
    const sum = (l: Float32Array) => l[3 * p]! + l[3 * p + 1]! + l[3 * p + 2]!;
    const got = sum(seen!.light);
    if (got > 0) gains[of].push(sum(own!.light) / got);
  }
  return { fur: exposedFor(gains.fur), felt: exposedFor(gains.felt) };
}

/** A picture is exposed for what is lit: so many of its places are lighter than their own colour, the others darker by their shadows. Ours. */
const LIT = 0.2;

function exposedFor(list: number[]): number | null {
  list.sort((a, b) => a - b);
  return list[Math.floor(LIT * list.length)] ?? null;
}

/** What the light of bare skin is multiplied by: where it is lit and seen square on it has its own colour. */
export function meteredSkin(
  normals: ArrayLike<number>,
  light: ArrayLike<number>,
  { bare, colour }: { readonly bare: ArrayLike<number>; readonly colour: ArrayLike<number> },
  from: Vec3,
): number | null {
  const gains: number[] = [];
  for (let v = 0; v < bare.length; v++) {
    const i = 3 * v;
    if (!bare[v] || normals[i]! * from[0] + normals[i + 1]! * from[1] + normals[i + 2]! * from[2] < SQUARE) continue;
    const got = light[i]! + light[i + 1]! + light[i + 2]!;
    if (got > 0) gains.push((colour[i]! + colour[i + 1]! + colour[i + 2]!) / got);
  }
  return exposedFor(gains);
}
