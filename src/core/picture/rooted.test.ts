/** Fur begins on the core and ends where the finished animal is drawn: skin, surfaces and rows are brought down alike, felt and eyes are not. */
import { describe, expect, it } from 'vitest';
import { COARSELY, planned } from '../../../cli/testing/planned';
import { cupboard, kingfisher, pineMarten } from '../../../demo/load';
import { feltedFlat } from '@/core/coat/picture/pile';
import { defaultHand } from '@/core/piece/hand';
import type { Plan } from '@/core/plan';
import { areasOfSkin } from './bare-skin';
import { cutOut } from './cut-out';
import { exposure } from './exposure';
import { canvas, drawSolid } from './raster';
import { rooted } from './rooted';
import { lensFor, turnedTo } from './viewpoints';

const plan = planned(pineMarten, cupboard, defaultHand, COARSELY);
const on = rooted(pineMarten, plan);
const { skin } = plan.form;
const n = skin.positions.length / 3;
/** How far a vertex of the skin went, mm, and how much of it was straight down. */
const went = Array.from({ length: n }, (_, v) => {
  const d = [0, 1, 2].map((k) => on.skin.positions[3 * v + k]! - skin.positions[3 * v + k]!);
  return { mm: Math.hypot(...d), down: -[0, 1, 2].reduce((s, k) => s + d[k]! * skin.normals[3 * v + k]!, 0) };
});
const { area } = areasOfSkin(skin, plan.coat.areas);

describe('what fur stands on', () => {
  it('lies as deep as the coat is thick in the middle of an area, nowhere deeper', () => {
    went.forEach((w, v) => expect(w.mm).toBeLessThanOrEqual(Math.max(...plan.core.depth) + 1e-9 + 0 * v));
    const i = plan.coat.areas.findIndex((a) => a.id === 'flanks');
    const { value: loft } = plan.coat.areas[i]!.fur!.figures.loft;
    const depths = went
      .filter((_, v) => area[v] === i)
      .map((w) => w.down)
      .sort((a, b) => a - b);
    // Towards its borders it goes over into its neighbours'.
    expect(depths[Math.floor(0.8 * depths.length)]! / loft).toBeGreaterThan(0.85);
    expect(depths.at(-1)! / loft).toBeLessThan(1.15);
  });
  it('is the finished skin at an eye, and where wool is felted flat', () => {
    const bird = planned(kingfisher, cupboard, defaultHand, COARSELY);
    const low = rooted(kingfisher, bird).coat.areas;
    const flat = bird.coat.areas.filter((a) => a.fur && feltedFlat(a.fur.pile));
    expect(flat.map((a) => a.id)).toContain('feet');
    {
      const [a, b] = [bird.coat.areas, low].map((list) => list.find((x) => x.id === 'feet')!.surface!.positions);
      const far = Array.from({ length: a!.length / 3 }, (_, v) =>
        Math.hypot(...[0, 1, 2].map((k) => a![3 * v + k]! - b![3 * v + k]!)),
      ).sort((x, y) => x - y);
      expect(far[Math.floor(far.length / 2)]!).toBeLessThan(0.3);
    }
    const { places, discMm } = plan.face!.eyes;
    const p = skin.positions;
    let eyes = 0;
    went.forEach((w, v) => {
      if (
        places.some(
          ({ at }) => Math.hypot(p[3 * v]! - at[0], p[3 * v + 1]! - at[1], p[3 * v + 2]! - at[2]) < 0.5 * discMm,
        )
      ) {
        eyes++;
        expect(w.mm).toBeLessThan(0.01);
      }
    });
    expect(eyes).toBeGreaterThan(1);
  });
  it('is one and the same for skin, surfaces and rows; a row is as long as planned', () => {
    plan.coat.areas.forEach((a, i) => {
      const low = on.coat.areas[i]!;
      if (!a.surface) return;
      const { positions: p } = a.surface;
      let met = 0;
      for (let v = 0; v < n; v++) {
        if (area[v] !== i) continue;
        for (let s = 0; s < p.length; s += 3) {
          if (
            p[s] !== skin.positions[3 * v] ||
            p[s + 1] !== skin.positions[3 * v + 1] ||
            p[s + 2] !== skin.positions[3 * v + 2]
          )
            continue;
          met++;
          // A vertex met exactly speaks almost alone.
          for (let k = 0; k < 3; k++)
            expect(Math.abs(low.surface!.positions[s + k]! - on.skin.positions[3 * v + k]!)).toBeLessThan(0.15);
          break;
        }
        if (met > 60) break;
      }
      expect(met).toBeGreaterThan(20);
      const rows = a.fur?.rows.rows ?? [];
      low.fur?.rows.rows.forEach((r, j) =>
        r.pieces.forEach((x, k) => {
          const before = rows[j]!.pieces[k]!;
          expect(x.lengthMm).toBe(before.lengthMm);
          let long = 0;
          for (let q = 3; q < x.points.length; q += 3)
            long += Math.hypot(
              x.points[q]! - x.points[q - 3]!,
              x.points[q + 1]! - x.points[q - 2]!,
              x.points[q + 2]! - x.points[q - 1]!,
            );
          expect(long * (x.times ?? 1)).toBeCloseTo(x.lengthMm, 9);
        }),
      );
    });
  });
  it('is the finished skin itself where the core is built full size, and while the core of a new shape is not known', () => {
    const without = (depth: Float64Array): Plan => ({ ...plan, core: { ...plan.core, depth } });
    expect(rooted(pineMarten, without(new Float64Array(n))).skin).toBe(skin);
    expect(rooted(pineMarten, without(new Float64Array(7).fill(3))).skin).toBe(skin);
  });
});

describe('on the picture', () => {
  const lens = lensFor(plan, { turned: turnedTo(pineMarten, 'left'), width: 320, height: 240, zoom: 1 });
  const seen = (of: Plan) => {
    const steps = exposure({ piece: pineMarten, plan: of, cupboard }, lens, { lighting: 'overcast', fibres: 60_000 });
    let s = steps.next();
    while (!s.done) s = steps.next();
    return cutOut({ ...s.value, ground: null }).reduce((sum, x, i) => sum + (i % 4 === 3 ? x / 255 : 0), 0);
  };
  it('the animal in its fur is about as large as it is drawn finished, not larger by its coat', () => {
    const c = canvas(lens);
    drawSolid(c, {
      positions: skin.positions,
      triangles: skin.triangles,
      light: new Float32Array(skin.positions.length),
    });
    const finished = c.depth.reduce((s, d) => s + (d > -Infinity ? 0.25 : 0), 0);
    const ratio = seen(plan) / finished;
    expect(ratio).toBeGreaterThan(0.97);
    expect(ratio).toBeLessThan(1.15);
    const onTop = seen({ ...plan, core: { ...plan.core, depth: new Float64Array(n) } });
    expect(onTop / finished - ratio).toBeGreaterThan(0.1);
  });
});
