/**
 * The end of a limb carried to a place, and the limb follows: all joints between turn together, as little as will do, none further than it
 * may. Damped least squares over the turns (Wampler 1986; Nakamura and Hanafusa 1986), so that nothing jumps where a limb is straight. The
 * last stretch of a leg keeps the way it points: a foot that stands flat stays flat. Drawn units, posed.
 */
import { add, cross, dot, norm, scale, sub, unit, type Vec3 } from '@/core/geometry/vec';
import type { Joint, Part } from '@/core/piece/schema';
import { posed, turned, type PosedPart } from './pose';
import { jointsOf, setBend, type Form } from './shape';

type Turns = readonly [nod: number, turn: number, tilt: number];
const KEYS = ['nodDeg', 'turnDeg', 'tiltDeg'] as const;

/** How far a joint turns, degrees: where a limb is joined as a shoulder does, between as a knee does, mostly one way; along a tail or a neck as joints of a spine do, both ways alike. Ours. */
const MOST = { joined: [110, 75, 60], between: [125, 25, 25], spine: [125, 90, 25] } as const;
/** How readily: nodding most, and a knee hardly any other way. Ours. */
const READY = { joined: [1, 0.6, 0.6], between: [1, 0.08, 0.08], spine: [1, 0.8, 0.1] } as const;

interface Turning {
  readonly part: Part;
  readonly node: number;
  readonly side: Joint['side'];
  readonly kind: keyof typeof MOST;
}

/** Parts whose joints turn when the end of one is carried: its own; of a head, or what is on it, the neck's too. */
function chainOf(form: Pick<Form, 'parts'>, part: Part): Part[] {
  const base = form.parts.find((p) => p.id === part.on);
  if (part.role === 'muzzle' || part.role === 'beak') return base ? chainOf(form, base) : [];
  if (part.role === 'head' && base && base.on !== null) return [base, part];
  return [part];
}

/** Whether the end of a part can be carried: a limb that is joined to something. */
export const canReach = (form: Pick<Form, 'parts'>, part: Part): boolean =>
  part.shape === 'limb' &&
  part.on !== null &&
  part.role !== 'ear' &&
  // By one joint alone an end goes round it and nowhere else.
  chainOf(form, part).reduce((n, p) => n + jointsOf(p).length, 0) > 1;

/** The part and all it is carried by. */
function carriers(form: Pick<Form, 'parts'>, part: Part): Part[] {
  const base = form.parts.find((p) => p.id === part.on);
  return base ? [...carriers(form, base), part] : [part];
}

const tipNode = (part: Part, of: PosedPart): number => (part.root === 'start' ? of.nodes.length - 1 : 0);

function stands(form: Form, part: Part, side: 'left' | 'right'): PosedPart {
  const p = posed(carriers(form, part), form.pose).find((x) => x.part.id === part.id)!;
  return (side === 'right' && p.right) || p.left;
}

/** Where the end of a part is. */
export function endAt(form: Form, part: Part, side: 'left' | 'right'): Vec3 {
  const s = stands(form, part, side);
  return s.nodes[tipNode(part, s)]!.at;
}

/** The way the last stretch points. */
function footOf(part: Part, s: PosedPart): Vec3 {
  const tip = tipNode(part, s);
  return unit(sub(s.nodes[tip]!.at, s.nodes[part.root === 'start' ? tip - 1 : 1]!.at));
}

const bendOf = (form: Form, { part, node, side }: Turning): Turns => {
  const j = form.pose.find((x) => x.part === part.id && x.node === node && x.side === side);
  return [j?.nodDeg ?? 0, j?.turnDeg ?? 0, j?.tiltDeg ?? 0];
};

const MOST_ROUNDS = 60;
/** Near enough, as a share of the limb. */
const NEAR = 1e-5;
const DAMPED = 0.02;
/** At the start of a round no further than this share of the limb. */
const STRIDE = 0.25;
/** What the way a foot points counts beside where it is. */
const FLAT = 0.5;
const STEP_DEG = 0.05;
const RAD = Math.PI / 180;

/**
 * @param side the one of a pair that is carried @param alike both of a pair bend alike, or this one alone
 * @returns the form in its new pose; the end as near to the place as its joints let it
 */
export function reached(form: Form, part: Part, side: 'left' | 'right', alike: boolean, to: Vec3): Form {
  const turning = chainOf(form, part).flatMap((p) => {
    const joints = jointsOf(p);
    return joints.map((node, i): Turning => ({
      part: p,
      node,
      side: !p.mirrored || alike ? 'both' : side,
      kind: i === 0 ? 'joined' : p.mirrored ? 'between' : 'spine',
    }));
  });
  if (turning.length === 0) return form;
  const before = stands(form, part, side);
  const long = before.nodes.slice(1).reduce((s, n, i) => s + norm(sub(n.at, before.nodes[i]!.at)), 0);
  const foot = part.mirrored && part.shape === 'limb' && part.nodes.length > 3 ? footOf(part, before) : null;
  const goal = [
    ...(chainOf(form, part).length === 1 ? inReach(part, before, long, to) : to),
    ...(foot ? scale(foot, FLAT * long) : []),
  ];
  const seen = (f: Form): number[] => {
    const s = stands(f, part, side);
    return [...s.nodes[tipNode(part, s)]!.at, ...(foot ? scale(footOf(part, s), FLAT * long) : [])];
  };
  return turnedTill(form, turning, seen, goal, long);
}

/** Where a head looks from, and which way: from its middle past its nose, or along its beak. */
interface Look {
  readonly at: Vec3;
  readonly way: Vec3;
  /** From its nape to its foremost point. */
  readonly long: number;
  /** How far its left is lifted above its right. */
  readonly leans: number;
}

/** @returns null for what is no head on a neck, or on a body that it turns on */
export function lookOf(form: Form, head: Part): Look | null {
  if (head.role !== 'head' || head.on === null) return null;
  const nose = form.parts.find((p) => p.on === head.id && (p.role === 'muzzle' || p.role === 'beak'));
  const s = stands(form, head, 'left');
  const fore = s.nodes[tipNode(head, s)]!.at;
  const nape = s.nodes[head.root === 'start' ? 0 : s.nodes.length - 1]!.at;
  const tip = nose ? endAt(form, nose, 'left') : fore;
  return {
    at: scale(add(nape, fore), 0.5),
    way: unit(sub(tip, nape)),
    long: norm(sub(tip, nape)),
    leans: turned(s.stretches[0]!, [1, 0, 0])[1],
  };
}

/** A neck nods and turns as readily, and hardly leans. Ours. */
const LOOKS = { joined: [1, 1, 0.1], between: [1, 1, 0.1], spine: [1, 1, 0.1] } as const;
/** What a lean of the head counts beside where it looks. */
const LEVEL = 0.4;

/**
 * The head turned so that it looks at a place, its neck turning with it as much as will do; it leans no more than before.
 * @param to drawn units, posed
 */
export function looked(form: Form, head: Part, to: Vec3): Form {
  const now = lookOf(form, head);
  if (!now || norm(sub(to, now.at)) < 1e-6) return form;
  const turning = chainOf(form, head).flatMap((p) =>
    jointsOf(p).map((node, i): Turning => ({ part: p, node, side: 'both', kind: i === 0 ? 'joined' : 'spine' })),
  );
  const seen = (f: Form): number[] => {
    const l = lookOf(f, head)!;
    return [...turnFrom(unit(sub(to, l.at)), l.way), LEVEL * (l.leans - now.leans)];
  };
  return turnedTill(form, turning, seen, [0, 0, 0, 0], 1, LOOKS);
}

/** The turn that brings one way to another: about which axis, and as long as the angle, radians. It says nothing of a roll about the way itself. */
function turnFrom(a: Vec3, b: Vec3): Vec3 {
  const axis = cross(a, b);
  const sine = norm(axis);
  const angle = Math.atan2(sine, dot(a, b));
  return sine > 1e-12 ? scale(axis, angle / sine) : [0, 0, 0];
}

/**
 * Turns joints until what is seen of a form is as wanted, or as near to it as they let it.
 * @param long what is a whole way off, in the unit of what is seen @param readily how each kind of joint nods, turns and tilts
 */
function turnedTill(
  form: Form,
  turning: readonly Turning[],
  seenOf: (form: Form) => number[],
  goal: readonly number[],
  long: number,
  readily: Readonly<Record<Turning['kind'], readonly number[]>> = READY,
): Form {
  if (turning.length === 0) return form;
  const posedWith = (x: readonly number[]): Form =>
    turning.reduce((f, t, i) => setBend(f, { part: t.part.id, node: t.node, side: t.side }, turnsOf(x, i)), form);
  const seen = (x: readonly number[]): number[] => seenOf(posedWith(x));
  const begun = turning.flatMap((t) => [...bendOf(form, t)]);
  // One bent further by hand may stay so, and is bent no further.
  const most = begun.map((v, i) => Math.max(Math.abs(v), MOST[turning[Math.floor(i / 3)]!.kind][i % 3]!));
  const within = (x: readonly number[]) => x.map((v, i) => Math.max(-most[i]!, Math.min(most[i]!, v)));
  let x = begun;
  let now = seen(x);
  let miss = missed(goal, now);
  for (let round = 0; round < MOST_ROUNDS && miss > NEAR * long; round++) {
    const stride = Math.min(1, (STRIDE * long) / miss);
    const error = goal.map((g, k) => stride * (g - now[k]!));
    const columns = x.map((_, i) => {
      const by = seen(x.map((v, k) => (k === i ? v + STEP_DEG : v)));
      return by.map((b, k) => (b - now[k]!) / (STEP_DEG * RAD));
    });
    const ready = x.map((_, i) => readily[turning[Math.floor(i / 3)]!.kind][i % 3]!);
    const turn = damped(columns, ready, error, DAMPED * long);
    // Halved until it brings the end nearer.
    let next: number[] | null = null;
    for (let k = 1; k > 1 / 64 && !next; k /= 2) {
      const tried = within(x.map((v, i) => v + (k * turn[i]!) / RAD));
      const at = seen(tried);
      if (missed(goal, at) >= miss) continue;
      next = tried;
      now = at;
    }
    if (!next) break;
    x = next;
    miss = missed(goal, now);
  }
  return posedWith(x.map((v) => Math.round(100 * v) / 100));
}

/** So much of its length is as far as a limb is carried: all of it would let nothing turn. */
const STRETCHED = 0.999;

/** The nearest place that is no further from where the limb is joined than it is long. */
function inReach(part: Part, s: PosedPart, long: number, to: Vec3): Vec3 {
  const root = s.nodes[part.root === 'start' ? 0 : s.nodes.length - 1]!.at;
  const away = sub(to, root);
  const d = norm(away);
  return d <= STRETCHED * long ? to : add(root, scale(away, (STRETCHED * long) / d));
}

const turnsOf = (x: readonly number[], i: number) =>
  Object.fromEntries(KEYS.map((k, q) => [k, x[3 * i + q]!])) as Record<(typeof KEYS)[number], number>;

const missed = (a: readonly number[], b: readonly number[]): number => Math.hypot(...a.map((v, k) => v - b[k]!));

/** W J^T (J W J^T + d^2)^-1 e. */
function damped(
  columns: readonly (readonly number[])[],
  ready: readonly number[],
  error: readonly number[],
  d: number,
): number[] {
  const a = error.map((_, r) =>
    error.map((_, c) => columns.reduce((s, j, i) => s + ready[i]! * j[r]! * j[c]!, r === c ? d * d : 0)),
  );
  const y = solved(a, error);
  return columns.map((j, i) => ready[i]! * j.reduce((s, v, k) => s + v * y[k]!, 0));
}

/** A small symmetric system that is positive for its damping: elimination without turning rows. */
function solved(a: readonly (readonly number[])[], b: readonly number[]): number[] {
  const m = a.map((row, i) => [...row, b[i]!]);
  const n = b.length;
  for (let k = 0; k < n; k++)
    for (let i = k + 1; i < n; i++) {
      const f = m[i]![k]! / m[k]![k]!;
      for (let j = k; j <= n; j++) m[i]![j]! -= f * m[k]![j]!;
    }
  const x = new Array<number>(n).fill(0);
  for (let i = n - 1; i >= 0; i--) {
    let s = m[i]![n]!;
    for (let j = i + 1; j < n; j++) s -= m[i]![j]! * x[j]!;
    x[i] = s / m[i]![i]!;
  }
  return x;
}
