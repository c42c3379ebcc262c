/** Places and shapes of all areas of a piece, at their finished size. */
import { areaDepth, depthAfter } from '@/core/form/areas';
import type { FormWork } from '@/core/form/form';
import { lieMarks } from '@/core/form/lie-marks';
import { REFERENCE_MM, times } from '@/core/form/resize';
import type { Memo } from '@/core/memo';
import type { Piece } from '@/core/piece/schema';
import { shapeArea, type AreaShape } from './area-shape';
import type { ShapedAreas } from '@/core/coat/coat-plan';
import { cornersOf } from './corners';
import { overhangs } from './neighbours';
import { resizeOverhang, resizeShape } from './resize-shape';

/**
 * Places and shapes of all areas, made on the form at its reference length and stretched to the finished one. Kept while
 * only wool, length, spacing or lift change; a change of size stretches and nothing more; a stroke of the comb leaves the
 * places as they are.
 * @param uncombed the form with the lie of its parts
 * @param form the same, combed; itself where nothing is combed
 */
export function* shapeAreas(
  piece: Piece,
  uncombed: FormWork,
  form: FormWork,
  memo: Memo,
): Generator<{ readonly name: string }, ShapedAreas> {
  const k = piece.form.finishedLengthMm / REFERENCE_MM;
  const own = piece.areas.map((a) =>
    memo.keep(`depth:${a.id}`, [a.where, a.strokes, uncombed], (where, strokes, { body, skin, distance }) =>
      areaDepth(body, skin, distance, { where, strokes }),
    ),
  );
  const taken = piece.areas.map((a, i) => memo.keep(`taken:${a.id}`, [own[i]!, own.slice(i + 1)], depthAfter));
  const shapes: (AreaShape | null)[] = [];
  for (const [i, a] of piece.areas.entries()) {
    yield { name: a.name };
    const { awayFrom, evenness, seam } = a;
    const shape = memo.keep(`shape:${a.id}`, [form, taken[i]!, { awayFrom, evenness, seam }], shapeArea);
    shapes.push(memo.keep(`stretched:${a.id}`, [shape, k], (s, by) => s && resizeShape(s, by)));
  }
  const over = memo.keep('overhangs', [form, taken], overhangs);
  const owner = memo.keep('owner', [uncombed.skin.positions.length / 3, taken], ownersOf);
  const corners = memo.keep('corners', [form, owner], cornersOf);
  const marks = memo.keep('lie-marks', [form.skin, form.lie], lieMarks);
  return {
    shapes,
    overhangs: over.map((o) => resizeOverhang(o, k)),
    owner,
    depths: piece.areas.map((a, i) => memo.keep(`taken-mm:${a.id}`, [taken[i]!, k], times)),
    marks: marks.map((m) => ({
      ...m,
      at: [m.at[0] * k, m.at[1] * k, m.at[2] * k] as const,
      lengthMm: m.lengthMm * k,
    })),
    corners: corners.map((c) => ({
      ...c,
      borderMm: c.borderMm * k,
      along: c.along.map(([x, y, z]) => [x * k, y * k, z * k] as const),
    })),
  };
}

/** Index of the area every vertex of the skin lies in; -1 where none has it. */
function ownersOf(vertices: number, taken: readonly Float64Array[]): Int32Array {
  const of = new Int32Array(vertices).fill(-1);
  taken.forEach((depths, i) => depths.forEach((d, v) => d > 0 && (of[v] = i)));
  return of;
}
