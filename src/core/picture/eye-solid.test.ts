import { describe, expect, it } from 'vitest';
import { COARSELY, planned } from '../../../cli/testing/planned';
import { brownHare, cupboard, kingfisher, pineMarten } from '../../../demo/load';
import { linearOf } from '@/core/colour/rgb';
import { lidEdges } from '@/core/face/eyes/lid-edges';
import { defaultHand } from '@/core/piece/hand';
import { cross, dot, norm, scale, sub, type Vec3 } from '@/core/geometry/vec';
import type { Face } from '@/core/piece/face';
import { eyeSolids, seenOn, type Surface } from './eye-solid';

const plan = planned(pineMarten, cupboard, defaultHand, COARSELY).face!;
const face = pineMarten.face!;
const [left] = plan.eyes.places;
const at = (s: Surface, v: number): Vec3 => [s.positions[3 * v]!, s.positions[3 * v + 1]!, s.positions[3 * v + 2]!];
const normal = (s: Surface, v: number): Vec3 => [s.normals[3 * v]!, s.normals[3 * v + 1]!, s.normals[3 * v + 2]!];
const colour = (s: Surface, v: number) => [s.colour[3 * v]!, s.colour[3 * v + 1]!, s.colour[3 * v + 2]!];
/** As the eye is looked at square on: across, up, out. */
const seen = (p: Vec3) => {
  const off = sub(p, left!.at);
  return {
    x: (left!.side === 'left' ? -1 : 1) * dot(off, left!.inner),
    y: dot(off, left!.up),
    out: dot(off, left!.axis),
  };
};
const count = (s: Surface) => s.positions.length / 3;
const withLids = (lids: Partial<Face['eyes']['lids']>): Face => ({
  ...face,
  eyes: { ...face.eyes, lids: { ...face.eyes.lids, ...lids } },
});

describe('an eye on the face', () => {
  const [eye] = eyeSolids(plan, face, cupboard);

  it('is the ball that was bought: every place seen of it is half its width from its middle', () => {
    const R = face.eyes.sizeMm / 2;
    const middle = sub(left!.at, scale(left!.axis, R - plan.eyes.outMm));
    let on = 0;
    for (let v = 0; v < count(eye!.ball); v++) {
      const p = at(eye!.ball, v);
      const { x, y } = seen(p);
      if (Math.hypot(x, y) > 0.98 * Math.min(R, plan.eyes.discMm / 2)) continue;
      expect(norm(sub(p, middle))).toBeCloseTo(R, 6);
      // A ball is turned away from its middle everywhere.
      expect(dot(normal(eye!.ball, v), scale(sub(p, middle), 1 / R))).toBeGreaterThan(0.99);
      on++;
    }
    expect(on).toBeGreaterThan(1000);
    // Its triangles are seen from outside: they go round the way it is turned.
    const T = eye!.ball.triangles;
    for (let t = 0; t < T.length; t += 3) {
      const [a, b, c] = [at(eye!.ball, T[t]!), at(eye!.ball, T[t + 1]!), at(eye!.ball, T[t + 2]!)];
      expect(dot(cross(sub(b, a), sub(c, a)), normal(eye!.ball, T[t + 1]!))).toBeGreaterThan(-1e-6);
    }
  });

  it('has its pupil in the middle, its iris round it, one colour a place', () => {
    const ladder = plan.eyes.ladder;
    let [pupil, iris] = [0, 0];
    const stock = cupboard.eyes.find((e) => e.id === face.eyes.stockId)!;
    for (let v = 0; v < count(eye!.ball); v++) {
      const { x, y } = seen(at(eye!.ball, v));
      const [gx, gy] = ladder.eyes[0]!.gaze;
      const r = Math.hypot(x - gx, y - gy);
      if (r < 0.85 * (ladder.pupilMm[0] / 2)) {
        expect(colour(eye!.ball, v)).toEqual(linearOf('#14110f').map((c) => expect.closeTo(c, 9)));
        pupil++;
      } else if (r > 1.2 * (ladder.pupilMm[0] / 2) && r < 0.85 * (ladder.irisMm / 2)) {
        expect(colour(eye!.ball, v)).toEqual(linearOf(stock.colour).map((c) => expect.closeTo(c, 9)));
        iris++;
      }
    }
    expect(Math.min(pupil, iris)).toBeGreaterThan(50);
    expect(eye!.gloss).toBe(1);
  });

  it('a place is seen in the last layer that covers it, also where an outline is hollow', () => {
    const square = (r: number, hex: string) => ({
      name: hex,
      hex,
      ring: [
        [-r, -r],
        [r, -r],
        [r, r],
        [-r, r],
      ] as const,
    });
    // A crescent: its middle lies outside of it.
    const moon = {
      name: 'moon',
      hex: 'moon',
      ring: [
        [-2, 0],
        [0, 2],
        [2, 0],
        [0, 1.6],
      ] as const,
    };
    const shapes = [square(3, 'low'), square(1, 'high'), moon];
    expect(seenOn(shapes, [0, 0])?.hex).toBe('high');
    expect(seenOn(shapes, [0, 1.2])?.hex).toBe('low');
    expect(seenOn(shapes, [0, 1.8])?.hex).toBe('moon');
    expect(seenOn(shapes, [4, 0])).toBeNull();
  });

  it('lids come down over it as far as the builder draws them, on the ball and never through it', () => {
    for (const upper of [0.1, 0.3, 0.5]) {
      const drowsy = withLids({ upper, lower: 0.1, innerMm: 0, outerMm: 0 });
      const { lids } = eyeSolids(plan, drowsy, cupboard)[0]!;
      const edges = lidEdges(drowsy.eyes, plan.eyes.discMm, left!.side);
      const places = Array.from({ length: count(lids) }, (_, v) => seen(at(lids, v)));
      const middle = places.filter((p) => Math.abs(p.x) < 1e-6);
      expect(Math.min(...middle.filter((p) => p.y > edges.lower!(0) + 1e-6).map((p) => p.y))).toBeCloseTo(
        edges.upper!(0),
        6,
      );
      expect(Math.max(...middle.filter((p) => p.y < edges.upper!(0) - 1e-6).map((p) => p.y))).toBeCloseTo(
        edges.lower!(0),
        6,
      );
      // Half covered is a level line through the middle.
      if (upper === 0.5) expect(edges.upper!(0)).toBeCloseTo(0, 9);
      const R = face.eyes.sizeMm / 2;
      for (const p of places) {
        const r = Math.hypot(p.x, p.y);
        if (r < plan.eyes.discMm / 2)
          expect(p.out).toBeGreaterThan(Math.sqrt(R * R - r * r) + plan.eyes.outMm - R - 1e-9);
      }
    }
  });

  it('an eye of wool is dull; closed, it has no lids over its lids', () => {
    const closed: Face = { ...face, eyes: { ...face.eyes, kind: 'closed' } };
    const [shut] = eyeSolids({ ...plan, eyes: { ...plan.eyes, out: null, stock: null } }, closed, cupboard);
    expect(shut!.gloss).toBeLessThan(0.2);
    expect(count(shut!.lids)).toBe(0);
  });

  it('both eyes of every demo stand on their places', () => {
    for (const piece of [pineMarten, kingfisher, brownHare]) {
      const of = planned(piece, cupboard, defaultHand, COARSELY).face!;
      const solids = eyeSolids(of, piece.face!, cupboard);
      expect(solids.length).toBe(of.eyes.places.length);
      solids.forEach((s, i) => {
        const mean = [0, 1, 2].map((k) => {
          let sum = 0;
          for (let v = k; v < s.ball.positions.length; v += 3) sum += s.ball.positions[v]!;
          return sum / count(s.ball);
        }) as unknown as Vec3;
        expect(norm(sub(mean, of.eyes.places[i]!.at))).toBeLessThan(0.5 * of.eyes.discMm);
      });
    }
  });
});
