/** Places and shapes of all areas of a piece, at their finished size. */
import { areaDepth, depthAfter } from '@/core/form/areas';
import type { FormWork } from '@/core/form/form';
import { lieMarks } from '@/core/form/lie-marks';
import { REFERENCE_MM } from '@/core/form/resize';
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
 * @param formKey what the skin was made from
 * @param lieKey what the lie was made from besides
 */
export function* shapeAreas(
  piece: Piece,
  form: FormWork,
  formKey: string,
  lieKey: string,
  memo: Memo,
): Generator<{ readonly name: string }, ShapedAreas> {
  const k = piece.form.finishedLengthMm / REFERENCE_MM;
  const wheres = piece.areas.map((a) => JSON.stringify([a.where, a.strokes]));
  const own: Float64Array[] = [];
  for (const [i, a] of piece.areas.entries()) {
    own.push(memo.keep(`depth:${a.id}`, formKey + wheres[i]!, () => areaDepth(form.body, form.skin, form.distance, a)));
  }
  const taken = (i: number) =>
    memo.keep(`taken:${piece.areas[i]!.id}`, formKey + wheres.slice(i).join('|'), () =>
      depthAfter(own[i]!, own.slice(i + 1)),
    );
  const shapes: (AreaShape | null)[] = [];
  const keys: string[] = [];
  for (const [i, a] of piece.areas.entries()) {
    yield { name: a.name };
    const key = `${formKey}${lieKey}${wheres.slice(i).join('|')}${JSON.stringify([a.awayFrom, a.evenness, a.seam])}`;
    const shape = memo.keep(`shape:${a.id}`, key, () => shapeArea(form, taken(i), a));
    keys.push(`${key}*${k}`);
    shapes.push(memo.keep(`stretched:${a.id}`, keys[i]!, () => shape && resizeShape(shape, k)));
  }
  const all = `${formKey}${lieKey}${wheres.join('|')}${piece.areas.map((a) => a.id).join()}`;
  const over = memo.keep('overhangs', all, () =>
    overhangs(
      form,
      piece.areas.map((_, i) => taken(i)),
    ),
  );
  const owner = memo.keep('owner', formKey + wheres.join('|'), () => {
    const of = new Int32Array(form.skin.positions.length / 3).fill(-1);
    piece.areas.forEach((_, i) => taken(i).forEach((d, v) => d > 0 && (of[v] = i)));
    return of;
  });
  const corners = memo.keep('corners', all, () => cornersOf(form, owner));
  const marks = memo.keep('lie-marks', formKey + lieKey, () => lieMarks(form.skin, form.lie));
  return {
    shapes,
    overhangs: over.map((o) => resizeOverhang(o, k)),
    owner,
    depths: piece.areas.map((a, i) =>
      memo.keep(`taken-mm:${a.id}`, `${formKey}${wheres.slice(i).join('|')}*${k}`, () => taken(i).map((d) => d * k)),
    ),
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
    keys,
  };
}
