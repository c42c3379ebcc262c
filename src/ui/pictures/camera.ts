/** Where the turntable is looked at from, and how many pixels a millimetre is. */
import type { FormPlan } from '@/core/form/form';
import { across, type Lens, type Turned } from '@/core/picture/lens';
import type { View } from '@/desk/view';

export { across, centreOf, eye } from '@/core/picture/lens';

export interface Size {
  readonly width: number;
  readonly height: number;
}

/** Pixels per millimetre that show the whole animal from any side, times the maker's zoom. */
export function pixelsPerMm(
  size: Size,
  form: Pick<FormPlan, 'lengthMm' | 'heightMm' | 'widthMm'>,
  zoom: number,
): number {
  const wide = Math.max(form.lengthMm, form.widthMm);
  const tall = Math.max(form.heightMm, form.widthMm);
  return Math.max(0.05, Math.min((0.78 * size.width) / wide, (0.7 * size.height) / tall)) * zoom;
}

/** Where a place is seen on the picture: pixels from its left and its top. */
export function seenAt(
  p: readonly number[],
  centre: readonly number[],
  view: Pick<View, 'yaw' | 'pitch'>,
  size: Size,
  perMm: number,
): [number, number] {
  const { right, up } = across(view);
  const d = [0, 1, 2].map((k) => p[k]! - centre[k]!);
  const along = (v: readonly number[]) => d[0]! * v[0]! + d[1]! * v[1]! + d[2]! * v[2]!;
  return [size.width / 2 + along(right) * perMm, size.height / 2 - along(up) * perMm];
}

/** A round length for the scale bar, at most `most` pixels long. */
export function scaleBar(perMm: number, most: number): { mm: number; px: number } {
  const steps = [1, 2, 5, 10, 20, 50, 100, 200, 500, 1000];
  const mm = [...steps].reverse().find((s) => s * perMm <= most) ?? 1;
  return { mm, px: mm * perMm };
}

/** The viewpoint in words. */
export function seenFrom(view: Pick<View, 'yaw' | 'pitch'>): string {
  if (view.pitch > 60) return 'above';
  if (view.pitch < -60) return 'below';
  const sides = [
    'the front',
    'the front left',
    'the left',
    'the back left',
    'the back',
    'the back right',
    'the right',
    'the front right',
  ];
  return sides[((Math.round(view.yaw / 45) % 8) + 8) % 8]!;
}

/**
 * The lens of a finished picture that lies over what the turntable shows.
 * @param centre what is in the middle @param perMm pixels of the screen on a millimetre @param dots dots of the picture on a pixel
 */
export function lensOver(
  { yaw, pitch }: Turned,
  [x, y, z]: readonly [number, number, number],
  perMm: number,
  size: Size,
  dots: number,
): Lens {
  return {
    turned: { yaw, pitch },
    centre: [x, y, z],
    perMm: perMm * dots,
    width: Math.round(size.width * dots),
    height: Math.round(size.height * dots),
  };
}
