import { describe, expect, it } from 'vitest';
import type { Vec3 } from '@/core/geometry/vec';
import { seenShare } from './visible';

const towards = (deg: number): Vec3 => [Math.sin((deg * Math.PI) / 180), 0, Math.cos((deg * Math.PI) / 180)];
const front: Vec3 = [0, 0, 1];
const open = () => false;

describe('share of an eye seen from the front', () => {
  it('a flat disc turned aside is seen by the cosine, and not at all from behind', () => {
    for (const a of [0, 30, 45, 60, 80]) {
      const s = seenShare({ at: [0, 0, 0], axis: towards(a), radiusMm: 3, outMm: 0 }, front, open);
      expect(s).toBeCloseTo(Math.cos((a * Math.PI) / 180), 2);
    }
    expect(seenShare({ at: [0, 0, 0], axis: towards(100), radiusMm: 3, outMm: 0 }, front, open)).toBeLessThan(0.06);
  });
  it('half a ball turned aside is seen by (1 + cos) / 2', () => {
    for (const a of [0, 40, 90, 130]) {
      const s = seenShare({ at: [0, 0, 0], axis: towards(a), radiusMm: 3, outMm: 3 }, front, open);
      expect(s).toBeCloseTo((1 + Math.cos((a * Math.PI) / 180)) / 2, 2);
    }
  });
  it('on a ball for a head, what lies behind its edge is hidden', () => {
    const R = 20;
    // A point is hidden when the line to the viewer runs through the head.
    const head = (p: Vec3) => p[2] < 0 && Math.hypot(p[0], p[1]) < R;
    const at = (a: number) => {
      const d = towards(a);
      return seenShare({ at: [R * d[0], 0, R * d[2]], axis: d, radiusMm: 2, outMm: 0 }, front, head);
    };
    expect(at(60)).toBeCloseTo(0.5, 2);
    expect(at(120)).toBe(0);
    // A dome that stands out beyond the edge is still seen when its middle lies on it.
    const d = towards(90);
    const dome = seenShare({ at: [R * d[0], 0, 0], axis: d, radiusMm: 2, outMm: 2 }, front, head);
    expect(dome).toBeCloseTo(0.5, 1);
  });
});
