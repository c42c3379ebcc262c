/** Spacing that is really held, told beside the spacing asked: how many rows it comes to, and two ways to put it. */
import { describe, expect, it } from 'vitest';
import { COARSELY, planned } from '../../../cli/testing/planned';
import { cupboard, pineMarten } from '../../../demo/load';
import { defaultHand, type Hand } from '@/core/piece/hand';
import type { Piece } from '@/core/piece/schema';
import { remedied } from '@/core/remedied';

const hand = (times: number): Hand => ({
  ...defaultHand,
  done: [
    {
      pieceId: 'before',
      name: 'Before',
      at: '2026-02-01T10:00:00Z',
      done: Array.from({ length: 12 }, () => ({
        of: 'spacing' as const,
        way: 'fold-over',
        work: null,
        asked: 3,
        actual: 3 * times,
      })),
    },
  ],
});
const of = (times: number, piece: Piece = pineMarten) => planned(piece, cupboard, hand(times), COARSELY);
const about = (p: ReturnType<typeof of>, id: string) =>
  p.findings.find((f) => f.code === 'coat-held' && f.about?.id === id);

describe('rows laid further apart than asked', () => {
  const plan = of(1.25);
  const finding = about(plan, 'belly')!;
  const belly = pineMarten.areas.find((a) => a.id === 'belly')!;
  const asked = 'spacingMm' in belly.coat ? belly.coat.spacingMm : 0;
  const numbers = JSON.stringify(finding.says);

  it('are told as many as will be laid, and the plan keeps to what is asked', () => {
    const times = plan.hand.laying['fold-over']!.spacing!.times;
    const rows = plan.coat.areas.find((a) => a.id === 'belly')!.fur!.rows.rows.length;
    expect(times).toBeGreaterThan(1.15);
    expect(numbers).toContain(`"value":${Math.round(rows / times)}`);
    expect(rows).toBe(of(1).coat.areas.find((a) => a.id === 'belly')!.fur!.rows.rows.length);
    expect(finding.severity).toBe('note');
  });
  it('are put either way: planned as they come, or asked closer so that they come as meant', () => {
    const spacing = (i: number) => {
      const changed = remedied({ piece: pineMarten, cupboard }, finding.remedies[i]!).piece.areas.find(
        (a) => a.id === 'belly',
      )!;
      return 'spacingMm' in changed.coat ? changed.coat.spacingMm : 0;
    };
    const times = plan.hand.laying['fold-over']!.spacing!.times;
    expect(spacing(0)).toBeCloseTo(asked * times, 1);
    expect(spacing(1) * times).toBeCloseTo(asked, 0);
  });
  it('and those that come as asked are not told of', () => {
    for (const times of [1, 1.05, 0.96]) expect(of(times).findings.some((f) => f.code === 'coat-held')).toBe(false);
  });
});
