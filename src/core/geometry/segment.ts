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
