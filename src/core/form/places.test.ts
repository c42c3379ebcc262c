import { beforeAll, describe, expect, it } from 'vitest';
import { pineMarten } from '../../../demo/load';
import type { Piece, Place, Stroke } from '@/core/piece/schema';
import { readPiece } from '@/core/piece/read';
import { addArea, addStroke, mergeAreas, removeArea, splitArea } from './area-edits';
import { areaDepth } from './areas';
import { workForm, type FormWork } from './form';
import { mirrorPlace, placeAt, placeRound, pointOf, roundOf, turnedRound } from './places';
import { setPartLength, unitMm, partLength } from './shape';

const EDGE = 1 / 90;
const straight: Piece = { ...pineMarten, form: { ...pineMarten.form, pose: [] } };
let marten: FormWork;
let turned: FormWork;
beforeAll(() => {
  marten = workForm(straight.form, EDGE);
  turned = workForm(pineMarten.form, EDGE);
});
const vertex = (w: FormWork, v: number) =>
  [w.skin.positions[3 * v]!, w.skin.positions[3 * v + 1]!, w.skin.positions[3 * v + 2]!] as [number, number, number];
const far = (a: readonly number[], b: readonly number[]) => Math.hypot(...a.map((x, k) => x - b[k]!));

describe('a place on the skin', () => {
  it('is found again within half a millimetre on average, on a straight and on a turned animal', () => {
    for (const w of [marten, turned]) {
      let sum = 0;
      let n = 0;
      for (let v = 0; v < w.skin.positions.length / 3; v += 37) {
        const p = vertex(w, v);
        const d = far(p, pointOf(w.body, placeAt(w.body, p))!);
        // Beyond the rounded ends of a part the nearest place of the axis is all there is to go by.
        sum += d;
        n++;
      }
      expect(sum / n).toBeLessThan(0.5);
    }
  });

  it('goes with its part when the head is turned and when the part is made longer', () => {
    const nose: Place = { part: 'muzzle', side: 'left', along: 0, up: 0, out: 0 };
    const before = pointOf(marten.body, nose)!;
    const after = pointOf(turned.body, nose)!;
    expect(Math.abs(before[0])).toBeLessThan(1e-6);
    expect(after[0]).toBeGreaterThan(15);
    const long = setPartLength(
      straight.form,
      'tail',
      2 * partLength(straight.form.parts.find((p) => p.id === 'tail')!) * unitMm(straight.form),
    );
    const w = workForm(long, EDGE);
    const mid: Place = { part: 'tail', side: 'left', along: 0.5, up: 1, out: 0 };
    expect(pointOf(w.body, mid)![2]).toBeLessThan(pointOf(marten.body, mid)![2] - 20);
  });

  it('its twin is its mirror image, on the midline and on a pair', () => {
    for (const p of [
      { part: 'trunk', side: 'left', along: 0.4, up: 0.5, out: 0.9 },
      { part: 'foreleg', side: 'left', along: 0.6, up: 0.1, out: 1 },
    ] as Place[]) {
      const a = pointOf(marten.body, p)!;
      const b = pointOf(marten.body, mirrorPlace(p))!;
      expect(b[0]).toBeCloseTo(-a[0], 6);
      expect(b[1]).toBeCloseTo(a[1], 6);
      expect(a[0]).toBeGreaterThan(0);
    }
  });
});

const areaMm2 = (w: FormWork, depth: Float64Array) => {
  let sum = 0;
  const { triangles: T } = w.skin;
  for (let t = 0; t < T.length; t += 3) {
    const c = [0, 1, 2].map((k) => vertex(w, T[t + k]!));
    const u = c[1]!.map((x, k) => x - c[0]![k]!);
    const v = c[2]!.map((x, k) => x - c[0]![k]!);
    const area =
      Math.hypot(u[1]! * v[2]! - u[2]! * v[1]!, u[2]! * v[0]! - u[0]! * v[2]!, u[0]! * v[1]! - u[1]! * v[0]!) / 2;
    sum += (area * [0, 1, 2].filter((k) => depth[T[t + k]!]! > 0).length) / 3;
  }
  return sum;
};
const flank: Place = { part: 'trunk', side: 'left', along: 0.5, up: 0, out: 1 };
const stroke = (s: Partial<Stroke>): Stroke => ({ adds: true, mirrored: false, reach: 40, places: [flank], ...s });
const depthOf = (w: FormWork, strokes: Stroke[], where: Piece['areas'][number]['where'] = []) =>
  areaDepth(w.body, w.skin, w.distance, { where, strokes });

describe('a place said by how far round its part it lies', () => {
  it('is as far round as was said, and as far out as it was', () => {
    for (const deg of [0, 30, 90, 145, 180]) {
      const p = placeRound('trunk', 0.4, deg);
      expect(roundOf(p)).toBeCloseTo(deg, 1);
      expect(Math.hypot(p.up, p.out)).toBeCloseTo(1, 3);
      const turned = turnedRound({ ...p, up: 0.6 * p.up, out: 0.6 * p.out }, 60);
      expect(roundOf(turned)).toBeCloseTo(60, 1);
      expect(Math.hypot(turned.up, turned.out)).toBeCloseTo(0.6, 3);
    }
  });
  it('turned out of the middle of the part it comes out to the side asked for', () => {
    const p = turnedRound({ part: 'trunk', side: 'right', along: 0.5, up: 0, out: 0 }, 90);
    expect(p).toEqual({ part: 'trunk', side: 'right', along: 0.5, up: 0, out: 0.2 });
  });
  it('reads alike on both sides', () => {
    expect(roundOf({ up: -1, out: 1 })).toBeCloseTo(135, 9);
    expect(roundOf({ up: -1, out: -1 })).toBeCloseTo(135, 9);
  });
});

describe('painted areas', () => {
  it('a dab covers the disc of its brush, on the side it was set and there only', () => {
    const depth = depthOf(marten, [stroke({})]);
    const r = 40 * marten.body.scale;
    // The flank is a tube of about 12 mm radius: the disc is laid round it.
    expect(areaMm2(marten, depth)).toBeGreaterThan(0.85 * Math.PI * r * r);
    expect(areaMm2(marten, depth)).toBeLessThan(1.35 * Math.PI * r * r);
    for (let v = 0; v < depth.length; v++) if (depth[v]! > 0) expect(vertex(marten, v)[0]).toBeGreaterThan(0);
  });

  it('both sides alike covers both, exactly the same', () => {
    const depth = depthOf(marten, [stroke({ mirrored: true })]);
    marten.skin.mirror.forEach((w, v) => expect(depth[w]).toBe(depth[v]));
    expect(areaMm2(marten, depth)).toBeGreaterThan(1.6 * areaMm2(marten, depthOf(marten, [stroke({})])));
  });

  it('a stroke runs from dab to dab; erasing it leaves nothing', () => {
    const places = [0.3, 0.4, 0.5, 0.6, 0.7].map((along) => ({ ...flank, along }));
    const line = stroke({ reach: 24, places });
    const depth = depthOf(marten, [line]);
    const onePiece = pointOf(marten.body, { ...flank, along: 0.55 })!;
    let near = 0;
    for (let v = 1; v < depth.length; v++)
      if (far(vertex(marten, v), onePiece) < far(vertex(marten, near), onePiece)) near = v;
    expect(depth[near]!).toBeGreaterThan(1);
    const gone = depthOf(marten, [line, stroke({ adds: false, reach: 30, places })]);
    expect(gone.every((d) => d <= 0)).toBe(true);
  });

  it('the brush does not go through a thin ear', () => {
    const ear: Place = { part: 'ear', side: 'left', along: 0.6, up: 1, out: 0 };
    const depth = depthOf(marten, [stroke({ places: [ear], reach: 20 })]);
    const p = pointOf(marten.body, ear)!;
    let at = 0;
    for (let v = 1; v < depth.length; v++) if (far(vertex(marten, v), p) < far(vertex(marten, at), p)) at = v;
    const n = (v: number) => [0, 1, 2].map((k) => marten.skin.normals[3 * v + k]!);
    const same = (v: number) => n(v).reduce((s, x, k) => s + x * n(at)[k]!, 0);
    expect(depth[at]!).toBeGreaterThan(0);
    for (let v = 0; v < depth.length; v++) if (same(v) < -0.6) expect(depth[v]!).toBeLessThanOrEqual(0);
  });

  it('stays as large when the head it is painted on is turned', () => {
    // Clear of the ear, whose seat is no cheek.
    const cheek: Place = { part: 'skull', side: 'left', along: 0.35, up: 0, out: 1 };
    const s = [stroke({ places: [cheek], reach: 26 })];
    const a = areaMm2(marten, depthOf(marten, s));
    const b = areaMm2(turned, depthOf(turned, s));
    expect(a).toBeGreaterThan(20);
    expect(Math.abs(b / a - 1)).toBeLessThan(0.12);
  });

  it('one side only by the bands covers half of both', () => {
    const where = [{ parts: ['tail'] }];
    const whole = areaMm2(marten, depthOf(marten, [], where));
    const left = areaMm2(marten, depthOf(marten, [], [{ ...where[0]!, side: 'left' as const }]));
    expect(left / whole).toBeGreaterThan(0.47);
    expect(left / whole).toBeLessThan(0.53);
  });
});

describe('areas changed', () => {
  it('new, split three ways, joined, taken away: always a sound piece', () => {
    const made = addArea(straight, 'Left sock!', [{ parts: ['foreleg'], side: 'left' }]);
    expect(made.id).toBe('left-sock');
    expect(readPiece(structuredClone(made.piece)).ok).toBe(true);
    expect(addArea(made.piece, 'Left sock', [{ parts: ['tail'] }]).id).toBe('left-sock-2');
    for (const way of ['along', 'around', 'sides'] as const) {
      const split = splitArea(straight, 'tail', way);
      expect(readPiece(structuredClone(split.piece)).ok).toBe(true);
      const both = ['tail', split.id].map((id) => split.piece.areas.find((a) => a.id === id)!);
      const sizes = both.map((a) => areaMm2(marten, depthOf(marten, a.strokes, a.where)));
      const whole = areaMm2(marten, depthOf(marten, [], [{ parts: ['tail'] }]));
      // Each is a real share, and together they are the whole but for the smoothed border.
      for (const s of sizes) expect(s / whole).toBeGreaterThan(0.2);
      expect(Math.abs((sizes[0]! + sizes[1]!) / whole - 1)).toBeLessThan(0.06);
      const joined = mergeAreas(split.piece, 'tail', split.id);
      expect(joined.areas.length).toBe(straight.areas.length);
      const again = joined.areas.find((a) => a.id === 'tail')!;
      expect(Math.abs(areaMm2(marten, depthOf(marten, again.strokes, again.where)) / whole - 1)).toBeLessThan(0.06);
    }
    expect(removeArea(straight, 'tail').areas.some((a) => a.id === 'tail')).toBe(false);
    expect(addStroke(straight, 'tail', stroke({})).areas.find((a) => a.id === 'tail')!.strokes.length).toBe(1);
  });
});
