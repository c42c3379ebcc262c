/**
 * The pose: every part stands on another one, and a bend at a joint takes along all that lies beyond it, seen from the
 * part the animal is built on. Parts are drawn in one pose; bends are turned about the drawn place of their joint, so
 * taking a bend back gives the drawn animal again to the last bit.
 */
import { add, cross, dot, flatten, norm, scale as times, sub, unit, type Vec3 } from '@/core/geometry/vec';
import { ROUND, type Section } from '@/core/geometry/oval-cone';
import type { Joint, Part } from '@/core/piece/schema';

/** A turn and a shift: x -> turn x + shift. `turn` row by row. */
interface Rigid {
  readonly turn: readonly number[];
  readonly shift: Vec3;
}

const STILL: Rigid = { turn: [1, 0, 0, 0, 1, 0, 0, 0, 1], shift: [0, 0, 0] };

export const turned = (r: Rigid, v: Vec3): Vec3 => [
  r.turn[0]! * v[0] + r.turn[1]! * v[1] + r.turn[2]! * v[2],
  r.turn[3]! * v[0] + r.turn[4]! * v[1] + r.turn[5]! * v[2],
  r.turn[6]! * v[0] + r.turn[7]! * v[1] + r.turn[8]! * v[2],
];
export const moved = (r: Rigid, p: Vec3): Vec3 => add(turned(r, p), r.shift);

/** First `inner`, then `outer`. */
export function after(outer: Rigid, inner: Rigid): Rigid {
  const turn: number[] = [];
  for (let i = 0; i < 3; i++) {
    for (let j = 0; j < 3; j++) {
      let s = 0;
      for (let k = 0; k < 3; k++) s += outer.turn[3 * i + k]! * inner.turn[3 * k + j]!;
      turn.push(s);
    }
  }
  return { turn, shift: moved(outer, inner.shift) };
}

/** The same motion seen in the mirror of the midline. */
export const reflected = (r: Rigid): Rigid => ({
  turn: r.turn.map((x, i) => (i === 1 || i === 2 || i === 3 || i === 6 ? -x : x)),
  shift: [-r.shift[0], r.shift[1], r.shift[2]],
});

/** Nod about the axis from right to left, then turn about the upright, then tilt about the axis to the front. Degrees. */
export function bend(at: Vec3, j: Pick<Joint, 'nodDeg' | 'turnDeg' | 'tiltDeg'>): Rigid {
  const [cn, sn] = cosSin(j.nodDeg);
  const [ct, st] = cosSin(j.turnDeg);
  const [cl, sl] = cosSin(j.tiltDeg);
  const zero: Vec3 = [0, 0, 0];
  const nod: Rigid = { turn: [1, 0, 0, 0, cn, -sn, 0, sn, cn], shift: zero };
  const turn: Rigid = { turn: [ct, 0, st, 0, 1, 0, -st, 0, ct], shift: zero };
  const tilt: Rigid = { turn: [cl, -sl, 0, sl, cl, 0, 0, 0, 1], shift: zero };
  const r = after(tilt, after(turn, nod));
  return { turn: r.turn, shift: sub(at, turned(r, at)) };
}

function cosSin(deg: number): [number, number] {
  if (deg === 0) return [1, 0];
  const a = (deg * Math.PI) / 180;
  return [Math.cos(a), Math.sin(a)];
}

/** A drawn place of a part: where, how thick, and what its section is like. */
export interface PartNode {
  readonly at: Vec3;
  readonly radius: number;
  readonly section: Section;
}

/** A section of 1, 1, 1 is the round one, and the part to the last bit what it is without. */
const sectionOf = (s: Section | undefined): Section =>
  s && (s.wide !== 1 || s.over !== 1 || s.under !== 1) ? s : ROUND;

/** Radius of the circle that has as much area as the section of a place. */
export const meanRadius = ({ radius, section: s }: PartNode): number =>
  s === ROUND ? radius : radius * Math.sqrt((s.wide * (s.over + s.under)) / 2);

/** Drawn places of a part in order; a pad and a board have two. */
export function nodesOf(part: Part): PartNode[] {
  if (part.shape === 'limb') {
    return part.nodes.map((n) => ({ at: n.at as Vec3, radius: n.radius, section: sectionOf(n.section) }));
  }
  if (part.shape === 'pad') {
    const radius = (part.halfWidth + part.halfHeight) / 2;
    // Places on a pad are kept in its mean radius.
    return [part.start, part.end].map((at) => ({ at: at as Vec3, radius, section: ROUND }));
  }
  const mid: Vec3 = [-part.thickness / 2, part.at[1], part.at[2]];
  return [1, -1].map((s) => ({
    at: add(mid, [0, 0, s * part.halfLength]),
    radius: part.halfHeight,
    section: ROUND,
  }));
}

/** Up for what runs level; forward for what stands upright. */
export function topOf(axis: Vec3): Vec3 {
  return unit(flatten(Math.abs(axis[1]) > 0.9 ? [0, 0, 1] : [0, 1, 0], axis));
}

/** Across axis and top, towards the animal's left: outward on a paired part, which is drawn on the left. */
export function outOf(axis: Vec3, top: Vec3): Vec3 {
  const side = cross(top, axis);
  return side[0] < 0 ? times(side, -1) : side;
}

/** Where on a chain of places the nearest point to `p` is: stretch, share along it. */
export function nearestOn(nodes: readonly { readonly at: Vec3 }[], p: Vec3): { stretch: number; t: number } {
  let best = { stretch: 0, t: 0 };
  let least = Infinity;
  for (let i = 1; i < nodes.length; i++) {
    const a = nodes[i - 1]!.at;
    const ab = sub(nodes[i]!.at, a);
    const t = Math.max(0, Math.min(1, dot(sub(p, a), ab) / (dot(ab, ab) || 1)));
    const d = norm(sub(p, add(a, times(ab, t))));
    if (d < least - 1e-9) {
      least = d;
      best = { stretch: i - 1, t };
    }
  }
  return best;
}

/** A part as it stands on one side: its places and, between each two, how that stretch was turned. Drawn units. */
export interface PosedPart {
  readonly nodes: readonly PartNode[];
  readonly stretches: readonly Rigid[];
}

export interface Posed {
  readonly part: Part;
  readonly left: PosedPart;
  /** The other one of a pair; null for a part on the midline. */
  readonly right: PosedPart | null;
}

export const rootNode = (part: Part): PartNode => {
  const n = nodesOf(part);
  return part.root === 'start' ? n[0]! : n[n.length - 1]!;
};

/** True when the posed body is the same on both sides of the midline. */
export function poseIsSymmetric(parts: readonly Part[], pose: readonly Joint[]): boolean {
  const paired = new Map(parts.map((p) => [p.id, p.mirrored]));
  return pose.every((j) => {
    const still = j.nodDeg === 0 && j.turnDeg === 0 && j.tiltDeg === 0;
    if (still) return true;
    if (paired.get(j.part)) return j.side === 'both';
    return j.turnDeg === 0 && j.tiltDeg === 0;
  });
}

/** Parts from the one the animal is built on outwards: a part never comes before the one it sits on. */
export function fromRootOutwards(parts: readonly Part[]): Part[] {
  const out: Part[] = [];
  const done = new Set<string | null>([null]);
  while (out.length < parts.length) {
    const next = parts.filter((p) => !done.has(p.id) && (done.has(p.on) || !parts.some((q) => q.id === p.on)));
    if (next.length === 0) throw new Error('parts sit on each other in a ring');
    for (const p of next) {
      out.push(p);
      done.add(p.id);
    }
  }
  return out;
}

/** Every part as it stands, in the order of `parts`. */
export function posed(parts: readonly Part[], pose: readonly Joint[]): Posed[] {
  const byId = new Map<string, Posed>();
  for (const part of fromRootOutwards(parts)) {
    const nodes = nodesOf(part);
    const base = part.on === null ? undefined : byId.get(part.on);
    const stretch = base ? nearestOn(nodesOf(base.part), rootNode(part).at).stretch : 0;
    const stand = (side: 'left' | 'right'): PosedPart => {
      const bends = new Map<number, Rigid>();
      for (const j of pose) {
        if (j.part !== part.id || (part.mirrored && j.side !== 'both' && j.side !== side)) continue;
        const at = nodes[j.node]?.at;
        if (at) bends.set(j.node, after(bend(at, j), bends.get(j.node) ?? STILL));
      }
      // A pair on the midline part is carried by it; a pair on a pair by its own side.
      const carrier = base && side === 'right' ? (base.right ?? base.left) : base?.left;
      const carried = carrier?.stretches[Math.min(stretch, carrier.stretches.length - 1)] ?? STILL;
      const flip = side === 'right' ? reflected : (r: Rigid) => r;
      const mirrorPoint = (p: Vec3): Vec3 => (side === 'right' ? [-p[0], p[1], p[2]] : p);
      const order = nodes.map((_, i) => (part.root === 'start' ? i : nodes.length - 1 - i));
      let now: Rigid = carried;
      const at: PartNode[] = new Array(nodes.length);
      const stretches: Rigid[] = new Array(nodes.length - 1);
      order.forEach((n, k) => {
        const b = bends.get(n);
        at[n] = { ...nodes[n]!, at: moved(now, mirrorPoint(nodes[n]!.at)) };
        if (b) now = after(now, flip(b));
        if (k < order.length - 1) stretches[Math.min(n, order[k + 1]!)] = now;
      });
      return { nodes: at, stretches };
    };
    byId.set(part.id, { part, left: stand('left'), right: part.mirrored ? stand('right') : null });
  }
  return parts.map((p) => byId.get(p.id)!);
}
