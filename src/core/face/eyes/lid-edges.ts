/**
 * Where the edges of the lids run over the eye seen square on, and what they hide of its lights. mm from the middle of the eye, x
 * to the viewer's right, y up.
 */
import type { Eyes } from '@/core/piece/face';
import type { EyeFace } from './ladder';

/** How high an edge stands at x. */
type Edge = (x: number) => number;

interface LidEdges {
  /** Null where no lid comes over the eye. */
  readonly upper: Edge | null;
  readonly lower: Edge | null;
}

/**
 * The edge of a lid over the disc from its inner to its outer corner.
 * @param covered share of the height of the disc it covers, from above (1) or below (-1)
 */
function lidEdge(
  radius: number,
  covered: number,
  from: 1 | -1,
  innerUp: number,
  outerUp: number,
  innerSign: 1 | -1,
): Edge {
  return (x) => {
    const t = x / radius;
    const ends = innerSign * x > 0 ? innerUp : outerUp;
    // The edge of the disc itself while nothing is covered, a level line at half.
    return from * (1 - 2 * covered) * Math.sqrt(Math.max(0, radius * radius - x * x)) + ends * t * t;
  };
}

export function lidEdges({ lids }: Pick<Eyes, 'lids'>, discMm: number, side: 'left' | 'right'): LidEdges {
  const R = discMm / 2;
  const innerSign = side === 'left' ? -1 : 1;
  return {
    upper:
      lids.upper > 0 || lids.innerMm !== 0 || lids.outerMm !== 0
        ? lidEdge(R, lids.upper, 1, lids.innerMm, -0.3 * lids.outerMm, innerSign)
        : null,
    lower:
      lids.lower > 0 || lids.outerMm !== 0
        ? lidEdge(R, lids.lower, -1, 0.3 * lids.innerMm, -lids.outerMm, innerSign)
        : null,
  };
}

/** How much of its height the lids take of the first light of an eye: 0 none, 1 all; 0 without a light. */
export function lightHidden(eyes: Pick<Eyes, 'lids'>, discMm: number, face: EyeFace): number {
  const light = face.lights[0];
  if (!light) return 0;
  const { upper, lower } = lidEdges(eyes, discMm, face.side);
  const r = light.sizeMm / 2;
  const over = upper ? light.y + r - upper(light.x) : 0;
  const under = lower ? lower(light.x) - (light.y - r) : 0;
  return Math.max(0, Math.min(1, Math.max(over, under) / light.sizeMm));
}
