/**
 * Exact signed distances (negative inside) to the solids a body is made of, and the rule that joins them.
 * Sources: round cone after the closed form widely published for signed distance fields (from memory); ellipsoid by
 * Newton on the Lagrange multiplier, Eberly, "Distance from a point to an ellipse, an ellipsoid" (from memory);
 * quadratic smooth minimum, Barthe and Dodgson style polynomial blend (from memory).
 */

import { ballOfTwo, type Ball } from './ball';
import { flatX, type GroundFront } from './ground';
import { leafDistance, type Leaf } from './leaf';
import { ovalConeDistance, OVAL_FAR, type OvalCone } from './oval-cone';

/**
 * A sphere swept from A to B with its radius going evenly from `ra` to `rb`.
 * Everything that does not depend on the point is worked out once.
 */
interface RoundCone {
  readonly kind: 'cone';
  readonly ax: number;
  readonly ay: number;
  readonly az: number;
  readonly bx: number;
  readonly by: number;
  readonly bz: number;
  readonly ra: number;
  readonly rb: number;
  readonly l2: number;
  readonly a2: number;
  readonly within: Ball;
}

/** An ellipsoid: centre, three unit axes as rows, three half-axes. */
export interface Ellipsoid {
  readonly kind: 'ellipsoid';
  readonly centre: readonly [number, number, number];
  readonly axes: readonly number[];
  readonly semi: readonly [number, number, number];
}

/** A box along the axes with rounded edges: middle, half sides, radius of the rounding. */
export interface Box {
  readonly kind: 'box';
  readonly centre: readonly [number, number, number];
  readonly half: readonly [number, number, number];
  readonly round: number;
  /** Its front, where that is not flat. */
  readonly front?: GroundFront;
}

export type Solid = RoundCone | OvalCone | Ellipsoid | Box | Leaf;

export const box = (
  centre: Box['centre'],
  half: Box['half'],
  round: number,
  front: GroundFront | null = null,
): Box => ({
  kind: 'box',
  centre,
  half,
  round,
  ...(front && { front }),
});

function boxDistance(b: Box, px: number, py: number, pz: number): number {
  if (b.front) return plainBox(b, flatX(b.front, px, py, pz), py, pz) / b.front.fastest;
  return plainBox(b, px, py, pz);
}

function plainBox(b: Box, px: number, py: number, pz: number): number {
  const x = Math.abs(px - b.centre[0]) - b.half[0] + b.round;
  const y = Math.abs(py - b.centre[1]) - b.half[1] + b.round;
  const z = Math.abs(pz - b.centre[2]) - b.half[2] + b.round;
  const u = Math.max(x, 0);
  const v = Math.max(y, 0);
  const w = Math.max(z, 0);
  return Math.sqrt(u * u + v * v + w * w) + Math.min(Math.max(x, y, z), 0) - b.round;
}

export function roundCone(
  a: readonly [number, number, number],
  b: readonly [number, number, number],
  ra: number,
  rb: number,
): RoundCone {
  const x = b[0] - a[0];
  const y = b[1] - a[1];
  const z = b[2] - a[2];
  const l2 = x * x + y * y + z * z;
  return {
    kind: 'cone',
    ax: a[0],
    ay: a[1],
    az: a[2],
    bx: b[0],
    by: b[1],
    bz: b[2],
    ra,
    rb,
    l2,
    a2: l2 - (ra - rb) * (ra - rb),
    within: ballOfTwo(a, ra, b, rb),
  };
}

export function roundConeDistance(c: RoundCone, px: number, py: number, pz: number): number {
  const x = px - c.ax;
  const y = py - c.ay;
  const z = pz - c.az;
  if (c.a2 <= 0) {
    // One end swallows the other: what is left is the larger ball.
    if (c.ra >= c.rb) return Math.sqrt(x * x + y * y + z * z) - c.ra;
    const u = px - c.bx;
    const v = py - c.by;
    const w = pz - c.bz;
    return Math.sqrt(u * u + v * v + w * w) - c.rb;
  }
  const bx = c.bx - c.ax;
  const by = c.by - c.ay;
  const bz = c.bz - c.az;
  const rr = c.ra - c.rb;
  const h = x * bx + y * by + z * bz;
  const g = h - c.l2;
  const qx = x * c.l2 - bx * h;
  const qy = y * c.l2 - by * h;
  const qz = z * c.l2 - bz * h;
  const x2 = qx * qx + qy * qy + qz * qz;
  const k = Math.sign(rr) * rr * rr * x2;
  if (Math.sign(g) * c.a2 * g * g * c.l2 > k) return Math.sqrt(x2 + g * g * c.l2) / c.l2 - c.rb;
  if (Math.sign(h) * c.a2 * h * h * c.l2 < k) return Math.sqrt(x2 + h * h * c.l2) / c.l2 - c.ra;
  return (Math.sqrt((x2 * c.a2) / c.l2) + h * rr) / c.l2 - c.ra;
}

/** Newton from the left of the root of a falling convex function: every step moves towards the root and never past it. */
export function ellipsoidDistance(e: Ellipsoid, px: number, py: number, pz: number): number {
  const dx = px - e.centre[0];
  const dy = py - e.centre[1];
  const dz = pz - e.centre[2];
  const m = e.axes;
  const [a, b, c] = e.semi;
  const small = 1e-9 * Math.min(a, b, c);
  const x = Math.max(Math.abs(m[0]! * dx + m[1]! * dy + m[2]! * dz), small);
  const y = Math.max(Math.abs(m[3]! * dx + m[4]! * dy + m[5]! * dz), small);
  const z = Math.max(Math.abs(m[6]! * dx + m[7]! * dy + m[8]! * dz), small);
  let t = Math.max(a * x - a * a, b * y - b * b, c * z - c * c);
  for (let i = 0; i < 64; i++) {
    const ta = t + a * a;
    const tb = t + b * b;
    const tc = t + c * c;
    const ua = (a * x) / ta;
    const ub = (b * y) / tb;
    const uc = (c * z) / tc;
    const f = ua * ua + ub * ub + uc * uc - 1;
    const df = -2 * ((ua * ua) / ta + (ub * ub) / tb + (uc * uc) / tc);
    const step = f / df;
    t -= step;
    if (Math.abs(step) <= 1e-12 * (Math.abs(t) + a * a)) break;
  }
  const nx = (a * a * x) / (t + a * a) - x;
  const ny = (b * b * y) / (t + b * b) - y;
  const nz = (c * c * z) / (t + c * c) - z;
  const d = Math.sqrt(nx * nx + ny * ny + nz * nz);
  const inside = (x * x) / (a * a) + (y * y) / (b * b) + (z * z) / (c * c) < 1;
  return inside ? -d : d;
}

export function solidDistance(s: Solid, x: number, y: number, z: number): number {
  if (s.kind === 'cone') return roundConeDistance(s, x, y, z);
  if (s.kind === 'oval') return ovalConeDistance(s, x, y, z);
  if (s.kind === 'leaf') return leafDistance(s, x, y, z);
  return s.kind === 'ellipsoid' ? ellipsoidDistance(s, x, y, z) : boxDistance(s, x, y, z);
}

/** What `solidDistance` is not below at this point, found in a fraction of its time; -Infinity where nothing is known. mm. */
export function noNearerThan(s: Solid, px: number, py: number, pz: number): number {
  if (s.kind === 'ellipsoid') {
    const x = px - s.centre[0];
    const y = py - s.centre[1];
    const z = pz - s.centre[2];
    return Math.sqrt(x * x + y * y + z * z) - Math.max(s.semi[0], s.semi[1], s.semi[2]);
  }
  if (s.kind === 'box') return -Infinity;
  const { within } = s;
  const x = px - within.x;
  const y = py - within.y;
  const z = pz - within.z;
  const far = Math.sqrt(x * x + y * y + z * z) - within.r;
  if (s.kind === 'cone' || s.kind === 'leaf') return far;
  // Far out an oval is as far off as the round cone that holds it, held back.
  return far >= OVAL_FAR * Math.max(s.holds[0], s.holds[1]) ? s.held * far : -Infinity;
}

/** Quadratic smooth minimum. `k` is the blend width; where the two differ by more than `k` it is the plain minimum. */
export function smoothMin(a: number, b: number, k: number): number {
  const h = k - Math.abs(a - b);
  const m = a < b ? a : b;
  return h > 0 && k > 0 ? m - (h * h) / (4 * k) : m;
}
