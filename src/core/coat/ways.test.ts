/** Facts of the trade, way by way, and what each way measures, on surfaces of known shape. */
import { describe, expect, it } from 'vitest';
import { COARSELY, planned } from '../../../cli/testing/planned';
import { alpacaCria, brownHare, cupboard, kingfisher, pineMarten } from '../../../demo/load';
import { buildEdges } from '@/core/geometry/mesh';
import type { Patch } from '@/core/geometry/cut';
import { methodOf } from '@/core/methods';
import type { FoldOver, Laid, Locks, Standing, Strip } from '@/core/piece/coat';
import { coatSchema } from '@/core/piece/coat';
import type { Lot } from '@/core/piece/cupboard';
import { defaultHand as hand } from '@/core/piece/hand';
import type { AreaShape } from '@/core/coat/rows/area-shape';
import { towardsEye } from '@/core/coat/techniques/bows/bows';
import { coatBy, compareWays, lotFor } from './compare-ways';
import { shapeAreas } from '@/core/coat/rows/shaped';
import { thinnestLay } from '@/core/coat/cover/enough';
import { furLayOf } from '@/core/coat/techniques/fold-over/fold-over-lay';
import { shows } from '@/core/coat/judgement';
import { measureRows } from '@/core/coat/rows/rows';
import { ballShape, practiceBall } from './practice';
import { sheetPieces } from '@/core/coat/techniques/sheet/sheet-cut';
import { clumpsOf, middleLine, profileAt } from '@/core/coat/techniques/strip/strip-line';
import type { LayContext } from './way';
import { wayOf, WAYS } from './ways';
import { Memo } from '@/core/memo';
import { workForm } from '@/core/form/form';
import { handAtWork, NO_PIECE } from '@/core/rates/hand-at-work';

const atWork = handAtWork(hand, NO_PIECE);

const lot = (change: Partial<Lot> = {}): Lot => ({ ...cupboard.lots[0]!, finenessUm: 19, stapleMm: 75, ...change });
const spec = <C extends Laid>(coat: C, l: Lot) => ({ spec: coat, lot: l, hand, habit: 1, rise: 1 });
const fold = (change: Partial<FoldOver>): FoldOver => ({
  method: 'fold-over',
  lotId: 'cream-top',
  lengthMm: 12.5,
  topLengthMm: null,
  spacingMm: 3,
  topSpacingMm: null,
  liftDeg: 20,
  layMgCm: 5,
  pinchWidthMm: 8,
  pinchPitchMm: 8,
  ...change,
});

/** A tube or cone standing upright, hem below, rows known exactly; `open` leaves the back uncovered. */
function cone(bottom: number, top: number, slant: number, round = 96, up = 60, turn = 2 * Math.PI): AreaShape {
  const ring = turn >= 2 * Math.PI - 1e-9;
  const n = ring ? round : round + 1;
  const sin = (bottom - top) / slant;
  const cos = Math.sqrt(1 - sin * sin);
  const positions: number[] = [];
  const normal: number[] = [];
  const lie: number[] = [];
  const phi: number[] = [];
  for (let j = 0; j <= up; j++) {
    for (let i = 0; i < n; i++) {
      const a = (turn * i) / round - turn / 2;
      const h = (slant * j) / up;
      const r = bottom - h * sin;
      positions.push(r * Math.sin(a), h * cos, r * Math.cos(a));
      normal.push(cos * Math.sin(a), sin, cos * Math.cos(a));
      lie.push(sin * Math.sin(a), -cos, sin * Math.cos(a));
      phi.push(h);
    }
  }
  const T: number[] = [];
  for (let j = 0; j < up; j++) {
    for (let i = 0; i < round; i++) {
      const k = (i + 1) % n;
      T.push(j * n + i, j * n + k, (j + 1) * n + k, j * n + i, (j + 1) * n + k, (j + 1) * n + i);
    }
  }
  const count = phi.length;
  const triangles = Uint32Array.from(T);
  const areaMm2 = ((bottom + top) / 2) * turn * slant;
  const patch: Patch = {
    positions: Float64Array.from(positions),
    triangles,
    edges: buildEdges(triangles, count),
    from: new Uint32Array(2 * count),
    share: new Float64Array(count),
    piece: new Int32Array(count),
    pieces: 1,
    areaMm2,
  };
  return {
    patch,
    normal: Float64Array.from(normal),
    lie: Float64Array.from(lie),
    field: {
      phi: Float64Array.from(phi),
      steepness: new Float64Array(T.length / 3).fill(1),
      strayDeg: new Float64Array(T.length / 3),
      area: new Float64Array(T.length / 3).fill(areaMm2 / (T.length / 3)),
      hemLengthMm: turn * bottom,
    },
    components: [{ areaMm2, side: 'middle', twinOf: null }],
    heightMm: slant,
    swirl: 0,
    away: [],
  };
}

function context<C extends Laid>(coat: C, l: Lot, shape: AreaShape): LayContext<C> {
  return {
    ...spec(coat, l),
    area: { ...pineMarten.areas[0]!, coat },
    areaIndex: 0,
    lying: [],
    longer: [],
    stopsAt: null,
    cupboard: { ...cupboard, lots: [l, ...cupboard.lots.filter((x) => x.id !== l.id)] },
    parts: [{ lot: l, share: 1 }],
    instead: (_, other) => [{ path: ['areas', 0, 'coat', 'lotId'], value: other.id }],
    withLot: (x) => ({ lot: x, hand, habit: 1, rise: 1 }),
    known: {},
    wayOf,
    shape,
    body: null,
    under: [],
    keep: (_s, from, make) => make(...from),
  };
}
/** Stops and cautions of a lay. */
const found = (c: LayContext) =>
  wayOf(c.spec.method)
    .lay(c)
    .findings.filter((f) => f.severity !== 'note')
    .map((f) => f.id.replace(/-[^-]*$/, ''));

describe('what makers know to work is judged to cover; twice the spacing without more wool is not', () => {
  const fine = lot();
  const cover = (coat: Laid, l: Lot) => wayOf(coat.method).look(spec(coat, l)).cover.value;
  const asMuch = (f: FoldOver, l: Lot): FoldOver => ({ ...f, layMgCm: thinnestLay(furLayOf(f, l, hand))! });

  // Common practice: 3 mm rows on a small animal with short fine fur.
  it('rows 3 mm apart, fur 12.5 mm', () => {
    const f = asMuch(fold({}), fine);
    expect(f.layMgCm).toBeLessThan(6);
    expect(found(context(f, fine, cone(15, 15, 40)))).toEqual([]);
    expect(cover({ ...f, spacingMm: 6 }, fine)).toBeLessThan(0.93);
  });

  // Common practice: 6 mm rings on its tail with strands of 13 to 19 mm.
  it.each([13, 16, 19])('tail rings 6 mm apart, strands of %i mm', (lengthMm) => {
    const f = asMuch(fold({ lengthMm, spacingMm: 6, liftDeg: 20 }), fine);
    expect(found(context(f, fine, cone(12, 6, 60)))).toEqual([]);
    expect(f.layMgCm).toBeLessThan(15);
    const wide = found(context({ ...f, spacingMm: 12 }, fine, cone(12, 6, 60)));
    expect(wide).toContain('coat-base-shows');
  });

  // Common practice: a plush trimmed to 10 mm in rows 10 mm apart covers once it is fluffed, and not before.
  it('plush of 10 mm in rows 10 mm apart, once fluffed', () => {
    const coarse = lot({ finenessUm: 25, stapleMm: 60 });
    const plush = (liftDeg: number, spacingMm = 10): Standing => ({
      method: 'standing',
      lotId: 'cream-top',
      lengthMm: 10,
      spacingMm,
      liftDeg,
      layMgCm: 30,
      overMm: 4,
      marking: { kind: 'none' },
    });
    expect(cover(plush(40), coarse)).toBeGreaterThan(0.98);
    expect(cover(plush(75), coarse)).toBeLessThan(0.9);
    expect(cover(plush(40, 20), coarse)).toBeLessThan(0.9);
    const remedies = wayOf('standing')
      .lay(context(plush(75), coarse, cone(20, 20, 60)))
      .findings.find((f) => f.id.includes('base-shows'))!.remedies;
    expect(remedies.some((r) => r.label.join('').includes('Fluff'))).toBe(true);
  });

  // Common practice: courses about 13 mm apart of locks 100 mm long, folded to 50 mm.
  const suri = lot({ id: 'suri', form: 'locks', finenessUm: 28, stapleMm: 110 });
  const folded: Locks = {
    method: 'locks',
    lotId: 'suri',
    lengthMm: 50,
    spacingMm: 13,
    pitchMm: 6,
    lockWidthMm: 4,
    lockMg: 30,
    liftDeg: 15,
    opened: false,
    root: 'felted middle',
    tips: 'kept',
  };
  it('courses 13 mm apart of 100 mm locks folded to 50 mm', () => {
    expect(found(context(folded, suri, cone(40, 40, 90)))).toEqual([]);
    // Of the lightest locks that do: twice as far apart they no longer do.
    const light = [5, 10, 15, 20, 25, 30].map((lockMg) => ({ ...folded, lockMg })).find((f) => cover(f, suri) >= 0.98)!;
    expect(light.lockMg).toBeLessThan(25);
    expect(cover({ ...light, spacingMm: 26 }, suri)).toBeLessThan(0.97);
  });

  it('tips cut off weigh their share of the lock as it grew, not of what is left of it', () => {
    const tipped: Lot = { ...suri, tipShare: 0.2, tipColour: '#3b2a20' };
    const f = wayOf('locks').lay(
      context({ ...folded, root: 'cut end', tips: 'cut' }, tipped, cone(40, 40, 90)),
    ).figures;
    // Of a lock 53 mm long without its tip (50 and a root of 3), whole 66.25, a fifth is cut off.
    const whole = (folded.lockMg * (53 / 50)) / 0.8;
    expect(f.waste.value).toBeCloseTo((f.locks!.value * whole * 0.2) / 1000, 9);
    expect(f.mass.value).toBeCloseTo(((f.locks!.value * whole) / 1000) * 1.05, 9);
  });

  it('base that shows is said only where it can be read: 97.6 % is told as 98', () => {
    expect(shows(0.976)).toBe(false);
    expect(shows(0.974)).toBe(true);
  });

  it('more wool than fits under short fur is said, with changes after which it fits and still covers', () => {
    // A cheek of 4.5 mm with 33 mg on a square cm: twice what so short a fur holds.
    const f = fold({ lengthMm: 4.5, spacingMm: 1.5, liftDeg: 25, layMgCm: 5 });
    const at = (spec: FoldOver) =>
      wayOf('fold-over')
        .lay(context(spec, fine, cone(15, 15, 40)))
        .findings.find((x) => x.code === 'coat-stands-out');
    // Rows of another spacing at the top go along with those at the hem.
    for (const spec of [f, { ...f, topSpacingMm: 2 }, { ...f, topLengthMm: 14 }]) {
      const found = at(spec)!;
      expect(found.severity).toBe('caution');
      // What is said to fit does, and is less than what lies.
      const [lies, fits] = found.says.flatMap((x) => (typeof x === 'string' ? [] : [x.value]));
      expect(fits).toBeLessThan(lies!);
      expect(fits! / lies!).toBeGreaterThan(0.4);
      expect(found.remedies.length).toBeGreaterThan(0);
      for (const r of found.remedies) {
        const next = { ...spec } as Record<string, unknown>;
        for (const x of r.changes) next[x.path.at(-1)! as string] = x.value;
        expect(at(next as unknown as FoldOver)).toBeUndefined();
        expect(cover(next as unknown as FoldOver, fine)).toBeGreaterThanOrEqual(0.98);
      }
    }
  });

  it('wool with too short a staple is stopped, with the longest that would do', () => {
    const short = lot({ stapleMm: 30 });
    for (const coat of [fold({ lengthMm: 15 }), { ...folded, lotId: 'cream-top' }] as Laid[]) {
      const c = context(coat, coat.method === 'locks' ? { ...short, form: 'locks' } : short, cone(20, 20, 60));
      const stop = wayOf(coat.method)
        .lay(c)
        .findings.find((f) => f.id.startsWith('coat-staple'))!;
      expect(stop.severity).toBe('stop');
      expect(stop.remedies.length).toBeGreaterThan(0);
    }
  });

  it('wool of a form that does not suit is a caution with a reason, never a ban', () => {
    for (const way of WAYS) {
      for (const [form, suit] of Object.entries(way.suits)) {
        expect(suit.why.length, `${way.method} ${form}`).toBeGreaterThan(10);
      }
      expect(Object.values(way.suits).some((s) => s.suits === 'well')).toBe(true);
    }
    const batt = lot({ form: 'carded batt' });
    const f = wayOf('fold-over').lay(context(fold({ layMgCm: 8 }), batt, cone(15, 15, 40))).findings;
    expect(f.map((x) => [x.id.startsWith('coat-unsuited'), x.severity])).toContainEqual([true, 'caution']);
    expect(f[0]!.remedies.length).toBe(1);
  });

  it('a lay too thick to root is said, and rows closer than the needle allows', () => {
    expect(found(context(fold({ layMgCm: 40 }), fine, cone(15, 15, 40)))).toContain('coat-too-thick');
    expect(found(context(fold({ spacingMm: 0.5, layMgCm: 2 }), fine, cone(15, 15, 40)))).toContain('coat-too-close');
  });
});

describe('every way of laying', () => {
  const shape = cone(20, 14, 60);
  it.each(WAYS.map((w) => [w.title, w] as const))(
    '%s: begins with a sound spec that covers, and adds up',
    (_n, way) => {
      const l = cupboard.lots.find((x) => way.suits[x.form].suits === 'well')!;
      const coat = way.begin({ lot: l, cupboard, hand, finishedLengthMm: 180, now: null });
      expect(coatSchema.safeParse(coat).success, JSON.stringify(coatSchema.safeParse(coat).error?.issues)).toBe(true);
      const lay = way.lay(context(coat, l, shape));
      expect(lay.findings.filter((f) => f.severity === 'stop')).toEqual([]);
      if (way.method !== 'strip') expect(lay.figures.cover.value).toBeGreaterThanOrEqual(0.98);
      // Wool to take is what stays on the area and what is lost; never less.
      const stays = (lay.figures.areal.value * shape.patch.areaMm2) / 100 / 1000;
      const takes = lay.draws.reduce((s, d) => s + d.massG, 0);
      if (way.method !== 'strip') expect(takes).toBeGreaterThan(0.95 * stays);
      expect(takes).toBeLessThan(4 * stays);
      // What a change is judged by agrees with the whole lay.
      const look = way.look(spec(coat, l));
      const cm2 = shape.patch.areaMm2 / 100;
      if (!['strip', 'sheet'].includes(way.method)) {
        expect(Math.abs((look.takesMgCm2 * cm2) / 1000 / takes - 1)).toBeLessThan(0.12);
        const whole = lay.operations.reduce((m, o) => m + o.minutes, 0);
        expect(Math.abs((look.minutesCm2 * cm2) / whole - 1)).toBeLessThan(0.25);
      }
      for (const f of Object.values(lay.figures)) {
        const m = methodOf(f.method);
        expect(Number.isFinite(f.value), f.method).toBe(true);
        expect(m.of(f.inputs), f.method).toBeCloseTo(f.value, 9);
      }
      for (const s of lay.docket.list) expect(lay.figures[s.figure], s.figure).toBeDefined();
      for (const s of lay.docket.sentence) {
        if (typeof s !== 'string' && 'figure' in s) expect(lay.figures[s.figure], s.figure).toBeDefined();
      }
      // Its work can be ordered: what it waits for within the area is there.
      const ids = new Set(lay.operations.map((o) => o.id));
      expect(ids.has('lay-flanks')).toBe(true);
      for (const o of lay.operations) {
        expect(o.minutes).toBeGreaterThan(0);
        for (const a of o.after) expect(ids.has(a.id), `${o.id} after ${a.id}`).toBe(true);
      }
      expect(lay.coverMap.length).toBe(shape.patch.triangles.length / 3);
      // The time of the docket is shared out over the operations, none of it twice; picking and cutting come on top.
      const laid = lay.operations
        .filter((o) => o.kind !== 'cut' && o.kind !== 'check')
        .reduce((s, o) => s + o.minutes, 0);
      expect(laid).toBeCloseTo(lay.figures.minutes.value, 9);
    },
  );

  it('a stripe is as wide on the docket as in its section, also between crowded neighbours', () => {
    for (const spacingMm of [4, 30]) {
      const l = lot({ stapleMm: 60 });
      const lay = wayOf('standing').lay(
        context<Standing>(
          {
            method: 'standing',
            lotId: l.id,
            lengthMm: 10,
            spacingMm,
            liftDeg: 50,
            layMgCm: 12,
            overMm: 4,
            marking: { kind: 'stripe', lotId: 'umber-top', from: 0, to: 1, every: 1, share: 0.25, cut: 'flat' },
          },
          l,
          shape,
        ) as unknown as LayContext,
      );
      expect(lay.figures.marking!.value).toBe(lay.sandwich!.widthMm);
      expect(lay.pile.marking!.halfWidthMm).toBe(lay.sandwich!.widthMm / 2);
      if (spacingMm === 4) expect(lay.sandwich!.widthMm).toBeCloseTo(1, 9);
      else expect(lay.sandwich!.widthMm).toBeGreaterThan(2);
    }
  });

  it('bows round an eye point away from it, and are stopped when they do not', () => {
    const rows = measureRows(shape.patch, shape.field, 5, shape.normal, shape.lie);
    // The lie runs down: away from an eye above, into one below.
    expect(towardsEye(rows, [[0, 200, 14]])).toBe(0);
    expect(towardsEye(rows, [[0, -200, 20]])).toBe(1);
  });
});

describe('a sheet to wrap on', () => {
  it('round a cylinder is girth by length with its anchoring', () => {
    const tube = cone(12, 12, 60);
    const rows = measureRows(tube.patch, tube.field, 2, tube.normal, tube.lie);
    const [s] = sheetPieces(tube, rows, 25);
    expect(s!.acrossMm).toBeCloseTo(2 * Math.PI * 12 + 50, 0);
    expect(s!.alongMm).toBeCloseTo(60 + 50, 6);
    expect(s!.coversMm2).toBeCloseTo(2 * Math.PI * 12 * 60, 6);
  });
  it('round a cone is as wide as its wide end; its widths share out the developed sector', () => {
    const k = cone(18, 6, 80, 192, 120);
    const rows = measureRows(k.patch, k.field, 1, k.normal, k.lie);
    const [s] = sheetPieces(k, rows, 0);
    // The developed cone is a sector: angle 2 pi (18 - 6) / 80, radii 120 and 40 along the slant, area pi (18 + 6) 80.
    const angle = (2 * Math.PI * 12) / 80;
    const sum = s!.widths.reduce((a, w) => a + w.widthMm, 0) * 1;
    expect(Math.abs(sum / ((angle * (120 ** 2 - 40 ** 2)) / 2) - 1)).toBeLessThan(0.01);
    expect(s!.widths.every((w) => Math.abs(w.widthMm / (angle * (120 - w.atMm)) - 1) < 0.01)).toBe(true);
    // Wide enough for the chord of the sector, no wider than its arc.
    expect(s!.acrossMm).toBeGreaterThan(2 * 120 * Math.sin(angle / 2));
    expect(s!.acrossMm).toBeLessThanOrEqual(angle * 120);
  });
});

describe('a strip made off the piece', () => {
  it('sits along the middle of its area: on a half tube a straight line as long as the tube', () => {
    const half = cone(12, 12, 60, 48, 60, Math.PI);
    const rows = measureRows(half.patch, half.field, 2, half.normal, half.lie);
    const line = middleLine(half, rows)!;
    // From the first guide row to the last.
    expect(line.lengthMm).toBeCloseTo(58, 0);
    for (let i = 0; i < line.points.length; i += 3) {
      expect(Math.abs(line.points[i]!)).toBeLessThan(0.2);
      expect(line.points[i + 2]!).toBeCloseTo(12, 1);
    }
  });

  it('follows a bent neck: over a quarter of a ring it is as long as the arc', () => {
    // A quarter ring of radius 40 drawn as rows across it.
    const R = 40;
    const pieces = Array.from({ length: 30 }, (_, j) => {
      const a = (((j + 0.5) / 30) * Math.PI) / 2;
      const out = new Float64Array(9);
      [-3, 0, 3].forEach((x, i) => out.set([x, R * Math.cos(a), R * Math.sin(a)], 3 * i));
      return { closed: false, lengthMm: 6, component: 0, points: out, normal: out, lie: out };
    });
    const guides = {
      rows: pieces.map((p, i) => ({
        number: i + 1,
        atMm: i,
        share: i / 29,
        up: i / 29,
        half: false,
        lengthMm: 6,
        pieces: [p],
      })),
    } as unknown as Parameters<typeof middleLine>[1];
    const line = middleLine(cone(12, 12, 60), guides)!;
    expect(line.lengthMm / ((R * Math.PI) / 2)).toBeCloseTo(29 / 30, 2);
  });

  it('has clumps whose lengths follow the profile through start, middle and end', () => {
    expect([0, 0.5, 1].map((x) => profileAt(14, 22, 16, x))).toEqual([14, 22, 16]);
    const clumps = clumpsOf(
      60,
      3,
      (x) => profileAt(10, 20, 12, x),
      (l) => 2 * (l + 6),
      0.1,
    );
    expect(clumps.length).toBe(20);
    expect(clumps[0]!.atMm).toBeCloseTo(1.5, 9);
    expect(clumps.every((c) => c.cutMm === 2 * (c.lengthMm + 6))).toBe(true);
    // Mass: Simpson's rule is exact for the quadratic profile: mean cut 2 (17 + 6) within the midpoint rule's error.
    const total = clumps.reduce((s, c) => s + c.massMg, 0);
    expect(total / (60 * 0.1 * 2 * ((10 + 80 + 12) / 6 + 6))).toBeCloseTo(1, 2);
  });

  it('an anchor too fine to grip is a caution', () => {
    const coat = {
      ...(wayOf('strip').begin({
        lot: lot(),
        cupboard,
        hand,
        finishedLengthMm: 180,
        now: null,
      }) as Strip),
      anchorLotId: 'kingfisher-blue-top',
    };
    expect(found(context(coat, lot(), cone(12, 12, 60, 48, 60, Math.PI)))).toContain('coat-anchor-slips');
  });
});

describe('a practice ball', () => {
  it('has the rings and the surface of a ball covered to 30 degrees from its top', () => {
    const b = ballShape(40);
    const rows = measureRows(b.patch, b.field, 3, b.normal, b.lie);
    expect(b.patch.areaMm2).toBeCloseTo(2 * Math.PI * 400 * (1 + Math.cos(Math.PI / 6)), 6);
    // Archimedes: rings at equal steps along the skin, 2 pi R sin(h / R).
    rows.rows.forEach((r, i) =>
      expect(Math.abs(r.lengthMm / (2 * Math.PI * 20 * Math.sin(((i + 0.5) * 3) / 20)) - 1)).toBeLessThan(0.01),
    );
    expect(rows.rows.length).toBe(Math.round((20 * ((5 * Math.PI) / 6)) / 3));
    expect(Math.abs((3 * rows.totalMm) / b.patch.areaMm2 - 1)).toBeLessThan(0.02);
  });
  it('costs in proportion to its surface', () => {
    const area = pineMarten.areas.find((a) => a.id === 'flanks')!;
    const small = practiceBall(area, area.coat as Laid, 30, cupboard, atWork)!;
    const large = practiceBall(area, area.coat as Laid, 60, cupboard, atWork)!;
    expect(large.figures.mass.value / small.figures.mass.value).toBeCloseTo(4, 0);
    expect(large.figures.cover.value).toBe(small.figures.cover.value);
  });
});

describe('ways compared', () => {
  it('come from the same wool where it serves, else from one that suits, and keep length and lift', () => {
    const memo = new Memo();
    const form = workForm(pineMarten.form, 1 / 70);
    const steps = shapeAreas(pineMarten, form, form, memo);
    let s = steps.next();
    while (!s.done) s = steps.next();
    const index = pineMarten.areas.findIndex((a) => a.id === 'flanks');
    const list = compareWays(
      pineMarten,
      index,
      ['fold-over', 'standing', 'pieces'],
      cupboard,
      atWork,
      s.value,
      form,
      memo,
    );
    expect(list.map((c) => c.coat.method)).toEqual(['fold-over', 'standing', 'pieces']);
    expect(list[0]!.coat).toBe(pineMarten.areas[index]!.coat);
    // Common practice: standing rows are the most wasteful, a top coat in pieces takes least wool.
    expect(list[1]!.waste.value).toBeGreaterThan(list[0]!.waste.value);
    expect(list[2]!.mass.value).toBeLessThan(list[0]!.mass.value);
    expect(list[2]!.suit.suits).not.toBe('badly');
    expect(list[0]!.cost).toBeCloseTo((list[0]!.mass.value * 5.8) / 100, 9);
    // A batt does not fold: the combed top nearest to it in colour does.
    const of = (id: string) => cupboard.lots.find((l) => l.id === id)!;
    expect(lotFor('fold-over', of('rust-batt'), cupboard, 0).id).toBe('rust-top');
    expect(lotFor('fold-over', of('umber-top'), cupboard, 0).id).toBe('umber-top');
    const wisps = coatBy('wisps', pineMarten, index, cupboard, hand)!;
    expect(wisps.method === 'wisps' && wisps.lengthMm).toBe(14);
  });
});

describe('the demo animals', () => {
  it.each([
    ['pine marten', pineMarten, ['fold-over', 'bows', 'velvet']],
    ['alpaca cria', alpacaCria, ['locks', 'strip', 'fold-over']],
    ['kingfisher', kingfisher, ['pieces', 'sheet', 'fold-over', 'feathers']],
    ['brown hare', brownHare, ['wisps', 'fold-over']],
  ] as const)('%s shows its ways of laying without a stop of the coat', (_n, piece, methods) => {
    const plan = planned(piece, cupboard, hand);
    const used = new Set(plan.coat.areas.flatMap((a) => (a.fur ? [a.fur.method] : [])));
    for (const m of methods) expect(used.has(m), m).toBe(true);
    expect(plan.findings.filter((f) => f.stage === 'coat' && f.severity === 'stop')).toEqual([]);
    const steps = plan.work.steps.map((s) => s.operation.id);
    for (const s of plan.work.steps)
      for (const b of s.because) expect(steps.indexOf(b.id)).toBeLessThan(steps.indexOf(s.operation.id));
  });

  it('the cria’s sorted locks go out best to the places most seen, none twice', () => {
    const plan = planned(alpacaCria, cupboard, hand, COARSELY);
    const [shared] = plan.coat.locks;
    const piles = cupboard.lots.find((l) => l.id === shared!.lotId)!.piles;
    piles.forEach((p, i) => {
      const given = shared!.allotment.shares.filter((s) => s.pile === i).reduce((s, x) => s + x.count, 0);
      expect(given).toBeLessThanOrEqual(p.count);
    });
    const best = (area: string) => {
      const mine = shared!.allotment.shares.filter((s) => s.areaId === area);
      return (
        mine.filter((s) => piles[s.pile]!.grade === 'best').reduce((s, x) => s + x.count, 0) /
        mine.reduce((s, x) => s + x.count, 0)
      );
    };
    expect(best('back')).toBeGreaterThan(best('belly'));
  });
});
