/**
 * An area as it lies on the skin: its cut surface, its lie, its row field. All that depends on the shape only and is
 * kept while wool, length, spacing or lift change.
 */
import type { FormWork } from '@/core/form/form';
import { cutPatch, directionsOnPatch, type Patch } from '@/core/geometry/cut';
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
}

/** Specks smaller than this many squares of the grid are dropped: 30 mm2 on an animal of 185 mm. */
const SPECK_SQUARES = 13;

/** @param depth signed depth of every skin vertex inside the area, mm. @returns null when the area lies nowhere */
export function shapeArea(form: FormWork, depth: Float64Array): AreaShape | null {
  const patch = cutPatch(form.skin, form.skin.edges, depth, SPECK_SQUARES * form.skin.edgeMm ** 2);
  if (!patch) return null;
  const lie = directionsOnPatch(patch, form.lie);
  const field = rowField(patch, rowSystem(patch), againstLie(patch, lie));
  let lo = Infinity;
  let hi = -Infinity;
  for (const x of field.phi) {
    lo = Math.min(lo, x);
    hi = Math.max(hi, x);
  }
  return {
    patch,
    normal: directionsOnPatch(patch, form.skin.normals),
    lie,
    field,
    components: componentsOf(patch, field.area, form.skin.edgeMm),
    heightMm: hi - lo,
  };
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
