/**
 * What carrying a handle of a part on the picture does to the drawing: longer, thicker, bent. Carries are in pixels of the picture, to the
 * right and down; the picture is seen from afar, so that a mm is as many pixels everywhere.
 */
import { add, scale, type Vec3 } from '@/core/geometry/vec';
import { intoRange } from '@/core/piece/fields';
import { jointSchema, type Joint, type Part } from '@/core/piece/schema';
import type { Stretch } from './body';
import { bodyPlan, BODY_PLANS } from './plans/plans';
import { endAt, looked, lookOf, reached } from './reach';
import {
  jointsOf,
  limits,
  partLength,
  setBend,
  setPartLength,
  setThickness,
  thicknessesOf,
  unitMm,
  type Form,
} from './shape';

type OnPicture = readonly [number, number];
/** What a carry makes of the form as it is then. */
type Carry = (right: number, down: number) => (form: Form) => Form;

/** The same part as the body plan has it; undefined for a part of the maker's own. */
export const plannedPart = (form: Form, part: Part): Part | undefined =>
  BODY_PLANS.some((p) => p.id === form.plan) ? bodyPlan(form.plan).parts.find((p) => p.id === part.id) : undefined;

const within = (x: number, l: { min: number; max: number }) => Math.max(l.min, Math.min(l.max, x));

/** @param axis from the root of the part to its tip as seen, pixels */
export function lengthened(form: Form, part: Part, axis: OnPicture, pxPerMm: number): Carry {
  const mm = partLength(part) * unitMm(form);
  const planned = plannedPart(form, part);
  const seen = Math.hypot(axis[0], axis[1]) || 1;
  // A part seen end on would jump; it lengthens as if seen at least a third of its length.
  const perLength = Math.max(seen, (mm * pxPerMm) / 3) / mm;
  const l = limits(form, partLength(part), planned && partLength(planned));
  return (dx, dy) => {
    const along = (dx * axis[0] + dy * axis[1]) / seen;
    return (f) => setPartLength(f, part.id, within(mm + along / perLength, l));
  };
}

/** @param dir the way its handle points away from the middle as seen, of length one */
export function thickened(form: Form, part: Part, key: string, dir: OnPicture, pxPerMm: number): Carry {
  const t = thicknessesOf(part).find((x) => x.key === key)!;
  const mm = t.across * unitMm(form);
  const planned = plannedPart(form, part);
  const l = limits(form, t.across, planned && thicknessesOf(planned).find((x) => x.key === key)?.across);
  return (dx, dy) => {
    const out = (dx * dir[0] + dy * dir[1]) / pxPerMm;
    return (f) => setThickness(f, part.id, key, within(mm + 2 * out, l));
  };
}

const AXES = ['nodDeg', 'turnDeg', 'tiltDeg'] as const;

/**
 * Turns a part about its joint in the plane of the picture, about whichever axis is seen most end on.
 * @param from the way to the eye
 * @param root the joint, and where the tip is, as seen
 */
export function bent(
  form: Form,
  part: Part,
  side: 'left' | 'right',
  from: readonly number[],
  root: OnPicture,
  tip: OnPicture,
): Carry {
  const most = [0, 1, 2].reduce((a, k) => (Math.abs(from[k]!) > Math.abs(from[a]!) ? k : a), 0);
  const key = AXES[most]!;
  const mirrored = side === 'right' && most > 0 ? -1 : 1;
  const sign = Math.sign(from[most]! || 1) * mirrored;
  const node = jointsOf(part)[0] ?? 0;
  const was = form.pose.find((j) => j.part === part.id && j.node === node && j.side === 'both');
  const start: Pick<Joint, (typeof AXES)[number]> = {
    nodDeg: was?.nodDeg ?? 0,
    turnDeg: was?.turnDeg ?? 0,
    tiltDeg: was?.tiltDeg ?? 0,
  };
  const angle = (x: number, y: number) => (Math.atan2(-(y - root[1]), x - root[0]) * 180) / Math.PI;
  const zero = angle(tip[0], tip[1]);
  return (dx, dy) => {
    const turn = ((((angle(tip[0] + dx, tip[1] + dy) - zero + 180) % 360) + 360) % 360) - 180;
    // To a tenth, so that the finest step of the keys bends a long part as well.
    const deg = Math.round(10 * intoRange(jointSchema.shape[key], start[key] + sign * turn)) / 10;
    return (f) => setBend(f, { part: part.id, node, side: 'both' }, { ...start, [key]: deg });
  };
}

/**
 * Carries the end of a limb in the plane of the picture; the limb follows.
 * @param alone one of a pair by itself @param right and `up`: which ways these are on the picture
 */
export function carriedEnd(
  form: Form,
  part: Part,
  side: 'left' | 'right',
  alone: boolean,
  { right, up }: { readonly right: Vec3; readonly up: Vec3 },
  pxPerMm: number,
): Carry {
  const start = endAt(form, part, side);
  const unit = pxPerMm * unitMm(form);
  return (dx, dy) => {
    const to = add(start, add(scale(right, dx / unit), scale(up, -dy / unit)));
    const { pose } = reached(form, part, side, !alone, to);
    return (f) => ({ ...f, pose });
  };
}

/** How far ahead of its nose a head's look is taken hold of, in lengths of the head. */
const AHEAD = 0.9;

/** Where a head looks, near enough to be taken hold of; drawn units, posed. Null where a part does not look. */
export function lookedAt(form: Form, head: Part): Vec3 | null {
  const look = lookOf(form, head);
  return look && add(look.at, scale(look.way, (0.5 + AHEAD) * look.long));
}

/** Turns the look of a head to where the hand goes on the picture. @param right and `up`: which ways these are on it */
export function carriedLook(
  form: Form,
  head: Part,
  { right, up }: { readonly right: Vec3; readonly up: Vec3 },
  pxPerMm: number,
): Carry {
  const start = lookedAt(form, head)!;
  const unit = pxPerMm * unitMm(form);
  return (dx, dy) => {
    const { pose } = looked(form, head, add(start, add(scale(right, dx / unit), scale(up, -dy / unit))));
    return (f) => ({ ...f, pose });
  };
}

interface Ring {
  /** Which of its thicknesses it is. */
  readonly key: string;
  readonly at: Vec3;
  /** From the axis to the ring, mm. */
  readonly radius: number;
  readonly top: Vec3;
  readonly out: Vec3;
  /** Which way it may be pulled: 0 up, 1 outward; either when not said. */
  readonly only?: 0 | 1;
}

/** Where the thicknesses of a part are pulled by. */
export function ringsOf(part: Part, stretches: readonly Stretch[]): Ring[] {
  if (part.shape === 'pad') {
    const s = stretches[0]!;
    const middle = [0, 1, 2].map((k) => (s.a[k]! + s.b[k]!) / 2) as unknown as Vec3;
    const mm = s.ra / ((part.halfWidth + part.halfHeight) / 2);
    const common = { at: middle, top: s.top, out: s.out };
    return [
      { ...common, key: 'width', radius: part.halfWidth * mm, only: 1 },
      { ...common, key: 'height', radius: part.halfHeight * mm, only: 0 },
    ];
  }
  const last = stretches.length;
  return Array.from({ length: last + 1 }, (_, i): Ring[] => {
    const s = stretches[Math.min(i, last - 1)]!;
    const end = i === last ? s.b : s.a;
    const radius = i === last ? s.rb : s.ra;
    // The ends of a limb lie on its skin; the thickness belongs to the place one radius further in.
    const inward = i === 0 ? 1 : i === last ? -1 : 0;
    const at = [0, 1, 2].map((k) => end[k]! + (inward * radius * (s.b[k]! - s.a[k]!)) / s.length) as unknown as Vec3;
    const common = { at, top: s.top, out: s.out };
    if (part.shape !== 'limb' || !part.nodes[i]?.section) return [{ ...common, key: String(i), radius }];
    const { wide, over } = i === last ? s.sb : s.sa;
    return [
      { ...common, key: `${i} wide`, radius: radius * wide, only: 1 },
      { ...common, key: `${i} high`, radius: radius * over, only: 0 },
    ];
  }).flat();
}
