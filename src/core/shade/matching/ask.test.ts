/** Recipes asked for an area: from wool that can be laid there and is free, with grams that add up. */
import { describe, expect, it } from 'vitest';
import { cupboard } from '../../../../demo/load';
import { change, COAT, layers, plain, plan, shadedOf, veil } from '../../../../demo/plain-marten';
import { difference } from '@/core/colour/difference';
import { labOf } from '@/core/colour/lab';
import type { Cupboard } from '@/core/piece/cupboard';
import { defaultHand } from '@/core/piece/hand';
import type { Layer } from '@/core/piece/shade';
import { matchFor, type MatchQuestion, type MatchResult } from './ask';

const planned = plan(plain);
function ask(q: Partial<MatchQuestion>, box: Cupboard = cupboard): { first: MatchResult; last: MatchResult } {
  const steps = matchFor({ target: '#7a5638', parts: 8, areaId: 'flanks', ...q }, box, defaultHand, plain, planned);
  let first: MatchResult | null = null;
  for (;;) {
    const s = steps.next();
    first ??= s.value;
    if (s.done) return { first, last: s.value };
  }
}
const lot = (id: string) => cupboard.lots.find((l) => l.id === id)!;

describe('recipes for an area', () => {
  it('come at once and are refined; only the last says that nothing better is looked for', () => {
    const { first, last } = ask({});
    expect(first.refining).toBe(true);
    expect(first.blends.length).toBeGreaterThan(0);
    expect(last.refining).toBe(false);
    expect(last.blends[0]!.difference).toBeLessThanOrEqual(first.blends[0]!.difference);
  });
  it('are of the kind of wool the coat is laid from, long enough to be cut', () => {
    const cut = planned.coat.areas.find((a) => a.id === 'flanks')!.fur!.figures.cutLength!.value;
    for (const b of ask({}).last.blends)
      for (const r of b.recipe) {
        expect(lot(r.lotId).form).toBe('combed top');
        expect(lot(r.lotId).stapleMm).toBeGreaterThanOrEqual(cut);
      }
  });
  it('weigh together what the coat weighs, in parts in lowest terms', () => {
    const need = planned.coat.areas.find((a) => a.id === 'flanks')!.fur!.figures.mass.value;
    for (const b of ask({}).last.blends) {
      expect(b.wool.reduce((s, w) => s + w.massG!, 0)).toBeCloseTo(need, 9);
      const whole = b.wool.reduce((s, w) => s + w.parts, 0);
      expect(8 % whole).toBe(0);
      for (const w of b.wool) expect(w.massG).toBeCloseTo((need * w.parts) / whole, 9);
    }
  });
  it('do not ask for more of a lot than is free, but what the area has now counts as free', () => {
    const need = planned.coat.areas.find((a) => a.id === 'flanks')!.fur!.figures.mass.value;
    const used = planned.stock.lots.find((l) => l.lotId === 'chestnut-top')!.needG;
    const tight = {
      ...cupboard,
      lots: cupboard.lots.map((l) => (l.id === 'chestnut-top' ? { ...l, haveG: used + 0.001 } : l)),
    };
    const same = ask({ target: '#6b4426' }, tight).last.blends[0]!;
    expect(same.recipe).toEqual([{ lotId: 'chestnut-top', parts: 1 }]);
    const less = {
      ...cupboard,
      lots: cupboard.lots.map((l) => (l.id === 'chestnut-top' ? { ...l, haveG: used - need / 2 } : l)),
    };
    for (const b of ask({ target: '#6b4426' }, less).last.blends) {
      const own = b.wool.find((w) => w.name === 'Chestnut top');
      if (own) expect(own.massG!).toBeLessThanOrEqual(need / 2 + 1e-9);
    }
  });
  it('a veil over what is there is weighed over the whole area with what handling loses', () => {
    const { veils } = ask({ target: '#4a3322' }).last;
    const area = planned.coat.areas.find((a) => a.id === 'flanks')!.areaMm2;
    expect(veils.length).toBeGreaterThan(0);
    for (const v of veils) {
      const grams = v.wool.reduce((s, w) => s + w.massG!, 0);
      expect(grams).toBeCloseTo(((v.arealMgCm2! * area) / 1e5) * (1 + defaultHand.handlingLoss), 9);
    }
  });
  it('what is missing is said only where nothing comes near', () => {
    expect(ask({ target: '#6b4426' }).last.short).toBeNull();
    expect(ask({ target: '#7a2a8a' }).last.short!.words.length).toBeGreaterThan(0);
    expect(ask({ target: '#7a2a8a' }).first.short).toBeNull();
  });
  it('with an empty cupboard there is no answer, and without an area any wool may serve', () => {
    const none = ask({}, { ...cupboard, lots: [] }).last;
    expect([none.blends, none.veils, none.short]).toEqual([[], [], null]);
    const free = ask({ areaId: null, target: '#b8642e' }).last;
    expect(free.blends[0]!.recipe[0]!.lotId).toBe('rust-batt');
    expect(free.blends[0]!.wool[0]!.massG).toBeNull();
    expect(free.veils).toEqual([]);
  });
  it('the difference said is that of the colour shown', () => {
    for (const b of ask({}).last.blends) {
      // The shown colour is rounded to a screen's steps.
      expect(Math.abs(difference(labOf('#7a5638'), labOf(b.hex)) - b.difference)).toBeLessThan(0.5);
    }
  });
});

const tufts = (id: string, lotId: string, share: number): Layer => ({
  kind: 'raise',
  id,
  where: { kind: 'all' },
  lotId,
  share,
  texture: 'tufts',
});

describe('a coat under layers that stay', () => {
  const veiled = layers('flanks', [COAT, veil('v', 'cream-top', 4)]);
  const asked = (target: string, piece = veiled) => {
    const steps = matchFor({ target, parts: 8, areaId: 'flanks' }, cupboard, defaultHand, piece, plan(piece));
    for (;;) {
      const s = steps.next();
      if (s.done) return s.value;
    }
  };
  it('is matched as it will be seen: laid as answered, it comes out as the answer said', () => {
    for (const target of ['#a48a68', '#8d7358']) {
      const best = asked(target).blends[0]!;
      const laid = change(veiled, (d) => {
        const { shade } = d.areas.find((a) => a.id === 'flanks')!;
        shade.wanted = target;
        const coat = shade.layers.find((l) => l.kind === 'coat')!;
        if (coat.kind === 'coat') coat.blend = best.recipe.map((r) => ({ ...r }));
      });
      expect(shadedOf(laid, 'flanks').off!).toBeCloseTo(best.difference, 0);
      // Asked again, the same is not offered as something else.
      expect(asked(target, laid).blends[0]!.recipe).toEqual(best.recipe);
    }
  });
  it('that hide too much are named as in the way', () => {
    const hidden = layers('flanks', [COAT, veil('v', 'cream-top', 18)]);
    expect(asked('#38271c', hidden).inTheWay?.wool).toContain('Cream top');
    expect(asked(shadedOf(hidden, 'flanks').meanHex, hidden).inTheWay).toBeNull();
    expect(asked('#7a5638', plain).inTheWay).toBeNull();
  });
  it('of two layers, the one that keeps the coat from the colour is named, not the one that hides more', () => {
    // A dark veil hides more than the pale tufts, yet no dark coat makes up for what is pale.
    const both = layers('flanks', [COAT, veil('v', 'umber-top', 2), tufts('t', 'cream-top', 0.08)]);
    const answer = asked('#38271c', both);
    expect(answer.inTheWay?.wool).toContain('Cream top');
    expect(answer.inTheWay!.hides).toBeCloseTo(0.08, 6);
  });
  it('recipes come in the order of what is seen, an added wool paid for', () => {
    const both = layers('flanks', [COAT, veil('v', 'umber-top', 2), tufts('t', 'cream-top', 0.08)]);
    for (const target of ['#38271c', '#a48a68', '#7a2a8a']) {
      const scores = asked(target, both).blends.map((b) => b.difference + 0.5 * (b.recipe.length - 1));
      expect(scores).toHaveLength(5);
      expect(scores).toEqual([...scores].sort((a, b) => a - b));
    }
  });
});
