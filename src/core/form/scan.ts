/**
 * An own base: a scan of what is already felted, brought in as the finished skin or as the core. It is kept in the piece
 * as places and triangles in thousandths of its length from nose to tail, so it is resized like any other animal.
 */
import { buildEdges, checkSurface, flatExtent, type Mesh } from '@/core/geometry/mesh';
import type { Skin } from '@/core/geometry/polygonise';
import { vertexNormals } from '@/core/geometry/repair';
import { scanContent, toText, type ScanContent } from '@/core/piece/scan-content';
import type { Part, Piece } from '@/core/piece/schema';

export type Scan = NonNullable<Piece['form']['scan']>;

/** Which way of the scan points up and which to the front of the animal. */
export const SCAN_WAYS = ['+x', '-x', '+y', '-y', '+z', '-z'] as const;
export type ScanWay = (typeof SCAN_WAYS)[number];

const unitOf = (w: ScanWay): [number, number, number] =>
  [0, 1, 2].map((k) => ('xyz'[k] === w[1] ? (w[0] === '+' ? 1 : -1) : 0)) as [number, number, number];

/** Turns a scan upright, nose forward, with its middle on the midline and its lowest place on the ground. mm stay mm. */
export function uprightScan(mesh: Mesh, up: ScanWay, front: ScanWay): Mesh | null {
  if (up[1] === front[1]) return null;
  const y = unitOf(up);
  const z = unitOf(front);
  // x to the animal's left: up across front.
  const x = [y[1]! * z[2]! - y[2]! * z[1]!, y[2]! * z[0]! - y[0]! * z[2]!, y[0]! * z[1]! - y[1]! * z[0]!];
  const p = mesh.positions;
  const out = new Float64Array(p.length);
  const lo = [Infinity, Infinity, Infinity];
  const hi = [-Infinity, -Infinity, -Infinity];
  for (let v = 0; v < p.length; v += 3) {
    [x, y, z].forEach((axis, k) => {
      const q = axis[0]! * p[v]! + axis[1]! * p[v + 1]! + axis[2]! * p[v + 2]!;
      out[v + k] = q;
      lo[k] = Math.min(lo[k]!, q);
      hi[k] = Math.max(hi[k]!, q);
    });
  }
  const shift = [-(lo[0]! + hi[0]!) / 2, -lo[1]!, -(lo[2]! + hi[2]!) / 2];
  for (let v = 0; v < out.length; v++) out[v]! += shift[v % 3]!;
  return { positions: out, triangles: mesh.triangles };
}

/**
 * A form with an upright scan (mm) in place of drawn parts, at the size it has.
 * @param id a name no other scan has
 */
export function formOfScan(
  form: Piece['form'],
  mesh: Mesh,
  about: Pick<Scan, 'id' | 'name' | 'role' | 'report'>,
): Piece['form'] {
  const p = mesh.positions;
  const hi = [-Infinity, -Infinity, -Infinity];
  const lo = [Infinity, Infinity, Infinity];
  for (let i = 0; i < p.length; i++) {
    hi[i % 3] = Math.max(hi[i % 3]!, p[i]!);
    lo[i % 3] = Math.min(lo[i % 3]!, p[i]!);
  }
  const length = hi[2]! - lo[2]!;
  const k = 1000 / length;
  const half = [0, 1].map((a) => Math.max(2, Math.min(1000, ((hi[a]! - lo[a]!) * k) / 2)));
  const middle = ((hi[1]! + lo[1]!) * k) / 2;
  const part: Part = {
    id: 'base',
    name: 'Own base',
    role: 'other',
    shape: 'pad',
    mirrored: false,
    blend: 0,
    lie: 'to-end',
    on: null,
    root: 'end',
    start: [0, middle, 500],
    end: [0, middle, -500],
    halfWidth: half[0]!,
    halfHeight: half[1]!,
  };
  return {
    ...form,
    finishedLengthMm: length,
    measuredBy: 'length',
    parts: [part],
    pose: [],
    scan: {
      ...about,
      positions: toText(new Uint8Array(Float32Array.from(p, (x) => x * k).buffer)),
      triangles: toText(new Uint8Array(Uint32Array.from(mesh.triangles).buffer)),
    },
  };
}

/** The scan as a surface, made once for each. */
const meshes = new WeakMap<ScanContent, Mesh>();

/** Places and triangles of a kept scan, in thousandths of its length. @throws when it is damaged, which reading a piece rules out */
export function meshOfScan(scan: Scan): Mesh {
  const content = scanContent(scan);
  if (typeof content === 'string') throw new Error(content);
  const held = meshes.get(content);
  if (held) return held;
  const mesh = { positions: Float64Array.from(content.positions), triangles: content.triangles };
  meshes.set(content, mesh);
  return mesh;
}

/** @param scale millimetres per thousandth */
export function skinOfScan(scan: Scan, scale: number): Skin {
  const { positions, triangles } = meshOfScan(scan);
  const mesh = { positions: positions.map((x) => x * scale), triangles };
  const edges = buildEdges(triangles, positions.length / 3);
  const check = checkSurface(mesh, edges);
  const extent = flatExtent(mesh);
  return {
    ...mesh,
    normals: vertexNormals(mesh),
    edges,
    mirror: new Uint32Array(0),
    extent,
    pieces: check.pieces,
    handles: check.pieces - check.euler / 2,
    // Side of an even-sided triangle of the mean area.
    edgeMm: Math.sqrt((4 / Math.sqrt(3)) * (extent.areaMm2 / (triangles.length / 3))),
  };
}
