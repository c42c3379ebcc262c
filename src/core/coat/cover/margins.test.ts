import { describe, expect, it } from 'vitest';
import { cupboard, pineMarten } from '../../../../demo/load';
import { coatSchema, type FoldOver, type Laid } from '@/core/piece/coat';
import { kindOf, saysOf } from '@/core/piece/fields';
import { defaultHand as hand } from '@/core/piece/hand';
import { coversWell } from './cover';
import { thinnestLay, widestSpacing } from './enough';
import { furLayOf } from '@/core/coat/techniques/fold-over/fold-over-lay';
import { marginsOf } from './margins';
import { wayOf, WAYS } from '@/core/coat/ways';

const flanks = pineMarten.areas.find((a) => a.id === 'flanks')!.coat as FoldOver;
const lot = cupboard.lots.find((l) => l.id === flanks.lotId)!;
const spec = <C extends Laid>(coat: C, l = lot) => ({ spec: coat, lot: l, hand, habit: 1, rise: 1 });

describe('margins', () => {
  it('of folded rows are the widest spacing, the thinnest lay, the shortest fur', () => {
    const lay = furLayOf(flanks, lot, hand);
    const [apart, weight, length] = marginsOf(wayOf('fold-over'), spec(flanks)).map((m) => m.limit);
    expect([apart, weight]).toEqual([widestSpacing(lay), thinnestLay(lay, 120)]);
    // By the weight as it is: half a millimetre shorter no longer covers, or shows its roots.
    expect(coversWell({ ...lay, lengthMm: length! })).toBe(true);
    expect(coversWell({ ...lay, lengthMm: length! - 0.5 })).toBe(false);
  });

  it('the shortest fur is the same wherever its slider stands', () => {
    const least = [10, 14, 24, 26].map(
      (lengthMm) =>
        marginsOf(wayOf('fold-over'), spec({ ...flanks, lengthMm })).find((m) => m.key === 'lengthMm')!.limit,
    );
    expect(new Set(least).size).toBe(1);
  });

  it('are called what the field of the same measure is called', () => {
    for (const way of WAYS)
      for (const m of way.margins) {
        const schema = kindOf(coatSchema, { method: way.method });
        expect(m.what.replace(/, mg$/, ''), `${way.method} ${m.key}`).toBe(saysOf(schema.shape[m.key]!)!.label);
      }
  });

  it('of every way: the limit covers, a step beyond it does not', () => {
    for (const way of WAYS) {
      const l = cupboard.lots.find((x) => way.suits[x.form].suits === 'well')!;
      const coat = way.begin({ lot: l, cupboard, hand, finishedLengthMm: 180, now: null });
      for (const m of marginsOf(way, spec(coat, l))) {
        expect(m.limit, `${way.method} ${m.what}`).not.toBeNull();
        // A first spec lies within its margins.
        if (m.bound === 'at most') expect(m.limit!).toBeGreaterThanOrEqual(m.now - 1e-9);
        else expect(m.limit!).toBeLessThanOrEqual(m.now + 0.05);
      }
    }
  });

  it('are none where nothing would do: fur whose rows cannot overlap', () => {
    const sparse = { ...flanks, spacingMm: 40 };
    const [, thinnest] = marginsOf(wayOf('fold-over'), spec(sparse));
    expect(thinnest!.limit).toBeNull();
  });
});
