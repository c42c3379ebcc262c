/**
 * The ground a needle goes into: places spread over an area, a part, the joints or the face, and what lies ahead of a stab
 * there: felt, wire, set stems and glass, the other side. Rays through the core; closed forms for wire and eyes.
 */
import type { AreaPlan, CoatPlan } from '@/core/coat/coat-plan';
import { onAxis, type BodyPart } from '@/core/form/body';
import type { CorePlan } from '@/core/build/core-plan';
import type { FormWork } from '@/core/form/form';
import type { FramePlan } from '@/core/build/frame';
import { outwardAt } from '@/core/form/surface';
import type { Zone } from '@/core/face/face-plan';
import type { Memo } from '@/core/memo';
import { nearestVertex, type Mesh } from '@/core/geometry/mesh';
import { crossings } from '@/core/geometry/rays';
import { add, cross, flatten, norm, scale, unit, type Vec3 } from '@/core/geometry/vec';
import type { Where } from '@/core/stage';
import type { Ahead } from './depth-window';
import { sine } from './depth-window';
import { metAt, type Capsule } from './obstacles';
import { widthOfSurface } from './surface-width';

/** A place on the ground with its own directions. */
export interface Spot {
  readonly at: Vec3;
  readonly normal: Vec3;
  readonly lie: Vec3;
}

/** Which way a slanted needle leans: its point travels so over the skin. */
export const LEANS = ['along the lie', 'against the lie', 'across the lie', 'across the other way'] as const;
export type Lean = (typeof LEANS)[number];

export interface Ground {
  readonly form: FormWork;
  /** Of every area that lies somewhere, and how wide it is, mm. */
  readonly surfaces: readonly (Pick<AreaPlan, 'id' | 'surface'> & { readonly acrossMm: number | null })[];
  /** What is felted: the core, or the animal where no core is drawn. */
  readonly felt: Mesh;
  readonly capsules: readonly Capsule[];
  /** Whether a vertex of the skin has fur over it. */
  readonly furred: Uint8Array;
  readonly partIds: ReadonlySet<string>;
}

const SPOTS = 10;

/** The ground of a piece before its eyes are set; the same object as long as nothing of it changes. */
export const groundOf = (
  form: FormWork,
  coat: CoatPlan,
  core: CorePlan,
  frame: FramePlan,
  owner: Int32Array,
  memo: Memo,
): Ground =>
  memo.keep(
    'ground',
    [
      form,
      owner,
      coat.areas.map((a) => ({
        id: a.id,
        surface: a.surface,
        furred: a.fur !== null,
        acrossMm: memo.keep(`across:${a.id}`, [a.surface], (s) => s && widthOfSurface(s)),
      })),
      core.skin ?? form.skin,
      core.parts.filter((p) => p.volumeMm3 > 0).map((p) => p.id),
      { runs: frame.runs, thickMm: frame.thickMm },
    ],
    (animal, owners, areas, felt, partIds, { runs, thickMm }): Ground => ({
      form: animal,
      surfaces: areas,
      felt,
      capsules: runs.flatMap((r) =>
        r.paths.flatMap((path) =>
          path.slice(1).map((b, i): Capsule => ({ a: path[i]!, b, radiusMm: (thickMm * r.strands) / 2, what: 'wire' })),
        ),
      ),
      furred: Uint8Array.from(owners, (a) => (areas[a]?.furred ? 1 : 0)),
      partIds: new Set(partIds),
    }),
  );

export const eyesIn = (zones: readonly Zone[]): Capsule[] =>
  zones.map((z): Capsule => ({ a: z.a, b: z.b, radiusMm: z.radiusMm, what: 'eye' }));

/** The ground once these eyes are set. */
export const withEyes = (g: Ground, eyes: readonly Capsule[]): Ground => ({ ...g, capsules: [...g.capsules, ...eyes] });

/** Places spread over an area by its surface. */
function spotsOfArea(g: Ground, id: string): Spot[] {
  const s = g.surfaces.find((a) => a.id === id)?.surface;
  if (!s || s.triangles.length === 0) return [];
  const n = s.triangles.length / 3;
  const corner = (of: Float64Array, t: number): Vec3 => {
    const out = [0, 0, 0];
    for (let k = 0; k < 3; k++) for (let j = 0; j < 3; j++) out[j]! += of[3 * s.triangles[3 * t + k]! + j]! / 3;
    return out as unknown as Vec3;
  };
  const sizes = new Float64Array(n);
  let total = 0;
  const p = s.positions;
  for (let t = 0; t < n; t++) {
    const [a, b, c] = [3 * s.triangles[3 * t]!, 3 * s.triangles[3 * t + 1]!, 3 * s.triangles[3 * t + 2]!];
    const ux = p[b]! - p[a]!, uy = p[b + 1]! - p[a + 1]!, uz = p[b + 2]! - p[a + 2]!; // prettier-ignore
    const vx = p[c]! - p[a]!, vy = p[c + 1]! - p[a + 1]!, vz = p[c + 2]! - p[a + 2]!; // prettier-ignore
    const nx = uy * vz - uz * vy, ny = uz * vx - ux * vz, nz = ux * vy - uy * vx; // prettier-ignore
    total += sizes[t] = Math.sqrt(nx * nx + ny * ny + nz * nz) / 2;
  }
  const out: Spot[] = [];
  let sum = 0;
  for (let t = 0; t < n; t++) {
    sum += sizes[t]!;
    while (out.length < SPOTS && sum >= ((out.length + 0.5) / SPOTS) * total)
      out.push({ at: corner(s.positions, t), normal: unit(corner(s.normals, t)), lie: corner(s.lie, t) });
  }
  return out;
}

/** Places round a part, where lines from its axis leave the felt. */
function round(g: Ground, part: BodyPart, alongs: readonly number[]): Spot[] {
  return alongs.flatMap((along) => {
    const { at, axis, top, out } = onAxis(part, part.left, along);
    return [top, out, scale(top, -1), scale(out, -1)].flatMap((to): Spot[] => {
      const normal = unit(to);
      const hits = crossings(g.felt, at, normal);
      // An axis outside the felt (swallowed by the coat) has no ground here.
      if (hits.length % 2 === 0) return [];
      return [{ at: add(at, scale(normal, hits[0]!)), normal, lie: axis }];
    });
  });
}

/** So far outside the skin a stab is started when it is traced, so that it crosses into the felt. */
const START_MM = 0.3;

/**
 * A place of the skin taken down to the felt below it: fur is laid and pushed aside, the needle is set on the ground.
 * @returns null where nothing is felted below
 */
export function ontoFelt(g: Ground, s: Spot): Spot | null {
  const inward = scale(s.normal, -1);
  const from = add(s.at, scale(s.normal, START_MM));
  const hits = crossings(g.felt, from, inward);
  if (hits.length === 0) return null;
  // Begun inside the felt already: it is where it is.
  return hits.length % 2 === 1 ? s : { ...s, at: add(from, scale(inward, hits[0]!)) };
}

export function spotsOf(g: Ground, where: Where): Spot[] {
  switch (where.on) {
    case 'area':
      return spotsOfArea(g, where.id).flatMap((s) => ontoFelt(g, s) ?? []);
    case 'part': {
      const part = g.form.body.parts.find((p) => p.part.id === where.id);
      return part ? round(g, part, [0.25, 0.5, 0.75]) : [];
    }
    case 'joints':
      return g.form.body.parts
        .filter((p) => p.part.on !== null && g.partIds.has(p.part.id))
        .flatMap((p) => round(g, p, [p.part.root === 'start' ? 0.2 : 0.8]));
    case 'places':
      return where.places.map((at) => {
        const normal = outwardAt(g.form, at);
        const v = 3 * nearestVertex(g.form.skin.positions, at);
        // The face is worked on what lies there, not below it.
        return { at, normal, lie: [g.form.lie[v]!, g.form.lie[v + 1]!, g.form.lie[v + 2]!] };
      });
    case 'mat':
      return [];
  }
}

/** Unit direction the needle travels at this angle to the skin. */
export function stabDirection(s: Spot, angleDeg: number, lean: Lean): Vec3 {
  const along = flatten(s.lie, s.normal);
  const t =
    norm(along) > 1e-6 ? unit(along) : unit(flatten(Math.abs(s.normal[1]) < 0.9 ? [0, 1, 0] : [1, 0, 0], s.normal));
  const side = cross(s.normal, t);
  const flat =
    lean === 'along the lie'
      ? t
      : lean === 'against the lie'
        ? scale(t, -1)
        : lean === 'across the lie'
          ? side
          : scale(side, -1);
  const into = sine(angleDeg);
  return unit(add(scale(s.normal, -into), scale(flat, Math.sqrt(Math.max(0, 1 - into * into)))));
}

/**
 * What lies ahead of a stab that goes in at a place; null where there is no felt ahead at all. Traced from a little way back
 * along the stab: begun beside the place, a flat one would enter elsewhere or pass over a round part.
 */
export function aheadOf(g: Ground, s: Spot, to: Vec3, bladeMm: number): Ahead | null {
  const from = add(s.at, scale(to, -START_MM));
  const hits = crossings(g.felt, from, to);
  if (hits.length === 0) return null;
  // Begun inside already (a ground that lies lower than its place): the next crossing is the way out.
  const [inAt, outAt] = hits.length % 2 === 0 ? [hits[0]!, hits[1]!] : [Math.min(START_MM, hits[0]!), hits[0]!];
  let wireMm = Infinity;
  let eyeMm = Infinity;
  for (const c of g.capsules) {
    const d = metAt(from, to, c) - inAt;
    if (d > bladeMm + 10) continue;
    if (c.what === 'wire') wireMm = Math.min(wireMm, Math.max(0, d));
    else eyeMm = Math.min(eyeMm, Math.max(0, d));
  }
  return { throughMm: outAt - inAt, wireMm, eyeMm, farShows: false };
}

/** Whether the far side of a stab stays bare when all is done. */
export function farSideShows(g: Ground, s: Spot, to: Vec3, throughMm: number): boolean {
  const v = nearestVertex(g.form.skin.positions, add(s.at, scale(to, throughMm)));
  return g.furred[v] === 0;
}
