/**
 * An area as it lies on the skin: its cut surface, opened along its seam, its lie, its row field. All that depends on the shape only and is
 * kept while wool, length, spacing or lift change.
 */
import { placeOnPart } from '@/core/form/body';
import type { FormWork } from '@/core/form/form';
import { mirrorPlace, pointOf } from '@/core/form/places';
import { cutPatch, directionsOnPatch, type Patch } from '@/core/geometry/cut';
import { openSeam } from '@/core/geometry/seam';
import type { Vec3 } from '@/core/geometry/vec';
import type { Area, Place } from '@/core/piece/schema';
import { againstLie, rowField, rowSystem, type RowField } from './row-field';

/** One connected part of an area. */
export interface Component {
  readonly areaMm2: number;
  readonly side: 'left' | 'right' | 'middle';
  /** The component on the animal's left that this one mirrors; null when it stands for itself. */
  readonly twinOf: number | null;
}

export interface AreaShape {
  readonly patch: Patch;
  readonly normal: Float64Array;
  readonly lie: Float64Array;
  readonly field: RowField;
  readonly components: readonly Component[];
  /** Height against the lie from the lowest to the highest place, mm. */
  readonly heightMm: number;
  /** How far rows must depart from the lie, 0 to about 1; over 0.25 the lie winds round or swirls. */
  readonly swirl: number;
  /** Places its fur points away from, mm. */
  readonly away: readonly Vec3[];
}

/** Specks smaller than this many squares of the grid are dropped: 30 mm2 on an animal of 185 mm. */
const SPECK_SQUARES = 13;

type ShapeChoices = Pick<Area, 'awayFrom' | 'evenness' | 'seam'>;

/** @param depth signed depth of every skin vertex inside the area, mm. @returns null when the area lies nowhere */
export function shapeArea(
  form: FormWork,
  depth: Float64Array,
  { awayFrom, evenness, seam }: ShapeChoices = { awayFrom: null, evenness: 0, seam: 'none' },
): AreaShape | null {
  const whole = cutPatch(form.skin, form.skin.edges, depth, SPECK_SQUARES * form.skin.edgeMm ** 2);
  if (!whole) return null;
  const patch = seam === 'none' ? whole : openSeam(whole, sidesOfSeam(form, whole, seam));
  const normal = directionsOnPatch(patch, form.skin.normals);
  const away = awayFrom ? eyesOf(form, awayFrom) : [];
  const lie = away.length > 0 ? pointingAway(patch, normal, away) : directionsOnPatch(patch, form.lie);
  const field = rowField(patch, rowSystem(patch), againstLie(patch, lie), evenness);
  let lo = Infinity;
  let hi = -Infinity;
  for (const x of field.phi) {
    lo = Math.min(lo, x);
    hi = Math.max(hi, x);
  }
  return {
    patch,
    normal,
    lie,
    field,
    components: componentsOf(patch, field.area, form.skin.edgeMm),
    heightMm: hi - lo,
    swirl: swirlOf(field),
    away,
  };
}

/** Mean of |grad phi - g|^2 over the area: sin^2 of the angle at which a lie winds round a tube. */
function swirlOf(f: RowField): number {
  let sum = 0;
  let area = 0;
  for (let t = 0; t < f.area.length; t++) {
    const g = f.steepness[t]!;
    sum += f.area[t]! * (g * g - 2 * g * Math.cos((f.strayDeg[t]! * Math.PI) / 180) + 1);
    area += f.area[t]!;
  }
  return area > 0 ? sum / area : 0;
}

/** The place and, where the animal has two sides, its mirror image. */
function eyesOf(form: FormWork, at: Place): Vec3[] {
  const one = pointOf(form.body, at);
  const two = form.body.board ? null : pointOf(form.body, mirrorPlace(at));
  return [one, two].filter((x): x is Vec3 => x !== null);
}

/** Directions away from the nearest of some places, along the skin. */
function pointingAway(patch: Patch, normal: Float64Array, away: readonly Vec3[]): Float64Array {
  const n = patch.positions.length / 3;
  const out = new Float64Array(3 * n);
  for (let v = 0; v < n; v++) {
    let best: [number, number, number] = [0, 0, 1];
    let least = Infinity;
    for (const e of away) {
      const d = [0, 1, 2].map((k) => patch.positions[3 * v + k]! - e[k]!) as [number, number, number];
      const l = d[0] ** 2 + d[1] ** 2 + d[2] ** 2;
      if (l < least) {
        least = l;
        best = d;
      }
    }
    const off = best[0] * normal[3 * v]! + best[1] * normal[3 * v + 1]! + best[2] * normal[3 * v + 2]!;
    const flat = [0, 1, 2].map((k) => best[k]! - off * normal[3 * v + k]!);
    const s = 1 / Math.sqrt(flat[0]! ** 2 + flat[1]! ** 2 + flat[2]! ** 2 || 1);
    for (let k = 0; k < 3; k++) out[3 * v + k] = s * flat[k]!;
  }
  return out;
}

/** Which side of the seam every triangle of an area is on; only those nearer to the seam than to the far side count. */
function sidesOfSeam(form: FormWork, patch: Patch, seam: 'under' | 'top'): Int8Array {
  const P = form.body.parts.length;
  return Int8Array.from({ length: patch.triangles.length / 3 }, (_, t) => {
    const c = [0, 0, 0];
    for (let k = 0; k < 3; k++)
      for (let j = 0; j < 3; j++) c[j]! += patch.positions[3 * patch.triangles[3 * t + k]! + j]! / 3;
    const v = patch.from[2 * patch.triangles[3 * t]!]!;
    let which = 0;
    for (let p = 1; p < P; p++) if (form.distance[v * P + p]! < form.distance[v * P + which]!) which = p;
    const at = placeOnPart(form.body.parts[which]!, c[0]!, c[1]!, c[2]!);
    if (seam === 'under' ? at.aroundDeg < 90 : at.aroundDeg > 90) return 0;
    return at.outMm >= 0 ? 1 : -1;
  });
}

function componentsOf(patch: Patch, area: Float64Array, edgeMm: number): Component[] {
  const total = new Float64Array(patch.pieces);
  const centre = new Float64Array(3 * patch.pieces);
  for (let t = 0; t < area.length; t++) {
    const c = patch.piece[patch.triangles[3 * t]!]!;
    total[c]! += area[t]!;
    for (let k = 0; k < 3; k++) {
      for (let j = 0; j < 3; j++) {
        centre[3 * c + j]! += (area[t]! * patch.positions[3 * patch.triangles[3 * t + k]! + j]!) / 3;
      }
    }
  }
  const at = (c: number, j: number) => centre[3 * c + j]! / total[c]!;
  const sides = Array.from(total, (_, c): Component['side'] =>
    Math.abs(at(c, 0)) < 0.1 * edgeMm ? 'middle' : at(c, 0) > 0 ? 'left' : 'right',
  );
  return sides.map((side, c) => {
    const twin = sides.findIndex(
      (s, d) =>
        side === 'right' &&
        s === 'left' &&
        Math.abs(total[c]! - total[d]!) < 1e-4 * total[c]! &&
        Math.abs(at(c, 0) + at(d, 0)) < 0.01 * edgeMm &&
        Math.abs(at(c, 1) - at(d, 1)) < 0.01 * edgeMm &&
        Math.abs(at(c, 2) - at(d, 2)) < 0.01 * edgeMm,
    );
    return { areaMm2: total[c]!, side, twinOf: twin >= 0 ? twin : null };
  });
}
