/**
 * The colour of a lot as a curve. Dyed wool has one colour; natural wool may be mottled (several colours with shares of
 * the mass) or tipped along its staple. Pulled apart and felted, all of it blends; laid as fur, its tips are seen apart.
 */
import { reflectanceOf } from '@/core/colour/reflectance';
import type { Lot } from '@/core/piece/cupboard';
import { blendCurve, usualBlend, type BlendHow } from './blend';

type Coloured = Pick<Lot, 'colour' | 'mottle' | 'tipColour' | 'tipShare'>;

/** The wool without its tips. */
export function bodyCurve(lot: Coloured, how: BlendHow = usualBlend): Float64Array {
  if (lot.mottle.length === 0) return reflectanceOf(lot.colour);
  const others = lot.mottle.reduce((s, m) => s + m.share, 0);
  return blendCurve(
    [
      { curve: reflectanceOf(lot.colour), parts: Math.max(0, 1 - others) },
      ...lot.mottle.map((m) => ({ curve: reflectanceOf(m.colour), parts: m.share })),
    ],
    how,
  );
}

/** The wool pulled apart: mottles and tips blended by their mass. */
export function woolCurve(lot: Coloured, how: BlendHow = usualBlend): Float64Array {
  const body = bodyCurve(lot, how);
  if (lot.tipColour === null) return body;
  return blendCurve(
    [
      { curve: body, parts: 1 - lot.tipShare },
      { curve: reflectanceOf(lot.tipColour), parts: lot.tipShare },
    ],
    how,
  );
}
