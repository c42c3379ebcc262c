/**
 * Barbs of a felted feather, for every picture: each leaves the shaft toward the tip and ends at the outline, so that together they are the
 * feather. Felt has no barbs; it is what its fibres are worked into when its edge is drawn out. Lengths mm.
 */
import { featherArea, halfWidthAt, type FeatherOutline } from '@/core/coat/cover/feather-shape';

/** Barbs leave the shaft at this angle, rad; so many are the shaft itself. Ours. */
const AWAY = 0.6;
const SHAFT = 0.03;
const COS = Math.cos(AWAY);
const SIN = Math.sin(AWAY);
const HALVINGS = 14;
/** A feather is drawn in so many layers of barbs: it hides what lies below it; and turned by so much from its neighbours, rad. Ours. */
export const BARB_LAYERS = 4;
export const VANE_TURN = 0.09;

/** One fibre of a feather in its plane: u across from the shaft, v from the quill. */
export interface Barb {
  readonly u0: number;
  readonly v0: number;
  readonly u1: number;
  readonly v1: number;
  readonly shaft: boolean;
}

/** Mean length of a barb: together they cross half of the feather to each side (Cavalieri), from below its quill to its tip. */
export const barbLength = (o: FeatherOutline): number =>
  (0.97 * featherArea(o)) / (2 * SIN * (o.lengthMm + (o.widthMm / 2) * (COS / SIN)));

export function barb(o: FeatherOutline, rnd: () => number): Barb {
  if (rnd() < SHAFT) return { u0: 0, v0: 0, u1: 0, v1: o.lengthMm * (0.8 + 0.15 * rnd()), shaft: true };
  const side = rnd() < 0.5 ? -1 : 1;
  // Those that would leave below the quill cover the corners beside it.
  const below = (o.widthMm / 2) * (COS / SIN);
  const from = -below + rnd() * (o.lengthMm + below);
  let [lo, hi] = [Math.max(0, -from / COS), o.lengthMm + below];
  const begin = lo;
  for (let i = 0; i < HALVINGS; i++) {
    const q = (lo + hi) / 2;
    if (q * SIN < halfWidthAt(o, from + q * COS)) lo = q;
    else hi = q;
  }
  // Its edge is drawn out a little unevenly.
  const end = begin + (lo - begin) * (0.94 + 0.06 * rnd());
  return {
    u0: side * begin * SIN,
    v0: from + begin * COS,
    u1: side * end * SIN,
    v1: from + end * COS,
    shaft: false,
  };
}

/** How high over the skin a place of a feather lies: it leans on those below it, and with one side on its neighbour. */
export const vaneHeight = (
  { widthMm, thickMm }: FeatherOutline & { readonly thickMm: number },
  liftRad: number,
  u: number,
  v: number,
): number => thickMm * (0.5 + (0.5 * u) / widthMm) + v * Math.sin(liftRad);
