/** Which colour a strand has: the look of the nearest place of its area, one of its strands by their shares. */
import type { Triple } from '@/core/colour/lab';
import type { Look, ShadeField, Strand } from './look';

export interface Picked {
  readonly root: Triple;
  readonly tip: Triple | null;
  readonly tipShare: number;
}

/** One strand of a look, by chance. */
export function pickStrand(look: Look, chance: number): Strand {
  let left = chance;
  for (const s of look.strands) {
    left -= s.weight;
    if (left < 0) return s;
  }
  return look.strands[look.strands.length - 1]!;
}

/** One of the looks of a vertex, by chance: places between two looks have some of each. */
export const lookAt = (field: ShadeField, v: number, chance: number): number =>
  field.t[v]! > chance ? field.b[v]! : field.a[v]!;

const NOWHERE = [0, 0, 0] as const;
/** So much of the way further on, one after another, until there still is surface: a strand at a hem hangs over it. */
const FURTHER = [1, 0.5, 0] as const;

/**
 * Finds the vertex nearest to what is seen of a strand: a hash of cubes about as large as the grid of the surface.
 * @returns of where it is rooted and how far on it is seen, mm
 */
export function nearest(
  positions: Float64Array,
  areaOf: number,
): (x: number, y: number, z: number, on?: readonly number[]) => number {
  const n = positions.length / 3;
  const cell = Math.max(1e-6, 2 * Math.sqrt(areaOf / Math.max(1, n)));
  const of = (x: number) => Math.floor(x / cell);
  const key = (i: number, j: number, k: number) => (i * 73856093) ^ (j * 19349663) ^ (k * 83492791);
  const cubes = new Map<number, number[]>();
  for (let v = 0; v < n; v++) {
    const h = key(of(positions[3 * v]!), of(positions[3 * v + 1]!), of(positions[3 * v + 2]!));
    const list = cubes.get(h);
    if (list) list.push(v);
    else cubes.set(h, [v]);
  }
  const near = (x: number, y: number, z: number): number => {
    let best = -1;
    let least = Infinity;
    for (let di = -1; di <= 1; di++)
      for (let dj = -1; dj <= 1; dj++)
        for (let dk = -1; dk <= 1; dk++) {
          for (const v of cubes.get(key(of(x) + di, of(y) + dj, of(z) + dk)) ?? []) {
            const d =
              (positions[3 * v]! - x) ** 2 + (positions[3 * v + 1]! - y) ** 2 + (positions[3 * v + 2]! - z) ** 2;
            if (d < least) {
              least = d;
              best = v;
            }
          }
        }
    return best;
  };
  return (x, y, z, on = NOWHERE) => {
    for (const k of FURTHER) {
      const v = near(x + k * on[0]!, y + k * on[1]!, z + k * on[2]!);
      if (v >= 0) return v;
    }
    return 0;
  };
}

/** @returns the colour of a strand that stands at a place of the area */
export function colourAt(
  field: ShadeField,
  surface: { readonly positions: Float64Array; readonly triangles: Uint32Array },
  rnd: () => number,
): (x: number, y: number, z: number, on: readonly number[]) => Picked {
  if (field.looks.length === 1) {
    const only = field.looks[0]!;
    return () => pickStrand(only, rnd());
  }
  const { positions: p, triangles: T } = surface;
  // Size of the grid from one triangle in a hundred.
  let sum = 0;
  let count = 0;
  for (let t = 0; t < T.length; t += 300) {
    const [a, b] = [3 * T[t]!, 3 * T[t + 1]!];
    sum += (p[a]! - p[b]!) ** 2 + (p[a + 1]! - p[b + 1]!) ** 2 + (p[a + 2]! - p[b + 2]!) ** 2;
    count++;
  }
  const find = nearest(p, (sum / Math.max(1, count)) * (p.length / 3));
  return (x, y, z, on) => {
    const v = find(x, y, z, on);
    const other = field.t[v]! > 0 && rnd() < field.t[v]!;
    return pickStrand(field.looks[other ? field.b[v]! : field.a[v]!]!, rnd());
  };
}

/** Seen colour of every vertex, linear light, stride 3. */
export function seenColours(field: ShadeField): Float32Array {
  const out = new Float32Array(field.a.length * 3);
  for (let v = 0; v < field.a.length; v++) {
    const a = field.looks[field.a[v]!]!.seen;
    const b = field.looks[field.b[v]!]!.seen;
    const t = field.t[v]!;
    for (let k = 0; k < 3; k++) out[3 * v + k] = a[k]! + t * (b[k]! - a[k]!);
  }
  return out;
}
