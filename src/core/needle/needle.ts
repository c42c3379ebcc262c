/**
 * The needle stage: for every step that is needled which needle from the rack, at what angle, how deep, how many passes and
 * stabs, how long, and why. By the school chosen: coarse to fine, or one fine needle. Needles that do equally well are taken
 * so that they are changed as seldom as can be.
 */
import { stabsAMinute } from '@/core/time/elements';
import { LAYER_MM } from '@/core/build/core-layers';
import { figure } from '@/core/method/define';
import { nearestOnSegment } from '@/core/geometry/segment';
import type { Cupboard, Needle } from '@/core/piece/cupboard';
import type { Piece } from '@/core/piece/schema';
import type { Finding, Needlework, Operation } from '@/core/stage';
import { count, degrees, fine, mm, say, share, type Text } from '@/core/text';
import { EDGES } from './blade';
import { fewestChanges } from './changes';
import type { Limit } from './depth-window';
import { finishOf } from './finish';
import { acrossOf, hasRoom } from './holder';
import { fitOf, sightOf, stretchesOf, type Fit, type Sight, type Stretch } from './fit';
import { spotsOf, withEyes, type Ground, type Spot } from './ground';
import { marksFigure, UNNOTICED } from './marks';
import { needleFindings } from './needle-findings';
import { stabTime, strokeDepth } from './needle-methods';
import {
  limitWords,
  oneNeedle,
  owned,
  type Candidate,
  type NeedleInput,
  type NeedlePhase,
  type NeedlePlan,
  type NeedleStep,
  type RackUse,
  type Tried,
} from './needle-plan';
import type { Capsule } from './obstacles';
import { COARSE_MM, smallBy } from './thin';

/** Needles within this of the best count as equally good. Ours. */
const EQUAL = 1.1;
/** A holder pays from so many stabs on. Ours. */
const BROAD = 800;
/** Needles in a holder count less than one by one: they get in each other's way. Ours. */
const HOLDER_EACH = 0.7;

const canDo = (n: Needle, w: Needlework): boolean => (n.section === 'reverse') === (w.kind === 'raise');

/** Every needle tried on every step that is needled; costs along, for the order to keep equal needles together. */
export function tryNeedles(x: NeedleInput, operations: readonly Operation[]): Tried[] {
  const { piece, cupboard, hand } = x;
  const mine = owned(cupboard);
  const one = piece.work.needles === 'one fine needle' ? oneNeedle(piece, cupboard) : null;
  // Usual needles are tried too, for what could be bought; none is longer than an own one may be.
  const reachMm = Math.max(25, ...mine.map((n) => n.bladeMm)) + 5;
  return operations.flatMap((operation): Tried[] => {
    const work = operation.needlework;
    if (!work || work.stabs <= 0) return [];
    const chosen = piece.work.chosen.find((c) => c.operation === operation.id) ?? null;
    const spots = x.memo.keep(`spots:${operation.id}`, [x.ground, work.where], spotsOf);
    const all = x.memo.keep(
      `needle:${operation.id}`,
      [
        {
          ground: x.ground,
          eyes: eyesFor(operation, x.eyes, spots, reachMm),
          work,
          spots,
          needles: mine,
          rootMm: hand.rootMm,
          angleDeg: chosen?.angleDeg ?? null,
        },
      ],
      everyNeedle,
    );
    const only = chosen?.needleId ?? (one && work.kind !== 'raise' ? one.id : null);
    return [
      {
        operation,
        work,
        chosen,
        sight: all.sight,
        acrossMm: all.acrossMm,
        stretches: all.stretches.map((s) => {
          const asked = s.candidates.filter((c) => c.needle.id === only);
          // The one needle where it can do the work at all; else the best that can.
          const able = asked.filter((c) => c.fit.cost < Infinity);
          if (able.length > 0) return { ...s, candidates: able, tried: s.candidates };
          return { ...s, candidates: suited(s.candidates, work, all.sight, all.acrossMm), tried: s.candidates };
        }),
      },
    ];
  });
}

/**
 * The needles a maker would take of those that can: none so coarse that it spoils a small place, and no crown to build with,
 * whose barbs sit level for rooting. All of them where only such ones can.
 */
function suited(all: readonly Candidate[], work: Needlework, sight: Sight, acrossMm: number): readonly Candidate[] {
  const small = smallBy(sight, work, acrossMm) !== null;
  const builds = ['through', 'join', 'deep', 'flat'].includes(work.kind);
  const able = all.filter(
    ({ needle, fit }) =>
      fit.cost < Infinity && !(small && needle.thickMm > COARSE_MM) && !(builds && needle.section === 'crown'),
  );
  return able.length > 0 ? able : all;
}

interface Trial {
  readonly ground: Ground;
  readonly eyes: readonly Capsule[];
  readonly work: Needlework;
  readonly spots: readonly Spot[];
  readonly needles: readonly Needle[];
  readonly rootMm: number;
  /** Chosen by the maker; null where every angle may be taken. */
  readonly angleDeg: number | null;
}

/** What is seen ahead of a stab, and every needle that can do the work at its best angle, stretch by stretch. */
function everyNeedle({ ground, eyes, work, spots, needles, rootMm, angleDeg }: Trial) {
  const sight = sightOf(withEyes(ground, eyes), work, spots);
  return {
    sight,
    acrossMm: acrossOf(ground, work, sight),
    stretches: stretchesOf(work).map((s) => ({
      ...s,
      candidates: needles
        .filter((n) => canDo(n, work))
        .map((needle) => ({ needle, fit: fitOf(needle, work, s, sight, rootMm, angleDeg) })),
    })),
  };
}

/** Eyes count once they are set, and where they are in reach. */
function eyesFor(o: Operation, eyes: readonly Capsule[], spots: readonly Spot[], reachMm: number): Capsule[] {
  if (o.stage === 'form' || o.beforeEyes === true) return [];
  return eyes.filter((c) => spots.some((s) => nearestOnSegment(s.at, c.a, c.b).distance < reachMm + c.radiusMm));
}

const bestOf = (c: readonly Candidate[]): Candidate | null =>
  c.reduce<Candidate | null>((a, b) => (b.fit.cost < Infinity && (!a || b.fit.cost < a.fit.cost) ? b : a), null);

/** The needle a step is best begun with. */
export const firstNeedle = (t: Tried): string | null => bestOf(t.stretches[0]?.candidates ?? [])?.needle.id ?? null;

interface NeedleStage {
  readonly result: NeedlePlan;
  readonly findings: readonly Finding[];
  /** Stabs a step takes less because a holder is used. */
  readonly saved: ReadonlyMap<string, number>;
}

/** One stretch of a step with the needle taken for it: how deep, how long, and why. */
function phaseOf(x: NeedleInput, t: Tried, s: Tried['stretches'][number], c: Candidate): NeedlePhase {
  const { cupboard, hand, piece } = x;
  const { work } = t;
  const stabs = work.stabs * s.share;
  const broad = work.stabs >= BROAD && ['through', 'surface', 'flat'].includes(work.kind);
  const holder = broad
    ? (cupboard.holders.find(
        (h) => h.needleId === c.needle.id && h.needles <= c.needle.count && hasRoom(h.needles, t.acrossMm),
      ) ?? null)
    : null;
  const time = figure(stabTime, {
    stabs,
    rate: stabsAMinute(hand),
    working: holder ? HOLDER_EACH * holder.needles : 1,
  });
  const several = t.stretches.length > 1;
  return {
    says: several ? stretchWords(work, t.stretches.indexOf(s)) : null,
    needleId: c.needle.id,
    name: c.needle.name,
    holder: holder ? { id: holder.id, name: holder.name, needles: holder.needles } : null,
    angleDeg: c.fit.angleDeg,
    lean: c.fit.lean,
    leastMm: c.fit.leastMm,
    mostMm: c.fit.mostMm,
    strokeMm: c.fit.plannedMm,
    depthMm: c.fit.depthMm,
    limit: c.fit.limit,
    openShare: c.fit.openShare,
    barbs: c.fit.barbs,
    marks: c.fit.marks,
    passes: several && work.kind === 'surface' ? Math.max(1, Math.round(work.passes * s.share)) : work.passes,
    stabs,
    minutes: time.value,
    figures: {
      depth: figure(strokeDepth, { stroke: c.fit.plannedMm, angle: c.fit.angleDeg }),
      time,
      marks: work.shows ? marksFigure(c.needle, work.perCm2, work) : null,
    },
    because: becauseOf(c, s, work, t, cupboard, piece),
    tight: tightWords(c.fit),
  };
}

/** Stretches with one needle at one depth are one. */
function joinedUp(phases: readonly NeedlePhase[], work: Needlework, rate: number): NeedlePhase[] {
  const out: NeedlePhase[] = [];
  for (const p of phases) {
    const last = out[out.length - 1];
    if (
      !last ||
      last.needleId !== p.needleId ||
      Math.abs(last.strokeMm - p.strokeMm) >= 0.5 ||
      last.angleDeg !== p.angleDeg
    ) {
      out.push(p);
      continue;
    }
    const stabs = last.stabs + p.stabs;
    out[out.length - 1] = {
      ...last,
      says: null,
      because: p.because,
      passes: work.kind === 'surface' ? last.passes + p.passes : last.passes,
      stabs,
      minutes: last.minutes + p.minutes,
      figures: {
        ...last.figures,
        time: figure(stabTime, { stabs, rate, working: p.figures.time.inputs.working! }),
      },
    };
  }
  return out;
}

/** How much every needle of the rack is used. */
const rackUse = (cupboard: Cupboard, flat: readonly { readonly id: string; readonly p: NeedlePhase }[]): RackUse[] =>
  owned(cupboard).flatMap((n) => {
    const mine = flat.filter((f) => f.p.needleId === n.id);
    if (mine.length === 0) return [];
    return [
      {
        needleId: n.id,
        steps: new Set(mine.map((f) => f.id)).size,
        stabs: mine.reduce((s, f) => s + f.p.stabs, 0),
        minutes: mine.reduce((s, f) => s + f.p.minutes, 0),
      },
    ];
  });

/** @param order ids of all operations in the order of the work */
export function planNeedles(x: NeedleInput, tried: readonly Tried[], order: readonly string[]): NeedleStage {
  const { cupboard, hand } = x;
  const at = new Map(order.map((id, i) => [id, i]));
  const row = [...tried].sort((a, b) => at.get(a.operation.id)! - at.get(b.operation.id)!);
  const stands = row.flatMap((t) => t.stretches.map((s) => ({ t, s })));
  const taken = fewestChanges(
    stands.map(({ t, s }) => {
      const best = bestOf(s.candidates);
      // Where marks tell more, no change of needle is saved at their cost.
      const equal = t.work.tells > 1 ? 1 : EQUAL;
      return {
        choices: best
          ? s.candidates
              .filter((c) => c.fit.cost <= best.fit.cost * equal)
              .map((c) => ({ needleId: c.needle.id, cost: (c.fit.cost / best.fit.cost) * s.share }))
          : [],
      };
    }),
  );
  const saved = new Map<string, number>();
  const byStep = new Map<string, NeedlePhase[]>();
  stands.forEach(({ t, s }, i) => {
    const c = s.candidates.find((y) => y.needle.id === taken[i]);
    if (!c) return;
    const { id } = t.operation;
    const phase = phaseOf(x, t, s, c);
    if (phase.holder) saved.set(id, (saved.get(id) ?? 0) + phase.stabs * (1 - 1 / phase.figures.time.inputs.working!));
    byStep.set(id, [...(byStep.get(id) ?? []), phase]);
  });
  const steps = row.map((t): NeedleStep => {
    const phases = joinedUp(byStep.get(t.operation.id) ?? [], t.work, stabsAMinute(hand));
    return { operationId: t.operation.id, kind: t.work.kind, layerMm: t.work.layerMm, phases };
  });
  const flat = steps.flatMap((s) => s.phases.map((p) => ({ id: s.operationId, p })));
  const changes = flat.slice(1).flatMap(({ id, p }, i) => {
    const from = flat[i]!.p;
    return from.needleId === p.needleId ? [] : [{ operationId: id, from: from.needleId, to: p.needleId }];
  });
  return {
    result: { steps, changes, use: rackUse(cupboard, flat), finish: finishOf(x, row, steps) },
    findings: needleFindings(x, row, steps),
    saved,
  };
}

function stretchWords(w: Needlework, i: number): Text {
  if (w.kind === 'through') return i === 0 ? say`while the wool is loose, to a workable state` : say`until it is firm`;
  return i === 0 ? say`to fix it` : say`the last pass, to close the marks`;
}

/** The reason in one line, from the figures that decided. */
function becauseOf(c: Candidate, s: Stretch, w: Needlework, t: Tried, cupboard: Cupboard, piece: Piece): Text {
  const slant: Text =
    c.fit.slantedFor !== null
      ? say`; slanted to ${degrees(c.fit.angleDeg)}, for straight in ${limitWords(c.fit.slantedFor)}`
      : say``;
  if (t.chosen?.needleId === c.needle.id) return say`chosen by you${slant}`;
  if (piece.work.needles === 'one fine needle' && w.kind !== 'raise' && oneNeedle(piece, cupboard)?.id === c.needle.id)
    return say`your one needle${slant}`;
  const { fit, needle } = c;
  const layered: Text = fit.inLayers
    ? say`; the blade does not reach the middle from both sides, so lay the wool on in layers of ${mm(LAYER_MM)}, each felted through into the one beneath`
    : say``;
  switch (w.kind) {
    case 'through':
    case 'flat':
      return s.groundMgCm3 < w.groundMgCm3
        ? say`the wool is still loose, so it goes in freely and carries most${slant}${layered}`
        : say`carries most for the push it takes in firm wool, ${fine(fit.plannedMm)} deep${slant}${layered}`;
    case 'root':
      return needle.section === 'crown'
        ? say`its ${count(EDGES.crown)} barbs sit level near the point, so ${count(fit.barbs)} reach the root at ${fine(fit.depthMm)}; so thin a blade drags least of what is rooted already${slant}`
        : say`${count(fit.barbs)} ${fit.barbs === 1 ? 'barb reaches' : 'barbs reach'} the root at ${fine(fit.depthMm)}; of your needles it drags least of what is rooted already for what it carries${slant}`;
    case 'surface':
      return s.marksLeft >= 1
        ? fit.marks <= UNNOTICED
          ? say`its marks stay open on only ${share(fit.marks)} of the surface${slant}`
          : say`of the needles that catch so near the surface it leaves the least marks for its hold, ${share(fit.marks)}${slant}`
        : say`carries the layer in quickly; the pass after it closes its marks${slant}`;
    case 'raise':
      return say`its barbs point the other way and pull up what lies ${fine(w.layerMm)} below${slant}`;
    case 'join':
      return say`reaches through the collar into both parts${slant}`;
    case 'deep':
      return say`fixes it well into the core${slant}`;
    case 'line':
      return say`keeps the line narrow${slant}`;
  }
}

/** A stroke shorter than this catches nothing, mm. Ours. */
const NO_ROOM = 0.5;

function tightWords(f: Fit): Text[] {
  const by = new Map<string, { limit: Limit; n: number; most: number; at: number | null }>();
  for (const t of f.tight) {
    const key = `${t.limit}${t.atDeg}`;
    const b = by.get(key);
    by.set(key, { limit: t.limit, n: (b?.n ?? 0) + 1, most: Math.min(b?.most ?? Infinity, t.mostMm), at: t.atDeg });
  }
  return [...by.values()].map((b) =>
    b.at !== null
      ? say`In places ${limitWords(b.limit)} after ${fine(b.most)}: slant to ${degrees(b.at)} there`
      : b.most < NO_ROOM
        ? say`In places ${limitWords(b.limit)} at once: stab beside them, not there`
        : say`In places ${limitWords(b.limit)} after ${fine(b.most)}: go no deeper there, with a lighter hand`,
  );
}
