/** The work of colour and what must come first (common practice). */
import { massOf } from '@/core/materials';
import { describe, expect, it } from 'vitest';
import { cupboard, kingfisher, pineMarten } from '../../../demo/load';
import { change, plan } from '../../../demo/plain-marten';
import { type Piece } from '@/core/piece/schema';

describe('the order of colour', () => {
  it('holds what must hold: under-colour before coat, coat before veil, under-colour before reverse, blend before cut', () => {
    const p = plan(pineMarten);
    const number = (id: string) => p.work.steps.find((s) => s.operation.id === id)!.number;
    expect(number('shade-flanks-under')).toBeLessThan(number('lay-flanks'));
    expect(number('blend-flanks')).toBeLessThan(number('cut-flanks'));
    expect(number('lay-flanks')).toBeLessThan(number('shade-flanks-veil'));
    expect(number('shade-flanks-veil')).toBeLessThan(number('shade-flanks-flecks'));
    expect(number('shade-flanks-under')).toBeLessThan(number('shade-flanks-raise'));
    expect(number('strays-bib')).toBeGreaterThan(number('lay-bib'));
    expect(number('strays-bib')).toBeGreaterThan(number('lay-flanks'));
    for (const s of p.work.steps) for (const b of s.because) expect(number(b.id)).toBeLessThan(s.number);
  });
  it('a marking under the pile lies before the coat, one over it after', () => {
    const number = (p: Piece, id: string) => plan(p).work.steps.find((s) => s.operation.id === id)!.number;
    expect(number(kingfisher, 'mark-back-stripe-veil')).toBeGreaterThan(number(kingfisher, 'lay-back'));
    const under = change(kingfisher, (d) => void (d.markings[0]!.under = true));
    expect(number(under, 'mark-back-stripe-veil')).toBeLessThan(number(under, 'lay-back'));
  });
});

describe('steps of colour', () => {
  const op = (id: string) => plan(pineMarten).work.steps.find((s) => s.operation.id === id)!.operation;
  it('a blend says how much of each wool, and together it is what the coat takes', () => {
    const said = op('blend-flanks').does.filter((x) => typeof x !== 'string') as { kind: string; value: number }[];
    const grams = said.filter((x) => x.kind === 'mass').map((x) => x.value);
    const massG = plan(pineMarten).coat.areas.find((a) => a.id === 'flanks')!.fur!.figures.mass.value;
    expect(grams).toHaveLength(2);
    expect(grams[0]! / grams[1]!).toBeCloseTo(3, 9);
    expect(grams[0]! + grams[1]!).toBeCloseTo(massG, 9);
    expect(massOf(op('blend-flanks').materials)).toBeCloseTo(massG, 9);
  });
  it('a layer is divided into as many wisps as its time counts, drawn off no longer than its wool grows', () => {
    let met = 0;
    for (const { operation: o } of plan(pineMarten).work.steps) {
      const at = o.does.findIndex((x) => typeof x === 'string' && /^ wisps? of $/.test(x));
      if (at < 0) continue;
      met++;
      const [n, long] = [o.does[at - 1], o.does[at + 1]] as { value: number }[];
      expect(n!.value, o.id).toBe(o.work.wisp);
      for (const m of o.materials)
        expect(long!.value, o.id).toBeLessThanOrEqual(cupboard.lots.find((l) => l.id === m.lotId)!.stapleMm);
    }
    expect(met).toBeGreaterThan(3);
  });
  it('the reverse needle is named for what is raised and never for what is laid', () => {
    const { work, needles } = plan(pineMarten);
    for (const { operation: o } of work.steps) {
      const step = needles.steps.find((n) => n.operationId === o.id);
      if (o.stage !== 'shade' || !step) continue;
      for (const p of step.phases) expect(p.name.includes('reverse'), o.id).toBe(o.kind === 'raise');
    }
  });
  it('needles and fingers are minded, mats kept apart', () => {
    const caution = JSON.stringify(op('shade-flanks-veil').caution);
    expect(caution).toContain('fingers');
    expect(caution).toContain('mat');
    expect(JSON.stringify(op('blend-flanks').caution)).toContain('dust mask');
  });
  it('pale neighbours are searched for dark strays, dark ones not', () => {
    const ids = plan(pineMarten).work.steps.map((s) => s.operation.id);
    expect(ids).toContain('strays-bib');
    expect(ids).not.toContain('strays-tail');
  });
  it('a broken stripe is laid, then broken', () => {
    const broken = change(kingfisher, (d) => void (d.markings[0]!.broken = { dashMm: 4, gapMm: 2 }));
    const number = (id: string) => plan(broken).work.steps.find((s) => s.operation.id === id)!.number;
    expect(number('dash-back-stripe')).toBeGreaterThan(number('mark-back-stripe-veil'));
  });
  it('their time is the time of the stage', () => {
    const { work, shade } = plan(pineMarten);
    const sum = work.steps.reduce((s, x) => s + (x.operation.stage === 'shade' ? x.operation.minutes : 0), 0);
    expect(shade.minutes).toBeCloseTo(sum, 9);
    expect(shade.massG).toBeCloseTo(
      work.steps.reduce((s, x) => s + (x.operation.kind === 'veil' ? massOf(x.operation.materials) : 0), 0),
      9,
    );
  });
});
