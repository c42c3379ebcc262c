/** Ears: where they are seated, how wide the joint is and what covers it, and which fur the seat lies in or beside. */
import { norm, sub, type Vec3 } from '@/core/geometry/vec';
import type { CoatPlan } from '@/core/coat/coat-plan';
import { collarMass, fringeLength } from '@/core/build/core-methods';
import { fieldValue } from '@/core/geometry/field';
import { onLeaf } from '@/core/geometry/leaf';
import { semiOf, type Body, type BodyPart } from '@/core/form/body';
import type { FormWork } from '@/core/form/form';
import { asStanding, type StandingLeaf } from '@/core/form/leaf';
import { mirrorPlace, ontoSkin, placeAt, pointOf } from '@/core/form/places';
import { figure, type Figure } from '@/core/method/define';
import type { Face } from '@/core/piece/face';
import type { Piece, Place } from '@/core/piece/schema';
import { isEar } from '@/core/face/head/head';

interface EarPlace {
  readonly side: 'left' | 'right';
  readonly at: Vec3;
  /** Of a leaf: its edge half its thickness inside its outline, from where it comes out of the head over the tip to where it goes in again, mm, stride 3. */
  readonly rim: Float64Array | null;
}

export interface EarPlan {
  readonly places: readonly EarPlace[];
  readonly name: string;
  /** Flat part it is felted as; null where it is drawn only. */
  readonly flatId: string | null;
  readonly acrossMm: number;
  /** Half the thickness of a leaf; 0 where the ear is none. */
  readonly halfMm: number;
  readonly fringe: Figure;
  readonly collar: Figure;
  /** Areas whose fur stands within reach of the seat. */
  readonly near: readonly { readonly areaId: string; readonly name: string; readonly lengthMm: number }[];
}

const drawnEar = ({ body }: Pick<FormWork, 'body'>): BodyPart | undefined =>
  body.parts.find((p) => isEar(p.part) && p.part.shape !== 'board');

/** Where an ear on the animal's left is seated: a leaf where it comes out of the head, any other as decided, else where the drawn ear begins. */
export function earAt(form: Pick<FormWork, 'body'>, face: Face): Vec3 | null {
  const drawn = drawnEar(form);
  if (drawn?.leaf) return seatOf(form.body, drawn, drawn.leaf.left);
  const place = earPlace(form, face);
  return place && pointOf(form.body, place);
}

function earPlace(form: Pick<FormWork, 'body'>, face: Face): Place | null {
  if (face.ears.at) return face.ears.at;
  const drawn = drawnEar(form);
  if (!drawn) return null;
  const s = drawn.left;
  const root = drawn.part.root === 'start' ? s[0]!.a : s[s.length - 1]!.b;
  return placeAt(form.body, ontoSkin(form.body, root));
}

/** Steps along the middle of a leaf until it is out of what it is seated in, and halvings of the last. */
const STEPS = 40;
const HALVINGS = 20;

/** Where the middle of a leaf comes out of all other parts; its drawn beginning where it stands free. */
function seatOf(body: Body, of: BodyPart, leaf: StandingLeaf): Vec3 {
  const others = body.parts.flatMap((p, i) => (p === of ? [] : [i]));
  const outside = (v: number): boolean => {
    const [x, y, z] = onLeaf(leaf, 0, v);
    return fieldValue(body.field, others, x, y, z) >= 0;
  };
  let v = 0;
  while (v < leaf.length && !outside(v)) v += leaf.length / STEPS;
  if (v === 0) return leaf.root;
  let [a, b] = [v - leaf.length / STEPS, Math.min(v, leaf.length)];
  for (let k = 0; k < HALVINGS; k++) {
    const m = (a + b) / 2;
    if (outside(m)) b = m;
    else a = m;
  }
  return onLeaf(leaf, 0, b);
}

/** What is seen of its edge. */
function rimOf(body: Body, of: BodyPart | undefined, leaf: StandingLeaf | null | undefined): Float64Array | null {
  if (!of || !leaf) return null;
  const { rim } = leaf.solid;
  const others = body.parts.flatMap((p, i) => (p === of ? [] : [i]));
  const seen = Array.from(
    { length: rim.length / 3 },
    (_, i) => fieldValue(body.field, others, rim[3 * i]!, rim[3 * i + 1]!, rim[3 * i + 2]!) >= 0,
  );
  const from = seen.indexOf(true);
  return from < 0 ? null : rim.slice(3 * from, 3 * (seen.lastIndexOf(true) + 1));
}

export function planEars(form: FormWork, piece: Piece, face: Face, coat: CoatPlan): EarPlan | null {
  const kept = piece.flatParts.find((f) => f.kind === 'ear') ?? null;
  const flat = kept && asStanding(piece, kept, form.body.scale);
  const drawn = drawnEar(form);
  const left = earAt(form, face);
  const place = drawn?.leaf ? null : earPlace(form, face);
  if (!left || (!flat && !drawn)) return null;
  const other = drawn?.leaf?.right
    ? seatOf(form.body, drawn, drawn.leaf.right)
    : place && pointOf(form.body, mirrorPlace(place));
  const right = form.body.board ? null : other;
  const across = flat
    ? flatAcross(flat.outline, form.body.scale)
    : drawn!.part.shape === 'pad'
      ? 2 * drawn!.part.halfWidth * form.body.scale
      : 2 * semiOf(drawn!.left[0]!, 0).wide;
  const fringe = figure(fringeLength, { across });
  const reach = across / 2 + fringe.value;
  return {
    places: [
      { side: 'left', at: left, rim: rimOf(form.body, drawn, drawn?.leaf?.left) },
      ...(right ? [{ side: 'right' as const, at: right, rim: rimOf(form.body, drawn, drawn?.leaf?.right) }] : []),
    ],
    name: flat?.name ?? drawn!.part.name,
    flatId: flat?.id ?? null,
    acrossMm: across,
    halfMm: drawn?.leaf?.left.solid.half ?? 0,
    fringe,
    collar: figure(collarMass, { across, fringe: fringe.value }),
    near: coat.areas.flatMap((a) => {
      if (!a.fur || !a.surface) return [];
      const p = a.surface.positions;
      for (let v = 0; v < p.length; v += 3) {
        if (norm(sub([p[v]!, p[v + 1]!, p[v + 2]!], left)) < reach) {
          return [{ areaId: a.id, name: a.name, lengthMm: Math.max(a.fur.pile.hemMm, a.fur.pile.topMm) }];
        }
      }
      return [];
    }),
  };
}

/** Width of the seat of a flat part along its bottom, mm. */
function flatAcross(outline: readonly (readonly [number, number])[], scale: number): number {
  const low = Math.min(...outline.map((p) => p[1]));
  const high = Math.max(...outline.map((p) => p[1]));
  const foot = outline.filter((p) => p[1] < low + 0.15 * (high - low)).map((p) => p[0]);
  return Math.max(1, (Math.max(...foot) - Math.min(...foot)) * scale);
}
