/**
 * Cotangent weights from edge lengths (Pinkall and Polthier 1993), after a light mollification of the lengths so that
 * slivers left by cutting do no harm (Sharp and Crane 2020, "A Laplacian for nonmanifold triangle meshes").
 */
import type { Edges, Mesh } from './mesh';

export interface Cotangents {
  /** Cotangent of the angle at corner k of triangle t: entry 3 t + k. */
  readonly corner: Float64Array;
  /** Half the sum of the two cotangents opposite each edge. */
  readonly edge: Float64Array;
  /** A third of the area of the triangles round each vertex, mm2. */
  readonly mass: Float64Array;
}

export function cotangents(mesh: Mesh, edges: Edges): Cotangents {
  const p = mesh.positions;
  const T = mesh.triangles;
  const length = new Float64Array(edges.count);
  let mean = 0;
  for (let e = 0; e < edges.count; e++) {
    const i = 3 * edges.ends[2 * e]!;
    const j = 3 * edges.ends[2 * e + 1]!;
    length[e] = Math.sqrt((p[i]! - p[j]!) ** 2 + (p[i + 1]! - p[j + 1]!) ** 2 + (p[i + 2]! - p[j + 2]!) ** 2);
    mean += length[e]! / edges.count;
  }
  let extra = 0;
  const least = 0.02 * mean;
  for (let t = 0; t < T.length; t += 3) {
    const a = length[edges.ofTriangle[t]!]!;
    const b = length[edges.ofTriangle[t + 1]!]!;
    const c = length[edges.ofTriangle[t + 2]!]!;
    extra = Math.max(extra, least - (a + b + c - 2 * Math.max(a, b, c)));
  }
  const corner = new Float64Array(T.length);
  const edge = new Float64Array(edges.count);
  const mass = new Float64Array(p.length / 3);
  for (let t = 0; t < T.length; t += 3) {
    const l = [0, 1, 2].map((k) => length[edges.ofTriangle[t + k]!]! + Math.max(0, extra));
    const s = (l[0]! + l[1]! + l[2]!) / 2;
    const area = Math.sqrt(Math.max(s * (s - l[0]!) * (s - l[1]!) * (s - l[2]!), 1e-30));
    for (let k = 0; k < 3; k++) {
      const a = l[k]!;
      const b = l[(k + 1) % 3]!;
      const c = l[(k + 2) % 3]!;
      const cot = (b * b + c * c - a * a) / (4 * area);
      corner[t + k] = cot;
      edge[edges.ofTriangle[t + k]!]! += cot / 2;
      mass[T[t + k]!]! += area / 3;
    }
  }
  return { corner, edge, mass };
}
