/**
 * A scan from a file: OBJ, STL, PLY or GLB, told by its first bytes and not by its name. Gives plain places and triangles
 * in the file's own unit. Errors say what is wrong with the file in words.
 */
import type { BufferGeometry, Object3D } from 'three';
import { Mesh as ThreeMesh } from 'three';
import { GLTFLoader } from 'three/examples/jsm/loaders/GLTFLoader.js';
import { OBJLoader } from 'three/examples/jsm/loaders/OBJLoader.js';
import { PLYLoader } from 'three/examples/jsm/loaders/PLYLoader.js';
import { STLLoader } from 'three/examples/jsm/loaders/STLLoader.js';
import { ScanError, type Soup } from '@/core/geometry/repair';
import { LARGEST_SCAN } from '@/core/form/scan-limits';

type ScanKind = 'obj' | 'stl' | 'ply' | 'glb';

/** What a file holds by its first bytes; null when it is none of the four. */
export function scanKind(bytes: Uint8Array): ScanKind | null {
  const head = new TextDecoder('latin1').decode(bytes.subarray(0, 512));
  if (head.startsWith('glTF')) return 'glb';
  if (/^ply\s/.test(head)) return 'ply';
  if (bytes.length >= 84) {
    const count = new DataView(bytes.buffer, bytes.byteOffset).getUint32(80, true);
    if (count > 0 && bytes.length === 84 + 50 * count) return 'stl';
  }
  if (/^\s*solid\b/.test(head) && /facet|endsolid/.test(new TextDecoder('latin1').decode(bytes.subarray(0, 4096))))
    return 'stl';
  if (
    /^(\s*(#[^\n]*|mtllib[^\n]*|[go] [^\n]*|s [^\n]*)?\r?\n)*\s*v\s+[-\d.]/.test(
      new TextDecoder('latin1').decode(bytes.subarray(0, 65_536)),
    )
  )
    return 'obj';
  return null;
}

/** Places and corners of every mesh of a file; typed from the start, since scans are large. */
interface Gathered {
  readonly p: Float64Array[];
  readonly t: Uint32Array[];
  n: number;
}

function joined<T extends Float64Array | Uint32Array>(list: readonly T[], into: T): T {
  let at = 0;
  for (const x of list) {
    into.set(x, at);
    at += x.length;
  }
  return into;
}

function add(into: Gathered, g: BufferGeometry, object?: Object3D): void {
  const at = g.getAttribute('position');
  if (!at) return;
  const m = object?.matrixWorld.elements;
  const p = new Float64Array(3 * at.count);
  for (let v = 0; v < at.count; v++) {
    const [x, y, z] = [at.getX(v), at.getY(v), at.getZ(v)];
    p[3 * v] = m ? m[0]! * x + m[4]! * y + m[8]! * z + m[12]! : x;
    p[3 * v + 1] = m ? m[1]! * x + m[5]! * y + m[9]! * z + m[13]! : y;
    p[3 * v + 2] = m ? m[2]! * x + m[6]! * y + m[10]! * z + m[14]! : z;
  }
  const index = g.getIndex();
  const count = index ? index.count : at.count;
  const t = new Uint32Array(count - (count % 3));
  for (let i = 0; i < t.length; i++) t[i] = into.n + (index ? index.getX(i) : i);
  into.p.push(p);
  into.t.push(t);
  into.n += at.count;
}

/** @throws ScanError in words when the file cannot be read as a scan */
export async function readScan(bytes: Uint8Array<ArrayBuffer>, name: string): Promise<Soup> {
  if (bytes.length === 0) throw new ScanError(`${name} is empty.`);
  if (bytes.length > LARGEST_SCAN) throw new ScanError(`${name} is larger than 200 MB; export a coarser scan.`);
  const kind = scanKind(bytes);
  if (!kind) throw new ScanError(`${name} is not a scan this desk can read: OBJ, STL, PLY and GLB are.`);
  const buffer = bytes.buffer.slice(bytes.byteOffset, bytes.byteOffset + bytes.byteLength);
  const all: Gathered = { p: [], t: [], n: 0 };
  try {
    if (kind === 'stl') add(all, new STLLoader().parse(buffer));
    else if (kind === 'ply') add(all, new PLYLoader().parse(buffer));
    else {
      const scene =
        kind === 'obj'
          ? new OBJLoader().parse(new TextDecoder().decode(bytes))
          : (await new GLTFLoader().parseAsync(buffer, '')).scene;
      scene.updateMatrixWorld(true);
      scene.traverse((o) => {
        if (o instanceof ThreeMesh) add(all, o.geometry as BufferGeometry, o);
      });
    }
  } catch {
    throw new ScanError(`${name} is damaged or cut short and cannot be read.`);
  }
  const triangles = joined(all.t, new Uint32Array(all.t.reduce((s, x) => s + x.length, 0)));
  if (triangles.length === 0) throw new ScanError(`${name} holds no triangles.`);
  if (triangles.some((v) => v >= all.n))
    throw new ScanError(`${name} is damaged: a triangle points at a place that is not there.`);
  return { positions: joined(all.p, new Float64Array(3 * all.n)), triangles };
}
