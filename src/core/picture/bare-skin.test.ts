/** Skin without fur in a picture: whose it is, what colour and what shine it has. */
import { describe, expect, it } from 'vitest';
import { COARSELY, planned } from '../../../cli/testing/planned';
import { cupboard, kingfisher, pineMarten } from '../../../demo/load';
import { change } from '../../../demo/plain-marten';
import { linearOf } from '@/core/colour/rgb';
import { defaultHand as hand } from '@/core/piece/hand';
import type { Piece } from '@/core/piece/schema';
import { areasOfSkin, bareSkin } from './bare-skin';

function skinOf(piece: Piece) {
  const plan = planned(piece, cupboard, hand, COARSELY);
  const owner = areasOfSkin(plan.form.skin, plan.coat.areas);
  const at = (id: string) => {
    const i = plan.coat.areas.findIndex((a) => a.id === id);
    return Array.from(owner.area.keys()).filter((v) => owner.area[v] === i);
  };
  return { plan, owner, at, bare: bareSkin(piece, plan, cupboard, owner) };
}
const colourAt = (c: Float32Array, v: number) => Array.from(c.subarray(3 * v, 3 * v + 3));

describe('skin of the kingfisher', () => {
  const { at, bare, plan } = skinOf(kingfisher);
  it('under fur is not bare; feet felted smooth are, in the colour the shade stage gives them', () => {
    expect(at('crown').filter((v) => bare.bare[v]).length).toBe(0);
    const feet = at('feet');
    expect(feet.length).toBeGreaterThan(50);
    const seen = linearOf(plan.shade.areas.find((a) => a.id === 'feet')!.meanHex);
    for (const v of feet) {
      expect(bare.bare[v]).toBe(1);
      colourAt(bare.colour, v).forEach((x, k) => expect(Math.abs(x - seen[k]!)).toBeLessThan(0.02));
      expect(bare.gloss[v]).toBe(0);
    }
  });
  it('its beak has the colour of its wool and shines; no other place is pale as the core', () => {
    const beak = linearOf(plan.shade.judged.palette.find((p) => p.id === 'beak')!.hex!);
    const shining = Array.from(bare.gloss.keys()).filter((v) => bare.gloss[v]! > 0);
    expect(shining.length).toBeGreaterThan(50);
    const its = shining.filter((v) => colourAt(bare.colour, v).every((x, k) => Math.abs(x - beak[k]!) < 1e-4));
    expect(its.length).toBeGreaterThan(shining.length / 3);
    const core = linearOf(cupboard.lots.find((l) => l.id === kingfisher.core.lotId)!.colour);
    const pale = Array.from(bare.bare.keys()).filter(
      (v) => bare.bare[v] && colourAt(bare.colour, v).every((x, k) => Math.abs(x - core[k]!) < 1e-4),
    );
    expect(pale.length).toBeLessThan(0.01 * bare.bare.length);
  });
});

describe('a nose of leather', () => {
  it('shines, plain felt does not', () => {
    const as = (surface: 'leather' | 'felt') =>
      skinOf(
        change(pineMarten, (d) => {
          d.areas.find((a) => a.id === 'muzzle')!.coat = {
            method: 'smooth',
            lotId: 'dusk-batt',
            arealMgCm2: 16,
            layers: 2,
            surface,
          };
        }),
      );
    const [leather, felt] = [as('leather'), as('felt')];
    const muzzle = leather.at('muzzle');
    expect(muzzle.length).toBeGreaterThan(20);
    for (const v of muzzle) {
      expect(leather.bare.gloss[v]).toBeGreaterThan(0.1);
      expect(felt.bare.gloss[v]).toBe(0);
      expect(colourAt(felt.bare.colour, v)).toEqual(colourAt(leather.bare.colour, v));
    }
  });
});
