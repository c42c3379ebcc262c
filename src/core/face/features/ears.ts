/** Ears: where they are seated, how wide the joint is and what covers it, and which fur the seat lies in or beside. */
import { norm, sub, type Vec3 } from '@/core/geometry/vec';
import type { CoatPlan } from '@/core/coat/coat-plan';
import { collarMass, fringeLength } from '@/core/build/core-methods';
import { semiOf } from '@/core/form/body';
import type { FormWork } from '@/core/form/form';
import { mirrorPlace, ontoSkin, placeAt, pointOf } from '@/core/form/places';
import { figure, type Figure } from '@/core/method/define';
import type { Face } from '@/core/piece/face';
import type { Piece, Place } from '@/core/piece/schema';
import { isEar } from '@/core/face/head/head';

interface EarPlace {
  readonly side: 'left' | 'right';
  readonly at: Vec3;
}

export interface EarPlan {
  readonly places: readonly EarPlace[];
  readonly name: string;
  /** Flat part it is felted as; null where it is drawn only. */
  readonly flatId: string | null;
  readonly acrossMm: number;
  readonly fringe: Figure;
  readonly collar: Figure;
  /** Areas whose fur stands within reach of the seat. */
  readonly near: readonly { readonly areaId: string; readonly name: string; readonly lengthMm: number }[];
}

/** Where an ear on the animal's left is seated: as decided, else where the drawn ear begins. */
export function earPlace(form: Pick<FormWork, 'body'>, piece: Pick<Piece, 'flatParts'>, face: Face): Place | null {
  if (face.ears.at) return face.ears.at;
  const drawn = form.body.parts.find((p) => isEar(p.part) && p.part.shape !== 'board');
  if (!drawn) return null;
  const s = drawn.left;
  const root = drawn.part.root === 'start' ? s[0]!.a : s[s.length - 1]!.b;
  return placeAt(form.body, ontoSkin(form.body, root));
}

export function planEars(form: FormWork, piece: Piece, face: Face, coat: CoatPlan): EarPlan | null {
  const flat = piece.flatParts.find((f) => f.kind === 'ear') ?? null;
  const drawn = form.body.parts.find((p) => isEar(p.part));
  const place = earPlace(form, piece, face);
  if (!place || (!flat && !drawn)) return null;
  const left = pointOf(form.body, place);
  const right = form.body.board ? null : pointOf(form.body, mirrorPlace(place));
  if (!left) return null;
  const across = flat
    ? flatAcross(flat.outline, form.body.scale)
    : drawn!.part.shape === 'pad'
      ? 2 * drawn!.part.halfWidth * form.body.scale
      : 2 * semiOf(drawn!.left[0]!, 0).wide;
  const fringe = figure(fringeLength, { across });
  const reach = across / 2 + fringe.value;
  return {
    places: [{ side: 'left', at: left }, ...(right ? [{ side: 'right' as const, at: right }] : [])],
    name: flat?.name ?? drawn!.part.name,
    flatId: flat?.id ?? null,
    acrossMm: across,
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
