/** Where an eye sits and how it stands: middle, the way it looks, the directions to its corners and its upper edge. */
import { cross, dot, flatten, norm, scale, sub, add, unit, type Vec3 } from '@/core/geometry/vec';
import type { FormWork } from '@/core/form/form';
import { mirrorPlace, pointOf } from '@/core/form/places';
import { outwardAt } from '@/core/form/surface';
import type { Eyes } from '@/core/piece/face';
import { directionIntoHead, directionOutOfHead, type HeadFrame } from '@/core/face/head/head';

export interface EyePlace {
  readonly side: 'left' | 'right';
  readonly at: Vec3;
  /** Unit, square to the skin. */
  readonly outward: Vec3;
  /** Unit, straight out of the socket: turned toward the front from square to the skin. */
  readonly axis: Vec3;
  /** Unit, to the inner corner and to the upper edge, slanted. */
  readonly inner: Vec3;
  readonly up: Vec3;
  /** How far to the side it looks: 0 straight ahead, 90 sideways; and above the level of the head, degrees. */
  readonly sideDeg: number;
  readonly aboveDeg: number;
}

const deg = (r: number): number => (r * 180) / Math.PI;
const rad = (d: number): number => (d * Math.PI) / 180;

function placed(form: FormWork, frame: HeadFrame, eyes: Eyes, side: 'left' | 'right', at: Vec3): EyePlace {
  const outward = outwardAt(form, at);
  const n = directionIntoHead(frame, outward);
  const sign = side === 'left' ? 1 : -1;
  // Azimuth to the animal's own side; turning forward makes it smaller.
  const azimuth = Math.atan2(sign * n[0], n[2]) - rad(eyes.forwardDeg);
  const level = Math.hypot(n[0], n[2]);
  const turned: Vec3 = [sign * level * Math.sin(azimuth), n[1], level * Math.cos(azimuth)];
  const axis = unit(directionOutOfHead(frame, turned));
  const across = cross(axis, frame.y);
  const inner0 = norm(across) > 1e-6 ? scale(unit(across), sign) : frame.z;
  const up0 = unit(flatten(frame.y, axis));
  const s = rad(eyes.slantDeg);
  // The outer corner goes up by the slant, so the inner one goes down.
  const inner = add(scale(inner0, Math.cos(s)), scale(up0, -Math.sin(s)));
  const up = add(scale(up0, Math.cos(s)), scale(inner0, Math.sin(s)));
  return {
    side,
    at,
    outward,
    axis,
    inner,
    up,
    sideDeg: deg(azimuth),
    aboveDeg: deg(Math.asin(Math.max(-1, Math.min(1, turned[1])))),
  };
}

/** Both eyes, the animal's left first; a relief has one. */
export function eyePlaces(form: FormWork, frame: HeadFrame, eyes: Eyes): EyePlace[] {
  const left = pointOf(form.body, eyes.at);
  if (!left) return [];
  const right = form.body.board ? null : pointOf(form.body, eyes.other ?? mirrorPlace(eyes.at));
  return [placed(form, frame, eyes, 'left', left), ...(right ? [placed(form, frame, eyes, 'right', right)] : [])];
}

/** Corner of an eye half its width from its middle. */
export const corner = (e: EyePlace, which: 'inner' | 'outer', widthMm: number): Vec3 =>
  add(e.at, scale(e.inner, ((which === 'inner' ? 1 : -1) * widthMm) / 2));

/** Straight distance of two places. */
export const apart = (a: Vec3, b: Vec3): number => norm(sub(a, b));

/** How far a place lies off a straight line through two others, upward positive. */
export function aboveLine(p: Vec3, a: Vec3, b: Vec3, up: Vec3): number {
  const along = unit(sub(b, a));
  return dot(sub(p, a), unit(flatten(up, along)));
}
