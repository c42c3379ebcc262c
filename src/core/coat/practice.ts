/**
 * A practice ball: the spec of an area laid on a ball of a chosen diameter, so that it can be tried small first. The ball
 * is a surface like any other, with the lie running down from its top; the top is left to hold it by. Lengths mm.
 */
import { buildEdges } from '@/core/geometry/mesh';
import type { Patch } from '@/core/geometry/cut';
import type { Laid } from '@/core/piece/coat';
import type { Cupboard } from '@/core/piece/cupboard';
import type { HandAtWork } from '@/core/rates/hand-at-work';
import type { Area } from '@/core/piece/schema';
import { laidWool } from '@/core/wool/laid-wool';
import type { AreaShape } from '@/core/coat/rows/area-shape';
import { blendOf } from './blend-of';
import { asLearnt, knowing, knownOf, learntTogether, taughtOf } from './learnt';
import type { Lay } from './way';
import { wayOf } from './ways';

const ROUND = 72;
const DOWN = 36;
/** Covered from the bottom up to so many degrees from the top. Ours. */
export const COVERED_FROM_DEG = 30;

/** The covered part of a ball, its row field known exactly: height above the bottom along the skin. */
export function ballShape(diameterMm: number): AreaShape {
  const R = diameterMm / 2;
  const top = (COVERED_FROM_DEG * Math.PI) / 180;
  const positions: number[] = [];
  const lie: number[] = [];
  const phi: number[] = [];
  const put = (theta: number, a: number) => {
    const [s, c] = [Math.sin(theta), Math.cos(theta)];
    positions.push(R * s * Math.cos(a), R * c, R * s * Math.sin(a));
    // Down over the ball: away from its top.
    lie.push(c * Math.cos(a), -s, c * Math.sin(a));
    phi.push(R * (Math.PI - theta));
  };
  for (let j = 0; j < DOWN; j++) {
    const theta = top + ((Math.PI - top) * j) / DOWN;
    for (let i = 0; i < ROUND; i++) put(theta, (2 * Math.PI * (i + (j % 2) / 2)) / ROUND);
  }
  put(Math.PI, 0);
  const triangles: number[] = [];
  const id = (i: number, j: number) => j * ROUND + (i % ROUND);
  for (let j = 0; j + 1 < DOWN; j++) {
    for (let i = 0; i < ROUND; i++) {
      if (j % 2 === 0)
        triangles.push(id(i, j), id(i + 1, j), id(i, j + 1), id(i + 1, j), id(i + 1, j + 1), id(i, j + 1));
      else triangles.push(id(i, j), id(i + 1, j), id(i + 1, j + 1), id(i, j), id(i + 1, j + 1), id(i, j + 1));
    }
  }
  for (let i = 0; i < ROUND; i++) triangles.push(id(i, DOWN - 1), id(i + 1, DOWN - 1), DOWN * ROUND);
  const n = phi.length;
  const P = Float64Array.from(positions);
  const T = Uint32Array.from(triangles);
  const area = new Float64Array(T.length / 3);
  for (let t = 0; t < area.length; t++) {
    const [a, b, c] = [3 * T[3 * t]!, 3 * T[3 * t + 1]!, 3 * T[3 * t + 2]!];
    const u = [0, 1, 2].map((k) => P[b + k]! - P[a + k]!);
    const w = [0, 1, 2].map((k) => P[c + k]! - P[a + k]!);
    area[t] =
      Math.hypot(u[1]! * w[2]! - u[2]! * w[1]!, u[2]! * w[0]! - u[0]! * w[2]!, u[0]! * w[1]! - u[1]! * w[0]!) / 2;
  }
  const whole = 2 * Math.PI * R * R * (1 + Math.cos(top));
  const patch: Patch = {
    positions: P,
    triangles: T,
    edges: buildEdges(T, n),
    from: new Uint32Array(2 * n),
    share: new Float64Array(n),
    piece: new Int32Array(n),
    pieces: 1,
    areaMm2: whole,
  };
  return {
    patch,
    normal: P.map((x) => x / R),
    lie: Float64Array.from(lie),
    field: {
      phi: Float64Array.from(phi),
      steepness: new Float64Array(area.length).fill(1),
      strayDeg: new Float64Array(area.length),
      area,
      hemLengthMm: 0,
    },
    components: [{ areaMm2: whole, side: 'middle', twinOf: null }],
    heightMm: R * (Math.PI - top),
    swirl: 0,
    away: [],
  };
}

/** The lay of a spec on a ball. @returns null when its wool is not in the cupboard */
export function practiceBall(
  area: Area,
  coat: Laid,
  diameterMm: number,
  cupboard: Cupboard,
  hand: HandAtWork,
): Lay | null {
  const own = cupboard.lots.find((l) => l.id === coat.lotId);
  if (!own) return null;
  const wool = laidWool(own, blendOf(area), cupboard, hand);
  const learnt = learntTogether(cupboard, wool, hand);
  const taught = taughtOf(hand, coat.method, knownOf(learnt, hand));
  const lay = wayOf(coat.method).lay({
    area: { ...area, branching: false },
    areaIndex: 0,
    lying: [],
    longer: [],
    stopsAt: null,
    spec: coat,
    lot: wool.lot,
    parts: wool.parts,
    instead: () => [],
    cupboard,
    hand: learnt.hand,
    habit: learnt.habit * taught.wool,
    rise: learnt.rise * taught.loft,
    known: taught.known,
    withLot: (l) => asLearnt(cupboard, l, hand, taught),
    wayOf,
    shape: ballShape(diameterMm),
    body: null,
    under: [],
    keep: (_slot, from, make) => make(...from),
  });
  return knowing(lay, taught.known);
}
