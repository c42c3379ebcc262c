/**
 * A scan made sound: corners welded, doubled and empty triangles dropped, all turned outward, then checked. What is
 * closed, in one shell and not too fine is kept as it is; anything else is made anew from inside and outside, voted over
 * lines in the three directions (Nooruddin and Turk 2003, from memory), on a grid. The report says what was done.
 */
import { nearestOf, toTriangle } from './inside';
import { buildEdges, checkSurface, flatExtent, type Edges, type Extent, type Mesh } from './mesh';
import { skinOfGrid } from './polygonise';

export interface Soup {
  /** Stride 3. */
  readonly positions: Float64Array;
  /** Stride 3; three corners a triangle. */
  readonly triangles: Uint32Array;
}

export interface RepairReport {
  readonly trianglesRead: number;
  readonly welded: number;
  readonly empty: number;
  readonly doubled: number;
  /** Triangles that looked the wrong way. */
  readonly turned: number;
  readonly shells: number;
  readonly openEdges: number;
  readonly crowdedEdges: number;
  /** Made anew on a grid, and why. */
  readonly remade: 'no' | 'open' | 'tangled' | 'several shells' | 'too fine' | 'too coarse';
  readonly trianglesKept: number;
}

export interface Repaired {
  readonly mesh: Mesh;
  readonly normals: Float64Array;
  readonly edges: Edges;
  readonly extent: Extent;
  readonly pieces: number;
  readonly report: RepairReport;
}

/** More triangles than this are made anew, coarser: every later step costs with them. */
export const MOST_TRIANGLES = 60_000;
/** Fewer than this are made anew, finer, so that rows run smoothly over them. */
const FEWEST_TRIANGLES = 4000;
/** Side of the grid as a share of the longest way across. */
const GRID = 1 / 96;

export class ScanError extends Error {}

/** Finds equal things among numbered ones without making a name for each: open addressing over their hashes. */
class Places {
  readonly #slots: Int32Array;
  readonly #same: (a: number, b: number) => boolean;

  constructor(count: number, same: (a: number, b: number) => boolean) {
    this.#slots = new Int32Array(2 ** Math.ceil(Math.log2(2 * count + 2))).fill(-1);
    this.#same = same;
  }

  /** @returns an earlier one that is the same, or -1 */
  put(i: number, hash: number): number {
    const mask = this.#slots.length - 1;
    let s = (hash ^ (hash >>> 15)) & mask;
    for (let held = this.#slots[s]!; held >= 0; held = this.#slots[s]!) {
      if (this.#same(held, i)) return held;
      s = (s + 1) & mask;
    }
    this.#slots[s] = i;
    return -1;
  }
}

function* weld(soup: Soup): Generator<number, { positions: Float64Array; triangles: Uint32Array; welded: number }> {
  const p = soup.positions;
  const n = p.length / 3;
  const lo = [Infinity, Infinity, Infinity];
  const hi = [-Infinity, -Infinity, -Infinity];
  for (let i = 0; i < p.length; i++) {
    if (!Number.isFinite(p[i]!)) throw new ScanError('The scan holds places that are not numbers; export it again.');
    lo[i % 3] = Math.min(lo[i % 3]!, p[i]!);
    hi[i % 3] = Math.max(hi[i % 3]!, p[i]!);
  }
  const size = Math.max(...hi.map((h, k) => h - lo[k]!));
  if (!(size > 0)) throw new ScanError('The scan has no size: all its places are the same.');
  // Corners within a millionth of its size are one.
  const cell = size * 1e-6;
  const at = (v: number, k: number): number => Math.round((p[3 * v + k]! - lo[k]!) / cell);
  const table = new Places(n, (a, b) => at(a, 0) === at(b, 0) && at(a, 1) === at(b, 1) && at(a, 2) === at(b, 2));
  const to = new Uint32Array(n);
  const kept: number[] = [];
  for (let v = 0; v < n; v++) {
    const other = table.put(
      v,
      Math.imul(at(v, 0), 73856093) ^ Math.imul(at(v, 1), 19349663) ^ Math.imul(at(v, 2), 83492791),
    );
    if (other < 0) {
      to[v] = kept.length / 3;
      kept.push(p[3 * v]!, p[3 * v + 1]!, p[3 * v + 2]!);
    } else to[v] = to[other]!;
    if (v % 100_000 === 99_999) yield (0.3 * v) / n;
  }
  return {
    positions: Float64Array.from(kept),
    triangles: soup.triangles.map((v) => to[v]!),
    welded: n - kept.length / 3,
  };
}

/** Drops triangles without area and triangles that are there twice. */
function clean(p: Float64Array, T: Uint32Array): { triangles: Uint32Array; empty: number; doubled: number } {
  const out = new Uint32Array(T.length);
  let kept = 0;
  let empty = 0;
  let doubled = 0;
  const corners = (t: number): [number, number, number] => {
    const [a, b, c] = [T[3 * t]!, T[3 * t + 1]!, T[3 * t + 2]!];
    const lo = Math.min(a, b, c);
    const hi = Math.max(a, b, c);
    return [lo, a + b + c - lo - hi, hi];
  };
  const seen = new Places(T.length / 3, (s, t) => corners(s).every((v, k) => v === corners(t)[k]));
  for (let t = 0; t < T.length / 3; t++) {
    const [a, b, c] = [T[3 * t]!, T[3 * t + 1]!, T[3 * t + 2]!];
    if (a === b || b === c || a === c || thin(p, a, b, c)) {
      empty++;
      continue;
    }
    const [x, y, z] = corners(t);
    if (seen.put(t, Math.imul(x, 73856093) ^ Math.imul(y, 19349663) ^ Math.imul(z, 83492791)) >= 0) {
      doubled++;
      continue;
    }
    out[kept] = a;
    out[kept + 1] = b;
    out[kept + 2] = c;
    kept += 3;
  }
  return { triangles: out.slice(0, kept), empty, doubled };
}

function thin(p: Float64Array, a: number, b: number, c: number): boolean {
  const [i, j, k] = [3 * a, 3 * b, 3 * c];
  const ux = p[j]! - p[i]!;
  const uy = p[j + 1]! - p[i + 1]!;
  const uz = p[j + 2]! - p[i + 2]!;
  const vx = p[k]! - p[i]!;
  const vy = p[k + 1]! - p[i + 1]!;
  const vz = p[k + 2]! - p[i + 2]!;
  return uy * vz === uz * vy && uz * vx === ux * vz && ux * vy === uy * vx;
}

interface Turned {
  readonly triangles: Uint32Array;
  readonly turned: number;
  readonly shells: number;
  readonly openEdges: number;
  readonly crowdedEdges: number;
}

/** Turns neighbours alike, then every shell so that its volume is positive. */
function orient(p: Float64Array, input: Uint32Array): Turned {
  const T = Uint32Array.from(input);
  const n = p.length / 3;
  const m = T.length / 3;
  // Sides of triangles gathered by their lower corner; those with the same higher one lie on one edge.
  const lower = (i: number): number => Math.min(T[i]!, T[i - (i % 3) + ((i + 1) % 3)]!);
  const higher = (i: number): number => Math.max(T[i]!, T[i - (i % 3) + ((i + 1) % 3)]!);
  const first = new Uint32Array(n + 1);
  for (let i = 0; i < 3 * m; i++) first[lower(i) + 1]!++;
  for (let v = 0; v < n; v++) first[v + 1]! += first[v]!;
  const fill = first.slice();
  const sides = new Uint32Array(3 * m);
  for (let i = 0; i < 3 * m; i++) sides[fill[lower(i)]!++] = i;
  /** The one neighbour over each side; -1 where there is none or more than one. */
  const over = new Int32Array(3 * m).fill(-1);
  let openEdges = 0;
  let crowdedEdges = 0;
  for (let v = 0; v < n; v++) {
    const here = sides.subarray(first[v]!, first[v + 1]!).sort((i, j) => higher(i) - higher(j));
    for (let i = 0; i < here.length;) {
      let j = i;
      while (j < here.length && higher(here[j]!) === higher(here[i]!)) j++;
      if (j - i === 1) openEdges++;
      else if (j - i > 2) crowdedEdges++;
      else {
        over[here[i]!] = Math.floor(here[i + 1]! / 3);
        over[here[i + 1]!] = Math.floor(here[i]! / 3);
      }
      i = j;
    }
  }
  const shell = new Int32Array(m).fill(-1);
  const flipped = new Uint8Array(m);
  const runs = (t: number, a: number, b: number): boolean =>
    [0, 1, 2].some((k) => T[3 * t + k] === a && T[3 * t + ((k + 1) % 3)] === b) !== (flipped[t] === 1);
  let shells = 0;
  for (let s = 0; s < m; s++) {
    if (shell[s] !== -1) continue;
    const waiting = [s];
    shell[s] = shells;
    for (let t = waiting.pop(); t !== undefined; t = waiting.pop()) {
      for (let k = 0; k < 3; k++) {
        const a = T[3 * t + k]!;
        const b = T[3 * t + ((k + 1) % 3)]!;
        const u = over[3 * t + k]!;
        if (u < 0 || shell[u] !== -1) continue;
        shell[u] = shells;
        // Two neighbours run along their edge in opposite ways.
        if (runs(u, a, b) === runs(t, a, b)) flipped[u] = 1 - flipped[u]!;
        waiting.push(u);
      }
    }
    shells++;
  }
  const volume = new Float64Array(shells);
  for (let t = 0; t < m; t++) {
    const [a, b, c] = [3 * T[3 * t]!, 3 * T[3 * t + 1]!, 3 * T[3 * t + 2]!];
    const v =
      p[a]! * (p[b + 1]! * p[c + 2]! - p[b + 2]! * p[c + 1]!) +
      p[a + 1]! * (p[b + 2]! * p[c]! - p[b]! * p[c + 2]!) +
      p[a + 2]! * (p[b]! * p[c + 1]! - p[b + 1]! * p[c]!);
    volume[shell[t]!]! += flipped[t] ? -v : v;
  }
  let turned = 0;
  for (let t = 0; t < m; t++) {
    if ((flipped[t] === 1) === volume[shell[t]!]! < 0) continue;
    turned++;
    const b = T[3 * t + 1]!;
    T[3 * t + 1] = T[3 * t + 2]!;
    T[3 * t + 2] = b;
  }
  return { triangles: T, turned, shells, openEdges, crowdedEdges };
}

/** Vertex normals, weighted by the area of the triangles round a vertex. */
export function vertexNormals(mesh: Mesh): Float64Array {
  const { positions: p, triangles: T } = mesh;
  const out = new Float64Array(p.length);
  for (let t = 0; t < T.length; t += 3) {
    const [a, b, c] = [3 * T[t]!, 3 * T[t + 1]!, 3 * T[t + 2]!];
    const u = [0, 1, 2].map((k) => p[b + k]! - p[a + k]!);
    const v = [0, 1, 2].map((k) => p[c + k]! - p[a + k]!);
    const n = [u[1]! * v[2]! - u[2]! * v[1]!, u[2]! * v[0]! - u[0]! * v[2]!, u[0]! * v[1]! - u[1]! * v[0]!];
    for (const i of [a, b, c]) for (let k = 0; k < 3; k++) out[i + k]! += n[k]!;
  }
  for (let i = 0; i < out.length; i += 3) {
    const l = Math.hypot(out[i]!, out[i + 1]!, out[i + 2]!) || 1;
    for (let k = 0; k < 3; k++) out[i + k]! /= l;
  }
  return out;
}

/**
 * Inside or outside of every node of a grid by the crossings of lines along x, y and z, counted from both ends: of six
 * counts the majority decides. Crossings carry their direction, so shells in each other are one body.
 */
function* vote(mesh: Mesh, h: number, origin: readonly number[], n: readonly number[]): Generator<number, Uint8Array> {
  const { positions: p, triangles: T } = mesh;
  const votes = new Uint8Array(n[0]! * n[1]! * n[2]!);
  const stride = [1, n[0]!, n[0]! * n[1]!];
  for (let axis = 0; axis < 3; axis++) {
    const u = (axis + 1) % 3;
    const w = (axis + 2) % 3;
    const lines: { at: number; way: number }[][] = Array.from({ length: n[u]! * n[w]! }, () => []);
    const ou = origin[u]! + h * 1.3e-5;
    const ow = origin[w]! + h * 2.1e-5;
    for (let t = 0; t < T.length; t += 3) {
      const [a, b, c] = [3 * T[t]!, 3 * T[t + 1]!, 3 * T[t + 2]!];
      const ulo = Math.min(p[a + u]!, p[b + u]!, p[c + u]!);
      const uhi = Math.max(p[a + u]!, p[b + u]!, p[c + u]!);
      const wlo = Math.min(p[a + w]!, p[b + w]!, p[c + w]!);
      const whi = Math.max(p[a + w]!, p[b + w]!, p[c + w]!);
      for (let k = Math.max(0, Math.ceil((wlo - ow) / h)); k < n[w]! && ow + k * h <= whi; k++) {
        for (let j = Math.max(0, Math.ceil((ulo - ou) / h)); j < n[u]! && ou + j * h <= uhi; j++) {
          const x = ou + j * h;
          const y = ow + k * h;
          const area = (q: number, r: number) => (p[q + u]! - x) * (p[r + w]! - y) - (p[r + u]! - x) * (p[q + w]! - y);
          const wa = area(b, c);
          const wb = area(c, a);
          const wc = area(a, b);
          const s = wa + wb + wc;
          if (!((wa > 0 && wb > 0 && wc > 0) || (wa < 0 && wb < 0 && wc < 0))) continue;
          lines[j + n[u]! * k]!.push({
            at: (wa * p[a + axis]! + wb * p[b + axis]! + wc * p[c + axis]!) / s,
            // Positive: the triangle looks along the axis, so the line leaves the body here.
            way: s > 0 ? 1 : -1,
          });
        }
      }
    }
    yield 0.3 + 0.15 * (axis + 1);
    lines.forEach((crossings, line) => {
      if (crossings.length === 0) return;
      crossings.sort((x, y) => x.at - y.at);
      const base = (line % n[u]!) * stride[u]! + Math.floor(line / n[u]!) * stride[w]!;
      let low = 0;
      let high = crossings.reduce((s, x) => s + x.way, 0);
      let i = 0;
      for (let q = 0; q < n[axis]!; q++) {
        const at = origin[axis]! + q * h;
        while (i < crossings.length && crossings[i]!.at < at) {
          low -= crossings[i]!.way;
          high -= crossings[i]!.way;
          i++;
        }
        if (low > 0) votes[base + q * stride[axis]!]!++;
        if (high > 0) votes[base + q * stride[axis]!]!++;
      }
    });
  }
  return votes.map((v) => (v >= 4 ? 1 : 0));
}

interface Remade {
  readonly mesh: Mesh;
  readonly normals: Float64Array;
}

/** Made anew, and once more as much coarser as it has too many triangles: they go by the square of the grid. */
function* remake(mesh: Mesh): Generator<number, Remade> {
  let grid = GRID;
  for (;;) {
    const made = yield* onGrid(mesh, grid);
    const n = made.mesh.triangles.length / 3;
    if (n <= MOST_TRIANGLES) return made;
    grid *= 1.03 * Math.sqrt(n / MOST_TRIANGLES);
  }
}

/** A new skin round what the votes say is inside, smooth between the nodes. @param grid its side, share of the longest way across */
function* onGrid(mesh: Mesh, grid: number): Generator<number, Remade> {
  const { positions: p, triangles: T } = mesh;
  const lo = [Infinity, Infinity, Infinity];
  const hi = [-Infinity, -Infinity, -Infinity];
  for (let i = 0; i < p.length; i++) {
    lo[i % 3] = Math.min(lo[i % 3]!, p[i]!);
    hi[i % 3] = Math.max(hi[i % 3]!, p[i]!);
  }
  const h = Math.max(...hi.map((x, k) => x - lo[k]!)) * grid;
  const origin = lo.map((x) => x - 2.5 * h) as [number, number, number];
  const n = hi.map((x, k) => Math.ceil((x + 2.5 * h - origin[k]!) / h) + 1) as [number, number, number];
  const [nx, ny] = n;
  const inside = yield* vote(mesh, h, origin, n);
  if (!inside.includes(1)) throw new ScanError('The scan encloses nothing: it is a sheet, not a body.');
  const value = new Float32Array(inside.length);
  for (let q = 0; q < value.length; q++) value[q] = inside[q] ? -h : h;
  const near = new Float32Array(inside.length).fill(Infinity);
  const from = [0, 0, 0];
  const to = [0, 0, 0];
  for (let t = 0; t < T.length; t += 3) {
    const [a, b, c] = [3 * T[t]!, 3 * T[t + 1]!, 3 * T[t + 2]!];
    for (let k = 0; k < 3; k++) {
      const lowest = Math.min(p[a + k]!, p[b + k]!, p[c + k]!) - 1.05 * h;
      const highest = Math.max(p[a + k]!, p[b + k]!, p[c + k]!) + 1.05 * h;
      from[k] = Math.max(0, Math.ceil((lowest - origin[k]!) / h));
      to[k] = Math.min(n[k]! - 1, Math.floor((highest - origin[k]!) / h));
    }
    for (let z = from[2]!; z <= to[2]!; z++) {
      for (let y = from[1]!; y <= to[1]!; y++) {
        for (let x = from[0]!; x <= to[0]!; x++) {
          const q = x + nx * (y + ny * z);
          toTriangle(p, T, t / 3, origin[0] + x * h, origin[1] + y * h, origin[2] + z * h);
          if (nearestOf[3]! < near[q]!) near[q] = nearestOf[3]!;
        }
      }
    }
    if (t % 150_000 === 0) yield 0.75 + (0.15 * t) / T.length;
  }
  for (let q = 0; q < value.length; q++) {
    if (near[q]! < Infinity) value[q] = (inside[q] ? -1 : 1) * Math.max(Math.sqrt(near[q]!), 1e-6 * h);
  }
  const ask = (x: number, y: number, z: number): number => {
    const f = [(x - origin[0]) / h, (y - origin[1]) / h, (z - origin[2]) / h];
    const i = f.map((v, k) => Math.max(0, Math.min(n[k]! - 2, Math.floor(v))));
    const s = f.map((v, k) => v - i[k]!);
    let sum = 0;
    for (let c = 0; c < 8; c++) {
      const w = [0, 1, 2].reduce((m, k) => m * ((c >> k) & 1 ? s[k]! : 1 - s[k]!), 1);
      sum += w * value[i[0]! + (c & 1) + nx * (i[1]! + ((c >> 1) & 1) + ny * (i[2]! + (c >> 2)))]!;
    }
    return sum;
  };
  yield 0.92;
  const skin = skinOfGrid({ h, origin, n, value, within: () => ask }, false);
  return { mesh: { positions: skin.positions, triangles: skin.triangles }, normals: skin.normals };
}

/**
 * Makes a scan sound, step by step so that it can be stopped; yields the share done.
 * @throws ScanError in words when nothing can be made of it
 */
export function* repair(soup: Soup): Generator<number, Repaired> {
  if (soup.triangles.length === 0) throw new ScanError('The scan holds no triangles.');
  const welded = yield* weld(soup);
  const tidy = clean(welded.positions, welded.triangles);
  if (tidy.triangles.length === 0) throw new ScanError('The scan holds no triangle with any area.');
  yield 0.32;
  const turned = orient(welded.positions, tidy.triangles);
  const used = compact(welded.positions, turned.triangles);
  const remade: RepairReport['remade'] =
    turned.crowdedEdges > 0
      ? 'tangled'
      : turned.openEdges > 0
        ? 'open'
        : turned.shells > 1
          ? 'several shells'
          : used.triangles.length / 3 > MOST_TRIANGLES
            ? 'too fine'
            : used.triangles.length / 3 < FEWEST_TRIANGLES
              ? 'too coarse'
              : 'no';
  let mesh: Mesh = used;
  let normals = new Float64Array(0);
  if (remade !== 'no')
    ({ mesh, normals } = (yield* remake(used)) as { mesh: Mesh; normals: Float64Array<ArrayBuffer> });
  else normals = vertexNormals(mesh) as Float64Array<ArrayBuffer>;
  const edges = buildEdges(mesh.triangles, mesh.positions.length / 3);
  const check = checkSurface(mesh, edges);
  if (!check.closed) throw new ScanError('The scan could not be closed.');
  const extent = flatExtent(mesh);
  if (!(extent.volumeMm3 > 0)) throw new ScanError('The scan encloses nothing: it is a sheet, not a body.');
  return {
    mesh,
    normals,
    edges,
    extent,
    pieces: check.pieces,
    report: {
      trianglesRead: soup.triangles.length / 3,
      welded: welded.welded,
      empty: tidy.empty,
      doubled: tidy.doubled,
      turned: turned.turned,
      shells: turned.shells,
      openEdges: turned.openEdges,
      crowdedEdges: turned.crowdedEdges,
      remade,
      trianglesKept: mesh.triangles.length / 3,
    },
  };
}

/** Leaves out corners no triangle uses. */
function compact(p: Float64Array, T: Uint32Array): Mesh {
  const to = new Int32Array(p.length / 3).fill(-1);
  const kept: number[] = [];
  const triangles = T.map((v) => {
    if (to[v] === -1) {
      to[v] = kept.length / 3;
      kept.push(p[3 * v]!, p[3 * v + 1]!, p[3 * v + 2]!);
    }
    return to[v]!;
  });
  return { positions: Float64Array.from(kept), triangles };
}
