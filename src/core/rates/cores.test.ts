/** Cores weighed heavier than asked: the next one is planned so, by how firm it is; what the maker has put in stays. */
import { expect, it } from 'vitest';
import { COARSELY, planned } from '../../../cli/testing/planned';
import { cupboard, pineMarten } from '../../../demo/load';
import { defaultHand, type Hand } from '@/core/piece/hand';
import { handAtWork, NO_PIECE, wayOfCore } from './hand-at-work';

const hand: Hand = {
  ...defaultHand,
  done: [
    {
      pieceId: 'before',
      name: 'Before',
      at: '2026-02-01T10:00:00Z',
      done: Array.from({ length: 8 }, () => ({
        of: 'wool' as const,
        way: wayOfCore('firm'),
        work: null,
        asked: 2,
        actual: 2.6,
      })),
    },
  ],
};

it('firm cores a third heavier are felted so much denser in the plan, others are as they were', () => {
  const first = planned(pineMarten, cupboard, defaultHand, COARSELY);
  const plan = planned(pineMarten, cupboard, hand, COARSELY);
  const times = plan.hand.laying[wayOfCore('firm')]!.wool!.times;
  expect(times).toBeGreaterThan(1.2);
  expect(times).toBeLessThan(1.3);
  let firm = 0;
  for (const p of plan.core.parts) {
    const was = first.core.parts.find((x) => x.id === p.id)!;
    // The form is drawn as it was; only how dense it is has changed.
    expect(p.volumeMm3, p.id).toBeCloseTo(was.volumeMm3, 6);
    expect(p.mass.value / was.mass.value, p.id).toBeCloseTo(p.firmness === 'firm' ? times : 1, 6);
    if (p.firmness === 'firm') firm++;
  }
  expect(firm).toBeGreaterThan(0);
});

it('a density the maker has put in stays, and nothing is said to be learned of it', () => {
  const firm = { ...defaultHand.coreDensityMgCm3.firm, usual: 110 };
  const own = { ...hand, coreDensityMgCm3: { ...defaultHand.coreDensityMgCm3, firm } };
  const at = handAtWork(own, NO_PIECE);
  expect(at.coreDensityMgCm3.firm).toEqual(firm);
  expect(at.laying[wayOfCore('firm')]).toBeUndefined();
});
