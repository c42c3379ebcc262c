/**
 * Distance over the skin from one or more places: fast marching over the triangles (Kimmel and Sethian 1998), straight
 * distances as far as `exact` from the start. Lengths in the unit of the mesh.
 */
import { Heap } from '@/core/heap';
import { nearestVertex, type Mesh } from './mesh';
import type { Vec3 } from './vec';

interface Ring {
  /** Triangles of every vertex, packed. */
  readonly start: Uint32Array;
  readonly of: Uint32Array;
}

function ringOf({ positions, triangles }: Mesh): Ring {
  const n = positions.length / 3;
  const start = new Uint32Array(n + 1);
  for (const v of triangles) start[v + 1]!++;
  for (let v = 0; v < n; v++) start[v + 1]! += start[v]!;
  const next = start.slice();
  const of = new Uint32Array(triangles.length);
  for (let i = 0; i < triangles.length; i++) of[next[triangles[i]!]!++] = Math.floor(i / 3);
  return { start, of };
}

const rings = new WeakMap<Uint32Array, Ring>();

function ringsOf(mesh: Mesh): Ring {
  let ring = rings.get(mesh.triangles);
  if (!ring) {
    ring = ringOf(mesh);
    rings.set(mesh.triangles, ring);
  }
  return ring;
}

/** Distance over the skin from places on it. @returns one for every vertex; Infinity where the skin does not lead */
export function overSkin(mesh: Mesh, from: readonly Vec3[], exact: number): Float64Array {
  const { positions: p, triangles: T } = mesh;
  const n = p.length / 3;
  const ring = ringsOf(mesh);
  const d = new Float64Array(n).fill(Infinity);
  const straight = (v: number, q: Vec3) => Math.hypot(p[3 * v]! - q[0], p[3 * v + 1]! - q[1], p[3 * v + 2]! - q[2]);
  for (const q of from) {
    // From the nearest vertex outward along the skin, so that a place across a gap is not reached through the air.
    const nearest = nearestVertex(p, q);
    const seen = new Set([nearest]);
    const wait = [nearest];
    for (let v = wait.pop(); v !== undefined; v = wait.pop()) {
      const x = straight(v, q);
      if (x < d[v]!) d[v] = x;
      for (let i = ring.start[v]!; i < ring.start[v + 1]!; i++) {
        for (let k = 0; k < 3; k++) {
          const w = T[3 * ring.of[i]! + k]!;
          if (!seen.has(w) && straight(w, q) <= exact) {
            seen.add(w);
            wait.push(w);
          }
        }
      }
    }
  }
  march(mesh, d);
  return d;
}

/** Distance over the skin from some of its vertices. */
export function overSkinFrom(mesh: Mesh, vertices: Iterable<number>): Float64Array {
  const d = new Float64Array(mesh.positions.length / 3).fill(Infinity);
  for (const v of vertices) d[v] = 0;
  march(mesh, d);
  return d;
}

/** Carries the distances known so far on over all of the skin. */
function march(mesh: Mesh, d: Float64Array): void {
  const { positions: p, triangles: T } = mesh;
  const ring = ringsOf(mesh);
  const done = new Uint8Array(d.length);
  const heap = new Heap();
  d.forEach((x, v) => Number.isFinite(x) && heap.put(v, x));
  for (let v = heap.take(); v >= 0; v = heap.take()) {
    if (done[v]) continue;
    done[v] = 1;
    for (let i = ring.start[v]!; i < ring.start[v + 1]!; i++) {
      const t = 3 * ring.of[i]!;
      for (let k = 0; k < 3; k++) {
        const w = T[t + k]!;
        if (done[w]) continue;
        const a = T[t + ((k + 1) % 3)]!;
        const b = T[t + ((k + 2) % 3)]!;
        const x = through(p, w, a, b, d[a]!, d[b]!);
        if (x < d[w]! - 1e-12) {
          d[w] = x;
          heap.put(w, x);
        }
      }
    }
  }
}

/** Distance of c from the distances of a and b, the front taken as straight across the triangle. */
function through(p: Float64Array, c: number, a: number, b: number, da: number, db: number): number {
  const at = (v: number, k: number) => p[3 * v + k]!;
  let ca2 = 0;
  let cb2 = 0;
  let ab = 0;
  for (let k = 0; k < 3; k++) {
    const x = at(a, k) - at(c, k);
    const y = at(b, k) - at(c, k);
    ca2 += x * x;
    cb2 += y * y;
    ab += x * y;
  }
  const edge = Math.min(da + Math.sqrt(ca2), db + Math.sqrt(cb2));
  if (!Number.isFinite(da) || !Number.isFinite(db)) return edge;
  // Unfold the triangle: c at the origin, a on the x axis; the source lies where its circles round a and b meet, away from c.
  const la = Math.sqrt(ca2);
  const bx = ab / la;
  const by = Math.sqrt(Math.max(0, cb2 - bx * bx));
  const l2 = (bx - la) ** 2 + by * by;
  const l = Math.sqrt(l2);
  if (by < 1e-12 || l > da + db || l < Math.abs(da - db)) return edge;
  const along = (da * da - db * db + l2) / (2 * l);
  const h = Math.sqrt(Math.max(0, da * da - along * along));
  const [ux, uy] = [(bx - la) / l, by / l];
  // The side of the line a b away from c.
  let [nx, ny] = [-uy, ux];
  if (nx * -la + ny * 0 > 0) [nx, ny] = [-nx, -ny];
  const sx = la + along * ux + h * nx;
  const sy = along * uy + h * ny;
  // The straight way from there to c must pass between a and b.
  const cross = (x: number, y: number) => x * sy - y * sx;
  if (cross(la, 0) < 0 || cross(bx, by) > 0) return edge;
  return Math.min(edge, Math.hypot(sx, sy));
}
