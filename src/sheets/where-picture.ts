/**
 * Where on the animal a step is: its outline from the side that shows the place best, with the place dotted or drawn in.
 * Right and up of the picture, mm.
 */
import { isAbout } from '@/core/ref';
import { makeBody, onAxis, type Body } from '@/core/form/body';
import { SIDES } from '@/core/form/sides';
import { buildEdges } from '@/core/geometry/mesh';
import { outline, type Outline } from '@/core/geometry/outline';
import { cross, dot, type Vec3 } from '@/core/geometry/vec';
import type { Piece } from '@/core/piece/schema';
import type { Plan } from '@/core/plan';
import type { Operation } from '@/core/stage';

type SideName = keyof typeof SIDES;
type Flat = readonly [number, number];

export interface WherePicture {
  readonly side: SideName;
  readonly outline: Outline;
  readonly dots: readonly Flat[];
  readonly lines: readonly (readonly Flat[])[];
}

const DOTS = 140;

/** Pictures of one piece; outlines are drawn once for all steps. */
export function whereOnAnimal(piece: Piece, plan: Plan): (o: Operation) => WherePicture | null {
  const body: Body = makeBody(piece.form);
  const { skin } = plan.form;
  const edges = buildEdges(skin.triangles, skin.positions.length / 3);
  const outlines = new Map<SideName, Outline>();
  const outlineOf = (side: SideName): Outline => {
    let o = outlines.get(side);
    if (!o) outlines.set(side, (o = outline(skin, edges, SIDES[side].from, SIDES[side].up)));
    return o;
  };
  const flat = (side: SideName, p: Vec3): Flat => {
    const { from, up } = SIDES[side];
    return [dot(p, cross(up, from)), dot(p, up)];
  };
  /** Which side sees most of these places. */
  const best = (normals: readonly Vec3[]): SideName =>
    (Object.keys(SIDES) as SideName[]).reduce((a, b) => {
      // What lies on both sides alike is shown from one of them.
      const seen = (s: SideName) =>
        normals.filter((n) => (s === 'left' ? Math.abs(dot(n, SIDES[s].from)) : dot(n, SIDES[s].from)) > 0.35).length;
      return seen(b) > seen(a) * 1.15 ? b : a;
    }, 'left');
  const of = (side: SideName, dots: readonly Vec3[], lines: readonly (readonly Vec3[])[]): WherePicture => ({
    side,
    outline: outlineOf(side),
    dots: dots.map((p) => flat(side, p)),
    lines: lines.map((l) => l.map((p) => flat(side, p))),
  });
  const area = (id: string): WherePicture | null => {
    const s = plan.coat.areas.find((a) => a.id === id)?.surface;
    if (!s) return null;
    const n = s.positions.length / 3;
    const step = Math.max(1, Math.floor(n / DOTS));
    const at: { p: Vec3; n: Vec3 }[] = [];
    for (let v = 0; v < n; v += step)
      at.push({
        p: [s.positions[3 * v]!, s.positions[3 * v + 1]!, s.positions[3 * v + 2]!],
        n: [s.normals[3 * v]!, s.normals[3 * v + 1]!, s.normals[3 * v + 2]!],
      });
    const side = best(at.map((x) => x.n));
    return of(
      side,
      at.filter((x) => dot(x.n, SIDES[side].from) > 0).map((x) => x.p),
      [],
    );
  };
  return (o) => {
    if (o.kind === 'wire')
      return of(
        'left',
        [],
        plan.frame.runs.flatMap((r) => r.paths),
      );
    if (o.stage === 'face') {
      const places =
        o.needlework?.where.on === 'places'
          ? o.needlework.where.places
          : plan.face
            ? plan.face.eyes.places.map((e) => e.at)
            : [];
      return places.length > 0 ? of('left', places, []) : null;
    }
    if (o.about.kind === 'core')
      return of(
        'left',
        body.parts
          .filter((p) => p.part.on !== null)
          .map((p) => onAxis(p, p.left, p.part.root === 'start' ? 0.1 : 0.9).at),
        [],
      );
    const part = body.parts.find((p) => isAbout(o, 'part', p.part.id));
    if (o.stage === 'form') {
      if (!part) return null;
      return of(
        'left',
        [],
        [part.left, ...(part.right ? [part.right] : [])].map((s) => [s[0]!.a, ...s.map((x) => x.b)]),
      );
    }
    const host = o.needlework?.where.on === 'area' ? o.needlework.where.id : o.about.id;
    return area(host);
  };
}
