/**
 * What lies round an eye: the colours it has to stand apart from, and the fur that comes near it. No fibre may point into
 * an eye.
 */
import { norm, sub, type Vec3 } from '@/core/geometry/vec';
import { nearestOnSegment } from '@/core/geometry/segment';
import type { CoatPlan } from '@/core/coat/coat-plan';
import { labOfLinear, type Triple } from '@/core/colour/lab';
import { hexOf } from '@/core/colour/rgb';
import type { ShadePlan } from '@/core/shade/shade-plan';
import { seenColours } from '@/core/shade/layers/strand-colour';
import type { EyePlace } from './eye-place';

/** Width of the ring of skin round an eye whose colour it is seen against, mm. Ours. */
const RING = 2.5;

export interface AroundColour {
  /** Mean colour seen in the ring. */
  readonly hex: string;
  readonly lab: Triple;
  /** The area with most of the ring. */
  readonly areaId: string;
  readonly name: string;
}

/** @param reachMm half the width of the eye with its rim  @returns null where no area comes near */
export function colourAround(eye: Vec3, reachMm: number, coat: CoatPlan, shade: ShadePlan): AroundColour | null {
  const sum: [number, number, number] = [0, 0, 0];
  let n = 0;
  let best: { areaId: string; name: string; count: number } | null = null;
  for (const a of coat.areas) {
    const field = shade.areas.find((s) => s.id === a.id)?.field;
    if (!a.surface || !field) continue;
    const p = a.surface.positions;
    const colours = seenColours(field);
    let count = 0;
    for (let v = 0; v < p.length / 3; v++) {
      const d = norm(sub([p[3 * v]!, p[3 * v + 1]!, p[3 * v + 2]!], eye));
      if (d < 0.8 * reachMm || d > reachMm + RING) continue;
      count++;
      for (let k = 0; k < 3; k++) sum[k]! += colours[3 * v + k]!;
    }
    n += count;
    if (count > 0 && (!best || count > best.count)) best = { areaId: a.id, name: a.name, count };
  }
  if (!best) return null;
  const mean: Triple = [sum[0] / n, sum[1] / n, sum[2] / n];
  return { hex: hexOf(mean), lab: labOfLinear(mean), areaId: best.areaId, name: best.name };
}

export interface FurNear {
  readonly areaId: string;
  readonly name: string;
  /** Nearest any fibre comes to the middle of an eye, mm. */
  readonly fibreMm: number;
  /** Of the fibres rooted within their own length of an eye, the share that reaches it. */
  readonly into: number;
  /** Longest fur that stays out of the eye, mm; 0 where roots lie in it. */
  readonly longestMm: number;
}

/** Fur of every area that could reach an eye. @param reachMm half the width of the eye */
export function furNear(eyes: readonly EyePlace[], reachMm: number, coat: CoatPlan): FurNear[] {
  return coat.areas.flatMap((a): FurNear[] => {
    if (!a.fur) return [];
    const long = Math.max(a.fur.pile.hemMm, a.fur.pile.topMm);
    const lift = Math.cos((a.fur.pile.liftDeg * Math.PI) / 180);
    let fibre = Infinity;
    let near = 0;
    let into = 0;
    let longest = long;
    for (const row of a.fur.rows.rows) {
      for (const piece of row.pieces) {
        const { points: p, lie, normal } = piece;
        for (let i = 0; i < p.length; i += 3) {
          const at: Vec3 = [p[i]!, p[i + 1]!, p[i + 2]!];
          for (const e of eyes) {
            const d = norm(sub(e.at, at));
            if (d > long + reachMm) continue;
            near++;
            const up = Math.sqrt(Math.max(0, 1 - lift * lift));
            const to = (l: number): Vec3 => [
              at[0] + l * (lift * lie[i]! + up * normal[i]!),
              at[1] + l * (lift * lie[i + 1]! + up * normal[i + 1]!),
              at[2] + l * (lift * lie[i + 2]! + up * normal[i + 2]!),
            ];
            const reached = nearestOnSegment(e.at, at, to(long)).distance;
            fibre = Math.min(fibre, reached);
            // A root in the eye itself is left out when the eye goes in; only what grows into it counts.
            if (reached >= reachMm || d < reachMm) continue;
            into++;
            longest = Math.min(longest, d - reachMm);
          }
        }
      }
    }
    return near === 0
      ? []
      : [
          {
            areaId: a.id,
            name: a.name,
            fibreMm: fibre,
            into: into / near,
            longestMm: Math.max(0, longest),
          },
        ];
  });
}
