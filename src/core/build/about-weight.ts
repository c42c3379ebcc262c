/**
 * About where the weight of an animal lies and what it stands on, from its parts alone: quick enough to be said while a limb is carried. How
 * far the middle moves is taken from it, not where it is; that is worked out (`stands.ts`). mm.
 */
import type { Point2 } from '@/core/geometry/hull';
import { heightOver } from '@/core/geometry/rest-plane';
import { add, scale, sub, type Vec3 } from '@/core/geometry/vec';
import { meanOf, type Body, type Stretch } from '@/core/form/body';
import { overFeet } from './balance';
import { groundUnder } from './ground-contact';
import type { StandsPlan } from './stands';

/** Volume of a stretch (cone frustum) and the middle of it. */
function frustum(s: Stretch): { readonly volume: number; readonly at: Vec3 } {
  const [p, q] = [meanOf(s, 0), meanOf(s, 1)];
  const sum = p * p + p * q + q * q;
  // How far along the middle of a frustum lies (closed form).
  const t = sum > 0 ? (p * p + 2 * p * q + 3 * q * q) / (4 * sum) : 0.5;
  return { volume: (Math.PI / 3) * s.length * sum, at: add(scale(s.a, 1 - t), scale(s.b, t)) };
}

const stretchesOf = (body: Body): Stretch[] => body.parts.flatMap((b) => [...b.left, ...(b.right ?? [])]);

/** Middle of the volume of all parts, each by itself. */
export function aboutMiddle(body: Body): Vec3 {
  let all = 0;
  let sum: Vec3 = [0, 0, 0];
  for (const s of stretchesOf(body)) {
    const { volume, at } = frustum(s);
    all += volume;
    sum = add(sum, scale(at, volume));
  }
  return scale(sum, 1 / (all || 1));
}

/** What lies no higher over the ground than this is down, as a share of the length of the animal. Ours. */
const DOWN = 0.012;

interface AboutFeet {
  readonly groundY: number;
  /** Corners of what the feet enclose, x and z. */
  readonly feet: readonly Point2[];
  /** How far inside its feet the middle of the weight lies; less than nothing outside. */
  readonly marginMm: number;
}

/** Where parts end low, on the ground it settles on as it does when all is worked out. @param centre middle of its weight */
export function aboutFeet(body: Body, centre: Vec3): AboutFeet {
  // A leaf is thin: nothing stands on it.
  const ends = body.parts
    .filter((b) => !b.leaf)
    .flatMap((b) => [...b.left, ...(b.right ?? [])])
    .flatMap((s) => [
      { x: s.a[0], y: s.a[1] - meanOf(s, 0), z: s.a[2], r: meanOf(s, 0) },
      { x: s.b[0], y: s.b[1] - meanOf(s, 1), z: s.b[2], r: meanOf(s, 1) },
    ]);
  const ground = groundUnder(Float64Array.from(ends.flatMap(({ x, y, z }) => [x, y, z])), centre);
  const down = ends.filter(({ x, y, z }) => y - heightOver(ground, x, z) < DOWN * body.lengthMm);
  const { feet, margin } = overFeet(
    down.flatMap(({ x, z, r }): Point2[] => [
      [x - r / 2, z],
      [x + r / 2, z],
      [x, z - r / 2],
      [x, z + r / 2],
    ]),
    centre,
  );
  return { groundY: heightOver(ground, centre[0], centre[2]), feet, marginMm: margin };
}

/**
 * Where the middle of the weight lies while parts are moved: as far from where it was worked out as that of the parts has moved.
 * @param share of all weight that is the animal's
 */
export const aboutCentre = (worked: Vec3, of: Body, now: Body, share = 1): Vec3 =>
  add(worked, scale(sub(aboutMiddle(now), aboutMiddle(of)), share));

/** Where the weight lies over what the animal stands on, while parts are moved; on a base that is its edge. */
export function aboutStanding(
  stands: Pick<StandsPlan, 'centre' | 'on' | 'animalShare'>,
  was: Body,
  now: Body,
): AboutFeet & { readonly centre: Vec3 } {
  const centre = aboutCentre(stands.centre, was, now, stands.animalShare);
  if (!stands.on) return { centre, ...aboutFeet(now, centre) };
  const { outline, level } = stands.on;
  return { centre, feet: outline, groundY: level, marginMm: overFeet(outline, centre).margin };
}
