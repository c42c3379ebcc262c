/** Claws at the ends of toes. */
import { describe, expect, it } from 'vitest';
import { kingfisher, pineMarten } from '../../../demo/load';
import { toesOfPart } from '@/core/form/body';
import { norm, sub } from '@/core/geometry/vec';
import type { Plan } from '@/core/plan';
import type { SmallPart } from '@/core/piece/shade';
import { clawAt, clawSurface } from './claw-solid';

const claws = (on: string): SmallPart => ({
  id: 'claws',
  name: 'Claws',
  kind: 'claws',
  on,
  recipe: [{ lotId: 'charcoal-top', parts: 1 }],
  even: 1,
});
const shade = { judged: { palette: [{ id: 'claws', name: 'Claws', hex: '#333333' }] } } as unknown as Plan['shade'];

describe('claws', () => {
  it('are as many as there are toes, on both feet of a pair', () => {
    const leg = kingfisher.form.parts.find((p) => p.id === 'leg')!;
    const toes = leg.shape === 'limb' ? leg.toes!.count : 0;
    expect(toesOfPart(kingfisher.form, 'leg').length).toBe(2 * toes);
    const s = clawSurface({ ...kingfisher, smallParts: [claws('leg')] }, { shade });
    expect(s.positions.length / 3).toBe(2 * toes * 90);
    expect(Math.max(...s.triangles)).toBe(s.positions.length / 3 - 1);
    expect(clawSurface({ ...kingfisher, smallParts: [] }, { shade }).positions).toEqual([]);
    // A toe that is a part of its own ends in one.
    expect(toesOfPart(kingfisher.form, 'hind-toe').length).toBe(2);
  });
  it('of the right are those of the left mirrored', () => {
    const toes = toesOfPart({ ...pineMarten.form, pose: [] }, 'foreleg');
    const half = toes.length / 2;
    toes.slice(0, half).forEach((t, i) => {
      const [l, r] = [t, toes[half + i]!].map((x) => clawAt(x, 1).at) as unknown as [number[], number[]];
      expect(Math.hypot(l[0]! + r[0]!, l[1]! - r[1]!, l[2]! - r[2]!)).toBeLessThan(1e-9);
    });
  });
  it('begin inside the toe, end in a point, and turn toward the ground', () => {
    for (const t of toesOfPart(pineMarten.form, 'hindleg')) {
      const [root, tip] = [clawAt(t, 0), clawAt(t, 1)];
      expect(norm(sub(root.at, t.to)) + root.radius).toBeLessThan(1.1 * t.rb);
      expect(tip.radius).toBe(0);
      expect(norm(sub(tip.at, t.to))).toBeGreaterThan(2 * t.rb);
      expect(tip.way[1]).toBeLessThan(root.way[1]);
    }
  });
});
