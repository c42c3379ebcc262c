/** One area worked out: colours after every layer, what each weighs, where it lies, and the strands it is seen in. */
import { describe, expect, it } from 'vitest';
import { pickStrand, seenColours } from './strand-colour';
import { nearestVertex } from '@/core/geometry/mesh';
import { pointOf } from '@/core/form/places';
import type { Place } from '@/core/piece/schema';
import { alpacaCria, cupboard, pineMarten } from '../../../../demo/load';
import { COARSE, COAT, at, change, layers, plain, plan, shadedOf, veil } from '../../../../demo/plain-marten';
import { strands } from './strands';
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
    expect(difference(labOf(flanks.fullHex), labOf('#6b4426'))).toBeLessThan(2);
    expect(p.shade.massG).toBe(0);
    expect(p.shade.draws).toEqual([]);
  });
  it('a dark veil darkens it, weighs its area times its amount, and is asked of the stock', () => {
    const p = plan(layers('flanks', [COAT, veil('v', 'umber-top', 2)]));
    const a = p.shade.areas.find((x) => x.id === 'flanks')!;
    const bare = shadedOf(plain, 'flanks');
    expect(lightness(a.fullHex)).toBeLessThan(lightness(bare.fullHex));
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
      layers('flanks', [COAT, veil('v', 'cream-top', 3, { where: { kind: 'edge', widthMm: 3 } })]),
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
    expect(shadedOf(p, 'flanks').layers[1]!.areaMm2).toBeLessThan(1.6 * expected);
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
    const own = p.coat.areas.find((a) => a.id === 'flanks')!.fur!.figures.mass.value;
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
    expect(lightness(cut.fullHex)).toBeGreaterThan(lightness(kept.fullHex));
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

describe('what a layer hides', () => {
  it('is for the coat the cover the coat stage found, for flecks their share, for a veil its Poisson cover', () => {
    const p = plan(
      layers('flanks', [
        COAT,
        veil('v', 'cream-top', 2),
        { kind: 'flecks', id: 'f', where: { kind: 'all' }, lotId: 'umber-top', share: 0.12, texture: 'tufts' },
      ]),
    );
    const cover = p.coat.areas.find((a) => a.id === 'flanks')!.fur!.figures.cover.value;
    const [coat, v, flecks] = p.shade.areas.find((a) => a.id === 'flanks')!.layers;
    expect(coat!.hides).toBeCloseTo(Math.min(cover, 0.99995), 9);
    expect(v!.hides).toBeCloseTo(1 - Math.exp(-v!.layers!.value), 12);
    expect(flecks!.hides).toBe(0.12);
  });
  it('the bib hides as much as its docket says, not all', () => {
    const bib = shadedOf(plain, 'bib').layers[0]!;
    expect(bib.hides).toBeGreaterThan(0.9);
    expect(bib.hides).toBeLessThan(0.98);
  });
});

describe('bare core', () => {
  it('has the colour of the core wool, or of undyed wool where none is chosen; layers lie on it without a coat', () => {
    const bare = change(plain, (d) => void (d.areas.find((a) => a.id === 'legs')!.coat = { method: 'none' }));
    expect(shadedOf(bare, 'legs').fullHex).toBe(cupboard.lots.find((l) => l.id === plain.core.lotId)!.colour);
    const none = change(bare, (d) => void (d.core.lotId = null));
    expect(shadedOf(none, 'legs').fullHex).toBe('#cbc6bc');
    const veiled = change(
      bare,
      (d) => void (d.areas.find((a) => a.id === 'legs')!.shade.layers = [COAT, veil('v', 'umber-top', 12)]),
    );
    const legs = shadedOf(veiled, 'legs');
    expect(legs.layers.map((l) => l.says)).toEqual(['veil']);
    expect(lightness(legs.fullHex)).toBeLessThan(30);
  });
});

describe('several layers', () => {
  it('lie one on another: the last is seen most, and what is laid where nothing is left changes nothing', () => {
    const dark = veil('dark', 'umber-top', 20);
    const pale = veil('pale', 'cream-top', 2);
    const a = shadedOf(layers('belly', [COAT, pale, dark]), 'belly');
    const b = shadedOf(layers('belly', [COAT, dark]), 'belly');
    expect(difference(labOf(a.fullHex), labOf(b.fullHex))).toBeLessThan(1);
    const c = shadedOf(layers('belly', [COAT, dark, pale]), 'belly');
    expect(lightness(c.fullHex)).toBeGreaterThan(lightness(a.fullHex));
  });
  it('the amount in words goes with the mg', () => {
    const words = [0.4, 1.8, 5, 14].map(
      (mg) => shadedOf(layers('belly', [COAT, veil('v', 'cream-top', mg)]), 'belly').layers[1]!.amount,
    );
    expect(words).toEqual(['wisp', 'thin', 'medium', 'full']);
  });
  it('a fade between two places is full at one, least at the other, half way between', () => {
    const where = { kind: 'fade' as const, from: at('trunk', 0.1, 90), to: at('trunk', 0.9, 90), least: 0.2 };
    const p = layers('flanks', [COAT, veil('v', 'cream-top', 8, { where })]);
    const { field } = shadedOf(p, 'flanks');
    const { positions } = plan(p).coat.areas.find((x) => x.id === 'flanks')!.surface!;
    const near = (place: Place) => nearestVertex(positions, pointOf(makeBody(p.form), place)!);
    const green = (place: Place) => field!.looks[field!.a[near(place)]!]!.seen[1];
    const [first, middle, last] = [0.1, 0.5, 0.9].map((x) => green(at('trunk', x, 90))) as [number, number, number];
    expect(first).toBeGreaterThan(middle);
    expect(middle).toBeGreaterThan(last);
  });
  it('grams of a blend are shared by parts', () => {
    const recipe = [
      { lotId: 'cream-top', parts: 3 },
      { lotId: 'rust-top', parts: 1 },
    ];
    const l = shadedOf(layers('belly', [COAT, veil('v', 'cream-top', 3, { recipe })]), 'belly').layers[1]!;
    expect(l.parts.map((x) => x.lotId)).toEqual(['cream-top', 'rust-top']);
    expect(l.parts[0]!.massG).toBeCloseTo(3 * l.parts[1]!.massG, 9);
    expect(l.parts.reduce((s, x) => s + x.massG, 0)).toBeCloseTo(l.mass!.value, 9);
    expect(l.wool).toBe('3 Cream top : 1 Rust top');
  });
});

describe('the seen colours of a surface', () => {
  it('mix two looks by their share', () => {
    const look = (x: number) => ({ seen: [x, x, x] as const, strands: [] });
    const field = {
      looks: [look(0.2), look(0.6)],
      a: Uint16Array.of(0, 0),
      b: Uint16Array.of(0, 1),
      t: Float32Array.of(0, 0.25),
    };
    expect([...seenColours(field)].map((x) => Math.round(1000 * x) / 1000)).toEqual([0.2, 0.2, 0.2, 0.3, 0.3, 0.3]);
  });
  it('strands are picked as often as their share says', () => {
    const strands = [0.5, 0.3, 0.2].map((weight, i) => ({ weight, root: [i, i, i] as const, tip: null, tipShare: 0 }));
    const look = { seen: [0, 0, 0] as const, strands };
    const count = [0, 0, 0];
    for (let i = 0; i < 1000; i++) count[pickStrand(look, (i + 0.5) / 1000).root[0]]!++;
    expect(count).toEqual([500, 300, 200]);
  });
});
