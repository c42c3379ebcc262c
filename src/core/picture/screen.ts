/** Light as a screen shows it. */
import { fromLinear } from '@/core/colour/rgb';

/** From here on light is let in less and less, so that what is brightest keeps its form. */
const SHOULDER = 0.8;
const shown = (l: number): number =>
  l <= SHOULDER ? Math.max(0, l) : SHOULDER + (1 - SHOULDER) * (1 - Math.exp((SHOULDER - l) / (1 - SHOULDER)));

/** @returns 0..255 */
export const screenValue = (light: number): number => Math.round(255 * fromLinear(shown(light)));

export const onScreen = (light: Float32Array): Uint8Array => Uint8Array.from(light, screenValue);
