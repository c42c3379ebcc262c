/** The colour an area has: over all of it, and where it meets another. Differences by CIEDE2000; what is seen is ours. */
import { describe, expect, it } from 'vitest';
import { COAT, layers, plain, plan, shadedOf, veil } from '../../../../demo/plain-marten';
import { difference } from '@/core/colour/difference';
import { labOf } from '@/core/colour/lab';
import type { Piece } from '@/core/piece/schema';
import type { Layer } from '@/core/piece/shade';

const far = (a: string, b: string) => difference(labOf(a), labOf(b));
const coat = shadedOf(plain, 'flanks').meanHex;
const rim: Layer = { kind: 'line', id: 'rim', where: { kind: 'edge', widthMm: 3 }, lotId: 'cream-top', arealMgCm2: 12 };
const rimmed = layers('flanks', [COAT, rim]);
const pairOf = (p: Piece, a: string, b: string) =>
  plan(p).shade.judged.pairs.find(
    (x) => x.kind === 'areas' && [x.a.id, x.b.id].includes(a) && [x.a.id, x.b.id].includes(b),
  )!;
const side = (p: Piece, a: string, b: string) => {
  const pair = pairOf(p, a, b);
  return pair.a.id === a ? pair.a.hex : pair.b.hex;
};

describe('an area by its mean', () => {
  it('of one wool is that wool all over, and of one colour', () => {
    const a = shadedOf(plain, 'flanks');
    expect(a.meanHex).toBe(a.fullHex);
    expect(a).toMatchObject({ spread: 0, oneColour: true });
  });
  it('with a pale rim along its border is not the colour of its rim', () => {
    const a = shadedOf(rimmed, 'flanks');
    expect(far(a.meanHex, a.fullHex)).toBeGreaterThan(10);
    expect(far(a.meanHex, coat)).toBeLessThan(far(a.fullHex, coat) - 10);
  });
  it('that fades from one colour into another is said not to be of one colour, and judged by its mean', () => {
    const fading = layers('flanks', [
      COAT,
      veil('f', 'cream-top', 14, { where: { kind: 'fade', from: null, to: null, least: 0 } }),
    ]);
    const a = shadedOf(fading, 'flanks');
    expect(a.oneColour).toBe(false);
    expect(a.spread).toBeGreaterThan(10);
    const wanted = layers('flanks', [COAT, fading.areas.find((x) => x.id === 'flanks')!.shade.layers[1] as Layer]);
    const asked = {
      ...wanted,
      areas: wanted.areas.map((x) => (x.id === 'flanks' ? { ...x, shade: { ...x.shade, wanted: a.meanHex } } : x)),
    };
    expect(shadedOf(asked, 'flanks').off).toBeLessThan(0.5);
  });
});

describe('neighbours at the border they share', () => {
  it('a rim stands where the two meet, whatever the rest of the area is', () => {
    expect(far(side(plain, 'flanks', 'bib'), coat)).toBeLessThan(0.5);
    // There the rim lies whole.
    expect(far(side(rimmed, 'flanks', 'bib'), shadedOf(rimmed, 'flanks').fullHex)).toBeLessThan(4);
    expect(pairOf(rimmed, 'flanks', 'bib').contrast).toBeLessThan(pairOf(plain, 'flanks', 'bib').contrast / 2);
  });
  it('a rim elsewhere changes nothing of a border it does not reach', () => {
    const others = plan(plain).shade.judged.pairs.filter((x) => ![x.a.id, x.b.id].includes('flanks'));
    for (const p of others) expect(pairOf(rimmed, p.a.id, p.b.id).contrast).toBeCloseTo(p.contrast, 9);
  });
});

describe('a marking against what lies under it', () => {
  it('is judged by the ground at its own places, not by the area', () => {
    // A spot on the pale end of a fading flank and one on its dark end.
    const spot = (along: number): Piece['markings'][number] => ({
      id: 's',
      name: 'Spot',
      shape: {
        kind: 'spot',
        at: { part: 'trunk', side: 'left', along, up: 0, out: 1 },
        alongMm: 10,
        acrossMm: 8,
      },
      mirrored: true,
      under: false,
      border: { raggedMm: 0, softMm: 0 },
      broken: null,
      layers: [veil('v', 'cream-top', 20)],
    });
    const veiled = layers('flanks', [
      COAT,
      veil('f', 'cream-top', 14, {
        where: {
          kind: 'fade',
          from: { part: 'trunk', side: 'left', along: 0.2, up: 0, out: 1 },
          to: { part: 'trunk', side: 'left', along: 0.8, up: 0, out: 1 },
          least: 0,
        },
      }),
    ]);
    const at = (along: number) => plan({ ...veiled, markings: [spot(along)] }).shade.markings[0]!;
    const [pale, dark] = [at(0.25), at(0.75)];
    expect(pale.contrast!).toBeLessThan(dark.contrast! / 2);
    expect(labOf(pale.hostHex!)[0]).toBeGreaterThan(labOf(dark.hostHex!)[0] + 15);
  });
});
