/** A picture of the finished animal as the plan has it, before a pale wall: no graphics card, the same every time. */
import { linearOf } from '@/core/colour/rgb';
import type { Cupboard } from '@/core/piece/cupboard';
import type { Piece } from '@/core/piece/schema';
import type { Plan } from '@/core/plan';
import { exposure, type ExposureOptions } from './exposure';
import { shadowOn, type Ground } from './ground';
import type { Lens } from './lens';
import { closeUp } from './raster';
import { onScreen } from './screen';
import { lensFor, type Framing } from './viewpoints';

export interface StillOptions extends ExposureOptions, Framing {
  /** Told what share is done; may throw to stop. */
  readonly progress?: (share: number) => void;
}

export interface Still {
  readonly width: number;
  readonly height: number;
  /** Red, green, blue of every pixel, 0..255 as screens have them. */
  readonly rgb: Uint8Array;
  /** Pixels on a millimetre, the same everywhere on the picture. */
  readonly perMm: number;
}

/** A pale wall and table. */
const BACKDROP = linearOf('#d9d6d1');

export function still(piece: Piece, plan: Plan, cupboard: Cupboard, o: StillOptions): Still {
  const lens = lensFor(plan, o);
  const steps = exposure({ piece, plan, cupboard }, lens, o);
  let step = steps.next();
  for (; !step.done; step = steps.next()) o.progress?.(step.value);
  const { canvas: c, ground } = step.value;
  closeUp(c, behindOf(lens, ground));
  return { width: o.width, height: o.height, rgb: onScreen(c.light), perMm: lens.perMm };
}

/** A wall that grows a little darker downwards and outwards, and the shadow on the table. */
function behindOf(lens: Lens, ground: Ground | null) {
  const shadow = ground && shadowOn(ground, lens);
  return (x: number, y: number, into: Float64Array): void => {
    const [u, v] = [x / lens.width - 0.5, y / lens.height - 0.5];
    let k = 1.02 - 0.35 * (u * u + v * v);
    if (shadow) k *= shadow(x, y);
    for (let q = 0; q < 3; q++) into[q] = BACKDROP[q]! * k;
  };
}
