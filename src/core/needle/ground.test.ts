/** What lies ahead of a stab on bodies with closed forms: chords of a ball and of a bar, at every angle and lean. */
import { describe, expect, it } from 'vitest';
import { makeField } from '@/core/geometry/field';
import type { Mesh } from '@/core/geometry/mesh';
import { polygonise } from '@/core/geometry/polygonise';
import { roundCone, type Solid } from '@/core/geometry/shapes';
import { add, scale, type Vec3 } from '@/core/geometry/vec';
import type { FormWork } from '@/core/form/form';
import { seeded } from '@/core/random';
import { ANGLES } from './fit';
import { aheadOf, LEANS, stabDirection, type Ground, type Spot } from './ground';

const skinOf = (s: Solid, edge: number): Mesh =>
  polygonise(makeField([{ solids: [s], innerBlend: 0, blend: 0, mirrored: false }]), edge);
const ground = (felt: Mesh, wireMm = 0): Ground => ({
  form: null as unknown as FormWork,
  surfaces: [],
  felt,
  capsules: wireMm > 0 ? [{ a: [0, 0, -60], b: [0, 0, 60], radiusMm: wireMm, what: 'wire' }] : [],
  furred: new Uint8Array(),
  partIds: new Set(),
});
const sin = (deg: number) => Math.sin((deg * Math.PI) / 180);
const every = [...new Set(Object.values(ANGLES).flat())];

describe('felt ahead of a stab', () => {
  it.each([5.5, 8, 20])(
    'through a ball of radius %s it is the chord 2 R sin(angle), flat ones too (closed form)',
    (R) => {
      const g = ground(
        skinOf({ kind: 'ellipsoid', centre: [0, 0, 0], axes: [1, 0, 0, 0, 1, 0, 0, 0, 1], semi: [R, R, R] }, R / 12),
      );
      const rnd = seeded(Math.round(10 * R));
      for (let k = 0; k < 8; k++) {
        const [z, f] = [2 * rnd() - 1, 2 * Math.PI * rnd()];
        const normal: Vec3 = [Math.sqrt(1 - z * z) * Math.cos(f), Math.sqrt(1 - z * z) * Math.sin(f), z];
        const s: Spot = { at: scale(normal, R), normal, lie: [0.3, -0.2, 0.9] };
        for (const angle of every)
          for (const lean of angle === 90 ? LEANS.slice(0, 1) : LEANS) {
            const a = aheadOf(g, s, stabDirection(s, angle, lean), 70);
            expect(Math.abs((a?.throughMm ?? 0) / (2 * R * sin(angle)) - 1), `${angle} ${lean}`).toBeLessThan(0.06);
          }
      }
    },
  );
  it('through a bar along its axis it is limited by the ends, across it by the chord; a wire in it lies where it lies', () => {
    const [R, r] = [6, 0.8];
    const g = ground(skinOf(roundCone([0, 0, -60], [0, 0, 60], R, R), 0.6), r);
    const s: Spot = { at: [0, R, 0], normal: [0, 1, 0], lie: [0, 0, 1] };
    for (const angle of [90, 75, 60, 45, 30, 20]) {
      const across = aheadOf(g, s, stabDirection(s, angle, 'across the lie'), 70)!;
      expect(Math.abs(across.throughMm / (2 * R * sin(angle)) - 1), `${angle}`).toBeLessThan(0.04);
      const along = aheadOf(g, s, stabDirection(s, angle, 'along the lie'), 70)!;
      expect(Math.abs(along.throughMm / ((2 * R) / sin(angle)) - 1), `${angle}`).toBeLessThan(0.02);
      // Along the wire: its surface is met R - r below the skin, so much further the flatter.
      expect(Math.abs(along.wireMm / ((R - r) / sin(angle)) - 1), `${angle}`).toBeLessThan(0.02);
    }
  });
  it('a place that lies outside the felt is told from where the stab enters', () => {
    const g = ground(skinOf(roundCone([0, 0, -60], [0, 0, 60], 6, 6), 0.6));
    const s: Spot = { at: add([0, 6, 0], [0, 4, 0]), normal: [0, 1, 0], lie: [0, 0, 1] };
    expect(aheadOf(g, s, [0, -1, 0], 70)!.throughMm).toBeCloseTo(12, 1);
    expect(aheadOf(g, s, [0, 1, 0], 70)).toBeNull();
  });
});
