/** What is said of the layers of an area, and whether the remedies cure it. */
import { describe, expect, it } from 'vitest';
import { lightness } from '@/core/colour/lab';
import { comparedTo } from '@/core/shade/words';
import { cupboard } from '../../../../demo/load';
import { COAT, change, layers, plain, plan, shadedOf, veil } from '../../../../demo/plain-marten';
import { correction } from '@/core/shade/matching/correct';
import { defaultHand } from '@/core/piece/hand';
import { readPiece } from '@/core/piece/read';
import { type Piece } from '@/core/piece/schema';
import { type Layer } from '@/core/piece/shade';

describe('judgement of layers', () => {
  const ids = (p: Piece, box = cupboard) =>
    plan(p, box)
      .findings.filter((f) => f.stage === 'shade')
      .map((f) => f.id);
  it('pale over dark that is to hide it says how much it takes, and doing so hides it', () => {
    const p = layers('tail', [COAT, veil('v', 'cream-top', 4, { aim: 'hide' })]);
    const f = plan(p).findings.find((x) => x.id === 'shade-hide-tail-v')!;
    expect(f.severity).toBe('caution');
    const fix = f.remedies[0]!.changes[0]!;
    // Several times what a dark wool over pale would take (common practice).
    expect(fix.value as number).toBeGreaterThan(12);
    const i = p.areas.findIndex((a) => a.id === 'tail');
    const mended = change(
      p,
      (d) => void ((d.areas[i]!.shade.layers[1] as { arealMgCm2: number }).arealMgCm2 = fix.value as number),
    );
    expect(ids(mended)).not.toContain('shade-hide-tail-v');
  });
  it('offers to lay the pale wool before the darker one', () => {
    const p = layers('tail', [COAT, veil('dark', 'umber-top', 3), veil('pale', 'cream-top', 4, { aim: 'hide' })]);
    const f = plan(p).findings.find((x) => x.id === 'shade-hide-tail-pale')!;
    const swap = f.remedies.find((r) => (r.changes[0]!.value as Layer[]).length === 3)!;
    expect((swap.changes[0]!.value as Layer[]).map((l) => l.id)).toEqual(['coat', 'pale', 'dark']);
  });
  it('a colour that is not underneath cannot be raised: stop, and the layer to add', () => {
    const raise: Layer = {
      kind: 'raise',
      id: 'r',
      where: { kind: 'all' },
      lotId: 'cream-top',
      share: 0.1,
      texture: 'tufts',
    };
    const p = layers('tail', [COAT, raise]);
    const f = plan(p).findings.find((x) => x.id === 'shade-raise-tail-r')!;
    expect(f.severity).toBe('stop');
    const mended = layers('tail', f.remedies[0]!.changes[0]!.value as Layer[]);
    expect(readPiece(mended).ok).toBe(true);
    expect(ids(mended)).not.toContain('shade-raise-tail-r');
    const none = { ...cupboard, needles: cupboard.needles.filter((n) => n.section !== 'reverse') };
    expect(ids(mended, none)).toContain('shade-no-reverse-tail');
  });
  it('a veil that is to let through and hides all is said', () => {
    expect(ids(layers('belly', [COAT, veil('v', 'umber-top', 20)]))).toContain('shade-hides-all-belly-v');
  });
  it('a wool that is gone stops the layer and leaves it out', () => {
    const p = layers('tail', [COAT, veil('v', 'no-such-wool', 3)]);
    expect(ids(p)).toContain('shade-missing-tail-v');
    expect(shadedOf(p, 'tail').layers).toHaveLength(1);
  });
  it('flat black is said where the wanted colour is not that dark', () => {
    const black = {
      ...cupboard,
      lots: cupboard.lots.map((l) => (l.id === 'umber-top' ? { ...l, colour: '#0b0a0a' } : l)),
    };
    const p = change(plain, (d) => void (d.areas.find((a) => a.id === 'tail')!.shade.wanted = '#3c2c20'));
    const found = plan(p, black).findings.find((f) => f.id === 'shade-black-tail')!;
    expect(found.severity).toBe('caution');
    expect(plan(plain, black).findings.find((f) => f.id === 'shade-black-tail')!.severity).toBe('note');
    expect(ids(p)).not.toContain('shade-black-tail');
  });
  it('a colour far from what is wanted is said in words; schools put it right each in its way', () => {
    const p = change(plain, (d) => void (d.areas.find((a) => a.id === 'belly')!.shade.wanted = '#38271c'));
    const shaded = shadedOf(p, 'belly');
    expect(shaded.offWords).toContain('lighter');
    expect(ids(p)).toContain('shade-off-belly');
    const cover = correction('cover', shaded, 4000, cupboard, defaultHand);
    const off = correction('take off', shaded, 4000, cupboard, defaultHand);
    expect(JSON.stringify(cover)).toContain('Cover it with Dark umber top');
    expect(JSON.stringify(off)).toContain('Lift');
    expect(correction('cover', shadedOf(plain, 'belly'), 4000, cupboard, defaultHand)).toEqual([]);
  });
});

describe('grams that are said', () => {
  it('are what the remedy will really take more of the lot', () => {
    const p = layers('tail', [COAT, veil('v', 'cream-top', 4, { aim: 'hide' })]);
    const f = plan(p).findings.find((x) => x.id === 'shade-hide-tail-v')!;
    const said = (f.remedies[0]!.effect.find((x) => typeof x !== 'string') as { value: number }).value;
    const i = p.areas.findIndex((a) => a.id === 'tail');
    const mg = f.remedies[0]!.changes[0]!.value as number;
    const mended = change(p, (d) => void ((d.areas[i]!.shade.layers[1] as { arealMgCm2: number }).arealMgCm2 = mg));
    const need = (x: typeof p) => plan(x).stock.lots.find((l) => l.lotId === 'cream-top')!.needG;
    expect(need(mended) - need(p)).toBeCloseTo(said, 6);
  });
});

describe('a pale coat over a dark core', () => {
  const dark = (lotId: string) => change(plain, (d) => void (d.core.lotId = lotId));
  it('wants an under-layer of its colour, which helps; over a pale core it does not', () => {
    const p = dark('umber-top');
    const f = plan(p).findings.find((x) => x.id === 'shade-coat-bib')!;
    expect(f.severity).toBe('caution');
    const i = p.areas.findIndex((a) => a.id === 'bib');
    const helped = change(p, (d) => void (d.areas[i]!.shade.layers = f.remedies[0]!.changes[0]!.value as never));
    expect(lightness(shadedOf(helped, 'bib').fullHex)).toBeGreaterThan(lightness(shadedOf(p, 'bib').fullHex) + 2);
    expect(plan(dark('soft-white-top')).findings.map((x) => x.id)).not.toContain('shade-coat-bib');
  });
});

describe('differences put into a sentence', () => {
  it('are the same as, or redder than', () => {
    expect(comparedTo('wanted', 'the same')).toBe('the same as wanted');
    expect(comparedTo('wanted', 'same at arm’s length')).toBe('same at arm’s length as wanted');
    expect(comparedTo('its wool', 'slightly redder')).toBe('slightly redder than its wool');
  });
});
