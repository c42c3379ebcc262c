/**
 * Claws as surfaces: curved cones of horn at the ends of the toes of every part that claws are said to sit on, in the colour worked out for
 * them. They are thinner than skin can be found, so they are drawn by themselves. Lengths mm.
 */
import { linearOf } from '@/core/colour/rgb';
import { toesOfPart } from '@/core/form/body';
import { add, cross, flatten, norm, scale, sub, unit, type Vec3 } from '@/core/geometry/vec';
import type { Piece } from '@/core/piece/schema';
import type { Plan } from '@/core/plan';
import { emptySurface, type Surface } from './eye-solid';

/** In radii of the toe: how thick a claw is where it begins, how long it is, how far back in the toe it begins; and how far it turns down, rad. Ours. */
const CLAW = { thick: 0.55, long: 2.1, within: 0.5, turns: 0.9 } as const;
const ROUND = 10;
const ALONG = 8;

/** Where a toe ends its claw goes on: the middle of it a share of its length out, and how thick it is there. */
export function clawAt(
  toe: { readonly from: Vec3; readonly to: Vec3; readonly rb: number; readonly top: Vec3 },
  share: number,
): { readonly at: Vec3; readonly radius: number; readonly way: Vec3 } {
  const ahead = unit(sub(toe.to, toe.from));
  const down = scale(unit(flatten(toe.top, ahead)), -1);
  const long = CLAW.long * toe.rb;
  const a = CLAW.turns * share;
  // Along an arc that leaves the toe as it points.
  const bow = long / CLAW.turns;
  const at = add(
    add(toe.to, scale(ahead, (1 - CLAW.within) * toe.rb)),
    add(scale(ahead, bow * Math.sin(a)), scale(down, bow * (1 - Math.cos(a)))),
  );
  return {
    at,
    radius: CLAW.thick * toe.rb * (1 - share) ** 0.75,
    way: add(scale(ahead, Math.cos(a)), scale(down, Math.sin(a))),
  };
}

/** All claws of a piece as one surface. */
export function clawSurface(piece: Pick<Piece, 'form' | 'smallParts'>, plan: Pick<Plan, 'shade'>): Surface {
  const s = emptySurface();
  for (const part of piece.smallParts) {
    if (part.kind !== 'claws') continue;
    const hex = plan.shade.judged.palette.find((p) => p.id === part.id)?.hex;
    if (!hex) continue;
    for (const toe of toesOfPart(piece.form, part.on)) addClaw(s, toe, linearOf(hex));
  }
  return s;
}

function addClaw(s: Surface, toe: Parameters<typeof clawAt>[0], light: readonly number[]): void {
  const first = s.positions.length / 3;
  for (let j = 0; j <= ALONG; j++) {
    const { at, radius, way } = clawAt(toe, j / ALONG);
    const side = unit(cross(way, toe.top));
    const up = norm(side) > 0 ? cross(side, way) : toe.top;
    for (let i = 0; i < ROUND; i++) {
      const q = (2 * Math.PI * i) / ROUND;
      const n = add(scale(side, Math.cos(q)), scale(up, Math.sin(q)));
      s.positions.push(...add(at, scale(n, radius)));
      s.normals.push(...n);
      s.colour.push(light[0]!, light[1]!, light[2]!);
    }
  }
  for (let j = 0; j < ALONG; j++)
    for (let i = 0; i < ROUND; i++) {
      const [a, b] = [first + ROUND * j + i, first + ROUND * j + ((i + 1) % ROUND)];
      s.triangles.push(a, b, b + ROUND, a, b + ROUND, a + ROUND);
    }
}
