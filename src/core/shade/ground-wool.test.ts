/** What a coat lies on. */
import { describe, expect, it } from 'vitest';
import { cupboard, kingfisher } from '../../../demo/load';
import { planned } from '../../../cli/testing/planned';
import { defaultHand as hand } from '@/core/piece/hand';
import { groundWool } from './ground-wool';

const wing = kingfisher.areas.find((a) => a.where.every((w) => w.parts.every((p) => p === 'wing')))!;

describe('the ground of an area', () => {
  it('is the felt of the flat part all of it lies on, else the core', () => {
    const lotId = kingfisher.flatParts.find((f) => f.id === 'wing')!.lotId;
    expect(lotId).not.toBe(kingfisher.core.lotId);
    expect(groundWool(kingfisher, wing)).toBe(lotId);
    expect(groundWool(kingfisher, { where: [...wing.where, { parts: ['trunk'] }] })).toBe(kingfisher.core.lotId);
    expect(groundWool({ ...kingfisher, flatParts: [] }, wing)).toBe(kingfisher.core.lotId);
  });
  it('is what its layers are said to lie on', () => {
    const plan = planned(kingfisher, cupboard, hand);
    const hex = (id: string | null) => cupboard.lots.find((l) => l.id === id)!.colour;
    const of = (id: string) => plan.shade.areas.find((a) => a.id === id)!.groundHex;
    expect(of(wing.id)).toBe(hex(kingfisher.flatParts.find((f) => f.id === 'wing')!.lotId));
    expect(of('breast')).toBe(hex(kingfisher.core.lotId));
  });
});
