/**
 * The lie: which way the fur points everywhere on the skin. Each part gives its own direction along its axis; where the
 * axis runs into the skin (a chest, a rump) the part is unsure and its surroundings decide. The maker's comb goes over it.
 * Mirrored exactly unless one side is combed by itself.
 */
import { spreadDirections } from '@/core/geometry/tangent-field';
import type { Skin } from '@/core/geometry/polygonise';
import { cotangents } from '@/core/geometry/weights';
import type { Comb } from '@/core/piece/schema';
import { placeOnPart, type Body } from './body';
import { combed, combsAreEven } from './comb';

/** How far neighbouring directions run together, as a share of the finished length. Ours. */
const REACH = 0.03;
/** Width over which one part's direction hands over to the next, as a share of the finished length. Ours. */
const HANDOVER = 0.03;

/** A part further off than the nearest by this has no say in the lie, mm. */
export const handoverOf = (body: Body): number => HANDOVER * body.lengthMm;

/** @param distance of every vertex to every part, stride = number of parts, mm */
export function lieOf(body: Body, skin: Skin, distance: Float32Array, combs: readonly Comb[] = []): Float64Array {
  const n = skin.positions.length / 3;
  const P = body.parts.length;
  const wanted = new Float64Array(3 * n);
  const handover = handoverOf(body);
  for (let v = 0; v < n; v++) {
    let least = Infinity;
    for (let p = 0; p < P; p++) least = Math.min(least, distance[v * P + p]!);
    let total = 0;
    const d = [0, 0, 0];
    for (let p = 0; p < P; p++) {
      const w = 1 - (distance[v * P + p]! - least) / handover;
      if (w <= 0) continue;
      const b = body.parts[p]!;
      const { axis } = placeOnPart(b, skin.positions[3 * v]!, skin.positions[3 * v + 1]!, skin.positions[3 * v + 2]!);
      const s = (b.part.lie === 'to-end' ? 1 : -1) * w * w;
      for (let k = 0; k < 3; k++) d[k]! += s * axis[k]!;
      total += w * w;
    }
    let along = 0;
    for (let k = 0; k < 3; k++) along += (d[k]! / total) * skin.normals[3 * v + k]!;
    for (let k = 0; k < 3; k++) wanted[3 * v + k] = d[k]! / total - along * skin.normals[3 * v + k]!;
  }
  combed(body, skin, distance, combs, wanted);
  const cot = cotangents(skin, skin.edges);
  const lie = spreadDirections(skin.normals, skin.edges, cot, wanted, REACH * body.lengthMm);
  if (skin.mirror.length > 0 && combsAreEven(combs)) evenOut(lie, skin.mirror);
  return lie;
}

/** Averages every direction with the mirror image of its twin, so that left and right agree. */
function evenOut(lie: Float64Array, mirror: Uint32Array): void {
  for (let v = 0; v < mirror.length; v++) {
    const w = mirror[v]!;
    if (w < v) continue;
    const x = lie[3 * v]! - lie[3 * w]!;
    const y = lie[3 * v + 1]! + lie[3 * w + 1]!;
    const z = lie[3 * v + 2]! + lie[3 * w + 2]!;
    const s = 1 / Math.sqrt(x * x + y * y + z * z || 1);
    lie.set([x * s, y * s, z * s], 3 * v);
    lie.set([-x * s, y * s, z * s], 3 * w);
  }
}
