/** The raised and sunk front of a board against closed forms. */
import { describe, expect, it } from 'vitest';
import { brownHare } from '../../../demo/load';
import { areaDepth } from '@/core/form/areas';
import { workForm } from '@/core/form/form';
import type { Part, Selector } from '@/core/piece/schema';
import { readPiece } from '@/core/piece/read';
import { seeded } from '@/core/random';
import { flatX, groundFront, raisedAt, type Mound } from './ground';
import { box, solidDistance } from './shapes';

const rise: Mound = { y: 0, z: 0, halfHigh: 30, halfLong: 50, raise: 8, soft: 1 };
const dip: Mound = { y: 10, z: -40, halfHigh: 20, halfLong: 20, raise: -6, soft: 0.5 };

describe('a front that is raised and sunk', () => {
  it('is moved by all of it in the middle, by nothing at the rim, by half half way', () => {
    expect(raisedAt([rise], 0, 0)).toBe(8);
    expect(raisedAt([rise], 30, 0)).toBe(0);
    expect(raisedAt([rise], 0, 25)).toBeCloseTo(4, 12);
    // Of a plateau the inner half is level.
    expect(raisedAt([dip], 10, -31)).toBe(-6);
    expect(raisedAt([rise, dip], 10, -40)).toBeCloseTo(-6 + raisedAt([rise], 10, -40), 12);
  });

  it('leaves the back where it is, and what lies before the front goes along with it', () => {
    const g = groundFront(-12, 12, [rise])!;
    expect(flatX(g, -20, 0, 0)).toBe(-20);
    expect(flatX(g, -12, 0, 0)).toBe(-12);
    expect(flatX(g, 8, 0, 0)).toBeCloseTo(0, 12);
    expect(flatX(g, 20, 0, 0)).toBeCloseTo(12, 12);
    expect(groundFront(-12, 12, [])).toBeNull();
  });

  it('changes nowhere faster than distance', () => {
    const b = box([-6, 0, 0], [6, 80, 100], 2, groundFront(-12, 12, [rise, dip]));
    const rnd = seeded(5);
    for (let i = 0; i < 4000; i++) {
      const p = [60 * rnd() - 30, 200 * rnd() - 100, 240 * rnd() - 120] as const;
      const q = p.map((x) => x + 6 * (rnd() - 0.5)) as [number, number, number];
      const far = Math.hypot(q[0] - p[0], q[1] - p[1], q[2] - p[2]);
      expect(Math.abs(solidDistance(b, ...q) - solidDistance(b, ...p))).toBeLessThanOrEqual(far * (1 + 1e-9));
    }
    // It is nothing on the front itself, wherever that lies.
    expect(solidDistance(b, 8, 0, 0)).toBeCloseTo(0, 9);
    expect(solidDistance(b, -6 + raisedAt([rise], 10, -40), 10, -40)).toBeCloseTo(0, 9);
  });
});

describe('a board in relief', () => {
  const board = brownHare.form.parts.find((p) => p.shape === 'board')! as Extract<Part, { shape: 'board' }>;
  // A board alone, 1200 x 860 of its own units, and a short bar far below it that gives the scale.
  const bar: Part = {
    id: 'bar',
    name: 'Bar',
    role: 'other',
    shape: 'limb',
    mirrored: false,
    blend: 0,
    lie: 'to-end',
    on: null,
    root: 'start',
    nodes: [
      { at: [0, -700, -450], radius: 50 },
      { at: [0, -700, 450], radius: 50 },
    ],
  };
  const made = (mounds: typeof board.mounds) => {
    const { mounds: _, ...flat } = board;
    const part = mounds ? { ...flat, mounds } : flat;
    return workForm({ parts: [part, bar], pose: [], scan: null, finishedLengthMm: 200 }, 1 / 130);
  };
  const mound = { id: 'm', name: 'M', up: 0, forward: 0, halfHeight: 300, halfLength: 400, raise: 60, soft: 1 };

  it('is as much larger as what was laid on it', () => {
    const [flat, raised] = [made(undefined), made([mound])];
    const k = flat.body.scale;
    // Over an ellipse the smooth step runs out to a mean of 0.3: 2 ∫ (1 - t)(3t² - 2t³) dt from 0 to 1.
    const wanted = 0.3 * Math.PI * 300 * 400 * 60 * k ** 3;
    const gained = raised.skin.extent.volumeMm3 - flat.skin.extent.volumeMm3;
    expect(gained / wanted).toBeCloseTo(1, 1);
    let front = -Infinity;
    for (let i = 0; i < raised.skin.positions.length; i += 3) front = Math.max(front, raised.skin.positions[i]!);
    expect(front / (60 * k)).toBeCloseTo(1, 1);
  });

  it('has its front as its left, however deep it is sunk, and parts of it by height', () => {
    const w = made([{ ...mound, raise: -22, soft: 0.5 }]);
    const depth = (s: Selector) => areaDepth(w.body, w.skin, w.distance, { where: [s], strokes: [] });
    const front = depth({ parts: ['board'], side: 'left' });
    const upper = depth({ parts: ['board'], side: 'left', upward: { from: 0.6, to: 1 } });
    const k = w.body.scale;
    const horizon = (board.at[1] - board.halfHeight + 0.6 * 2 * board.halfHeight) * k;
    let [floor, above] = [0, 0];
    for (let v = 0; v < front.length; v++) {
      const [x, y, z] = [0, 1, 2].map((q) => w.skin.positions[3 * v + q]!) as [number, number, number];
      const n = w.skin.normals[3 * v]!;
      // The floor of the hollow looks forward and is part of the front.
      if (n > 0.95 && x < -10 * k && Math.abs(z) < 150 * k) {
        floor++;
        expect(front[v]!).toBeGreaterThan(0);
      }
      if (n < -0.95) expect(front[v]!).toBeLessThan(0);
      if (n > 0.95 && Math.abs(y - horizon) > 2 * w.skin.edgeMm && Math.abs(z) < 550 * k && y > -300 * k) {
        above++;
        expect(upper[v]! > 0).toBe(y > horizon);
      }
    }
    expect(floor).toBeGreaterThan(20);
    expect(above).toBeGreaterThan(500);
  });

  it('is not sunk through', () => {
    const deep = {
      ...brownHare,
      form: {
        ...brownHare.form,
        parts: brownHare.form.parts.map((p) =>
          p.shape === 'board' ? { ...p, mounds: [{ ...mound, raise: -p.thickness }] } : p,
        ),
      },
    };
    const read = readPiece(JSON.parse(JSON.stringify(deep)));
    expect(read.ok ? null : read.problems[0]!.says).toBe('M is sunk deeper than Board is thick');
  });
});
