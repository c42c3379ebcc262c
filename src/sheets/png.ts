/** A picture as PNG, the same bytes every time. */
import { encode } from 'fast-png';
import type { Still } from '@/core/picture/still';

export const pngOf = ({ width, height, rgb }: Pick<Still, 'width' | 'height' | 'rgb'>): Uint8Array =>
  encode({ width, height, data: rgb, channels: 3, depth: 8 });
