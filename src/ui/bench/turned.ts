/** The animal turned so that a row, or the place of a step, is seen; left as it is where it can be seen already. */
import type { Row } from '@/core/coat/rows/rows';
import { posed, type PosedPart } from '@/core/form/pose';
import type { Plan } from '@/core/plan';
import type { Piece } from '@/core/piece/schema';
import type { Operation } from '@/core/stage';
import type { View } from '@/desk/view';
import { eye } from '@/ui/pictures/camera';

type Turn = Pick<View, 'yaw' | 'pitch'>;

/** Seen well where it faces the eye by this much at least, as a cosine. */
const SEEN = 0.35;
/** A row that runs all round faces nowhere: one whose sides cancel out to less than this. */
const ROUND = 0.3;
/** A part that points away from the eye by more than this lies behind the body, as a cosine. */
const HIDDEN = -0.45;

/** Which way most of it faces; null where it runs round. @param n outward normals, stride 3 */
function facing(n: Float64Array | undefined): [number, number, number] | null {
  if (!n || n.length === 0) return null;
  const mean = [0, 1, 2].map((k) => {
    let s = 0;
    for (let i = k; i < n.length; i += 3) s += n[i]!;
    return (3 * s) / n.length;
  }) as [number, number, number];
  const size = Math.hypot(...mean);
  return size < ROUND ? null : (mean.map((x) => x / size) as [number, number, number]);
}

/** A row, by its first stretch. @returns how to turn the animal, or null where it need not be turned */
export const turned = (row: Pick<Row, 'pieces'>, view: Turn): Turn | null =>
  towards(facing(row.pieces[0]?.normal), view);

/** What is done elsewhere: on an area as it faces, on the face from the front, on a part from where the body does not hide it. */
export function turnedTo(
  plan: Pick<Plan, 'coat'>,
  form: Pick<Piece['form'], 'parts' | 'pose'>,
  { about, stage }: Pick<Operation, 'about' | 'stage'>,
  view: Turn,
): Turn | null {
  if (about.kind === 'area')
    return towards(facing(plan.coat.areas.find((a) => a.id === about.id)?.surface?.normals), view);
  if (about.kind === 'part') return towardsPart(form, about.id, view);
  return stage === 'face' ? towards([0, 0, 1], view) : null;
}

type Vec = readonly [number, number, number];

function middle(of: readonly PosedPart[]): Vec {
  const at = of.flatMap((p) => p.nodes.map((n) => n.at));
  return [0, 1, 2].map((k) => at.reduce((s, p) => s + p[k]!, 0) / at.length) as unknown as Vec;
}

/** A part that stands out from the rest; of a pair the one that is turned to the eye already will do. */
function towardsPart({ parts, pose }: Pick<Piece['form'], 'parts' | 'pose'>, id: string, view: Turn): Turn | null {
  const all = posed(parts, pose);
  const mine = all.find((p) => p.part.id === id);
  // What all stands on is seen from everywhere.
  if (!mine || mine.part.on === null) return null;
  const body = middle(all.flatMap((p) => (p.right ? [p.left, p.right] : [p.left])));
  const { from } = eye(view);
  const out = [mine.left, ...(mine.right ? [mine.right] : [])].flatMap((p) => {
    const m = middle([p]);
    const d = m.map((x, k) => x - body[k]!);
    const size = Math.hypot(...d);
    // The middle of the body lies in it: it is seen from everywhere.
    return size <= Math.max(...p.nodes.map((n) => n.radius))
      ? []
      : [d.map((x) => x / size) as [number, number, number]];
  });
  const towardsEye = (d: Vec) => from[0] * d[0] + from[1] * d[1] + from[2] * d[2];
  const best = out.sort((a, b) => towardsEye(b) - towardsEye(a))[0];
  // From the side it is seen as well as from its own end.
  return best && towardsEye(best) < HIDDEN ? towards(best, view) : null;
}

function towards(to: [number, number, number] | null, view: Turn): Turn | null {
  if (!to) return null;
  const { from } = eye(view);
  if (from[0] * to[0] + from[1] * to[1] + from[2] * to[2] >= SEEN) return null;
  const deg = (x: number) => (x * 180) / Math.PI;
  return { yaw: deg(Math.atan2(to[0], to[2])), pitch: Math.max(-60, Math.min(60, deg(Math.asin(to[1])))) };
}
