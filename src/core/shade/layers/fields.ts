/**
 * Fields over the skin, 0 to 1: how much of a layer there is at every vertex of an area. All of it, fading from place to
 * place, along the border, along a line; and how a border strays and softens.
 */
import type { AreaShape } from '@/core/coat/rows/area-shape';
import type { Body } from '@/core/form/body';
import { mirrorPlace, pointOf } from '@/core/form/places';
import { borderEdges, type Mesh } from '@/core/geometry/mesh';
import { overSkin, overSkinFrom } from '@/core/geometry/over-skin';
import { nearestOnSegment } from '@/core/geometry/segment';
import type { Vec3 } from '@/core/geometry/vec';
import type { Place } from '@/core/piece/schema';
import type { LayerWhere } from '@/core/piece/shade';

/** From 0 to 1 with flat ends. */
const smoothStep = (x: number): number => {
  const t = Math.max(0, Math.min(1, x));
  return t * t * (3 - 2 * t);
};

/** Share of the surface covered at a signed depth inside a border softened over so many mm. */
export const coverAtDepth = (depth: number, softMm: number): number => smoothStep(depth / Math.max(softMm, 1e-6) + 0.5);

/** Even noise over space, -1 to 1, about `scale` from hill to hill (value noise on a lattice, smoothly blended). */
function noise(x: number, y: number, z: number, scale: number, seed: number): number {
  const p = [x / scale, y / scale, z / scale];
  const i = p.map(Math.floor) as [number, number, number];
  const t = p.map((c, k) => smoothStep(c - i[k]!)) as [number, number, number];
  let sum = 0;
  for (let c = 0; c < 8; c++) {
    const q = [c & 1, (c >> 1) & 1, c >> 2] as const;
    let h =
      Math.imul(i[0] + q[0], 0x27d4eb2d) ^ Math.imul(i[1] + q[1], 0x165667b1) ^ Math.imul(i[2] + q[2], 0x9e3779b1);
    h = Math.imul(h ^ seed ^ (h >>> 15), 0x85ebca6b);
    h = Math.imul(h ^ (h >>> 13), 0xc2b2ae35);
    const value = ((h ^ (h >>> 16)) >>> 0) / 2 ** 31 - 1;
    sum += value * q.reduce((s, bit, k) => s * (bit ? t[k]! : 1 - t[k]!), 1);
  }
  return sum;
}

/** How far a border strays at a vertex, mm: alike on both sides of the animal. */
export function strayOf(positions: Float64Array, v: number, raggedMm: number, seed: number): number {
  if (raggedMm <= 0) return 0;
  const scale = 3 * raggedMm + 1;
  return raggedMm * noise(Math.abs(positions[3 * v]!), positions[3 * v + 1]!, positions[3 * v + 2]!, scale, seed);
}

/** Where places lie now; those on parts that are gone drop out. */
const points = (body: Body, places: readonly Place[]): Vec3[] =>
  places.map((p) => pointOf(body, p)).filter((p): p is Vec3 => p !== null);

/** A place and, where it is meant for both sides, its mirror image. */
function bothSides(body: Body, place: Place, mirrored: boolean): Vec3[] {
  const list = mirrored && !body.board ? [place, mirrorPlace(place)] : [place];
  return points(body, list);
}

/** Least distance of a point from a line through points, and how far along the line it is nearest. */
export function toLine(p: Vec3, line: readonly Vec3[]): { readonly mm: number; readonly along: number } {
  let best = { mm: line[0] ? nearestOnSegment(p, line[0], line[0]).distance : Infinity, along: 0 };
  let before = 0;
  for (let i = 1; i < line.length; i++) {
    const [a, b] = [line[i - 1]!, line[i]!];
    const near = nearestOnSegment(p, a, b);
    const long = Math.hypot(b[0] - a[0], b[1] - a[1], b[2] - a[2]);
    if (near.distance < best.mm) best = { mm: near.distance, along: before + near.t * long };
    before += long;
  }
  return best;
}

/**
 * The field of a layer on the vertices of an area.
 * @param skin the whole animal, for distances that leave the area
 */
export function fieldOf(
  where: LayerWhere,
  shape: AreaShape,
  body: Body,
  skin: Mesh & { readonly edgeMm: number },
): Float64Array {
  const { patch } = shape;
  const n = patch.positions.length / 3;
  if (where.kind === 'all') return new Float64Array(n).fill(1);
  if (where.kind === 'edge') {
    const d = overSkinFrom(patch, borderEdges(patch.edges).flat());
    return d.map((x) => smoothStep(1.5 - (1.5 * x) / where.widthMm));
  }
  if (where.kind === 'line') {
    const sides = where.mirrored && !body.board ? [where.places, where.places.map(mirrorPlace)] : [where.places];
    const lines = sides.map((s) => points(body, s)).filter((l) => l.length > 0);
    return Float64Array.from({ length: n }, (_, v) => {
      const p: Vec3 = [patch.positions[3 * v]!, patch.positions[3 * v + 1]!, patch.positions[3 * v + 2]!];
      const mm = Math.min(Infinity, ...lines.map((l) => toLine(p, l).mm));
      // A line narrower than the grid of the skin still shows by its share.
      return Math.max(0, Math.min(1, 0.5 + (where.widthMm / 2 - mm) / skin.edgeMm));
    });
  }
  const { from, to, least } = where;
  let way: Float64Array;
  if (from === null && to === null) way = upTheArea(shape);
  else {
    const a = from && onPatch(overSkin(skin, bothSides(body, from, true), 4), shape);
    const b = to && onPatch(overSkin(skin, bothSides(body, to, true), 4), shape);
    if (a && b) way = a.map((x, v) => x / Math.max(1e-9, x + b[v]!));
    else {
      const one = (a ?? b)!;
      const most = one.reduce((s, x) => (Number.isFinite(x) ? Math.max(s, x) : s), 1e-9);
      way = one.map((x) => (a ? x / most : 1 - x / most));
    }
  }
  return way.map((t) => 1 + (least - 1) * Math.max(0, Math.min(1, Number.isFinite(t) ? t : 1)));
}

/** 0 at the hem to 1 at the top of each connected part of an area. */
function upTheArea(shape: AreaShape): Float64Array {
  const { patch, field } = shape;
  const lo = new Float64Array(patch.pieces).fill(Infinity);
  const hi = new Float64Array(patch.pieces).fill(-Infinity);
  field.phi.forEach((x, v) => {
    const c = patch.piece[v]!;
    lo[c] = Math.min(lo[c]!, x);
    hi[c] = Math.max(hi[c]!, x);
  });
  return Float64Array.from(field.phi, (x, v) => {
    const c = patch.piece[v]!;
    return (x - lo[c]!) / Math.max(1e-9, hi[c]! - lo[c]!);
  });
}

/** A value of the skin's vertices carried to the vertices of an area. */
export function onPatch(values: Float64Array, { patch }: AreaShape): Float64Array {
  return Float64Array.from({ length: patch.positions.length / 3 }, (_, v) => {
    const a = values[patch.from[2 * v]!]!;
    const b = values[patch.from[2 * v + 1]!]!;
    return a + (b - a) * patch.share[v]!;
  });
}
