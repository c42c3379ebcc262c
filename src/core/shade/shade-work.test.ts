/** The work of colour and what must come first (common practice). */
import { describe, expect, it } from 'vitest';
import { kingfisher, pineMarten } from '../../../demo/load';
import { change, plan } from '../../../demo/plain-marten';
import { type Piece } from '@/core/piece/schema';

describe('the order of colour', () => {
  it('holds what must hold: under-colour before coat, coat before veil, under-colour before reverse, blend before cut', () => {
    const p = plan(pineMarten);
    const number = (id: string) => p.work.steps.find((s) => s.operation.id === id)!.number;
    expect(number('shade-flanks-under')).toBeLessThan(number('lay-flanks'));
    expect(number('blend-flanks')).toBeLessThan(number('cut-flanks'));
    expect(number('lay-flanks')).toBeLessThan(number('shade-flanks-veil'));
    expect(number('shade-flanks-veil')).toBeLessThan(number('shade-flanks-flecks'));
    expect(number('shade-flanks-under')).toBeLessThan(number('shade-flanks-raise'));
    expect(number('bag-bib')).toBeGreaterThan(number('lay-bib'));
    expect(number('strays-bib')).toBeGreaterThan(number('bag-bib'));
    for (const s of p.work.steps) for (const b of s.because) expect(number(b.id)).toBeLessThan(s.number);
  });
  it('a marking under the pile lies before the coat, one over it after', () => {
    const number = (p: Piece, id: string) => plan(p).work.steps.find((s) => s.operation.id === id)!.number;
    expect(number(kingfisher, 'mark-back-stripe-veil')).toBeGreaterThan(number(kingfisher, 'lay-back'));
    const under = change(kingfisher, (d) => void (d.markings[0]!.under = true));
    expect(number(under, 'mark-back-stripe-veil')).toBeLessThan(number(under, 'lay-back'));
  });
});
