/**
 * Combing: how the maker's strokes and turns change the directions the body gives, before they are spread over the
 * skin. A stroke holds fully along its line and fades out towards the width of the comb; a turn swings the fur of a part
 * or band about the skin, anticlockwise seen from outside on the animal's left, mirrored on its right.
 */
import type { Skin } from '@/core/geometry/polygonise';
import { sub, type Vec3 } from '@/core/geometry/vec';
import type { Comb } from '@/core/piece/schema';
import { areaDepth } from './areas';
import type { Body } from './body';
import { mirrorPlace, pointOf } from './places';

/** How much surer a comb is than the body. Ours. */
const SURE = 2.5;
/** The comb leaves skin alone that looks the other way than where it runs, so an ear is not combed through. */
const OTHER_WAY = -0.3;

/**
 * @param wanted directions at vertices, stride 3, their length says how sure they are; changed in place
 * @param distance of every vertex to every part
 */
export function combed(
  body: Body,
  skin: Skin,
  distance: Float32Array,
  combs: readonly Comb[],
  wanted: Float64Array,
): void {
  for (const c of combs) {
    if (c.kind === 'turn') turn(body, skin, distance, c, wanted);
    else {
      stroke(skin, line(body, c.places), c.reach * body.scale, wanted);
      if (c.mirrored && !body.board) stroke(skin, line(body, c.places.map(mirrorPlace)), c.reach * body.scale, wanted);
    }
  }
}

/** Do the combs leave left and right alike. */
export const combsAreEven = (combs: readonly Comb[]): boolean =>
  combs.every((c) => (c.kind === 'turn' ? !c.where.side : c.mirrored));

const line = (body: Body, places: Extract<Comb, { kind: 'stroke' }>['places']): Vec3[] =>
  places.map((p) => pointOf(body, p)).filter((p): p is Vec3 => p !== null);

function stroke(skin: Skin, at: readonly Vec3[], reach: number, wanted: Float64Array): void {
  if (at.length < 2) return;
  const { positions: p, normals: n } = skin;
  const lo = [0, 1, 2].map((k) => Math.min(...at.map((q) => q[k]!)) - reach);
  const hi = [0, 1, 2].map((k) => Math.max(...at.map((q) => q[k]!)) + reach);
  const facing = normalAt(skin, at[Math.floor(at.length / 2)]!);
  for (let v = 0; v < p.length / 3; v++) {
    const q: Vec3 = [p[3 * v]!, p[3 * v + 1]!, p[3 * v + 2]!];
    if (q.some((x, k) => x < lo[k]! || x > hi[k]!)) continue;
    if (n[3 * v]! * facing[0] + n[3 * v + 1]! * facing[1] + n[3 * v + 2]! * facing[2] < OTHER_WAY) continue;
    let least = Infinity;
    let dir: Vec3 = [0, 0, 0];
    for (let i = 1; i < at.length; i++) {
      const [a, b] = [at[i - 1]!, at[i]!];
      const ab = sub(b, a);
      const l2 = ab[0] ** 2 + ab[1] ** 2 + ab[2] ** 2;
      if (l2 < 1e-12) continue;
      const aq = sub(q, a);
      const t = Math.max(0, Math.min(1, (aq[0] * ab[0] + aq[1] * ab[1] + aq[2] * ab[2]) / l2));
      const d = Math.hypot(aq[0] - t * ab[0], aq[1] - t * ab[1], aq[2] - t * ab[2]);
      if (d < least) {
        least = d;
        dir = ab;
      }
    }
    if (least >= reach) continue;
    const off = dir[0] * n[3 * v]! + dir[1] * n[3 * v + 1]! + dir[2] * n[3 * v + 2]!;
    const flat = [0, 1, 2].map((k) => dir[k]! - off * n[3 * v + k]!);
    const l = Math.hypot(flat[0]!, flat[1]!, flat[2]!);
    if (l < 1e-9) continue;
    const w = (1 - (least / reach) ** 2) ** 2;
    for (let k = 0; k < 3; k++) wanted[3 * v + k] = (1 - w) * wanted[3 * v + k]! + (w * SURE * flat[k]!) / l;
  }
}

function normalAt(skin: Skin, q: Vec3): Vec3 {
  let least = Infinity;
  let best = 0;
  for (let v = 0; v < skin.positions.length; v += 3) {
    const d =
      (skin.positions[v]! - q[0]) ** 2 + (skin.positions[v + 1]! - q[1]) ** 2 + (skin.positions[v + 2]! - q[2]) ** 2;
    if (d < least) {
      least = d;
      best = v;
    }
  }
  return [skin.normals[best]!, skin.normals[best + 1]!, skin.normals[best + 2]!];
}

function turn(
  body: Body,
  skin: Skin,
  distance: Float32Array,
  c: Extract<Comb, { kind: 'turn' }>,
  wanted: Float64Array,
): void {
  const depth = areaDepth(body, skin, distance, { where: [c.where], strokes: [] });
  const { positions: p, normals: n } = skin;
  for (let v = 0; v < depth.length; v++) {
    const w = Math.max(0, Math.min(1, 0.5 + depth[v]! / (2 * skin.edgeMm)));
    if (w === 0) continue;
    const right = !body.board && p[3 * v]! < 0;
    const a = ((right ? -1 : 1) * w * c.turnDeg * Math.PI) / 180;
    const [x, y, z] = [wanted[3 * v]!, wanted[3 * v + 1]!, wanted[3 * v + 2]!];
    const [nx, ny, nz] = [n[3 * v]!, n[3 * v + 1]!, n[3 * v + 2]!];
    const [cos, sin] = [Math.cos(a), Math.sin(a)];
    // About the normal: d cos + (n x d) sin; d lies in the skin.
    wanted.set(
      [x * cos + (ny * z - nz * y) * sin, y * cos + (nz * x - nx * z) * sin, z * cos + (nx * y - ny * x) * sin],
      3 * v,
    );
  }
}
