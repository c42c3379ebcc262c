/**
 * The core under the coat: the points that lie as deep inside the finished skin as the coat is thick there. The depth is
 * the true distance to the skin, measured anew: where parts blend, the drawing's own field is not a distance.
 */
import { insideGrid, SkinFinder, type InsideGrid } from '@/core/geometry/inside';
import { SurfaceError } from '@/core/geometry/mesh';
import { skinOfGrid, type Skin } from '@/core/geometry/polygonise';

/** The coat may not grow thicker faster than this along the skin, or the core would get a step. core.md, 2. */
export const STEEPEST = 0.5;

export interface CoreSkin {
  /** Null when the coat leaves nothing of the core. */
  readonly skin: Skin | null;
  /** The core could not be closed to a skin; nothing is known of it. */
  readonly undrawn: boolean;
  readonly grid: InsideGrid;
  readonly finder: SkinFinder;
  /** Depth of the core under every vertex of the finished skin, mm. */
  readonly loft: Float64Array;
}

/**
 * Evens out the thickness of the coat over the skin: nowhere more than asked, and never steeper than STEEPEST.
 * @param loft asked for at every vertex, mm
 */
export function evenLoft(skin: Skin, loft: Float64Array): Float64Array {
  const out = Float64Array.from(loft);
  const { ends, count } = skin.edges;
  const p = skin.positions;
  const reach = new Float64Array(count);
  for (let e = 0; e < count; e++) {
    const u = 3 * ends[2 * e]!;
    const v = 3 * ends[2 * e + 1]!;
    reach[e] = STEEPEST * Math.hypot(p[u]! - p[v]!, p[u + 1]! - p[v + 1]!, p[u + 2]! - p[v + 2]!);
  }
  // Each round carries the limit one edge further; it ends when nothing changes.
  for (let more = true, round = 0; more && round < 400; round++) {
    more = false;
    for (let q = 0; q < count; q++) {
      const e = round % 2 === 0 ? q : count - 1 - q;
      const u = ends[2 * e]!;
      const v = ends[2 * e + 1]!;
      if (out[u]! > out[v]! + reach[e]! + 1e-9) {
        out[u] = out[v]! + reach[e]!;
        more = true;
      } else if (out[v]! > out[u]! + reach[e]! + 1e-9) {
        out[v] = out[u]! + reach[e]!;
        more = true;
      }
    }
  }
  return out;
}

const even = (skin: Skin, x: Float64Array): boolean =>
  skin.mirror.length > 0 && skin.mirror.every((w, v) => Math.abs(x[v]! - x[w]!) <= 1e-9 * (1 + Math.abs(x[v]!)));

/** A grid that meets the core badly is made a little finer or coarser and tried again, always in this order. */
const FINENESS = [1, 0.93, 1.06, 0.87];

/**
 * @param loft evened out, mm; 0 leaves the core at the skin
 */
export function coreSkin(skin: Skin, loft: Float64Array): CoreSkin {
  for (const f of FINENESS) {
    try {
      return attempt(skin, loft, skin.edgeMm * f);
    } catch (e) {
      // The next grid meets the core elsewhere.
      if (!(e instanceof SurfaceError)) throw e;
    }
  }
  return { skin: null, undrawn: true, ...depthsOf(skin, skin.edgeMm, false), loft };
}

type Depths = Pick<CoreSkin, 'grid' | 'finder'>;
const remembered = new WeakMap<Skin, Map<string, Depths>>();

/** Depths inside a skin do not depend on the coat: they are worked out once for every skin and let go with it. */
function depthsOf(skin: Skin, edgeMm: number, half: boolean): Depths {
  const key = `${edgeMm}:${half}`;
  const ofSkin = remembered.get(skin) ?? new Map<string, Depths>();
  remembered.set(skin, ofSkin);
  const held = ofSkin.get(key);
  if (held) return held;
  const grid = insideGrid(skin, edgeMm, half);
  const made = { grid, finder: new SkinFinder(skin, skin.normals, skin.edges, grid) };
  ofSkin.set(key, made);
  return made;
}

function attempt(skin: Skin, loft: Float64Array, edgeMm: number): CoreSkin {
  const half = even(skin, loft);
  const { grid, finder } = depthsOf(skin, edgeMm, half);
  finder.forget();
  if (loft.every((x) => x === 0)) return { skin, undrawn: false, grid, finder, loft };
  const T = skin.triangles;
  const wanted = (t: number, b0: number, b1: number, b2: number): number =>
    b0 * loft[T[3 * t]!]! + b1 * loft[T[3 * t + 1]!]! + b2 * loft[T[3 * t + 2]!]!;
  const outside = 2 * skin.edgeMm;
  const value = new Float32Array(grid.inside.length);
  for (let q = 0; q < value.length; q++) {
    const hit = grid.nearest[q]! < 0 ? null : finder.atNode(q);
    value[q] = hit ? wanted(hit.triangle, hit.b0, hit.b1, hit.b2) - hit.distance : outside;
  }
  if (half) {
    const [nx, ny, nz] = grid.n;
    for (let r = 0; r < ny * nz; r++) value[nx * r] = value[nx * r + 1]!;
  }
  const ask = (x: number, y: number, z: number): number => {
    const hit = finder.at(half ? Math.abs(x) : x, y, z);
    return hit.triangle < 0 ? outside : wanted(hit.triangle, hit.b0, hit.b1, hit.b2) - hit.distance;
  };
  if (!value.some((x) => x < 0)) return { skin: null, undrawn: false, grid, finder, loft };
  return {
    skin: skinOfGrid({ h: grid.h, origin: grid.origin, n: grid.n, value, within: () => ask }, half),
    undrawn: false,
    grid,
    finder,
    loft,
  };
}

/** Share by which a measured depth may fall short before the ball is said to touch the other side. */
const SLACK = 0.005;

/**
 * Radius of the largest ball that lies inside the skin and touches it at a vertex, mm, looked for up to `most`. A coat
 * thicker than this leaves no core under that place. Past the middle the depth falls as fast as it rose before, so the
 * middle is half way between how deep one went and how deep one is.
 */
export function localRadius(c: CoreSkin, skin: Skin, v: number, most: number): number {
  const p = skin.positions;
  const n = skin.normals;
  const mirrored = c.grid.origin[0] > -c.grid.h;
  const depth = (r: number): number => {
    const x = p[3 * v]! - r * n[3 * v]!;
    return c.finder.at(mirrored ? Math.abs(x) : x, p[3 * v + 1]! - r * n[3 * v + 1]!, p[3 * v + 2]! - r * n[3 * v + 2]!)
      .distance;
  };
  const clear = (r: number) => depth(r) >= r * (1 - SLACK) - 1e-3 * skin.edgeMm;
  if (clear(most)) return most;
  let lo = 0;
  let hi = most;
  for (let k = 0; k < 12; k++) {
    const mid = (lo + hi) / 2;
    if (clear(mid)) lo = mid;
    else hi = mid;
  }
  return Math.min(most, (hi + Math.max(depth(hi), 0)) / 2);
}
