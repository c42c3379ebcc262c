/**
 * CIE 1976 L*a*b* under D65 (CIE 015), and OKLab for grouping the colours of a picture (Ottosson 2020). Colours of wool
 * are compared in L*a*b* under D65 and nowhere else.
 */
import { linearOf, toXyz } from './rgb';
import type { Triple } from './triple';

export type { Triple } from './triple';

/** XYZ of the white of D65 from its chromaticity x 0.3127, y 0.3290; Y is 1. */
export const WHITE: Triple = [0.3127 / 0.329, 1, (1 - 0.3127 - 0.329) / 0.329];

const f = (t: number): number => (t > 216 / 24389 ? Math.cbrt(t) : ((24389 / 27) * t + 16) / 116);

/** L*, a*, b* of XYZ under D65. */
export function labOfXyz([x, y, z]: Triple): Triple {
  const fx = f(x / WHITE[0]);
  const fy = f(y / WHITE[1]);
  const fz = f(z / WHITE[2]);
  return [116 * fy - 16, 500 * (fx - fy), 200 * (fy - fz)];
}

/** L*, a*, b* of linear light. */
export const labOfLinear = (rgb: Triple): Triple => labOfXyz(toXyz(rgb));

/** L*, a*, b* of a colour written #rrggbb. */
export const labOf = (hex: string): Triple => labOfLinear(linearOf(hex));

/** Lightness L* of a screen colour, 0 black to 100 white. */
export const lightness = (hex: string): number => labOf(hex)[0];

/** XYZ of L*, a*, b* under D65. */
export function xyzOfLab([l, a, b]: Triple): Triple {
  const back = (t: number) => (t ** 3 > 216 / 24389 ? t ** 3 : ((116 * t - 16) * 27) / 24389);
  const fy = (l + 16) / 116;
  return [WHITE[0] * back(fy + a / 500), WHITE[1] * back(fy), WHITE[2] * back(fy - b / 200)];
}

/** OKLab of linear light: L 0..1. */
export function okLabOf([r, g, b]: Triple): Triple {
  const l = Math.cbrt(0.4122214708 * r + 0.5363325363 * g + 0.0514459929 * b);
  const m = Math.cbrt(0.2119034982 * r + 0.6806995451 * g + 0.1073969566 * b);
  const s = Math.cbrt(0.0883024619 * r + 0.2817188376 * g + 0.6299787005 * b);
  return [
    0.2104542553 * l + 0.793617785 * m - 0.0040720468 * s,
    1.9779984951 * l - 2.428592205 * m + 0.4505937099 * s,
    0.0259040371 * l + 0.7827717662 * m - 0.808675766 * s,
  ];
}
