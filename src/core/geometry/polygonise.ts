/**
 * From a distance field to a closed triangle skin: dual marching cubes (one vertex per sheet of surface in a cube), then
 * Newton onto the surface, tangential smoothing over the quads, and Delaunay flips. A symmetric body is worked out on
 * one half and mirrored, so both sides are the same to the last bit. Cost grows with the surface, not with the box.
 */
import { EDGE_CORNERS, SHEET, SHEET_COUNT } from './cube-cases';
import { withoutCrumbs } from './crumbs';
import { flipToDelaunay } from './delaunay';
import { fieldValue, partsNear, type Field } from './field';
import type { Solid } from './shapes';
import { buildEdges, checkSurface, curvedExtent, SurfaceError, type Edges, type Extent, type Mesh } from './mesh';
import { settle } from './settle';
import type { Grid, Sheets } from './sheets';

export interface Skin extends Mesh {
  readonly normals: Float64Array;
  readonly edges: Edges;
  /** The vertex at the mirror place of each vertex; itself on the midline. Empty when the body is not symmetric. */
  readonly mirror: Uint32Array;
  readonly extent: Extent;
  readonly pieces: number;
  /** Rings the surface closes into: 0 for a plain body, 1 where two parts touch and enclose a hole. */
  readonly handles: number;
  /** Side of the grid it was made on, mm. */
  readonly edgeMm: number;
}

const BLOCK = 8;

/** @param settled what the field is asked for between its nodes */
function sampleGrid(f: Field, h: number, shift: number, settled: Field): Grid {
  const half = f.symmetric;
  const pad = 2 * h;
  const origin: [number, number, number] = [
    half ? -h / 2 : f.min[0] - pad + shift,
    f.min[1] - pad + shift,
    f.min[2] - pad + shift,
  ];
  const n = [0, 1, 2].map((k) => Math.ceil((f.max[k]! + pad + f.widestBlend / 4 - origin[k]!) / h) + 2);
  const [nx, ny, nz] = n as [number, number, number];
  const value = new Float32Array(nx * ny * nz);
  const near = new Map<number, number[]>();
  const blocks = [nx, ny, nz].map((m) => Math.ceil(m / BLOCK)) as [number, number, number];
  const all = f.parts.map((_, i) => i);
  // Nodes of a block span 7 h; the cells they begin reach one h further.
  const radius = (Math.sqrt(3) / 2) * BLOCK * h;
  for (let bz = 0; bz < blocks[2]; bz++) {
    for (let by = 0; by < blocks[1]; by++) {
      for (let bx = 0; bx < blocks[0]; bx++) {
        const cx = origin[0] + (bx * BLOCK + BLOCK / 2) * h;
        const cy = origin[1] + (by * BLOCK + BLOCK / 2) * h;
        const cz = origin[2] + (bz * BLOCK + BLOCK / 2) * h;
        const centre = fieldValue(f, all, cx, cy, cz);
        const empty = Math.abs(centre) > radius + h;
        const list = empty ? all : partsNear(f, cx, cy, cz, radius + 2 * h);
        if (!empty) near.set(bx + blocks[0] * (by + blocks[1] * bz), list);
        for (let k = bz * BLOCK; k < Math.min((bz + 1) * BLOCK, nz); k++) {
          for (let j = by * BLOCK; j < Math.min((by + 1) * BLOCK, ny); j++) {
            const row = nx * (j + ny * k);
            const end = Math.min((bx + 1) * BLOCK, nx);
            if (empty) {
              value.fill(centre, row + bx * BLOCK, row + end);
              continue;
            }
            for (let i = bx * BLOCK; i < end; i++) {
              let d = fieldValue(f, list, origin[0] + i * h, origin[1] + j * h, origin[2] + k * h);
              value[row + i] = d;
              // The field changes no faster than distance: nodes further off than an edge are looked at for their side alone.
              for (; i + 1 < end && Math.abs(d) > 2.01 * h; i++) {
                d -= Math.sign(d) * h;
                value[row + i + 1] = d;
              }
            }
          }
        }
      }
    }
  }
  if (half) {
    for (let k = 0; k < nz; k++) {
      for (let j = 0; j < ny; j++) value[nx * (j + ny * k)] = value[1 + nx * (j + ny * k)]!;
    }
  }
  const within = (block: number) => {
    const list = near.get(block) ?? all;
    return (x: number, y: number, z: number) => fieldValue(settled, list, x, y, z);
  };
  return { h, origin, n: [nx, ny, nz], value, within };
}

/** Which corners of a cell lie inside, a bit each. */
function patternOf(g: Grid, cell: number): number {
  const v = g.value;
  const nx = g.n[0];
  const over = cell + nx;
  const behind = cell + nx * g.n[1];
  const last = behind + nx;
  return (
    (v[cell]! < 0 ? 1 : 0) |
    (v[cell + 1]! < 0 ? 2 : 0) |
    (v[over]! < 0 ? 4 : 0) |
    (v[over + 1]! < 0 ? 8 : 0) |
    (v[behind]! < 0 ? 16 : 0) |
    (v[behind + 1]! < 0 ? 32 : 0) |
    (v[last]! < 0 ? 64 : 0) |
    (v[last + 1]! < 0 ? 128 : 0)
  );
}

/** Rounds of untangling; each looks at every cell once more. */
const UNTANGLINGS = 12;

/**
 * Where two cells share a face whose corners alternate, and in both of them one sheet goes through that face twice, the
 * surface would touch itself along an edge (Wenger 2013, on dual marching cubes; from memory). The corner of the face
 * nearest to the surface is put on its other side there; vertices are drawn onto the true surface afterwards.
 */
function untangle(g: Grid, half: boolean): void {
  const [nx, ny, nz] = g.n;
  const v = g.value;
  const step = [1, nx, nx * ny];
  const corner = [0, 1, 2, 3, 4, 5, 6, 7].map((c) => (c & 1) + nx * ((c >> 1) & 1) + nx * ny * (c >> 2));
  const sheetOf = (bits: number, axis: number, high: number): number => {
    // The sheet all four edges of a face belong to, or -1.
    let sheet = -2;
    for (let e = 0; e < 12; e++) {
      const [a, b] = EDGE_CORNERS[e]!;
      if (((a >> axis) & 1) !== high || ((b >> axis) & 1) !== high) continue;
      const s = SHEET[bits * 12 + e]!;
      if (s < 0 || (sheet !== -2 && s !== sheet)) return -1;
      sheet = s;
    }
    return sheet;
  };
  for (let round = 0; round < UNTANGLINGS; round++) {
    let changed = false;
    for (let k = 0; k < nz - 1; k++) {
      for (let j = 0; j < ny - 1; j++) {
        for (let i = 0; i < nx - 1; i++) {
          const cell = i + nx * (j + ny * k);
          const bits = patternOf(g, cell);
          if (bits === 0 || bits === 255) continue;
          for (let axis = 0; axis < 3; axis++) {
            if ([i, j, k][axis]! + 2 > g.n[axis]! - 1 || sheetOf(bits, axis, 1) < 0) continue;
            const next = cell + step[axis]!;
            if (sheetOf(patternOf(g, next), axis, 0) < 0) continue;
            let node = -1;
            for (let c = 0; c < 8; c++) {
              if (((c >> axis) & 1) === 0) continue;
              const q = cell + corner[c]!;
              if (node < 0 || Math.abs(v[q]!) < Math.abs(v[node]!)) node = q;
            }
            v[node] = v[node]! < 0 ? 1e-6 * g.h : -1e-6 * g.h;
            // The first two layers of a half mirror each other.
            if (half && node % nx < 2) v[node % nx === 0 ? node + 1 : node - 1] = v[node]!;
            changed = true;
            break;
          }
        }
      }
    }
    if (!changed) return;
  }
}

function dualSheets(g: Grid, half: boolean): Sheets {
  const [nx, ny, nz] = g.n;
  const v = g.value;
  const positions: number[] = [];
  const onMidline: number[] = [];
  const block: number[] = [];
  const first = new Int32Array(nx * ny * nz).fill(-1);
  const bx = Math.ceil(nx / BLOCK);
  const by = Math.ceil(ny / BLOCK);
  const pattern = new Uint8Array(nx * ny * nz);
  /** Cells the surface goes through, in order. */
  const mixed: number[] = [];
  const step = [1, nx, nx * ny];
  const corner = [0, 1, 2, 3, 4, 5, 6, 7].map((c) => (c & 1) + nx * ((c >> 1) & 1) + nx * ny * (c >> 2));
  for (let k = 0; k < nz - 1; k++) {
    for (let j = 0; j < ny - 1; j++) {
      for (let i = 0; i < nx - 1; i++) {
        const cell = i + nx * (j + ny * k);
        const bits = patternOf(g, cell);
        if (bits === 0 || bits === 255) continue;
        pattern[cell] = bits;
        mixed.push(cell);
        first[cell] = positions.length / 3;
        const b = Math.floor(i / BLOCK) + bx * (Math.floor(j / BLOCK) + by * Math.floor(k / BLOCK));
        for (let s = 0; s < SHEET_COUNT[bits]!; s++) {
          let x = 0;
          let y = 0;
          let z = 0;
          let m = 0;
          for (let e = 0; e < 12; e++) {
            if (SHEET[bits * 12 + e] !== s) continue;
            const [p, q] = EDGE_CORNERS[e]!;
            const a = v[cell + corner[p]!]!;
            const t = a / (a - v[cell + corner[q]!]!);
            x += (p & 1) + t * ((q & 1) - (p & 1));
            y += ((p >> 1) & 1) + t * (((q >> 1) & 1) - ((p >> 1) & 1));
            z += (p >> 2) + t * ((q >> 2) - (p >> 2));
            m++;
          }
          const plane = half && i === 0;
          positions.push(
            plane ? 0 : g.origin[0] + (i + x / m) * g.h,
            g.origin[1] + (j + y / m) * g.h,
            g.origin[2] + (k + z / m) * g.h,
          );
          onMidline.push(plane ? 1 : 0);
          block.push(b);
        }
      }
    }
  }
  const quads: number[] = [];
  const lowest = half ? 1 : 0;
  for (let axis = 0; axis < 3; axis++) {
    const u = (axis + 1) % 3;
    const w = (axis + 2) % 3;
    const lo = Math.min(u, w);
    // Round the edge anticlockwise seen against the axis; (du, dw) is where the edge lies in that cell.
    const round = [
      [1, 1],
      [0, 1],
      [0, 0],
      [1, 0],
    ] as const;
    // An edge that is cut belongs to a cell that is.
    for (const node of mixed) {
      const i = node % nx;
      const row = (node - i) / nx;
      if (i < lowest || row % ny === 0 || row < ny) continue;
      const here = v[node]! < 0;
      if (here === v[node + step[axis]!]! < 0) continue;
      const at = round.map(([du, dw]) => {
        const cell = node - du * step[u]! - dw * step[w]!;
        const edge = 4 * axis + (u === lo ? du + 2 * dw : dw + 2 * du);
        return first[cell]! + SHEET[pattern[cell]! * 12 + edge]!;
      });
      if (here) quads.push(at[0]!, at[1]!, at[2]!, at[3]!);
      else quads.push(at[3]!, at[2]!, at[1]!, at[0]!);
    }
  }
  return {
    positions: Float64Array.from(positions),
    quads: Uint32Array.from(quads),
    onMidline: Uint8Array.from(onMidline),
    block: Int32Array.from(block),
  };
}

/** Splits along the shorter diagonal, unless that would run along another edge or, across the midline, its own image. */
function splitQuads(p: Float64Array, quads: Uint32Array, onMidline: Uint8Array): Uint32Array {
  const out = new Uint32Array((quads.length / 4) * 6);
  const n = p.length / 3;
  const key = (a: number, b: number) => (a < b ? a * n + b : b * n + a);
  const taken = new Set<number>();
  for (let q = 0; q < quads.length; q += 4) {
    for (let k = 0; k < 4; k++) taken.add(key(quads[q + k]!, quads[q + ((k + 1) % 4)]!));
  }
  const bad = (a: number, b: number) => taken.has(key(a, b)) || (onMidline[a] === 1 && onMidline[b] === 1);
  const far = (a: number, b: number) =>
    (p[3 * a]! - p[3 * b]!) ** 2 + (p[3 * a + 1]! - p[3 * b + 1]!) ** 2 + (p[3 * a + 2]! - p[3 * b + 2]!) ** 2;
  for (let q = 0, o = 0; q < quads.length; q += 4, o += 6) {
    const [a, b, c, d] = [quads[q]!, quads[q + 1]!, quads[q + 2]!, quads[q + 3]!];
    const first = bad(a, c) ? false : bad(b, d) || far(a, c) <= far(b, d);
    taken.add(first ? key(a, c) : key(b, d));
    out.set(first ? [a, b, c, a, c, d] : [a, b, d, b, c, d], o);
  }
  return out;
}

function mirrorHalf(p: Float64Array, normals: Float64Array, triangles: Uint32Array, onMidline: Uint8Array) {
  const n = p.length / 3;
  const image = new Uint32Array(n);
  let count = n;
  for (let v = 0; v < n; v++) image[v] = onMidline[v] ? v : count++;
  const positions = new Float64Array(3 * count);
  const turned = new Float64Array(3 * count);
  const mirror = new Uint32Array(count);
  positions.set(p);
  turned.set(normals);
  for (let v = 0; v < n; v++) {
    const w = image[v]!;
    mirror[v] = w;
    mirror[w] = v;
    positions.set([w === v ? 0 : -p[3 * v]!, p[3 * v + 1]!, p[3 * v + 2]!], 3 * w);
    turned.set([w === v ? 0 : -normals[3 * v]!, normals[3 * v + 1]!, normals[3 * v + 2]!], 3 * w);
  }
  const both = new Uint32Array(2 * triangles.length);
  both.set(triangles);
  for (let t = 0; t < triangles.length; t += 3) {
    both.set([image[triangles[t]!]!, image[triangles[t + 2]!]!, image[triangles[t + 1]!]!], triangles.length + t);
  }
  return { positions, normals: turned, triangles: both, mirror };
}

/**
 * @param edgeMm side of the grid, mm; triangles come out with edges of about that length
 * @throws when no surface is found or the surface cannot be closed at this edge length
 */
export function polygonise(f: Field, edgeMm: number): Skin {
  // A grid that meets the body badly is shifted a little and tried again; the shifts are fixed, so the result is too.
  let problem: unknown;
  for (const shift of [0, 0.37, 0.71]) {
    try {
      return attempt(f, edgeMm, shift * edgeMm);
    } catch (e) {
      problem = e;
    }
  }
  throw problem;
}

/** A grid finds every sheet that is so many of its edges thick, however it lies. Measured over turned leaves; ours. */
const FOUND = 1.6;
/** A leaf is thickened so many times at most: a grid coarser than that loses it, as it loses toes. Ours. */
const THICKENED = 5;

/** The field with no leaf thinner than its grid can find; vertices are drawn onto the true one afterwards. */
function findable(f: Field, h: number): Field {
  const wanted = (FOUND * h) / 2;
  let most = 0;
  const thick = (s: Solid): Solid => {
    if (s.kind !== 'leaf' || s.half >= wanted) return s;
    const half = Math.min(wanted, THICKENED * s.half);
    most = Math.max(most, half - s.half);
    return { ...s, half, within: { ...s.within, r: s.within.r + half - s.half } };
  };
  const parts = f.parts.map((p) => ({ ...p, solids: p.solids.map(thick), twin: p.twin ? p.twin.map(thick) : p.twin! }));
  if (most === 0) return f;
  const low = f.min.map((x, k) => (k === 0 && f.cutX !== null ? x : x - most));
  const high = f.max.map((x) => x + most);
  return { ...f, parts, min: [low[0]!, low[1]!, low[2]!], max: [high[0]!, high[1]!, high[2]!] };
}

const attempt = (f: Field, edgeMm: number, shift: number): Skin => {
  const found = findable(f, edgeMm);
  return skinOfGrid(sampleGrid(found, edgeMm, shift, f), f.symmetric);
};

/**
 * The closed skin where the values of a grid change sign.
 * @param symmetric the grid holds one half (its first layer mirrors its second across x = 0) and the other is its image
 * @throws SurfaceError when there is no surface or it cannot be closed
 */
export function skinOfGrid(grid: Grid, symmetric: boolean): Skin {
  untangle(grid, symmetric);
  const sheets = withoutCrumbs(dualSheets(grid, symmetric));
  if (sheets.quads.length === 0)
    throw new SurfaceError(`the body holds no surface on a grid of ${grid.n.join(' x ')} with cells of ${grid.h} mm`);
  const normals = settle(grid, sheets);
  const half = splitQuads(sheets.positions, sheets.quads, sheets.onMidline);
  flipToDelaunay(sheets.positions, half, buildEdges(half, sheets.positions.length / 3), sheets.onMidline);
  const whole = symmetric
    ? mirrorHalf(sheets.positions, normals, half, sheets.onMidline)
    : { positions: sheets.positions, normals, triangles: half, mirror: new Uint32Array(0) };
  const edges = buildEdges(whole.triangles, whole.positions.length / 3);
  const check = checkSurface(whole, edges);
  if (!check.closed)
    throw new SurfaceError(`the surface did not close on a grid of ${grid.n.join(' x ')} with cells of ${grid.h} mm`);
  return {
    ...whole,
    edges,
    extent: curvedExtent(whole, whole.normals),
    pieces: check.pieces,
    handles: check.pieces - check.euler / 2,
    edgeMm: grid.h,
  };
}
