/**
 * Wool between the stages: what a step takes is what the stock counts, what a sitting takes out, what the cut list cuts and the
 * docket says. Sums of the product's own figures; that a blend is weighed out by its parts is common practice.
 */
import { isAbout } from './ref';
import { produce } from 'immer';
import { describe, expect, it } from 'vitest';
import { alpacaCria, brownHare, cupboard, kingfisher, pineMarten } from '../../demo/load';
import { change, layers, COAT, plain, plan } from '../../demo/plain-marten';
import { byLot, massOf, takenBy, woolIn, type WoolMass } from './materials';
import type { Piece } from './piece/schema';
import type { Layer } from './piece/shade';
import type { Plan } from './plan';

const steps = (p: Plan) => p.work.steps.map((s) => s.operation);
const of = (list: readonly WoolMass[], lotId: string | null) => massOf(list.filter((w) => w.lotId === lotId));
const BLEND = [
  { lotId: 'chestnut-top', parts: 1 },
  { lotId: 'cream-top', parts: 3 },
];
const blended = layers('flanks', [{ ...COAT, blend: BLEND } as Layer]);
const striped = change(plain, (d) => {
  d.areas.find((a) => a.id === 'flanks')!.coat = {
    method: 'standing',
    lotId: 'cream-top',
    lengthMm: 8,
    spacingMm: 5,
    liftDeg: 50,
    layMgCm: 12,
    overMm: 4,
    marking: { kind: 'stripe', lotId: 'chestnut-top', from: 0, to: 1, every: 1, share: 0.25, cut: 'flat' },
  };
});

describe.each<[string, Piece]>([
  ['marten', pineMarten],
  ['cria', alpacaCria],
  ['kingfisher', kingfisher],
  ['hare', brownHare],
  ['marten of a blend', blended],
  ['marten with a stripe', striped],
])('wool of the %s', (_, piece) => {
  const p = plan(piece);
  const taken = byLot(steps(p).flatMap(takenBy));
  it('is in the stock, lot by lot, what the steps take out of the cupboard', () => {
    const lots = new Set([...p.stock.lots.map((l) => l.lotId), ...taken.map((t) => t.lotId)]);
    for (const id of lots) {
      if (id !== null) expect(p.stock.lots.find((l) => l.lotId === id)?.needG ?? 0, id).toBeCloseTo(of(taken, id), 9);
    }
    expect(p.stock.needG).toBeCloseTo(massOf(taken), 9);
    expect(massOf(p.stock.unchosen.map((u) => ({ lotId: null, massG: u.massG })))).toBeCloseTo(of(taken, null), 9);
  });
  it('is taken out over the sittings, lot by lot', () => {
    const out = byLot(p.work.sittings.flatMap((s) => s.wool));
    expect(out.length).toBe(taken.length);
    for (const t of taken) expect(of(out, t.lotId), String(t.lotId)).toBeCloseTo(t.massG, 9);
  });
  it('goes through no step before it was taken out', () => {
    const ready: WoolMass[] = [];
    for (const o of steps(p)) {
      for (const m of o.materials)
        if (m.from === 'earlier step')
          expect(of(ready, m.lotId), `${o.id}: ${m.lotId}`).toBeGreaterThanOrEqual(m.massG - 1e-9);
      ready.push(...takenBy(o));
    }
  });
  it('is what the coat draws on, area by area', () => {
    for (const a of p.coat.areas) {
      if (!a.fur) continue;
      const mine = steps(p).filter((o) => o.stage === 'coat' && isAbout(o, 'area', a.id));
      const all = byLot(mine.flatMap(takenBy));
      for (const d of byLot(a.fur.draws)) expect(of(all, d.lotId), a.name).toBeCloseTo(d.massG, 9);
      expect(massOf(all), a.name).toBeCloseTo(massOf(a.fur.draws), 9);
      // Laid is what was drawn, whatever step made it ready.
      const laid = mine.filter((o) => o.kind === 'lay').flatMap(woolIn);
      for (const d of byLot(a.fur.draws)) expect(of(laid, d.lotId), `${a.name} laid`).toBeCloseTo(d.massG, 9);
    }
  });
});

describe('a coat laid from a blend', () => {
  const p = plan(blended);
  const area = p.coat.areas.find((a) => a.id === 'flanks')!.fur!;
  it('draws on each of its wools by its parts, in docket and steps alike', () => {
    const [a, b] = [of(area.draws, 'chestnut-top'), of(area.draws, 'cream-top')];
    expect(b / a).toBeCloseTo(3, 9);
    const said = area.docket.list.flatMap((l) => {
      const f = area.figures[l.figure];
      return f?.method === 'blend-part' ? [[l.label, f.value] as const] : [];
    });
    expect(said).toEqual([
      ['chestnut top', expect.closeTo(a, 9)],
      ['cream top', expect.closeTo(b, 9)],
    ]);
    expect(area.docket.list.some((l) => l.figure === 'mass')).toBe(false);
    for (const kind of ['blend', 'cut', 'lay'] as const) {
      const o = steps(p).find((x) => isAbout(x, 'area', 'flanks') && x.kind === kind)!;
      expect(
        woolIn(o)
          .map((w) => w.lotId)
          .sort(),
        kind,
      ).toEqual(['chestnut-top', 'cream-top']);
      expect(of(woolIn(o), 'cream-top'), kind).toBeCloseTo(b, 9);
    }
    const cut = steps(p).find((x) => isAbout(x, 'area', 'flanks') && x.kind === 'cut')!;
    expect(JSON.stringify(cut.does)).toContain('1 Chestnut top : 3 Cream top');
  });
  it('is cut no longer than its shortest wool allows, and the remedy changes the blend', () => {
    const short = produce(cupboard, (d) => void (d.lots.find((l) => l.id === 'cream-top')!.stapleMm = 20));
    const f = plan(blended, short).findings.find((x) => isAbout(x, 'area', 'flanks') && x.code === 'coat-staple')!;
    expect(JSON.stringify(f.says)).toContain('Cream top is too short');
    const other = f.remedies.find((r) => r.changes.some((c) => c.path.includes('blend')))!;
    expect(other.changes).toHaveLength(1);
    const mended = produce(blended, (d) => {
      const at = other.changes[0]!.path;
      const layer = d.areas[at[1] as number]!.shade.layers[at[4] as number]!;
      if (layer.kind === 'coat') layer.blend = other.changes[0]!.value as typeof BLEND;
    });
    const still = plan(mended, short).findings.filter((x) => JSON.stringify(x.says).includes('too short'));
    expect(still.filter((x) => isAbout(x, 'area', 'flanks'))).toEqual([]);
  });
  it('hides as its wools together do: the layers of each add up', () => {
    const wool = (id: string) => cupboard.lots.find((l) => l.id === id)!;
    const alone = (lotId: string) =>
      plan(
        change(plain, (d) => {
          const { coat } = d.areas.find((a) => a.id === 'flanks')!;
          if (coat.method !== 'none') coat.lotId = lotId;
        }),
      ).coat.areas.find((a) => a.id === 'flanks')!.fur!.figures.cover.value;
    const [x, y] = [alone('chestnut-top'), alone('cream-top')];
    expect(wool('chestnut-top').finenessUm).not.toBe(wool('cream-top').finenessUm);
    expect(area.figures.cover.value).toBeGreaterThan(Math.min(x, y));
    expect(area.figures.cover.value).toBeLessThan(Math.max(x, y));
  });
});

describe('a stripe in standing rows', () => {
  const fur = plan(striped).coat.areas.find((a) => a.id === 'flanks')!.fur!;
  it('is billed in its own wool in docket, steps and stock, not as wool of the ground', () => {
    const label = (figure: string) => fur.docket.list.find((l) => l.figure === figure)?.label;
    expect(label('mass')).toBe('cream top');
    expect(label('band')).toBe('chestnut top, band');
    const [ground, band] = [fur.figures.mass.value, fur.figures.band!.value];
    // A quarter of every lay is the band.
    expect(band / (ground + band)).toBeCloseTo(0.25, 9);
    expect(of(fur.draws, 'cream-top')).toBeCloseTo(ground, 12);
    expect(of(fur.draws, 'chestnut-top')).toBeCloseTo(band, 12);
  });
});
