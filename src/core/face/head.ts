/**
 * The head by itself: its own frame (origin at the tip of the nose, x to the animal's left, y up, z forward, turned with
 * the head), the part of the skin that is head, and how large it is. Everything of the face is placed and measured here.
 */
import { buildEdges, type Edges, type Mesh } from '@/core/geometry/mesh';
import { outline, type Outline } from '@/core/geometry/outline';
import { add, cross, dot, scale, sub, unit, type Vec3 } from '@/core/geometry/vec';
import type { BodyPart } from '@/core/form/body';
import { nearestParts, type FormWork } from '@/core/form/form';
import { pointOf } from '@/core/form/places';
import { nodesOf, outOf, topOf } from '@/core/form/pose';
import type { Face } from '@/core/piece/face';
import type { Part } from '@/core/piece/schema';

export interface HeadFrame {
  readonly origin: Vec3;
  readonly x: Vec3;
  readonly y: Vec3;
  readonly z: Vec3;
}

export const intoHead = (f: HeadFrame, p: Vec3): Vec3 => {
  const d = sub(p, f.origin);
  return [dot(d, f.x), dot(d, f.y), dot(d, f.z)];
};
export const directionIntoHead = (f: HeadFrame, d: Vec3): Vec3 => [dot(d, f.x), dot(d, f.y), dot(d, f.z)];
export const directionOutOfHead = (f: HeadFrame, q: Vec3): Vec3 =>
  add(add(scale(f.x, q[0]), scale(f.y, q[1])), scale(f.z, q[2]));
export const outOfHead = (f: HeadFrame, q: Vec3): Vec3 => add(f.origin, directionOutOfHead(f, q));

/** How the head is turned by the pose: where left, up and forward of the drawn head point now. */
function axesOf(head: BodyPart | undefined): Pick<HeadFrame, 'x' | 'y' | 'z'> {
  const s = head?.left[0];
  if (!head || !s || head.part.shape === 'board') return { x: [1, 0, 0], y: [0, 1, 0], z: [0, 0, 1] };
  const nodes = nodesOf(head.part);
  const axis = unit(sub(nodes[1]!.at, nodes[0]!.at));
  const top = topOf(axis);
  const out = outOf(axis, top);
  const now = unit(sub(s.b, s.a));
  const turn = (v: Vec3): Vec3 =>
    add(add(scale(now, dot(v, axis)), scale(s.top, dot(v, top))), scale(s.out, dot(v, out)));
  return { x: turn([1, 0, 0]), y: turn([0, 1, 0]), z: turn([0, 0, 1]) };
}

/** Parts that are head: the one that carries the face, and what grows out of it on the midline (muzzle, beak). */
export function headParts(parts: readonly Part[], head: string): Set<string> {
  const out = new Set([head]);
  for (let more = true; more;) {
    more = false;
    for (const p of parts) {
      if (p.on !== null && out.has(p.on) && !p.mirrored && !out.has(p.id) && !isEar(p)) {
        out.add(p.id);
        more = true;
      }
    }
  }
  return out;
}

/** An ear drawn as a part of the body. */
export const isEar = (p: Pick<Part, 'id' | 'name'>): boolean => /(^|-|\b)ear(\b|-|$)/i.test(`${p.id} ${p.name}`);

export interface Head {
  readonly frame: HeadFrame;
  /** The skin of the head in the head's own frame, mm; ears with it. */
  readonly mesh: Mesh;
  readonly normals: Float64Array;
  readonly edges: Edges;
  /** Widest place without ears, from the tip of the nose to the back, and how high, mm. */
  readonly widthMm: number;
  readonly lengthMm: number;
  readonly heightMm: number;
  readonly front: Outline;
  readonly profile: Outline;
}

/** On an own base without parts the head is what lies within this share of the length behind the nose. Ours. */
const SCAN_HEAD = 0.28;

/** @returns null when the animal has no such part or no skin there */
export function headOf(form: FormWork, face: Pick<Face, 'head' | 'nose'>): Head | null {
  const origin = pointOf(form.body, face.nose.at);
  const part = form.body.parts.find((p) => p.part.id === face.head);
  if (!origin || !part) return null;
  const frame: HeadFrame = { origin, ...axesOf(part) };
  const parts = form.body.parts.map((p) => p.part);
  const core = headParts(parts, face.head);
  const near = nearestParts(form);
  const { positions, normals, triangles } = form.skin;
  const n = positions.length / 3;
  const scan = form.body.surface !== null;
  const local = new Float64Array(3 * n);
  const kind = new Uint8Array(n); // 0 elsewhere, 1 head, 2 what grows out of it
  for (let v = 0; v < n; v++) {
    const q = intoHead(frame, [positions[3 * v]!, positions[3 * v + 1]!, positions[3 * v + 2]!]);
    local.set(q, 3 * v);
    if (scan) kind[v] = q[2] > -SCAN_HEAD * form.body.lengthMm ? 1 : 0;
    else {
      const p = parts[near[v]!]!;
      kind[v] = core.has(p.id) ? 1 : p.on !== null && core.has(p.on) && isEar(p) ? 2 : 0;
    }
  }
  const index = new Int32Array(n).fill(-1);
  const from: number[] = [];
  const T: number[] = [];
  for (let t = 0; t < triangles.length; t += 3) {
    const c = [triangles[t]!, triangles[t + 1]!, triangles[t + 2]!];
    if (c.some((v) => kind[v] === 0)) continue;
    for (const v of c) {
      if (index[v]! < 0) {
        index[v] = from.length;
        from.push(v);
      }
      T.push(index[v]!);
    }
  }
  if (T.length === 0) return null;
  const mesh: Mesh = {
    positions: Float64Array.from(from.flatMap((v) => [local[3 * v]!, local[3 * v + 1]!, local[3 * v + 2]!])),
    triangles: Uint32Array.from(T),
  };
  const turned = Float64Array.from(
    from.flatMap((v) => directionIntoHead(frame, [normals[3 * v]!, normals[3 * v + 1]!, normals[3 * v + 2]!])),
  );
  const lo = [Infinity, Infinity, Infinity];
  const hi = [-Infinity, -Infinity, -Infinity];
  from.forEach((v) => {
    if (kind[v] !== 1) return;
    for (let k = 0; k < 3; k++) {
      lo[k] = Math.min(lo[k]!, local[3 * v + k]!);
      hi[k] = Math.max(hi[k]!, local[3 * v + k]!);
    }
  });
  const edges = buildEdges(mesh.triangles, from.length);
  return {
    frame,
    mesh,
    normals: turned,
    edges,
    // A head in relief stands out of its board on one side only.
    widthMm: form.body.board ? 2 * hi[0]! : hi[0]! - lo[0]!,
    lengthMm: -lo[2]!,
    heightMm: hi[1]! - lo[1]!,
    front: outline(mesh, edges, [0, 0, 1], [0, 1, 0]),
    profile: outline(mesh, edges, [1, 0, 0], [0, 1, 0]),
  };
}

/** Right and up of a picture seen from a direction. */
export const rightOf = (from: Vec3, up: Vec3): Vec3 => cross(up, from);
