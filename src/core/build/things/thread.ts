/** What a maker measures with a thread: drawn tight round a part, it lies along the convex hull of what it is cut through. Lengths mm. */
import { onAxis, type Body, type BodyPart } from '@/core/form/body';
import { partDistance } from '@/core/geometry/field';
import { convexHull, type Point2 } from '@/core/geometry/hull';
import type { Mesh } from '@/core/geometry/mesh';
import { around, slice } from '@/core/geometry/slice';
import { add, scale, type Vec3 } from '@/core/geometry/vec';

/** A cut so much wider than the part itself has run on into a neighbour. Ours. */
const MERGED = 1.6;

/** A thread round a part at one place: its frame and the corners it is drawn over, in coordinates of `out` and `top`. */
export interface Thread {
  readonly at: Vec3;
  readonly axis: Vec3;
  readonly out: Vec3;
  readonly top: Vec3;
  /** Anticlockwise, of those two coordinates. */
  readonly corners: readonly Point2[];
  readonly girthMm: number;
}

export const perimeter = (corners: readonly Point2[]): number =>
  corners.reduce((l, a, i) => {
    const b = corners[(i + 1) % corners.length]!;
    return l + Math.hypot(b[0] - a[0], b[1] - a[1]);
  }, 0);

/** The part on the side that is meant; the one there is on the midline. */
const stretchesOf = (part: BodyPart, side: 'left' | 'right') => (side === 'right' && part.right) || part.left;

/**
 * Threads round a part at a place along it, each `off` further along its axis.
 * @returns null where the cut runs on into a neighbour, or the part is buried in one: no thread goes round it there
 */
export function threadsRound(
  body: Body,
  skin: Mesh,
  { on, side, along }: { readonly on: string; readonly side: 'left' | 'right'; readonly along: number },
  off: readonly number[],
): Thread[] | null {
  const part = body.parts.find((p) => p.part.id === on);
  if (!part || part.left.length === 0) return null;
  const m = onAxis(part, stretchesOf(part, side), along);
  const field = body.field.parts[body.parts.indexOf(part)];
  if (field && buried(body, field, m.at)) return null;
  const half =
    part.part.shape === 'pad'
      ? Math.max(part.part.halfWidth, part.part.halfHeight) * body.scale
      : Math.max(m.semi.wide, m.semi.over, m.semi.under);
  const out: Thread[] = [];
  for (const d of off) {
    const at = add(m.at, scale(m.axis, d));
    const loop = slice(skin, { at, normal: m.axis, across: m.out, up: m.top }).find((l) => around(l));
    if (!loop) return null;
    const corners = convexHull(
      Array.from({ length: loop.length / 2 }, (_, i): Point2 => [loop[2 * i]!, loop[2 * i + 1]!]),
    );
    const wide = [0, 1].map((k) => Math.max(...corners.map((c) => c[k]!)) - Math.min(...corners.map((c) => c[k]!)));
    if (corners.length < 3 || Math.max(...wide) > 2 * MERGED * half) return null;
    out.push({ at, axis: m.axis, out: m.out, top: m.top, corners, girthMm: perimeter(corners) });
  }
  return out;
}

/** The middle of the part lies deeper in another. */
function buried(body: Body, own: Body['field']['parts'][number], at: Vec3): boolean {
  const here = partDistance(own, at[0], at[1], at[2]);
  return body.field.parts.some((f) => f !== own && partDistance(f, at[0], at[1], at[2]) < here);
}

/** Where a ray from the axis, so far round from the top toward its left, meets the thread: in its two coordinates. */
export function onThread({ corners }: Pick<Thread, 'corners'>, aroundDeg: number): Point2 {
  const a = (aroundDeg * Math.PI) / 180;
  const d: Point2 = [Math.sin(a), Math.cos(a)];
  let far = 0;
  corners.forEach((p, i) => {
    const q = corners[(i + 1) % corners.length]!;
    const [ex, ey] = [q[0] - p[0], q[1] - p[1]];
    const det = d[0] * -ey + d[1] * ex;
    if (Math.abs(det) < 1e-12) return;
    const t = (p[0] * -ey + p[1] * ex) / det;
    const s = (d[0] * p[1] - d[1] * p[0]) / det;
    if (t > 0 && s >= -1e-9 && s <= 1 + 1e-9) far = Math.max(far, t);
  });
  return [far * d[0], far * d[1]];
}
