/** The way of the wire through the animal: along the body and what continues it fore and aft, and into every pair of limbs. mm */
import { norm, sub, type Vec3 } from '@/core/geometry/vec';
import type { Piece } from '@/core/piece/schema';
import type { Body, BodyPart } from '@/core/form/body';
import { fromRootOutwards } from '@/core/form/pose';

/** A limb shorter than this share of the body carries no wire; ours. */
const SHORTEST = 0.1;

/** The middle line of a part from its root outwards, short of its far end by its radius there. */
function middleLine(b: BodyPart, side: 'left' | 'right'): Vec3[] {
  const s = (side === 'right' && b.right) || b.left;
  const places = [s[0]!.a, ...s.map((x) => x.b)];
  const radii = [s[0]!.ra, ...s.map((x) => x.rb)];
  if (b.part.root === 'end') {
    places.reverse();
    radii.reverse();
  }
  // Toes are too thin for a wire: it ends in the ball of the foot.
  if (b.part.shape === 'limb' && b.part.toes && places.length > 2) {
    places.pop();
    radii.pop();
  }
  // The drawn ends of a part lie on its skin; the wire ends, turned over, well inside it. Along a body that is a pad it runs as
  // its medial line does, which ends short of the tips of an ellipse by b²/a (closed form); into a head only to its middle.
  const trunk = b.part.on === null;
  const across =
    b.part.shape === 'pad'
      ? (Math.min(b.part.halfWidth, b.part.halfHeight) * b.lengthMm) / (norm(sub(b.part.end, b.part.start)) || 1)
      : 0;
  const pulled = (end: Vec3, next: Vec3, r: number): Vec3 => {
    const l = norm(sub(end, next));
    const short = b.part.shape === 'limb' ? r : trunk ? Math.min(across ** 2 / (l / 2 || 1), 0.45 * l) : 0.4 * l;
    const t = Math.min(0.8, short / (l || 1));
    return [0, 1, 2].map((k) => end[k]! + t * (next[k]! - end[k]!)) as unknown as Vec3;
  };
  const n = places.length;
  const out = [...places];
  out[0] = pulled(places[0]!, places[1]!, radii[0]!);
  out[n - 1] = pulled(places[n - 1]!, places[n - 2]!, radii[n - 1]!);
  return out;
}

interface Skeleton {
  /** From tail or rump to neck or head. */
  readonly spine: readonly Vec3[];
  /** Parts it runs through. */
  readonly through: readonly string[];
  readonly limbs: readonly {
    readonly part: BodyPart;
    readonly side: 'left' | 'right';
    readonly path: readonly Vec3[];
  }[];
}

function nearestIndex(line: readonly Vec3[], p: Vec3): number {
  let best = 0;
  line.forEach((q, i) => {
    if (norm(sub(q, p)) < norm(sub(line[best]!, p))) best = i;
  });
  return best;
}

/** The way of the wire: along the body and what continues it fore and aft, and into every pair of limbs. */
export function skeleton(body: Body, frame: Piece['frame']): Skeleton {
  const byId = new Map(body.parts.map((p) => [p.part.id, p]));
  const order = fromRootOutwards(body.parts.map((p) => p.part)).map((p) => byId.get(p.id)!);
  const trunk = order.find((p) => p.part.shape !== 'board' && !p.part.mirrored);
  if (!trunk) return { spine: [], through: [], limbs: [] };
  const line = middleLine(trunk, 'left');
  const onTrunk = (p: BodyPart): boolean => p.part.on === trunk.part.id;
  // What goes on from the far end of the trunk is neck and head, from its root end the tail.
  const chains = body.parts.filter((p) => onTrunk(p) && !p.part.mirrored && p.lengthMm > SHORTEST * body.lengthMm);
  const through = [trunk.part.id];
  const follow = (p: BodyPart): Vec3[] => {
    // It ends just inside a muzzle and needs no wool round it there.
    if (p.part.role !== 'muzzle') through.push(p.part.id);
    const on = middleLine(p, 'left');
    // It ends in the head: a beak and ears have none.
    const more = body.parts.filter(
      (q) =>
        q.part.on === p.part.id &&
        !q.part.mirrored &&
        q.part.shape !== 'board' &&
        q.part.role !== 'beak' &&
        q.part.role !== 'ear',
    );
    const next = more.sort((a, b) => b.lengthMm - a.lengthMm)[0];
    return next && frame.head ? [...on, ...follow(next)] : on;
  };
  const far = line[line.length - 1]!;
  const near = line[0]!;
  let spine = [...line];
  for (const c of chains) {
    const root = middleLine(c, 'left')[0]!;
    if (norm(sub(root, far)) <= norm(sub(root, near))) spine = [...spine, ...follow(c)];
    else if (frame.tail) {
      through.push(c.part.id);
      spine = [...middleLine(c, 'left').reverse(), ...spine];
    }
  }
  const limbs = body.parts.flatMap((p) => {
    if (!onTrunk(p) || !p.part.mirrored || p.part.shape !== 'limb' || p.lengthMm < SHORTEST * body.lengthMm) return [];
    return (['left', 'right'] as const).map((side) => {
      const path = middleLine(p, side);
      return { part: p, side, path: [spine[nearestIndex(spine, path[0]!)]!, ...path] };
    });
  });
  return { spine, through, limbs };
}
