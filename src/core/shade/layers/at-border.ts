/**
 * The colours of two areas where they meet: the mean along the border they share, each on its own side. Layers along a border,
 * fades and markings count there as much as they lie there. Linear light 0..1.
 */
import type { ShapedAreas } from '@/core/coat/coat-plan';
import type { Triple } from '@/core/colour/lab';
import { seenAt, type ShadeField } from './look';

/** By area and the area it meets. */
type BorderColours = ReadonlyMap<number, ReadonlyMap<number, Triple>>;

export function borderColours(
  shaped: Pick<ShapedAreas, 'shapes' | 'owner'>,
  fields: readonly (ShadeField | null)[],
): BorderColours {
  return new Map(
    fields.map((field, i) => {
      const shape = shaped.shapes[i];
      const sums = new Map<number, { count: number; sum: [number, number, number] }>();
      if (field && shape) {
        const { from } = shape.patch;
        for (let v = 0; v < field.a.length; v++) {
          // A vertex on the cut lies between one of the area and one of its neighbour.
          const [p, q] = [shaped.owner[from[2 * v]!]!, shaped.owner[from[2 * v + 1]!]!];
          const other = p === i ? q : p;
          if (other === i || other < 0) continue;
          const s = sums.get(other) ?? { count: 0, sum: [0, 0, 0] };
          const seen = seenAt(field, v);
          for (let k = 0; k < 3; k++) s.sum[k]! += seen[k]!;
          s.count++;
          sums.set(other, s);
        }
      }
      return [
        i,
        new Map([...sums].map(([j, s]) => [j, s.sum.map((x) => x / s.count) as unknown as Triple] as const)),
      ] as const;
    }),
  );
}
