/** Small things on the demos: measured, weighed, stood on, judged; what two places say of them is the same. */
import { produce } from 'immer';
import { describe, expect, it } from 'vitest';
import { COARSELY, planned } from '../../../../cli/testing/planned';
import { brownHare, cupboard, kingfisher, pineMarten } from '../../../../demo/load';
import { balance } from '@/core/build/balance';
import { SAFE_DEG } from '@/core/build/steadied';
import { unitMm } from '@/core/form/shape';
import { defaultHand } from '@/core/piece/hand';
import { readPiece } from '@/core/piece/read';
import type { Piece } from '@/core/piece/schema';
import { isFelted, THING_KINDS, type Thing, type ThingOf } from '@/core/piece/things';
import { withoutParts } from '@/core/piece/without-parts';
import type { Plan } from '@/core/plan';
import { remedied } from '@/core/remedied';
import { beginThing } from './begin-thing';
import { supported } from './support';
import type { ThingPlan } from './thing-plan';
import { bandLength, frameBar, knotLength, loopLength, scarfLength, wallWidth, woodMass } from './thing-methods';

const plan = (p: Piece): Plan => planned(p, cupboard, defaultHand, COARSELY);
const bare = (p: Piece): Piece => ({ ...p, things: [] });
const having = (p: Piece, ...things: Thing[]): Piece => ({ ...p, things });
const marten = bare(pineMarten);
const king = bare(kingfisher);
const hare = bare(brownHare);

/** A thing as it begins on a piece, with wool. */
function begun<K extends Thing['kind']>(kind: K, piece: Piece, more: Partial<ThingOf<K>> = {}): ThingOf<K> {
  const t = beginThing(kind, piece, plan(piece), 0.15);
  return { ...t, ...(isFelted(t) ? { lotId: 'rust-top' } : {}), ...more } as ThingOf<K>;
}
const codes = (p: Plan) => p.findings.map((f) => f.code).filter((c) => /thing|base-small|twig|frame/.test(c));
const pressed = (piece: Piece, p: Plan, code: string, which = 0): Piece => {
  const f = p.findings.find((x) => x.code === code)!;
  return remedied({ piece, cupboard }, f.remedies[which]!).piece;
};
const needOf = (p: Plan, lotId: string) => p.stock.lots.find((l) => l.lotId === lotId)?.needG ?? 0;

describe('what is worn', () => {
  const collar = begun('collar', marten);
  const with1 = having(marten, collar);
  const [before, after] = [plan(marten), plan(with1)];
  const p = after.things[0]!;

  it('is as long as a thread, its own thickness, what it is looser by and its overlap', () => {
    // By hand: round 100 mm, 2 mm thick, 3 looser, 5 over: 100 + 6.283 + 8.
    expect(bandLength.of({ girth: 100, thick: 2, looser: 3, overlap: 5 })).toBeCloseTo(114.283, 3);
    expect(scarfLength.of({ girth: 100, thick: 2, looser: 3, wide: 10, ends: 40 })).toBeCloseTo(199.283, 3);
    expect(loopLength.of({ across: 30, overlap: 6 })).toBe(66);
    // Loops 10 mm high gathered to 4.5, felt of 1.5 in five layers, 5 over: 2 x 12 + 5.
    expect(knotLength.of({ high: 10, thick: 1.5, overlap: 5 })).toBe(29);
    const looser = plan(having(marten, { ...collar, looserMm: 7 })).things[0]!;
    looser.lengths.forEach((l, i) => expect(l.figure.value - p.lengths[i]!.figure.value).toBeCloseTo(7, 9));
    // The thread is as thick round as the part there, with its coat: more than round the core alone.
    const neck = after.core.parts.find((x) => x.id === collar.on)!;
    const across = Math.max(...neck.sections.map((s) => Math.max(s.finished.width, s.finished.height)));
    expect(p.girthMm! / Math.PI).toBeLessThan(1.25 * across);
    expect(p.girthMm! / Math.PI).toBeGreaterThan(0.6 * across);
  });

  it('takes its wool out of the cupboard once: its pieces, its step and the stock say the same', () => {
    const grams = p.panels.reduce((s, x) => s + x.count * x.mass.value, 0);
    expect(p.massG).toBeCloseTo(grams, 12);
    expect(needOf(after, 'rust-top') - needOf(before, 'rust-top')).toBeCloseTo(p.massG, 9);
    const step = after.work.steps.find((o) => o.operation.id === `thing-make-${collar.id}`)!;
    expect(step.operation.materials).toEqual([
      { lotId: 'rust-top', massG: p.massG, for: 'small thing', from: 'cupboard' },
    ]);
  });

  it('weighs on the animal where it lies', () => {
    expect(after.stands.massG - before.stands.massG).toBeCloseTo(p.massG, 9);
    const ring = p.worn!.threads[1]!;
    const moved = balance([
      { massG: before.stands.massG, at: before.stands.centre },
      { massG: p.massG, at: ring.at },
    ]).at;
    // Its ring lies about the axis of the part there, within a tenth of its girth.
    for (let k = 0; k < 3; k++)
      expect(Math.abs(after.stands.centre[k]! - moved[k]!)).toBeLessThan(
        (0.1 * p.girthMm! * p.massG) / after.stands.massG,
      );
  });

  it('is put on after the coat, and shifts no other figure', () => {
    expect(after.coat.areas.map((a) => a.fur?.figures)).toEqual(before.coat.areas.map((a) => a.fur?.figures));
    const order = after.work.steps.map((s) => s.operation.id);
    const put = order.indexOf(`thing-put-${collar.id}`);
    const laid = after.work.steps.filter((s) => s.operation.kind === 'lay' || s.operation.kind === 'trim');
    expect(laid.length).toBeGreaterThan(5);
    for (const s of laid) expect(order.indexOf(s.operation.id)).toBeLessThan(put);
    expect(order.indexOf(`thing-make-${collar.id}`)).toBeLessThan(put);
  });

  it('a place where no thread goes round is said, and the one pressed is one where it does', () => {
    const piece = having(marten, { ...collar, along: 0 });
    const at = plan(piece);
    expect(at.things[0]!.girthMm).toBeNull();
    expect(at.things[0]!.massG).toBe(0);
    expect(codes(at)).toEqual(['form-thing-nowhere']);
    const then = plan(pressed(piece, at, 'form-thing-nowhere'));
    expect(codes(then)).toEqual([]);
    expect(then.things[0]!.girthMm).toBeGreaterThan(30);
  });

  it('without wool it says so, and one press chooses one that suffices', () => {
    const piece = having(marten, { ...collar, lotId: null });
    const at = plan(piece);
    expect(codes(at)).toEqual(['form-thing-no-wool']);
    const now = pressed(piece, at, 'form-thing-no-wool');
    expect(codes(plan(now))).toEqual([]);
    const lot = cupboard.lots.find((l) => l.id === (now.things[0] as ThingOf<'collar'>).lotId)!;
    expect(lot.haveG).toBeGreaterThan(p.massG);
  });

  it('goes with the part it sits on', () => {
    expect(withoutParts(with1, (id) => id === collar.on).things).toEqual([]);
    expect(withoutParts(with1, (id) => id === 'tail').things).toEqual([collar]);
    const lost = produce(with1, (d) => void ((d.things[0] as { on: string }).on = 'fin'));
    const read = readPiece(lost);
    expect(read.ok ? null : read.problems[0]!.says).toBe(
      'Collar sits on a part called “fin”, which this animal does not have',
    );
  });

  it('a scarf hangs as far as it is cut, outside of the coat', () => {
    const s = begun('scarf', marten, { endsMm: 30 });
    const { hanging, seat } = plan(having(marten, s)).things[0]!.worn!;
    expect(hanging.length).toBe(2);
    for (const line of hanging) {
      const long = line
        .slice(1)
        .reduce((l, q, i) => l + Math.hypot(...[0, 1, 2].map((k) => q.at[k]! - line[i]!.at[k]!)), 0);
      expect(long).toBeCloseTo(30, 6);
      expect(line.at(-1)!.at[1]).toBeLessThan(seat[1] - 15);
    }
  });
});

describe('wood under it', () => {
  it('weighs its volume', () => {
    // 100 x 50 x 10 mm of oak at 0.68: 34 g (worked by hand).
    expect(woodMass.of({ volume: 50_000, density: 680 })).toBeCloseTo(34, 9);
    const base = begun('base', marten, {
      outline: 'with corners',
      longMm: 100,
      wideMm: 50,
      thickMm: 10,
      wood: 'heavy',
    });
    expect(plan(having(marten, base)).things[0]!.massG).toBeCloseTo(34, 9);
    const oval = plan(having(marten, { ...base, outline: 'oval' })).things[0]!;
    expect(oval.massG).toBeCloseTo((34 * Math.PI) / 4, 9);
  });

  it('a weight on a round base is tipped as statics has it', () => {
    // 50 g, 60 mm over the middle of a base of 100 mm, 20 mm thick, of 100 g: 150 g at (50 x 80 + 100 x 10)/150 mm.
    const thing = { kind: 'base', outline: 'oval', longMm: 100, wideMm: 100, thickMm: 20 } as ThingOf<'base'>;
    const p = { id: 'base', name: 'Base', thing, massG: 100 } as unknown as ThingPlan;
    const feet = [
      [-10, -10],
      [10, -10],
      [10, 10],
      [-10, 10],
    ] as const;
    const s = supported([p], { massG: 50, centre: [0, 60, 0], groundY: 0, feet })!;
    expect(s.massG).toBe(150);
    expect(s.centre[1] - s.support.level).toBeCloseTo(5000 / 150, 9);
    // The inscribed polygon of 64 corners is a thousandth narrower than the circle.
    expect(s.tipping.value).toBeCloseTo((Math.atan(50 / (5000 / 150)) * 180) / Math.PI, 1);
    expect(s.support.level).toBe(-20);
    // Its feet lie 50 - 14.14 mm within the edge.
    expect(s.support.overMm).toBeCloseTo(-(50 - Math.SQRT2 * 10), 1);
    // A second twig for its feet weighs nothing here, as it is not drawn.
    const spare = { id: 't2', thing: { kind: 'twig', under: true, acrossMm: 5, leftMm: 0, forwardMm: 0 }, massG: 9 };
    const twig = { ...spare, id: 't1', massG: 4 };
    const list = [p, twig, spare] as unknown as ThingPlan[];
    expect(supported(list, { massG: 50, centre: [0, 60, 0], groundY: 0, feet })!.massG).toBe(154);
    expect(supported([], { massG: 50, centre: [0, 60, 0], groundY: 0, feet })).toBeNull();
  });

  it('a base that is begun holds its feet and stands safely; the animal lies over it as it did', () => {
    const base = begun('base', king);
    const [alone, on] = [plan(king), plan(having(king, base))];
    expect(on.stands.on!.baseId).toBe(base.id);
    expect(codes(on)).toEqual([]);
    expect(on.stands.case).toBe('stands');
    expect(on.stands.tipping!.value).toBeGreaterThanOrEqual(SAFE_DEG);
    expect(on.findings.some((f) => f.code === 'form-falls')).toBe(false);
    // Its longer wire is all that is more of the animal; by its weight the feet give no more than a hair.
    on.stands.feet.forEach((q, i) => {
      for (const k of [0, 1] as const) expect(q[k]).toBeCloseTo(alone.stands.feet[i]![k], 1);
    });
    expect(on.stands.groundY).toBeCloseTo(alone.stands.groundY, 2);
    expect(on.stands.animalShare * on.stands.massG).toBeCloseTo(
      alone.stands.massG + on.frame.massG - alone.frame.massG,
      9,
    );
  });

  it('the wire of every foot is longer by what it goes through or round', () => {
    const cut = (p: Plan) => p.frame.runs.reduce((s, r) => s + r.cut.value, 0);
    const { wasteShare } = marten.frame;
    const [alone, on] = [plan(marten), plan(having(marten, begun('base', marten, { thickMm: 14 })))];
    // One wire doubled, through four feet: two strands of 14 mm each, and what is lost in cutting.
    expect(alone.frame.strands).toBe(2);
    expect(cut(on) - cut(alone)).toBeCloseTo(2 * 4 * 14 * (1 + wasteShare), 6);
    const twig = begun('twig', king, { under: true, acrossMm: 8 });
    const perched = plan(having(king, twig));
    const { strands, thickMm } = perched.frame;
    expect(cut(perched) - cut(plan(king))).toBeCloseTo(
      strands * 2 * 1.5 * Math.PI * (8 + thickMm) * (1 + king.frame.wasteShare),
      6,
    );
  });

  it('one that is too small says by how much, and is made as large as it takes', () => {
    const base = begun('base', marten, { longMm: 60, wideMm: 20 });
    const piece = having(marten, base);
    const p = plan(piece);
    const f = p.findings.find((x) => x.code === 'form-base-small')!;
    expect(f.severity).toBe('stop');
    expect(p.stands.on!.overMm).toBeGreaterThan(10);
    expect(plan(pressed(piece, p, 'form-base-small')).findings.map((x) => x.code)).not.toContain('form-base-small');
  });

  it('one it falls from is made as wide as it takes to stand', () => {
    const thin = begun('base', marten, { longMm: 200, wideMm: 10, thickMm: 2, wood: 'light' });
    const piece = having(marten, thin);
    const p = plan(piece);
    const f = p.findings.find((x) => x.code === 'form-falls')!;
    expect(p.stands.tipping!.value).toBeLessThan(SAFE_DEG);
    const then = plan(pressed(piece, p, 'form-falls'));
    expect(then.stands.tipping!.value).toBeGreaterThanOrEqual(SAFE_DEG);
    expect(f.remedies.length).toBe(1);
  });

  it('a twig rolls until it is on a base, and lifts it by its thickness', () => {
    const twig = begun('twig', king, { under: true, acrossMm: 8 });
    const piece = having(king, twig);
    const p = plan(piece);
    expect(codes(p)).toEqual(['form-twig-rolls']);
    expect(p.stands.tipping!.value).toBeLessThan(0.5);
    const now = pressed(piece, p, 'form-twig-rolls');
    const then = plan(now);
    expect(codes(then)).toEqual([]);
    expect(then.stands.tipping!.value).toBeGreaterThanOrEqual(SAFE_DEG);
    const { on, groundY } = then.stands;
    const base = now.things[1] as ThingOf<'base'>;
    expect(on!.topY).toBeCloseTo(groundY - 8, 9);
    expect(on!.level).toBeCloseTo(groundY - 8 - base.thickMm, 9);
    expect(on!.twigY).toBeCloseTo(groundY - 4, 9);
  });
});

describe('a basket and a frame', () => {
  it('a basket is a frustum of felt with a bottom', () => {
    // Height 12, from 20 to 30 across: its wall slants by 13 (5, 12, 13).
    expect(wallWidth.of({ high: 12, top: 30, bottom: 20 })).toBe(13);
    const t = begun('basket', marten, { handle: false, topMm: 30, bottomMm: 20, highMm: 12, thicknessMm: 2 });
    const [bottom, wall] = plan(having(marten, t)).things[0]!.panels;
    expect(bottom!.areaMm2 / (Math.PI * 100)).toBeCloseTo(1, 2);
    // Through the middle of its felt: a mean round of π x 23, 13 wide.
    expect(wall!.areaMm2 / (Math.PI * 23 * 13)).toBeCloseTo(1, 3);
    // On the ground beside it, it is no weight of the animal; on a base it is.
    const beside = plan(having(marten, t));
    expect(beside.stands.massG).toBeCloseTo(plan(marten).stands.massG, 9);
    const base = begun('base', marten);
    const on = plan(having(marten, t, base));
    expect(on.stands.massG).toBeCloseTo(
      beside.stands.massG + on.things[0]!.massG + on.things[1]!.massG + on.frame.massG - beside.frame.massG,
      9,
    );
  });

  it('the bars of a frame go round the board, and glass keeps clear of the animal', () => {
    expect(frameBar.of({ board: 200, gap: 2, profile: 18 })).toBe(240);
    const t = begun('frame', hare, { glass: true, deepMm: 12, profileMm: 18, gapMm: 2, wood: 'light' });
    const piece = having(hare, t);
    const p = plan(piece);
    const f = p.things[0]!;
    const board = hare.form.parts.find((x) => x.shape === 'board')!;
    if (board.shape !== 'board') throw new Error('no board');
    const scale = f.framed!.halfLong - 2;
    expect(f.cuts[0]!.longMm).toBeCloseTo(2 * scale + 40, 9);
    expect(scale).toBeCloseTo(board.halfLength * unitMm(hare.form), 9);
    // Four mitred bars: what is between the outer and the inner oblong, times the depth, at 0.40 g per cm3.
    const [l, h] = [f.cuts[0]!.longMm, f.cuts[1]!.longMm];
    expect(f.massG).toBeCloseTo(((l * h - (l - 36) * (h - 36)) * 12 * 0.4) / 1000, 9);
    expect(codes(p)).toEqual(['form-frame-shallow']);
    expect(codes(plan(pressed(piece, p, 'form-frame-shallow', 0)))).toEqual([]);
    expect(codes(plan(pressed(piece, p, 'form-frame-shallow', 1)))).toEqual([]);
  });

  it('what has nothing to do on an animal is said and taken away by a press', () => {
    const frame = begun('frame', hare);
    const base = begun('base', marten);
    for (const piece of [having(marten, frame), having(hare, base), having(marten, base, { ...base, id: 'another' })]) {
      const p = plan(piece);
      expect(codes(p)).toEqual(['form-thing-other']);
      const now = pressed(piece, p, 'form-thing-other');
      expect(now.things.length).toBe(piece.things.length - 1);
      expect(codes(plan(now))).toEqual([]);
    }
  });
});

it('every kind begins as something that can be read, measured and made', () => {
  for (const [piece, kinds] of [
    [marten, THING_KINDS.filter((k) => k !== 'frame')],
    [hare, ['frame'] as const],
  ] as const)
    for (const kind of kinds) {
      const now = having(piece, begun(kind, piece));
      expect(readPiece(JSON.parse(JSON.stringify(now))).ok).toBe(true);
      const p = plan(now);
      expect([kind, codes(p)]).toEqual([kind, []]);
      expect(p.things[0]!.massG).toBeGreaterThan(0.005);
      expect(p.work.steps.some((s) => s.operation.about.kind === 'small thing')).toBe(true);
    }
});
