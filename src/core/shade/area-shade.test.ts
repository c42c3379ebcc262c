/** One area worked out: colours after every layer, what each weighs, where it lies, and the strands it is seen in. */
import { describe, expect, it } from 'vitest';
import { alpacaCria, cupboard, pineMarten } from '../../../demo/load';
import { COARSE, COAT, at, change, layers, plain, plan, shadedOf, veil } from '../../../demo/plain-marten';
import { strands } from '@/core/coat/strands';
import { difference } from '@/core/colour/difference';
import { labOf, lightness } from '@/core/colour/lab';
import { makeBody } from '@/core/form/body';
import { Memo } from '@/core/memo';
import { defaultHand } from '@/core/piece/hand';
import { type Layer } from '@/core/piece/shade';
import { makePlan } from '@/core/plan';

describe('an area and its layers', () => {
  it('without layers is the coat in the colour of its wool, and takes no wool', () => {
    const p = plan(plain);
    const flanks = p.shade.areas.find((a) => a.id === 'flanks')!;
    expect(difference(labOf(flanks.seenHex), labOf('#6b4426'))).toBeLessThan(2);
    expect(p.shade.massG).toBe(0);
    expect(p.shade.draws).toEqual([]);
  });
  it('a dark veil darkens it, weighs its area times its amount, and is asked of the stock', () => {
    const p = plan(layers('flanks', [COAT, veil('v', 'umber-top', 2)]));
    const a = p.shade.areas.find((x) => x.id === 'flanks')!;
    const bare = shadedOf(plain, 'flanks');
    expect(lightness(a.seenHex)).toBeLessThan(lightness(bare.seenHex));
    const area = p.coat.areas.find((x) => x.id === 'flanks')!.areaMm2;
    const mass = a.layers[1]!.mass!.value;
    expect(mass).toBeCloseTo(((2 * area) / 1e5) * (1 + defaultHand.handlingLoss), 2);
    const before = plan(plain).stock.lots.find((l) => l.lotId === 'umber-top')!.needG;
    expect(p.stock.lots.find((l) => l.lotId === 'umber-top')!.needG).toBeCloseTo(before + mass, 9);
  });
  it('a fade from hem to top lays half of it, fully at the hem, hardly at the top', () => {
    const p = layers('tail', [
      COAT,
      veil('v', 'cream-top', 6, { where: { kind: 'fade', from: null, to: null, least: 0 } }),
    ]);
    const a = shadedOf(p, 'tail');
    const whole = shadedOf(layers('tail', [COAT, veil('v', 'cream-top', 6)]), 'tail');
    const share = a.layers[1]!.mass!.value / whole.layers[1]!.mass!.value;
    expect(share).toBeGreaterThan(0.3);
    expect(share).toBeLessThan(0.7);
    // The tail's hem is its tip, the far end; cream lightens it there.
    const surface = plan(p).coat.areas.find((x) => x.id === 'tail')!.surface!;
    const field = a.field!;
    let tip = 0;
    let root = 0;
    for (let v = 0; v < field.a.length; v++) {
      if (surface.positions[3 * v + 2]! < surface.positions[3 * tip + 2]!) tip = v;
      if (surface.positions[3 * v + 2]! > surface.positions[3 * root + 2]!) root = v;
    }
    const light = (v: number) => field.looks[field.a[v]!]!.seen[1];
    expect(light(tip)).toBeGreaterThan(1.3 * light(root));
  });
  it('along the border lies on part of the area only; along a line on its width times its length', () => {
    const border = shadedOf(
      layers('flanks', [COAT, veil('v', 'cream-top', 3, { where: { kind: 'edge', widthMm: 5 } })]),
      'flanks',
    );
    const whole = shadedOf(layers('flanks', [COAT, veil('v', 'cream-top', 3)]), 'flanks');
    expect(border.layers[1]!.areaMm2).toBeGreaterThan(0.02 * whole.layers[1]!.areaMm2);
    expect(border.layers[1]!.areaMm2).toBeLessThan(0.6 * whole.layers[1]!.areaMm2);
    const where = {
      kind: 'line' as const,
      places: [at('trunk', 0.35, 90), at('trunk', 0.65, 90)],
      widthMm: 6,
      mirrored: true,
    };
    const p = layers('flanks', [COAT, { kind: 'line', id: 'l', where, lotId: 'cream-top', arealMgCm2: 3 }]);
    const trunk = makeBody(plain.form).parts.find((x) => x.part.id === 'trunk')!;
    const expected = 2 * 6 * (0.3 * trunk.lengthMm);
    expect(shadedOf(p, 'flanks').layers[1]!.areaMm2).toBeGreaterThan(0.6 * expected);
    expect(shadedOf(p, 'flanks').layers[1]!.areaMm2).toBeLessThan(1.5 * expected);
  });
  it('a coat from a blend draws on each of its wools by its share', () => {
    const p = plan(
      layers('flanks', [
        {
          ...COAT,
          blend: [
            { lotId: 'chestnut-top', parts: 3 },
            { lotId: 'umber-top', parts: 1 },
          ],
        } as Layer,
      ]),
    );
    const own = p.coat.areas.find((a) => a.id === 'flanks')!.fur!.draws[0]!.massG;
    const base = plan(plain).stock.lots.find((l) => l.lotId === 'umber-top')!.needG;
    expect(p.stock.lots.find((l) => l.lotId === 'umber-top')!.needG).toBeCloseTo(base + own / 4, 9);
    expect(p.stock.needG).toBeCloseTo(plan(plain).stock.needG, 9);
  });
  it('a shadow is a dark line and a veil of the ground over it; a highlight is the ground with white', () => {
    const p = layers('flanks', [
      COAT,
      { kind: 'shadow', id: 's', where: { kind: 'all' }, lotId: 'umber-top', arealMgCm2: 4, veilMgCm2: 2 },
      { kind: 'highlight', id: 'h', where: { kind: 'all' }, lotId: 'soft-white-top', share: 0.5, arealMgCm2: 3 },
    ]);
    const a = shadedOf(p, 'flanks');
    expect(a.layers.map((l) => l.says)).toEqual(['coat', 'deep line', 'veil over the shadow', 'highlight']);
    const [coat, line, over, high] = a.layers.map((l) => lightness(l.seenHex)) as [number, number, number, number];
    expect(line).toBeLessThan(coat);
    expect(over).toBeGreaterThan(line);
    expect(over).toBeLessThan(coat);
    expect(high).toBeGreaterThan(over);
    expect(a.layers[2]!.wool).toBe('Chestnut top');
    expect(a.layers[3]!.parts.map((x) => x.lotId).sort()).toEqual(['chestnut-top', 'soft-white-top']);
  });
  it('the strands of a look together are the seen colour', () => {
    for (const a of plan(pineMarten).shade.areas) {
      for (const look of a.field?.looks ?? []) {
        expect(look.strands.reduce((s, x) => s + x.weight, 0)).toBeCloseTo(1, 9);
        const inside = look.strands.every((s) => s.root.every((c) => c > 0.001 && c < 0.999));
        if (!inside) continue;
        for (let k = 0; k < 3; k++) {
          const mean = look.strands.reduce(
            (s, x) => s + x.weight * (x.tip ? (1 - x.tipShare) * x.root[k]! + x.tipShare * x.tip[k]! : x.root[k]!),
            0,
          );
          expect(mean).toBeCloseTo(look.seen[k]!, 6);
        }
      }
    }
  });
  it('is worked out anew only where something changed', () => {
    const own = new Memo();
    makePlan(plain, cupboard, defaultHand, own, COARSE);
    const made = own.made.get('shade:back');
    makePlan(layers('flanks', [COAT, veil('v', 'umber-top', 2)]), cupboard, defaultHand, own, COARSE);
    expect(own.made.get('shade:back')).toBe(made);
    expect(own.made.get('shade:flanks')).toBe(2);
  });
});

describe('tipped wool', () => {
  it('shows its tips on strands where they are kept, and not where they are cut', () => {
    const cria = alpacaCria;
    const of = (tips: 'kept' | 'cut') => {
      const p = change(cria, (d) => {
        for (const a of d.areas) if (a.coat.method === 'locks') a.coat.tips = tips;
      });
      return makePlan(p, cupboard, defaultHand, undefined, { edgeShare: 1 / 60 }).shade.areas.find(
        (a) => a.id === 'back',
      )!;
    };
    const kept = of('kept');
    const cut = of('cut');
    expect(kept.field!.looks[0]!.strands.some((s) => s.tip !== null)).toBe(true);
    expect(cut.field!.looks[0]!.strands.every((s) => s.tip === null)).toBe(true);
    // The tips of the demo wool are darker than its body.
    expect(lightness(cut.seenHex)).toBeGreaterThan(lightness(kept.seenHex));
  });
});

describe('the fur on the picture', () => {
  it('has the colours of its looks, and is the same every time', () => {
    const p = plan(pineMarten);
    const one = strands(pineMarten, p.coat, 3000, null, p.shade);
    const bare = strands(pineMarten, p.coat, 3000, null);
    expect(one.count).toBe(bare.count);
    expect(one.colours).not.toEqual(bare.colours);
    expect(strands(pineMarten, p.coat, 3000, null, p.shade).colours).toEqual(one.colours);
  });
});
