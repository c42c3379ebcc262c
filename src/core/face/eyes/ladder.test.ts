import { describe, expect, it } from 'vitest';
import { produce, type Draft } from 'immer';
import { brownHare } from '../../../../demo/load';
import type { Eyes } from '@/core/piece/face';
import { eyeColours, eyeShapes, type Ring } from '@/core/face/drawing/eye-drawing';
import { CONVERGE_DEG, ladder, SECOND_LIGHT, SMALLEST_DOT } from './ladder';
import { lightHidden } from './lid-edges';

const base = brownHare.face!.eyes;
const eye = (recipe: (e: Draft<Eyes>) => void): Eyes => produce(base, recipe) as Eyes;
const both = ['left', 'right'] as const;
/** How wide the eye is seen, mm. */
const SEEN = 9;
const area = (r: Ring) =>
  Math.abs(r.reduce((s, [x, y], i) => s + x * r[(i + 1) % r.length]![1] - r[(i + 1) % r.length]![0] * y, 0)) / 2;
const shapes = (e: Eyes, side: 0 | 1 = 0) => {
  const l = ladder(e, SEEN, both);
  return eyeShapes(e, l, l.eyes[side]!, SEEN, eyeColours(e, { lots: [], eyes: [] }, '#888888'));
};

describe('the eye from rim to light', () => {
  it('rim, iris, pupil and light lie one in the other', () => {
    const l = ladder(
      eye((e) => void (e.layers.innerLotId = 'chestnut-top')),
      SEEN,
      both,
    );
    expect(l.irisMm).toBeCloseTo(SEEN - 2 * base.layers.rimMm, 9);
    expect(l.pupilMm[0]).toBeLessThan(l.irisMm);
    expect(l.innerMm!).toBeGreaterThan(l.pupilMm[0]);
    expect(l.innerMm!).toBeLessThan(l.irisMm);
  });
  it('a second light is a quarter of the first (common practice)', () => {
    const l = ladder(
      eye((e) => void (e.layers.secondLight = true)),
      SEEN,
      both,
    );
    expect(l.eyes[0]!.lights[1]!.sizeMm).toBeCloseTo(SECOND_LIGHT * base.layers.lightMm, 9);
    expect(SECOND_LIGHT).toBe(0.25);
    expect(l.rungs.find((r) => r.ring === 'second')!.tooSmall).toBe(true);
  });
  it('says which layer is too small to felt', () => {
    const small = (mm: number) =>
      ladder(
        eye((e) => void (e.layers.lightMm = mm)),
        SEEN,
        both,
      ).rungs.find((r) => r.ring === 'light')!.tooSmall;
    expect(small(SMALLEST_DOT - 0.01)).toBe(true);
    expect(small(SMALLEST_DOT)).toBe(false);
    expect(
      ladder(
        eye((e) => void (e.layers.rimMm = 0.3)),
        SEEN,
        both,
      ).rungs.find((r) => r.ring === 'rim')!.tooSmall,
    ).toBe(true);
  });
  it('one lamp gives the same clock in both eyes, the other school mirrors it', () => {
    const hours = (lights: 'one lamp' | 'mirrored') =>
      ladder(
        eye((e) => void (e.layers.lights = lights)),
        SEEN,
        both,
      ).eyes.map((x) => x.lights[0]!.hour);
    const [a, b] = hours('one lamp');
    expect(a).toBe(b);
    const [c, d] = hours('mirrored');
    expect(c! + d!).toBeCloseTo(12, 9);
    // Eleven and one o'clock: common practice.
    expect(Math.round(c!)).toBe(11);
    expect(Math.round(d!)).toBe(1);
  });
  it('a light at the edge moves in until its dark line is kept', () => {
    const l = ladder(
      eye((e) => {
        e.layers.lampSideDeg = -90;
        e.layers.lampHeightDeg = 0;
        e.layers.lightMm = 2;
        e.layers.darkLineMm = 1;
      }),
      SEEN,
      both,
    );
    const light = l.eyes[0]!.lights[0]!;
    expect(light.movedIn).toBe(true);
    expect(SEEN / 2 - Math.hypot(light.x, light.y) - 1).toBeCloseTo(1, 9);
    expect(l.darkLineMm).toBeCloseTo(1, 9);
  });
  it('a bought eye shines by itself: no light to felt', () => {
    const l = ladder(
      eye((e) => void (e.kind = 'stem')),
      SEEN,
      both,
    );
    expect(l.rungs.map((r) => r.ring)).not.toContain('light');
    expect(l.eyes[0]!.lights.length).toBe(1);
    expect(l.darkLineMm).toBeNull();
  });
  it('the pupil opens as the light goes', () => {
    const area = (lighting: 'bright' | 'indoors' | 'dim', pupil: Eyes['layers']['pupil']) => {
      const l = ladder(
        eye((e) => {
          e.layers.lighting = lighting;
          e.layers.pupil = pupil;
        }),
        SEEN,
        both,
      );
      return l.pupilMm[0] * l.pupilMm[1];
    };
    for (const p of ['round', 'upright slit', 'level bar', 'square-ended'] as const) {
      expect(area('bright', p)).toBeLessThan(area('indoors', p));
      expect(area('indoors', p)).toBeLessThan(area('dim', p));
    }
  });
  it('a slit stands upright, a bar lies level', () => {
    const of = (pupil: Eyes['layers']['pupil']) =>
      ladder(
        eye((e) => void (e.layers.pupil = pupil)),
        SEEN,
        both,
      ).pupilMm;
    expect(of('upright slit')[1]).toBeGreaterThan(of('upright slit')[0]);
    expect(of('level bar')[0]).toBeGreaterThan(of('level bar')[1]);
  });
  it('eyes that converge turn in, each toward the nose', () => {
    const l = ladder(
      eye((e) => void (e.converge = true)),
      SEEN,
      both,
    );
    const swing = (SEEN / 2) * Math.sin((CONVERGE_DEG * Math.PI) / 180);
    expect(l.eyes[0]!.gaze[0]).toBeCloseTo(-swing, 9);
    expect(l.eyes[1]!.gaze[0]).toBeCloseTo(swing, 9);
    const aside = ladder(
      eye((e) => void (e.gazeSideDeg = 20)),
      SEEN,
      both,
    );
    // A glance to its left: both irises go the same way, to the viewer's right.
    expect(aside.eyes[0]!.gaze[0]).toBeGreaterThan(0);
    expect(aside.eyes[1]!.gaze[0]).toBeCloseTo(aside.eyes[0]!.gaze[0], 9);
  });
  it('a closed eye lists no iris, pupil or light, and looks nowhere', () => {
    const l = ladder(
      eye((e) => {
        e.kind = 'closed';
        e.gazeSideDeg = 20;
      }),
      SEEN,
      both,
    );
    expect(l.rungs).toEqual([]);
    expect(l.eyes.map((e) => [e.lights, e.gaze])).toEqual([
      [[], [0, 0]],
      [[], [0, 0]],
    ]);
  });
  it('a bought eye has a rim of wool at most: its iris and pupil are as it was bought, whatever was chosen before', () => {
    const bought = (recipe: (e: Draft<Eyes>) => void) =>
      eye((e) => {
        e.kind = 'stem';
        recipe(e);
      });
    const slit = bought((e) => {
      e.layers.pupil = 'upright slit';
      e.layers.rimMm = 0;
      e.gazeSideDeg = 30;
      e.converge = true;
    });
    const plain = bought((e) => {
      e.layers.pupil = 'round';
      e.layers.rimMm = 0;
    });
    expect(ladder(slit, SEEN, both).rungs).toEqual([]);
    expect(ladder(slit, SEEN, both)).toEqual(ladder(plain, SEEN, both));
    expect(shapes(slit)).toEqual(shapes(plain));
    expect(
      ladder(
        bought((e) => void (e.layers.rimMm = 0.8)),
        SEEN,
        both,
      ).rungs.map((r) => r.ring),
    ).toEqual(['rim']);
  });
});

describe('an eye sunk so deep that nothing of it is seen', () => {
  it.each(['stem', 'layered'] as const)('has no light, in glass or in wool: %s', (kind) => {
    const sunk = ladder({ ...base, kind, layers: { ...base.layers, lights: 'one lamp', secondLight: true } }, 0, [
      'left',
      'right',
    ]);
    expect(sunk.eyes.map((e) => e.lights)).toEqual([[], []]);
    expect(sunk.rungs.map((r) => r.ring)).not.toContain('light');
    expect(sunk.darkLineMm).toBeNull();
    expect(lightHidden({ lids: { ...base.lids, upper: 0.5 } }, 0, sunk.eyes[0]!)).toBe(0);
  });
});

describe('lids over the light', () => {
  const lids = (upper: number, lower = 0) => ({ lids: { ...base.lids, upper, lower, innerMm: 0, outerMm: 0 } });
  const light = (y: number, sizeMm = 2) => ({
    side: 'left' as const,
    gaze: [0, 0] as const,
    lights: [{ x: 0, y, sizeMm, hour: 12, movedIn: false }],
  });
  it('a level lid at half covers what lies above the middle (closed form)', () => {
    expect(lightHidden(lids(0.5), SEEN, light(2))).toBe(1);
    expect(lightHidden(lids(0.5), SEEN, light(0))).toBeCloseTo(0.5, 9);
    expect(lightHidden(lids(0.5), SEEN, light(-0.5))).toBeCloseTo(0.25, 9);
    expect(lightHidden(lids(0.5), SEEN, light(-1))).toBe(0);
    // A quarter covered leaves a light of 2 whose top reaches half way up the radius.
    expect(lightHidden(lids(0.25), SEEN, light(SEEN / 4 - 1))).toBeCloseTo(0, 9);
  });
  it('the lower lid as well, and no lid hides nothing', () => {
    expect(lightHidden(lids(0, 0.5), SEEN, light(-2))).toBe(1);
    expect(lightHidden(lids(0, 0), SEEN, light(3))).toBe(0);
    expect(lightHidden(lids(1, 1), SEEN, { ...light(0), lights: [] })).toBe(0);
  });
});

describe('the eye drawn', () => {
  it('has every layer at its size', () => {
    const list = shapes(eye((e) => void (e.lids = { ...e.lids, upper: 0, lower: 0, innerMm: 0, outerMm: 0 })));
    const of = (name: string) => area(list.find((s) => s.name === name)!.ring);
    // A polygon of 40 sides is 0.4 % smaller than its circle.
    expect(of('rim') / (Math.PI * (SEEN / 2) ** 2)).toBeGreaterThan(0.995);
    expect(of('iris') / (Math.PI * (ladder(base, SEEN, both).irisMm / 2) ** 2)).toBeGreaterThan(0.995);
    expect(of('light')).toBeLessThan(of('pupil'));
  });
  it('a lid at half covers half of the disc, one at nothing nothing', () => {
    const lid = (upper: number) => {
      const s = shapes(
        eye((e) => {
          e.lids = { ...e.lids, upper, lower: 0, innerMm: 0.001, outerMm: 0 };
        }),
      ).find((x) => x.name === 'upper lid')!;
      return area(s.ring) / (Math.PI * (SEEN / 2) ** 2);
    };
    expect(lid(0)).toBeLessThan(0.05);
    expect(lid(0.5)).toBeGreaterThan(0.48);
    expect(lid(0.5)).toBeLessThan(0.56);
  });
  it('the gaze never carries the iris out of the eye', () => {
    for (const [side, up] of [
      [45, 45],
      [-45, 0],
      [0, -45],
    ] as const) {
      const list = shapes(
        eye((e) => {
          e.gazeSideDeg = side;
          e.gazeUpDeg = up;
        }),
      );
      for (const name of ['iris', 'pupil']) {
        for (const [x, y] of list.find((s) => s.name === name)!.ring) expect(Math.hypot(x, y)).toBeLessThan(SEEN / 2);
      }
    }
  });
  it('an inner corner pushed up lifts the inner end only, on the side of the nose in both eyes', () => {
    const end = (side: 0 | 1, innerMm: number) => {
      const ring = shapes(
        eye((e) => {
          e.lids = { ...e.lids, upper: 0.2, lower: 0, innerMm, outerMm: 0 };
        }),
        side,
      ).find((s) => s.name === 'upper lid')!.ring;
      const edge = ring.slice(ring.length / 2);
      const at = (sign: number) =>
        edge.filter(([x]) => Math.sign(x) === sign && Math.abs(x) > 0.6 * (SEEN / 2)).reduce((s, p) => s + p[1], 0);
      return { left: at(-1), right: at(1) };
    };
    // The animal's left eye is met on the right of the picture: its inner end is on the left.
    const [l0, l1] = [end(0, 0.001), end(0, 0.8)];
    expect(l1.left).toBeGreaterThan(l0.left + 0.3);
    expect(Math.abs(l1.right - l0.right)).toBeLessThan(0.1);
    const [r0, r1] = [end(1, 0.001), end(1, 0.8)];
    expect(r1.right).toBeGreaterThan(r0.right + 0.3);
    expect(Math.abs(r1.left - r0.left)).toBeLessThan(0.1);
  });
  it('a closed eye is one line in its lids', () => {
    const list = shapes(eye((e) => void (e.kind = 'closed')));
    expect(list.map((s) => s.name)).toEqual(['lids', 'line']);
  });
});
