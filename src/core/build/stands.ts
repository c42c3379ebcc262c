/**
 * Will it stand: the middle of the weight of core, coat and wire, over the area its feet enclose. Also what a base for
 * it needs: where the wires of its feet go in and how wide the holes are.
 */
import type { AreaPlan, CoatPlan } from '@/core/coat/coat-plan';
import type { Point2 } from '@/core/geometry/hull';
import { add, norm, scale as times, sub, type Vec3 } from '@/core/geometry/vec';
import { figure, type Figure } from '@/core/method/define';
import type { BodyPart } from '@/core/form/body';
import type { Memo } from '@/core/memo';
import type { Part, Piece } from '@/core/piece/schema';
import type { Context, Finding, Remedy, Stage } from '@/core/stage';
import { degrees, grams, joined, mm, say, type Text } from '@/core/text';
import { balance, lowOver, overFeet, sideOf, tippingOf, type Side, type Weight } from './balance';
import { weightLow as weightWanted } from './core-methods';
import type { CorePlan } from './core-plan';
import { nearestParts, type FormWork } from '@/core/form/form';
import type { FramePlan } from './frame';
import { onTheGround, type Contact } from './ground-contact';
import { skeleton } from './skeleton';
import { supported, wornWeights, type Support } from './things/support';
import type { ThingPlan } from './things/thing-plan';
import { widerBase } from './things/base-findings';
import { feetOut, JOIN_LATER, SAFE_DEG, weightLow, weightOperation } from './steadied';

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
  readonly towards: Side;
  /** Parts other than feet without which it would fall. */
  readonly leansOn: readonly string[];
  /** Where the wire of each foot that is on the ground would go into a base, and how wide to bore. */
  readonly holes: readonly { readonly name: string; readonly at: Point2 }[];
  readonly holeMm: number;
  /** Of a relief: how far it stands out of the front of its board, which part does, and how deep all of it is with its board and what frames it. */
  readonly relief: { readonly outMm: number; readonly part: string; readonly deepMm: number } | null;
  /** What it stands on beside the ground, where it stands on something: weight, middle, margin and tipping are then those of all of it. */
  readonly on: Support | null;
  /** Of all that weight so much is the animal’s, as a share. */
  readonly animalShare: number;
  /** What is put low into it so that it stands, and where it lies; null where nothing is. */
  readonly low: (NonNullable<Piece['core']['weight']> & { readonly at: Vec3 }) | null;
}

/** Middle of a surface. */
function middleOf({ positions: p, triangles: T }: NonNullable<AreaPlan['surface']>): Vec3 {
  const sum: [number, number, number] = [0, 0, 0];
  let all = 0;
  for (let t = 0; t < T.length; t += 3) {
    const [a, b, c] = [3 * T[t]!, 3 * T[t + 1]!, 3 * T[t + 2]!];
    const [ux, uy, uz] = [p[b]! - p[a]!, p[b + 1]! - p[a + 1]!, p[b + 2]! - p[a + 2]!];
    const [vx, vy, vz] = [p[c]! - p[a]!, p[c + 1]! - p[a + 1]!, p[c + 2]! - p[a + 2]!];
    const area = Math.hypot(uy * vz - uz * vy, uz * vx - ux * vz, ux * vy - uy * vx);
    all += area;
    for (let j = 0; j < 3; j++) sum[j]! += (area * (p[a + j]! + p[b + j]! + p[c + j]!)) / 3;
  }
  return times(sum, 1 / (all || 1));
}

const coatWeights = (coat: CoatPlan, memo: Memo): Weight[] =>
  coat.areas.flatMap((a): Weight[] =>
    a.fur && a.surface
      ? [
          {
            // What is trimmed off and lost does not weigh on the piece.
            massG: Math.max(0, a.fur.draws.reduce((s, d) => s + d.massG, 0) - a.fur.figures.waste.value),
            at: memo.keep(`middle:${a.id}`, [a.surface], middleOf),
          },
        ]
      : [],
  );

function wireWeights(frame: FramePlan): Weight[] {
  const lines = frame.runs.flatMap((r) => r.paths);
  const long = lines.flatMap((p) =>
    p.slice(1).map((q, i) => ({ at: times(add(q, p[i]!), 0.5), l: norm(sub(q, p[i]!)) })),
  );
  const total = long.reduce((s, x) => s + x.l, 0) || 1;
  return long.map((x) => ({ massG: (frame.massG * x.l) / total, at: x.at }));
}

/** How deep a relief is. */
function reliefOf(w: FormWork, things: readonly ThingPlan[]): StandsPlan['relief'] {
  const p = w.skin.positions;
  let [most, least, which] = [-Infinity, Infinity, 0];
  for (let v = 0; v < p.length / 3; v++) {
    least = Math.min(least, p[3 * v]!);
    if (p[3 * v]! > most) [most, which] = [p[3 * v]!, v];
  }
  const frame = things.find((t) => t.framed)?.framed;
  return {
    // The front of the board lies in the plane of the midline.
    outMm: most,
    part: w.body.parts[nearestParts(w)[which]!]!.part.name,
    deepMm: Math.max(most, frame?.frontX ?? -Infinity) - Math.min(least, frame?.backX ?? Infinity),
  };
}

interface BeforeStands {
  readonly work: FormWork;
  readonly core: CorePlan;
  readonly coat: CoatPlan;
  readonly frame: FramePlan;
  readonly things: readonly ThingPlan[];
}

/** How the animal stands under its weights, and under one more put low over one side of the feet it stands on without it. */
function standing(w: FormWork, weights: readonly Weight[], low: Piece['core']['weight']) {
  const on = (list: readonly Weight[]) => {
    const { massG, at: centre } = balance(list);
    const { groundY, contacts } = onTheGround(w, massG, centre);
    const over = overFeet(
      contacts.flatMap((c) => c.at),
      centre,
    );
    return { massG, centre, groundY, contacts, ...over, tipping: tippingOf(over.margin, centre, groundY), low: null };
  };
  const without = on(weights);
  if (!low) return without;
  const at = lowOver(low.side, without.feet, without.centre, without.groundY);
  return { ...on([...weights, { massG: low.massG, at }]), low: { ...low, at } };
}

export function planStands(
  { piece, hand, memo }: Context,
  { work: w, core, coat, frame, things }: BeforeStands,
): Stage<StandsPlan> {
  const weights = [...core.weights, ...coatWeights(coat, memo), ...wireWeights(frame), ...wornWeights(things)];
  const low = piece.core.weight;
  const s = standing(w, weights, low);
  const on = w.body.board ? null : supported(things, s);
  const whole = on ?? s;
  const legs = skeleton(w.body, piece.frame).limbs;
  // A leg goes into a base if it, or what sits on it, is on the ground.
  const sitsOn = (b: BodyPart, id: string): boolean => {
    for (let p: Part | undefined = b.part; p; p = w.body.parts.find((q) => q.part.id === p!.on)?.part)
      if (p.id === id) return true;
    return false;
  };
  const reach = legs.filter((l) => s.contacts.some((c) => c.side === l.side && sitsOn(c.part, l.part.part.id)));
  // It leans on what would let it fall if it were not there: a tail behind two legs.
  const isLeg = (c: Contact) => legs.some((l) => sitsOn(c.part, l.part.part.id));
  const props = s.contacts.filter((c) => c.part.part.on !== null && !isLeg(c));
  const leansOn =
    !on &&
    s.contacts.some(isLeg) &&
    props.length > 0 &&
    overFeet(
      s.contacts.filter((c) => !props.includes(c)).flatMap((c) => c.at),
      s.centre,
    ).margin < 0
      ? [...new Set(props.map((c) => c.part.part.name))]
      : [];
  const holes = reach.map((l) => {
    const end = l.path[l.path.length - 1]!;
    return { name: `${l.part.part.name}, ${l.side}`, at: [end[0], end[2]] as Point2 };
  });
  const kind = w.body.board
    ? 'hangs'
    : !on?.support.baseId && legs.length <= 2 && legs.length > 0 && whole.tipping.value < SAFE_DEG
      ? 'needs a base'
      : 'stands';
  const result: StandsPlan = {
    case: kind,
    massG: whole.massG,
    centre: whole.centre,
    groundY: s.groundY,
    feet: s.feet,
    marginMm: whole.margin,
    tipping: kind === 'hangs' ? null : whole.tipping,
    towards: sideOf(whole.outward),
    leansOn,
    holes,
    holeMm: frame.strands > 0 ? frame.strands * frame.thickMm + HOLE_ROOM : 0,
    relief: w.body.board ? reliefOf(w, things) : null,
    on: on?.support ?? null,
    animalShare: whole.massG > 0 ? s.massG / whole.massG : 1,
    low: kind === 'hangs' ? null : s.low,
  };
  return {
    result,
    findings:
      kind === 'hangs'
        ? []
        : [
            ...judge(result, whole.outward, () =>
              on
                ? widerBase(piece, things, s, on)
                : [
                    ...feetOut(piece, w, s.contacts, result, s.outward, core),
                    ...weightLow(result, (x) => standing(w, weights, x), low),
                  ],
            ),
            ...leaning(result),
          ],
    operations: low && kind !== 'hangs' ? [weightOperation(low, hand)] : [],
    ties: low && kind !== 'hangs' ? [JOIN_LATER] : [],
  };
}

/** A prop that is part of the animal has to be as firm as a leg. */
const leaning = (s: StandsPlan): Finding[] =>
  s.leansOn.length === 0 || s.marginMm < 0
    ? []
    : [
        {
          id: 'form-leans',
          code: 'form-leans',
          stage: 'form',
          severity: 'note',
          about: null,
          says: say`It leans on ${joined(s.leansOn.map((n) => say`${n}`))}: on its feet alone it falls.`,
          why: say`Felt it firm and give it wire, and press it to the ground before the coat goes on; fur under it lifts it.`,
          remedies: [],
        },
      ];

function judge(s: StandsPlan, outward: Point2, remedies: () => readonly Remedy[]): Finding[] {
  if (s.tipping === null || s.tipping.value >= SAFE_DEG) return [];
  // A twig that rolls says so itself.
  if (s.on && !s.on.baseId) return [];
  const what: Text = s.on ? say`its base` : say`its feet`;
  const height = Math.max(s.centre[1] - (s.on?.level ?? s.groundY), 1e-6);
  const wanted = height * Math.tan((SAFE_DEG * Math.PI) / 180);
  // Weight goes low, over the side away from where it falls: how far inside the edge that is.
  const edge = Math.max(...s.feet.map((q) => q[0] * outward[0] + q[1] * outward[1]));
  const far = Math.min(...s.feet.map((q) => q[0] * outward[0] + q[1] * outward[1]));
  const lever = edge - far;
  const words: Record<Side, string> = {
    front: 'forward',
    back: 'backward',
    left: 'to its left',
    right: 'to its right',
  };
  const move = Math.max(0, wanted - s.marginMm);
  const weight = lever > wanted ? figure(weightWanted, { mass: s.massG, margin: s.marginMm, wanted, lever }) : null;
  const cures = remedies();
  const pressed = (of: 'form' | 'core') => cures.some((r) => r.changes.some((c) => c.path[0] === of));
  // What can be pressed says its own figures.
  const helps = s.on
    ? []
    : [
        ...(pressed('form') ? [] : [say`set the feet on that side ${mm(move)} further out`]),
        ...(pressed('core') || !weight ? [] : [say`put ${grams(weight.value)} low on the other side`]),
        say`fix it to a base`,
      ];
  const remedyWords: Text =
    helps.length === 0
      ? []
      : say` ${cures.length > 0 ? 'Or ' : 'To hold it, '}${helps.flatMap((h, k) => (k > 0 ? [...say`, or `, ...h] : h))}.`;
  const base: Text =
    s.holes.length >= 2 && !s.on
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
          ? say`${s.on ? 'With what it stands on' : 'On its own'} it falls ${words[s.towards]}: the middle of its weight is ${mm(-s.marginMm)} beyond ${what}.`
          : say`It falls ${words[s.towards]} when tipped by only ${degrees(s.tipping.value)}.`,
      why: [
        ...say`At least ${degrees(SAFE_DEG)} is wanted so that a knock does not throw it.`,
        ...remedyWords,
        ...base,
      ],
      remedies: cures,
    },
  ];
}
