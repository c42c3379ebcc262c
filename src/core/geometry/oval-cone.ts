/**
 * A round cone whose cross-section is an oval: half as wide, as high over its axis and as deep under it as said at both
 * ends, going softly from one to the other. Where all three are 1 it is the round cone. Two half ellipses of one width meet
 * at the axis, so the outline of a section has no corner; under and over may differ, which is where its middle sits.
 *
 * Near it, space is stretched across the axis until the section is a circle, the exact distance taken there and divided by
 * how fast it changes here: nought at the surface, right beside it. Further off it goes over into the distance to the round
 * cone that holds it. All of it is held back so far that it changes no faster than distance, which cutting into blocks needs.
 */
import { ballOfTwo, type Ball } from './ball';
import type { Vec3 } from './vec';

/** Half width, half height over the axis and under it, as shares of the radius. */
export interface Section {
  readonly wide: number;
  readonly over: number;
  readonly under: number;
}

export const ROUND: Section = { wide: 1, over: 1, under: 1 };

export interface OvalCone {
  readonly kind: 'oval';
  readonly a: Vec3;
  readonly b: Vec3;
  readonly ra: number;
  readonly rb: number;
  readonly sa: Section;
  readonly sb: Section;
  /** Unit: along the axis, to the part's top, to its outer side. */
  readonly axis: Vec3;
  readonly top: Vec3;
  readonly out: Vec3;
  readonly length: number;
  /** Radii of the round cone that holds it. */
  readonly holds: readonly [number, number];
  /** The ball round that cone. */
  readonly within: Ball;
  /** Share the field is held back to. */
  readonly held: number;
}

const most = (e: Section) => Math.max(e.wide, e.over, e.under, 1);
const least = (e: Section) => Math.min(e.wide, e.over, e.under, 1);

/** A plain section changes the field by no more than this beside a round one. Measured over random solids; ours. */
const OVAL_HELD = 0.95;
/** How far out, in largest radii, the section is still looked at. */
export const OVAL_FAR = 1.2;

/** @param top unit, square to the axis @param out unit, square to both */
export function ovalCone(
  a: Vec3,
  b: Vec3,
  [ra, rb]: readonly [number, number],
  [sa, sb]: readonly [Section, Section],
  { top, out }: { readonly top: Vec3; readonly out: Vec3 },
): OvalCone {
  const d: Vec3 = [b[0] - a[0], b[1] - a[1], b[2] - a[2]];
  const length = Math.hypot(...d);
  const thin = Math.min(least(sa), least(sb));
  const change = Math.max(...(['wide', 'over', 'under'] as const).map((k) => Math.abs(sa[k] - sb[k])));
  const steep = length > 0 ? (1.5 * change * Math.max(ra * most(sa), rb * most(sb))) / (length * thin * thin) : 0;
  return {
    kind: 'oval',
    a,
    b,
    ra,
    rb,
    sa,
    sb,
    axis: length > 0 ? [d[0] / length, d[1] / length, d[2] / length] : [0, 0, 1],
    top,
    out,
    length,
    holds: [ra * most(sa), rb * most(sb)],
    within: ballOfTwo(a, ra * most(sa), b, rb * most(sb)),
    held: OVAL_HELD / Math.hypot(1, steep),
  };
}

/** Filled by `coneInPlane`: distance, and which way out is there, across and along. */
const inPlane = new Float64Array(3);

/** Distance to a round cone in the plane of its axis, into `inPlane`. */
function coneInPlane(rho: number, z: number, L: number, ra: number, rb: number): void {
  const k = L > 0 ? (ra - rb) / L : 2;
  const c = Math.abs(k) < 1 ? Math.sqrt(1 - k * k) : 0;
  // Where the foot of the shortest way lies on the axis.
  const foot = c > 0 ? z - (k / c) * rho : k > 0 ? 0 : L;
  if (foot > 0 && foot < L) {
    inPlane[0] = rho * c + z * k - ra;
    inPlane[1] = c;
    inPlane[2] = k;
    return;
  }
  const zc = foot <= 0 ? 0 : L;
  const far = Math.hypot(rho, z - zc);
  inPlane[0] = far - (foot <= 0 ? ra : rb);
  inPlane[1] = far > 0 ? rho / far : 1;
  inPlane[2] = far > 0 ? (z - zc) / far : 0;
}

/** What a section is like a share `t` of the way, softly. */
export function sectionAt(sa: Section, sb: Section, t: number): Section {
  const s = t * t * (3 - 2 * t);
  return {
    wide: sa.wide + s * (sb.wide - sa.wide),
    over: sa.over + s * (sb.over - sa.over),
    under: sa.under + s * (sb.under - sa.under),
  };
}

/** Nought at the surface, negative inside, nowhere changing faster than distance. mm. */
export function ovalConeDistance(s: OvalCone, px: number, py: number, pz: number): number {
  const dx = px - s.a[0];
  const dy = py - s.a[1];
  const dz = pz - s.a[2];
  const z = dx * s.axis[0] + dy * s.axis[1] + dz * s.axis[2];
  const y = dx * s.top[0] + dy * s.top[1] + dz * s.top[2];
  const x = dx * s.out[0] + dy * s.out[1] + dz * s.out[2];
  const L = s.length;
  coneInPlane(Math.sqrt(x * x + y * y), z, L, s.holds[0], s.holds[1]);
  const held = inPlane[0]!;
  const far = OVAL_FAR * Math.max(s.holds[0], s.holds[1]);
  if (held >= far) return s.held * held;
  const t = L > 0 ? Math.max(0, Math.min(1, z / L)) : 0;
  const { sa, sb } = s;
  const soft = t * t * (3 - 2 * t);
  const wide = sa.wide + soft * (sb.wide - sa.wide);
  const over = sa.over + soft * (sb.over - sa.over);
  const under = sa.under + soft * (sb.under - sa.under);
  const high = y >= 0 ? over : under;
  const X = x / wide;
  const Y = y / high;
  const rho = Math.sqrt(X * X + Y * Y);
  coneInPlane(rho, z, L, s.ra, s.rb);
  const round = inPlane[0]!;
  const across = inPlane[1]!;
  const along = inPlane[2]!;
  const gx = rho > 0 ? (across * X) / (rho * wide) : across / wide;
  const gy = rho > 0 ? (across * Y) / (rho * high) : 0;
  const first = 1 / Math.sqrt(gx * gx + gy * gy + along * along);
  let d = round * first;
  if (d < 0) {
    // Towards the axis all directions come together: as deep as the thinnest of them.
    const deep = Math.max(0, 1 - rho / (s.ra + t * (s.rb - s.ra)));
    d = round * (first + deep * (Math.min(first, wide, over, under, 1) - first));
  }
  if (held > 0) {
    const w = held / far;
    d += w * w * (3 - 2 * w) * (held - d);
  }
  return s.held * d;
}

/** How far an end reaches from its middle the way `k` of the axes of space, mm: two halves of ellipsoids, each on its side of the axis. */
function reach(s: OvalCone, r: number, e: Section, k: number, way: 1 | -1): number {
  const high = way * s.top[k]! >= 0 ? e.over : e.under;
  return r * Math.sqrt((e.wide * s.out[k]!) ** 2 + (high * s.top[k]!) ** 2 + s.axis[k]! ** 2);
}

/** The box along the axes that holds it, mm. */
export function ovalConeBounds(s: OvalCone): { min: number[]; max: number[] } {
  const ends = [
    [s.a, s.ra, s.sa],
    [s.b, s.rb, s.sb],
  ] as const;
  const at = (k: number, way: 1 | -1) => ends.map(([p, r, e]) => p[k]! + way * reach(s, r, e, k, way));
  return {
    min: [0, 1, 2].map((k) => Math.min(...at(k, -1))),
    max: [0, 1, 2].map((k) => Math.max(...at(k, 1))),
  };
}
