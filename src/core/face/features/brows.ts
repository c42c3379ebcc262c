/** A brow line on the skin over each eye: thicker inside, thinner outside, arched and tilted as decided. */
import { add, scale, type Vec3 } from '@/core/geometry/vec';
import type { FormWork } from '@/core/form/form';
import { ontoSkin } from '@/core/form/places';
import { walk } from '@/core/form/surface';
import type { Brows } from '@/core/piece/face';
import type { EyePlace } from '@/core/face/eyes/eye-place';

export interface BrowPlace {
  readonly side: 'left' | 'right';
  /** From the inner end to the outer. */
  readonly line: readonly Vec3[];
}

const POINTS = 13;

/** @param discMm how wide the eye is seen */
export function browPlaces(form: FormWork, brows: Brows, eyes: readonly EyePlace[], discMm: number): BrowPlace[] {
  return eyes.map((e) => {
    const up = walk(form, e.at, () => e.up, discMm / 2 + brows.aboveMm);
    const middle = up[up.length - 1]!;
    const slope = Math.tan((brows.tiltDeg * Math.PI) / 180);
    const line = Array.from({ length: POINTS }, (_, i) => {
      const s = (2 * i) / (POINTS - 1) - 1;
      const out = (s * brows.lengthMm) / 2;
      const high = brows.archMm * (1 - s * s) + out * slope;
      return ontoSkin(form.body, add(middle, add(scale(e.inner, -out), scale(e.up, high))));
    });
    return { side: e.side, line };
  });
}
