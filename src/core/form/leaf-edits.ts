/** Leaves changed by hand: another outline, another seat, another lean. */
import { add, scale as times, sub, unit, type Vec3 } from '@/core/geometry/vec';
import { padLength, type LeafPad, type Pad } from './leaf';
import { posed } from './pose';
import { keepScale, unitMm, type Form } from './shape';

type Pt = readonly [number, number];

/** No leaf is narrower or shorter than so much, drawn units. */
const LEAST = 2;

/**
 * A pad made a leaf with this outline in drawn units, or a leaf given another one: it becomes as wide and as long as the outline, and stays
 * where it is seated and as it leans.
 */
export function withOutline(part: Pad, drawn: readonly Pt[], halfHeight = part.halfHeight): LeafPad {
  // Drawn hanging down, its seat is at the top.
  const hangs = Math.max(...drawn.map((p) => p[1])) < -Math.min(...drawn.map((p) => p[1]));
  const outline = hangs ? drawn.map(([x, y]): Pt => [x, -y]) : drawn;
  const wide = Math.max(LEAST, ...outline.map((p) => Math.abs(p[0])));
  const low = Math.min(...outline.map((p) => p[1]));
  const high = Math.max(LEAST, Math.max(...outline.map((p) => p[1])) - low);
  const [seat, tip] = part.root === 'start' ? [part.start, part.end] : [part.end, part.start];
  const to = add(seat, times(unit(sub(tip, seat)), high)).map(tidy) as [number, number, number];
  return {
    ...part,
    ...(part.root === 'start' ? { end: to } : { start: to }),
    halfWidth: tidy(wide),
    halfHeight,
    leaf: {
      cupDeg: 0,
      curlDeg: 0,
      // As flat as the pad was.
      turnDeg: part.halfWidth < part.halfHeight ? 90 : 0,
      ...part.leaf,
      outline: outline.map(([x, y]) => [share(x / wide), share((y - low) / high)]),
    },
  };
}

const tidy = (x: number): number => Math.round(x * 1e4) / 1e4;
const share = (x: number): number => Math.round(x * 1e5) / 1e5;

/** A leaf put in the place of the one, or the pad, it was made from. */
export const withLeaf = (form: Form, next: LeafPad): Form =>
  keepScale(
    form,
    form.parts.map((x) => (x.id === next.id ? next : x)),
  );

/** A leaf moved along with its seat, by so much on the animal as it stands on its left; mm. */
export function carriedSeat(form: Form, id: string, by: Vec3): Form {
  const standing = posed(form.parts, form.pose).find((p) => p.part.id === id);
  if (standing?.part.shape !== 'pad') return form;
  const k = 1 / unitMm(form);
  const { turn } = standing.left.stretches[0]!;
  // Back into the pose it is drawn in.
  const drawn = [0, 1, 2].map((i) => k * (turn[i]! * by[0] + turn[3 + i]! * by[1] + turn[6 + i]! * by[2])) as [
    number,
    number,
    number,
  ];
  const shifted = (p: Vec3) => add(p, drawn).map(tidy) as [number, number, number];
  return keepScale(
    form,
    form.parts.map((p) =>
      p.id === id && p.shape === 'pad' ? { ...p, start: shifted(p.start), end: shifted(p.end) } : p,
    ),
  );
}

/** How far a leaf leans back from upright as it is drawn, degrees. */
export function leanOf(part: LeafPad): number {
  const [, y, z] = axisOf(part);
  return Math.round((Math.atan2(-z, y) * 180) / Math.PI) || 0;
}

/** A leaf leaning back so far, about its seat, as far out to its side as before. */
export function leaning(part: LeafPad, deg: number): LeafPad {
  const [x, y, z] = axisOf(part);
  const flat = Math.hypot(y, z) * padLength(part);
  const a = (deg * Math.PI) / 180;
  const seat = part.root === 'start' ? part.start : part.end;
  const tip = add(seat, [x * padLength(part), flat * Math.cos(a), -flat * Math.sin(a)]).map(tidy) as [
    number,
    number,
    number,
  ];
  return { ...part, ...(part.root === 'start' ? { end: tip } : { start: tip }) };
}

const axisOf = (p: LeafPad): Vec3 => unit(p.root === 'start' ? sub(p.end, p.start) : sub(p.start, p.end));
