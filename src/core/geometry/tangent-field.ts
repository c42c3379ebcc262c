/**
 * Spreads directions over a surface: the smoothest tangent field that keeps to the given directions where they are
 * sure of themselves. Minimises  sum c_i M_i |z_i - z0_i|^2 + reach^2 sum w_ij |z_i - r_ij z_j|^2  where r_ij carries a
 * direction from vertex j to vertex i by the least turn between their normals (connection Laplacian, after Knoeppel,
 * Crane, Pinkall and Schroeder 2013, "Globally optimal direction fields"). Solved by conjugate gradients.
 */
import type { Edges } from './mesh';
import type { Cotangents } from './weights';

/**
 * @param wanted directions at vertices, stride 3; their length says how sure they are (0 to 1)
 * @param reachMm how far a sure direction holds sway, mm
 * @returns unit tangent directions, stride 3
 */
export function spreadDirections(
  normals: Float64Array,
  edges: Edges,
  cot: Cotangents,
  wanted: Float64Array,
  reachMm: number,
): Float64Array {
  const n = normals.length / 3;
  const e1 = new Float64Array(3 * n);
  const e2 = new Float64Array(3 * n);
  for (let v = 0; v < n; v++) {
    const nx = normals[3 * v]!;
    const ny = normals[3 * v + 1]!;
    const nz = normals[3 * v + 2]!;
    // First axis: the coordinate axis least along the normal, flattened.
    const ax = Math.abs(nx);
    const ay = Math.abs(ny);
    const az = Math.abs(nz);
    const pick = ax <= ay && ax <= az ? 0 : ay <= az ? 1 : 2;
    const d = normals[3 * v + pick]!;
    const f = [-d * nx, -d * ny, -d * nz];
    f[pick]! += 1;
    const s = 1 / Math.sqrt(f[0]! ** 2 + f[1]! ** 2 + f[2]! ** 2);
    const [x, y, z] = [f[0]! * s, f[1]! * s, f[2]! * s];
    e1.set([x, y, z], 3 * v);
    e2.set([ny * z - nz * y, nz * x - nx * z, nx * y - ny * x], 3 * v);
  }
  const turn = new Float64Array(2 * edges.count); // carries from the higher end to the lower
  const weight = new Float64Array(edges.count);
  for (let e = 0; e < edges.count; e++) {
    const i = 3 * edges.ends[2 * e]!;
    const j = 3 * edges.ends[2 * e + 1]!;
    const ux = e1[j]!;
    const uy = e1[j + 1]!;
    const uz = e1[j + 2]!;
    // Least rotation taking n_j to n_i, applied to u (which is at right angles to n_j).
    const c = normals[i]! * normals[j]! + normals[i + 1]! * normals[j + 1]! + normals[i + 2]! * normals[j + 2]!;
    const k = (ux * normals[i]! + uy * normals[i + 1]! + uz * normals[i + 2]!) / Math.max(1 + c, 1e-6);
    const vx = ux - k * (normals[i]! + normals[j]!);
    const vy = uy - k * (normals[i + 1]! + normals[j + 1]!);
    const vz = uz - k * (normals[i + 2]! + normals[j + 2]!);
    const a = vx * e1[i]! + vy * e1[i + 1]! + vz * e1[i + 2]!;
    const b = vx * e2[i]! + vy * e2[i + 1]! + vz * e2[i + 2]!;
    const s = 1 / Math.sqrt(a * a + b * b || 1);
    turn[2 * e] = a * s;
    turn[2 * e + 1] = b * s;
    weight[e] = reachMm * reachMm * Math.max(cot.edge[e]!, 1e-3);
  }
  const hold = new Float64Array(n);
  const rhs = new Float64Array(2 * n);
  const x = new Float64Array(2 * n);
  const diagonal = new Float64Array(n);
  for (let v = 0; v < n; v++) {
    let a = 0;
    let b = 0;
    for (let k = 0; k < 3; k++) {
      a += wanted[3 * v + k]! * e1[3 * v + k]!;
      b += wanted[3 * v + k]! * e2[3 * v + k]!;
    }
    const m2 = a * a + b * b;
    hold[v] = cot.mass[v]! * (m2 + 1e-4);
    const s = m2 > 1e-18 ? hold[v]! / Math.sqrt(m2) : 0;
    rhs[2 * v] = a * s;
    rhs[2 * v + 1] = b * s;
    x[2 * v] = rhs[2 * v]! / hold[v]!;
    x[2 * v + 1] = rhs[2 * v + 1]! / hold[v]!;
    diagonal[v] = hold[v]!;
  }
  for (let e = 0; e < edges.count; e++) {
    diagonal[edges.ends[2 * e]!]! += weight[e]!;
    diagonal[edges.ends[2 * e + 1]!]! += weight[e]!;
  }
  const apply = (z: Float64Array, out: Float64Array) => {
    for (let v = 0; v < n; v++) {
      out[2 * v] = diagonal[v]! * z[2 * v]!;
      out[2 * v + 1] = diagonal[v]! * z[2 * v + 1]!;
    }
    for (let e = 0; e < edges.count; e++) {
      const i = 2 * edges.ends[2 * e]!;
      const j = 2 * edges.ends[2 * e + 1]!;
      const c = weight[e]! * turn[2 * e]!;
      const s = weight[e]! * turn[2 * e + 1]!;
      out[i]! -= c * z[j]! - s * z[j + 1]!;
      out[i + 1]! -= s * z[j]! + c * z[j + 1]!;
      out[j]! -= c * z[i]! + s * z[i + 1]!;
      out[j + 1]! -= -s * z[i]! + c * z[i + 1]!;
    }
  };
  conjugateGradients(apply, diagonal, rhs, x, 1e-6, 600);
  const out = new Float64Array(3 * n);
  for (let v = 0; v < n; v++) {
    const s = 1 / Math.sqrt(x[2 * v]! ** 2 + x[2 * v + 1]! ** 2 || 1);
    for (let k = 0; k < 3; k++) {
      out[3 * v + k] = s * (x[2 * v]! * e1[3 * v + k]! + x[2 * v + 1]! * e2[3 * v + k]!);
    }
  }
  return out;
}

/** Jacobi-preconditioned conjugate gradients on pairs sharing a diagonal entry; improves `x` in place. */
function conjugateGradients(
  apply: (z: Float64Array, out: Float64Array) => void,
  diagonal: Float64Array,
  rhs: Float64Array,
  x: Float64Array,
  tolerance: number,
  most: number,
): void {
  const m = x.length;
  const r = new Float64Array(m);
  const z = new Float64Array(m);
  const p = new Float64Array(m);
  const q = new Float64Array(m);
  apply(x, q);
  let rz = 0;
  let scale = 0;
  for (let i = 0; i < m; i++) {
    r[i] = rhs[i]! - q[i]!;
    z[i] = r[i]! / diagonal[i >> 1]!;
    p[i] = z[i]!;
    rz += r[i]! * z[i]!;
    scale += (rhs[i]! * rhs[i]!) / diagonal[i >> 1]!;
  }
  const goal = tolerance * tolerance * scale;
  for (let k = 0; k < most && rz > goal; k++) {
    apply(p, q);
    let pq = 0;
    for (let i = 0; i < m; i++) pq += p[i]! * q[i]!;
    const a = rz / pq;
    let next = 0;
    for (let i = 0; i < m; i++) {
      x[i]! += a * p[i]!;
      r[i]! -= a * q[i]!;
      z[i] = r[i]! / diagonal[i >> 1]!;
      next += r[i]! * z[i]!;
    }
    const b = next / rz;
    rz = next;
    for (let i = 0; i < m; i++) p[i] = z[i]! + b * p[i]!;
  }
}
