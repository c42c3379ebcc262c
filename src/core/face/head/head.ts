/**
 * The head by itself: its own frame (origin at the tip of the nose, x to the animal's left, y up, z forward, turned with
 * the head), the part of the skin that is head, and how large it is. Everything of the face is placed and measured here.
 */
import { borderEdges, buildEdges, type Edges, type Mesh } from '@/core/geometry/mesh';
import { outline, type Outline } from '@/core/geometry/outline';
import { add, dot, scale, sub, unit, type Vec3 } from '@/core/geometry/vec';
import type { BodyPart } from '@/core/form/body';
import { nearestParts, type FormWork } from '@/core/form/form';
import { pointOf } from '@/core/form/places';
import { nodesOf, outOf, topOf } from '@/core/form/pose';
import type { Part, Place } from '@/core/piece/schema';

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
function headParts(parts: readonly Part[], head: string): Set<string> {
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
export const isEar = (p: Pick<Part, 'role'>): boolean => p.role === 'ear';

export interface Head {
  readonly frame: HeadFrame;
  /** The skin of the head in the head's own frame, mm; ears with it. */
  readonly mesh: Mesh;
  /** Widest place without ears, from the tip of the nose to the back, and how high, mm. */
  readonly widthMm: number;
  readonly lengthMm: number;
  readonly heightMm: number;
  readonly front: Outline;
  readonly profile: Outline;
  /** From above: right of the picture is the animal's right, up is forward. */
  readonly above: Outline;
}

/** On an own base without parts the head is what lies within this share of the length behind the nose. Ours. */
const SCAN_HEAD = 0.28;

/** So much of the length of the head, behind the nose, its neighbour counts to its outline. Ours. */
const NECK = 1.25;
/** And so much of its height below it. Ours. */
const BELOW = 0.2;

/** From the tip of the nose to the back of the head, and how far down its outline runs on; mm. */
function headReach(form: FormWork, frame: HeadFrame, core: ReadonlySet<string>, near: Int32Array) {
  const { positions: p } = form.skin;
  let deep = 0;
  let low = Infinity;
  let high = -Infinity;
  for (let v = 0; v < near.length; v++) {
    if (!core.has(form.body.parts[near[v]!]!.part.id)) continue;
    const q = intoHead(frame, [p[3 * v]!, p[3 * v + 1]!, p[3 * v + 2]!]);
    deep = Math.max(deep, -q[2]);
    low = Math.min(low, q[1]);
    high = Math.max(high, q[1]);
  }
  return { deep, low: low - BELOW * (high - low) };
}

/** @returns null when the animal has no such part or no skin there */
/** @param headPart id of the part that is the head */
export function headOf(form: FormWork, headPart: string, noseAt: Place): Head | null {
  const origin = pointOf(form.body, noseAt);
  const part = form.body.parts.find((p) => p.part.id === headPart);
  if (!origin || !part) return null;
  const frame: HeadFrame = { origin, ...axesOf(part) };
  const parts = form.body.parts.map((p) => p.part);
  const core = headParts(parts, headPart);
  const near = nearestParts(form);
  const { positions, triangles } = form.skin;
  const n = positions.length / 3;
  const scan = form.body.surface !== null;
  const local = new Float64Array(3 * n);
  const kind = new Uint8Array(n); // 0 elsewhere, 1 head, 2 ears and the neck near it
  // The outline of the head runs on over what it sits on: so far behind the nose.
  const reach = headReach(form, frame, core, near);
  for (let v = 0; v < n; v++) {
    const q = intoHead(frame, [positions[3 * v]!, positions[3 * v + 1]!, positions[3 * v + 2]!]);
    local.set(q, 3 * v);
    if (scan) kind[v] = q[2] > -SCAN_HEAD * form.body.lengthMm ? 1 : 0;
    else {
      const p = parts[near[v]!]!;
      const neck = p.id === part.part.on && p.shape !== 'board' && q[2] > -NECK * reach.deep && q[1] > reach.low;
      kind[v] = core.has(p.id) ? 1 : (p.on !== null && core.has(p.on) && isEar(p)) || neck ? 2 : 0;
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
    // A head in relief stands out of its board on one side only.
    widthMm: form.body.board ? 2 * hi[0]! : hi[0]! - lo[0]!,
    lengthMm: -lo[2]!,
    heightMm: hi[1]! - lo[1]!,
    front: outline(mesh, edges, [0, 0, 1], [0, 1, 0]),
    // A relief never turns away from its viewer: what is seen of the head is where it meets the board, if it does.
    profile: (form.body.board && rim(mesh, edges)) || outline(mesh, edges, [1, 0, 0], [0, 1, 0]),
    above: outline(mesh, edges, [0, 1, 0], [0, 0, 1]),
  };
}

/** Shorter borders are specks beside the head, points. */
const SPECK = 8;

/** The border of an open surface as lines, seen in profile; the longest however coarse it is. @returns null where it is closed */
function rim(mesh: Mesh, edges: Edges): Outline | null {
  const next = new Map<number, number[]>();
  for (const [a, b] of borderEdges(edges)) {
    next.set(a, [...(next.get(a) ?? []), b]);
    next.set(b, [...(next.get(b) ?? []), a]);
  }
  const p = mesh.positions;
  const lines: Float64Array[] = [];
  const done = new Set<number>();
  for (const start of next.keys()) {
    if (done.has(start)) continue;
    const points: number[] = [];
    for (let at: number | undefined = start; at !== undefined; at = next.get(at)!.find((v) => !done.has(v))) {
      done.add(at);
      points.push(-p[3 * at + 2]!, p[3 * at + 1]!);
    }
    points.push(-p[3 * start + 2]!, p[3 * start + 1]!);
    lines.push(Float64Array.from(points));
  }
  if (lines.length === 0) return null;
  const longest = lines.reduce((a, b) => (b.length > a.length ? b : a));
  const kept = lines.filter((l) => l === longest || l.length > 2 * SPECK);
  const all = kept.flatMap((l) => [...l]);
  const of = (k: number) => all.filter((_, i) => i % 2 === k);
  return { lines: kept, min: [Math.min(...of(0)), Math.min(...of(1))], max: [Math.max(...of(0)), Math.max(...of(1))] };
}
