/** What makes an animal stand that falls: its feet set further out, or a weight put low into it over the other side. mm, g */
import type { Point2 } from '@/core/geometry/hull';
import { norm, sub, type Vec3 } from '@/core/geometry/vec';
import { decided } from '@/core/decision';
import type { FormWork } from '@/core/form/form';
import type { Hand } from '@/core/piece/hand';
import type { Piece } from '@/core/piece/schema';
import { only } from '@/core/ref';
import type { Operation, PieceChange, Remedy } from '@/core/stage';
import { degrees, grams, mm, say } from '@/core/text';
import { takes } from '@/core/time/work-time';
import { OPPOSITE, type Side } from './balance';
import type { CorePlan } from './core-plan';
import type { Contact } from './ground-contact';
import type { Figure } from '@/core/method/define';

/** A piece that falls when tipped less than this is unsafe on a shelf; ours. */
export const SAFE_DEG = 6;

type Low = NonNullable<Piece['core']['weight']>;

/** A weight as heavy as the piece is no remedy any more, times its mass. Ours. */
const MOST_WEIGHT = 2;

/**
 * The least weight, in halves of a gram, with which it can be tipped as far as is wanted without falling; none where no weight does it.
 * @param tried how it stands with a weight in it
 */
export function weightLow(
  s: { readonly massG: number; readonly towards: Side },
  tried: (low: Low) => { readonly tipping: Figure; readonly margin: number },
  now: Piece['core']['weight'],
): Remedy[] {
  const side = OPPOSITE[s.towards];
  // A weight on the side it falls to is taken out by hand first.
  if (now && now.side !== side) return [];
  // In halves of a gram. More of it does not always help, for what it stands on may change under it: the first that does is found
  // going up, then the least of it between.
  const stands = (halves: number) => tried({ massG: halves / 2, side }).tipping.value >= SAFE_DEG;
  const from = Math.round(2 * (now?.massG ?? 0));
  const most = Math.min(4000, from + 2 * MOST_WEIGHT * s.massG);
  let low = from;
  let high = from + Math.max(1, Math.round(s.massG / 25));
  while (high <= most && !stands(high)) [low, high] = [high, from + Math.ceil(1.5 * (high - from))];
  if (high > most) return [];
  while (high - low > 1) {
    const half = Math.floor((low + high) / 2);
    if (stands(half)) high = half;
    else low = half;
  }
  const massG = high / 2;
  const then = tried({ massG, side });
  return [
    {
      label: say`Put ${grams(massG)} low into it, over its ${side === 'front' || side === 'back' ? side : `${side} side`}`,
      effect: say`it falls only when tipped by ${degrees(then.tipping.value)}`,
      changes: [{ path: ['core', 'weight'], value: { massG, side } }],
    },
  ];
}

/** The middle of a leg goes half as far as its foot, and the middle of all weight with it; a little more, so that it is enough. Ours. */
const SPARE = 1.2;
/** A foot further out than this share of its leg makes another stance. Ours. */
const FURTHEST = 0.35;

/** The legs on the side it falls to, drawn with their feet further out; none where the legs are posed, a scan, or would have to sprawl. */
export function feetOut(
  piece: Piece,
  w: FormWork,
  contacts: readonly Contact[],
  s: { readonly centre: Vec3; readonly groundY: number; readonly marginMm: number; readonly massG: number },
  outward: Point2,
  core: Pick<CorePlan, 'parts'>,
): Remedy[] {
  if (piece.form.scan || piece.form.pose.length > 0) return [];
  const wanted = (s.centre[1] - s.groundY) * Math.tan((SAFE_DEG * Math.PI) / 180);
  const reachOf = (c: Contact) => Math.max(...c.at.map((q) => q[0] * outward[0] + q[1] * outward[1]));
  const furthest = Math.max(...contacts.map(reachOf));
  // Feet on the edge it falls over.
  const edge = contacts.filter((c) => reachOf(c) > furthest - 2 && c.part.part.on !== null);
  const legsG = core.parts
    .filter((p) => edge.some((c) => c.part.part.id === p.id))
    .reduce((sum, p) => sum + p.count * p.mass.value, 0);
  // What touches is known to about half an edge of the skin.
  const gainMm = SPARE * (wanted - s.marginMm) + w.skin.edgeMm / 2;
  const moveMm = Math.ceil(gainMm / (1 - Math.min(0.8, (0.5 * legsG) / s.massG)));
  const changes = new Map<number, PieceChange>();
  for (const c of edge) {
    const i = piece.form.parts.findIndex((p) => p.id === c.part.part.id);
    const leg = piece.form.parts[i];
    if (leg?.shape !== 'limb') return [];
    const n = leg.nodes.length - 1;
    const long = leg.nodes.slice(1).reduce((l, q, k) => l + norm(sub(q.at as Vec3, leg.nodes[k]!.at as Vec3)), 0);
    if (moveMm > FURTHEST * long * w.body.scale) return [];
    const move = moveMm / w.body.scale;
    // Both of a pair go outward; what stands in the middle goes as it falls.
    const across = leg.mirrored ? Math.abs(outward[0]) : outward[0];
    const nodes = leg.nodes.map((q, k) => {
      const t = (leg.root === 'start' ? k : n - k) / n;
      return {
        ...q,
        at: [q.at[0] + t * move * across, q.at[1], q.at[2] + t * move * outward[1]].map((x) => Math.round(10 * x) / 10),
      };
    });
    changes.set(i, { path: ['form', 'parts', i, 'nodes'], value: nodes });
  }
  if (changes.size === 0 || moveMm <= 0) return [];
  return [
    {
      label: say`Set the feet ${mm(moveMm)} further out`,
      effect: say`on the side it falls to; wide enough for ${degrees(SAFE_DEG)}`,
      changes: [...changes.values()],
    },
  ];
}

/** The weight is wrapped in wool and bound into the core before its joints are closed. */
export const weightOperation = ({ massG, side }: Low, hand: Hand): Operation => ({
  id: 'core-weight',
  stage: 'form',
  about: only('core'),
  kind: 'core',
  does: say`Wrap something heavy, ${grams(massG)}, in a little wool and bind it low into the core, over the feet at the ${side}`,
  restsOn: [decided('the weight low in it', ['core', 'weight'])],
  materials: [],
  tools: [],
  cutLengthMm: null,
  rows: 0,
  passes: null,
  needlework: null,
  lightness: 50,
  ...takes(hand, { step: 1, wisp: 6, compare: 1 }),
  after: [{ id: 'wire', why: say`The wire is bent first and wrapped.`, strength: Infinity }],
  caution: say`Never stab toward it: on something hard the needle breaks. Nothing that is poisonous, and shot sewn into cloth so that it cannot come out.`,
});

export const JOIN_LATER = {
  operationId: 'core-join',
  after: { id: 'core-weight', why: say`The weight lies in the core before it is closed.`, strength: Infinity },
} as const;
