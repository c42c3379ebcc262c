/** Whether an animal stands: the middle of its weight over its feet (closed forms), and what holds up one that falls. */
import { beforeAll, describe, expect, it } from 'vitest';
import { COARSELY, planned } from '../../../cli/testing/planned';
import { cupboard } from '../../../demo/load';
import { plainTube } from '../../../demo/plain-tube';
import { plainArea } from '@/core/form/area-edits';
import { BODY_PLANS } from '@/core/form/plans/plans';
import { newPiece } from '@/core/new-piece';
import { defaultHand as hand } from '@/core/piece/hand';
import type { Part, Piece } from '@/core/piece/schema';
import type { Plan } from '@/core/plan';
import { remedied } from '@/core/remedied';
import { balance } from './balance';
import { tippingAngle, weightLow } from './core-methods';
import { SAFE_DEG } from './steadied';

const FINE = { edgeShare: 1 / 70 };
const planOf = (plan: string, finishedLengthMm: number, change: (p: Piece) => Piece = (p) => p): Plan =>
  planned(
    change(newPiece({ id: 'n', name: 'New', plan, finishedLengthMm, lifeLengthMm: 900, seed: 1 }, cupboard, hand)),
    cupboard,
    hand,
    FINE,
  );

describe('standing', () => {
  // Statics of a box on four feet, worked by hand: two weights, 60 g at (0, 40, 10) and 20 g at (4, 80, 50).
  it('the middle of the weight is the weighted mean', () => {
    const b = balance([
      { massG: 60, at: [0, 40, 10] },
      { massG: 20, at: [4, 80, 50] },
    ]);
    expect(b).toEqual({ massG: 80, at: [1, 50, 20] });
    // Feet at z = 0 and 40, x = +-15: nearest side 14 mm off, 50 mm high: falls at atan(14/50).
    expect(tippingAngle.of({ margin: 14, height: 50 })).toBeCloseTo(15.642, 3);
    // The limit: over the edge it falls by itself.
    expect(tippingAngle.of({ margin: 0, height: 50 })).toBe(0);
    expect(tippingAngle.of({ margin: -3, height: 50 })).toBeLessThan(0);
  });

  it('the weight said to put low brings the margin to what is wanted', () => {
    const [mass, margin, wanted, lever] = [80, -4, 5, 30];
    const w = weightLow.of({ mass, margin, wanted, lever });
    expect((mass * margin + w * lever) / (mass + w)).toBeCloseTo(wanted, 9);
  });

  it('a body alike fore and aft stands as safely either way, with its weight in the middle', () => {
    const leg = (id: string, z: number): Part => ({
      id,
      name: id,
      role: 'other',
      shape: 'limb',
      mirrored: true,
      blend: 10,
      lie: 'to-end',
      on: 'trunk',
      root: 'start',
      nodes: [
        { at: [60, 0, z], radius: 40 },
        { at: [60, -300, z], radius: 30 },
      ],
    });
    const trunk: Part = { ...plainTube('trunk'), blend: 10 };
    const { stands } = planOf('standing-quadruped', 200, (p) => ({
      ...p,
      form: { ...p.form, parts: [trunk, leg('fore', 300), leg('hind', -300)], pose: [], finishedLengthMm: 200 },
      areas: [plainArea('all', 'All', [{ parts: ['trunk'] }])],
      core: { ...p.core, allowanceMm: 0, soft: [] },
    }));
    expect(Math.abs(stands.centre[0])).toBeLessThan(0.05);
    expect(Math.abs(stands.centre[2])).toBeLessThan(0.6);
    // Feet 12 mm out each side, 6 mm round: it falls sideways first, over the outer edge of where the soles touch.
    expect(['left', 'right']).toContain(stands.towards);
    expect(stands.marginMm).toBeGreaterThan(12);
    expect(stands.marginMm).toBeLessThan(18);
    expect(stands.holes.map((h) => h.at.map((x) => Math.round(x)))).toEqual([
      [12, 60],
      [-12, 60],
      [12, -60],
      [-12, -60],
    ]);
  });

  it('what falls stands with its feet further out, or with a weight low over the other side; the lever says how heavy', () => {
    const leg = (id: string, z: number): Part => ({
      ...plainTube(id),
      role: 'other',
      mirrored: true,
      on: 'trunk',
      root: 'start',
      blend: 10,
      nodes: [
        { at: [60, 0, z], radius: 40 },
        { at: [60, -300, z], radius: 30 },
      ],
    });
    // Its hind legs stand under its middle: nothing holds it up behind them.
    const begun = (p: Piece): Piece => ({
      ...p,
      form: {
        ...p.form,
        parts: [{ ...plainTube('trunk'), blend: 10 }, leg('fore', 320), leg('hind', 60)],
        pose: [],
        finishedLengthMm: 200,
      },
      areas: [plainArea('all', 'All', [{ parts: ['trunk'] }])],
      core: { ...p.core, allowanceMm: 0, soft: [] },
    });
    const fallen = planOf('standing-quadruped', 200, begun);
    expect(fallen.stands.towards).toBe('back');
    const f = fallen.findings.find((x) => x.code === 'form-falls')!;
    expect(f.remedies.map((r) => r.label.map((t) => (typeof t === 'string' ? t : '#')).join(''))).toEqual([
      expect.stringMatching(/^Set the feet # further out$/),
      expect.stringMatching(/^Put # low into it, over its front$/),
    ]);
    for (const r of f.remedies) {
      const then = planOf('standing-quadruped', 200, (p) => remedied({ piece: begun(p), cupboard }, r).piece);
      expect(then.findings.some((x) => x.code === 'form-falls')).toBe(false);
      expect(then.stands.tipping!.value).toBeGreaterThanOrEqual(SAFE_DEG);
    }
    // Balance of moments (closed form), the weight over the front feet: as much as the piece's own moment behind the edge it wants.
    const { massG, side } = f.remedies[1]!.changes[0]!.value as { massG: number; side: string };
    const then = planOf(
      'standing-quadruped',
      200,
      (p) => remedied({ piece: begun(p), cupboard }, f.remedies[1]!).piece,
    );
    expect(side).toBe('front');
    expect(then.stands.massG - fallen.stands.massG).toBeCloseTo(massG, 6);
    const [m, z, zw] = [fallen.stands.massG, fallen.stands.centre[2], then.stands.low!.at[2]];
    expect(then.stands.centre[2]).toBeCloseTo((m * z + massG * zw) / (m + massG), 6);
    // Half a gram less would not do.
    const less = planOf('standing-quadruped', 200, (p) => {
      const b = begun(p);
      return { ...b, core: { ...b.core, weight: { massG: massG - 0.5, side: 'front' } } };
    });
    expect(less.stands.tipping!.value).toBeLessThan(SAFE_DEG);
    // The weight is a step, before the core is closed.
    const steps = then.work.steps.map((s) => s.operation.id);
    expect(steps.indexOf('core-weight')).toBeLessThan(steps.indexOf('core-join'));
    expect(steps).toContain('core-weight');
  });

  let upright: Plan;
  beforeAll(() => {
    upright = planOf('upright-quadruped', 180);
  });
  it('four legs stand; an animal leaning over its toes is said to fall, which way, and what would hold it', () => {
    const stands = planOf('standing-quadruped', 180).stands;
    expect(stands.case).toBe('stands');
    expect(stands.marginMm).toBeGreaterThan(3);
    expect(upright.stands.massG).toBeGreaterThan(1);
    const tipped = planOf('standing-quadruped', 180, (p) => ({
      ...p,
      form: { ...p.form, pose: [{ part: 'foreleg', node: 0, side: 'both', nodDeg: 75, turnDeg: 0, tiltDeg: 0 }] },
    }));
    const f = tipped.findings.find((x) => x.id === 'form-falls')!;
    expect(tipped.stands.towards).toBe('front');
    expect(f.severity).toBe('stop');
    expect(f.says.join('')).toContain('falls forward');
  });

  // What a maker meets first: a piece begun from any plan must not open with a stop.
  it.each(BODY_PLANS.map((b) => [b.id, b.finishedLengthMm] as const))(
    '%s stands or hangs, with nothing stopped',
    (id, mm) => {
      const plan = planned(
        newPiece({ id: 'n', name: 'New', plan: id, finishedLengthMm: mm, lifeLengthMm: 900, seed: 1 }, cupboard, hand),
        cupboard,
        hand,
        COARSELY,
      );
      expect(plan.findings.filter((f) => f.stage === 'form' && f.severity === 'stop').map((f) => f.id)).toEqual([]);
      expect(plan.stands.case).toBe(id === 'relief-picture' ? 'hangs' : 'stands');
      if (plan.stands.case === 'stands') expect(plan.stands.tipping!.value).toBeGreaterThan(SAFE_DEG);
    },
  );

  it('a relief hangs and is not asked to stand; its board is not built of wool', () => {
    const relief = planOf('relief-picture', 260);
    expect(relief.stands.case).toBe('hangs');
    expect(relief.findings.some((f) => f.id === 'form-falls')).toBe(false);
    expect(relief.core.parts.some((p) => p.id === 'board')).toBe(false);
    // Nothing stands out behind the board.
    let back = Infinity;
    for (let i = 0; i < relief.form.skin.positions.length; i += 3)
      back = Math.min(back, relief.form.skin.positions[i]!);
    const board = newPiece(
      { id: 'n', name: 'N', plan: 'relief-picture', finishedLengthMm: 260, lifeLengthMm: 600, seed: 1 },
      cupboard,
      hand,
    ).form.parts.find((p) => p.shape === 'board')!;
    expect(back).toBeGreaterThan(-(board.shape === 'board' ? board.thickness : 0) * 0.3 - 0.5);
  });
});
