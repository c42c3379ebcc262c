/**
 * Triangle meshes on typed arrays: who is next to whom, is the surface closed, how large is it.
 * `positions` has stride 3 (x, y, z in mm), `triangles` stride 3 (corner indices, anticlockwise seen from outside).
 */
import { UnionFind } from '@/core/union-find';

export interface Mesh {
  readonly positions: Float64Array;
  readonly triangles: Uint32Array;
}

/** A body, or a grid laid over it, has no closed surface; the same body on another grid may have one. */
export class SurfaceError extends Error {}

/** Edges of a mesh. `ends` stride 2 (lower index first), `sides` stride 2 (triangles, -1 for none), `ofTriangle` stride 3. */
export interface Edges {
  readonly count: number;
  readonly ends: Uint32Array;
  readonly sides: Int32Array;
  /** Edge opposite to corner k of a triangle is entry 3 t + k. */
  readonly ofTriangle: Uint32Array;
}

/**
 * Lists every edge once.
 * @throws SurfaceError when an edge has more than two triangles, or two triangles run along it the same way.
 */
export function buildEdges(triangles: Uint32Array, vertexCount: number): Edges {
  const m = triangles.length;
  const keys = new Float64Array(m);
  for (let t = 0; t < m; t += 3) {
    for (let k = 0; k < 3; k++) {
      const u = triangles[t + ((k + 1) % 3)]!;
      const v = triangles[t + ((k + 2) % 3)]!;
      keys[t + k] = u < v ? u * vertexCount + v : v * vertexCount + u;
    }
  }
  const sorted = Float64Array.from(keys).sort();
  let count = 0;
  for (let i = 0; i < m; i++) if (i === 0 || sorted[i] !== sorted[i - 1]) sorted[count++] = sorted[i]!;
  const ends = new Uint32Array(2 * count);
  const sides = new Int32Array(2 * count).fill(-1);
  const ofTriangle = new Uint32Array(m);
  for (let e = 0; e < count; e++) {
    ends[2 * e] = Math.floor(sorted[e]! / vertexCount);
    ends[2 * e + 1] = sorted[e]! % vertexCount;
  }
  // First index of each lower end, so an edge is found by a short scan.
  const first = new Uint32Array(vertexCount + 1);
  for (let e = 0; e < count; e++) first[ends[2 * e]! + 1]!++;
  for (let v = 0; v < vertexCount; v++) first[v + 1]! += first[v]!;
  for (let t = 0; t < m; t += 3) {
    for (let k = 0; k < 3; k++) {
      const u = triangles[t + ((k + 1) % 3)]!;
      const v = triangles[t + ((k + 2) % 3)]!;
      const lo = u < v ? u : v;
      const hi = u < v ? v : u;
      let e = first[lo]!;
      const past = first[lo + 1]!;
      while (e < past && ends[2 * e + 1] !== hi) e++;
      if (!(e < past)) throw new SurfaceError(`a triangle has corners that are none: ${lo}, ${hi}`);
      ofTriangle[t + k] = e;
      // The side says which way the triangle runs along the edge: slot 0 from low to high, slot 1 back.
      const slot = 2 * e + (u < v ? 0 : 1);
      if (sides[slot] !== -1) throw new SurfaceError(`the surface is not manifold at edge ${lo}-${hi}`);
      sides[slot] = t / 3;
    }
  }
  return { count, ends, sides, ofTriangle };
}

interface SurfaceCheck {
  readonly closed: boolean;
  readonly euler: number;
  readonly pieces: number;
}

/** Is the surface closed, what is its Euler number, and of how many pieces is it. */
export function checkSurface(mesh: Mesh, edges: Edges): SurfaceCheck {
  const n = mesh.positions.length / 3;
  const groups = new UnionFind(n);
  let closed = true;
  for (let e = 0; e < edges.count; e++) {
    if (edges.sides[2 * e] === -1 || edges.sides[2 * e + 1] === -1) closed = false;
    groups.join(edges.ends[2 * e]!, edges.ends[2 * e + 1]!);
  }
  const used = new Set<number>();
  for (let i = 0; i < mesh.triangles.length; i++) used.add(groups.head(mesh.triangles[i]!));
  return { closed, euler: n - edges.count + mesh.triangles.length / 3, pieces: used.size };
}

export interface Extent {
  readonly volumeMm3: number;
  readonly areaMm2: number;
}

/** Area of the flat triangle whose corners stand in `T` from `t` on, mm2. */
export function triangleArea(p: Float64Array, T: Uint32Array, t: number): number {
  const [i, j, k] = [3 * T[t]!, 3 * T[t + 1]!, 3 * T[t + 2]!];
  const u = [p[j]! - p[i]!, p[j + 1]! - p[i + 1]!, p[j + 2]! - p[i + 2]!] as const;
  const v = [p[k]! - p[i]!, p[k + 1]! - p[i + 1]!, p[k + 2]! - p[i + 2]!] as const;
  return Math.hypot(u[1] * v[2] - u[2] * v[1], u[2] * v[0] - u[0] * v[2], u[0] * v[1] - u[1] * v[0]) / 2;
}

/** Area that belongs to every vertex: a third of each of its triangles, mm2. */
export function vertexAreas({ positions: p, triangles: T }: Mesh): Float64Array {
  const out = new Float64Array(p.length / 3);
  for (let t = 0; t < T.length; t += 3) {
    const mm2 = triangleArea(p, T, t);
    for (let c = 0; c < 3; c++) out[T[t + c]!]! += mm2 / 3;
  }
  return out;
}

/** Volume (closed meshes) and area of the flat triangles as they are. */
export function flatExtent(mesh: Mesh): Extent {
  const p = mesh.positions;
  let v = 0;
  let a = 0;
  for (let t = 0; t < mesh.triangles.length; t += 3) {
    const i = 3 * mesh.triangles[t]!;
    const j = 3 * mesh.triangles[t + 1]!;
    const k = 3 * mesh.triangles[t + 2]!;
    const ux = p[j]! - p[i]!;
    const uy = p[j + 1]! - p[i + 1]!;
    const uz = p[j + 2]! - p[i + 2]!;
    const wx = p[k]! - p[i]!;
    const wy = p[k + 1]! - p[i + 1]!;
    const wz = p[k + 2]! - p[i + 2]!;
    const nx = uy * wz - uz * wy;
    const ny = uz * wx - ux * wz;
    const nz = ux * wy - uy * wx;
    a += Math.sqrt(nx * nx + ny * ny + nz * nz) / 2;
    v += (p[i]! * nx + p[i + 1]! * ny + p[i + 2]! * nz) / 6;
  }
  return { volumeMm3: v, areaMm2: a };
}

// Six-point rule of degree 4 on the triangle (Dunavant 1985): barycentric pairs and weights.
const D1 = 0.44594849091596489;
const D2 = 0.09157621350977073;
const RULE: readonly (readonly [number, number, number])[] = [
  [D1, D1, 0.22338158967801147],
  [D1, 1 - 2 * D1, 0.22338158967801147],
  [1 - 2 * D1, D1, 0.22338158967801147],
  [D2, D2, 0.10995174365532187],
  [D2, 1 - 2 * D2, 0.10995174365532187],
  [1 - 2 * D2, D2, 0.10995174365532187],
];

/**
 * Volume and area of the curved surface through the vertices: every triangle is replaced by the quadratic patch whose
 * edge midpoints are lifted by the sagitta that the two end normals imply, (e . (n_j - n_i)) / 8 along their mean.
 * `normals` stride 3, unit, outward.
 */
export function curvedExtent(mesh: Mesh, normals: Float64Array): Extent {
  const p = mesh.positions;
  const T = mesh.triangles;
  const node = new Float64Array(18);
  let volume = 0;
  let area = 0;
  for (let t = 0; t < T.length; t += 3) {
    for (let c = 0; c < 3; c++) {
      const i = 3 * T[t + c]!;
      const j = 3 * T[t + ((c + 1) % 3)]!;
      let s = 0;
      let len = 0;
      for (let k = 0; k < 3; k++) {
        s += (p[j + k]! - p[i + k]!) * (normals[j + k]! - normals[i + k]!);
        len += (normals[i + k]! + normals[j + k]!) ** 2;
      }
      const lift = s / 8 / Math.sqrt(len || 1);
      for (let k = 0; k < 3; k++) {
        node[3 * c + k] = p[i + k]!;
        node[9 + 3 * c + k] = (p[i + k]! + p[j + k]!) / 2 + lift * (normals[i + k]! + normals[j + k]!);
      }
    }
    for (const [u, v, w] of RULE) {
      const q = 1 - u - v;
      const f = [q * (2 * q - 1), u * (2 * u - 1), v * (2 * v - 1), 4 * q * u, 4 * u * v, 4 * v * q];
      const du = [1 - 4 * q, 4 * u - 1, 0, 4 * (q - u), 4 * v, -4 * v];
      const dv = [1 - 4 * q, 0, 4 * v - 1, -4 * u, 4 * u, 4 * (q - v)];
      let x = 0, y = 0, z = 0, ax = 0, ay = 0, az = 0, bx = 0, by = 0, bz = 0; // prettier-ignore
      for (let c = 0; c < 6; c++) {
        const X = node[3 * c]!;
        const Y = node[3 * c + 1]!;
        const Z = node[3 * c + 2]!;
        x += f[c]! * X;
        y += f[c]! * Y;
        z += f[c]! * Z;
        ax += du[c]! * X;
        ay += du[c]! * Y;
        az += du[c]! * Z;
        bx += dv[c]! * X;
        by += dv[c]! * Y;
        bz += dv[c]! * Z;
      }
      const nx = ay * bz - az * by;
      const ny = az * bx - ax * bz;
      const nz = ax * by - ay * bx;
      area += (w / 2) * Math.sqrt(nx * nx + ny * ny + nz * nz);
      volume += (w / 6) * (x * nx + y * ny + z * nz);
    }
  }
  return { volumeMm3: volume, areaMm2: area };
}

/** The vertex nearest to a point, of positions with stride 3. */
export function nearestVertex(positions: Float64Array, [x, y, z]: readonly [number, number, number]): number {
  let best = 0;
  let least = Infinity;
  for (let v = 0; v < positions.length; v += 3) {
    const d = (positions[v]! - x) ** 2 + (positions[v + 1]! - y) ** 2 + (positions[v + 2]! - z) ** 2;
    if (d < least) {
      least = d;
      best = v / 3;
    }
  }
  return best;
}

/** Ends of the edges with one triangle only: the border of an open surface. */
export function borderEdges(edges: Edges): [number, number][] {
  const out: [number, number][] = [];
  for (let e = 0; e < edges.count; e++) {
    if (edges.sides[2 * e]! < 0 || edges.sides[2 * e + 1]! < 0) out.push([edges.ends[2 * e]!, edges.ends[2 * e + 1]!]);
  }
  return out;
}
