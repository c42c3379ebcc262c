/**
 * What fur stands on in a picture. The animal is drawn as it is finished, its fur included; fur begins deeper, on the core, as deep as the
 * coat is thick there. So skin, surfaces and rows are brought down to it before anything is pictured, and the tips of the fur come to where
 * the finished animal is drawn. Wool felted flat is itself what is drawn, and round an eye the coat runs out to its lids. Lengths mm.
 */
import type { CoatPlan } from '@/core/coat/coat-plan';
import { feltedFlat } from '@/core/coat/picture/pile';
import type { RowPiece } from '@/core/coat/rows/rows';
import { makeBody } from '@/core/form/body';
import { buildEdges } from '@/core/geometry/mesh';
import type { Vec3 } from '@/core/geometry/vec';
import type { Piece } from '@/core/piece/schema';
import type { Plan } from '@/core/plan';
import { areasOfSkin } from './bare-skin';

type Skin = Plan['form']['skin'];

export interface Rooted {
  readonly skin: Skin;
  readonly coat: CoatPlan;
}

/** No deeper than this share of the way to the axis of a part: in its middle all fur would begin at one point. Ours. */
const DEEPEST = 0.8;
/** Places between vertices of the skin go by those nearer than so many of its longest edges. */
const NEAR = 1;

/** Worked out once for the same coat, as long as skin, core and face are the same too. */
const known = new WeakMap<CoatPlan, { readonly of: readonly unknown[]; readonly made: Rooted }>();

export function rooted(
  piece: Pick<Piece, 'form'>,
  { form, coat, core, face }: Pick<Plan, 'form' | 'coat' | 'core' | 'face'>,
): Rooted {
  const { skin } = form;
  const of = [skin, core.depth, face];
  const had = known.get(coat);
  if (had && had.of.every((x, i) => x === of[i])) return had.made;
  const n = skin.positions.length / 3;
  // First figures of a new shape come before its core.
  const made =
    core.depth.length === n && core.depth.some((d) => d > 0)
      ? broughtDown(piece, skin, coat, core.depth, face)
      : { skin, coat };
  known.set(coat, { of, made });
  return made;
}

/** How deep fur begins under every vertex: nowhere under felt. */
function standing(skin: Skin, coat: CoatPlan, depth: Float64Array): Float64Array {
  const { area } = areasOfSkin(skin, coat.areas);
  const most = coat.areas.map(({ fur }) => {
    if (!fur || feltedFlat(fur.pile)) return 0;
    const { scattered, hemMm, topMm, liftDeg } = fur.pile;
    // Of a nap the layer it stands on is felt; only what stands is fur.
    return scattered ? Math.max(hemMm, topMm) * Math.sin((liftDeg * Math.PI) / 180) : Infinity;
  });
  return depth.map((d, v) => (area[v]! < 0 ? 0 : Math.min(d, most[area[v]!]!)));
}

/** Round an eye the coat runs out, from so many of its widths away to so many. Ours. */
const EYE_FROM = 0.7;
const EYE_TO = 1.8;

/** Less and less towards an eye. */
function parted(skin: Skin, down: Float64Array, face: Plan['face']): void {
  if (!face) return;
  const p = skin.positions;
  for (let i = 0; i < p.length; i += 3)
    for (const { at } of face.eyes.places) {
      const away = Math.hypot(p[i]! - at[0], p[i + 1]! - at[1], p[i + 2]! - at[2]) / face.eyes.discMm;
      if (away >= EYE_TO) continue;
      const t = Math.max(0, (away - EYE_FROM) / (EYE_TO - EYE_FROM));
      for (let k = 0; k < 3; k++) down[i + k]! *= t * t * (3 - 2 * t);
    }
}

function broughtDown(
  piece: Pick<Piece, 'form'>,
  skin: Skin,
  coat: CoatPlan,
  asked: Float64Array,
  face: Plan['face'],
): Rooted {
  const down = new Float64Array(skin.positions.length);
  const axes = axesOf(piece);
  const depth = standing(skin, coat, asked);
  const { positions: p, normals } = skin;
  for (let v = 0; v < depth.length; v++) {
    if (depth[v] === 0) continue;
    const i = 3 * v;
    const d = Math.min(depth[v]!, DEEPEST * toAxis(axes, p[i]!, p[i + 1]!, p[i + 2]!));
    for (let k = 0; k < 3; k++) down[i + k] = -d * normals[i + k]!;
  }
  evened(skin, down);
  parted(skin, down, face);
  const at = between(skin, down);
  return {
    skin: { ...skin, positions: p.map((x, i) => x + down[i]!) },
    coat: {
      ...coat,
      areas: coat.areas.map((a) => ({
        ...a,
        surface: a.surface && { ...a.surface, positions: lowered(a.surface.positions, at) },
        fur: a.fur && {
          ...a.fur,
          rows: {
            ...a.fur.rows,
            rows: a.fur.rows.rows.map((r) => ({ ...r, pieces: r.pieces.map((x) => loweredRow(x, at)) })),
          },
        },
      })),
    },
  };
}

/** Ways down are evened over about so many times the deepest of them, and in so many rounds at most. Ours. */
const OVER = 1.2;
const ROUNDS = 60;

/** Where skin bends sharply its ways down cross each other: the mean of them is shorter, and nothing folds over. */
function evened(skin: Skin, down: Float64Array): void {
  const { ends, count } = buildEdges(skin.triangles, down.length / 3);
  const by = new Float64Array(down.length / 3);
  const sum = new Float64Array(down.length);
  let deepest = 0;
  for (let i = 0; i < down.length; i += 3)
    deepest = Math.max(deepest, Math.hypot(down[i]!, down[i + 1]!, down[i + 2]!));
  // Every round carries it on by an edge, and many of them by the root of how many they are.
  const rounds = Math.min(ROUNDS, Math.ceil(((OVER * deepest) / edgesOf(skin).mean) ** 2));
  for (let round = 0; round < rounds; round++) {
    sum.set(down);
    by.fill(1);
    for (let e = 0; e < count; e++) {
      const [u, v] = [ends[2 * e]!, ends[2 * e + 1]!];
      by[u]!++;
      by[v]!++;
      for (let k = 0; k < 3; k++) {
        sum[3 * u + k]! += down[3 * v + k]!;
        sum[3 * v + k]! += down[3 * u + k]!;
      }
    }
    for (let i = 0; i < down.length; i++) down[i] = sum[i]! / by[Math.floor(i / 3)]!;
  }
}

type Down = (x: number, y: number, z: number, into: Float64Array) => void;

function lowered(points: Float64Array, at: Down): Float64Array {
  const out = new Float64Array(points.length);
  const d = new Float64Array(3);
  for (let i = 0; i < points.length; i += 3) {
    at(points[i]!, points[i + 1]!, points[i + 2]!, d);
    for (let k = 0; k < 3; k++) out[i + k] = points[i + k]! + d[k]!;
  }
  return out;
}

/** As long as it is planned, whatever its points are: what is laid on it is spread over all of it. */
function loweredRow(p: RowPiece, at: Down): RowPiece {
  const points = lowered(p.points, at);
  const long = lengthOf(points);
  return long > 0 ? { ...p, points, times: p.lengthMm / long } : p;
}

function lengthOf(p: Float64Array): number {
  let s = 0;
  for (let i = 3; i < p.length; i += 3)
    s += Math.hypot(p[i]! - p[i - 3]!, p[i + 1]! - p[i - 2]!, p[i + 2]! - p[i - 1]!);
  return s;
}

/** The way down between vertices: the nearer a vertex, the more it says. */
function between(skin: Skin, down: Float64Array): Down {
  const p = skin.positions;
  const edge = edgesOf(skin).longest;
  const cell = NEAR * edge;
  const key = (i: number, j: number, k: number) => (i * 73856093) ^ (j * 19349663) ^ (k * 83492791);
  const cells = new Map<number, number[]>();
  for (let i = 0; i < p.length; i += 3) {
    const at = key(Math.floor(p[i]! / cell), Math.floor(p[i + 1]! / cell), Math.floor(p[i + 2]! / cell));
    const list = cells.get(at);
    if (list) list.push(i);
    else cells.set(at, [i]);
  }
  const least = (0.05 * edge) ** 2;
  return (x, y, z, into) => {
    into.fill(0);
    let sum = 0;
    const [a, b, c] = [Math.floor(x / cell), Math.floor(y / cell), Math.floor(z / cell)];
    for (let i = a - 1; i <= a + 1; i++)
      for (let j = b - 1; j <= b + 1; j++)
        for (let k = c - 1; k <= c + 1; k++)
          for (const v of cells.get(key(i, j, k)) ?? []) {
            const d2 = (p[v]! - x) ** 2 + (p[v + 1]! - y) ** 2 + (p[v + 2]! - z) ** 2;
            if (d2 > cell * cell) continue;
            const w = 1 / (d2 + least) ** 2;
            sum += w;
            for (let q = 0; q < 3; q++) into[q]! += w * down[v + q]!;
          }
    if (sum > 0) for (let q = 0; q < 3; q++) into[q]! /= sum;
  };
}

function edgesOf({ positions: p, triangles: T }: Skin): { readonly longest: number; readonly mean: number } {
  let [longest, sum] = [0, 0];
  for (let t = 0; t < T.length; t += 3)
    for (let c = 0; c < 3; c++) {
      const [i, j] = [3 * T[t + c]!, 3 * T[t + ((c + 1) % 3)]!];
      const d = Math.hypot(p[i]! - p[j]!, p[i + 1]! - p[j + 1]!, p[i + 2]! - p[j + 2]!);
      longest = Math.max(longest, d);
      sum += d;
    }
  return { longest, mean: sum / (T.length || 1) };
}

type Axis = readonly [Vec3, Vec3];

const axesOf = (piece: Pick<Piece, 'form'>): Axis[] =>
  makeBody(piece.form).parts.flatMap((b) => [...b.left, ...(b.right ?? [])].map((s): Axis => [s.a, s.b]));

function toAxis(axes: readonly Axis[], x: number, y: number, z: number): number {
  let least = Infinity;
  for (const [a, b] of axes) {
    const [ux, uy, uz] = [b[0] - a[0], b[1] - a[1], b[2] - a[2]];
    const [px, py, pz] = [x - a[0], y - a[1], z - a[2]];
    const t = Math.max(0, Math.min(1, (px * ux + py * uy + pz * uz) / (ux * ux + uy * uy + uz * uz || 1)));
    least = Math.min(least, Math.hypot(px - t * ux, py - t * uy, pz - t * uz));
  }
  return least;
}
