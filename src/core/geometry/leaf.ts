/**
 * A leaf: a sheet of even thickness with a drawn outline, hollowed across (cupped) and curled along its middle, its edges rounded. The surface in
 * the middle of the sheet is cut into narrow bands of triangles; the solid is what lies within half the thickness of them, so its distance is
 * exact and changes no faster than distance. The hollow is part of a cylinder, onto which a flat sheet goes without being stretched.
 */
import type { Ball } from './ball';
import { add, scale, type Vec3 } from './vec';

type Pt = readonly [number, number];

/** How a flat sheet is brought into the round: lengths mm, angles in radians, all over the whole of it. */
export interface Bent {
  /** Middle of its seat. */
  readonly root: Vec3;
  /** Unit: from the seat to the tip, across it, and the way its hollow faces. */
  readonly along: Vec3;
  readonly across: Vec3;
  readonly face: Vec3;
  readonly length: number;
  readonly width: number;
  /** Angle from edge to edge of the cylinder it lies on; 0 is flat. */
  readonly cup: number;
  /** Angle between how it leaves its seat and how it ends, more than nothing toward its hollow. */
  readonly curl: number;
}

export interface Leaf {
  readonly kind: 'leaf';
  readonly half: number;
  /** Corners of the triangles, stride 9, band after band. */
  readonly corners: Float64Array;
  /** Where each band begins and the ball round it: first triangle, x, y, z, r; stride 5. */
  readonly bands: Float64Array;
  readonly within: Ball;
  /** Its edge, half the thickness inside the outline, from one end of the seat over the tip to the other; stride 3. */
  readonly rim: Float64Array;
}

/** Bands from seat to tip, and strips across each. */
const BANDS = 14;
const STRIPS = 6;

/** Where a place of the flat sheet comes to lie: `u` across from its middle, `v` up from its seat; mm. */
export function onLeaf(b: Bent, u: number, v: number): Vec3 {
  const round = Math.abs(b.curl) > 1e-6 ? b.length / b.curl : null;
  const t = round === null ? 0 : v / round;
  const [up, out] = round === null ? [v, 0] : [round * Math.sin(t), round * (1 - Math.cos(t))];
  const hollow = Math.abs(b.cup) > 1e-6 ? b.width / b.cup : null;
  const [side, deep] = hollow === null ? [u, 0] : [hollow * Math.sin(u / hollow), hollow * (1 - Math.cos(u / hollow))];
  return add(
    b.root,
    add(scale(b.across, side), add(scale(b.along, up - deep * Math.sin(t)), scale(b.face, out + deep * Math.cos(t)))),
  );
}

/** How far a place lies off the middle of the sheet toward its hollow, mm; less than nothing behind it. */
export function towardHollow(b: Bent, x: number, y: number, z: number): number {
  const [dx, dy, dz] = [x - b.root[0], y - b.root[1], z - b.root[2]];
  const on = (a: Vec3) => dx * a[0] + dy * a[1] + dz * a[2];
  const [up, out, side] = [on(b.along), on(b.face), on(b.across)];
  const round = Math.abs(b.curl) > 1e-6 ? b.length / b.curl : null;
  const deep = round === null ? out : round - Math.sign(round) * Math.hypot(up, round - out);
  const hollow = Math.abs(b.cup) > 1e-6 ? b.width / b.cup : null;
  return hollow === null ? deep : hollow - Math.hypot(side, hollow - deep);
}

/** How far inside a closed line a place lies, mm; less than nothing outside. */
function inside(ring: readonly Pt[], x: number, y: number): number {
  let least = Infinity;
  let within = false;
  for (let i = 0, j = ring.length - 1; i < ring.length; j = i++) {
    const [ax, ay] = ring[j]!;
    const [bx, by] = ring[i]!;
    if (ay > y !== by > y && x < ((bx - ax) * (y - ay)) / (by - ay) + ax) within = !within;
    const [dx, dy] = [bx - ax, by - ay];
    const t = Math.max(0, Math.min(1, ((x - ax) * dx + (y - ay) * dy) / (dx * dx + dy * dy || 1)));
    least = Math.min(least, (x - ax - t * dx) ** 2 + (y - ay - t * dy) ** 2);
  }
  return within ? Math.sqrt(least) : -Math.sqrt(least);
}

/** What of a level across lies at least `deep` inside the outline: from, to; null where nothing does. */
function levelInside(ring: readonly Pt[], v: number, deep: number, [x0, x1]: Pt): Pt | null {
  const LOOKS = 24;
  let [middle, most] = [0, -Infinity];
  for (let i = 0; i <= LOOKS; i++) {
    const x = x0 + ((x1 - x0) * i) / LOOKS;
    const d = inside(ring, x, v);
    if (d > most) [middle, most] = [x, d];
  }
  if (most < deep) return null;
  const edge = (out: number): number => {
    let [a, b] = [middle, out];
    for (let i = 0; i < 30; i++) {
      const m = (a + b) / 2;
      if (inside(ring, m, v) >= deep) a = m;
      else b = m;
    }
    return a;
  };
  return [edge(x0), edge(x1)];
}

/** One way across a sheet in the flat, at a height over its seat, from its left edge to its right; mm. */
export interface Level {
  readonly v: number;
  readonly from: number;
  readonly to: number;
}

/** The middle of the sheet as levels from seat to tip; the outline less `deep` all round but at its seat. */
export function levelsOf(outline: readonly Pt[], deep: number): Level[] {
  const top = Math.max(...outline.map((p) => p[1]));
  const low = Math.min(...outline.map((p) => p[1]));
  const wide: Pt = [Math.min(...outline.map((p) => p[0])), Math.max(...outline.map((p) => p[0]))];
  // Its seat lies in what it is seated on: there nothing is taken off.
  const ring = outline.map(([x, y]): Pt => [x, y - low < 0.04 * (top - low) ? y - 2 * deep - 0.05 * (top - low) : y]);
  const at = (v: number) => levelInside(ring, v, deep, wide);
  // The tip is where the last level has hardly any width.
  let [a, b] = [low, top];
  for (let i = 0; i < 30; i++) {
    const m = (a + b) / 2;
    if (at(m)) a = m;
    else b = m;
  }
  return Array.from({ length: BANDS + 1 }, (_, i) => {
    // Closer together toward the tip, where the outline turns.
    const v = low + (a - low) * Math.sin((Math.PI / 2) * (i / BANDS));
    const [from, to] = at(v) ?? at(a) ?? [0, 0];
    return { v, from, to };
  });
}

/**
 * @param outline closed line of the finished leaf in the flat, mm: across from its middle, up from its seat
 * @param thick thickness of the sheet, mm
 */
export const leaf = (outline: readonly Pt[], thick: number, b: Bent): Leaf =>
  leafOf(levelsOf(outline, thick / 2), thick / 2, b);

/** @param half half its thickness, mm */
export function leafOf(levels: readonly Level[], half: number, b: Bent): Leaf {
  const grid = levels.map(({ v, from, to }) =>
    Array.from({ length: STRIPS + 1 }, (_, j) => onLeaf(b, from + ((to - from) * j) / STRIPS, v)),
  );
  const corners: number[] = [];
  const bands: number[] = [];
  for (let i = 0; i < BANDS; i++) {
    const [low, high] = [grid[i]!, grid[i + 1]!];
    bands.push(corners.length / 9, ...ballRound([...low, ...high]));
    for (let j = 0; j < STRIPS; j++) {
      corners.push(...low[j]!, ...low[j + 1]!, ...high[j + 1]!, ...low[j]!, ...high[j + 1]!, ...high[j]!);
    }
  }
  const [x, y, z, r] = ballRound(grid.flat());
  return {
    kind: 'leaf',
    half,
    corners: Float64Array.from(corners),
    bands: Float64Array.from(bands),
    within: { x, y, z, r: r + half },
    rim: Float64Array.from([
      ...grid.flatMap((g) => [...g[0]!]),
      ...[...grid[BANDS]!.slice(1, -1)].flatMap((p) => [...p]),
      ...grid.toReversed().flatMap((g) => [...g[STRIPS]!]),
    ]),
  };
}

function ballRound(points: readonly Vec3[]): [number, number, number, number] {
  const c = [0, 1, 2].map((k) => points.reduce((s, p) => s + p[k]!, 0) / points.length) as [number, number, number];
  return [...c, Math.max(...points.map((p) => Math.hypot(p[0] - c[0], p[1] - c[1], p[2] - c[2])))];
}

/** Extents, [least, most] of x, y, z. */
export function leafBounds({ corners, half }: Leaf): { min: number[]; max: number[] } {
  const [min, max] = [
    [Infinity, Infinity, Infinity],
    [-Infinity, -Infinity, -Infinity],
  ];
  for (let i = 0; i < corners.length; i++) {
    min[i % 3] = Math.min(min[i % 3]!, corners[i]! - half);
    max[i % 3] = Math.max(max[i % 3]!, corners[i]! + half);
  }
  return { min, max };
}

/** Area of the middle of the sheet, mm2. */
export function leafArea({ corners: c }: Pick<Leaf, 'corners'>): number {
  let sum = 0;
  for (let i = 0; i < c.length; i += 9) {
    const [ux, uy, uz] = [c[i + 3]! - c[i]!, c[i + 4]! - c[i + 1]!, c[i + 5]! - c[i + 2]!];
    const [vx, vy, vz] = [c[i + 6]! - c[i]!, c[i + 7]! - c[i + 1]!, c[i + 8]! - c[i + 2]!];
    sum += Math.hypot(uy * vz - uz * vy, uz * vx - ux * vz, ux * vy - uy * vx) / 2;
  }
  return sum;
}

export function leafDistance(s: Leaf, x: number, y: number, z: number): number {
  const { corners, bands } = s;
  let least = Infinity;
  const count = bands.length / 5;
  // The band whose ball comes nearest is looked at first: most others need no look after it.
  let first = 0;
  let near = Infinity;
  for (let i = 0; i < count; i++) {
    const d = toBall(bands, i, x, y, z);
    if (d < near) {
      near = d;
      first = i;
    }
  }
  for (let n = -1; n < count; n++) {
    const i = n < 0 ? first : n;
    if (n === first) continue;
    const d = toBall(bands, i, x, y, z);
    if (d > 0 && d * d >= least) continue;
    const to = i + 1 < count ? 9 * bands[5 * i + 5]! : corners.length;
    for (let t = 9 * bands[5 * i]!; t < to; t += 9) {
      const q = toTriangle(corners, t, x, y, z);
      if (q < least) least = q;
    }
  }
  return Math.sqrt(least) - s.half;
}

function toBall(b: Float64Array, i: number, x: number, y: number, z: number): number {
  const dx = x - b[5 * i + 1]!, dy = y - b[5 * i + 2]!, dz = z - b[5 * i + 3]!; // prettier-ignore
  return Math.sqrt(dx * dx + dy * dy + dz * dz) - b[5 * i + 4]!;
}

/** Square of the distance to a triangle, by the region its nearest point lies in (Ericson 2005, 5.1.5). */
function toTriangle(c: Float64Array, t: number, x: number, y: number, z: number): number {
  const ax = c[t]!, ay = c[t + 1]!, az = c[t + 2]!; // prettier-ignore
  const ux = c[t + 3]! - ax, uy = c[t + 4]! - ay, uz = c[t + 5]! - az; // prettier-ignore
  const vx = c[t + 6]! - ax, vy = c[t + 7]! - ay, vz = c[t + 8]! - az; // prettier-ignore
  const px = x - ax, py = y - ay, pz = z - az; // prettier-ignore
  const d1 = ux * px + uy * py + uz * pz;
  const d2 = vx * px + vy * py + vz * pz;
  const uu = ux * ux + uy * uy + uz * uz;
  const uv = ux * vx + uy * vy + uz * vz;
  const vv = vx * vx + vy * vy + vz * vz;
  const d3 = d1 - uu, d4 = d2 - uv, d5 = d1 - uv, d6 = d2 - vv; // prettier-ignore
  let s: number;
  let w: number;
  if (d1 <= 0 && d2 <= 0) s = w = 0;
  else if (d3 >= 0 && d4 <= d3) {
    s = 1;
    w = 0;
  } else if (d6 >= 0 && d5 <= d6) {
    s = 0;
    w = 1;
  } else {
    const vc = d1 * d4 - d3 * d2;
    const vb = d5 * d2 - d1 * d6;
    const va = d3 * d6 - d5 * d4;
    if (vc <= 0 && d1 >= 0 && d3 <= 0) {
      s = d1 / (d1 - d3);
      w = 0;
    } else if (vb <= 0 && d2 >= 0 && d6 <= 0) {
      s = 0;
      w = d2 / (d2 - d6);
    } else if (va <= 0 && d4 - d3 >= 0 && d5 - d6 >= 0) {
      w = (d4 - d3) / (d4 - d3 + (d5 - d6));
      s = 1 - w;
    } else {
      const all = va + vb + vc;
      s = vb / all;
      w = vc / all;
    }
  }
  const ex = px - s * ux - w * vx, ey = py - s * uy - w * vy, ez = pz - s * uz - w * vz; // prettier-ignore
  return ex * ex + ey * ey + ez * ez;
}
