/** Palettes of synthetic pictures whose colours are known. */
import { describe, expect, it } from 'vitest';
import { seeded } from '@/core/random';
import { neutraliser } from './adapt';
import { difference } from './difference';
import { labOf, type Triple } from './lab';
import { paletteOf, patchOf, type Picture } from './picture';
import { fromLinear, linearOf, toXyz } from './rgb';

const COLOURS = ['#6b4426', '#e6d9b4', '#2f4a2a', '#8fb4d0'];
const CARD = '#777777';

/** Four fields side by side in shares 4 : 3 : 2 : 1, a grey card in the corner, some noise, under a cast. */
function picture(cast: Triple = [1, 1, 1], noise = 6): Picture {
  const [width, height] = [200, 120];
  const pixels = new Uint8ClampedArray(4 * width * height);
  const rnd = seeded(3);
  const channel = (hex: string, k: number) =>
    Math.round(255 * fromLinear(Math.min(1, linearOf(hex)[k]! * cast[k]!))) + (rnd() - 0.5) * noise;
  for (let y = 0; y < height; y++) {
    for (let x = 0; x < width; x++) {
      const hex = x < 12 && y < 12 ? CARD : COLOURS[x < 80 ? 0 : x < 140 ? 1 : x < 180 ? 2 : 3]!;
      for (let k = 0; k < 3; k++) pixels[4 * (y * width + x) + k] = channel(hex, k);
      pixels[4 * (y * width + x) + 3] = 255;
    }
  }
  return { width, height, pixels };
}

const nearest = (list: readonly { readonly lab: Triple }[], hex: string) =>
  Math.min(...list.map((c) => difference(c.lab, labOf(hex))));

describe('the palette of a picture', () => {
  it('finds its colours and their shares', () => {
    const { colours, clipped } = paletteOf(picture(), 8);
    for (const h of COLOURS) expect(nearest(colours, h)).toBeLessThan(2);
    expect(colours[0]!.share).toBeCloseTo(0.4, 1);
    expect(colours.reduce((s, c) => s + c.share, 0)).toBeCloseTo(1, 9);
    expect(clipped).toBe(0);
  });
  it('finds them again under a cast, once the grey card is shown', () => {
    const cast: Triple = [1.1, 0.92, 0.72];
    const p = picture(cast);
    expect(nearest(paletteOf(p, 8).colours, '#e6d9b4')).toBeGreaterThan(5);
    const card = patchOf(p, 6, 6, 4).linear;
    const { colours } = paletteOf(p, 8, neutraliser(card, toXyz(linearOf(CARD))[1]));
    for (const h of COLOURS) expect(nearest(colours, h)).toBeLessThan(4);
  });
  it('says how much of it is clipped', () => {
    const { clipped } = paletteOf(picture([3, 3, 3], 0), 8);
    expect(clipped).toBeGreaterThan(0.25);
    expect(patchOf(picture([3, 3, 3], 0), 110, 60, 5).clipped).toBe(1);
    expect(patchOf(picture(), 40, 60, 5).clipped).toBe(0);
  });
  it('joins clusters that look alike, and is the same every time', () => {
    const one = paletteOf(picture([1, 1, 1], 6), 8);
    expect(one.colours.length).toBeLessThanOrEqual(6);
    expect(paletteOf(picture([1, 1, 1], 6), 8)).toEqual(one);
  });
});
