/** Layers and markings as a maker changes them. */
import { describe, expect, it } from 'vitest';
import { lightness } from '@/core/colour/lab';
import { cupboard } from '../../../demo/load';
import { COAT, at, plain, veil } from '../../../demo/plain-marten';
import {
  firstWool,
  LAYER_KINDS,
  MARKING_KINDS,
  addLayer,
  addMarking,
  lineDrawn,
  markTouched,
  moveLayer,
  removeLayer,
  swapWool,
} from './shade-edits';
import { defaultHand } from '@/core/piece/hand';
import { readPiece } from '@/core/piece/read';
import { type Piece } from '@/core/piece/schema';
import { type Layer } from '@/core/piece/shade';

describe('changing layers and markings', () => {
  const lot = cupboard.lots[0]!;
  it('adds on top, moves, takes away; the coat stays', () => {
    const a = addLayer(plain, 'tail', 'veil', { lot, hand: defaultHand });
    const b = addLayer(a.piece, 'tail', 'veil', { lot, hand: defaultHand });
    const ids = (p: Piece) => p.areas.find((x) => x.id === 'tail')!.shade.layers.map((l) => l.id);
    expect(ids(b.piece)).toEqual(['coat', 'veil', 'veil-2']);
    expect(ids(moveLayer(b.piece, 'tail', 'veil-2', 0))).toEqual(['veil-2', 'coat', 'veil']);
    expect(ids(removeLayer(b.piece, 'tail', 'veil'))).toEqual(['coat', 'veil-2']);
    expect(ids(removeLayer(b.piece, 'tail', 'coat'))).toEqual(ids(b.piece));
    expect(readPiece(b.piece).ok).toBe(true);
  });
  it('a line runs where it was drawn, a stripe too, a spot sits where it was set, paint is kept as strokes', () => {
    const a = addLayer(plain, 'tail', 'line', { lot, hand: defaultHand });
    const drawn = lineDrawn(a.piece, 'tail', a.id, [at('tail', 0.2, 0), at('tail', 0.8, 0)], true);
    expect(drawn.areas.find((x) => x.id === 'tail')!.shade.layers[1]).toMatchObject({
      where: { kind: 'line', mirrored: true },
    });
    const made = (kind: 'stripe' | 'spot' | 'painted') => addMarking(plain, kind, 'trunk', { lot, hand: defaultHand });
    const many = Array.from({ length: 50 }, (_, i) => at('trunk', 0.2 + i / 100, 40));
    const stripe = markTouched(made('stripe').piece, 'stripe', many, 20).markings[0]!.shape;
    expect('through' in stripe && stripe.through.length).toBeLessThanOrEqual(14);
    expect('through' in stripe && stripe.through.at(-1)).toEqual(many.at(-1));
    const spot = markTouched(made('spot').piece, 'spot', [at('trunk', 0.7, 30)], 20).markings[0]!.shape;
    expect('at' in spot && spot.at.along).toBe(0.7);
    const painted = markTouched(made('painted').piece, 'painted', many, 20).markings[0]!.shape;
    expect('strokes' in painted && painted.strokes).toHaveLength(1);
    for (const kind of ['stripe', 'spot', 'painted'] as const) expect(readPiece(made(kind).piece).ok).toBe(true);
  });
});

describe('a wool that is short', () => {
  it('is swapped for another wherever it stands, and parts of the same wool are joined', () => {
    const list: Layer[] = [
      veil('v', 'umber-top', 2, {
        recipe: [
          { lotId: 'umber-top', parts: 2 },
          { lotId: 'fawn-top', parts: 1 },
        ],
      }),
      {
        ...COAT,
        blend: [
          { lotId: 'umber-top', parts: 1 },
          { lotId: 'cream-top', parts: 3 },
        ],
      } as Layer,
      { kind: 'raise', id: 'r', where: { kind: 'all' }, lotId: 'umber-top', share: 0.1, texture: 'tufts' },
    ];
    const [v, c, r] = swapWool(list, 'umber-top', 'fawn-top');
    expect(v).toMatchObject({ recipe: [{ lotId: 'fawn-top', parts: 3 }] });
    expect(c).toMatchObject({
      blend: [
        { lotId: 'cream-top', parts: 3 },
        { lotId: 'fawn-top', parts: 1 },
      ],
    });
    expect(r).toMatchObject({ lotId: 'fawn-top' });
  });
});

describe('the wool a new layer begins with', () => {
  const lots = cupboard.lots;
  it('is at hand and not the coat’s; the palest for a highlight; anything rather than nothing', () => {
    expect(firstWool(lots, 'cream-top', 'veil')!.id).not.toBe('cream-top');
    const pale = firstWool(lots, null, 'highlight')!;
    for (const l of lots) expect(lightness(l.colour)).toBeLessThanOrEqual(lightness(pale.colour));
    // Palest by lightness and not by how its colour is written.
    const two = [
      lots[0]!,
      { ...lots[1]!, id: 'red', colour: '#ff0000' },
      { ...lots[1]!, id: 'pale', colour: '#eeeeee' },
    ];
    expect(firstWool(two.slice(1), null, 'highlight')!.id).toBe('pale');
    expect(firstWool([{ ...lots[0]!, haveG: 0 }], null, 'veil')!.id).toBe(lots[0]!.id);
    expect(firstWool([], null, 'veil')).toBeNull();
  });
});

describe('every kind of layer and marking begins sound', () => {
  const lot = cupboard.lots.find((l) => l.id === 'umber-top')!;
  it('is valid as soon as it is added', () => {
    for (const kind of LAYER_KINDS)
      expect(readPiece(addLayer(plain, 'tail', kind, { lot, hand: defaultHand }).piece).ok, kind).toBe(true);
    for (const kind of MARKING_KINDS) {
      const made = addMarking(plain, kind, 'trunk', { lot, hand: defaultHand });
      expect(readPiece(made.piece).ok, kind).toBe(true);
      expect(made.piece.markings.at(-1)!.id).toBe(made.id);
    }
  });
  it('two of a kind have names of their own', () => {
    const one = addMarking(plain, 'spot', 'trunk', { lot, hand: defaultHand });
    const two = addMarking(one.piece, 'spot', 'trunk', { lot, hand: defaultHand });
    expect(two.piece.markings.map((m) => [m.id, m.name])).toEqual([
      ['spot', 'Spot'],
      ['spot-2', 'Spot 2'],
    ]);
  });
});
