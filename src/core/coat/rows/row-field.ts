/**
 * The height of every place of an area above its hem, measured against the lie: rows of fur are its level lines.
 *
 * phi minimises  integral |grad phi - g|^2  over the area, g being one unit long and pointing against the lie, with
 * natural boundary (the Poisson step of Crane, Weischedel and Wardetzky 2013, "Geodesics in heat", with the lie in
 * place of the heat flow). On each connected piece phi is zero at the mean of its hem: the border where the fur hangs
 * over the edge. A piece without such a border, or with most of its fur hanging elsewhere (a tail, a leg down to its paw),
 * starts at its lowest place. Lengths mm.
 */
import { factorise, nestedDissection, solve, symmetricFromEdges, type Factor } from '@/core/geometry/cholesky';
import type { Edges, Mesh } from '@/core/geometry/mesh';
import { cotangents } from '@/core/geometry/weights';

/** An area as the row field needs it: a cut mesh with its connected pieces numbered. */
export interface AreaMesh extends Mesh {
  readonly edges: Edges;
  readonly piece: Int32Array;
  readonly pieces: number;
}

export interface RowField {
  /** Height above the hem at each vertex, mm. */
  readonly phi: Float64Array;
  /** |grad phi| and the angle between grad phi and g, degrees, for each triangle. */
  readonly steepness: Float64Array;
  readonly strayDeg: Float64Array;
  /** Area of each triangle, mm2. */
  readonly area: Float64Array;
  readonly hemLengthMm: number;
}

/** The system of an area, factored once; it depends on the shape of the area only. */
interface RowSystem {
  readonly factor: Factor;
  readonly corner: Float64Array;
}

export function rowSystem(mesh: AreaMesh): RowSystem {
  const n = mesh.positions.length / 3;
  const cot = cotangents(mesh, mesh.edges);
  const weight = new Float64Array(mesh.edges.count);
  const diagonal = new Float64Array(n);
  let typical = 0;
  for (let e = 0; e < mesh.edges.count; e++) {
    weight[e] = -cot.edge[e]!;
    diagonal[mesh.edges.ends[2 * e]!]! += cot.edge[e]!;
    diagonal[mesh.edges.ends[2 * e + 1]!]! += cot.edge[e]!;
    typical += cot.edge[e]! / mesh.edges.count;
  }
  // The solution is free up to a constant on each piece; one vertex of each is tied down.
  const tied = new Set<number>();
  for (let v = 0; v < n; v++) {
    if (tied.has(mesh.piece[v]!)) continue;
    tied.add(mesh.piece[v]!);
    diagonal[v]! += Math.max(typical, 1e-6);
  }
  const matrix = symmetricFromEdges(n, mesh.edges.count, mesh.edges.ends, weight, diagonal);
  return { factor: factorise(matrix, nestedDissection(matrix, mesh.positions)), corner: cot.corner };
}

/** Rounds of Picard steps when rows are to keep their distance. */
const ROUNDS = 8;

/**
 * @param against unit direction against the lie for each triangle, stride 3, in the plane of the triangle
 * @param evenness 0: rows square to the lie; 1: rows that keep their distance. Between the two g is pulled towards the
 *   unit direction of the last solution and solved again on the kept factor
 */
export function rowField(mesh: AreaMesh, system: RowSystem, against: Float64Array, evenness = 0): RowField {
  let phi = solve(system.factor, flow(mesh, system, against));
  for (let round = 0; evenness > 0 && round < ROUNDS; round++) {
    phi = solve(system.factor, flow(mesh, system, pulled(mesh, against, phi, evenness)));
  }
  const hemLengthMm = levelHem(mesh, against, phi);
  return { phi, hemLengthMm, ...measure(mesh, phi, against) };
}

/** Right side of the system: what flows out of every vertex along g. */
function flow(mesh: AreaMesh, system: RowSystem, g: Float64Array): Float64Array {
  const p = mesh.positions;
  const T = mesh.triangles;
  const b = new Float64Array(p.length / 3);
  for (let t = 0; t < T.length; t += 3) {
    for (let k = 0; k < 3; k++) {
      const i = T[t + ((k + 1) % 3)]!;
      const j = T[t + ((k + 2) % 3)]!;
      // Flow of g along the edge i -> j, weighted by the cotangent at the corner opposite to it.
      let along = 0;
      for (let c = 0; c < 3; c++) along += (p[3 * j + c]! - p[3 * i + c]!) * g[t + c]!;
      const w = (system.corner[t + k]! / 2) * along;
      b[i]! -= w;
      b[j]! += w;
    }
  }
  return b;
}

/** Mix of the wanted direction and the unit direction of a solution, for each triangle. */
function pulled(mesh: AreaMesh, against: Float64Array, phi: Float64Array, evenness: number): Float64Array {
  const out = new Float64Array(against.length);
  for (let t = 0; t < against.length / 3; t++) {
    const g = gradient(mesh, phi, t);
    const l = Math.hypot(g[0], g[1], g[2]);
    for (let c = 0; c < 3; c++) {
      out[3 * t + c] = (1 - evenness) * against[3 * t + c]! + (l > 1e-6 ? (evenness * g[c]!) / l : 0);
    }
  }
  return out;
}

/** Gradient of a value at the vertices, in the plane of a triangle. */
export function gradient(mesh: Mesh, value: Float64Array, t: number): [number, number, number] {
  const p = mesh.positions;
  const [i, j, k] = [mesh.triangles[3 * t]!, mesh.triangles[3 * t + 1]!, mesh.triangles[3 * t + 2]!];
  const ux = p[3 * j]! - p[3 * i]!;
  const uy = p[3 * j + 1]! - p[3 * i + 1]!;
  const uz = p[3 * j + 2]! - p[3 * i + 2]!;
  const wx = p[3 * k]! - p[3 * i]!;
  const wy = p[3 * k + 1]! - p[3 * i + 1]!;
  const wz = p[3 * k + 2]! - p[3 * i + 2]!;
  const uu = ux * ux + uy * uy + uz * uz;
  const ww = wx * wx + wy * wy + wz * wz;
  const uw = ux * wx + uy * wy + uz * wz;
  const det = uu * ww - uw * uw || 1e-30;
  const fu = value[j]! - value[i]!;
  const fw = value[k]! - value[i]!;
  const a = (ww * fu - uw * fw) / det;
  const b = (uu * fw - uw * fu) / det;
  return [a * ux + b * wx, a * uy + b * wy, a * uz + b * wz];
}

/** A border with more of the piece than this below it is not where the work begins. Ours. */
const MOST_BELOW = 0.2;

/** Shifts each piece so that its hem is at height zero on average. Returns the length of the hem. */
function levelHem(mesh: AreaMesh, against: Float64Array, phi: Float64Array): number {
  const p = mesh.positions;
  const sum = new Float64Array(mesh.pieces);
  const length = new Float64Array(mesh.pieces);
  const border = new Float64Array(mesh.pieces);
  const lowest = new Float64Array(mesh.pieces).fill(Infinity);
  for (let v = 0; v < phi.length; v++) {
    const c = mesh.piece[v]!;
    lowest[c] = Math.min(lowest[c]!, phi[v]!);
  }
  for (let e = 0; e < mesh.edges.count; e++) {
    const s = mesh.edges.sides[2 * e]!;
    const t = mesh.edges.sides[2 * e + 1]!;
    if (s >= 0 && t >= 0) continue;
    const tri = s >= 0 ? s : t;
    const u = mesh.edges.ends[2 * e]!;
    const v = mesh.edges.ends[2 * e + 1]!;
    const apex = [0, 1, 2].map((k) => mesh.triangles[3 * tri + k]!).find((x) => x !== u && x !== v)!;
    const d = [0, 1, 2].map((k) => p[3 * v + k]! - p[3 * u + k]!);
    const a = [0, 1, 2].map((k) => p[3 * apex + k]! - p[3 * u + k]!);
    const d2 = d[0]! ** 2 + d[1]! ** 2 + d[2]! ** 2;
    const l = Math.sqrt(d2);
    const q = (d[0]! * a[0]! + d[1]! * a[1]! + d[2]! * a[2]!) / (d2 || 1);
    const out = a.map((x, k) => q * d[k]! - x); // away from the apex, at right angles to the edge
    const m = Math.hypot(out[0]!, out[1]!, out[2]!) || 1;
    let down = 0;
    for (let k = 0; k < 3; k++) down -= (out[k]! / m) * against[3 * tri + k]!;
    const c = mesh.piece[u]!;
    border[c]! += l;
    if (down < 0.5) continue;
    sum[c]! += (l * (phi[u]! + phi[v]!)) / 2;
    length[c]! += l;
  }
  const below = new Float64Array(mesh.pieces);
  const count = new Float64Array(mesh.pieces);
  for (let v = 0; v < phi.length; v++) {
    const c = mesh.piece[v]!;
    count[c]!++;
    if (length[c]! > 0 && phi[v]! < sum[c]! / length[c]!) below[c]!++;
  }
  let total = 0;
  const zero = new Float64Array(mesh.pieces);
  for (let c = 0; c < mesh.pieces; c++) {
    const hem = length[c]! > 0.02 * border[c]! && below[c]! < MOST_BELOW * count[c]!;
    zero[c] = hem ? sum[c]! / length[c]! : lowest[c]!;
    if (hem) total += length[c]!;
  }
  for (let v = 0; v < phi.length; v++) phi[v]! -= zero[mesh.piece[v]!]!;
  return total;
}

function measure(mesh: AreaMesh, phi: Float64Array, against: Float64Array) {
  const p = mesh.positions;
  const T = mesh.triangles;
  const m = T.length / 3;
  const steepness = new Float64Array(m);
  const strayDeg = new Float64Array(m);
  const area = new Float64Array(m);
  for (let t = 0; t < m; t++) {
    const g = gradient(mesh, phi, t);
    const dot = g[0] * against[3 * t]! + g[1] * against[3 * t + 1]! + g[2] * against[3 * t + 2]!;
    steepness[t] = Math.hypot(g[0], g[1], g[2]);
    strayDeg[t] = (Math.acos(Math.max(-1, Math.min(1, dot / (steepness[t]! || 1)))) * 180) / Math.PI;
    const [i, j, k] = [3 * T[3 * t]!, 3 * T[3 * t + 1]!, 3 * T[3 * t + 2]!];
    const u = [0, 1, 2].map((c) => p[j + c]! - p[i + c]!);
    const w = [0, 1, 2].map((c) => p[k + c]! - p[i + c]!);
    area[t] =
      Math.hypot(u[1]! * w[2]! - u[2]! * w[1]!, u[2]! * w[0]! - u[0]! * w[2]!, u[0]! * w[1]! - u[1]! * w[0]!) / 2;
  }
  return { steepness, strayDeg, area };
}

/** Turns directions at vertices (stride 3) into the unit direction against them in the plane of each triangle. */
export function againstLie(mesh: Mesh, lie: Float64Array): Float64Array {
  const p = mesh.positions;
  const out = new Float64Array(mesh.triangles.length);
  for (let t = 0; t < mesh.triangles.length; t += 3) {
    const c = [0, 1, 2].map((k) => 3 * mesh.triangles[t + k]!) as [number, number, number];
    const u = [0, 1, 2].map((k) => p[c[1] + k]! - p[c[0] + k]!);
    const w = [0, 1, 2].map((k) => p[c[2] + k]! - p[c[0] + k]!);
    const nx = u[1]! * w[2]! - u[2]! * w[1]!;
    const ny = u[2]! * w[0]! - u[0]! * w[2]!;
    const nz = u[0]! * w[1]! - u[1]! * w[0]!;
    const n2 = nx * nx + ny * ny + nz * nz || 1;
    const d = [0, 1, 2].map((k) => -(lie[c[0] + k]! + lie[c[1] + k]! + lie[c[2] + k]!));
    const off = (d[0]! * nx + d[1]! * ny + d[2]! * nz) / n2;
    const f = [d[0]! - off * nx, d[1]! - off * ny, d[2]! - off * nz];
    const s = Math.hypot(f[0]!, f[1]!, f[2]!) || 1;
    out.set([f[0]! / s, f[1]! / s, f[2]! / s], t);
  }
  return out;
}
