import fc from 'fast-check';
import { produce } from 'immer';
import { describe, expect, it } from 'vitest';
import { alpacaCria, cupboard, kingfisher, pineMarten as turnedMarten } from '../../demo/load';
import { shapeArea } from '@/core/coat/rows/area-shape';
import { areaDepth } from './form/areas';
import { workForm } from './form/form';
import { REFERENCE_MM, resizeForm } from './form/resize';
import { Memo } from './memo';
import { methodOf } from './methods';
import { defaultHand as hand } from './piece/hand';
import { newPiece } from './new-piece';
import { readPiece } from './piece/read';
import type { FoldOver } from './piece/coat';
import type { Piece } from './piece/schema';
import { makePlan, planSteps, type Plan } from './plan';
import { weightedPercentile } from './percentile';
import { remedied } from './remedied';

/** The marten as drawn, looking ahead and with fur rows on every area; its legs, chin, eye rims and muzzle are laid otherwise. */
const pineMarten: Piece = {
  ...turnedMarten,
  form: { ...turnedMarten.form, pose: [] },
  areas: turnedMarten.areas
    .filter((a) => a.coat.method === 'fold-over' || a.id === 'legs')
    .map((a) => ({ ...a, branching: false }))
    .map((a) => (a.id === 'legs' ? { ...a, coat: turnedMarten.areas.find((b) => b.id === 'belly')!.coat } : a)),
};
const coarse = { edgeShare: 1 / 90 };
/** Coarse enough for what is asked of the memory, not of the animal. */
const rough = { edgeShare: 1 / 45 };
/** As coarse as it may be with every area still there. */
const least = { edgeShare: 1 / 60 };
const memo = new Memo();
const plan = makePlan(pineMarten, cupboard, hand, memo);
/** The same on the coarser grid, for changes of it that are judged. */
const quick = new Memo();
const bytes = (p: unknown) =>
  JSON.stringify(p, (_k, v: unknown) => (ArrayBuffer.isView(v) ? Array.from(v as Float64Array) : v));
const spec = (p: Piece, area: string) => p.areas.find((a) => a.id === area)!.coat as FoldOver;
const edit = (p: Piece, area: string, change: Partial<FoldOver>): Piece => ({
  ...p,
  areas: p.areas.map((a) => (a.id === area ? { ...a, coat: { ...(a.coat as FoldOver), ...change } } : a)),
});

describe('the plan of a demo animal', () => {
  it('measures its finished length exactly and its scale from life', () => {
    expect(plan.form.lengthMm).toBeGreaterThan(184.5);
    expect(plan.form.lengthMm).toBeLessThan(185.5);
    expect(plan.form.scale.value).toBeCloseTo(740 / 185, 12);
  });

  it('lays every area in rows and finds them all', () => {
    for (const a of plan.coat.areas) {
      expect(a.fur, a.name).not.toBeNull();
      expect(a.fur!.rows.rows.length, a.name).toBeGreaterThan(1);
      expect(a.fur!.rows.rows.map((r) => r.number)).toEqual(a.fur!.rows.rows.map((_, i) => i + 1));
    }
  });

  it('areas do not overlap: together they are no larger than the skin', () => {
    const sum = plan.coat.areas.reduce((s, a) => s + a.areaMm2, 0);
    expect(sum).toBeLessThan(plan.form.areaMm2);
    expect(sum).toBeGreaterThan(0.8 * plan.form.areaMm2);
  });

  // Coarea formula (Federer 1959): spacing times total length of level lines is the integral of the slope.
  it('spacing times total row length is the integral of the steepness, area by area', () => {
    for (const a of plan.coat.areas) {
      const s = spec(pineMarten, a.id).spacingMm;
      const share = (s * a.fur!.rows.totalMm) / a.fur!.rows.fluxMm2;
      // Narrow areas hold few rows, so the half-spacing at either end weighs more.
      expect(Math.abs(share - 1), a.name).toBeLessThan(a.fur!.rows.rows.length > 12 ? 0.03 : 0.12);
    }
    const fine = makePlan(edit(pineMarten, 'flanks', { spacingMm: 0.8 }), cupboard, hand, memo);
    const f = fine.coat.areas.find((a) => a.id === 'flanks')!.fur!.rows;
    expect(Math.abs((0.8 * f.totalMm) / f.fluxMm2 - 1)).toBeLessThan(0.005);
  });

  it('left and right of a mirrored area have the same rows', () => {
    for (const a of [...plan.coat.areas, ...makePlan(alpacaCria, cupboard, hand, new Memo(), coarse).coat.areas]) {
      const left = a.components.findIndex((c) => c.side === 'left');
      if (left < 0) continue;
      const right = a.components.findIndex((c) => c.twinOf === left);
      expect(right, a.name).toBeGreaterThanOrEqual(0);
      for (const row of a.fur!.rows.rows) {
        const length = (c: number) => row.pieces.filter((p) => p.component === c).reduce((s, p) => s + p.lengthMm, 0);
        expect(length(right)).toBeCloseTo(length(left), 4);
      }
    }
  });

  it('every figure is its method put to its inputs', () => {
    for (const a of plan.coat.areas) {
      for (const f of Object.values(a.fur!.figures)) {
        const m = methodOf(f.method);
        expect(m.of(f.inputs)).toBe(f.value);
        expect(Object.keys(f.inputs).sort()).toEqual(Object.keys(m.inputs).sort());
      }
    }
  });

  it('works out the bib by hand', () => {
    const f = plan.coat.areas.find((a) => a.id === 'bib')!.fur!.figures;
    // 14 mm fur, root 3, over max(3, 2.8) = 3: cut 2 (14 + 3 + 3) = 40.
    expect(f.cutLength!.value).toBe(40);
    const metres = f.rowLength.value / 1000;
    // 4 mg on every cm of row, grown by 40/28 and 5 %.
    expect(f.mass.value).toBeCloseTo((metres * 100 * 4 * (40 / 28) * 1.05) / 1000, 9);
    // 11.4 mg/cm2: free ends 0.350 L high, crowding 0.237, together 0.373; against a ceiling of 0.710 L that is 0.3717 L.
    expect(f.loft.value).toBeCloseTo(14 * 0.3717, 2);
  });
});

describe('the order', () => {
  const at = (id: string) => plan.work.steps.findIndex((s) => s.operation.id === id);
  it('keeps every tie it gives as a reason', () => {
    for (const s of plan.work.steps) for (const b of s.because) expect(at(b.id), b.id).toBeLessThan(s.number - 1);
  });
  it('cuts a wool right before it is laid', () => {
    for (const a of pineMarten.areas) expect(at(`lay-${a.id}`)).toBe(at(`cut-${a.id}`) + 1);
  });
  // Common practice: legs first, then belly and sides, head last; work against the lie, tail before the back hangs over it.
  it('lays low areas before those that hang over them', () => {
    expect(at('lay-tail')).toBeLessThan(at('lay-back'));
    expect(at('lay-flanks')).toBeLessThan(at('lay-cheek'));
    expect(at('lay-back')).toBeLessThan(at('lay-face'));
    expect(at('lay-face')).toBeLessThan(at('lay-brow'));
  });
});

describe('findings and their remedies', () => {
  const apply = (p: Piece, changes: readonly { path: readonly (string | number)[]; value: unknown }[]): Piece => {
    const next = structuredClone(p) as unknown as Record<string | number, never>;
    for (const c of changes) {
      let o = next as Record<string | number, unknown>;
      for (const k of c.path.slice(0, -1)) o = o[k] as Record<string | number, unknown>;
      o[c.path[c.path.length - 1]!] = c.value;
    }
    const read = readPiece(next);
    if (!read.ok) throw new Error(read.problems[0]!.says);
    return read.value;
  };
  const findingsOf = (p: Piece, id: string, box = cupboard) =>
    makePlan(p, box, hand, quick, coarse).findings.filter((f) => f.id === id);

  it('base shows: each single remedy clears it', () => {
    const thin = edit(pineMarten, 'flanks', { layMgCm: 2.5 });
    const [f] = findingsOf(thin, 'coat-base-shows-flanks');
    expect(f!.remedies.length).toBeGreaterThanOrEqual(2);
    for (const r of f!.remedies) expect(findingsOf(apply(thin, r.changes), 'coat-base-shows-flanks')).toEqual([]);
  });

  it('roots show where rows lie further apart than half the fur', () => {
    const [f] = findingsOf(edit(pineMarten, 'flanks', { spacingMm: 8, layMgCm: 40 }), 'coat-base-shows-flanks');
    expect(f!.says.join('')).toMatch(/Roots will show/);
  });

  it('staple too short: stopped, and the longest length offered fits exactly', () => {
    const long = edit(pineMarten, 'tail', { lengthMm: 45, layMgCm: 30 });
    const [f] = findingsOf(long, 'coat-staple-tail');
    expect(f!.severity).toBe('stop');
    const fixed = apply(long, f!.remedies[0]!.changes);
    expect(findingsOf(fixed, 'coat-staple-tail')).toEqual([]);
    expect(
      findingsOf(edit(fixed, 'tail', { lengthMm: spec(fixed, 'tail').lengthMm + 0.5 }), 'coat-staple-tail').length,
    ).toBe(1);
  });

  it('not enough of a lot: says how much is missing, and its remedies cure it', () => {
    const need = makePlan(pineMarten, cupboard, hand, quick, coarse).stock.lots.find(
      (l) => l.lotId === 'chestnut-top',
    )!.needG;
    const box = {
      ...cupboard,
      lots: cupboard.lots.map((l) => (l.id === 'chestnut-top' ? { ...l, haveG: need - 0.5 } : l)),
    };
    const [f] = findingsOf(pineMarten, 'stock-short-chestnut-top', box);
    expect(f!.severity).toBe('stop');
    expect(JSON.stringify(f!.why)).toContain('0.5');
    expect(f!.remedies.length).toBeGreaterThan(0);
    for (const r of f!.remedies) {
      const next = remedied({ piece: pineMarten, cupboard: box }, r);
      expect(findingsOf(next.piece, 'stock-short-chestnut-top', next.cupboard)).toEqual([]);
    }
  });

  it('uneven spacing is said exactly where it is beyond 25 %', () => {
    for (const a of plan.coat.areas) {
      const s = spec(pineMarten, a.id).spacingMm;
      const { p5, p95 } = a.fur!.rows.spacingMm;
      const beyond = Math.max(p95 / s - 1, 1 - p5 / s) > 0.25;
      expect(
        plan.findings.some((f) => f.id === `coat-uneven-${a.id}`),
        a.name,
      ).toBe(beyond);
    }
  });

  it('a lot that is not in the cupboard stops the area, not the plan', () => {
    const p = edit(pineMarten, 'bib', { lotId: 'gone' });
    const broken = makePlan(p, cupboard, hand, quick, coarse);
    expect(broken.findings.find((f) => f.id === 'coat-no-wool-bib')!.severity).toBe('stop');
    expect(broken.coat.areas.find((a) => a.id === 'tail')!.fur).not.toBeNull();
  });

  it('an area others have covered entirely is said to lie nowhere', () => {
    const p = {
      ...pineMarten,
      areas: [
        ...pineMarten.areas,
        { ...pineMarten.areas[0]!, id: 'all', name: 'All', where: [{ parts: pineMarten.form.parts.map((x) => x.id) }] },
      ],
    };
    expect(
      makePlan(p, cupboard, hand, quick, coarse).findings.filter((f) => f.id.startsWith('coat-nowhere')).length,
    ).toBe(9);
  });
});

describe('properties', () => {
  it('same piece, same plan to the byte', () => {
    const a = bytes(makePlan(pineMarten, cupboard, hand, new Memo(), rough));
    const b = bytes(makePlan(structuredClone(pineMarten), structuredClone(cupboard), hand, new Memo(), rough));
    expect(a).toBe(b);
    // And no different for what was remembered in between.
    const m = new Memo();
    makePlan(pineMarten, cupboard, hand, m, rough);
    makePlan(edit(pineMarten, 'back', { spacingMm: 2, liftDeg: 50 }), cupboard, hand, m, rough);
    expect(bytes(makePlan(pineMarten, cupboard, hand, m, rough))).toBe(a);
  });

  it('an animal k times as long has rows k times as long, as many of them at k times the spacing', () => {
    const m = new Memo();
    const base = makePlan(pineMarten, cupboard, hand, m, coarse);
    fc.assert(
      fc.property(fc.double({ min: 0.4, max: 4, noNaN: true }), (k) => {
        const grown: Piece = {
          ...pineMarten,
          form: { ...pineMarten.form, finishedLengthMm: 185 * k },
          areas: pineMarten.areas.map((a) => ({
            ...a,
            coat: { ...(a.coat as FoldOver), spacingMm: (a.coat as FoldOver).spacingMm * k },
          })),
        };
        const p = makePlan(grown, cupboard, hand, m, coarse);
        p.coat.areas.forEach((a, i) => {
          const was = base.coat.areas[i]!.fur!.rows;
          expect(a.fur!.rows.rows.length).toBe(was.rows.length);
          expect(Math.abs(a.fur!.rows.totalMm / (k * was.totalMm) - 1)).toBeLessThan(2e-3);
        });
      }),
      { numRuns: 5 },
    );
  });

  it('stretching a form gives what working it out at that size gives', () => {
    for (const finishedLengthMm of [90, 640]) {
      const form = { ...pineMarten.form, finishedLengthMm };
      const direct = workForm(form, coarse.edgeShare);
      const stretched = resizeForm(workForm({ ...form, finishedLengthMm: REFERENCE_MM }, coarse.edgeShare), form);
      expect(stretched.skin.extent.volumeMm3 / direct.skin.extent.volumeMm3).toBeCloseTo(1, 5);
      expect(stretched.skin.extent.areaMm2 / direct.skin.extent.areaMm2).toBeCloseTo(1, 5);
      expect(stretched.skin.edgeMm).toBeCloseTo(direct.skin.edgeMm, 9);
      expect(stretched.body.lengthMm).toBe(direct.body.lengthMm);
      const shape = (w: typeof direct) =>
        shapeArea(w, areaDepth(w.body, w.skin, w.distance, { where: [{ parts: ['tail'] }], strokes: [] }))!;
      expect(shape(stretched).heightMm / shape(direct).heightMm).toBeCloseTo(1, 3);
      expect(shape(stretched).patch.areaMm2 / shape(direct).patch.areaMm2).toBeCloseTo(1, 3);
    }
  });

  it('a change of size stretches; it shapes nothing again', () => {
    const m = new Memo();
    makePlan(pineMarten, cupboard, hand, m, least);
    const longer = { ...pineMarten, form: { ...pineMarten.form, finishedLengthMm: 260 } };
    const p = makePlan(longer, cupboard, hand, m, least);
    expect(m.made.get('form')).toBe(1);
    for (const a of pineMarten.areas) expect(m.made.get(`shape:${a.id}`)).toBe(1);
    // A grid of a sixtieth cuts the tips by a third of its edge.
    expect(Math.abs(p.form.lengthMm / 260 - 1)).toBeLessThan(0.008);
    expect(bytes(p)).toBe(bytes(makePlan(longer, cupboard, hand, new Memo(), least)));
  });

  it('a change of spacing, length, lift or wool redoes neither skin, lie nor row field', () => {
    const m = new Memo();
    makePlan(pineMarten, cupboard, hand, m, rough);
    const before = new Map(m.made);
    makePlan(
      edit(pineMarten, 'flanks', { spacingMm: 3, lengthMm: 12, liftDeg: 30, lotId: 'fawn-top' }),
      cupboard,
      hand,
      m,
      rough,
    );
    // Needles look into the core, which is built anew.
    const looks = /^(ground$|(spots|needle|usual):)/;
    const again = [...m.made]
      .filter(([slot, n]) => n !== (before.get(slot) ?? 0) && !looks.test(slot))
      .map(([slot]) => slot);
    // The core follows the thickness of the coat, and stems of eyes sit in the core; nothing of the skin does.
    expect(again.sort()).toEqual([
      'chart:flanks',
      'core',
      'core-measures',
      'margins:flanks',
      'rows:flanks',
      'shade:flanks',
      'stems',
    ]);
  });

  it('a memory stored and read back plans a change to the byte as one from nothing, and shapes nothing again', () => {
    const m = new Memo();
    makePlan(pineMarten, cupboard, hand, m, rough);
    const again = new Memo();
    again.recall(structuredClone(m.lasting()));
    const edited = edit(pineMarten, 'back', { spacingMm: 2.5 });
    const p = makePlan(edited, cupboard, hand, again, rough);
    expect(bytes(p)).toBe(bytes(makePlan(edited, cupboard, hand, new Memo(), rough)));
    expect([...again.made.keys()].filter((slot) => /^(form|size|depth|shape)/.test(slot))).toEqual([]);
    expect(again.made.get('rows:back')).toBe(1);
    // What has been made since is newer than what was stored.
    again.recall(structuredClone(m.lasting()));
    makePlan(edited, cupboard, hand, again, rough);
    expect(again.made.get('rows:back')).toBe(1);
    // Held of another piece, it makes way.
    again.recall(structuredClone(m.lasting()), true);
    makePlan(edited, cupboard, hand, again, rough);
    expect(again.made.get('rows:back')).toBe(2);
  });

  it('needles remembered over many changes are those found anew', () => {
    const m = new Memo();
    makePlan(pineMarten, cupboard, hand, m, rough);
    let piece = pineMarten;
    const changes: ((p: Piece) => void)[] = [
      // Combing turns the way a needle leans.
      (p) => void p.combs.push({ kind: 'turn', where: { parts: ['trunk'] }, turnDeg: 70 }),
      (p) => void (p.face!.eyes.at.along += 0.05),
      (p) => void (p.areas.find((a) => a.id === 'flanks')!.awayFrom = p.face!.eyes.at),
      (p) => void (p.areas.find((a) => a.id === 'belly')!.where[0]!.along = { from: 0.2, to: 0.7 }),
      (p) => void (p.areas.find((a) => a.id === 'tail')!.coat = { method: 'none' }),
      (p) => void (p.frame.kind = 'none'),
    ];
    for (const change of changes) {
      piece = structuredClone(piece);
      change(piece);
      const remembered = makePlan(piece, cupboard, hand, m, rough);
      const anew = makePlan(piece, cupboard, hand, new Memo(), rough);
      expect(remembered.needles).toEqual(anew.needles);
      const of = (p: Plan) => p.findings.filter((f) => f.stage === 'needle');
      expect(of(remembered)).toEqual(of(anew));
    }
  });

  it('a moved border redoes only the areas it can reach', () => {
    const m = new Memo();
    makePlan(pineMarten, cupboard, hand, m, rough);
    const before = new Map(m.made);
    const p = structuredClone(pineMarten);
    p.areas.find((a) => a.id === 'brow')!.where[0]!.along = { from: 0.2, to: 0.6 };
    makePlan(p, cupboard, hand, m, rough);
    const depths = [...m.made].filter(([s, n]) => s.startsWith('depth') && n !== before.get(s));
    expect(depths.map(([s]) => s)).toEqual(['depth:brow']);
    expect(m.made.get('form')).toBe(1);
  });

  it('reports progress that only grows, and can be left at any point', () => {
    const shares: number[] = [];
    for (const s of planSteps(pineMarten, cupboard, hand, new Memo(), coarse)) shares.push(s.share);
    expect(shares.length).toBeGreaterThan(9);
    expect([...shares].sort((a, b) => a - b)).toEqual(shares);
  });

  it('a new piece of any size is a valid piece whose every area covers well', () => {
    const m = new Memo();
    fc.assert(
      fc.property(fc.integer({ min: 80, max: 600 }), (finishedLengthMm) => {
        const p = newPiece(
          { id: 'n', name: 'New', plan: 'standing-quadruped', finishedLengthMm, lifeLengthMm: 1000, seed: 1 },
          cupboard,
          hand,
        );
        expect(readPiece(structuredClone(p)).ok).toBe(true);
        const q = makePlan(p, cupboard, hand, m, { edgeShare: 1 / 70 });
        expect(q.findings.filter((f) => f.id.startsWith('coat-base-shows') || f.id.startsWith('coat-staple'))).toEqual(
          [],
        );
      }),
      { numRuns: 6 },
    );
  });
});

describe('weighted percentile', () => {
  it('takes the value at the share of the weight', () => {
    expect(weightedPercentile(Float64Array.of(3, 1, 2), Float64Array.of(1, 1, 1), 0.5)).toBe(2);
    expect(weightedPercentile(Float64Array.of(3, 1, 2), Float64Array.of(8, 1, 1), 0.5)).toBe(3);
  });
});

describe('the docket before the core', () => {
  it('a change of the coat gives its figures early, with the core as it was, and then the core that fits', () => {
    const m = new Memo();
    const before = makePlan(pineMarten, cupboard, hand, m, coarse);
    const thicker = edit(pineMarten, 'flanks', { layMgCm: 9 });
    let early: typeof before | undefined;
    const steps = planSteps(thicker, cupboard, hand, m, coarse);
    let s = steps.next();
    for (; !s.done; s = steps.next()) early = s.value.early ?? early;
    const flanks = (p: typeof before) => p.coat.areas.find((a) => a.id === 'flanks')!.fur!.figures;
    expect(early!.core.volumeMm3).toBe(before.core.volumeMm3);
    expect(flanks(early!)).toEqual(flanks(s.value));
    expect(s.value.core.volumeMm3).toBeLessThan(before.core.volumeMm3 * 0.99);
    // Of another size the old core would be wrong, so none is shown.
    const longer = { ...thicker, form: { ...thicker.form, finishedLengthMm: 240 } };
    for (const q of planSteps(longer, cupboard, hand, m, coarse)) expect(q.early).toBeUndefined();
  });

  it('another shape gives first figures from a coarse skin, near those that follow, which are the same as from nothing', () => {
    const fine = { edgeShare: 1 / 100 };
    const m = new Memo();
    makePlan(kingfisher, cupboard, hand, m, fine);
    const wider = produce(kingfisher, (d) => {
      for (const p of d.form.parts) if (p.shape === 'limb') p.nodes.forEach((n) => (n.radius *= 1.06));
    });
    let first: Plan | undefined;
    let share = 0;
    const steps = planSteps(wider, cupboard, hand, m, fine);
    let s = steps.next();
    for (; !s.done; s = steps.next()) {
      if (s.value.rough) first = s.value.early;
      expect(s.value.share).toBeGreaterThanOrEqual(s.value.doing === 'Shaping the animal' ? 0 : share);
      share = s.value.share;
    }
    const off = (of: (p: Plan) => number) => Math.abs(of(first!) / of(s.value as Plan) - 1);
    expect(off((p) => p.form.volumeMm3)).toBeLessThan(0.02);
    expect(off((p) => p.form.areaMm2)).toBeLessThan(0.03);
    expect(off((p) => p.stock.needG)).toBeLessThan(0.06);
    expect(JSON.stringify(s.value.work)).toBe(JSON.stringify(makePlan(wider, cupboard, hand, undefined, fine).work));
    // The coat of the same shape is not worked out twice.
    const thicker = produce(wider, (d) => void (d.core.allowanceMm += 1));
    for (const q of planSteps(thicker, cupboard, hand, m, fine)) expect(q.rough).toBeUndefined();
  });
});
