/**
 * How much of an eye is seen from one direction: points spread evenly over the dome that stands out of the skin, each
 * weighed by how squarely it faces the viewer, none that the head hides. Against the same eye seen square on.
 */
import { cross, dot, scale, unit, add, type Vec3 } from '@/core/geometry/vec';

interface Dome {
  /** Middle of the rim, on the skin. */
  readonly at: Vec3;
  /** Unit, straight out of the socket. */
  readonly axis: Vec3;
  readonly radiusMm: number;
  /** How far it stands out; 0 for a flat disc. */
  readonly outMm: number;
}

const POINTS = 400;
const GOLDEN = Math.PI * (3 - Math.sqrt(5));

/**
 * @param from unit direction from the eye to the viewer
 * @param hidden whether something stands between a point and the viewer
 * @returns 1 for all of what is seen square on; a dome that stands far out can show from the side what is not in the disc
 */
export function seenShare(d: Dome, from: Vec3, hidden: (p: Vec3) => boolean): number {
  const R = d.radiusMm;
  // Nothing of it stands out of its socket.
  if (R <= 0) return 0;
  const h = Math.max(0.02 * R, Math.min(2 * R, d.outMm));
  const centre = add(d.at, scale(d.axis, d.outMm - R));
  const u = unit(cross(d.axis, Math.abs(d.axis[0]) < 0.9 ? [1, 0, 0] : [0, 1, 0]));
  const v = cross(d.axis, u);
  let sum = 0;
  for (let i = 0; i < POINTS; i++) {
    const c = 1 - (h / R) * ((i + 0.5) / POINTS);
    const s = Math.sqrt(Math.max(0, 1 - c * c));
    const m = add(add(scale(d.axis, c), scale(u, s * Math.cos(i * GOLDEN))), scale(v, s * Math.sin(i * GOLDEN)));
    const faces = dot(m, from);
    if (faces > 0 && !hidden(add(centre, scale(m, R)))) sum += faces;
  }
  const cap = (2 * Math.PI * R * h) / POINTS;
  const rim = h >= R ? R : Math.sqrt(2 * R * h - h * h);
  return (sum * cap) / (Math.PI * rim * rim);
}
