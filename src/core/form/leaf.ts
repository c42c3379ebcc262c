/**
 * A pad that is a leaf, as an ear, a wing or a feather is: its outline in the flat, and the sheet that stands on the animal. The outline is kept in
 * shares of the pad, so a wider or longer pad is a wider or longer leaf, and the pattern it is felted by is the same outline.
 */
import { leafOf, levelsOf, type Bent, type Leaf, type Level } from '@/core/geometry/leaf';
import { add, flatten, norm, scale as times, sub, unit, type Vec3 } from '@/core/geometry/vec';
import type { FlatPart, LeafShape, Part, Piece } from '@/core/piece/schema';
import { nodesOf, outOf, turned, type PosedPart } from './pose';

type Pt = readonly [number, number];

/** Points between two of the drawn ones. */
const BETWEEN = 8;

/** A smooth closed line through the drawn points (uniform Catmull-Rom). */
export function smoothRing(points: readonly Pt[], between = BETWEEN): Pt[] {
  const n = points.length;
  return points.flatMap((_, i) => {
    const [p0, p1, p2, p3] = [-1, 0, 1, 2].map((k) => points[(i + k + n) % n]!) as [Pt, Pt, Pt, Pt];
    return Array.from({ length: between }, (_, s): Pt => {
      const t = s / between;
      const at = (k: 0 | 1) => {
        const [a, b, c, d] = [p0[k], p1[k], p2[k], p3[k]];
        return 0.5 * (2 * b + (c - a) * t + (2 * a - 5 * b + 4 * c - d) * t * t + (3 * b - a - 3 * c + d) * t * t * t);
      };
      return [at(0), at(1)];
    });
  });
}

export type Pad = Extract<Part, { shape: 'pad' }>;
export type LeafPad = Pad & { readonly leaf: LeafShape };

export const isLeaf = (part: Part): part is LeafPad => part.shape === 'pad' && part.leaf !== undefined;

/** From seat to tip, drawn units. */
export const padLength = (p: Pick<Pad, 'start' | 'end'>): number => norm(sub(p.end, p.start));

/** Its drawn outline in drawn units. */
export const outlineOf = (p: LeafPad): [number, number][] =>
  p.leaf.outline.map(([x, y]) => [x * p.halfWidth, y * padLength(p)]);

/** A flat part with the outline, thickness and bend it has on the animal: of one that stands for a leaf, the leaf's. */
export function asStanding(piece: Pick<Piece, 'form'>, f: FlatPart, mmPerUnit: number): FlatPart {
  const part = piece.form.parts.find((p) => p.id === f.id);
  return part && isLeaf(part)
    ? { ...f, outline: outlineOf(part), thicknessMm: 2 * part.halfHeight * mmPerUnit, bendDeg: part.leaf.cupDeg }
    : f;
}

/** A leaf as it stands on one side, mm: how it lies, its solid, and its smooth outline in the flat. */
export interface StandingLeaf extends Bent {
  readonly solid: Leaf;
  readonly ring: readonly Pt[];
}

/** The way a hollow faces that is not turned: forward as far as it can, up for what lies along the animal. */
function facing(axis: Vec3): Vec3 {
  return unit(flatten(Math.abs(axis[2]) > 0.97 ? [0, 1, 0] : [0, 0, 1], axis));
}

/** A leaf in the flat does not depend on how large and in what pose it stands: worked out once a part, in drawn units. */
interface Flat {
  readonly of: readonly unknown[];
  readonly ring: readonly Pt[];
  readonly levels: readonly Level[];
}
const flats = new WeakMap<LeafPad, Flat>();

function inTheFlat(part: LeafPad): Flat {
  const of = [part.leaf.outline, part.halfWidth, part.halfHeight, padLength(part)];
  const had = flats.get(part);
  // A part that is being changed in place is looked at again.
  if (had && had.of.every((x, i) => x === of[i])) return had;
  const ring = smoothRing(outlineOf(part));
  const made = { of, ring, levels: levelsOf(ring, part.halfHeight) };
  flats.set(part, made);
  return made;
}

/** @param k millimetres per drawn unit */
export function standingLeaf(part: LeafPad, p: PosedPart, side: 'left' | 'right', k: number): StandingLeaf {
  const order = <T>([a, b]: readonly T[]): [T, T] => (part.root === 'start' ? [a!, b!] : [b!, a!]);
  const [seat, tip] = order(p.nodes);
  const [from, to] = order(nodesOf(part));
  const drawn = unit(sub(to.at, from.at));
  const front = facing(drawn);
  const left = outOf(drawn, front);
  const seen = (v: Vec3): Vec3 => turned(p.stretches[0]!, side === 'right' ? [-v[0], v[1], v[2]] : v);
  const t = (part.leaf.turnDeg * Math.PI) / 180;
  const length = norm(sub(tip.at, seat.at)) * k;
  const bent: Bent = {
    root: times(seat.at, k),
    along: unit(sub(tip.at, seat.at)),
    across: seen(add(times(left, Math.cos(t)), times(front, -Math.sin(t)))),
    face: seen(add(times(front, Math.cos(t)), times(left, Math.sin(t)))),
    length,
    width: 2 * part.halfWidth * k,
    cup: (part.leaf.cupDeg * Math.PI) / 180,
    curl: (part.leaf.curlDeg * Math.PI) / 180,
  };
  const { ring, levels } = inTheFlat(part);
  return {
    ...bent,
    ring: ring.map(([x, y]): Pt => [x * k, y * k]),
    solid: leafOf(
      levels.map(({ v, from, to }) => ({ v: v * k, from: from * k, to: to * k })),
      part.halfHeight * k,
      bent,
    ),
  };
}
