/** Asked hard by the place before, the search for the nearest triangle begins there: it finds what a search from nothing finds. */
import { describe, expect, it } from 'vitest';
import { seeded } from '@/core/random';
import { makeField } from './field';
import { insideGrid, SkinFinder } from './inside';
import { polygonise } from './polygonise';
import { roundCone } from './shapes';

const skin = polygonise(
  makeField([
    { solids: [roundCone([0, 0, 0], [0, 0, 40], 12, 6)], innerBlend: 0, blend: 0, mirrored: false },
    { solids: [roundCone([0, 4, 30], [0, 26, 44], 5, 3)], innerBlend: 0, blend: 3, mirrored: false },
  ]),
  1.6,
);
const grid = insideGrid(skin, 1.6, false);
const finder = () => new SkinFinder(skin, skin.normals, skin.edges, grid);

describe('depth inside a skin', () => {
  it('asked around one place after another is that of a finder asked nothing before, and its slope is one', () => {
    const rnd = seeded(11);
    const warm = finder();
    const e = 1e-4 * grid.h;
    const anew = finder();
    let [same, unit, unitAnew] = [0, 0, 0];
    const places = 400;
    for (let k = 0; k < places; k++) {
      const v = Math.floor(rnd() * (skin.positions.length / 3));
      const deep = 4 * rnd();
      const at = [0, 1, 2].map((c) => skin.positions[3 * v + c]! - deep * skin.normals[3 * v + c]!);
      const here = warm.at(at[0]!, at[1]!, at[2]!).distance;
      const fresh = finder().at(at[0]!, at[1]!, at[2]!).distance;
      // Of two triangles equally near either may be found; their patches differ by little at the edge they share.
      expect(Math.abs(here - fresh)).toBeLessThan(1e-3 * grid.h);
      if (Math.abs(here - fresh) < 1e-9) same++;
      // A distance grows by one for every millimetre, but where the middle of the body turns it round.
      const slopes = (f: SkinFinder, before: () => void) => {
        const d = f.at(at[0]!, at[1]!, at[2]!).distance;
        return Math.hypot(
          ...[0, 1, 2].map((c) => {
            const p = at.map((x, i) => (i === c ? x + e : x));
            before();
            return (f.at(p[0]!, p[1]!, p[2]!).distance - d) / e;
          }),
        );
      };
      if (Math.abs(slopes(warm, () => {}) - 1) < 0.02) unit++;
      if (Math.abs(slopes(anew, () => anew.forget()) - 1) < 0.02) unitAnew++;
    }
    expect(same / places).toBeGreaterThan(0.98);
    expect(unit / places).toBeGreaterThan(0.95);
    expect(unit).toBeGreaterThanOrEqual(unitAnew);
  });

  it('forgets the place when told to', () => {
    const [told, fresh] = [finder(), finder()];
    told.at(1, 2, 10);
    told.forget();
    expect(told.at(1, 2, 10.0001)).toEqual(fresh.at(1, 2, 10.0001));
  });
});
