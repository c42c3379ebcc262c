/**
 * What of the animal touches the ground: it settles on the plane under the middle of its weight, and skin touches that lies so
 * near to it as the felt there gives under its share of the weight. Lengths mm, masses g.
 */
import type { Point2 } from '@/core/geometry/hull';
import { nearestOnSegment } from '@/core/geometry/segment';
import { heightOver, restPlane, tiltOf, type Plane } from '@/core/geometry/rest-plane';
import type { Vec3 } from '@/core/geometry/vec';
import { figure } from '@/core/method/define';
import { meanOf, type BodyPart } from '@/core/form/body';
import { nearestParts, type FormWork } from '@/core/form/form';
import { footGives } from './core-methods';

/** One part on one side of the animal that touches the ground. */
export interface Contact {
  readonly part: BodyPart;
  readonly side: 'left' | 'right';
  readonly givesMm: number;
  /** Where it touches, x and z. */
  readonly at: readonly Point2[];
}

/** How round a part is at a place of its skin: its radius there. */
function radiusAt(w: FormWork, b: BodyPart, side: 'left' | 'right', p: Vec3): number {
  if (b.part.shape === 'pad') return Math.min(b.part.halfWidth, b.part.halfHeight) * w.body.scale;
  if (b.part.shape === 'board') return (b.part.thickness * w.body.scale) / 2;
  const segments = (side === 'right' && b.right) || b.left;
  let best = { d: Infinity, r: 0 };
  for (const s of segments) {
    const { distance, t } = nearestOnSegment(p, s.a, s.b);
    if (distance < best.d) best = { d: distance, r: meanOf(s, t) };
  }
  return best.r;
}

/** Feet that are not quite level are bent until they are, or it leans by so much unseen; beyond it stands as it is drawn. Degrees, ours. */
const LEVELLED = 5;

/** The ground under it: the plane it settles on, or level at its lowest place. */
export function groundUnder(P: Float64Array, centre: Vec3): Plane {
  const rest = restPlane(P, [centre[0], centre[2]]);
  if (rest && tiltOf(rest) <= LEVELLED) return rest;
  let lowest = Infinity;
  for (let i = 1; i < P.length; i += 3) lowest = Math.min(lowest, P[i]!);
  return { a: 0, b: 0, c: lowest };
}

/**
 * @param massG of the whole animal
 * @param centre the middle of its weight
 */
export function onTheGround(w: FormWork, massG: number, centre: Vec3): { groundY: number; contacts: Contact[] } {
  const { positions: P } = w.skin;
  const near = nearestParts(w);
  const ground = groundUnder(P, centre);
  const above = (v: number): number => P[3 * v + 1]! - heightOver(ground, P[3 * v]!, P[3 * v + 2]!);
  const sides = new Map<string, { part: BodyPart; side: 'left' | 'right'; lowest: number; vertices: number[] }>();
  for (let v = 0; v < P.length / 3; v++) {
    const part = w.body.parts[near[v]!]!;
    const side = part.part.mirrored && P[3 * v]! < 0 ? 'right' : 'left';
    const key = `${near[v]!}:${side}`;
    const s = sides.get(key) ?? { part, side, lowest: v, vertices: [] };
    if (above(v) < above(s.lowest)) s.lowest = v;
    s.vertices.push(v);
    sides.set(key, s);
  }
  const at = (v: number): Vec3 => [P[3 * v]!, P[3 * v + 1]!, P[3 * v + 2]!];
  const feet = [...sides.values()].map((s) => ({ ...s, radius: radiusAt(w, s.part, s.side, at(s.lowest)) }));
  const gives = (share: number, radius: number) => figure(footGives, { mass: massG / share, radius }).value;
  // Whatever could be pressed down to the ground by all of the weight shares it.
  const sharing = feet.filter((f) => above(f.lowest) <= gives(1, f.radius)).length;
  const contacts = feet.flatMap((f): Contact[] => {
    const givesMm = gives(Math.max(1, sharing), f.radius);
    const touching = f.vertices.filter((v) => above(v) <= givesMm);
    return touching.length === 0
      ? []
      : [{ part: f.part, side: f.side, givesMm, at: touching.map((v): Point2 => [P[3 * v]!, P[3 * v + 2]!]) }];
  });
  return { groundY: heightOver(ground, centre[0], centre[2]), contacts };
}
