/**
 * Which places on the skin belong to which area. Every area gives each vertex a signed depth in mm (positive inside):
 * first by its parts and bands, then by the strokes painted over them, lightly smoothed; where two areas claim the same
 * place the later one in the piece has it.
 */
import type { Skin } from '@/core/geometry/polygonise';
import type { Area, Selector, Stroke } from '@/core/piece/schema';
import { nearestOnSegment } from '@/core/geometry/segment';
import { flatX } from '@/core/geometry/ground';
import { towardHollow } from '@/core/geometry/leaf';
import type { Vec3 } from '@/core/geometry/vec';
import { placeOnPart, type Body } from './body';
import { mirrorPlace, pointOf } from './places';

const CLAMP_EDGES = 4;
/** A part further off than the nearest by so many edges of the skin makes no place of it deeper or less deep: half of it is beyond what is told apart. */
export const DEPTH_REACH = 2 * CLAMP_EDGES;
const SMOOTHINGS = 3;
/** A face of a leaf begins so far from its middle, in shares of half its thickness. Ours. */
const FACE_FROM = 0.6;

/** How far the front of a board is sunk there, less than nothing where it is raised: its front is its left, however deep; mm. */
function sunkAt({ field }: Body, part: number, x: number, y: number, z: number): number {
  const board = field.parts[part]!.solids[0];
  return board?.kind === 'box' && board.front ? flatX(board.front, x, y, z) - x : 0;
}

function selectorDepth(body: Body, skin: Skin, distance: Float32Array, s: Selector, out: Float64Array): void {
  const n = out.length;
  const P = body.parts.length;
  const chosen = body.parts.map((p) => s.parts.includes(p.part.id));
  for (let v = 0; v < n; v++) {
    let own = Infinity;
    let other = Infinity;
    let which = -1;
    for (let p = 0; p < P; p++) {
      const d = distance[v * P + p]!;
      if (!chosen[p]) other = Math.min(other, d);
      else if (d < own) {
        own = d;
        which = p;
      }
    }
    let depth = other === Infinity ? 1e6 : (other - own) / 2;
    if (which >= 0 && (s.along || s.around || s.side || s.face || s.upward)) {
      const part = body.parts[which]!;
      const [x, y, z] = [skin.positions[3 * v]!, skin.positions[3 * v + 1]!, skin.positions[3 * v + 2]!];
      const at = placeOnPart(part, x, y, z);
      if (s.along) {
        if (s.along.from > 0) depth = Math.min(depth, (at.along - s.along.from) * part.lengthMm);
        if (s.along.to < 1) depth = Math.min(depth, (s.along.to - at.along) * part.lengthMm);
      }
      if (s.around) {
        const arc = (at.radiusMm * Math.PI) / 180;
        if (s.around.from > 0) depth = Math.min(depth, (at.aroundDeg - s.around.from) * arc);
        if (s.around.to < 180) depth = Math.min(depth, (s.around.to - at.aroundDeg) * arc);
      }
      if (s.upward && part.part.shape === 'board') {
        const [low, high] = [part.part.at[1] - part.part.halfHeight, 2 * part.part.halfHeight];
        const up = y / body.scale - low;
        if (s.upward.from > 0) depth = Math.min(depth, (up - s.upward.from * high) * body.scale);
        if (s.upward.to < 1) depth = Math.min(depth, (s.upward.to * high - up) * body.scale);
      }
      if (s.side) {
        const left = part.right ? (at.side === 'left' ? 1e6 : -1e6) : at.outMm + sunkAt(body, which, x, y, z);
        depth = Math.min(depth, s.side === 'left' ? left : -left);
      }
      if (s.face && part.leaf) {
        const bent = at.side === 'right' && part.leaf.right ? part.leaf.right : part.leaf.left;
        const deep = towardHollow(bent, x, y, z);
        // Its edge, which turns away, is part of neither.
        depth = Math.min(depth, (s.face === 'hollow' ? deep : -deep) - FACE_FROM * bent.solid.half);
      }
    }
    out[v] = Math.max(out[v]!, depth);
  }
}

/** The brush touches skin that looks the same way as where it was set down, so an ear is not painted through. */
const SAME_WAY = 0.2;

/** Puts one stroke over the depth: adding is a union, taking away a difference. Distances straight, from dab to dab. */
function strokeDepth(body: Body, skin: Skin, s: Stroke, out: Float64Array): void {
  const reach = s.reach * body.scale;
  const sides = s.mirrored ? [s.places, s.places.map(mirrorPlace)] : [s.places];
  for (const places of sides) {
    const at = places.map((q) => pointOf(body, q));
    for (let i = 0; i < at.length; i++) {
      const a = at[i];
      if (!a) continue;
      // A stretch of the stroke; a single dab, or one across a gap, stands for itself.
      const next = at[i + 1];
      const b = next && far(a, next) < 6 * reach ? next : a;
      const way = nearestNormal(skin, a, b, reach);
      if (!way) continue;
      for (const v of way.near) {
        const p: Vec3 = [skin.positions[3 * v]!, skin.positions[3 * v + 1]!, skin.positions[3 * v + 2]!];
        const n = [0, 1, 2].reduce((t, k) => t + way.normal[k]! * skin.normals[3 * v + k]!, 0);
        if (n < SAME_WAY) continue;
        const d = reach - nearestOnSegment(p, a, b).distance;
        out[v] = s.adds ? Math.max(out[v]!, d) : Math.min(out[v]!, -d);
      }
    }
  }
}

const far = (a: Vec3, b: Vec3): number => Math.hypot(a[0] - b[0], a[1] - b[1], a[2] - b[2]);

/** Vertices within twice the reach of a stretch, and the normal of the skin where the brush was set down. */
function nearestNormal(skin: Skin, a: Vec3, b: Vec3, reach: number): { near: number[]; normal: number[] } | null {
  const p = skin.positions;
  const near: number[] = [];
  const lo = [0, 1, 2].map((k) => Math.min(a[k]!, b[k]!) - 2 * reach);
  const hi = [0, 1, 2].map((k) => Math.max(a[k]!, b[k]!) + 2 * reach);
  let which = -1;
  let least = Infinity;
  for (let v = 0; v < p.length / 3; v++) {
    const x = p[3 * v]!;
    const y = p[3 * v + 1]!;
    const z = p[3 * v + 2]!;
    if (x < lo[0]! || x > hi[0]! || y < lo[1]! || y > hi[1]! || z < lo[2]! || z > hi[2]!) continue;
    near.push(v);
    const d = far([x, y, z], a);
    if (d < least) {
      least = d;
      which = v;
    }
  }
  return which < 0 ? null : { near, normal: [0, 1, 2].map((k) => skin.normals[3 * which + k]!) };
}

function smooth(skin: Skin, depth: Float64Array, evenSides: boolean): void {
  const limit = CLAMP_EDGES * skin.edgeMm;
  for (let v = 0; v < depth.length; v++) depth[v] = Math.max(-limit, Math.min(limit, depth[v]!));
  const sum = new Float64Array(depth.length);
  const near = new Float64Array(depth.length);
  for (let r = 0; r < SMOOTHINGS; r++) {
    sum.fill(0);
    near.fill(0);
    for (let e = 0; e < skin.edges.count; e++) {
      const u = skin.edges.ends[2 * e]!;
      const v = skin.edges.ends[2 * e + 1]!;
      sum[u]! += depth[v]!;
      sum[v]! += depth[u]!;
      near[u]!++;
      near[v]!++;
    }
    for (let v = 0; v < depth.length; v++) depth[v] = (depth[v]! + sum[v]! / Math.max(near[v]!, 1)) / 2;
  }
  for (let v = 0; evenSides && v < skin.mirror.length; v++) {
    const w = skin.mirror[v]!;
    if (v < w) depth[v] = depth[w] = (depth[v]! + depth[w]!) / 2;
  }
}

/** Depth of every vertex inside one area by itself, mm. */
export function areaDepth(
  body: Body,
  skin: Skin,
  distance: Float32Array,
  area: Pick<Area, 'where' | 'strokes'>,
): Float64Array {
  const depth = new Float64Array(skin.positions.length / 3).fill(-1e6);
  for (const s of area.where) selectorDepth(body, skin, distance, s, depth);
  for (const s of area.strokes) strokeDepth(body, skin, s, depth);
  smooth(skin, depth, area.where.every((s) => !s.side) && area.strokes.every((s) => s.mirrored));
  return depth;
}

/** Depth of one area once the later ones have taken what they claim. */
export function depthAfter(own: Float64Array, later: readonly Float64Array[]): Float64Array {
  const out = Float64Array.from(own);
  for (const l of later) for (let v = 0; v < out.length; v++) out[v] = Math.min(out[v]!, -l[v]!);
  return out;
}
