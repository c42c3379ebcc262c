/** A ball that holds a solid, mm: whatever lies outside of it is no nearer to the solid than to the ball. */
export interface Ball {
  readonly x: number;
  readonly y: number;
  readonly z: number;
  readonly r: number;
}

type Point = readonly [number, number, number];

/** The smallest ball round two balls. */
export function ballOfTwo(a: Point, ra: number, b: Point, rb: number): Ball {
  const L = Math.hypot(b[0] - a[0], b[1] - a[1], b[2] - a[2]);
  if (L <= Math.abs(ra - rb))
    return ra >= rb ? { x: a[0], y: a[1], z: a[2], r: ra } : { x: b[0], y: b[1], z: b[2], r: rb };
  const r = (L + ra + rb) / 2;
  const t = (r - ra) / L;
  return { x: a[0] + t * (b[0] - a[0]), y: a[1] + t * (b[1] - a[1]), z: a[2] + t * (b[2] - a[2]), r };
}
