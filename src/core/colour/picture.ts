/**
 * Colours of a photograph: a patch of it, and a palette it is reduced to. Pixels are averaged in linear light; the palette is
 * made by k-means in OKLab on a small copy (Lloyd 1982, begun far apart), clusters that look alike are joined.
 */
import { seeded } from '@/core/random';
import { difference } from './difference';
import { labOfLinear, okLabOf, type Triple } from './lab';
import { hexOf, toLinear } from './rgb';

export interface Picture {
  readonly width: number;
  readonly height: number;
  /** Red, green, blue, alpha of every pixel, 0..255, stride 4. */
  readonly pixels: Uint8ClampedArray | Uint8Array;
}

const LIGHT = Float64Array.from({ length: 256 }, (_, i) => toLinear(i / 255));
const BURNT = 254;

/** A channel at its end: there is more light, or less, than the picture could hold. */
const clips = (p: ArrayLike<number>, at: number): boolean =>
  p[at]! >= BURNT || p[at + 1]! >= BURNT || p[at + 2]! >= BURNT || p[at]! + p[at + 1]! + p[at + 2]! <= 3;

/** Mean light of a square patch round a pixel, and the share of its pixels that are clipped. */
export function patchOf(
  { width, height, pixels }: Picture,
  x: number,
  y: number,
  radius: number,
): { readonly linear: Triple; readonly clipped: number } {
  const sum = [0, 0, 0];
  let count = 0;
  let clipped = 0;
  for (let j = Math.max(0, Math.round(y) - radius); j <= Math.min(height - 1, Math.round(y) + radius); j++) {
    for (let i = Math.max(0, Math.round(x) - radius); i <= Math.min(width - 1, Math.round(x) + radius); i++) {
      const at = 4 * (j * width + i);
      for (let k = 0; k < 3; k++) sum[k]! += LIGHT[pixels[at + k]!]!;
      if (clips(pixels, at)) clipped++;
      count++;
    }
  }
  const n = Math.max(1, count);
  return { linear: [sum[0]! / n, sum[1]! / n, sum[2]! / n], clipped: clipped / n };
}

interface PaletteColour {
  readonly hex: string;
  readonly lab: Triple;
  /** Share of the picture. */
  readonly share: number;
}

export interface Palette {
  readonly colours: readonly PaletteColour[];
  /** Share of the picture in which a channel is clipped. */
  readonly clipped: number;
}

/** About as many cells as the small copy has. */
const CELLS = 12_000;
const ROUNDS = 24;
/** Clusters nearer than this are one colour. */
const ALIKE = 4;

/** A small copy in linear light, stride 3, each cell the mean of its pixels. */
function smallCopy({ width, height, pixels }: Picture): {
  readonly linear: Float64Array;
  readonly clipped: number;
} {
  const step = Math.max(1, Math.ceil(Math.sqrt((width * height) / CELLS)));
  const w = Math.ceil(width / step);
  const h = Math.ceil(height / step);
  const out = new Float64Array(3 * w * h);
  const count = new Uint32Array(w * h);
  let clipped = 0;
  for (let y = 0; y < height; y++) {
    const row = Math.floor(y / step) * w;
    for (let x = 0; x < width; x++) {
      const at = 4 * (y * width + x);
      const c = row + Math.floor(x / step);
      out[3 * c]! += LIGHT[pixels[at]!]!;
      out[3 * c + 1]! += LIGHT[pixels[at + 1]!]!;
      out[3 * c + 2]! += LIGHT[pixels[at + 2]!]!;
      count[c]!++;
      if (clips(pixels, at)) clipped++;
    }
  }
  for (let c = 0; c < w * h; c++) for (let k = 0; k < 3; k++) out[3 * c + k]! /= count[c]!;
  return { linear: out, clipped: clipped / (width * height) };
}

/**
 * The colours a picture is made of, most of it first.
 * @param most colours at most @param neutral takes the cast out first
 */
export function paletteOf(picture: Picture, most: number, neutral: (c: Triple) => Triple = (c) => c): Palette {
  const { linear, clipped } = smallCopy(picture);
  const n = linear.length / 3;
  const light: Triple[] = [];
  const ok = new Float64Array(3 * n);
  for (let i = 0; i < n; i++) {
    const c = neutral([linear[3 * i]!, linear[3 * i + 1]!, linear[3 * i + 2]!]).map((x) =>
      Math.max(0, Math.min(1, x)),
    ) as unknown as Triple;
    light.push(c);
    okLabOf(c).forEach((x, k) => (ok[3 * i + k] = x));
  }
  const rnd = seeded(7);
  const centres: number[][] = [];
  const far = new Float64Array(n).fill(Infinity);
  const to = (i: number, c: readonly number[]) =>
    (ok[3 * i]! - c[0]!) ** 2 + (ok[3 * i + 1]! - c[1]!) ** 2 + (ok[3 * i + 2]! - c[2]!) ** 2;
  // Begun far apart: each next centre by chance, the likelier the further it is from those there are (Arthur and Vassilvitskii 2007).
  let pick = Math.floor(rnd() * n);
  while (centres.length < Math.min(most, n)) {
    const c = [ok[3 * pick]!, ok[3 * pick + 1]!, ok[3 * pick + 2]!];
    centres.push(c);
    let whole = 0;
    for (let i = 0; i < n; i++) {
      far[i] = Math.min(far[i]!, to(i, c));
      whole += far[i]!;
    }
    if (whole < 1e-9) break;
    let left = rnd() * whole;
    pick = n - 1;
    for (let i = 0; i < n; i++) {
      left -= far[i]!;
      if (left <= 0) {
        pick = i;
        break;
      }
    }
  }
  const of = new Int32Array(n);
  for (let round = 0; round < ROUNDS; round++) {
    let moved = false;
    for (let i = 0; i < n; i++) {
      let best = 0;
      let least = Infinity;
      for (let c = 0; c < centres.length; c++) {
        const d = to(i, centres[c]!);
        if (d < least) {
          least = d;
          best = c;
        }
      }
      if (of[i] !== best) moved = true;
      of[i] = best;
    }
    const sum = centres.map(() => [0, 0, 0, 0]);
    for (let i = 0; i < n; i++) {
      const s = sum[of[i]!]!;
      for (let k = 0; k < 3; k++) s[k]! += ok[3 * i + k]!;
      s[3]!++;
    }
    sum.forEach((s, c) => s[3]! > 0 && (centres[c] = [s[0]! / s[3]!, s[1]! / s[3]!, s[2]! / s[3]!]));
    if (!moved && round > 0) break;
  }
  // The mean of a cluster in linear light; alike ones are joined by their shares.
  let groups = centres.flatMap((_, c) => {
    const sum: [number, number, number] = [0, 0, 0];
    let count = 0;
    for (let i = 0; i < n; i++) {
      if (of[i] !== c) continue;
      for (let k = 0; k < 3; k++) sum[k]! += light[i]![k]!;
      count++;
    }
    return count > 0 ? [{ linear: sum.map((x) => x / count) as unknown as Triple, share: count / n }] : [];
  });
  for (;;) {
    let join: [number, number] | null = null;
    let least = ALIKE;
    groups.forEach((p, i) =>
      groups.slice(i + 1).forEach((q, j) => {
        const d = difference(labOfLinear(p.linear), labOfLinear(q.linear));
        if (d < least) {
          least = d;
          join = [i, i + 1 + j];
        }
      }),
    );
    if (!join) break;
    const [i, j] = join as [number, number];
    const [p, q] = [groups[i]!, groups[j]!];
    const share = p.share + q.share;
    const mixed = p.linear.map((x, k) => (x * p.share + q.linear[k]! * q.share) / share) as unknown as Triple;
    groups = [...groups.filter((_, k) => k !== i && k !== j), { linear: mixed, share }];
  }
  return {
    colours: groups
      .sort((p, q) => q.share - p.share)
      .map((g) => ({ hex: hexOf(g.linear), lab: labOfLinear(g.linear), share: g.share })),
    clipped,
  };
}
