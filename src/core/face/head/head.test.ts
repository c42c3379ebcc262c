import { describe, expect, it } from 'vitest';
import { produce } from 'immer';
import { alpacaCria, brownHare, pineMarten } from '../../../../demo/load';
import { faceOf } from '../../../../demo/plain-face';
import { change } from '../../../../demo/plain-marten';
import { workForm } from '@/core/form/form';
import { buildEdges } from '@/core/geometry/mesh';
import { polygonise } from '@/core/geometry/polygonise';
import { makeField } from '@/core/geometry/field';
import { crossings, insideSkin } from '@/core/geometry/rays';
import { norm, sub, type Vec3 } from '@/core/geometry/vec';
import type { Piece } from '@/core/piece/schema';
import { headOf, type Head } from './head';
import { measureMarks, type Mark } from './marks';

const ballOf = (R: number, at: Vec3 = [0, 0, 0]) =>
  polygonise(
    makeField(
      [
        {
          solids: [
            {
              kind: 'ellipsoid',
              centre: at as [number, number, number],
              axes: [1, 0, 0, 0, 1, 0, 0, 0, 1],
              semi: [R, R, R],
            },
          ],
          twin: null,
          innerBlend: 0,
          blend: 0,
          mirrored: false,
        },
      ],
      null,
    ),
    1.2,
  );

describe('rays through a skin', () => {
  it('cross a ball where the closed form says', () => {
    const ball = ballOf(20);
    for (const y of [0, 5, 12, 18]) {
      const [a, b] = crossings(ball, [-50, y, 0.37], [1, 0, 0]);
      const half = Math.sqrt(400 - y * y - 0.37 ** 2);
      expect(a!).toBeCloseTo(50 - half, 1);
      expect(b!).toBeCloseTo(50 + half, 1);
    }
    expect(crossings(ball, [-50, 21, 0], [1, 0, 0])).toEqual([]);
    expect(insideSkin(ball, [3, -4, 5])).toBe(true);
    expect(insideSkin(ball, [13, -14, 15])).toBe(false);
  });
});

describe('measures on a head that is a ball', () => {
  const R = 18;
  const ball = ballOf(R, [0, 0, -R]);
  const edges = buildEdges(ball.triangles, ball.positions.length / 3);
  const frame = { origin: [0, 0, 0] as Vec3, x: [1, 0, 0] as Vec3, y: [0, 1, 0] as Vec3, z: [0, 0, 1] as Vec3 };
  const head = { frame, mesh: ball, edges } as unknown as Head;
  /** A place so many degrees from the nose (the front pole), turned about the axis to the front. */
  const at = (deg: number, round: number): Vec3 => {
    const [a, b] = [(deg * Math.PI) / 180, (round * Math.PI) / 180];
    return [R * Math.sin(a) * Math.cos(b), R * Math.sin(a) * Math.sin(b), R * Math.cos(a) - R];
  };
  const marks: Mark[] = [
    { mark: 'nose', name: 'nose', at: [0, 0, 0], twin: null },
    { mark: 'eye-left', name: 'eye', at: at(50, 35), twin: 'eye-right' },
    { mark: 'eye-right', name: 'eye', at: at(50, 145), twin: 'eye-left' },
    { mark: 'ear-left', name: 'ear', at: at(95, 60), twin: 'ear-right' },
    { mark: 'ear-right', name: 'ear', at: at(95, 120), twin: 'ear-left' },
    { mark: 'chin', name: 'chin', at: at(30, -90), twin: null },
  ];
  const measured = measureMarks(head, marks);
  const arc = (p: Vec3, q: Vec3): number => 2 * R * Math.asin(norm(sub(p, q)) / (2 * R));
  it('the thread follows the great circle within 1 %, callipers are exact', () => {
    for (const m of measured.slice(1)) {
      const p = marks.find((x) => x.mark === m.mark)!.at;
      expect(m.noseStraightMm).toBeCloseTo(norm(p), 9);
      expect(Math.abs(m.noseOverMm! / arc(p, [0, 0, 0]) - 1)).toBeLessThan(0.01);
      if (m.twinOverMm === null) continue;
      const q = marks.find(
        (x) => x.mark === m.mark.replace('left', '#').replace('right', 'left').replace('#', 'right'),
      )!.at;
      expect(m.twinStraightMm!).toBeCloseTo(norm(sub(p, q)), 9);
      expect(Math.abs(m.twinOverMm / arc(p, q) - 1)).toBeLessThan(0.01);
    }
  });
  it('heights are taken from the line from nose to ear, seen from the side', () => {
    const of = (m: string) => measured.find((x) => x.mark === m)!;
    expect(of('ear-left').aboveEarLineMm!).toBeCloseTo(0, 9);
    const [e, n] = [at(95, 60), at(50, 35)];
    // Distance of a point from a line in the plane of up and forward.
    const l = Math.hypot(e[1], e[2]);
    expect(Math.abs(of('eye-left').aboveEarLineMm!)).toBeCloseTo(Math.abs(e[1] * n[2] - e[2] * n[1]) / l, 9);
    expect(of('chin').aboveEarLineMm!).toBeLessThan(0);
    // Heights of the head held level, from the tip of the nose and the corners of the mouth.
    expect(of('eye-left').aboveNoseMm).toBeCloseTo(of('eye-left').inHead[1] - of('nose').inHead[1], 9);
    const mouth = measured.find((m) => m.mark === 'mouth-left');
    for (const m of measured) {
      if (!mouth) expect(m.aboveMouthMm).toBeNull();
      else expect(m.aboveMouthMm! + mouth.aboveNoseMm).toBeCloseTo(m.aboveNoseMm, 9);
    }
  });
});

describe('the frame of the head', () => {
  const turned = (p: Piece, turnDeg: number): Piece =>
    produce(p, (d: Piece) => {
      d.form.pose = [...d.form.pose, { part: 'neck', node: 2, side: 'both', nodDeg: 0, turnDeg, tiltDeg: 0 }];
    }) as Piece;
  it('goes with the head: a turned neck changes no measure of the face', () => {
    const still = faceOf(alpacaCria);
    const away = faceOf(turned(alpacaCria, 30));
    const angle =
      (Math.acos(
        still.frame.z[0] * away.frame.z[0] + still.frame.z[1] * away.frame.z[1] + still.frame.z[2] * away.frame.z[2],
      ) *
        180) /
      Math.PI;
    expect(angle).toBeCloseTo(30, 3);
    for (const m of still.measured) {
      const n = away.measured.find((x) => x.mark === m.mark)!;
      // A turned skin lies otherwise on its grid, whose edges are 2.4 mm here.
      expect(Math.abs(n.noseStraightMm - m.noseStraightMm)).toBeLessThan(0.7);
    }
  });
  it('everything grows with the animal', () => {
    const one = faceOf(alpacaCria);
    const two = faceOf(change(alpacaCria, (d) => void (d.form.finishedLengthMm *= 2)));
    expect(two.headWidthMm / one.headWidthMm).toBeCloseTo(2, 6);
    const eye = (f: typeof one) => f.measured.find((m) => m.mark === 'eye-left')!;
    expect(eye(two).noseStraightMm / eye(one).noseStraightMm).toBeCloseTo(2, 3);
  });
  it('is as wide and as long as its parts', () => {
    const f = faceOf(pineMarten);
    const skull = pineMarten.form.parts.find((p) => p.id === 'skull')!;
    const wide = skull.shape === 'pad' ? 2 * skull.halfWidth : 0;
    const scale = pineMarten.form.finishedLengthMm / 1000;
    // Where cheeks run softly into the neck it is a little wider than the part by itself.
    expect(f.headWidthMm / (wide * scale)).toBeGreaterThan(0.95);
    expect(f.headWidthMm / (wide * scale)).toBeLessThan(1.25);
  });
});

describe('a head in relief worked out very coarsely', () => {
  // Its border on the board may be a handful of corners, and has been none at all.
  it.each([1 / 20, 1 / 25, 1 / 30, 1 / 45])(
    'has its outline where it meets the board, with edges of %d of its length',
    (edgeShare) => {
      for (const grown of [1, 1.1]) {
        const form = structuredClone(brownHare.form);
        const board = form.parts.find((p) => p.shape === 'board')!;
        board.halfLength *= grown;
        const { head: headPart, nose } = brownHare.face!;
        const head = headOf(workForm(form, edgeShare), headPart, nose.at)!;
        expect(head.profile.lines.length).toBeGreaterThanOrEqual(1);
        for (const k of [0, 1] as const) {
          const high = head.profile.max[k] - head.profile.min[k];
          expect(high).toBeGreaterThan(0.4 * head.heightMm);
          expect(high).toBeLessThan(3 * head.heightMm);
        }
      }
    },
  );
});
