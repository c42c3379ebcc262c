/**
 * Will it stand: the middle of the weight of core, coat and wire, over the area its feet enclose. Also what a base for
 * it needs: where the wires of its feet go in and how wide the holes are.
 */
import type { CoatPlan } from '@/core/coat/coat-plan';
import { convexHull, insideHull, type Point2 } from '@/core/geometry/hull';
import { add, norm, scale as times, sub, type Vec3 } from '@/core/geometry/vec';
import { figure, type Figure } from '@/core/method/define';
import { NO_WORK, type Context, type Finding, type Stage } from '@/core/stage';
import { degrees, grams, mm, say, type Text } from '@/core/text';
import { tippingAngle, weightLow } from './core-methods';
import type { CorePlan } from './core-plan';
import type { FormWork } from '@/core/form/form';
import { skeleton, type FramePlan } from './frame';

/** Skin this near to the lowest place touches the ground: wool gives. Share of the length; ours. */
const GIVES = 0.02;
/** A piece that falls when tipped less than this is unsafe on a shelf; ours. */
export const SAFE_DEG = 6;
/** Wider than the wire by this, so that it goes in and glue has room; ours. mm */
const HOLE_ROOM = 0.3;

export interface StandsPlan {
  /** How it is shown: on its own, or held by a base or a wall. */
  readonly case: 'stands' | 'needs a base' | 'hangs';
  readonly massG: number;
  readonly centre: Vec3;
  readonly groundY: number;
  /** Corners of the area its feet enclose, x and z, mm, anticlockwise. */
  readonly feet: readonly Point2[];
  readonly marginMm: number;
  readonly tipping: Figure | null;
  readonly towards: 'front' | 'back' | 'left' | 'right';
  /** Where the wire of each foot would go into a base, and how wide to bore. */
  readonly holes: readonly { readonly name: string; readonly at: Point2 }[];
  readonly holeMm: number;
}

interface Weight {
  readonly massG: number;
  readonly at: Vec3;
}

/** Middle of the weight of a list of weights. */
export function balance(list: readonly Weight[]): Weight {
  const massG = list.reduce((s, w) => s + w.massG, 0);
  return {
    massG,
    at: times(
      list.reduce((s: Vec3, w) => add(s, times(w.at, w.massG)), [0, 0, 0]),
      1 / (massG || 1),
    ),
  };
}

function coatWeights(coat: CoatPlan): Weight[] {
  return coat.areas.flatMap((a): Weight[] => {
    if (!a.fur || !a.surface) return [];
    const { positions: p, triangles: T } = a.surface;
    const parts: Weight[] = [];
    for (let t = 0; t < T.length; t += 3) {
      const c = [0, 1, 2].map((k) => [0, 1, 2].map((j) => p[3 * T[t + k]! + j]!) as unknown as Vec3);
      const u = sub(c[1]!, c[0]!);
      const v = sub(c[2]!, c[0]!);
      const area = Math.hypot(u[1] * v[2] - u[2] * v[1], u[2] * v[0] - u[0] * v[2], u[0] * v[1] - u[1] * v[0]) / 2;
      parts.push({ massG: area, at: times(add(add(c[0]!, c[1]!), c[2]!), 1 / 3) });
    }
    const whole = balance(parts);
    // What is trimmed off and lost does not weigh on the piece.
    return [
      { massG: Math.max(0, a.fur.draws.reduce((s, d) => s + d.massG, 0) - a.fur.figures.waste.value), at: whole.at },
    ];
  });
}

function wireWeights(frame: FramePlan): Weight[] {
  const lines = frame.runs.flatMap((r) => r.paths);
  const long = lines.flatMap((p) =>
    p.slice(1).map((q, i) => ({ at: times(add(q, p[i]!), 0.5), l: norm(sub(q, p[i]!)) })),
  );
  const total = long.reduce((s, x) => s + x.l, 0) || 1;
  return long.map((x) => ({ massG: (frame.massG * x.l) / total, at: x.at }));
}

const side = (n: Point2): StandsPlan['towards'] =>
  Math.abs(n[0]) > Math.abs(n[1]) ? (n[0] > 0 ? 'left' : 'right') : n[1] > 0 ? 'front' : 'back';

interface BeforeStands {
  readonly work: FormWork;
  readonly core: CorePlan;
  readonly coat: CoatPlan;
  readonly frame: FramePlan;
}

export function planStands({ piece }: Context, { work: w, core, coat, frame }: BeforeStands): Stage<StandsPlan> {
  const { positions: p } = w.skin;
  let groundY = Infinity;
  for (let i = 1; i < p.length; i += 3) groundY = Math.min(groundY, p[i]!);
  const touching: Point2[] = [];
  for (let v = 0; v < p.length / 3; v++) {
    if (p[3 * v + 1]! < groundY + GIVES * w.body.lengthMm) touching.push([p[3 * v]!, p[3 * v + 2]!]);
  }
  const { massG, at: centre } = balance([...core.weights, ...coatWeights(coat), ...wireWeights(frame)]);
  const feet = convexHull(touching);
  const { margin, outward } =
    feet.length < 3 ? { margin: -1, outward: [0, 1] as Point2 } : insideHull(feet, [centre[0], centre[2]]);
  const height = centre[1] - groundY;
  const legs = skeleton(w.body, piece.frame).limbs;
  const holes = legs.map((l) => {
    const end = l.path[l.path.length - 1]!;
    return { name: `${l.part.part.name}, ${l.side}`, at: [end[0], end[2]] as Point2 };
  });
  const tipping = figure(tippingAngle, { margin, height: Math.max(height, 1e-6) });
  const kind = w.body.board
    ? 'hangs'
    : legs.length <= 2 && legs.length > 0 && tipping.value < SAFE_DEG
      ? 'needs a base'
      : 'stands';
  const result: StandsPlan = {
    case: kind,
    massG,
    centre,
    groundY,
    feet,
    marginMm: margin,
    tipping: kind === 'hangs' ? null : tipping,
    towards: side(outward),
    holes,
    holeMm: frame.strands > 0 ? frame.strands * frame.thickMm + HOLE_ROOM : 0,
  };
  return { result, findings: kind === 'hangs' ? [] : judge(result, outward), ...NO_WORK };
}

function judge(s: StandsPlan, outward: Point2): Finding[] {
  if (s.tipping === null || s.tipping.value >= SAFE_DEG) return [];
  const height = Math.max(s.centre[1] - s.groundY, 1e-6);
  const wanted = height * Math.tan((SAFE_DEG * Math.PI) / 180);
  // Weight goes low, over the side away from where it falls: how far inside the edge that is.
  const edge = Math.max(...s.feet.map((q) => q[0] * outward[0] + q[1] * outward[1]));
  const far = Math.min(...s.feet.map((q) => q[0] * outward[0] + q[1] * outward[1]));
  const lever = edge - far;
  const words: Record<StandsPlan['towards'], string> = {
    front: 'forward',
    back: 'backward',
    left: 'to its left',
    right: 'to its right',
  };
  const move = Math.max(0, wanted - s.marginMm);
  const weight = lever > wanted ? figure(weightLow, { mass: s.massG, margin: s.marginMm, wanted, lever }) : null;
  const remedyWords: Text = weight
    ? say` Set the feet on that side ${mm(move)} further out, or put ${grams(weight.value)} low on the other side, or fix it to a base.`
    : say` Set the feet on that side ${mm(move)} further out, or fix it to a base.`;
  const base: Text =
    s.holes.length >= 2
      ? say` On a base, bore ${mm(s.holeMm)} holes ${mm(Math.hypot(s.holes[0]!.at[0] - s.holes[1]!.at[0], s.holes[0]!.at[1] - s.holes[1]!.at[1]))} apart for the wires of ${s.holes[0]!.name.split(',')[0]!}.`
      : [];
  return [
    {
      id: 'form-falls',
      code: 'form-falls',
      stage: 'form',
      severity: s.marginMm < 0 ? 'stop' : 'caution',
      about: null,
      says:
        s.marginMm < 0
          ? say`On its own it falls ${words[s.towards]}: the middle of its weight is ${mm(-s.marginMm)} beyond its feet.`
          : say`It falls ${words[s.towards]} when tipped by only ${degrees(s.tipping.value)}.`,
      why: [
        ...say`At least ${degrees(SAFE_DEG)} is wanted so that a knock does not throw it.`,
        ...remedyWords,
        ...base,
      ],
      remedies: [],
    },
  ];
}
