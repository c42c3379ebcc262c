/**
 * Legs in a walk: those of the left and the right apart, hind and fore by turns, as a walking animal sets them down across. Nothing of it is
 * kept: how long a stride is, is read off where the feet stand.
 */
import { add, type Vec3 } from '@/core/geometry/vec';
import type { Part } from '@/core/piece/schema';
import { canReach, endAt, reached } from './reach';
import type { Form } from './shape';

/** Legs end so near to the ground, as a share of the height of the highest of their joints over it. Ours. */
const DOWN = 0.35;

/** Its legs, the foremost first: paired limbs that end low; none where it has no paired limbs. */
export function legsOf(form: Form): Part[] {
  const ends = form.parts
    .filter((p) => p.mirrored && canReach(form, p))
    .map((part) => ({ part, at: endAt(form, part, 'left') }));
  if (ends.length === 0) return [];
  const ground = Math.min(...ends.map((e) => e.at[1]));
  const tall = Math.max(...ends.map(({ part }) => rootHeight(part)), ground + 1) - ground;
  return ends
    .filter((e) => e.at[1] - ground < DOWN * tall)
    .sort((a, b) => b.at[2] - a.at[2])
    .map((e) => e.part);
}

function rootHeight(part: Part): number {
  if (part.shape !== 'limb') return -Infinity;
  return (part.root === 'start' ? part.nodes[0]! : part.nodes[part.nodes.length - 1]!).at[1];
}

const feetOf = (form: Form, part: Part): [Vec3, Vec3] => [endAt(form, part, 'left'), endAt(form, part, 'right')];

/** How far fore of its right foot the left one of the foremost legs stands; of the next legs it is the other way. Drawn units; null without legs. */
export function strideOf(form: Form): number | null {
  const legs = legsOf(form);
  if (legs.length === 0) return null;
  const apart = legs.map((part, i) => {
    const [l, r] = feetOf(form, part);
    return (i % 2 === 0 ? 1 : -1) * (l[2] - r[2]);
  });
  return apart.reduce((s, x) => s + x, 0) / legs.length;
}

/** Every foot set so far fore or aft of the middle between it and its other, as high and as far out as it stands. */
export function setStride(form: Form, to: number): Form {
  return legsOf(form).reduce((f, part, i) => {
    const way = (i % 2 === 0 ? 1 : -1) * (to / 2);
    const [l, r] = feetOf(f, part);
    const middle = (l[2] + r[2]) / 2;
    const low = (l[1] + r[1]) / 2;
    const on = (at: Vec3, z: number): Vec3 => add(at, [0, low - at[1], z - at[2]]);
    const left = reached(f, part, 'left', false, on(l, middle + way));
    return reached(left, part, 'right', false, on(r, middle - way));
  }, form);
}
