/**
 * What a face says, from its numbers: brows that come down inside look cross, arched ones over a wide eye curious, a lid
 * far down sleepy, an inner corner up with an outer one down gentle (common practice). The weights are ours.
 */
import type { Brows, Eyes } from '@/core/piece/face';

export const EXPRESSIONS = ['curious', 'cross', 'sleepy', 'gentle'] as const;
type Expression = (typeof EXPRESSIONS)[number];

export interface Look {
  /** 0..1 each. */
  readonly scores: Readonly<Record<Expression, number>>;
  /** The strongest, or calm where none is clear. */
  readonly says: Expression | 'calm';
  readonly because: readonly string[];
}

const clamp = (x: number): number => Math.max(0, Math.min(1, x));
/** Below this no expression is clear. Ours. */
const CLEAR = 0.35;

export function expression(eyes: Pick<Eyes, 'lids' | 'sizeMm' | 'slantDeg' | 'gazeUpDeg'>, brows: Brows | null): Look {
  const { lids, sizeMm } = eyes;
  const tilt = brows ? brows.tiltDeg : 0;
  const arch = brows ? brows.archMm / Math.max(1, brows.lengthMm) : 0;
  // A straight brow close over the eye looks cross even level.
  const straight = brows ? clamp(1 - arch / 0.12) * 0.25 : 0;
  const near = brows ? clamp(1 - brows.aboveMm / Math.max(1, 1.2 * sizeMm)) : 0;
  const inner = lids.innerMm / sizeMm;
  const outer = lids.outerMm / sizeMm;
  const sleepy = clamp((lids.upper - 0.22) / 0.3) * (lids.upper >= 1 ? 1 : 1 - 0.3 * lids.lower);
  const scores = {
    cross: clamp(
      tilt / 22 + straight + 0.2 * near * clamp(tilt / 10) + clamp(eyes.slantDeg / 40) * 0.3 - clamp(inner * 4),
    ),
    curious:
      clamp(
        (1 - lids.upper / 0.2) * 0.45 + clamp(arch / 0.25) * 0.5 + clamp(eyes.gazeUpDeg / 20) * 0.2 - clamp(tilt / 15),
      ) * (lids.upper < 0.2 ? 1 : 0.3),
    sleepy,
    gentle: clamp(inner * 3 + outer * 3 + clamp(-tilt / 25) * 0.6),
  };
  const best = EXPRESSIONS.reduce((a, b) => (scores[b] > scores[a] ? b : a));
  const because: string[] = [];
  if (tilt > 4) because.push('the brow comes down inside');
  if (tilt < -4) because.push('the brow rises inside');
  if (arch > 0.1) because.push('the brow is arched');
  if (brows && arch <= 0.05 && Math.abs(tilt) <= 4) because.push('the brow is straight');
  if (lids.upper > 0.35) because.push('the upper lid is far down');
  if (lids.upper < 0.1) because.push('the eye is wide open');
  if (inner > 0.05) because.push('the inner corner is pushed up');
  if (outer > 0.05) because.push('the outer corner is pushed down');
  return { scores, says: scores[best] >= CLEAR ? best : 'calm', because };
}
