import { pinchRows } from '@/core/coat/rows/row-work';
import { minutesOf } from '@/core/time/work-time';
import { converter } from 'culori';
import fc from 'fast-check';
import { beforeAll, describe, expect, it } from 'vitest';
import { cupboard, pineMarten as wholeMarten } from '../../../../../demo/load';
import { lightness } from '@/core/colour/lab';
import { planLog } from '@/core/log/log';
import { Memo } from '@/core/memo';
import { methods, methodOf } from '@/core/methods';
import { defaultHand as hand } from '@/core/piece/hand';
import type { FoldOver } from '@/core/piece/coat';
import type { Piece } from '@/core/piece/schema';
import { makePlan, type Plan } from '@/core/plan';
import { say, mm } from '@/core/text';
import { planStock } from '@/core/stock/stock';
import { coverOf } from '@/core/coat/cover/cover';
import { furLayOf, longestLength } from './fold-over-lay';
import { foldedCut, overLength, trimWaste } from './fold-over-methods';
import { coverMapOf } from '@/core/coat/rows/row-figures';
import { strands } from '@/core/shade/layers/strands';
import type { LayContext } from '@/core/coat/way';
import { handAtWork, NO_PIECE } from '@/core/rates/hand-at-work';
import { plainEntry } from '../../../../../demo/plain-entry';

/** Without its eye rims and muzzle, which are laid otherwise. */
const pineMarten: Piece = { ...wholeMarten, areas: wholeMarten.areas.slice(0, 9) };

const memo = new Memo();
let plan: Plan;
beforeAll(() => {
  plan = makePlan(pineMarten, cupboard, hand, memo);
});
const bib = () => plan.coat.areas.find((a) => a.id === 'bib')!;

const t = (m: number) => ({ low: m, likely: m, high: m });

describe('fold-over figures by hand', () => {
  it('leaves a fifth for trimming, never less than 3 mm', () => {
    expect(overLength.of({ length: 10, share: 0.2, least: 3 })).toBe(3);
    expect(overLength.of({ length: 40, share: 0.2, least: 3 })).toBe(8);
  });
  // Common practice: fibres cut equal, twice the finished length plus a little.
  it('cuts twice the length and a little', () => {
    fc.assert(
      fc.property(fc.double({ min: 3, max: 100, noNaN: true }), (L) => {
        const over = overLength.of({ length: L, share: 0.2, least: 3 });
        const c = foldedCut.of({ length: L, root: 3, over });
        expect(c).toBeGreaterThan(2 * L);
        expect(c).toBeLessThanOrEqual(2.4 * L + 12);
      }),
    );
  });
  it('the longest fur for a staple has exactly that cut', () => {
    fc.assert(
      fc.property(fc.double({ min: 30, max: 300, noNaN: true }), (staple) => {
        const L = longestLength(staple, hand);
        const over = overLength.of({ length: L, share: hand.overShare, least: hand.overLeastMm });
        expect(foldedCut.of({ length: L, root: hand.rootMm, over })).toBeCloseTo(staple, 9);
      }),
    );
  });
  it('time and waste', () => {
    // 1 m of row in 3 + 3 passes is 100 cm of row as its element says; 125 pinches are laid and folded; 4 rows begun and tugged at.
    const own = { times: { rowCm: t(1), pinch: t(0.5), fold: t(0.1), row: t(2), tug: t(1), compare: t(5) } };
    const work = pinchRows({ ...hand, ...own }, { rowsMm: 1000, rows: 4 }, 125, true);
    expect(minutesOf(own, work)).toBeCloseTo((100 + 62.5 + 12.5 + 8 + 4 + (4 / 5) * 5) * 1.049, 9);
    // 1 m at 5 mg/cm is 500 mg; 3 mm beyond 12 mm are a quarter of it.
    expect(trimWaste.of({ lay: 5, rows: 1000, over: 3, length: 12 })).toBeCloseTo(0.125, 9);
  });
  it('every method can be found, says its letters once and names a source', () => {
    expect(new Set(methods.map((m) => m.id)).size).toBe(methods.length);
    for (const m of methods) {
      expect(methodOf(m.id)).toBe(m);
      expect(m.source.length).toBeGreaterThan(5);
      expect(m.formula).toContain(m.result.letter.split(' ')[0]!.slice(0, 1));
    }
    expect(() => methodOf('none')).toThrow(/no method/);
  });
});

describe('pinches', () => {
  it('are counted row by row and side by side', () => {
    const spec = pineMarten.areas.find((a) => a.id === 'bib')!.coat as FoldOver;
    const f = bib().fur!;
    const byHand = f.rows.rows.flatMap((r) => r.pieces.map((p) => Math.ceil(p.lengthMm / spec.pinchPitchMm)));
    expect(f.figures.pinches!.value).toBe(byHand.reduce((a, b) => a + b, 0));
  });
});

const atWork = handAtWork(hand, NO_PIECE);

describe('cover over the area', () => {
  it('follows the true spacing: closer rows hide more, and where the spacing is as asked it is the docket figure', () => {
    const spec = pineMarten.areas.find((a) => a.id === 'bib')!.coat as FoldOver;
    const lot = cupboard.lots.find((l) => l.id === spec.lotId)!;
    const field = { steepness: Float64Array.of(0.5, 0.8, 1, 1.4, 2), phi: new Float64Array(3) };
    const context = { shape: { field, patch: { triangles: new Uint32Array(15) } }, area: { branching: false } };
    const lay = furLayOf(spec, lot, hand);
    const cover = (gape: number) => coverOf({ ...lay, spacingMm: lay.spacingMm * gape });
    const at = coverMapOf(context as unknown as LayContext, { varies: false, laid: null }, cover);
    expect([...at].sort((a, b) => a - b)).toEqual([...at]);
    expect(at[2]).toBeCloseTo(coverOf(lay), 2);
    expect(at[0]).toBeCloseTo(coverOf({ ...lay, spacingMm: 2 * spec.spacingMm }), 2);
  });
});

describe('strands for the picture', () => {
  it('are the same every time, as many as asked, rooted near their rows and as long as the fur', () => {
    const a = strands(pineMarten, plan.coat, 5000);
    expect(strands(pineMarten, plan.coat, 5000)).toEqual(a);
    expect(Math.abs(a.count / 5000 - 1)).toBeLessThan(0.1);
    expect(strands({ ...pineMarten, seed: 8 }, plan.coat, 5000).points).not.toEqual(a.points);
    const per = a.points.length / a.count;
    let longest = 0;
    for (let s = 0; s < a.count; s++) {
      let length = 0;
      for (let i = s * per; i < (s + 1) * per; i += 6) {
        length += Math.hypot(
          a.points[i + 3]! - a.points[i]!,
          a.points[i + 4]! - a.points[i + 1]!,
          a.points[i + 5]! - a.points[i + 2]!,
        );
      }
      longest = Math.max(longest, length);
    }
    expect(longest).toBeLessThan(16 * 1.06);
    expect(longest).toBeGreaterThan(16 * 0.9);
    for (const c of a.colours) expect(c >= 0 && c <= 1).toBe(true);
  });
});

describe('lightness', () => {
  it('agrees with a colour library under D65', () => {
    const lab = converter('lab65');
    for (const hex of ['#000000', '#ffffff', '#e6d9b4', '#6b4426', '#38271c', '#1f4b73', '#0a0a0a']) {
      expect(lightness(hex)).toBeCloseTo(lab(hex)!.l, 2);
    }
  });
});

describe('stock', () => {
  const built = () =>
    plan.work.steps
      .map((s) => s.operation)
      .filter((o) => o.stage === 'coat' || o.about.kind === 'part' || o.about.kind === 'core');
  it('needs of every lot what core and areas take by their own figures, and costs them', () => {
    const { result } = planStock(
      { piece: pineMarten, cupboard, hand: atWork },
      { coat: plan.coat, operations: built() },
    );
    for (const l of result.lots) {
      const own = plan.coat.areas.flatMap((a) => a.fur?.draws ?? []).filter((d) => d.lotId === l.lotId);
      expect(l.needG).toBeCloseTo(
        own.reduce((s, d) => s + d.massG, l.lotId === plan.core.lotId ? plan.core.massG : 0),
        12,
      );
      const lot = cupboard.lots.find((x) => x.id === l.lotId)!;
      expect(l.cost!.value).toBeCloseTo((l.needG / 100) * lot.pricePer100g!, 12);
    }
    expect(result.needG).toBeCloseTo(plan.coat.totals.massG + plan.core.massG, 9);
    expect(result.unchosen).toEqual([]);
  });
  it('a lot without a price has no cost, and one nobody uses is not listed', () => {
    const free = { ...cupboard, lots: cupboard.lots.map((l) => ({ ...l, pricePer100g: null })) };
    const coat = built().filter((o) => o.stage === 'coat');
    const { result } = planStock(
      { piece: pineMarten, cupboard: free, hand: atWork },
      { coat: plan.coat, operations: coat },
    );
    expect(result.cost).toBe(0);
    expect(result.lots.every((l) => l.cost === null)).toBe(true);
    expect(result.lots.map((l) => l.lotId)).not.toContain('core-batt');
  });
  it('wool that is not chosen yet counts in what is needed and is said by what it is for', () => {
    const open = built().map((o) => ({
      ...o,
      materials: o.materials.map((m) => (m.for === 'core' || m.for === 'collar' ? { ...m, lotId: null } : m)),
    }));
    const { result } = planStock({ piece: pineMarten, cupboard, hand: atWork }, { coat: plan.coat, operations: open });
    expect(result.needG).toBeCloseTo(plan.coat.totals.massG + plan.core.massG, 9);
    expect(result.unchosen.map((u) => u.for).sort()).toEqual(['collar', 'core']);
    expect(result.unchosen.reduce((s, u) => s + u.massG, 0)).toBeCloseTo(plan.core.massG, 9);
  });
});

describe('planned against done', () => {
  const logged = (...entries: Parameters<typeof plainEntry>[0][]) => {
    const piece: Piece = { ...pineMarten, log: entries.map((e, i) => plainEntry(e, i)) };
    return planLog({ piece, cupboard, hand: atWork }, { coat: plan.coat, work: plan.work }).result.areas.find(
      (a) => a.areaId === 'bib',
    )!;
  };
  it('sets the time of the rows done beside their share of the plan', () => {
    const rows = bib().fur!.rows;
    const done = logged({ kind: 'row', row: 1, minutes: 2 }, { kind: 'row', row: 2, minutes: 3 });
    const share = (rows.rows[0]!.lengthMm + rows.rows[1]!.lengthMm) / rows.totalMm;
    expect(done).toMatchObject({ rowsDone: [1, 2], nextRow: 3, actualMinutes: 5, actualG: null });
    expect(done.plannedMinutes).toBeCloseTo(bib().fur!.figures.minutes.value * share, 12);
    expect(done.plannedG).toBeCloseTo(bib().fur!.figures.mass.value * share, 12);
  });
  it('adds up weighings, finds a row left out, and ends when all are done', () => {
    expect(
      logged({ kind: 'wool', lotId: 'x', grams: 0.1 }, { kind: 'wool', lotId: 'x', grams: 0.3 }).actualG,
    ).toBeCloseTo(0.4, 12);
    expect(logged({ kind: 'row', row: 1, minutes: 1 }, { kind: 'row', row: 3, minutes: 1 }).nextRow).toBe(2);
    const all = bib().fur!.rows.rows.map((r) => ({ kind: 'row' as const, row: r.number, minutes: 1 }));
    expect(logged(...all).nextRow).toBeNull();
    // Rows of an earlier, closer spacing that no longer exist do not count.
    expect(logged({ kind: 'row', row: 900, minutes: 1 }).rowsDone).toEqual([]);
  });
  it('what is left is the plan less what is done, and the core under the first row is built', () => {
    expect(plan.log.minutesLeft).toBeCloseTo(plan.work.minutes, 9);
    const piece: Piece = { ...pineMarten, log: [plainEntry({ kind: 'row', row: 1, minutes: 99, made: {} })] };
    const after = makePlan(piece, cupboard, hand, memo);
    const op = (id: string) => plan.work.steps.find((s) => s.operation.id === id)!.operation;
    const built = plan.work.steps
      .map((s) => s.operation)
      .filter((o) => ['core', 'wire'].includes(o.kind) && !o.id.startsWith('flat-'))
      .reduce((s, o) => s + o.minutes, 0);
    const rows = bib().fur!.rows;
    const share = rows.rows[0]!.lengthMm / rows.totalMm;
    const under = ['cut-bib', 'shade-bib-under'].reduce((s, id) => s + op(id).minutes, 0);
    expect(built).toBeGreaterThan(10);
    expect(plan.log.minutesLeft - after.log.minutesLeft).toBeCloseTo(built + under + share * op('lay-bib').minutes, 6);
  });
});

describe('words with quantities', () => {
  it('join words and keep quantities apart', () => {
    const inner = say`rows ${mm(3)} apart`;
    expect(say`Lay ${4} ${inner}, hem first`).toEqual([
      'Lay 4 rows ',
      { kind: 'length', value: 3 },
      ' apart, hem first',
    ]);
    expect(say`${''}x`).toEqual(['x']);
  });
});
