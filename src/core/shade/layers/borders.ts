/**
 * Borders of areas that stray and are softened: near them strands of both sides are mixed, by how deep a place lies inside
 * the area, with an even noise that makes the border irregular. Both sides of the animal stray alike.
 */
import type { ShapedAreas } from '@/core/coat/coat-plan';
import type { Piece } from '@/core/piece/schema';
import { coverAtDepth, onPatch, strayOf } from './fields';
import { mainLook, type ShadeField } from './look';

type Fields = readonly (ShadeField | null)[];

export function borders(
  piece: Pick<Piece, 'areas' | 'seed'>,
  shaped: Pick<ShapedAreas, 'shapes' | 'depths'>,
  fields: Fields,
): Fields {
  const ragged = piece.areas.map((a) => a.shade.border.raggedMm + a.shade.border.softMm > 0);
  if (!ragged.some(Boolean)) return fields;
  return fields.map((field, i) => {
    const shape = shaped.shapes[i];
    if (!field || !shape) return field;
    const n = field.a.length;
    const depths = shaped.depths.map((d) => onPatch(d, shape));
    const looks = [...field.looks];
    const main = new Map<number, number>();
    /** The look another area has over most of it, added to the looks of this one. */
    const lookOf = (j: number): number | null => {
      const had = main.get(j);
      if (had !== undefined) return had;
      const other = fields[j];
      if (!other) return null;
      looks.push(other.looks[mainLook(other)]!);
      main.set(j, looks.length - 1);
      return looks.length - 1;
    };
    const b = Uint16Array.from(field.a);
    const t = Float32Array.from(field.t);
    let changed = false;
    for (let v = 0; v < n; v++) {
      // The neighbour nearest to this place, and which of the two has the border.
      let j = -1;
      for (let k = 0; k < depths.length; k++)
        if (k !== i && fields[k] && (j < 0 || depths[k]![v]! > depths[j]![v]!)) j = k;
      if (j < 0) break;
      if (!ragged[i] && !ragged[j]) continue;
      const { raggedMm, softMm } = piece.areas[ragged[i] ? i : j]!.shade.border;
      const stray = strayOf(shape.patch.positions, v, raggedMm, piece.seed);
      // Depth inside the area with the border; a place of the neighbour lies outside it.
      const depth = ragged[i] ? depths[i]![v]! : depths[j]![v]!;
      if (Math.abs(depth) > raggedMm + softMm) continue;
      const inside = coverAtDepth(depth + stray, Math.max(softMm, 0.5));
      const other = ragged[i] ? 1 - inside : inside;
      const look = other > 0.01 ? lookOf(j) : null;
      if (look === null) continue;
      b[v] = look;
      t[v] = other;
      changed = true;
    }
    return changed ? { looks, a: field.a, b, t } : field;
  });
}
