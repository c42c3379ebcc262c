import bunny from 'bunny';
import { beforeAll, describe, expect, it } from 'vitest';
import { cupboard, pineMarten } from '../../../demo/load';
import { flatExtent, type Mesh } from '@/core/geometry/mesh';
import { repair } from '@/core/geometry/repair';
import { defaultHand as hand } from '@/core/piece/hand';
import { readPiece } from '@/core/piece/read';
import { withoutParts } from '@/core/piece/without-parts';
import type { Piece } from '@/core/piece/schema';
import { makePlan, type Plan } from '@/core/plan';
import { COARSELY } from '../../../cli/testing/planned';
import { beginFace } from '@/core/face/head/begin-face';
import { areaDepth } from './areas';
import { workForm } from './form';
import { placeAt, pointOf } from './places';
import { formOfScan, meshOfScan, skinOfScan, uprightScan } from './scan';

let upright: Mesh;
let piece: Piece;
let plan: Plan;
beforeAll(() => {
  const steps = repair({
    positions: Float64Array.from(bunny.positions.flat()),
    triangles: Uint32Array.from(bunny.cells.flat()),
  });
  let s = steps.next();
  while (!s.done) s = steps.next();
  // The Stanford bunny stands on y and looks along -x; brought to 120 mm from nose to tail.
  const turned = uprightScan(s.value.mesh, '+y', '-x')!;
  const z = turned.positions.filter((_, i) => i % 3 === 2);
  const k = 120 / (Math.max(...z) - Math.min(...z));
  upright = { positions: turned.positions.map((x) => x * k), triangles: turned.triangles };
  piece = {
    ...withoutParts(pineMarten, () => true),
    form: formOfScan(pineMarten.form, upright, { id: 'scan-1', name: 'base.ply', role: 'core', report: ['Sound.'] }),
    core: { ...pineMarten.core, soft: [] },
    frame: { ...pineMarten.frame, kind: 'none' },
    flatParts: [],
    areas: [
      {
        ...pineMarten.areas.find((a) => a.id === 'back')!,
        id: 'upper',
        name: 'Upper side',
        where: [{ parts: ['base'], around: { from: 0, to: 70 } }],
      },
      {
        ...pineMarten.areas.find((a) => a.id === 'back')!,
        id: 'rest',
        name: 'Rest',
        where: [{ parts: ['base'], around: { from: 70, to: 180 } }],
      },
    ],
  };
  plan = makePlan(piece, cupboard, hand, undefined, COARSELY);
});

describe('an own base', () => {
  it('stands upright: nose forward, lowest place on the ground, middle on the midline', () => {
    const lo = [0, 1, 2].map((k) => Math.min(...upright.positions.filter((_, i) => i % 3 === k)));
    const hi = [0, 1, 2].map((k) => Math.max(...upright.positions.filter((_, i) => i % 3 === k)));
    expect(lo[1]).toBeCloseTo(0, 9);
    expect(lo[0]! + hi[0]!).toBeCloseTo(0, 9);
    expect(hi[2]! - lo[2]!).toBeCloseTo(120, 9);
    expect(flatExtent(upright).volumeMm3).toBeGreaterThan(0);
    expect(uprightScan(upright, '+y', '-y')).toBeNull();
  });

  it('is kept in the piece to the accuracy of a float and read back', () => {
    expect(readPiece(JSON.parse(JSON.stringify(piece))).ok).toBe(true);
    const back = meshOfScan(piece.form.scan!);
    expect(back.triangles).toEqual(Uint32Array.from(upright.triangles));
    const k = 120 / 1000;
    let worst = 0;
    back.positions.forEach((x, i) => (worst = Math.max(worst, Math.abs(x * k - upright.positions[i]!))));
    expect(worst).toBeLessThan(1e-4);
    expect(skinOfScan(piece.form.scan!, k).pieces).toBe(1);
    // Small enough for the door that makes the sheets.
    expect(JSON.stringify(piece).length).toBeLessThan(3e6);
  });

  it('gets areas and rows like a drawn animal, and the coat adds outward', () => {
    expect(plan.form.finishedMm).toBeCloseTo(120, 6);
    for (const a of plan.coat.areas) {
      expect(a.fur!.rows.rows.length).toBeGreaterThan(8);
      const s = plan.coat.areas.find((x) => x.id === a.id)!.fur!.chart.spacingMm;
      expect(Math.abs((s * a.fur!.rows.totalMm) / a.fur!.rows.fluxMm2 - 1)).toBeLessThan(0.05);
    }
    // Scanned as the core it is the core, whatever coat it gets.
    expect(plan.core.volumeMm3 / plan.form.volumeMm3).toBeCloseTo(1, 6);
    // It is there already: no wool, no collars and no step for it.
    expect([plan.core.there, plan.core.massG, plan.core.span.high, plan.core.collarsG]).toEqual([true, 0, 0, 0]);
    const taken = plan.work.steps.flatMap((x) => x.operation.materials.map((m) => m.for));
    expect(taken.filter((use) => use === 'core' || use === 'collar')).toEqual([]);
    const finished = makePlan(
      { ...piece, form: { ...piece.form, scan: { ...piece.form.scan!, role: 'finished' } } },
      cupboard,
      hand,
      undefined,
      COARSELY,
    );
    expect(finished.core.volumeMm3).toBeLessThan(0.9 * plan.core.volumeMm3);
  });

  it('can be painted, and the paint goes along when it is resized', () => {
    const w = workForm(piece.form);
    const v = 400;
    const at = [0, 1, 2].map((k) => w.skin.positions[3 * v + k]!) as [number, number, number];
    const place = placeAt(w.body, at);
    const found = pointOf(w.body, place)!;
    expect(Math.hypot(...found.map((x, k) => x - at[k]!))).toBeLessThan(4 * w.skin.edgeMm);
    const strokes = [{ adds: true, mirrored: false, reach: 60, places: [place] }];
    const depth = areaDepth(w.body, w.skin, w.distance, { where: [], strokes });
    const inside = depth.filter((d) => d > 0).length;
    expect(inside).toBeGreaterThan(10);
    const large = workForm({ ...piece.form, finishedLengthMm: 300 });
    const again = areaDepth(large.body, large.skin, large.distance, { where: [], strokes }).filter((d) => d > 0).length;
    expect(Math.abs(again - inside)).toBeLessThanOrEqual(2);
  });

  describe('damaged in the file', () => {
    const scan = () => piece.form.scan!;
    const withScan = (change: Partial<typeof scan>) =>
      readPiece({ ...piece, form: { ...piece.form, scan: { ...scan(), ...change } } });
    const numbers = (text: string) => new Uint8Array(Buffer.from(text, 'base64'));
    const text = (bytes: Uint8Array) => Buffer.from(bytes).toString('base64');
    const floats = (change: (p: Float32Array) => void) => {
      const p = new Float32Array(numbers(scan().positions).slice().buffer);
      change(p);
      return text(new Uint8Array(p.buffer));
    };
    const corners = (change: (t: Uint32Array) => void) => {
      const t = new Uint32Array(numbers(scan().triangles).slice().buffer);
      change(t);
      return text(new Uint8Array(t.buffer));
    };
    it.each([
      [
        'numbers that are not in threes',
        () => ({ positions: text(numbers(scan().positions).slice(0, -4)) }),
        /cut short/,
      ],
      ['an odd number of bytes', () => ({ triangles: text(numbers(scan().triangles).slice(0, -3)) }), /cut short/],
      [
        'corners that are not in threes',
        () => ({ triangles: text(numbers(scan().triangles).slice(0, -8)) }),
        /cut short/,
      ],
      ['a place that is no number', () => ({ positions: floats((p) => void (p[40] = NaN)) }), /nowhere/],
      ['a place beyond all bounds', () => ({ positions: floats((p) => void (p[40] = Infinity)) }), /nowhere/],
      ['a corner there is not', () => ({ triangles: corners((t) => void (t[7] = 4e9)) }), /places it does not have/],
      ['nothing in it', () => ({ positions: 'AAAA', triangles: 'AAAA' }), /cut short/],
    ] as const)('with %s it is refused in words', (_, change, says) => {
      const r = withScan(change());
      expect(r.ok ? '' : r.problems.map((p) => p.says).join()).toMatch(says);
    });
  });

  it('damaged in the file it is refused, and nothing is lost', () => {
    const cut = { ...piece, form: { ...piece.form, scan: { ...piece.form.scan!, positions: '!!' } } };
    const r = readPiece(structuredClone(cut));
    expect(r.ok).toBe(false);
    if (!r.ok) expect(r.problems[0]!.says).toMatch(/scan is damaged/);
  });
});

it('a face can be begun on an own base: nose foremost, both eyes on its skin, stems inside it', () => {
  const faced: Piece = { ...piece, face: beginFace(piece) };
  expect(readPiece(faced).ok).toBe(true);
  const face = makePlan(faced, cupboard, hand, undefined, COARSELY).face!;
  expect(face.headLengthMm).toBeGreaterThan(10);
  expect(face.headLengthMm).toBeLessThan(60);
  expect(Math.max(...face.front.lines.flatMap((l) => [...l]).map(Math.abs))).toBeLessThan(120);
  // Behind the nose, each to its own side of the base; this one holds its head a little turned.
  const [left, right] = face.eyes.places;
  expect(left!.at[0]).toBeGreaterThan(right!.at[0] + 2);
  for (const e of [left!, right!]) expect(e.at[2] - face.frame.origin[2]).toBeLessThan(-1);
  expect(face.measured.find((m) => m.mark === 'eye-left')!.noseOverMm).toBeGreaterThanOrEqual(
    face.measured.find((m) => m.mark === 'eye-left')!.noseStraightMm - 0.3,
  );
});
