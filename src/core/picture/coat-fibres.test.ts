/** What is not seen on a picture is drawn by fewer fibres, and shades as much; what is seen gains by it. */
import { describe, expect, it } from 'vitest';
import { COARSELY, planned } from '../../../cli/testing/planned';
import { cupboard, pineMarten } from '../../../demo/load';
import { linearOf } from '@/core/colour/rgb';
import { defaultHand as hand } from '@/core/piece/hand';
import { areasOfSkin, bareSkin } from './bare-skin';
import { coatFibres, type Seen } from './coat-fibres';
import { SEGMENTS, type Fibres } from './fibres';
import { skinField } from './skin-field';

const plan = planned(pineMarten, cupboard, hand, COARSELY);
const { skin, lie } = plan.form;
const field = skinField(skin.positions, skin.normals, lie, 1.6);
const bare = bareSkin(pineMarten, plan, cupboard, areasOfSkin(skin, plan.coat.areas));
const MOST = 120_000;
const FRONT = 46;
const fibresOf = (seen: Seen): Fibres => coatFibres(pineMarten, plan, cupboard, field, bare, MOST, [], seen).fibres;

/** Length times width, as it counts in the shade, of all fibres that begin where `at` says, mm2, how many they are, and how wide on the mean. */
function hiding(f: Fibres, at: (z: number) => boolean) {
  const stride = 3 * (SEGMENTS + 1);
  let mm2 = 0;
  let n = 0;
  let wide = 0;
  for (let i = 0; i < f.count; i++) {
    if (!at(f.points[stride * i + 2]!)) continue;
    n++;
    wide += f.width[i]!;
    for (let k = 0; k < SEGMENTS; k++) {
      const p = stride * i + 3 * k;
      mm2 +=
        f.width[i]! *
        f.casts[i]! *
        Math.hypot(
          f.points[p + 3]! - f.points[p]!,
          f.points[p + 4]! - f.points[p + 1]!,
          f.points[p + 5]! - f.points[p + 2]!,
        );
    }
  }
  return { mm2, n, wide: wide / n };
}

describe('a near view', () => {
  // Head and throat: a fourth of all fibres.
  const front = (z: number) => z > FRONT;
  const all = fibresOf(() => true);
  const near = fibresOf((_x, _y, z) => front(z));
  it('takes no more fibres than a view of all, and those that are seen are finer by far', () => {
    expect(near.count).toBeLessThan(1.05 * MOST + 2000);
    const [coarse, fine] = [all, near].map((f) => hiding(f, front));
    expect(fine!.n).toBeGreaterThan(2 * coarse!.n);
    expect(coarse!.wide).toBeGreaterThan(1.8 * fine!.wide);
  });
  it('shades as much in front and behind', () => {
    for (const at of [front, (z: number) => z < 20])
      expect(Math.abs(hiding(near, at).mm2 / hiding(all, at).mm2 - 1)).toBeLessThan(0.06);
  });
  it('what is not seen is drawn no wider than what is: a tip that comes round the outline is a fibre like all', () => {
    const widest = (at: (z: number) => boolean) => {
      let most = 0;
      for (let i = 0; i < near.count; i++)
        if (at(near.points[3 * (SEGMENTS + 1) * i + 2]!)) most = Math.max(most, near.width[i]!);
      return most;
    };
    expect(widest((z) => z < 20)).toBeLessThanOrEqual(1.01 * Math.max(widest(front), 0.07));
  });
});

describe('a row that is pointed out', () => {
  const hex = '#3f8fe0';
  const tail = plan.coat.areas.find((a) => a.id === 'tail')!;
  const row = tail.fur!.rows.rows[Math.floor(tail.fur!.rows.rows.length / 2)]!;
  const drawn = (lit: { areaId: string; row: number; hex: string } | null) =>
    coatFibres(pineMarten, plan, cupboard, field, bare, MOST, [], () => true, { lit });
  const plain = drawn(null);
  const pointed = drawn({ areaId: 'tail', row: row.number, hex });

  it('has its fur in that colour and no other row has, everything else as it was', () => {
    const light = linearOf(hex);
    const stride = 3 * (SEGMENTS + 1);
    let lit = 0;
    for (let i = 0; i < pointed.fibres.count; i++) {
      const e = 7 * pointed.fibres.colour[i]!;
      if ([0, 1, 2].some((k) => Math.abs(pointed.palette[e + k]! - light[k]!) > 1e-3)) continue;
      lit++;
      // Its root lies by a point of that row.
      const p = [0, 1, 2].map((k) => pointed.fibres.points[stride * i + k]!);
      const near = Math.min(
        ...row.pieces.flatMap((q) =>
          Array.from({ length: q.points.length / 3 }, (_, j) =>
            Math.hypot(...p.map((x, k) => x - q.points[3 * j + k]!)),
          ),
        ),
      );
      expect(near).toBeLessThan(0.5 * tail.fur!.rows.meanSpacingMm + 1);
    }
    expect(pointed.fibres.count).toBe(plain.fibres.count);
    expect(lit).toBeGreaterThan(100);
    expect(pointed.fibres.points).toEqual(plain.fibres.points);
  });
});
