/** Where the turntable is looked at from, and how many pixels a millimetre is. */
import type { FormPlan } from '@/core/form/form';
import type { View } from '@/desk/view';

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

const rad = (deg: number): number => (deg * Math.PI) / 180;

/** Unit direction from the animal to the eye, and which way is up for it. */
export function eye(view: Pick<View, 'yaw' | 'pitch'>): {
  from: [number, number, number];
  up: [number, number, number];
} {
  const y = rad(view.yaw);
  const p = rad(view.pitch);
  return {
    from: [Math.sin(y) * Math.cos(p), Math.sin(p), Math.cos(y) * Math.cos(p)],
    up: [-Math.sin(y) * Math.sin(p), Math.cos(p), -Math.cos(y) * Math.sin(p)],
  };
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
