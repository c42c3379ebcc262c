/** What a needle can run into, as closed forms: stretches of wire, stems and balls of glass with a clearance round them. */
import type { Vec3 } from '@/core/geometry/vec';

/** A stretch with a radius: wire or stem; a ball where both ends are one. */
export interface Capsule {
  readonly a: Vec3;
  readonly b: Vec3;
  readonly radiusMm: number;
  readonly what: 'wire' | 'eye';
}

/** First place a ray enters a ball. @returns Infinity where it passes; 0 where it starts inside */
function ballAhead(from: Vec3, to: Vec3, centre: Vec3, radius: number): number {
  const x = from[0] - centre[0], y = from[1] - centre[1], z = from[2] - centre[2]; // prettier-ignore
  const b = x * to[0] + y * to[1] + z * to[2];
  const c = x * x + y * y + z * z - radius * radius;
  if (c <= 0) return 0;
  const d = b * b - c;
  if (d < 0 || b > 0) return Infinity;
  return -b - Math.sqrt(d);
}

/** Whether a ray passes well clear of the ball that holds a stretch, or leaves it behind; most of them it does. */
function passesBy(
  from: Vec3,
  to: Vec3,
  { a, b, radiusMm }: Pick<Capsule, 'a' | 'b' | 'radiusMm'>,
  l2: number,
): boolean {
  const x = (a[0] + b[0]) / 2 - from[0];
  const y = (a[1] + b[1]) / 2 - from[1];
  const z = (a[2] + b[2]) / 2 - from[2];
  const r = 1.000001 * (Math.sqrt(l2) / 2 + radiusMm);
  const ahead = x * to[0] + y * to[1] + z * to[2];
  const far = x * x + y * y + z * z;
  return ahead < -r || far - ahead * ahead > r * r;
}

/**
 * How far along a ray a capsule is met (ray against cylinder and two balls, closed form).
 * @param to unit direction
 * @returns mm; Infinity where it is passed by, 0 where the ray starts inside
 */
export function metAt(from: Vec3, to: Vec3, c: Pick<Capsule, 'a' | 'b' | 'radiusMm'>): number {
  const ax = c.b[0] - c.a[0], ay = c.b[1] - c.a[1], az = c.b[2] - c.a[2]; // prettier-ignore
  const l2 = ax * ax + ay * ay + az * az;
  if (passesBy(from, to, c, l2)) return Infinity;
  let best = Math.min(ballAhead(from, to, c.a, c.radiusMm), ballAhead(from, to, c.b, c.radiusMm));
  if (l2 < 1e-12) return best;
  const x = from[0] - c.a[0], y = from[1] - c.a[1], z = from[2] - c.a[2]; // prettier-ignore
  const md = x * ax + y * ay + z * az;
  const nd = to[0] * ax + to[1] * ay + to[2] * az;
  const mm = x * x + y * y + z * z - c.radiusMm ** 2;
  const a = l2 - nd * nd;
  const b = l2 * (x * to[0] + y * to[1] + z * to[2]) - nd * md;
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
