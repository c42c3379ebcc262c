/** The shade stage on whole pieces: colours, weights, judgement, order and markings, from the demo pieces and changes to them. */
import { produce, type Draft } from 'immer';
import { describe, expect, it } from 'vitest';
import { alpacaCria, cupboard, kingfisher, pineMarten } from '../../../demo/load';
import { strands } from '@/core/coat/strands';
import { difference } from '@/core/colour/difference';
import { labOf } from '@/core/colour/lab';
import { makeBody } from '@/core/form/body';
import { Memo } from '@/core/memo';
import { defaultHand } from '@/core/piece/hand';
import { readPiece } from '@/core/piece/read';
import type { Piece, Place } from '@/core/piece/schema';
import { plainShade, type Layer, type PieceMarking } from '@/core/piece/shade';
import { makePlan } from '@/core/plan';
import { correction } from './correct';
import { blendHow, fitBlend } from './learnt-blend';
import { blendCurve, STEARNS_M, usualBlend } from './blend';
import { hexOfCurve } from '@/core/colour/reflectance';
import { woolCurve } from './wool-colour';
import { addLayer, addMarking, lineDrawn, markTouched, moveLayer, removeLayer, swapWool } from './shade-edits';

const memo = new Memo();
const EDGE = { edgeShare: 0.014 };
const plan = (p: Piece, box = cupboard) => makePlan(p, box, defaultHand, memo, EDGE);
const change = (p: Piece, recipe: (d: Draft<Piece>) => void) => produce(p, recipe) as Piece;
/** The marten with nothing decided about its colours. */
const plain = change(pineMarten, (d) => {
  for (const a of d.areas) a.shade = plainShade();
  d.markings = [];
  d.smallParts = [];
});
const layers = (id: string, list: Layer[]) =>
  change(plain, (d) => void (d.areas.find((a) => a.id === id)!.shade.layers = list));
const COAT: Layer = { kind: 'coat', id: 'coat', blend: null, even: 1 };
const veil = (
  id: string,
  lotId: string,
  arealMgCm2: number,
  more: Partial<Extract<Layer, { kind: 'veil' }>> = {},
): Layer => ({
  kind: 'veil',
  id,
  where: { kind: 'all' },
  recipe: [{ lotId, parts: 1 }],
  even: 1,
  arealMgCm2,
  aim: 'let through',
  ...more,
});
const at = (part: string, along: number, round: number): Place => ({
  part,
  side: 'left',
  along,
  up: Math.cos((round * Math.PI) / 180),
  out: Math.sin((round * Math.PI) / 180),
});
const L = (hex: string) => labOf(hex)[0];
const shadedOf = (p: Piece, id: string) => plan(p).shade.areas.find((a) => a.id === id)!;

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
    expect(L(a.seenHex)).toBeLessThan(L(bare.seenHex));
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
    const [coat, line, over, high] = a.layers.map((l) => L(l.seenHex)) as [number, number, number, number];
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
    makePlan(plain, cupboard, defaultHand, own, EDGE);
    const made = own.made.get('shade:back');
    makePlan(layers('flanks', [COAT, veil('v', 'umber-top', 2)]), cupboard, defaultHand, own, EDGE);
    expect(own.made.get('shade:back')).toBe(made);
    expect(own.made.get('shade:flanks')).toBe(2);
  });
});

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

describe('the whole', () => {
  it('neighbours are compared, the nearest first', () => {
    const { pairs } = plan(plain).shade.judged;
    const flanks = pairs.find((p) => p.kind === 'areas' && [p.a.id, p.b.id].sort().join() === 'belly,flanks')!;
    expect(flanks.verdict).toBe('stands apart');
    expect(flanks.borderMm).toBeGreaterThan(60);
    const same = pairs.find((p) => [p.a.id, p.b.id].sort().join() === 'back,flanks')!;
    expect(same.verdict).toBe('same colour');
    for (let i = 1; i < pairs.length; i++) expect(pairs[i]!.contrast).toBeGreaterThanOrEqual(pairs[i - 1]!.contrast);
    for (const p of pairs) expect(p.dusk).toBeLessThanOrEqual(p.contrast + 1e-9);
  });
  it('a nose like its muzzle vanishes and a rim is offered; a nose that clashes with the pads is said', () => {
    const part = (id: string, kind: 'nose' | 'pads', on: string, lotId: string) => ({
      id,
      name: id,
      kind,
      on,
      recipe: [{ lotId, parts: 1 }],
      even: 1,
    });
    const p = plan(
      change(plain, (d) => {
        d.smallParts = [
          part('nose', 'nose', 'muzzle', 'dusk-batt'),
          part('pads', 'pads', 'foreleg', 'kingfisher-blue-top'),
        ];
      }),
    );
    expect(p.findings.map((f) => f.id)).toContain('shade-vanishes-nose');
    expect(p.shade.judged.pairs.find((x) => x.a.id === 'nose')!.rim).not.toBeNull();
    const clash = p.findings.find((f) => f.id === 'shade-clash-nose-pads')!;
    expect(clash.remedies[0]!.changes[0]!.value).toEqual([{ lotId: 'dusk-batt', parts: 1 }]);
    expect(p.shade.judged.palette.find((x) => x.id === 'nose')!.under).toHaveLength(3);
  });
  it('colours get darker and greyer from the window to dusk', () => {
    for (const c of plan(pineMarten).shade.judged.palette) {
      const [day, sky, dusk] = c.under.map((h) => L(h)) as [number, number, number];
      expect(day).toBeGreaterThanOrEqual(sky);
      expect(sky).toBeGreaterThanOrEqual(dusk);
    }
  });
});

describe('markings', () => {
  const marking = (shape: PieceMarking['shape'], more: Partial<PieceMarking> = {}): PieceMarking => ({
    id: 'm',
    name: 'Mark',
    shape,
    mirrored: true,
    under: false,
    broken: null,
    border: { raggedMm: 0, softMm: 0 },
    layers: [veil('v', 'cream-top', 12, { aim: 'hide' })],
    ...more,
  });
  const withMark = (m: PieceMarking) => change(plain, (d) => void (d.markings = [m as Draft<PieceMarking>]));
  const markOf = (m: PieceMarking) => plan(withMark(m)).shade.markings[0]!;
  it('a stripe along the back is as long as the back it runs on, longer over the skin than straight, on the midline', () => {
    const m = markOf(
      marking({ kind: 'stripe', through: [at('trunk', 0.2, 0), at('trunk', 0.8, 0)], startMm: 8, endMm: 8, stopMm: 0 }),
    );
    const trunk = makeBody(plain.form).parts.find((x) => x.part.id === 'trunk')!;
    expect(m.overSkinMm!).toBeGreaterThan(0.5 * trunk.lengthMm);
    expect(m.overSkinMm!).toBeGreaterThanOrEqual(m.chordMm!);
    expect(m.fromMidlineMm!.every((x) => x < 0.5)).toBe(true);
    // Width times length, within the coarse grid of the test.
    expect(m.areaMm2).toBeGreaterThan(0.75 * 8 * m.overSkinMm!);
    expect(m.areaMm2).toBeLessThan(1.3 * 8 * m.overSkinMm!);
  });
  it('tapers: half the area when its end is nothing; stops short by what is said; dashes take the share of the dash', () => {
    const through = [at('trunk', 0.2, 0), at('trunk', 0.8, 0)];
    const whole = markOf(marking({ kind: 'stripe', through, startMm: 10, endMm: 10, stopMm: 0 }));
    const taper = markOf(marking({ kind: 'stripe', through, startMm: 10, endMm: 0, stopMm: 0 }));
    expect(taper.areaMm2 / whole.areaMm2).toBeGreaterThan(0.4);
    expect(taper.areaMm2 / whole.areaMm2).toBeLessThan(0.65);
    const short = markOf(marking({ kind: 'stripe', through, startMm: 10, endMm: 10, stopMm: 15 }));
    expect(whole.overSkinMm! - short.overSkinMm!).toBeCloseTo(15, 3);
    const dashed = markOf(
      marking({ kind: 'stripe', through, startMm: 10, endMm: 10, stopMm: 0 }, { broken: { dashMm: 12, gapMm: 12 } }),
    );
    expect(dashed.areaMm2 / whole.areaMm2).toBeGreaterThan(0.35);
    expect(dashed.areaMm2 / whole.areaMm2).toBeLessThan(0.75);
  });
  it('a spot is an oval of its two sizes, twice when mirrored', () => {
    const one = markOf(
      marking({ kind: 'spot', at: at('trunk', 0.5, 90), alongMm: 20, acrossMm: 12 }, { mirrored: false }),
    );
    const two = markOf(marking({ kind: 'spot', at: at('trunk', 0.5, 90), alongMm: 20, acrossMm: 12 }));
    const oval = (Math.PI * 20 * 12) / 4;
    expect(one.areaMm2).toBeGreaterThan(0.8 * oval);
    expect(one.areaMm2).toBeLessThan(1.25 * oval);
    expect(two.areaMm2 / one.areaMm2).toBeCloseTo(2, 1);
  });
  it('bars take their share of the part, a sock its end', () => {
    const tail = plan(plain).coat.areas.find((a) => a.id === 'tail')!.areaMm2;
    const bars = markOf(marking({ kind: 'bars', where: { parts: ['tail'] }, count: 3, share: 0.5 }));
    expect(bars.areaMm2 / tail).toBeGreaterThan(0.25);
    expect(bars.areaMm2 / tail).toBeLessThan(0.75);
    const sock = markOf(marking({ kind: 'sock', where: { parts: ['foreleg'], along: { from: 0.6, to: 1 } } }));
    expect(sock.hosts.map((h) => h.areaId)).toEqual(['legs']);
  });
  it('stands out on the turntable where it lies and nowhere else', () => {
    const p = plan(withMark(marking({ kind: 'spot', at: at('trunk', 0.5, 90), alongMm: 24, acrossMm: 24 })));
    const a = p.shade.areas.find((x) => x.id === 'flanks')!;
    const looks = new Set(a.field!.a);
    expect(looks.size).toBeGreaterThan(1);
    const marked = [...a.field!.a].filter((l) => a.field!.looks[l]!.seen[1] > 1.5 * a.field!.looks[0]!.seen[1]).length;
    expect(marked).toBeGreaterThan(0);
    expect(marked).toBeLessThan(a.field!.a.length / 2);
  });
  it('too fine a line, one that lies nowhere and one that hardly shows are said', () => {
    const through = [at('trunk', 0.3, 0), at('trunk', 0.7, 0)];
    const of = (m: PieceMarking) =>
      plan(withMark(m))
        .findings.filter((f) => f.about === 'm')
        .map((f) => f.id);
    expect(of(marking({ kind: 'stripe', through, startMm: 0.5, endMm: 0.5, stopMm: 0 }))).toContain('shade-fine-m');
    expect(of(marking({ kind: 'painted', strokes: [] }))).toContain('shade-nowhere-m');
    expect(
      of(
        marking(
          { kind: 'stripe', through, startMm: 9, endMm: 9, stopMm: 0 },
          { layers: [veil('v', 'chestnut-top', 9)] },
        ),
      ),
    ).toContain('shade-faint-m');
    expect(
      of(
        marking({ kind: 'blaze', through: [at('skull', 0.3, 0), at('muzzle', 0, 0)], startMm: 6, endMm: 2, stopMm: 0 }),
      ),
    ).toContain('shade-blaze-m');
  });
  it('one that is to hide its ground and does not says how much it takes, and that does', () => {
    const spot = marking(
      { kind: 'spot', at: at('trunk', 0.5, 90), alongMm: 20, acrossMm: 20 },
      { layers: [veil('v', 'cream-top', 6, { aim: 'hide' })] },
    );
    const f = plan(withMark(spot)).findings.find((x) => x.id === 'shade-hide-m-v')!;
    const need = f.remedies[0]!.changes[0]!.value as number;
    expect(need).toBeGreaterThan(12);
    const mended = withMark({ ...spot, layers: [veil('v', 'cream-top', need, { aim: 'hide' })] });
    expect(plan(mended).findings.map((x) => x.id)).not.toContain('shade-hide-m-v');
  });
  it('on a part the animal does not have is refused, naming it', () => {
    const read = readPiece(withMark(marking({ kind: 'spot', at: at('horn', 0.5, 0), alongMm: 5, acrossMm: 5 })));
    expect(read.ok).toBe(false);
    expect(!read.ok && read.problems[0]!.says).toContain('horn');
  });
});

describe('borders', () => {
  it('stray and soften on both sides, alike left and right', () => {
    const p = plan(
      change(plain, (d) => void (d.areas.find((a) => a.id === 'bib')!.shade.border = { raggedMm: 3, softMm: 4 })),
    );
    const bib = p.shade.areas.find((a) => a.id === 'bib')!.field!;
    const flanks = p.shade.areas.find((a) => a.id === 'flanks')!.field!;
    const mixed = (t: Float32Array) => t.filter((x) => x > 0.02 && x < 0.98).length;
    expect(mixed(bib.t)).toBeGreaterThan(5);
    expect(mixed(flanks.t)).toBeGreaterThan(5);
    // Far from the border nothing changes.
    expect(flanks.t.filter((x) => x === 0).length).toBeGreaterThan(0.6 * flanks.t.length);
    const op = p.work.steps.find((s) => s.operation.id === 'border-bib')!;
    const before = p.work.steps.filter((s) => ['lay-bib', 'lay-flanks'].includes(s.operation.id)).map((s) => s.number);
    expect(before.every((n) => n < op.number)).toBe(true);
  });
});

describe('the order of colour', () => {
  it('holds what must hold: under-colour before coat, coat before veil, under-colour before reverse, blend before cut', () => {
    const p = plan(pineMarten);
    const number = (id: string) => p.work.steps.find((s) => s.operation.id === id)!.number;
    expect(number('shade-flanks-under')).toBeLessThan(number('lay-flanks'));
    expect(number('blend-flanks')).toBeLessThan(number('cut-flanks'));
    expect(number('lay-flanks')).toBeLessThan(number('shade-flanks-veil'));
    expect(number('shade-flanks-veil')).toBeLessThan(number('shade-flanks-flecks'));
    expect(number('shade-flanks-under')).toBeLessThan(number('shade-flanks-raise'));
    expect(number('bag-bib')).toBeGreaterThan(number('lay-bib'));
    expect(number('strays-bib')).toBeGreaterThan(number('bag-bib'));
    for (const s of p.work.steps) for (const b of s.because) expect(number(b.id)).toBeLessThan(s.number);
  });
  it('a marking under the pile lies before the coat, one over it after', () => {
    const number = (p: Piece, id: string) => plan(p).work.steps.find((s) => s.operation.id === id)!.number;
    expect(number(kingfisher, 'mark-back-stripe-veil')).toBeGreaterThan(number(kingfisher, 'lay-back'));
    const under = change(kingfisher, (d) => void (d.markings[0]!.under = true));
    expect(number(under, 'mark-back-stripe-veil')).toBeLessThan(number(under, 'lay-back'));
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

describe('the hand learns to blend', () => {
  const recipe = [
    { lotId: 'cream-top', parts: 1 },
    { lotId: 'umber-top', parts: 1 },
  ];
  it('finds the constant a blend was made with, and keeps it to that kind of wool', () => {
    const made = plan(layers('flanks', [{ ...COAT, blend: recipe } as Layer])).shade.areas.find(
      (a) => a.id === 'flanks',
    )!.layers[0]!.ownHex;
    expect(fitBlend({ recipe, even: 1, colour: made }, cupboard.lots)!).toBeCloseTo(STEARNS_M, 2);
    // Made lighter than usual, as with a constant of 0.08.
    const curves = recipe.map((r) => ({
      curve: woolCurve(cupboard.lots.find((l) => l.id === r.lotId)!),
      parts: r.parts,
    }));
    const colour = hexOfCurve(blendCurve(curves, { ...usualBlend, m: 0.08 }));
    expect(L(colour)).toBeGreaterThan(L(made));
    const lighter = { id: 'b', name: 'b', at: '2026-01-01T10:00:00.000Z', recipe, even: 1, colour };
    expect(fitBlend(lighter, cupboard.lots)!).toBeCloseTo(0.08, 2);
    const box = { ...cupboard, blends: [1, 2, 3].map((i) => ({ ...lighter, id: `b${i}` })) };
    const how = blendHow(box, 'combed top', defaultHand);
    expect(how.blends).toBe(3);
    // Three blends against three imaginary ones: half way, on a scale of ratios.
    expect(how.m).toBeCloseTo(Math.sqrt(STEARNS_M * 0.08), 2);
    expect(blendHow(box, 'carded batt', defaultHand).m).toBe(STEARNS_M);
  });
});

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
    expect(L(cut.seenHex)).toBeGreaterThan(L(kept.seenHex));
  });
});
