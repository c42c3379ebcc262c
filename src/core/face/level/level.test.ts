import { describe, expect, it } from 'vitest';
import { alpacaCria } from '../../../../demo/load';
import { faceOf } from '../../../../demo/plain-face';
import { add, norm, scale, sub, type Vec3 } from '@/core/geometry/vec';
import type { FaceCheck } from '@/core/piece/face';
import type { Text } from '@/core/text';
import { levelOf, levelSays, type LevelPlan } from './level';

const f = faceOf(alpacaCria);
const head = { frame: f.frame, widthMm: f.headWidthMm };
const at = (m: string) => f.measured.find((x) => x.mark === m)!;
const left = f.eyes.places[0]!;
const level = (c: FaceCheck): LevelPlan => levelOf(c, f.measured, f.eyes.places, head);
/** Words with their quantities to a tenth. */
const inMm = (t: Text): string =>
  t
    .map((x) =>
      typeof x === 'string'
        ? x
        : x.kind === 'angle'
          ? `${Math.round(x.value)}°`
          : `${Math.round(10 * x.value) / 10} mm`,
    )
    .join('');
const says = (l: LevelPlan) => l.pairs.flatMap((p) => (p.move ? [inMm(p.move)] : [])).join('; ');

/** What callipers read when the left eye sits `up` higher and `out` further back than planned. */
function readings(up: number, out: number): FaceCheck {
  const eye = add(left.at, add(scale(left.up, up), scale(left.inner, -out)));
  const from = (m: string): number => norm(sub(eye, at(m).at));
  const planned = (m: string): number => norm(sub(at('eye-right').at, at(m).at));
  return {
    id: 'c',
    at: '2026-11-01T10:00:00Z',
    kind: 'callipers',
    readings: (['nose', 'crown'] as const).map((m) => ({ mark: 'eye', from: m, leftMm: from(m), rightMm: planned(m) })),
  };
}

/** A photograph from the front in which some landmarks sit elsewhere than planned, taken leaning. */
function photograph(
  leanDeg: number,
  moved: Record<string, readonly [number, number]> = {},
  drop: string[] = [],
): FaceCheck {
  const a = (leanDeg * Math.PI) / 180;
  const k = 1 / 80;
  const place = ([x, y]: readonly number[], by: readonly [number, number] = [0, 0]): [number, number] => {
    const [u, v] = [x! + by[0], y! + by[1]];
    return [0.5 + k * (u * Math.cos(a) + v * Math.sin(a)), (0.6 - k * (-u * Math.sin(a) + v * Math.cos(a))) * 1.5];
  };
  const eye = at('eye-left').inHead;
  const r = f.eyes.discMm / 2;
  const pins = f.measured
    .filter((m) => !drop.includes(m.mark) && !m.mark.includes('inner') && !m.mark.includes('outer'))
    .map((m) => ({ mark: m.mark, at: place(m.inHead, moved[m.mark]) }));
  return {
    id: 'p',
    at: '2026-11-01T10:00:00Z',
    kind: 'photograph',
    name: 'front.jpg',
    aspect: 1.5,
    eyeMm: f.eyes.discMm,
    pins: [
      ...pins,
      { mark: 'edge-a', at: place([eye[0], eye[1] + r], moved['eye-left']) },
      { mark: 'edge-b', at: place([eye[0], eye[1] - r], moved['eye-left']) },
    ],
  };
}

describe('level by callipers', () => {
  it('finds how far an eye is off from two measures to each', () => {
    const l = level(readings(1, 0));
    const eye = l.pairs[0]!;
    expect(eye.higherMm!).toBeCloseTo(1, 1);
    expect(Math.abs(eye.widerMm!)).toBeLessThan(0.15);
    expect(says(l)).toBe('lower the left eye 1 mm');
    const back = level(readings(0, 1.2)).pairs[0]!;
    expect(back.widerMm!).toBeCloseTo(1.2, 1);
    expect(Math.abs(back.higherMm!)).toBeLessThan(0.2);
  });
  it('lets pass what is within the tolerance: half a millimetre, or two per cent of the head', () => {
    expect(level(readings(0.3, 0.2)).pairs[0]!.level).toBe(true);
    expect(f.tolerance.value).toBeCloseTo(Math.max(0.5, 0.02 * f.headWidthMm), 9);
  });
  it('with one measure says nearer or further only', () => {
    const one = readings(0, 2) as Extract<FaceCheck, { kind: 'callipers' }>;
    const l = level({ ...one, readings: one.readings.slice(0, 1) });
    expect(l.pairs[0]!.higherMm).toBeNull();
    expect(says(l)).toMatch(/^bring the left eye .* nearer to the nose$/);
  });
  it('moves the side that departs from the plan', () => {
    const c = readings(1, 0) as Extract<FaceCheck, { kind: 'callipers' }>;
    const swapped = { ...c, readings: c.readings.map((r) => ({ ...r, leftMm: r.rightMm, rightMm: r.leftMm })) };
    expect(says(level(swapped))).toBe('lower the right eye 1 mm');
  });
});

describe('level by a photograph', () => {
  it('a planned face photographed leaning is level', () => {
    const l = level(photograph(6));
    expect(l.problem).toBeNull();
    expect(l.midline!.leanDeg).toBeCloseTo(6, 1);
    expect(l.pairs.every((p) => p.level)).toBe(true);
    expect(l.mmPerWidth!).toBeCloseTo(80, 1);
  });
  it('names the eye, the way and the distance', () => {
    const l = level(photograph(-4, { 'eye-left': [0, -1.1] }));
    expect(says(l)).toMatch(/^raise the left eye 1(\.1)? mm$/);
    expect(says(level(photograph(0, { 'eye-right': [0, 0.9] })))).toMatch(/^lower the right eye 0\.9 mm$/);
  });
  it('a bad click is left out of the midline and named', () => {
    const l = level(photograph(2, { crown: [7, 0] }));
    expect(l.midline!.outliers).toEqual(['crown']);
    expect(l.pairs.every((p) => p.level)).toBe(true);
  });
  it('compares the slant of both eyes by their corners', () => {
    const c = photograph(0) as Extract<FaceCheck, { kind: 'photograph' }>;
    const corner = (
      mark: 'eye-left-inner' | 'eye-left-outer' | 'eye-right-inner' | 'eye-right-outer',
      x: number,
      y: number,
    ) => ({
      mark,
      at: [0.5 + x / 80, (0.6 - y / 80) * 1.5] as [number, number],
    });
    const [ex, ey] = at('eye-left').inHead;
    const l = level({
      ...c,
      pins: [
        ...c.pins,
        corner('eye-left-inner', ex - 2, ey),
        corner('eye-left-outer', ex + 2, ey + 2 * 2 * Math.tan((8 * Math.PI) / 180)),
        corner('eye-right-inner', -ex + 2, ey),
        corner('eye-right-outer', -ex - 2, ey),
      ],
    });
    expect(l.pairs.find((p) => p.what === 'eye')!.slantDeg!).toBeCloseTo(8, 0);
    expect(says(l)).toContain('turn the outer corner of the left eye down 8°');
  });
  it('says what is missing', () => {
    const c = photograph(0) as Extract<FaceCheck, { kind: 'photograph' }>;
    expect(level({ ...c, pins: c.pins.filter((p) => p.mark !== 'edge-b') }).problem).toContain('edges');
    expect(
      level({ ...c, pins: c.pins.filter((p) => p.mark.startsWith('edge') || p.mark === 'nose') }).problem,
    ).toContain('pair');
  });
});

it('a face planned mirrored is measured mirrored', () => {
  for (const m of f.measured.filter((x) => x.mark.includes('left'))) {
    const twin: Vec3 = at(m.mark.replace('left', 'right')).inHead;
    expect(twin[0]).toBeCloseTo(-m.inHead[0], 1);
    expect(twin[1]).toBeCloseTo(m.inHead[1], 1);
    expect(twin[2]).toBeCloseTo(m.inHead[2], 1);
  }
});

describe('how level it is, on the face card', () => {
  const said = (levels: readonly LevelPlan[]) => inMm(levelSays({ levels, tolerance: f.tolerance }));
  it('is what the last measure says, never more', () => {
    expect(said([])).toMatch(/^Not measured yet/);
    const [even, off] = [level(readings(0, 0)), level(readings(2, 0))];
    expect(said([off, even])).toMatch(/^Level by the last measure/);
    expect(said([even, off])).toBe(`Not level by the last measure: ${says(off)}.`);
  });
});
