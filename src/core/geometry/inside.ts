/**
 * Distance to a closed skin from anywhere inside it, on a grid. Nodes near the skin get their nearest triangle by
 * looking, the rest from their neighbours by two sweeps over the grid and back (a nearest-feature sweep; Danielsson 1980,
 * from memory). Distances are to the curved skin: the sagitta that the normals imply is added to the flat distance, so
 * they are right to the second order in the size of the triangles.
 */
import type { Edges, Mesh } from './mesh';

interface Hit {
  /** Nearest triangle; -1 when none is known. */
  readonly triangle: number;
  /** Distance to the curved skin, mm; positive inside. */
  readonly distance: number;
  /** Weights of the corners of the triangle at the nearest point. */
  readonly b0: number;
  readonly b1: number;
  readonly b2: number;
}

export interface InsideGrid {
  readonly h: number;
  readonly origin: readonly [number, number, number];
  readonly n: readonly [number, number, number];
  /** 1 inside the skin. */
  readonly inside: Uint8Array;
  /** Nearest triangle of every node that is inside or close to the skin; -1 elsewhere. */
  readonly nearest: Int32Array;
}

/** Filled by `toTriangle`: weights of the three corners, squared distance. */
export const nearestOf = new Float64Array(4);

/** Nearest point of a triangle (Ericson 2005, 5.1.5, from memory). Fills weights and squared distance into `nearestOf`. */
export function toTriangle(p: Float64Array, T: Uint32Array, t: number, x: number, y: number, z: number): void {
  const i = 3 * T[3 * t]!;
  const j = 3 * T[3 * t + 1]!;
  const k = 3 * T[3 * t + 2]!;
  const ax = p[i]!, ay = p[i + 1]!, az = p[i + 2]!; // prettier-ignore
  const abx = p[j]! - ax, aby = p[j + 1]! - ay, abz = p[j + 2]! - az; // prettier-ignore
  const acx = p[k]! - ax, acy = p[k + 1]! - ay, acz = p[k + 2]! - az; // prettier-ignore
  const apx = x - ax, apy = y - ay, apz = z - az; // prettier-ignore
  const d1 = abx * apx + aby * apy + abz * apz;
  const d2 = acx * apx + acy * apy + acz * apz;
  let v = 0;
  let w = 0;
  const bpx = apx - abx, bpy = apy - aby, bpz = apz - abz; // prettier-ignore
  const d3 = abx * bpx + aby * bpy + abz * bpz;
  const d4 = acx * bpx + acy * bpy + acz * bpz;
  const cpx = apx - acx, cpy = apy - acy, cpz = apz - acz; // prettier-ignore
  const d5 = abx * cpx + aby * cpy + abz * cpz;
  const d6 = acx * cpx + acy * cpy + acz * cpz;
  const vc = d1 * d4 - d3 * d2;
  const vb = d5 * d2 - d1 * d6;
  const va = d3 * d6 - d5 * d4;
  if (d1 <= 0 && d2 <= 0) v = w = 0;
  else if (d3 >= 0 && d4 <= d3) v = 1;
  else if (d6 >= 0 && d5 <= d6) w = 1;
  else if (vc <= 0 && d1 >= 0 && d3 <= 0) v = d1 / (d1 - d3);
  else if (vb <= 0 && d2 >= 0 && d6 <= 0) w = d2 / (d2 - d6);
  else if (va <= 0 && d4 - d3 >= 0 && d5 - d6 >= 0) {
    w = (d4 - d3) / (d4 - d3 + (d5 - d6));
    v = 1 - w;
  } else {
    const s = 1 / (va + vb + vc || 1);
    v = vb * s;
    w = vc * s;
  }
  const dx = apx - v * abx - w * acx;
  const dy = apy - v * aby - w * acy;
  const dz = apz - v * abz - w * acz;
  nearestOf[0] = 1 - v - w;
  nearestOf[1] = v;
  nearestOf[2] = w;
  nearestOf[3] = dx * dx + dy * dy + dz * dz;
}

const spot = new Float64Array(6);
const weights = new Float64Array(3);
/** Triangles looked at on the way to the nearest: eight at the corners of a cell, three at each of twelve steps. */
const tried = new Int32Array(8 + 3 * 12);

/**
 * Point and outward direction of the curved skin over the triangle at the weights u, v of its second and third corner,
 * into `spot`: the quadratic patch whose edge middles stand out by the sagitta their normals imply.
 */
function patch(p: Float64Array, normals: Float64Array, T: Uint32Array, t: number, u: number, v: number): void {
  const b = weights;
  b[0] = 1 - u - v;
  b[1] = u;
  b[2] = v;
  let s0 = 0, s1 = 0, s2 = 0, n0 = 0, n1 = 0, n2 = 0; // prettier-ignore
  for (let c = 0; c < 3; c++) {
    const i = 3 * T[3 * t + c]!;
    const j = 3 * T[3 * t + ((c + 1) % 3)]!;
    s0 += b[c]! * p[i]!;
    s1 += b[c]! * p[i + 1]!;
    s2 += b[c]! * p[i + 2]!;
    n0 += b[c]! * normals[i]!;
    n1 += b[c]! * normals[i + 1]!;
    n2 += b[c]! * normals[i + 2]!;
    const w = 4 * b[c]! * b[(c + 1) % 3]!;
    if (w === 0) continue;
    const m0 = normals[i]! + normals[j]!;
    const m1 = normals[i + 1]! + normals[j + 1]!;
    const m2 = normals[i + 2]! + normals[j + 2]!;
    const e =
      (p[j]! - p[i]!) * (normals[j]! - normals[i]!) +
      (p[j + 1]! - p[i + 1]!) * (normals[j + 1]! - normals[i + 1]!) +
      (p[j + 2]! - p[i + 2]!) * (normals[j + 2]! - normals[i + 2]!);
    const lift = (w * e) / 8 / Math.sqrt(m0 * m0 + m1 * m1 + m2 * m2 || 1);
    s0 += lift * m0;
    s1 += lift * m1;
    s2 += lift * m2;
  }
  const l = 1 / Math.sqrt(n0 * n0 + n1 * n1 + n2 * n2 || 1);
  spot[0] = s0;
  spot[1] = s1;
  spot[2] = s2;
  spot[3] = n0 * l;
  spot[4] = n1 * l;
  spot[5] = n2 * l;
}

/**
 * @param mesh closed, oriented
 * @param edgeMm side of the grid, mm
 * @param half only x >= 0 is needed (a body that is the same on both sides)
 */
export function insideGrid(mesh: Mesh, edgeMm: number, half: boolean): InsideGrid {
  const { positions: p, triangles: T } = mesh;
  const h = edgeMm;
  const lo = [Infinity, Infinity, Infinity];
  const hi = [-Infinity, -Infinity, -Infinity];
  for (let i = 0; i < p.length; i++) {
    lo[i % 3] = Math.min(lo[i % 3]!, p[i]!);
    hi[i % 3] = Math.max(hi[i % 3]!, p[i]!);
  }
  const origin: [number, number, number] = [half ? -h / 2 : lo[0]! - 1.5 * h, lo[1]! - 1.5 * h, lo[2]! - 1.5 * h];
  const n = [0, 1, 2].map((k) => Math.ceil((hi[k]! + 1.5 * h - origin[k]!) / h) + 1) as [number, number, number];
  const [nx, ny, nz] = n;
  const count = nx * ny * nz;
  const nearest = new Int32Array(count).fill(-1);
  const square = new Float64Array(count).fill(Infinity);
  const inside = insideOf(mesh, h, origin, n);

  const band = 1.01 * h;
  for (let t = 0; t < T.length / 3; t++) {
    const from = [0, 0, 0];
    const to = [0, 0, 0];
    for (let k = 0; k < 3; k++) {
      const a = p[3 * T[3 * t]! + k]!;
      const b = p[3 * T[3 * t + 1]! + k]!;
      const c = p[3 * T[3 * t + 2]! + k]!;
      from[k] = Math.max(0, Math.ceil((Math.min(a, b, c) - band - origin[k]!) / h));
      to[k] = Math.min(n[k]! - 1, Math.floor((Math.max(a, b, c) + band - origin[k]!) / h));
    }
    for (let z = from[2]!; z <= to[2]!; z++) {
      for (let y = from[1]!; y <= to[1]!; y++) {
        for (let x = from[0]!; x <= to[0]!; x++) {
          const node = x + nx * (y + ny * z);
          toTriangle(p, T, t, origin[0] + x * h, origin[1] + y * h, origin[2] + z * h);
          if (nearestOf[3]! < square[node]!) {
            square[node] = nearestOf[3]!;
            nearest[node] = t;
          }
        }
      }
    }
  }
  // Neighbours before a node in the order of the sweep.
  const before: [number, number, number][] = [];
  for (let dz = -1; dz <= 1; dz++) {
    for (let dy = -1; dy <= 1; dy++) {
      for (let dx = -1; dx <= 1; dx++) if (dx + 3 * dy + 9 * dz < 0) before.push([dx, dy, dz]);
    }
  }
  const steps = Int32Array.from(before, ([dx, dy, dz]) => dx + nx * (dy + ny * dz));
  for (const way of [1, -1, 1, -1]) {
    for (let q = 0; q < count; q++) {
      const node = way > 0 ? q : count - 1 - q;
      if (!inside[node]) continue;
      const x = node % nx;
      const row = (node - x) / nx;
      const y = row % ny;
      const z = (row - y) / ny;
      const rim = x === 0 || y === 0 || z === 0 || x === nx - 1 || y === ny - 1 || z === nz - 1;
      for (let i = 0; i < steps.length; i++) {
        if (rim && outOfGrid(x, y, z, way, before[i]!, n)) continue;
        const t = nearest[node + way * steps[i]!]!;
        if (t < 0 || t === nearest[node]) continue;
        toTriangle(p, T, t, origin[0] + x * h, origin[1] + y * h, origin[2] + z * h);
        if (nearestOf[3]! < square[node]!) {
          square[node] = nearestOf[3]!;
          nearest[node] = t;
        }
      }
    }
  }
  return { h, origin, n, inside, nearest };
}

function outOfGrid(
  x: number,
  y: number,
  z: number,
  way: number,
  by: readonly [number, number, number],
  [nx, ny, nz]: readonly [number, number, number],
): boolean {
  const u = x + way * by[0];
  const v = y + way * by[1];
  const w = z + way * by[2];
  return u < 0 || v < 0 || w < 0 || u >= nx || v >= ny || w >= nz;
}

/** Inside or not, by counting how often a line along x goes through the skin. */
function insideOf(
  mesh: Mesh,
  h: number,
  origin: readonly [number, number, number],
  n: readonly [number, number, number],
): Uint8Array {
  const { positions: p, triangles: T } = mesh;
  const [nx, ny, nz] = n;
  const inside = new Uint8Array(nx * ny * nz);
  const crossings: number[][] = Array.from({ length: ny * nz }, () => []);
  // The lines are shifted by less than anything that matters, so that none goes through a corner.
  const oy = origin[1] + h * 1.3e-7;
  const oz = origin[2] + h * 2.1e-7;
  for (let t = 0; t < T.length; t += 3) {
    const [a, b, c] = [3 * T[t]!, 3 * T[t + 1]!, 3 * T[t + 2]!];
    const ylo = Math.min(p[a + 1]!, p[b + 1]!, p[c + 1]!);
    const yhi = Math.max(p[a + 1]!, p[b + 1]!, p[c + 1]!);
    const zlo = Math.min(p[a + 2]!, p[b + 2]!, p[c + 2]!);
    const zhi = Math.max(p[a + 2]!, p[b + 2]!, p[c + 2]!);
    for (let k = Math.max(0, Math.ceil((zlo - oz) / h)); k < nz && oz + k * h <= zhi; k++) {
      for (let j = Math.max(0, Math.ceil((ylo - oy) / h)); j < ny && oy + j * h <= yhi; j++) {
        const y = oy + j * h;
        const z = oz + k * h;
        const area = (u: number, v: number) => (p[u + 1]! - y) * (p[v + 2]! - z) - (p[v + 1]! - y) * (p[u + 2]! - z);
        const wa = area(b, c);
        const wb = area(c, a);
        const wc = area(a, b);
        if (!((wa > 0 && wb > 0 && wc > 0) || (wa < 0 && wb < 0 && wc < 0))) continue;
        crossings[j + ny * k]!.push((wa * p[a]! + wb * p[b]! + wc * p[c]!) / (wa + wb + wc));
      }
    }
  }
  crossings.forEach((at, row) => {
    if (at.length === 0) return;
    at.sort((x, y) => x - y);
    for (let s = 0; s + 1 < at.length; s += 2) {
      const from = Math.max(0, Math.ceil((at[s]! - origin[0]) / h));
      const to = Math.min(nx - 1, Math.floor((at[s + 1]! - origin[0]) / h));
      for (let i = from; i <= to; i++) inside[i + nx * row] = 1;
    }
  });
  return inside;
}

/** Places nearer to each other than this share of a cell have their nearest triangle in common, or side by side. */
const HARD_BY = 1e-3;

/** Looks up the skin from any point near or inside it. Owns nothing but its lists; the mesh must not change. */
export class SkinFinder {
  readonly #mesh: Mesh;
  readonly #normals: Float64Array;
  readonly #edges: Edges;
  readonly #grid: InsideGrid;
  /** Distance and two weights of the nodes asked for so far; NaN where none has been. */
  readonly #nodes: Float64Array;
  /** The place asked for last and its triangle: where the next is hard by, the search begins there. */
  readonly #last = new Float64Array(3).fill(NaN);
  #lastBest = -1;

  constructor(mesh: Mesh, normals: Float64Array, edges: Edges, grid: InsideGrid) {
    this.#mesh = mesh;
    this.#normals = normals;
    this.#edges = edges;
    this.#grid = grid;
    this.#nodes = new Float64Array(3 * grid.nearest.length).fill(NaN);
  }

  /** Distance of a grid node to the curved skin; positive inside. */
  atNode(node: number): Hit {
    const { h, origin, n, nearest, inside } = this.#grid;
    const t = nearest[node]!;
    if (t < 0) return { triangle: -1, distance: inside[node] ? Infinity : -Infinity, b0: 0, b1: 0, b2: 0 };
    const known = this.#nodes;
    if (Number.isNaN(known[3 * node]!)) {
      const x = origin[0] + (node % n[0]) * h;
      const y = origin[1] + (Math.floor(node / n[0]) % n[1]) * h;
      const z = origin[2] + Math.floor(node / (n[0] * n[1])) * h;
      const hit = this.#hit(t, x, y, z);
      // At a sharp edge the normals may mislead; which side of the skin a node is on was counted.
      known[3 * node] = inside[node] ? Math.abs(hit.distance) : -Math.abs(hit.distance);
      known[3 * node + 1] = hit.b1;
      known[3 * node + 2] = hit.b2;
    }
    const b1 = known[3 * node + 1]!;
    const b2 = known[3 * node + 2]!;
    return { triangle: t, distance: known[3 * node]!, b0: 1 - b1 - b2, b1, b2 };
  }

  /**
   * The nearest point of the flat triangle is a first guess; from it the foot slides along the patch until the point
   * lies straight over it. One step tells how far the slide falls short (the curvature), the next goes all the way.
   */
  #hit(t: number, x: number, y: number, z: number): Hit {
    const { positions: p, triangles: T } = this.#mesh;
    const normals = this.#normals;
    toTriangle(p, T, t, x, y, z);
    let u = nearestOf[1]!;
    let v = nearestOf[2]!;
    const flat = Math.sqrt(nearestOf[3]!);
    const a = 3 * T[3 * t]!;
    const b = 3 * T[3 * t + 1]!;
    const c = 3 * T[3 * t + 2]!;
    const ux = p[b]! - p[a]!, uy = p[b + 1]! - p[a + 1]!, uz = p[b + 2]! - p[a + 2]!; // prettier-ignore
    const vx = p[c]! - p[a]!, vy = p[c + 1]! - p[a + 1]!, vz = p[c + 2]! - p[a + 2]!; // prettier-ignore
    const uu = ux * ux + uy * uy + uz * uz;
    const uv = ux * vx + uy * vy + uz * vz;
    const vv = vx * vx + vy * vy + vz * vz;
    const det = uu * vv - uv * uv || 1;
    let px = 0, py = 0, pz = 0, first = 0; // prettier-ignore
    for (let step = 0; step < 2; step++) {
      patch(p, normals, T, t, u, v);
      const wx = x - spot[0]!, wy = y - spot[1]!, wz = z - spot[2]!; // prettier-ignore
      const up = wx * spot[3]! + wy * spot[4]! + wz * spot[5]!;
      const tx = wx - up * spot[3]!, ty = wy - up * spot[4]!, tz = wz - up * spot[5]!; // prettier-ignore
      const size = tx * tx + ty * ty + tz * tz;
      let far = 1;
      if (step === 0) {
        px = tx;
        py = ty;
        pz = tz;
        first = size;
        if (first < 1e-18 * uu) break;
      } else {
        const q = (tx * px + ty * py + tz * pz) / first;
        far = 1 / (1 - Math.max(-2, Math.min(0.9, q)));
      }
      const most = Math.sqrt(Math.max(uu, vv));
      const slide = Math.min(far, most / (Math.sqrt(size) || 1));
      const du = tx * ux + ty * uy + tz * uz;
      const dv = tx * vx + ty * vy + tz * vz;
      u += (slide * (du * vv - dv * uv)) / det;
      v += (slide * (dv * uu - du * uv)) / det;
    }
    patch(p, normals, T, t, u, v);
    const wx = x - spot[0]!, wy = y - spot[1]!, wz = z - spot[2]!; // prettier-ignore
    const side = wx * spot[3]! + wy * spot[4]! + wz * spot[5]!;
    const curved = Math.sqrt(wx * wx + wy * wy + wz * wz);
    // Where the patch is no better than the triangle (a crease) the flat distance stands.
    const distance = Math.abs(curved - flat) < 0.5 * Math.sqrt(uu) ? curved : flat;
    return { triangle: t, distance: side > 0 ? -distance : distance, b0: 1 - u - v, b1: u, b2: v };
  }

  /** Begins anew: what is found next depends on nothing asked before. */
  forget(): void {
    this.#last.fill(NaN);
  }

  /** Distance of any point near or inside the skin. */
  at(x: number, y: number, z: number): Hit {
    const { h, origin, n, nearest } = this.#grid;
    const { positions: p, triangles: T } = this.#mesh;
    const i = Math.max(0, Math.min(n[0] - 2, Math.floor((x - origin[0]) / h)));
    const j = Math.max(0, Math.min(n[1] - 2, Math.floor((y - origin[1]) / h)));
    const k = Math.max(0, Math.min(n[2] - 2, Math.floor((z - origin[2]) / h)));
    let best = -1;
    let least = Infinity;
    let looked = 0;
    const look = (t: number): void => {
      if (t < 0) return;
      for (let q = 0; q < looked; q++) if (tried[q] === t) return;
      tried[looked++] = t;
      toTriangle(p, T, t, x, y, z);
      if (nearestOf[3]! >= least) return;
      least = nearestOf[3]!;
      best = t;
    };
    const last = this.#last;
    if (Math.abs(x - last[0]!) + Math.abs(y - last[1]!) + Math.abs(z - last[2]!) < HARD_BY * h) look(this.#lastBest);
    else for (let c = 0; c < 8; c++) look(nearest[i + (c & 1) + n[0] * (j + ((c >> 1) & 1) + n[1] * (k + (c >> 2)))]!);
    if (best < 0) return { triangle: -1, distance: -Infinity, b0: 0, b1: 0, b2: 0 };
    // From there downhill over the neighbours.
    for (let step = 0; step < 12; step++) {
      const here = best;
      for (let e = 0; e < 3; e++) {
        const edge = this.#edges.ofTriangle[3 * here + e]!;
        const a = this.#edges.sides[2 * edge]!;
        look(a === here ? this.#edges.sides[2 * edge + 1]! : a);
      }
      if (best === here) break;
    }
    last[0] = x;
    last[1] = y;
    last[2] = z;
    this.#lastBest = best;
    return this.#hit(best, x, y, z);
  }
}
