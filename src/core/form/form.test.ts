import { beforeAll, describe, expect, it } from 'vitest';
import { alpacaCria, kingfisher, pineMarten as turnedMarten } from '../../../demo/load';
import { plainTube } from '../../../demo/plain-tube';
import type { Part } from '@/core/piece/schema';
import { areaDepth, depthAfter } from './areas';
import { drawnLength, endOf, makeBody, onAxis, placeOnPart } from './body';
import { workForm, planForm, type FormWork } from './form';
import { BODY_PLANS } from './plans/plans';
import { topOf } from './pose';

const EDGE = 1 / 90;
/** The marten as drawn, before it looks back. */
const pineMarten = { ...turnedMarten, form: { ...turnedMarten.form, pose: [] } };
let marten: FormWork;
beforeAll(() => {
  marten = workForm(pineMarten.form, EDGE);
});

const tube = plainTube('tube');
const formOf = (parts: Part[], finishedLengthMm = 100) => ({
  plan: 'test',
  finishedLengthMm,
  lifeLengthMm: 100,
  measuredBy: 'length',
  parts,
  pose: [],
  scan: null,
});

describe('the body', () => {
  it('is as long as the maker said, whatever units its parts are drawn in', () => {
    for (const k of [0.5, 1, 1.7]) {
      const drawn = {
        ...tube,
        nodes: tube.nodes.map((n) => ({
          at: n.at.map((x) => x * k) as [number, number, number],
          radius: n.radius * k,
        })),
      };
      const body = makeBody(formOf([drawn]));
      expect(body.field.max[2] - body.field.min[2]).toBeCloseTo(100, 9);
      // Drawn 1000 long and 200 thick: 100 long is 20 thick.
      expect(body.field.max[1] - body.field.min[1]).toBeCloseTo(20, 9);
    }
  });

  it('tells where on a part a place lies: along from end to end, around from its top', () => {
    const part = makeBody(formOf([tube])).parts[0]!;
    expect(placeOnPart(part, 0, 10, 50).along).toBeCloseTo(0, 9);
    expect(placeOnPart(part, 0, 10, 0)).toMatchObject({ along: 0.5, aroundDeg: 0, radiusMm: 10 });
    expect(placeOnPart(part, 10, 0, -25)).toMatchObject({ along: 0.75, aroundDeg: 90 });
    expect(placeOnPart(part, 0, -10, -49).aroundDeg).toBeCloseTo(180, 5);
    expect(placeOnPart(part, 3, 10, 0).axis).toEqual([0, 0, -1]);
  });

  it('takes the front as the top of an upright part', () => {
    expect(topOf([0, 1, 0])).toEqual([0, 0, 1]);
    expect(topOf([0, 0, 1])).toEqual([0, 1, 0]);
  });

  it('looks a mirrored part up on either side alike, with its axis mirrored', () => {
    const leg: Part = {
      ...tube,
      id: 'leg',
      mirrored: true,
      nodes: [
        { at: [200, 0, 0], radius: 50 },
        { at: [300, -400, 0], radius: 50 },
      ],
    };
    const part = makeBody(formOf([tube, leg])).parts[1]!;
    const left = placeOnPart(part, 25, -20, 3);
    const right = placeOnPart(part, -25, -20, 3);
    expect(right.along).toBe(left.along);
    expect(right.aroundDeg).toBe(left.aroundDeg);
    expect(right.axis[0]).toBe(-left.axis[0]);
  });
});

describe('the lie', () => {
  const mean = (test: (p: number[]) => boolean): number[] => {
    const sum = [0, 0, 0];
    let n = 0;
    for (let v = 0; v < marten.skin.positions.length / 3; v++) {
      if (!test([...marten.skin.positions.slice(3 * v, 3 * v + 3)])) continue;
      for (let k = 0; k < 3; k++) sum[k]! += marten.lie[3 * v + k]!;
      n++;
    }
    return sum.map((x) => x / n);
  };
  // Common practice: fur runs from the nose to the tail and down the limbs.
  it('runs from nose to tail on the back and down the legs', () => {
    expect(mean(([, y, z]) => y! > 52 && Math.abs(z!) < 15)[2]).toBeLessThan(-0.95);
    expect(mean(([, y, z]) => y! > 8 && y! < 20 && z! > 25)[1]).toBeLessThan(-0.9);
    expect(mean(([, , z]) => z! < -60)[2]).toBeLessThan(-0.7);
  });

  it('is one unit long, lies in the skin and is the same on both sides', () => {
    const { normals, mirror } = marten.skin;
    for (let v = 0; v < mirror.length; v++) {
      const l = [...marten.lie.slice(3 * v, 3 * v + 3)];
      const n = [...normals.slice(3 * v, 3 * v + 3)];
      expect(Math.hypot(...l)).toBeCloseTo(1, 9);
      expect(Math.abs(l[0]! * n[0]! + l[1]! * n[1]! + l[2]! * n[2]!)).toBeLessThan(1e-6);
      const w = mirror[v]!;
      if (w !== v) expect(marten.lie[3 * w]).toBe(-marten.lie[3 * v]!);
    }
  });

  it('turns round when a part says its fur points to its start', () => {
    const back = workForm(formOf([{ ...tube, lie: 'to-start' }]), 1 / 60);
    const there = workForm(formOf([tube]), 1 / 60);
    for (let v = 0; v < there.lie.length / 3; v++) {
      if (Math.abs(there.skin.positions[3 * v + 2]!) < 30)
        expect(back.lie[3 * v + 2]! * there.lie[3 * v + 2]!).toBeLessThan(-0.9);
    }
  });
});

describe('areas', () => {
  it('a band along and around a tube is as large as it should be', () => {
    const form = workForm(formOf([tube], 200), 1 / 130);
    const where = [{ parts: ['tube'], along: { from: 0.3, to: 0.7 }, around: { from: 0, to: 90 } }];
    const depth = areaDepth(form.body, form.skin, form.distance, { where, strokes: [] });
    // Length 200, radius 20: the band is 80 long and half the girth wide.
    let area = 0;
    const { positions: p, triangles: T } = form.skin;
    for (let t = 0; t < T.length; t += 3) {
      const c = [0, 1, 2].map((k) => T[t + k]!);
      const inside = c.filter((v) => depth[v]! > 0).length / 3;
      const u = [0, 1, 2].map((k) => p[3 * c[1]! + k]! - p[3 * c[0]! + k]!);
      const w = [0, 1, 2].map((k) => p[3 * c[2]! + k]! - p[3 * c[0]! + k]!);
      area +=
        (inside *
          Math.hypot(u[1]! * w[2]! - u[2]! * w[1]!, u[2]! * w[0]! - u[0]! * w[2]!, u[0]! * w[1]! - u[1]! * w[0]!)) /
        2;
    }
    expect(Math.abs(area / (80 * Math.PI * 20) - 1)).toBeLessThan(0.02);
  });

  it('the later area takes the place: no vertex is inside two', () => {
    const depths = pineMarten.areas.map((a) => areaDepth(marten.body, marten.skin, marten.distance, a));
    const cut = depths.map((d, i) => depthAfter(d, depths.slice(i + 1)));
    for (let v = 0; v < cut[0]!.length; v++) expect(cut.filter((d) => d[v]! > 0).length).toBeLessThanOrEqual(1);
    // The last one keeps all it asked for.
    expect(cut[cut.length - 1]).toEqual(depths[depths.length - 1]);
  });
});

describe('the form as planned', () => {
  it('the demo animals and every standing body plan are each in one piece without rings', () => {
    for (const parts of [pineMarten, alpacaCria, kingfisher].map((p) => p.form.parts)) {
      const w = workForm({ ...pineMarten.form, parts }, EDGE);
      expect([w.skin.pieces, w.skin.handles]).toEqual([1, 0]);
    }
    for (const plan of BODY_PLANS) {
      const w = workForm({ ...pineMarten.form, parts: plan.parts, pose: plan.pose }, EDGE);
      expect([plan.id, w.skin.pieces]).toEqual([plan.id, 1]);
    }
  });

  it('stops when a part floats free, and warns of parts too thin to needle', () => {
    const free: Part = {
      ...tube,
      id: 'free',
      nodes: tube.nodes.map((n) => ({ ...n, at: [0, 600, n.at[2]] as [number, number, number] })),
    };
    const w = workForm(formOf([tube, free]), EDGE);
    const piece = { ...pineMarten, form: formOf([tube, free]) };
    expect(planForm({ piece }, { work: w }).findings.map((f) => [f.id, f.severity])).toContainEqual([
      'form-apart',
      'stop',
    ]);
    const small = { ...pineMarten, form: { ...pineMarten.form, finishedLengthMm: 60 } };
    const thin = (piece: typeof small) =>
      planForm({ piece }, { work: workForm(small.form, EDGE) }).findings.map((f) => f.id);
    expect(thin({ ...small, flatParts: [] })).toContain('form-thin-ear');
    // Felted flat by itself it is what the advice is.
    expect(thin(small)).not.toContain('form-thin-ear');
    expect(planForm({ piece: pineMarten }, { work: marten }).findings).toEqual([]);
  });
});

describe('an oval limb', () => {
  const oval: Part = {
    ...plainTube('tube'),
    nodes: [
      { at: [0, 0, 400], radius: 100, section: { wide: 0.8, over: 1.3, under: 0.9 } },
      { at: [0, 0, -400], radius: 60, section: { wide: 0.8, over: 1.3, under: 0.9 } },
    ],
  };
  const body = makeBody({ parts: [oval], pose: [], finishedLengthMm: 192 });
  const part = body.parts[0]!;
  // 960 drawn units long, ends and all, so a unit is a fifth of a mm.
  it('has half width, height and depth of its places on its axis, and between them', () => {
    const { semi } = onAxis(part, part.left, 0.5);
    expect(semi.wide).toBeCloseTo(0.8 * 16, 1);
    expect(semi.over / semi.wide).toBeCloseTo(1.3 / 0.8, 6);
    expect(semi.under / semi.wide).toBeCloseTo(0.9 / 0.8, 6);
  });
  // Closed form: half an ellipse over its axis and half of another under it, pi/2 w (o + u).
  it('is as thick all round at its ends as the circle of its area', () => {
    const area = (r: number) => (Math.PI / 2) * 0.8 * r * (1.3 + 0.9) * r;
    expect(Math.PI * endOf(part, 'root').radius ** 2).toBeCloseTo(area(12), 6);
    expect(Math.PI * endOf(part, 'free').radius ** 2).toBeCloseTo(area(20), 6);
  });
  it('measures exactly its finished length, however wide its ends are', () => {
    expect(drawnLength([oval])).toBeCloseTo(960, 9);
    const p = workForm({ parts: [oval], pose: [], finishedLengthMm: 192 }, 1 / 100).skin.positions;
    const z = Array.from({ length: p.length / 3 }, (_, v) => p[3 * v + 2]!);
    expect(Math.max(...z) - Math.min(...z)).toBeGreaterThan(191);
    expect(Math.max(...z) - Math.min(...z)).toBeLessThan(192.01);
  });
});
