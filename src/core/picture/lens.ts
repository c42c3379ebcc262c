/** Where an animal is looked at from: always square on, so that a millimetre is as long everywhere on the picture. */
import type { Vec3 } from '@/core/geometry/vec';

/** Degrees round the animal, 0 from the front and 90 from its left, and up from the level. */
export interface Turned {
  readonly yaw: number;
  readonly pitch: number;
}

const rad = (deg: number): number => (deg * Math.PI) / 180;

/** Unit direction from the animal to the eye, and which way is up for it. */
export function eye(view: Turned): { from: [number, number, number]; up: [number, number, number] } {
  const y = rad(view.yaw);
  const p = rad(view.pitch);
  return {
    from: [Math.sin(y) * Math.cos(p), Math.sin(p), Math.cos(y) * Math.cos(p)],
    up: [-Math.sin(y) * Math.sin(p), Math.cos(p), -Math.cos(y) * Math.sin(p)],
  };
}

/** Directions that point right and up on the picture. */
export function across(view: Turned): { right: [number, number, number]; up: [number, number, number] } {
  const { from, up } = eye(view);
  return {
    right: [up[1] * from[2] - up[2] * from[1], up[2] * from[0] - up[0] * from[2], up[0] * from[1] - up[1] * from[0]],
    up,
  };
}

/** Middle of the box round a skin. */
export function centreOf(positions: ArrayLike<number>): [number, number, number] {
  const lo = [Infinity, Infinity, Infinity];
  const hi = [-Infinity, -Infinity, -Infinity];
  for (let i = 0; i < positions.length; i++) {
    lo[i % 3] = Math.min(lo[i % 3]!, positions[i]!);
    hi[i % 3] = Math.max(hi[i % 3]!, positions[i]!);
  }
  return [0, 1, 2].map((k) => (lo[k]! + hi[k]!) / 2) as [number, number, number];
}

export interface Lens {
  readonly turned: Turned;
  /** What is in the middle of the picture. */
  readonly centre: Vec3;
  readonly perMm: number;
  readonly width: number;
  readonly height: number;
}

/** The lens as rows of a matrix: x and y in pixels from the left and the top, z in mm, larger the nearer. */
export function projector({ turned, centre, perMm, width, height }: Lens): Float64Array {
  const { right, up } = across(turned);
  const { from } = eye(turned);
  const m = new Float64Array(12);
  const row = (at: number, v: readonly number[], k: number, add: number) => {
    for (let i = 0; i < 3; i++) m[at + i] = k * v[i]!;
    m[at + 3] = add - k * (v[0]! * centre[0] + v[1]! * centre[1] + v[2]! * centre[2]);
  };
  row(0, right, perMm, width / 2);
  row(4, up, -perMm, height / 2);
  row(8, from, 1, 0);
  return m;
}
