/** Moving features of the face: a handle on the chart becomes a place on the skin, and what goes by the eye goes along. */
import { crossings } from '@/core/geometry/rays';
import type { Mesh } from '@/core/geometry/mesh';
import { add, norm, scale, sub, type Vec3 } from '@/core/geometry/vec';
import type { Body } from '@/core/form/body';
import { carriedSeat } from '@/core/form/leaf-edits';
import { mirrorPlace, placeAt, samePlace } from '@/core/form/places';
import { earAt } from '@/core/face/features/ears';
import type { StockEye } from '@/core/piece/cupboard';
import type { Eyes, Face } from '@/core/piece/face';
import type { Piece, Place } from '@/core/piece/schema';
import { directionOutOfHead, intoHead, isEar, outOfHead, type HeadFrame } from '@/core/face/head/head';

export type ChartSide = 'front' | 'profile';

/** Where a place of the head is seen on the chart: mm to the right and up from the tip of the nose. */
export const onChart = (q: Vec3, side: ChartSide): readonly [number, number] =>
  side === 'front' ? [q[0], q[1]] : [-q[2], q[1]];

/**
 * The place on the skin under a point of the chart: the one in front, seen from that side; beside the outline the nearest.
 * @param now where the feature is; what the chart does not show of it stays as near as may be
 * @param reachMm how far from there it may be taken
 */
export function underChart(
  skin: Mesh,
  frame: HeadFrame,
  at: readonly [number, number],
  side: ChartSide,
  now: Vec3,
  reachMm = Infinity,
): Vec3 {
  const here = intoHead(frame, now);
  const far = 1e4;
  // From the profile the animal's left is seen.
  const from: Vec3 = side === 'front' ? [at[0], at[1], far] : [far, at[1], -at[0]];
  const to = directionOutOfHead(frame, side === 'front' ? [0, 0, -1] : [-1, 0, 0]);
  const start = outOfHead(frame, from);
  const hits = crossings(skin, start, to).map((d) => add(start, scale(to, d)));
  if (hits.length > 0) {
    const depth = (p: Vec3) => Math.abs(intoHead(frame, p)[side === 'front' ? 2 : 0] - here[side === 'front' ? 2 : 0]);
    // The ear or the other cheek may lie in front: the nearest to where it was, among faces turned to the viewer.
    return hits.filter((_, i) => i % 2 === 0).reduce((a, b) => (depth(b) < depth(a) ? b : a));
  }
  const beside = outOfHead(frame, side === 'front' ? [at[0], at[1], here[2]] : [here[0], at[1], -at[0]]);
  const p = skin.positions;
  let best = now;
  let least = Infinity;
  for (let v = 0; v < p.length; v += 3) {
    const q: Vec3 = [p[v]!, p[v + 1]!, p[v + 2]!];
    const d = norm(sub(q, beside));
    // The flank may be nearer than the cheek; only what is near the feature counts.
    if (d < least && norm(sub(q, now)) < reachMm) {
      least = d;
      best = q;
    }
  }
  return best;
}

/** A place of the animal's left, wherever it was shown. */
const asLeft = (p: Place): Place => (p.side === 'right' ? mirrorPlace(p) : p);

/** Places on the midline stay on it. */
const onMidline = (p: Place): Place => ({ ...p, side: 'left', out: 0 });

/** What can be moved on the chart. */
export type Movable = 'nose' | 'eye-left' | 'eye-right' | 'ear-left' | `whiskers-${string}`;

/** Moves a feature. Areas whose fur points away from the eye go along with it. */
export function moveFeature(piece: Piece, body: Body, what: Movable, point: Vec3): Piece {
  const { face } = piece;
  if (!face) return piece;
  const place = placeAt(body, point);
  const put = (f: Partial<Face>): Piece => ({ ...piece, face: { ...face, ...f } });
  if (what === 'nose') {
    return put({ nose: { ...face.nose, at: body.board ? place : onMidline(place) } });
  }
  if (what === 'ear-left') {
    const leaf = body.parts.find((p) => isEar(p.part) && p.leaf);
    if (!leaf) return put({ ears: { ...face.ears, at: asLeft(place) } });
    const from = earAt({ body }, face);
    return from ? { ...piece, form: carriedSeat(piece.form, leaf.part.id, sub(point, from)) } : piece;
  }
  if (what === 'eye-right' && face.eyes.other) {
    return put({ eyes: { ...face.eyes, other: place.side === 'left' ? mirrorPlace(place) : place } });
  }
  if (what === 'eye-left' || what === 'eye-right') {
    const at = asLeft(place);
    return {
      ...put({ eyes: { ...face.eyes, at } }),
      areas: piece.areas.map((a) => (a.awayFrom && samePlace(a.awayFrom, face.eyes.at) ? { ...a, awayFrom: at } : a)),
    };
  }
  const id = what.slice('whiskers-'.length);
  return put({ whiskers: face.whiskers.map((w) => (w.id === id ? { ...w, at: asLeft(place) } : w)) });
}

/** Eyes of the cupboard taken: the size, and the stem where it has one, follow. */
export const withStockEye = (e: Eyes, s: StockEye): Eyes => ({
  ...e,
  stockId: s.id,
  sizeMm: s.diameterMm,
  stem: s.kind === 'stem' ? { ...e.stem, thickMm: s.stemThickMm } : e.stem,
});
