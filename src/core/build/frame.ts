/**
 * The wire inside: the way it takes through body and limbs, how long to cut it, whether it fits the thinnest limb and
 * whether there is enough of it. One wire is folded in the middle and runs doubled; separate wires are wound round each
 * other where they meet.
 */
import type { Hand } from '@/core/piece/hand';
import { takes } from '@/core/time/work-time';
import { only } from '@/core/ref';
import { decided, SIZE } from '@/core/decision';
import { norm, sub, type Vec3 } from '@/core/geometry/vec';
import { figure, type Figure } from '@/core/method/define';
import type { Cupboard, Wire } from '@/core/piece/cupboard';
import type { Piece } from '@/core/piece/schema';
import { NO_WORK, type Context, type Finding, type Operation, type Remedy, type Stage } from '@/core/stage';
import { mm, rowMm, say } from '@/core/text';
import type { Body, BodyPart } from '@/core/form/body';
import type { FormWork } from '@/core/form/form';
import { middleOf } from './medial';
import type { CorePlan } from './core-plan';
import { wireLength, wireRoom } from './core-methods';
import { fromRootOutwards } from '@/core/form/pose';

/** Thickness reckoned with while no wire is chosen, mm (1.0 to 1.6 for a hand-sized quadruped: common practice). */
const USUAL_MM = 1.2;
/** One twist of two wires takes this many thicknesses; ours. */
const PITCH = 8;
/** Turns wound where two wires meet; ours. */
const TURNS = 3;
/** Wool wanted on each side of the wire, mm; ours. */
const LEAST_ROOM_MM = 1;
/** A limb shorter than this share of the body carries no wire; ours. */
const SHORTEST = 0.1;

/** g/cm3, handbook values. */
const METAL_DENSITY = { steel: 7.85, aluminium: 2.7, copper: 8.96 } as const;

interface WireRun {
  readonly name: string;
  /** Way through the animal, one after the other; drawn inside the core. mm */
  readonly paths: readonly (readonly Vec3[])[];
  readonly strands: number;
  readonly cut: Figure;
}

export interface FramePlan {
  readonly kind: Piece['frame']['kind'];
  readonly wire: Wire | null;
  readonly thickMm: number;
  readonly strands: number;
  readonly runs: readonly WireRun[];
  readonly totalMm: number;
  /** Thinnest limb and what wool is left over the wire in it; null without wire or core. */
  readonly room: Figure | null;
  readonly roomPart: string | null;
  readonly massG: number;
}

const lengthOf = (path: readonly Vec3[]): number => path.slice(1).reduce((s, p, i) => s + norm(sub(p, path[i]!)), 0);

/** The middle line of a part from its root outwards, short of its far end by its radius there. */
function middleLine(b: BodyPart, side: 'left' | 'right'): Vec3[] {
  const s = (side === 'right' && b.right) || b.left;
  const places = [s[0]!.a, ...s.map((x) => x.b)];
  const radii = [s[0]!.ra, ...s.map((x) => x.rb)];
  if (b.part.root === 'end') {
    places.reverse();
    radii.reverse();
  }
  // The drawn ends of a part lie on its skin; the wire ends, turned over, well inside it. Along a body that is a pad it runs as
  // its medial line does, which ends short of the tips of an ellipse by b²/a (closed form); into a head only to its middle.
  const trunk = b.part.on === null;
  const across =
    b.part.shape === 'pad'
      ? (Math.min(b.part.halfWidth, b.part.halfHeight) * b.lengthMm) / (norm(sub(b.part.end, b.part.start)) || 1)
      : 0;
  const pulled = (end: Vec3, next: Vec3, r: number): Vec3 => {
    const l = norm(sub(end, next));
    const short = b.part.shape === 'limb' ? r : trunk ? Math.min(across ** 2 / (l / 2 || 1), 0.45 * l) : 0.4 * l;
    const t = Math.min(0.8, short / (l || 1));
    return [0, 1, 2].map((k) => end[k]! + t * (next[k]! - end[k]!)) as unknown as Vec3;
  };
  const n = places.length;
  const out = [...places];
  out[0] = pulled(places[0]!, places[1]!, radii[0]!);
  out[n - 1] = pulled(places[n - 1]!, places[n - 2]!, radii[n - 1]!);
  return out;
}

interface Skeleton {
  /** From tail or rump to neck or head. */
  readonly spine: readonly Vec3[];
  /** Parts it runs through. */
  readonly through: readonly string[];
  readonly limbs: readonly {
    readonly part: BodyPart;
    readonly side: 'left' | 'right';
    readonly path: readonly Vec3[];
  }[];
}

function nearestIndex(line: readonly Vec3[], p: Vec3): number {
  let best = 0;
  line.forEach((q, i) => {
    if (norm(sub(q, p)) < norm(sub(line[best]!, p))) best = i;
  });
  return best;
}

/** The way of the wire: along the body and what continues it fore and aft, and into every pair of limbs. */
export function skeleton(body: Body, frame: Piece['frame']): Skeleton {
  const byId = new Map(body.parts.map((p) => [p.part.id, p]));
  const order = fromRootOutwards(body.parts.map((p) => p.part)).map((p) => byId.get(p.id)!);
  const trunk = order.find((p) => p.part.shape !== 'board' && !p.part.mirrored);
  if (!trunk) return { spine: [], through: [], limbs: [] };
  const line = middleLine(trunk, 'left');
  const onTrunk = (p: BodyPart): boolean => p.part.on === trunk.part.id;
  // What goes on from the far end of the trunk is neck and head, from its root end the tail.
  const chains = body.parts.filter((p) => onTrunk(p) && !p.part.mirrored && p.lengthMm > SHORTEST * body.lengthMm);
  const through = [trunk.part.id];
  const follow = (p: BodyPart): Vec3[] => {
    // It ends just inside a muzzle and needs no wool round it there.
    if (p.part.role !== 'muzzle') through.push(p.part.id);
    const on = middleLine(p, 'left');
    // It ends in the head: a beak and ears have none.
    const more = body.parts.filter(
      (q) =>
        q.part.on === p.part.id &&
        !q.part.mirrored &&
        q.part.shape !== 'board' &&
        q.part.role !== 'beak' &&
        q.part.role !== 'ear',
    );
    const next = more.sort((a, b) => b.lengthMm - a.lengthMm)[0];
    return next && frame.head ? [...on, ...follow(next)] : on;
  };
  const far = line[line.length - 1]!;
  const near = line[0]!;
  let spine = [...line];
  for (const c of chains) {
    const root = middleLine(c, 'left')[0]!;
    if (norm(sub(root, far)) <= norm(sub(root, near))) spine = [...spine, ...follow(c)];
    else if (frame.tail) {
      through.push(c.part.id);
      spine = [...middleLine(c, 'left').reverse(), ...spine];
    }
  }
  const limbs = body.parts.flatMap((p) => {
    if (!onTrunk(p) || !p.part.mirrored || p.part.shape !== 'limb' || p.lengthMm < SHORTEST * body.lengthMm) return [];
    return (['left', 'right'] as const).map((side) => {
      const path = middleLine(p, side);
      return { part: p, side, path: [spine[nearestIndex(spine, path[0]!)]!, ...path] };
    });
  });
  return { spine, through, limbs };
}

/** Wires of the cupboard that the frame can be made of, best first: enough of it, then thicker. */
export const wiresFor = (kind: Piece['frame']['kind'], cupboard: Cupboard): Wire[] =>
  cupboard.wires
    .filter((w) => (kind === 'pipe cleaner') === (w.kind === 'pipe cleaner'))
    .sort((a, b) => a.diameterMm - b.diameterMm);

export function planFrame(
  { piece, cupboard, hand }: Context,
  { work: w, core }: { readonly work: FormWork; readonly core: CorePlan },
): Stage<FramePlan> {
  const { frame } = piece;
  const wire = cupboard.wires.find((w) => w.id === frame.wireId) ?? null;
  const thickMm = wire?.diameterMm ?? (frame.kind === 'pipe cleaner' ? 3 : USUAL_MM);
  const none: FramePlan = {
    kind: frame.kind,
    wire,
    thickMm,
    strands: 0,
    runs: [],
    totalMm: 0,
    room: null,
    roomPart: null,
    massG: 0,
  };
  if (frame.kind === 'none') return { result: none, findings: [], ...NO_WORK };
  // An own base has no parts to follow: the wire runs along the middle of its slices.
  const bones = piece.form.scan ? { spine: middleOf(w.skin), through: [], limbs: [] } : skeleton(w.body, frame);
  const strands = frame.kind === 'one wire' ? 2 : 1;
  const common = {
    thick: thickMm,
    waste: frame.wasteShare,
    turned: frame.kind === 'pipe cleaner' ? frame.turnedMm / 2 : frame.turnedMm,
  };
  const runs: WireRun[] = [];
  if (strands === 2) {
    const paths = [bones.spine, ...bones.limbs.map((l) => l.path)];
    runs.push({
      name: 'One wire, folded in the middle',
      paths,
      strands,
      cut: figure(wireLength, {
        ...common,
        strands,
        path: paths.reduce((s, p) => s + lengthOf(p), 0),
        pitch: PITCH * thickMm,
        turns: 0,
        ends: 2,
      }),
    });
  } else {
    const turn = TURNS * Math.PI * 2 * thickMm;
    const pairs = [...new Set(bones.limbs.map((l) => l.part))];
    runs.push({
      name: 'Body wire',
      paths: [bones.spine],
      strands,
      cut: figure(wireLength, { ...common, strands, path: lengthOf(bones.spine), pitch: 0, turns: 0, ends: 2 }),
    });
    for (const part of pairs) {
      const two = bones.limbs.filter((l) => l.part === part).map((l) => l.path);
      runs.push({
        name: `${part.part.name}, left to right`,
        paths: two,
        strands,
        cut: figure(wireLength, {
          ...common,
          strands,
          path: two.reduce((s, p) => s + lengthOf(p), 0),
          pitch: 0,
          turns: turn,
          ends: 2,
        }),
      });
    }
  }
  const totalMm = runs.reduce((s, r) => s + r.cut.value, 0);
  const along = new Set(bones.through);
  const thin = thinnestPart(core, along, new Set(bones.limbs.map((l) => l.part.part.id)));
  const bare = core.parts.find((p) => along.has(p.id) && p.sections.some((s) => s.core === null)) ?? null;
  const room = thin && figure(wireRoom, { core: thin.mm, strands, thick: thickMm });
  const result: FramePlan = {
    ...none,
    strands,
    runs,
    totalMm,
    room,
    roomPart: thin?.name ?? null,
    massG:
      (totalMm * Math.PI * (thickMm / 2) ** 2 * METAL_DENSITY[wire?.metal ?? 'steel']) /
      1000 /
      (wire?.kind === 'pipe cleaner' ? 6 : 1),
  };
  return {
    result,
    findings: judge(cupboard, result, thin, bare?.name ?? null),
    operations: [operation(result, wire?.name ?? 'Wire', hand)],
    ties: [],
  };
}

/**
 * Where least core lies round the wire, of all parts it runs through. A limb without any has no room for it; along the body
 * and in the tail fur alone may make up an end, which is said apart.
 */
function thinnestPart(
  core: CorePlan,
  along: ReadonlySet<string>,
  limbs: ReadonlySet<string>,
): { mm: number; name: string } | null {
  let best: { mm: number; name: string } | null = null;
  for (const p of core.parts) {
    if (!along.has(p.id) && !limbs.has(p.id)) continue;
    for (const s of p.sections) {
      if (!s.core && !limbs.has(p.id)) continue;
      const across = s.core ? Math.min(s.core.width, s.core.height) : 0;
      if (!best || across < best.mm) best = { mm: across, name: p.name };
    }
  }
  return best;
}

function judge(
  cupboard: Cupboard,
  f: FramePlan,
  thin: { mm: number; name: string } | null,
  bare: string | null,
): Finding[] {
  const findings: Finding[] = [];
  const choices = wiresFor(f.kind, cupboard).filter((w) => w.id !== f.wire?.id);
  const use = (w: Wire, effect: Remedy['effect']): Remedy => ({
    label: say`Use ${w.name}`,
    effect,
    changes: [{ path: ['frame', 'wireId'], value: w.id }],
  });
  if (!f.wire) {
    findings.push({
      id: 'form-wire-none',
      code: 'form-wire-none',
      stage: 'form',
      severity: 'caution',
      about: only('frame'),
      says: say`No ${f.kind === 'pipe cleaner' ? 'pipe cleaner' : 'wire'} is chosen for the frame.`,
      why: say`Lengths are worked out for ${mm(f.thickMm)} until one is.`,
      remedies: choices.slice(-3).map((w) => use(w, say`${rowMm(w.haveMm)} of it are at hand`)),
    });
  } else if (f.totalMm > f.wire.haveMm) {
    const enough = choices.filter((w) => w.haveMm >= f.totalMm * 1.05);
    findings.push({
      id: 'form-wire-short',
      code: 'form-wire-short',
      stage: 'form',
      severity: 'stop',
      about: only('frame'),
      says: say`Not enough ${f.wire.name}: ${rowMm(f.totalMm)} needed, ${rowMm(f.wire.haveMm)} at hand.`,
      why: say`${rowMm(f.totalMm - f.wire.haveMm)} are missing; a wire cut short shows only when the last leg is bent.`,
      remedies: enough.slice(0, 2).map((w) => use(w, say`${rowMm(w.haveMm)} of it are at hand`)),
    });
  }
  // Said as the maker reads it, to half a millimetre.
  if (f.room && thin && Math.round(2 * f.room.value) / 2 < LEAST_ROOM_MM) {
    const fits = choices.filter((w) => (thin.mm - f.strands * w.diameterMm) / 2 >= LEAST_ROOM_MM);
    const largest = (thin.mm - 2 * LEAST_ROOM_MM) / f.strands;
    findings.push({
      id: 'form-wire-thick',
      code: 'form-wire-thick',
      stage: 'form',
      severity: f.room.value <= 0 ? 'stop' : 'caution',
      about: only('frame'),
      says:
        f.room.value <= 0
          ? say`The wire does not fit into ${thin.name}: its core is ${mm(thin.mm)} thick, the wire ${mm(f.strands * f.thickMm)}.`
          : say`Only ${mm(f.room.value)} of wool is left over the wire in ${thin.name}.`,
      why:
        largest > 0
          ? say`At least ${mm(LEAST_ROOM_MM)} is wanted on each side: a wire of at most ${mm(largest)}, or a thinner coat there.`
          : say`The coat leaves too little core there for any wire: a thinner coat, or the limb wrapped round the wire and velvet only.`,
      remedies: fits
        .slice(-1)
        .map((w) => use(w, say`leaves ${mm((thin.mm - f.strands * w.diameterMm) / 2)} of wool on each side`)),
    });
  }
  if (bare !== null) {
    findings.push({
      id: 'form-wire-bare',
      code: 'form-wire-bare',
      stage: 'form',
      severity: 'caution',
      about: only('frame'),
      says: say`In places no core is left round the wire in ${bare}.`,
      why: say`Wrap the wire thinly there, or take a pipe cleaner, and let the fur make the bush; a thinner coat leaves it a core.`,
      remedies: [],
    });
  }
  return findings;
}

function operation(f: FramePlan, wire: string, hand: Hand): Operation {
  const each = f.runs.map((r) => say`${r.name}: ${mm(r.cut.value)}`);
  return {
    id: 'wire',
    stage: 'form',
    about: only('frame'),
    restsOn: [
      SIZE,
      decided('the wire', ['frame']),
      decided('the shape of the parts', ['form', 'parts']),
      decided('the pose', ['form', 'pose']),
    ],
    kind: 'wire',
    does: say`Cut and bend the ${f.kind === 'pipe cleaner' ? 'pipe cleaners' : 'wire'}. ${each.flatMap((t, i) => (i > 0 ? ['; ', ...t] : t))}`,
    materials: [],
    cutLengthMm: f.totalMm,
    rows: 0,
    passes: say`Turn every end over twice, again after cutting; wrap tightly with wool so that it cannot slip`,
    needlework: null,
    tools: [say`${wire}, cutters and pliers`],
    ...takes(hand, { step: 1, wire: f.runs.reduce((s, r) => s + r.paths.length, 0), compare: 2 }),
    after: [],
    lightness: 100,
    caution: say`Cut ends fly: hold both sides of the cut and look away from it, and turn them over so that they cannot stab.`,
  };
}
