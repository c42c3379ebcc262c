/** Needles chosen for the demo pieces from the demo rack: facts of the trade as consequences of the geometry. */
import { describe, expect, it } from 'vitest';
import { alpacaCria, brownHare, cupboard, kingfisher, pineMarten } from '../../../demo/load';
import { change, plan } from '../../../demo/plain-marten';
import { defaultHand as hand } from '@/core/piece/hand';
import type { Needle } from '@/core/piece/cupboard';
import { stabsAMinute } from '@/core/time/elements';
import type { Piece } from '@/core/piece/schema';
import type { Needlework } from '@/core/stage';
import { sine } from './depth-window';

const DEMOS: readonly (readonly [string, Piece])[] = [
  ['marten', pineMarten],
  ['cria', alpacaCria],
  ['kingfisher', kingfisher],
  ['hare', brownHare],
];
const phases = (p: Piece, kind: Needlework['kind'], box = cupboard) =>
  plan(p, box).needles.steps.flatMap((s) =>
    s.kind === kind ? s.phases.map((x) => ({ ...x, id: s.operationId })) : [],
  );
const needle = (id: string): Needle => cupboard.needles.find((n) => n.id === id)!;
const without = (...ids: string[]) => ({ ...cupboard, needles: cupboard.needles.filter((n) => !ids.includes(n.id)) });

describe.each(DEMOS)('needles of the %s', (_, piece) => {
  it('36 or 38 for the core (common practice)', () => {
    const core = phases(piece, 'through');
    expect(core.length).toBeGreaterThan(2);
    // A part thinner than their first barb may ask for a finer one.
    const usual = core.filter((p) => [36, 38].includes(needle(p.needleId).gauge));
    const stabs = (x: typeof core) => x.reduce((s, p) => s + p.stabs, 0);
    expect(stabs(usual)).toBeGreaterThan(0.9 * stabs(core));
  });
  it('a crown for rooting; the finest ordinary one where none is owned (common practice)', () => {
    for (const p of phases(piece, 'root')) expect(p.name, p.id).toBe('46 crown');
    const roots = phases(piece, 'root', without('n46'));
    const fine = roots.filter((p) => p.name === '40 triangle').length;
    expect(fine).toBe(roots.length);
  });
  it('never a crown to build with, a 38 or finer on a nose, a brow, a line (common practice)', () => {
    for (const p of [...phases(piece, 'through'), ...phases(piece, 'join'), ...phases(piece, 'flat')])
      expect(needle(p.needleId).section, p.id).not.toBe('crown');
    const detail = [...phases(piece, 'line'), ...phases(piece, 'surface').filter((p) => /face-/.test(p.id))];
    expect(detail.length).toBeGreaterThan(0);
    for (const p of detail) expect(needle(p.needleId).gauge, p.id).toBeGreaterThanOrEqual(38);
  });
  it('a thin veil is laid with no coarser needle than the coat beside it is closed with', () => {
    const thin = plan(piece).work.steps.flatMap(({ operation: o }) =>
      o.kind === 'veil' && o.needlework?.kind === 'surface' && o.needlework.topMgCm2 <= 1.5 ? [o.id] : [],
    );
    // Beside a wire another may reach more places.
    for (const p of phases(piece, 'surface').filter((q) => thin.includes(q.id) && q.openShare === 1))
      expect(needle(p.needleId).gauge, p.id).toBeGreaterThanOrEqual(38);
  });
  it('a 38 or 40 triangle for the last pass over short fur (common practice)', () => {
    const short = plan(piece).coat.areas.filter((a) => a.fur && ['pieces', 'sheet', 'wisps'].includes(a.fur.method));
    for (const a of short) {
      const mine = phases(piece, 'surface').filter((p) => p.id === `lay-${a.id}`);
      const last = needle(mine[mine.length - 1]!.needleId);
      expect(last.section, a.id).toBe('triangle');
      expect([38, 40]).toContain(last.gauge);
    }
  });
  it('only the reverse needle raises, and it does nothing else', () => {
    for (const s of plan(piece).needles.steps)
      for (const p of s.phases)
        expect(needle(p.needleId).section === 'reverse', s.operationId).toBe(s.kind === 'raise');
  });
  it('every stroke lies within its window, and depth is stroke times the sine of the angle', () => {
    for (const s of plan(piece).needles.steps)
      for (const p of s.phases) {
        expect(p.strokeMm).toBeLessThanOrEqual(p.mostMm + 1e-9);
        expect(p.strokeMm).toBeGreaterThanOrEqual(p.leastMm - 1e-9);
        expect(p.depthMm).toBeCloseTo(p.strokeMm * sine(p.angleDeg), 9);
        expect(p.minutes).toBeGreaterThan(0);
        expect(p.because.length).toBeGreaterThan(0);
      }
  });
  it('every step that is needled has a needle, and its stabs come to its time', () => {
    const { work, needles } = plan(piece);
    for (const { operation: o } of work.steps) {
      if (!o.needlework) continue;
      const step = needles.steps.find((s) => s.operationId === o.id);
      expect(step?.phases.length, o.id).toBeGreaterThan(0);
      expect(step!.phases.reduce((s, p) => s + p.stabs, 0)).toBeCloseTo(o.needlework.stabs, 6);
    }
  });
});

describe('beside wire', () => {
  it('thin limbs with wire are felted slanting, about 45 to 60 degrees, without wire straight in (common practice: 45)', () => {
    const legs = phases(alpacaCria, 'through').filter((p) => /leg/.test(p.id));
    expect(legs.length).toBeGreaterThan(0);
    // A haunch thick over its wire bears a steeper stab; none goes straight in.
    for (const p of legs) expect([45, 60, 75], p.id).toContain(p.angleDeg);
    // The less wool is left round the wire, the flatter: longer locks leave less core.
    // The less wool is left round the wire, the flatter: long locks that stand out leave least of it.
    const thin = change(alpacaCria, (d) => {
      const { coat } = d.areas.find((a) => a.id === 'legs')!;
      if (coat.method === 'locks') Object.assign(coat, { lengthMm: 16, liftDeg: 30, lockMg: 6 });
    });
    const flatter = phases(thin, 'through').filter((p) => /leg/.test(p.id));
    expect(flatter.some((p) => p.angleDeg <= 45)).toBe(true);
    const bare = change(alpacaCria, (d) => void (d.frame.kind = 'none'));
    // However thick: what the blade does not reach the middle of is built on in layers, not slanted into.
    for (const p of phases(bare, 'through').filter((x) => /leg/.test(x.id))) expect(p.angleDeg, p.id).toBe(90);
  });
  it('the reason says what forbids straight in', () => {
    const leg = phases(alpacaCria, 'through').find((p) => /leg/.test(p.id))!;
    expect(leg.because.join('')).toContain('the wire');
  });
});

describe('where no depth is right', () => {
  it('nobody is told to go no deeper than nothing: where there is no room at all one stabs beside it', () => {
    // Half as large, some of it has no room.
    const small = change(pineMarten, (d) => void (d.form.finishedLengthMm = 100));
    const said = [...DEMOS.map(([, p]) => p), small].flatMap((p) =>
      plan(p).needles.steps.flatMap((s) => s.phases.flatMap((x) => x.tight)),
    );
    const beside = said.filter((t) => t.some((x) => typeof x === 'string' && x.includes('stab beside them')));
    const deeper = said.filter((t) => t.some((x) => typeof x === 'string' && x.includes('go no deeper')));
    expect([beside.length > 0, deeper.length > 0]).toEqual([true, true]);
    for (const t of beside) expect(t.some((x) => typeof x !== 'string')).toBe(false);
    for (const t of deeper) for (const x of t) if (typeof x !== 'string') expect(x.value).toBeGreaterThanOrEqual(0.5);
  });
});

describe('schools', () => {
  const one = change(kingfisher, (d) => void (d.work.needles = 'one fine needle'));
  it('one fine needle is used wherever it can do the work, the reverse one apart', () => {
    for (const s of plan(one).needles.steps)
      for (const p of s.phases)
        if (s.kind !== 'raise' && p.name !== '40 triangle') expect(p.name).not.toBe('40 triangle');
    const used = new Set(plan(one).needles.steps.flatMap((s) => s.phases.map((p) => p.name)));
    expect(used.has('40 triangle')).toBe(true);
    expect(plan(one).needles.changes.length).toBeLessThan(plan(kingfisher).needles.changes.length);
  });
  it('coarse to fine: no later stretch of a step is coarser than the one before it', () => {
    for (const [, p] of DEMOS)
      for (const s of plan(p).needles.steps)
        s.phases.slice(1).forEach((q, i) => {
          expect(needle(q.needleId).gauge, s.operationId).toBeGreaterThanOrEqual(needle(s.phases[i]!.needleId).gauge);
        });
  });
  it('a needle and an angle chosen by hand are kept', () => {
    const mine = change(
      pineMarten,
      (d) => void d.work.chosen.push({ operation: 'lay-flanks', needleId: 'n40', angleDeg: 45 }),
    );
    const p = phases(mine, 'root').find((x) => x.id === 'lay-flanks')!;
    expect(p).toMatchObject({ needleId: 'n40', angleDeg: 45 });
    expect(p.because.join('')).toContain('chosen by you');
  });
});

describe('findings', () => {
  const ids = (p: Piece, box = cupboard) => plan(p, box).findings.flatMap((f) => (f.stage === 'needle' ? [f] : []));
  it('a needle that is not owned is named with the nearest one and what it costs', () => {
    const f = ids(pineMarten, without('n46')).find((x) => x.id === 'needle-missing-46-crown')!;
    expect(f.why.join('')).toContain('40 triangle');
  });
  it('no reverse needle, nothing raised: a stop', () => {
    const f = ids(pineMarten, without('n40r')).filter((x) => x.severity === 'stop');
    expect(f.map((x) => x.id)).toContain('needle-none-raise-muzzle');
  });
  it('a coarse needle forced on a thin ear is said, with the finer one as remedy, and the remedy holds', () => {
    const id = plan(pineMarten).needles.steps.find((s) => s.kind === 'flat')!.operationId;
    const forced = change(
      pineMarten,
      (d) => void d.work.chosen.push({ operation: id, needleId: 'n36', angleDeg: null }),
    );
    const f = ids(forced).find((x) => x.id === `needle-coarse-${id}`)!;
    expect(f.severity).toBe('caution');
    const { path, value } = f.remedies[0]!.changes[0]!;
    const cured = change(forced, (d) => {
      const i = path[2] as number;
      d.work.chosen[i]!.needleId = value as string;
    });
    expect(ids(cured).map((x) => x.id)).not.toContain(`needle-coarse-${id}`);
  });
  it('near a set eye the depth is bounded; before it is set it is not', () => {
    const f = ids(pineMarten).map((x) => x.id);
    expect(f.filter((x) => x.startsWith('needle-eye-')).length).toBeGreaterThan(1);
    expect(f.filter((x) => x.startsWith('needle-eye-core') || x === 'needle-eye-face-nose')).toEqual([]);
    const faceless = change(pineMarten, (d) => void (d.face = null));
    expect(ids(faceless).filter((x) => x.id.startsWith('needle-eye'))).toEqual([]);
  });
  it('a thin lined part: the lining is about to come through; thicker it is not', () => {
    const at = kingfisher.flatParts.findIndex((p) => p.liningMm > 0);
    const id = `needle-lining-flat-${kingfisher.flatParts[at]!.id}`;
    expect(ids(kingfisher).map((x) => x.id)).toContain(id);
    const thick = change(kingfisher, (d) => {
      // It is as thick as the leaf it stands for.
      const leaf = d.form.parts.find((p) => p.id === d.flatParts[at]!.id)!;
      if (leaf.shape === 'pad') leaf.halfHeight *= 2;
    });
    expect(ids(thick).map((x) => x.id)).not.toContain(id);
  });
  it('an empty rack stops every step and plans none', () => {
    const p = plan(kingfisher, { ...cupboard, needles: [], holders: [] });
    expect(p.needles.steps.every((s) => s.phases.length === 0)).toBe(true);
    expect(p.findings.filter((f) => f.id.startsWith('needle-none')).length).toBeGreaterThan(3);
  });
});

describe('the finish', () => {
  it('long fur wants fluff and no pass; short fur gets passes until marks are not noticed', () => {
    const { finish } = plan(kingfisher).needles;
    const crown = finish.areas.find((a) => a.areaId === 'crown')!;
    expect(crown.fluff).not.toBeNull();
    expect(crown.passes).toEqual([]);
    for (const a of finish.areas.filter((x) => x.fluff === null)) {
      expect(a.then).toBeLessThanOrEqual(a.now + 1e-12);
      if (!a.short) expect(a.then).toBeLessThanOrEqual(0.03);
      a.passes.slice(1).forEach((p, i) => expect(p.strokeMm).toBeLessThanOrEqual(a.passes[i]!.strokeMm + 1e-9));
    }
  });
  it('the fine places of the face have a pass of their own', () => {
    const names = plan(pineMarten).needles.finish.places.map((p) => p.name);
    expect(names).toEqual(expect.arrayContaining(['Muzzle and nose', 'Lips', 'Lids']));
  });
});

describe('holders', () => {
  it('several needles in a holder shorten broad work, each counting 0.7', () => {
    const broad = phases(kingfisher, 'through').reduce((a, b) => (b.stabs > a.stabs ? b : a));
    const holders = [{ id: 'h', name: 'Three', needleId: broad.needleId, needles: 3 }];
    const { needles, work } = plan(kingfisher, { ...cupboard, holders });
    const held = needles.steps.flatMap((s) => s.phases).find((p) => p.holder && p.stabs === broad.stabs)!;
    expect(held.minutes).toBeCloseTo(held.stabs / stabsAMinute(hand) / (0.7 * held.holder!.needles), 9);
    // Not where its points would stand beside the place: the same holder of every needle leaves nose and beak alone.
    const all = cupboard.needles.filter((n) => n.count >= 3).map((n) => ({ ...holders[0]!, id: n.id, needleId: n.id }));
    const held3 = (piece: Piece) =>
      plan(piece, { ...cupboard, holders: all }).needles.steps.flatMap((s) =>
        s.phases.filter((p) => p.holder).map(() => s.operationId),
      );
    expect(held3(alpacaCria)).toContain('core-trunk');
    const everywhere = held3(pineMarten);
    expect(everywhere.filter((id) => /^face-|leg|tail|muzzle/.test(id))).toEqual([]);
    const bare = plan(kingfisher, { ...cupboard, holders: [] });
    expect(bare.work.minutes).toBeGreaterThan(work.minutes);
  });
});
