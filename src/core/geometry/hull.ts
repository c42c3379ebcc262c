/** The convex hull of points in a plane (Andrew 1979, monotone chain; from memory) and how far inside it a point lies. */
export type Point2 = readonly [number, number];

/** @returns corners anticlockwise, none in line with its neighbours; fewer than three for points in line */
export function convexHull(points: readonly Point2[]): Point2[] {
  const p = [...points].sort((a, b) => a[0] - b[0] || a[1] - b[1]);
  const turn = (o: Point2, a: Point2, b: Point2) => (a[0] - o[0]) * (b[1] - o[1]) - (a[1] - o[1]) * (b[0] - o[0]);
  const half = (list: readonly Point2[]): Point2[] => {
    const h: Point2[] = [];
    for (const q of list) {
      while (h.length > 1 && turn(h[h.length - 2]!, h[h.length - 1]!, q) <= 1e-12) h.pop();
      h.push(q);
    }
    return h.slice(0, -1);
  };
  if (p.length < 2) return p;
  return [...half(p), ...half(p.reverse())];
}

export interface Inside {
  /** Distance to the nearest side, negative outside; mm. */
  readonly margin: number;
  /** Unit direction straight out over that side. */
  readonly outward: Point2;
}

/** How far inside a convex polygon (anticlockwise, three corners or more) a point lies, and over which side it is nearest. */
export function insideHull(hull: readonly Point2[], q: Point2): Inside {
  let margin = Infinity;
  let outward: Point2 = [1, 0];
  hull.forEach((a, i) => {
    const b = hull[(i + 1) % hull.length]!;
    const l = Math.hypot(b[0] - a[0], b[1] - a[1]);
    const n: Point2 = [(b[1] - a[1]) / l, -(b[0] - a[0]) / l];
    const d = -((q[0] - a[0]) * n[0] + (q[1] - a[1]) * n[1]);
    if (d < margin) {
      margin = d;
      outward = n;
    }
  });
  return { margin, outward };
}
