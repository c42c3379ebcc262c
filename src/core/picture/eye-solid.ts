/**
 * An eye as it stands on the face: a dome whose every place has the colour of the layer that lies on top there, and lids as rolls of wool
 * over its edges. One surface for the finished picture and the turntable. Lengths mm.
 */
import type { Triple } from '@/core/colour/lab';
import { linearOf } from '@/core/colour/rgb';
import { eyeColours, eyeShapes, type EyeShape } from '@/core/face/drawing/eye-drawing';
import { onEye } from '@/core/face/drawing/face-drawing';
import { lidEdges } from '@/core/face/eyes/lid-edges';
import type { FacePlan } from '@/core/face/face-plan';
import { BARE_CORE } from '@/core/colour/bare';
import { cross, scale, sub, unit, type Vec3 } from '@/core/geometry/vec';
import type { Cupboard } from '@/core/piece/cupboard';
import type { Face } from '@/core/piece/face';

type Pt = readonly [number, number];

export interface Surface {
  readonly positions: number[];
  readonly normals: number[];
  readonly triangles: number[];
  /** Light, stride 3. */
  readonly colour: number[];
}

export const emptySurface = (): Surface => ({ positions: [], normals: [], triangles: [], colour: [] });

interface EyeSolid {
  /** Glass, or wool felted smooth. */
  readonly ball: Surface;
  /** Wool about it. */
  readonly lids: Surface;
  /** How much the ball shines: 1 glass. */
  readonly gloss: number;
}

/** Height of an eye over the skin at a distance from its middle. */
function domeOf(plan: Pick<FacePlan, 'eyes'>, face: Pick<Face, 'eyes'>): (r: number) => number {
  const { eyes } = plan;
  const R = face.eyes.sizeMm / 2;
  const disc = eyes.discMm / 2;
  return eyes.out !== null
    ? (r) => Math.sqrt(Math.max(0, R * R - r * r)) + eyes.outMm - R
    : (r) => eyes.outMm * (1 - (r / disc) ** 2);
}

const RINGS = 22;
const ROUND = 72;
/** The dome goes on so far below the skin, in widths of the eye: no gap is seen under it. */
const BELOW = 0.3;
/** A lid is so thick, and comes so far out over the skin, in widths of the eye. Ours. */
const LID_THICK = 0.09;
const LID_OUT = 0.2;
/** Wool felted smooth shines so much. Ours. */
const WOOL_GLOSS = 0.08;

/** Whether a place lies within an outline, by how often a line to the right crosses it. */
function within(ring: readonly Pt[], [x, y]: Pt): boolean {
  let inside = false;
  for (let i = 0, j = ring.length - 1; i < ring.length; j = i++) {
    const [a, b] = [ring[i]!, ring[j]!];
    if (a[1] > y !== b[1] > y && x < ((b[0] - a[0]) * (y - a[1])) / (b[1] - a[1]) + a[0]) inside = !inside;
  }
  return inside;
}

/** The layer seen at a place: the last that covers it; null where none does. */
export const seenOn = (shapes: readonly EyeShape[], at: Pt): EyeShape | null =>
  shapes.findLast((s) => within(s.ring, at)) ?? null;

/** A grid of points as a surface: neighbours along both of its ways are joined, normals turned the way `out` says. */
function sheet(
  into: Surface,
  [n, m]: readonly [number, number],
  at: (i: number, j: number) => Vec3,
  colour: (i: number, j: number) => Triple,
  out: (i: number, j: number) => Vec3,
): void {
  const first = into.positions.length / 3;
  // All of it goes round one way: that of most of it.
  let against = 0;
  const points = Array.from({ length: n * m }, (_, q) => at(q % n, Math.floor(q / n)));
  for (let j = 0; j < m; j++)
    for (let i = 0; i < n; i++) {
      const p = (a: number, b: number) =>
        points[Math.max(0, Math.min(n - 1, a)) + n * Math.max(0, Math.min(m - 1, b))]!;
      const across = cross(sub(p(i + 1, j), p(i - 1, j)), sub(p(i, j + 1), p(i, j - 1)));
      const away = out(i, j);
      const normal = Math.hypot(...across) > 1e-12 ? unit(across) : away;
      const inward = normal[0] * away[0] + normal[1] * away[1] + normal[2] * away[2] < 0;
      const turned = inward ? scale(normal, -1) : normal;
      against += inward ? 1 : -1;
      into.positions.push(...points[i + n * j]!);
      into.normals.push(...turned);
      into.colour.push(...colour(i, j));
    }
  for (let j = 0; j + 1 < m; j++)
    for (let i = 0; i + 1 < n; i++) {
      const [a, b, c, d] = [0, 1, n + 1, n].map((q) => first + i + n * j + q) as [number, number, number, number];
      into.triangles.push(...(against > 0 ? [a, c, b, a, d, c] : [a, b, c, a, c, d]));
    }
}

/** The eyes of a face, in the order of its places. */
export function eyeSolids(plan: FacePlan, face: Face, cupboard: Pick<Cupboard, 'lots' | 'eyes'>): EyeSolid[] {
  const { eyes } = plan;
  const high = domeOf(plan, face);
  const bought = eyes.out !== null && eyes.stock !== null;
  const R = eyes.discMm / 2;
  const colours = eyeColours(face.eyes, cupboard, eyes.around?.hex ?? BARE_CORE);
  return eyes.places.map((e, index) => {
    const shapes = eyeShapes(face.eyes, eyes.ladder, eyes.ladder.eyes[index]!, eyes.discMm, colours).filter(
      // On glass the lamp makes the lights; lids stand over the ball.
      (s) => !(bought && s.name.includes('light')) && !/^(upper|lower) lid$/.test(s.name),
    );
    const lit = new Map(shapes.map((s) => [s, linearOf(s.hex)]));
    const plain = linearOf(colours.rim);
    const polar = (r: number, a: number): Pt => [r * Math.cos(a), r * Math.sin(a)];
    const turn = (i: number) => (2 * Math.PI * i) / ROUND;
    // A border runs through the cell round a place: the mean of what lies in it.
    const painted = (r: number, a: number): Triple => {
      const sum = [0, 0, 0];
      for (const [dr, da] of [
        [0, 0],
        [-0.35, 0],
        [0.35, 0],
        [0, -0.35],
        [0, 0.35],
      ] as const) {
        const q = polar(Math.max(0, r + (dr * R) / RINGS), a + (da * 2 * Math.PI) / ROUND);
        const seen = seenOn(shapes, q);
        const c = (seen && lit.get(seen)) ?? plain;
        for (let k = 0; k < 3; k++) sum[k]! += c[k]! / 5;
      }
      return sum as unknown as Triple;
    };
    const ball = emptySurface();
    sheet(
      ball,
      [ROUND + 1, RINGS + 2],
      (i, j) =>
        j > RINGS
          ? onEye(e, Math.min(0, high(R)) - BELOW * eyes.discMm, polar(R, turn(i)))
          : onEye(e, high((R * j) / RINGS), polar((R * j) / RINGS, turn(i))),
      (i, j) => painted((R * Math.min(j, RINGS)) / RINGS, turn(i)),
      (i, j) => {
        const r = (R * Math.min(j, RINGS)) / RINGS;
        const slope = (high(Math.max(0, r - 0.01 * R)) - high(r)) / (0.01 * R);
        const [x, y] = polar(slope, turn(i));
        return unit(sub(onEye(e, 1, [x, y]), e.at));
      },
    );
    const lids = emptySurface();
    const { upper, lower } = lidEdges(face.eyes, eyes.discMm, e.side);
    // Without a lid of its own the wool round an eye comes up to its edge.
    if (face.eyes.kind !== 'closed' && (eyes.around || upper || lower))
      for (const way of [1, -1] as const)
        lid(lids, e, way, way === 1 ? upper : lower, eyes.discMm, high, linearOf(colours.lids));
    return { ball, lids, gloss: bought ? 1 : WOOL_GLOSS };
  });
}

/** Strands of wool side by side along a lid. */
const ALONG = 90;
const OVER = 10;

/** Strands that lie beside each other differ a little in tone; the same ones every time. */
function strand(colour: Triple, i: number, way: 1 | -1): Triple {
  const x = Math.sin(12.9898 * (i + 1) + 78.233 * way) * 43758.5453;
  const tone = 1 + STREAKS * (x - Math.floor(x) - 0.5);
  return [colour[0] * tone, colour[1] * tone, colour[2] * tone];
}
/** How far, light to dark. Ours. */
const STREAKS = 0.3;

/** One lid, from its edge over the ball to where it runs into the skin: a roll, round at its edge. */
function lid(
  into: Surface,
  e: FacePlan['eyes']['places'][number],
  way: 1 | -1,
  edge: ((x: number) => number) | null,
  discMm: number,
  high: (r: number) => number,
  colour: Triple,
): void {
  const R = discMm / 2;
  const place = (i: number, t: number): Pt => {
    // From corner to corner, evenly round the rim.
    const a = Math.PI * (i / ALONG);
    const [x, rim] = [R * Math.cos(a), way * R * Math.sin(a)];
    const y = edge ? Math.max(-Math.abs(rim), Math.min(Math.abs(rim), edge(x))) : rim;
    const far = 1 + LID_OUT / 0.5;
    const [ox, oy] = [x * far, rim * far];
    return [x + t * (ox - x), y + t * (oy - y)];
  };
  const lift = (t: number) =>
    LID_THICK *
    discMm *
    (t < 0.4 ? Math.sin((Math.PI / 2) * (t / 0.4)) : Math.cos((Math.PI / 2) * ((t - 0.4) / 0.6) * 1.15));
  sheet(
    into,
    [ALONG + 1, OVER + 1],
    (i, j) => {
      const t = j / OVER;
      const p = place(i, t);
      const r = Math.hypot(...p);
      return onEye(e, (r < R ? Math.max(high(r), 0) : Math.min(0, high(R))) + lift(t), p);
    },
    (i) => strand(colour, i, way),
    (i, j) => {
      const p = place(i, j / OVER);
      return unit(sub(onEye(e, R, p), e.at));
    },
  );
}
