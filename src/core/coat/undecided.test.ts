/** Skin that nothing is decided for is said, with how much of it, and clothed by one press. */
import { describe, expect, it } from 'vitest';
import { alpacaCria, brownHare, cupboard, kingfisher, pineMarten } from '../../../demo/load';
import { change, plain, plan } from '../../../demo/plain-marten';
import { planned } from '../../../cli/testing/planned';
import { plainTube } from '../../../demo/plain-tube';
import { plainArea } from '@/core/form/area-edits';
import { BODY_PLANS } from '@/core/form/plans/plans';
import { newPiece } from '@/core/new-piece';
import { defaultHand as hand } from '@/core/piece/hand';
import type { Piece } from '@/core/piece/schema';
import { remedied } from '@/core/remedied';

const found = (p: Piece) => plan(p).findings.find((f) => f.code === 'coat-unclothed');
const mm2Of = (p: Piece) => plan(p).coat.undecided.mm2;

describe('skin that nothing is decided for', () => {
  const tailless = change(plain, (d) => void (d.areas = d.areas.filter((a) => a.id !== 'tail')));
  const bareTail = change(plain, (d) => void (d.areas.find((a) => a.id === 'tail')!.coat = { method: 'none' }));

  it('is said of a part in no area and of an area that is not laid, by as much', () => {
    const before = mm2Of(plain);
    const tail = plan(plain).coat.areas.find((a) => a.id === 'tail')!.areaMm2;
    for (const p of [tailless, bareTail]) {
      // Other areas run into its place a little where it is gone.
      expect(Math.abs((mm2Of(p) - before) / tail - 1)).toBeLessThan(0.08);
      const f = found(p)!;
      expect(f.severity).toBe('caution');
      expect(f.says.find((x) => typeof x === 'object')).toEqual({ kind: 'area', value: mm2Of(p) });
      expect(f.says.join('')).toContain('Tail');
    }
  });

  it('is clothed by one press, short and in the wool of what lies beside it', () => {
    for (const p of [tailless, bareTail]) {
      const next = remedied({ piece: p, cupboard }, found(p)!.remedies[0]!).piece;
      expect(mm2Of(next)).toBe(0);
      expect(found(next)).toBeUndefined();
      const coat = next.areas.find((a) => a.id === 'tail' || a.id === 'rest-tail')!.coat;
      expect(coat.method).toBe('velvet');
      const back = p.areas.find((a) => a.id === 'back')!.coat;
      const flanks = p.areas.find((a) => a.id === 'flanks')!.coat;
      expect([back, flanks].map((c) => 'lotId' in c && c.lotId)).toContain('lotId' in coat && coat.lotId);
      // What was laid before has what it had.
      for (const a of plan(p).coat.areas)
        if (a.fur) expect(plan(next).coat.areas.find((b) => b.id === a.id)!.areaMm2).toBeCloseTo(a.areaMm2, 3);
    }
  });

  it('of a tube clothed at one end it is the closed form', () => {
    const piece = newPiece(
      { id: 't', name: 'Tube', plan: 'standing-quadruped', finishedLengthMm: 200, lifeLengthMm: 900, seed: 1 },
      cupboard,
      hand,
    );
    const wool = { ...piece.areas.find((a) => a.coat.method !== 'none')!.coat };
    const p: Piece = {
      ...piece,
      form: { ...piece.form, parts: [plainTube('trunk')], pose: [] },
      core: { ...piece.core, soft: [] },
      frame: { ...piece.frame, kind: 'none' },
      areas: [plainArea('end', 'End', [{ parts: ['trunk'], along: { from: 0, to: 0.1 } }], wool)],
    };
    const { coat, form } = planned(p, cupboard, hand, { edgeShare: 1 / 70 });
    // A tenth of its whole length, ends and all, is its round end: 2 pi r r of 2 pi r (800 + 2 r) is clothed.
    expect(Math.abs(coat.undecided.mm2 / form.areaMm2 - (1 - 100 / 1000))).toBeLessThan(0.01);
  });

  it.each([
    ['pine marten', pineMarten],
    ['alpaca cria', alpacaCria],
    ['kingfisher', kingfisher],
    ['brown hare', brownHare],
  ])('the %s has none', (_name, p) => {
    expect(planned(p, cupboard, hand).coat.undecided).toEqual({ mm2: 0, places: [] });
  });

  it.each(BODY_PLANS.map((b) => [b.id, b] as const))('a new piece as %s begins with none', (_id, b) => {
    const p = newPiece(
      {
        id: 'n',
        name: 'New',
        plan: b.id,
        finishedLengthMm: b.finishedLengthMm,
        lifeLengthMm: b.lifeLengthMm,
        seed: 1,
      },
      cupboard,
      hand,
    );
    const got = planned(p, cupboard, hand, { edgeShare: 1 / 70 });
    expect(got.coat.undecided.places).toEqual([]);
    expect(got.findings.filter((f) => f.severity === 'stop').map((f) => f.says.join(''))).toEqual([]);
  });
});
