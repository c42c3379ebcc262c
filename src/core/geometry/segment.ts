/** The place of a straight stretch nearest to a point. */
import { add, dot, norm, scale, sub, type Vec3 } from './vec';

/** @returns its distance, and how far along from a to b it lies, 0..1; a stretch without length is its point */
export function nearestOnSegment(p: Vec3, a: Vec3, b: Vec3): { readonly distance: number; readonly t: number } {
  const d = [b[0] - a[0], b[1] - a[1], b[2] - a[2]] as const;
  const l2 = d[0] ** 2 + d[1] ** 2 + d[2] ** 2;
  const along = (p[0] - a[0]) * d[0] + (p[1] - a[1]) * d[1] + (p[2] - a[2]) * d[2];
  const t = l2 > 0 ? Math.max(0, Math.min(1, along / l2)) : 0;
  return { distance: Math.hypot(p[0] - a[0] - t * d[0], p[1] - a[1] - t * d[1], p[2] - a[2] - t * d[2]), t };
}

/**
 * Nearest distance of two straight stretches a1-b1 and a2-b2, and how far along each it lies: where both lines come nearest,
 * if that is within both (Ericson 2005, 5.1.9), else at one of the four ends.
 */
export function betweenSegments(
  a1: Vec3,
  b1: Vec3,
  a2: Vec3,
  b2: Vec3,
): { readonly distance: number; readonly s: number; readonly t: number } {
  const ends = [
    { ...nearestOnSegment(a1, a2, b2), s: 0 },
    { ...nearestOnSegment(b1, a2, b2), s: 1 },
  ].concat(
    [a2, b2].map((p, t) => {
      const near = nearestOnSegment(p, a1, b1);
      return { distance: near.distance, s: near.t, t };
    }),
  );
  const best = ends.reduce((m, x) => (x.distance < m.distance ? x : m));
  const d1 = sub(b1, a1);
  const d2 = sub(b2, a2);
  const r = sub(a1, a2);
  const [a, b, e] = [dot(d1, d1), dot(d1, d2), dot(d2, d2)];
  const [c, f] = [dot(d1, r), dot(d2, r)];
  const denominator = a * e - b * b;
  // Nearly parallel lines come nearest anywhere: an end is as good.
  if (denominator <= 1e-12 * a * e) return best;
  const s = (b * f - c * e) / denominator;
  const t = (a * f - b * c) / denominator;
  if (s < 0 || s > 1 || t < 0 || t > 1) return best;
  const distance = norm(add(r, sub(scale(d1, s), scale(d2, t))));
  return distance < best.distance ? { distance, s, t } : best;
}
