/**
 * A needle as drawn, to scale: outline and barbs in its own measure, from the point (0) up; the rack, the section and the
 * printed book draw the same. mm
 */
import type { Needle } from '@/core/piece/cupboard';
import { barbsOf } from './blade';

interface NeedleDrawing {
  /** Distance from the point and half the width there, from the point up to where the drawing ends. */
  readonly edge: readonly (readonly [number, number])[];
  /** Barbs seen: distance from the point, which side, and how they point: into the wool or out of it. */
  readonly barbs: readonly { readonly at: number; readonly side: -1 | 0 | 1; readonly outMm: number }[];
  readonly reversed: boolean;
  readonly lengthMm: number;
}

/** Point and shank as needles usually have them, mm. */
const POINT_MM = 1.8;
const SHANK_MM = 0.95;
const SHANK_LONG = 12;

type Drawn = Pick<Needle, 'section' | 'thickMm' | 'tipMm' | 'barbs' | 'gapMm' | 'bladeMm'>;

export function needleDrawing(n: Drawn): NeedleDrawing {
  const half = n.thickMm / 2;
  const shank = Math.max(SHANK_MM / 2, half);
  return {
    edge: [
      [0, 0.03],
      [Math.min(POINT_MM, n.tipMm * 0.6), half],
      [n.bladeMm, half],
      [n.bladeMm + 2.5, shank],
      [n.bladeMm + SHANK_LONG, shank],
    ],
    barbs: barbsOf(n).map((at, i) => ({
      at,
      // Edges take turns; those in front are drawn on the blade.
      side: n.section === 'crown' ? ([-1, 1, 0] as const)[i % 3]! : ([-1, 0, 1] as const)[i % 3]!,
      outMm: 0.3 * n.thickMm,
    })),
    reversed: n.section === 'reverse',
    lengthMm: n.bladeMm + SHANK_LONG,
  };
}

/** Half the width of the blade at a distance from its point. */
export function halfWidthAt(d: NeedleDrawing, at: number): number {
  const i = Math.max(
    1,
    d.edge.findIndex(([u]) => u >= at),
  );
  const [u0, w0] = d.edge[i - 1]!;
  const [u1, w1] = d.edge[i]!;
  const t = u1 > u0 ? Math.max(0, Math.min(1, (at - u0) / (u1 - u0))) : 1;
  return w0 + t * (w1 - w0);
}
