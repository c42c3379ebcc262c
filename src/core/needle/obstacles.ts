/** What a needle can run into, as closed forms: stretches of wire, stems and balls of glass with a clearance round them. */
import { dot, sub, type Vec3 } from '@/core/geometry/vec';

/** A stretch with a radius: wire or stem; a ball where both ends are one. */
export interface Capsule {
  readonly a: Vec3;
  readonly b: Vec3;
  readonly radiusMm: number;
  readonly what: 'wire' | 'eye';
}

/** First place a ray enters a ball. @returns Infinity where it passes; 0 where it starts inside */
function ballAhead(from: Vec3, to: Vec3, centre: Vec3, radius: number): number {
  const m = sub(from, centre);
  const b = dot(m, to);
  const c = dot(m, m) - radius * radius;
  if (c <= 0) return 0;
  const d = b * b - c;
  if (d < 0 || b > 0) return Infinity;
  return -b - Math.sqrt(d);
}

/**
 * How far along a ray a capsule is met (ray against cylinder and two balls, closed form).
 * @param to unit direction
 * @returns mm; Infinity where it is passed by, 0 where the ray starts inside
 */
export function metAt(from: Vec3, to: Vec3, c: Pick<Capsule, 'a' | 'b' | 'radiusMm'>): number {
  const axis = sub(c.b, c.a);
  const l2 = dot(axis, axis);
  let best = Math.min(ballAhead(from, to, c.a, c.radiusMm), ballAhead(from, to, c.b, c.radiusMm));
  if (l2 < 1e-12) return best;
  const m = sub(from, c.a);
  const md = dot(m, axis);
  const nd = dot(to, axis);
  const mm = dot(m, m) - c.radiusMm ** 2;
  const a = l2 - nd * nd;
  const b = l2 * dot(m, to) - nd * md;
  const k = l2 * mm - md * md;
  if (k <= 0 && md >= 0 && md <= l2) return 0;
  // Along the stretch only its ends can be met.
  if (a < 1e-9 * l2) return best;
  const d = b * b - a * k;
  if (d < 0) return best;
  const t = (-b - Math.sqrt(d)) / a;
  const along = md + t * nd;
  if (t >= 0 && along >= 0 && along <= l2) best = Math.min(best, t);
  return best;
}
