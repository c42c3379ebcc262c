/** A part cut across at its marks: the finished outline and the core inside it, as the build sheet shows them. */
import { partDistance } from '@/core/geometry/field';
import { around, slice, widthOf, type Loop } from '@/core/geometry/slice';
import { onAxis, type BodyPart } from '@/core/form/body';
import type { CoreSkin } from './core-skin';
import type { FormWork } from '@/core/form/form';

/** Where across a part it is cut through on the build sheet. */
const MARKS = [0.25, 0.5, 0.75] as const;
/** A cut this much wider than the part itself has run on into a neighbour. Ours. */
const MERGED = 1.45;

export interface Section {
  /** Share of the way along the part. */
  readonly along: number;
  /** Across and from top to bottom, mm; the core's are null where the coat leaves none. */
  readonly finished: { readonly width: number; readonly height: number };
  readonly core: { readonly width: number; readonly height: number } | null;
  /** Outlines about the axis, the part's left to the right of the paper, its top up. */
  readonly finishedLoop: Loop;
  readonly coreLoop: Loop | null;
}

export function sectionsOf(w: FormWork, core: CoreSkin, part: BodyPart): Section[] {
  return MARKS.flatMap((along): Section[] => {
    const m = onAxis(part, part.left, along);
    const plane = { at: m.at, normal: m.axis, across: m.out, up: m.top };
    const own = w.body.field.parts[w.body.parts.indexOf(part)]!;
    // Where another part is thicker than this one, the cut would measure that part.
    const here = partDistance(own, ...(m.at as [number, number, number]));
    const buried = w.body.field.parts.some(
      (f) => f !== own && partDistance(f, ...(m.at as [number, number, number])) < here,
    );
    if (buried) return [];
    const of = (mesh: Parameters<typeof slice>[0]) => slice(mesh, plane).find((l) => around(l)) ?? null;
    const finishedLoop = of(w.skin);
    if (!finishedLoop) return [];
    const coreLoop = core.skin && of(core.skin);
    const size = (l: Loop) => ({ width: widthOf(l, 0), height: widthOf(l, 1) });
    // Where the cut runs on into a neighbour it says nothing about this part.
    const across =
      part.part.shape === 'pad'
        ? Math.max(part.part.halfWidth, part.part.halfHeight) * w.body.scale
        : Math.max(m.semi.wide, m.semi.over, m.semi.under);
    const widest = 2 * MERGED * across;
    const extent = [0, 1].map((k) => {
      const at = finishedLoop.filter((_, i) => i % 2 === k);
      return Math.max(...at) - Math.min(...at);
    });
    if (Math.max(...extent) > widest) return [];
    return [{ along, finished: size(finishedLoop), core: coreLoop && size(coreLoop), finishedLoop, coreLoop }];
  });
}
