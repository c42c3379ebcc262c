/** A picture as PNG, the same bytes every time. */
import { encode } from 'fast-png';
import type { Still } from '@/core/picture/still';

export const pngOf = ({ width, height, rgb }: Pick<Still, 'width' | 'height' | 'rgb'>): Uint8Array =>
  encode({ width, height, data: rgb, channels: 3, depth: 8 });

/** The same with what covers each pixel: red, green, blue, cover, 0..255. */
export const pngOfCut = (width: number, height: number, rgba: Uint8ClampedArray): Uint8Array =>
  encode({ width, height, data: rgba, channels: 4, depth: 8 });
