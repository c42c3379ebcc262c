import { produce, type Draft } from 'immer';
import { describe, expect, it } from 'vitest';
import { kingfisher, pineMarten } from '../../../demo/load';
import { removePart } from '@/core/form/shape';
import { readPiece } from './read';
import type { Piece } from './schema';
import { withoutParts } from './without-parts';

const place = (part: string) => ({ part, side: 'left' as const, along: 0.5, up: 1, out: 0 });

/** The marten with something of every kind on its tail. */
const tailed = produce(pineMarten, (d: Draft<Piece>) => {
  const back = d.areas.find((a) => a.id === 'back')!;
  back.awayFrom = place('tail');
  back.shade.layers.push({
    kind: 'line',
    id: 'l',
    where: { kind: 'line', places: [place('tail')], widthMm: 2, mirrored: true },
    lotId: 'cream-top',
    arealMgCm2: 2,
  });
  back.shade.layers.push({
    kind: 'flecks',
    id: 'f',
    where: { kind: 'fade', from: place('trunk'), to: place('tail'), least: 0 },
    lotId: 'cream-top',
    share: 0.1,
    texture: 'tufts',
  });
  d.combs.push({ kind: 'stroke', mirrored: true, reach: 20, places: [place('tail'), place('tail')] });
  d.combs.push({ kind: 'turn', where: { parts: ['tail', 'trunk'] }, turnDeg: 20 });
  const base = { mirrored: true, under: false, broken: null, border: { raggedMm: 0, softMm: 0 } };
  const layers = structuredClone(kingfisher.markings[0]!.layers) as Draft<Piece>['markings'][number]['layers'];
  d.markings.push(
    { ...base, id: 'spot', name: 'Spot', layers, shape: { kind: 'spot', at: place('tail'), alongMm: 5, acrossMm: 5 } },
    {
      ...base,
      id: 'bars',
      name: 'Bars',
      layers,
      shape: { kind: 'bars', where: { parts: ['tail', 'neck'] }, count: 3, share: 0.4 },
    },
    {
      ...base,
      id: 'stripe',
      name: 'Stripe',
      layers,
      shape: {
        kind: 'stripe',
        through: [place('trunk'), place('trunk'), place('tail')],
        startMm: 3,
        endMm: 3,
        stopMm: 0,
      },
    },
  );
  d.smallParts.push({ ...d.smallParts[0]!, id: 'tuft', on: 'tail' });
}) as Piece;

describe('a part taken away', () => {
  it('takes along all that sat on it and leaves a sound piece', () => {
    expect(readPiece(tailed).ok).toBe(true);
    const bare = removePart(tailed, 'tail');
    const read = readPiece(bare);
    expect(read.ok ? [] : read.problems).toEqual([]);
    // As a value anywhere, not as the name of a field.
    expect(JSON.stringify(bare)).not.toMatch(/[:[,]"tail"[,\]}]/);
    expect(bare.markings.map((m) => m.id)).toEqual(['bars', 'stripe']);
    expect(bare.combs).toHaveLength(pineMarten.combs.length + 1);
    expect(bare.smallParts.map((s) => s.id)).toEqual(pineMarten.smallParts.map((s) => s.id));
    const layers = bare.areas.find((a) => a.id === 'back')!.shade.layers;
    expect(layers.find((l) => l.id === 'l')).toMatchObject({ where: { kind: 'all' } });
    expect(layers.find((l) => l.id === 'f')).toMatchObject({ where: { kind: 'fade', to: null } });
  });
  it('changes nothing where nothing is gone', () => {
    expect(withoutParts(tailed, () => false)).toEqual(tailed);
  });
});
