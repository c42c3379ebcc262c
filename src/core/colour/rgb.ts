/**
 * Screen colours and the light they stand for: sRGB with its transfer curve (IEC 61966-2-1), linear light 0..1, and XYZ
 * under D65. Light is only ever added in linear light.
 */
import type { Triple } from './triple';

/** Linear light of one channel 0..1 of a screen colour. */
export const toLinear = (c: number): number => (c <= 0.04045 ? c / 12.92 : ((c + 0.055) / 1.055) ** 2.4);

/** The channel of a screen colour for an amount of light. */
export const fromLinear = (l: number): number => (l <= 0.0031308 ? 12.92 * l : 1.055 * l ** (1 / 2.4) - 0.055);

/** Linear red, green, blue of a colour written #rrggbb. */
export const linearOf = (hex: string): Triple =>
  [1, 3, 5].map((i) => toLinear(parseInt(hex.slice(i, i + 2), 16) / 255)) as unknown as Triple;

/** #rrggbb of linear light; what a screen cannot show is brought to the nearest it can, channel by channel. */
export const hexOf = (linear: Triple): string =>
  `#${linear
    .map((l) =>
      Math.round(255 * fromLinear(Math.max(0, Math.min(1, l))))
        .toString(16)
        .padStart(2, '0'),
    )
    .join('')}`;

/** XYZ under D65, Y of white 1, from linear light (IEC 61966-2-1 primaries). */
export const toXyz = ([r, g, b]: Triple): Triple => [
  0.4123907992659593 * r + 0.357584339383878 * g + 0.1804807884018343 * b,
  0.2126390058715102 * r + 0.715168678767756 * g + 0.0721923153607337 * b,
  0.0193308187155918 * r + 0.119194779794626 * g + 0.9505321522496607 * b,
];

/** Linear light from XYZ under D65. */
export const fromXyz = ([x, y, z]: Triple): Triple => [
  3.2409699419045226 * x - 1.537383177570094 * y - 0.4986107602930034 * z,
  -0.9692436362808796 * x + 1.8759675015077202 * y + 0.04155505740717559 * z,
  0.05563007969699366 * x - 0.20397695888897652 * y + 1.0569715142428786 * z,
];
