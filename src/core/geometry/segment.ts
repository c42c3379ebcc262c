/** The place of a straight stretch nearest to a point. */
import type { Vec3 } from './vec';

/** @returns its distance, and how far along from a to b it lies, 0..1; a stretch without length is its point */
export function nearestOnSegment(p: Vec3, a: Vec3, b: Vec3): { readonly distance: number; readonly t: number } {
  const d = [b[0] - a[0], b[1] - a[1], b[2] - a[2]] as const;
  const l2 = d[0] ** 2 + d[1] ** 2 + d[2] ** 2;
  const along = (p[0] - a[0]) * d[0] + (p[1] - a[1]) * d[1] + (p[2] - a[2]) * d[2];
  const t = l2 > 0 ? Math.max(0, Math.min(1, along / l2)) : 0;
  return { distance: Math.hypot(p[0] - a[0] - t * d[0], p[1] - a[1] - t * d[1], p[2] - a[2] - t * d[2]), t };
}

/**
 * Nearest distance of two straight stretches a1-b1 and a2-b2 (Ericson 2005, 5.1.9), and how far along each it lies.
 */
export function betweenSegments(
  a1: Vec3,
  b1: Vec3,
  a2: Vec3,
  b2: Vec3,
): { readonly distance: number; readonly s: number; readonly t: number } {
  const d = (p: Vec3, q: Vec3): Vec3 => [q[0] - p[0], q[1] - p[1], q[2] - p[2]];
  const dot = (p: Vec3, q: Vec3) => p[0] * q[0] + p[1] * q[1] + p[2] * q[2];
  const clamp = (x: number) => Math.max(0, Math.min(1, x));
  const d1 = d(a1, b1);
  const d2 = d(a2, b2);
  const r = d(a2, a1);
  const a = dot(d1, d1);
  const e = dot(d2, d2);
  const f = dot(d2, r);
  const c = dot(d1, r);
  const b = dot(d1, d2);
  const tiny = 1e-18;
  let s = 0;
  let t = 0;
  if (a > tiny && e > tiny) {
    const denominator = a * e - b * b;
    s = denominator > 1e-12 * a * e ? clamp((b * f - c * e) / denominator) : 0;
    t = (b * s + f) / e;
    if (t < 0) {
      t = 0;
      s = clamp(-c / a);
    } else if (t > 1) {
      t = 1;
      s = clamp((b - c) / a);
    }
  } else if (a > tiny) s = clamp(-c / a);
  else if (e > tiny) t = clamp(f / e);
  const at = (p: Vec3, q: Vec3, k: number): Vec3 => [p[0] + k * q[0], p[1] + k * q[1], p[2] + k * q[2]];
  const gap = d(at(a1, d1, s), at(a2, d2, t));
  return { distance: Math.sqrt(dot(gap, gap)), s, t };
}
