/**
 * The wire inside: the way it takes through body and limbs, how long to cut it, whether it fits the thinnest limb and
 * whether there is enough of it. One wire is folded in the middle and runs doubled; separate wires are wound round each
 * other where they meet.
 */
import type { Hand } from '@/core/piece/hand';
import { takes } from '@/core/time/work-time';
import { only, ref } from '@/core/ref';
import { decided, SIZE } from '@/core/decision';
import { norm, sub, type Vec3 } from '@/core/geometry/vec';
import { figure, type Figure } from '@/core/method/define';
import type { Cupboard, Wire } from '@/core/piece/cupboard';
import type { Piece } from '@/core/piece/schema';
import {
  NO_WORK,
  type Context,
  type Finding,
  type Operation,
  type PieceChange,
  type Remedy,
  type Stage,
} from '@/core/stage';
import { fine, mm, rowMm, say } from '@/core/text';
import type { FormWork } from '@/core/form/form';
import type { Thing } from '@/core/piece/things';
import { middleOf } from './medial';
import type { CorePlan } from './core-plan';
import { wireLength, wireRoom } from './core-methods';
import { skeleton } from './skeleton';
import { strandsOf, wireOf, wireThick, WRAP_MM } from './wire';

/** One twist of two wires takes this many thicknesses; ours. */
const PITCH = 8;
/** Turns wound where two wires meet; ours. */
const TURNS = 3;
/** Wool wanted on each side of the wire, mm; ours. */
const LEAST_ROOM_MM = 1;
/** A pipe cleaner holds wool by its own pile and may nearly show (common practice: taken for thin legs and tails). */
const OVER_PILE_MM = 0.3;
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

/** A part whose wire is wrapped and no more, its fur making the bush. */
const bushOf = ({ core }: Pick<Piece, 'core'>, part: string): PieceChange => ({
  path: ['core', 'under'],
  value: [...core.under.filter((u) => u.part !== part), { part, way: 'wrapped wire' }],
});

/** A wire is wound so often round a twig its feet stand on. Ours. */
const ROUND_TWIG = 1.5;

/** How much further the wire of a foot goes: once through a base, or round a twig. mm */
function fixing(things: readonly Thing[], thickMm: number, hangs: boolean): number {
  if (hangs) return 0;
  const twig = things.find((t) => t.kind === 'twig' && t.under);
  if (twig?.kind === 'twig') return ROUND_TWIG * Math.PI * (twig.acrossMm + thickMm);
  const base = things.find((t) => t.kind === 'base');
  return base?.kind === 'base' ? base.thickMm : 0;
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
  const wire = wireOf(piece, cupboard);
  const thickMm = wireThick(piece, wire);
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
  const strands = strandsOf(piece);
  const common = {
    thick: thickMm,
    waste: frame.wasteShare,
    turned: frame.kind === 'pipe cleaner' ? frame.turnedMm / 2 : frame.turnedMm,
  };
  const fixed = fixing(piece.things, thickMm, w.body.board);
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
        turns: strands * bones.limbs.length * fixed,
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
          turns: turn + strands * two.length * fixed,
          ends: 2,
        }),
      });
    }
  }
  const totalMm = runs.reduce((s, r) => s + r.cut.value, 0);
  const along = new Set(bones.through);
  // A wire that is meant to be wrapped and no more needs no core round it.
  const wrapped = new Set(piece.core.under.flatMap((u) => (u.way === 'wrapped wire' ? [u.part] : [])));
  const clothed = { ...core, parts: core.parts.filter((p) => !wrapped.has(p.id)) };
  const thin = thinnestPart(clothed, along, new Set(bones.limbs.map((l) => l.part.part.id)));
  const bare = clothed.parts.find((p) => along.has(p.id) && p.sections.some((s) => s.core === null)) ?? null;
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
    findings: judge(cupboard, result, thin, bare && { id: bare.id, name: bare.name, bush: bushOf(piece, bare.id) }),
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
  bare: { readonly id: string; readonly name: string; readonly bush: PieceChange } | null,
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
  const least = f.kind === 'pipe cleaner' ? OVER_PILE_MM : LEAST_ROOM_MM;
  // Said as the maker reads it, to half a millimetre.
  if (f.room && thin && Math.round(2 * f.room.value) / 2 < least) {
    const fits = choices.filter((w) => (thin.mm - f.strands * w.diameterMm) / 2 >= least);
    const largest = (thin.mm - 2 * least) / f.strands;
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
          ? say`At least ${fine(least)} is wanted on each side: a wire of at most ${mm(largest)}, or a thinner coat there.`
          : say`The coat leaves too little core there for any wire: a thinner coat, or the limb wrapped round the wire and velvet only.`,
      remedies: fits
        .slice(-1)
        .map((w) => use(w, say`leaves ${mm((thin.mm - f.strands * w.diameterMm) / 2)} of wool on each side`)),
    });
  }
  if (bare !== null) {
    findings.push({
      id: `form-wire-bare-${bare.id}`,
      code: 'form-wire-bare',
      stage: 'form',
      severity: 'caution',
      about: ref('part', bare.id),
      says: say`In places no core is left round the wire in ${bare.name}.`,
      why: say`Wrap the wire thinly there, or take a pipe cleaner, and let the fur make the bush; a thinner coat leaves it a core.`,
      remedies: [
        {
          label: say`Wrap the wire of ${bare.name} and let its fur make the bush`,
          effect: say`a wire wrapped to ${fine(f.strands * f.thickMm + 2 * WRAP_MM)} where no core fits`,
          changes: [bare.bush],
        },
      ],
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
      decided('what it stands on', ['things']),
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
