/**
 * Which places on the skin belong to which area. Every area gives each vertex a signed depth in mm (positive inside),
 * lightly smoothed; where two areas claim the same place the later one in the piece has it.
 */
import type { Skin } from '@/core/geometry/polygonise';
import type { Area, Selector } from '@/core/piece/schema';
import { placeOnPart, type Body } from './body';

const CLAMP_EDGES = 4;
const SMOOTHINGS = 3;

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
    if (which >= 0 && (s.along || s.around)) {
      const part = body.parts[which]!;
      const at = placeOnPart(part, skin.positions[3 * v]!, skin.positions[3 * v + 1]!, skin.positions[3 * v + 2]!);
      if (s.along) {
        if (s.along.from > 0) depth = Math.min(depth, (at.along - s.along.from) * part.lengthMm);
        if (s.along.to < 1) depth = Math.min(depth, (s.along.to - at.along) * part.lengthMm);
      }
      if (s.around) {
        const arc = (at.radiusMm * Math.PI) / 180;
        if (s.around.from > 0) depth = Math.min(depth, (at.aroundDeg - s.around.from) * arc);
        if (s.around.to < 180) depth = Math.min(depth, (s.around.to - at.aroundDeg) * arc);
      }
    }
    out[v] = Math.max(out[v]!, depth);
  }
}

function smooth(skin: Skin, depth: Float64Array): void {
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
  for (let v = 0; v < skin.mirror.length; v++) {
    const w = skin.mirror[v]!;
    if (v < w) depth[v] = depth[w] = (depth[v]! + depth[w]!) / 2;
  }
}

/** Depth of every vertex inside one area by itself, mm. */
export function areaDepth(body: Body, skin: Skin, distance: Float32Array, area: Pick<Area, 'where'>): Float64Array {
  const depth = new Float64Array(skin.positions.length / 3).fill(-1e6);
  for (const s of area.where) selectorDepth(body, skin, distance, s, depth);
  smooth(skin, depth);
  return depth;
}

/** Depth of one area once the later ones have taken what they claim. */
export function depthAfter(own: Float64Array, later: readonly Float64Array[]): Float64Array {
  const out = Float64Array.from(own);
  for (const l of later) for (let v = 0; v < out.length; v++) out[v] = Math.min(out[v]!, -l[v]!);
  return out;
}
