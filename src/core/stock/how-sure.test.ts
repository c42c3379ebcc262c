/** Which doubt each use of wool carries, and what makes it smaller. */
import { describe, expect, it } from 'vitest';
import { cupboard, pineMarten } from '../../../demo/load';
import type { FoldOver } from '@/core/piece/coat';
import type { Swatch } from '@/core/piece/cupboard';
import { defaultHand as hand } from '@/core/piece/hand';
import { deviation, DOUBTS } from '@/core/method/doubt';
import { spanOfSum } from '@/core/method/span';
import { inDoubt, mostUnsure } from './how-sure';

const bib = pineMarten.areas.find((a) => a.id === 'bib')!.coat as FoldOver;
const weighed: Swatch = {
  id: 'one',
  name: 'Throat bib',
  at: '2026-03-01T09:00:00Z',
  coat: bib,
  diameterMm: 40,
  verdict: 'shows a little',
  loftMm: null,
  weighedMgCm: bib.layMgCm,
};
const take = (use: 'coat' | 'core' | 'layer of colour', massG: number, lotId: string | null = bib.lotId) => ({
  lotId,
  massG,
  for: use,
});
const wide = (list: Parameters<typeof inDoubt>[0], box = cupboard, own = hand) => {
  const s = spanOfSum(inDoubt(list, box, own));
  return s.high / s.low;
};

describe('how sure wool to take is', () => {
  it('a coat laid in two areas from one lot is no surer than in one; from two lots it is', () => {
    const [one, other] = [bib.lotId, cupboard.lots.find((l) => l.id !== bib.lotId)!.id];
    expect(wide([take('coat', 1, one), take('coat', 1, one)])).toBeCloseTo(wide([take('coat', 2, one)]), 12);
    expect(wide([take('coat', 1, one), take('coat', 1, other)])).toBeLessThan(wide([take('coat', 2, one)]) - 0.05);
  });

  it('a weighed swatch makes its own wool surer and no other, by the inverse of its variance', () => {
    const box = { ...cupboard, swatches: [weighed] };
    const other = cupboard.lots.find((l) => l.id !== bib.lotId)!.id;
    expect(wide([take('coat', 1)], box)).toBeLessThan(wide([take('coat', 1)]));
    expect(wide([take('coat', 1, other)], box)).toBe(wide([take('coat', 1, other)]));
    const sd = 1 / Math.sqrt(1 / DOUBTS.lay.first ** 2 + 1 / DOUBTS.lay.once ** 2);
    expect(deviation('lay', { lay: 1 })).toBeCloseTo(sd, 12);
  });

  it('a density of one’s own makes every core surer and no coat', () => {
    const own = structuredClone(hand);
    own.coreDensityMgCm3.firm.usual = 85;
    expect(wide([take('core', 5)], cupboard, own)).toBeLessThan(wide([take('core', 5)]));
    expect(wide([take('coat', 5)], cupboard, own)).toBe(wide([take('coat', 5)]));
  });

  it('wool not chosen yet counts, and what most is unsure about is named', () => {
    expect(spanOfSum(inDoubt([take('core', 3, null)], cupboard, hand)).likely).toBe(3);
    expect(mostUnsure(inDoubt([take('core', 3), take('coat', 3)], cupboard, hand))).toBe('core');
    expect(mostUnsure(inDoubt([take('core', 0.1), take('coat', 3)], cupboard, hand))).toBe('lay');
    expect(mostUnsure([])).toBeNull();
  });
});
