/** The animal cut out of its picture, to be laid over whatever stands behind it: the colour of every pixel and how much of it is covered. */
import type { Exposed } from './exposure';
import { shadowOn } from './ground';
import { closeUp } from './raster';
import { screenValue } from './screen';

/** A screen is so much brighter for its values: what a shadow takes from light, as values. */
const GAMMA = 2.2;

/** A shadow so faint would be seen by its border alone. */
const FAINT = 0.012;

/** @returns red, green, blue, cover of every pixel, 0..255, colours not multiplied by the cover */
export function cutOut({ canvas: c, ground }: Exposed): Uint8ClampedArray {
  const { width, height } = c.lens;
  const out = new Uint8ClampedArray(4 * width * height);
  const free = new Float32Array(width * height);
  const shadow = ground && shadowOn(ground, c.lens);
  closeUp(c, () => undefined, free);
  for (let y = 0, p = 0; y < height; y++)
    for (let x = 0; x < width; x++, p++) {
      const covered = 1 - free[p]!;
      const shade = shadow && free[p]! > 0 ? Math.max(0, 1 - shadow(x, y) ** (1 / GAMMA) - FAINT) : 0;
      // A shadow is black that lets through what it leaves.
      const alpha = covered + free[p]! * shade;
      if (255 * alpha < 0.5) continue;
      for (let k = 0; k < 3; k++)
        out[4 * p + k] = covered > 0 ? (covered / alpha) * screenValue(c.light[3 * p + k]! / covered) : 0;
      out[4 * p + 3] = 255 * alpha;
    }
  return out;
}
