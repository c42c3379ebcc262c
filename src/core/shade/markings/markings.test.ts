/** Markings on the animal: their measures against closed forms, what is said of them, borders that stray. */
import { describe, expect, it } from 'vitest';
import { at, change, plain, plan, veil } from '../../../../demo/plain-marten';
import { makeBody } from '@/core/form/body';
import { readPiece } from '@/core/piece/read';
import { type PieceMarking } from '@/core/piece/shade';
import { type Draft } from 'immer';

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
        .findings.filter((f) => f.about?.id === 'm')
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
  it('a wool that is gone is said once, of the marking and of no area', () => {
    const spot = { kind: 'spot' as const, at: at('trunk', 0.5, 90), alongMm: 20, acrossMm: 20 };
    const found = plan(withMark(marking(spot, { layers: [veil('v', 'no-such-wool', 6)] }))).findings.filter((f) =>
      f.id.startsWith('shade-missing'),
    );
    expect(found.map((f) => [f.id, f.about, f.severity])).toEqual([
      ['shade-missing-m-v', { kind: 'marking', id: 'm' }, 'stop'],
    ]);
  });
  it('weighs its area times its wool, over all areas it lies on, the one with most of it first', () => {
    const whole = {
      kind: 'stripe' as const,
      through: [at('tail', 0.3, 0), at('trunk', 0.8, 0)],
      startMm: 8,
      endMm: 8,
      stopMm: 0,
    };
    const m = markOf(marking(whole));
    expect(m.hosts.length).toBeGreaterThan(1);
    for (let i = 1; i < m.hosts.length; i++)
      expect(m.hosts[i - 1]!.areaMm2).toBeGreaterThanOrEqual(m.hosts[i]!.areaMm2);
    expect(m.hosts.reduce((s, h) => s + h.areaMm2, 0)).toBeCloseTo(m.areaMm2, 6);
    expect(m.massG).toBeCloseTo(((12 * m.areaMm2) / 1e5) * 1.05, 6);
    expect(m.layers[0]!.parts[0]!.massG).toBeCloseTo(m.massG, 6);
  });
  it('under the pile shows less than over it', () => {
    const spot = { kind: 'spot' as const, at: at('trunk', 0.5, 90), alongMm: 20, acrossMm: 20 };
    const over = markOf(marking(spot));
    const under = markOf(marking(spot, { under: true }));
    expect(under.contrast!).toBeLessThan(over.contrast! / 4);
  });
  it('on the midline mirrored is the same marking', () => {
    const through = [at('trunk', 0.2, 0), at('trunk', 0.8, 0)];
    const stripe = { kind: 'stripe' as const, through, startMm: 8, endMm: 8, stopMm: 0 };
    expect(markOf(marking(stripe)).areaMm2).toBeCloseTo(markOf(marking(stripe, { mirrored: false })).areaMm2, 3);
  });
  it('painted covers the width of the brush along its stroke', () => {
    const places = Array.from({ length: 9 }, (_, i) => at('trunk', 0.35 + i * 0.03, 90));
    const m = markOf(marking({ kind: 'painted', strokes: [{ adds: true, mirrored: true, reach: 30, places }] }));
    const reach = (30 * plain.form.finishedLengthMm) / 1000;
    const long = 0.24 * makeBody(plain.form).parts.find((x) => x.part.id === 'trunk')!.lengthMm;
    const expected = 2 * (2 * reach * long + Math.PI * reach ** 2);
    expect(m.areaMm2).toBeGreaterThan(0.7 * expected);
    expect(m.areaMm2).toBeLessThan(1.35 * expected);
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
