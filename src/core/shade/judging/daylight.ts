/**
 * A colour under three daylights: at a bright window, under an overcast sky, at dusk. The eye follows the light only in
 * part, and in little light colours lose strength before they lose their difference in lightness. Shares are ours.
 */
import { labOfLinear, xyzOfLab, type Triple } from '@/core/colour/lab';
import { fromXyz } from '@/core/colour/rgb';

export const DAYLIGHTS = [
  { id: 'window', name: 'bright window', light: 1, strength: 1 },
  { id: 'overcast', name: 'overcast', light: 0.55, strength: 0.92 },
  { id: 'dusk', name: 'dusk', light: 0.22, strength: 0.6 },
] as const;

/** How a colour in linear light looks under a daylight, as linear light. */
export function under(linear: Triple, d: (typeof DAYLIGHTS)[number]): Triple {
  const [l, a, b] = labOfLinear(linear.map((x) => x * d.light) as unknown as Triple);
  return fromXyz(xyzOfLab([l, a * d.strength, b * d.strength]));
}
