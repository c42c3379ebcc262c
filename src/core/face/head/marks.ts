/**
 * Landmarks of the planned face and their measures: straight as a calliper takes them, over the skin as a thread lies, to
 * the tip of the nose and to the twin on the other side; and the height over nose, mouth and the line from nose to ear.
 */
import { nearestVertex } from '@/core/geometry/mesh';
import { nearestOf, toTriangle } from '@/core/geometry/inside';
import { overSkin } from '@/core/geometry/over-skin';
import type { Vec3 } from '@/core/geometry/vec';
import type { FaceMark } from '@/core/piece/face';
import { aboveLine, apart } from '@/core/face/eyes/eye-place';
import { intoHead, type Head } from './head';

export interface Mark {
  readonly mark: FaceMark;
  readonly name: string;
  /** On the skin, mm. */
  readonly at: Vec3;
  readonly twin: FaceMark | null;
}

export interface Measured {
  readonly mark: FaceMark;
  readonly name: string;
  readonly at: Vec3;
  /** In the frame of the head: left, up, forward of the tip of the nose. */
  readonly inHead: Vec3;
  readonly noseStraightMm: number;
  readonly noseOverMm: number | null;
  readonly twinStraightMm: number | null;
  readonly twinOverMm: number | null;
  /** Over the tip of the nose, and over the corners of the mouth where there are any. */
  readonly aboveNoseMm: number;
  readonly aboveMouthMm: number | null;
  /** Over the line from nose to ear; null without ears. */
  readonly aboveEarLineMm: number | null;
}

/** Straight distance is exact so near to the start, mm; further on the front is carried over the triangles. */
const EXACT = 4;

/** Distance over the skin at a place: within its triangle between those of the corners; null where no way over the skin leads there. */
function overAt(head: Head, d: Float64Array, p: Vec3): number | null {
  const { positions, triangles } = head.mesh;
  const v = nearestVertex(positions, p);
  let best = Infinity;
  let value = d[v]!;
  for (let t = 0; t < triangles.length; t += 3) {
    if (triangles[t] !== v && triangles[t + 1] !== v && triangles[t + 2] !== v) continue;
    toTriangle(positions, triangles, t / 3, p[0], p[1], p[2]);
    if (nearestOf[3]! < best) {
      best = nearestOf[3]!;
      value =
        nearestOf[0]! * d[triangles[t]!]! +
        nearestOf[1]! * d[triangles[t + 1]!]! +
        nearestOf[2]! * d[triangles[t + 2]!]!;
    }
  }
  return Number.isFinite(value) ? value : null;
}

export function measureMarks(head: Head, marks: readonly Mark[]): Measured[] {
  const local = new Map(marks.map((m) => [m.mark, intoHead(head.frame, m.at)]));
  const nose = local.get('nose')!;
  const fromNose = overSkin(head.mesh, [nose], EXACT);
  const mouth = local.get('mouth-left') ?? local.get('mouth-right');
  const ear = local.get('ear-left') ?? local.get('ear-right');
  // Seen from the side the ear line runs in the plane of the midline.
  const flat = (p: Vec3): Vec3 => [0, p[1], p[2]];
  const from = new Map<FaceMark, Float64Array>();
  return marks.map((m): Measured => {
    const at = local.get(m.mark)!;
    const twin = m.twin && local.get(m.twin);
    let twinOverMm: number | null = null;
    if (m.twin && twin) {
      // One run serves both of a pair.
      const start = m.mark < m.twin ? m.mark : m.twin;
      const end = m.mark < m.twin ? m.twin : m.mark;
      let d = from.get(start);
      if (!d) {
        d = overSkin(head.mesh, [local.get(start)!], EXACT);
        from.set(start, d);
      }
      twinOverMm = overAt(head, d, local.get(end)!);
    }
    return {
      mark: m.mark,
      name: m.name,
      at: m.at,
      inHead: at,
      noseStraightMm: apart(at, nose),
      noseOverMm: m.mark === 'nose' ? 0 : overAt(head, fromNose, at),
      twinStraightMm: twin ? apart(at, twin) : null,
      twinOverMm,
      aboveNoseMm: at[1] - nose[1],
      aboveMouthMm: mouth ? at[1] - mouth[1] : null,
      aboveEarLineMm: ear ? aboveLine(flat(at), flat(nose), flat(ear), [0, 1, 0]) : null,
    };
  });
}
