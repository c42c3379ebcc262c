/** The ball that is drawn is the ball that is counted. */
import { describe, expect, it } from 'vitest';
import { alpacaCria, cupboard, pineMarten } from '../../../demo/load';
import { practiceBall, COVERED_FROM_DEG } from '@/core/coat/practice';
import { defaultHand } from '@/core/piece/hand';
import { pieceSchema } from '@/core/piece/schema';
import { makePlan } from '@/core/plan';
import { handAtWork } from '@/core/rates/hand-at-work';
import { ballPiece } from './practice-piece';

describe('a practice ball', () => {
  it.each([
    ['belly', pineMarten, 40],
    ['tail', pineMarten, 60],
    ['neck', alpacaCria, 50],
  ] as const)('of %s is round, covered as far down, and takes what its room says', (id, piece, across) => {
    const made = ballPiece(piece, id, across)!;
    expect(pieceSchema.safeParse(made).success).toBe(true);
    const plan = makePlan(made, cupboard, defaultHand, undefined, { edgeShare: 1 / 60 });
    const { positions: p } = plan.form.skin;
    for (let i = 0; i < p.length; i += 3)
      expect(Math.hypot(p[i]!, p[i + 1]!, p[i + 2]!) / (across / 2)).toBeCloseTo(1, 2);
    const area = plan.coat.areas[0]!;
    // A ball less the cap over so many degrees: (1 + cos) / 2 of it.
    const share = (1 + Math.cos((COVERED_FROM_DEG * Math.PI) / 180)) / 2;
    expect(area.areaMm2 / (Math.PI * across ** 2 * share)).toBeCloseTo(1, 1);
    const told = practiceBall(
      piece.areas.find((a) => a.id === id)!,
      piece.areas.find((a) => a.id === id)!.coat as never,
      across,
      cupboard,
      handAtWork(defaultHand, piece),
    )!;
    const rows = area.fur!.rows.rows.length;
    expect(Math.abs(rows - told.rows.rows.length)).toBeLessThanOrEqual(1);
    expect(Math.abs(area.fur!.figures.mass.value / told.figures.mass.value - 1)).toBeLessThan(0.1);
    expect(Math.abs(area.fur!.figures.cover.value - told.figures.cover.value)).toBeLessThan(0.03);
  });

  it('there is none of what is left bare, or is not there', () => {
    expect(ballPiece(pineMarten, 'nothing', 40)).toBeNull();
    const bare = { ...pineMarten, areas: [{ ...pineMarten.areas[0]!, coat: { method: 'none' as const } }] };
    expect(ballPiece(bare, bare.areas[0]!.id, 40)).toBeNull();
  });
});
