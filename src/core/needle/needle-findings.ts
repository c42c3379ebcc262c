/**
 * What the needle plan says: windows that stay shut, needles that are missing and what the nearest owned does instead,
 * slanting that invites prising, coarse needles on thin parts, and stabs near wire and set eyes.
 */
import type { NeedleCode } from '@/core/finding-codes';
import { NEEDLE_SECTIONS, type Needle } from '@/core/piece/cupboard';
import { usualNeedle } from '@/core/piece/usual-needle';
import type { Finding, Needlework } from '@/core/stage';
import { count, fine, say } from '@/core/text';
import { fitOf, stretchesOf, type Fit, type Sight } from './fit';
import type { Limit } from './depth-window';
import { COARSE_MM, smallBy, thinness } from './thin';
import { limitWords, oneNeedle, type NeedleInput, type NeedlePhase, type NeedleStep, type Tried } from './needle-plan';

/** A needle not owned is worth naming where the work would cost so much less with it. Ours. */
const WORTH = 1.6;
/** Flatter than this the blade is easily pried sideways. Ours. */
const PRISING = 35;
/** A window narrower than this is easily missed, mm. Ours. */
const NARROW_MM = 0.6;
/** Below this share of the places a shut window is said out loud; else at the step. Ours. */
const MANY = 0.6;

/** Work where a missing needle is felt: rooting, raising and what stays in sight. */
const NAMED = new Set<string>(['root', 'raise', 'surface', 'line']);

const GAUGES: Readonly<Record<Needle['section'], readonly number[]>> = {
  triangle: [32, 36, 38, 40, 42],
  star: [36, 38],
  twisted: [36, 38, 40],
  crown: [46],
  reverse: [40],
};

/** Needles that can be bought, by what they usually measure. */
const USUAL_RACK: readonly Needle[] = NEEDLE_SECTIONS.flatMap((section) =>
  GAUGES[section].map((gauge): Needle => ({
    id: `usual-${gauge}-${section}`,
    name: `${gauge} ${section}`,
    gauge,
    section,
    count: 1,
    ...usualNeedle({ gauge, section }),
  })),
);

/** Of all that could be bought the one that does the last stretch of some work at the least cost; null where none can. */
function bestBought(sight: Sight, work: Needlework, rootMm: number): { n: Needle; cost: number } | null {
  const last = stretchesOf(work).at(-1)!;
  return USUAL_RACK.filter((n) => (n.section === 'reverse') === (work.kind === 'raise'))
    .map((n) => ({ n, fit: fitOf(n, work, last, sight, rootMm) }))
    .reduce<{ n: Needle; cost: number } | null>(
      (a, b) => (b.fit.cost < Infinity && (!a || b.fit.cost < a.cost) ? { n: b.n, cost: b.fit.cost } : a),
      null,
    );
}

type Best = ReturnType<typeof bestBought>;
interface Put {
  (
    what: NeedleCode,
    t: Tried,
    severity: Finding['severity'],
    says: Finding['says'],
    why: Finding['why'],
    remedies?: Finding['remedies'],
  ): void;
}

export function needleFindings(x: NeedleInput, tried: readonly Tried[], steps: readonly NeedleStep[]): Finding[] {
  const out: Finding[] = [];
  const put: Put = (what, t, severity, says, why, remedies = []) =>
    out.push({
      id: `needle-${what}-${t.operation.id}`,
      code: `needle-${what}`,
      stage: 'needle',
      severity,
      about: t.operation.about,
      step: t.operation.id,
      says,
      why,
      remedies,
    });
  const missing = new Map<string, Wanted>();
  const flat: Tried[] = [];
  const one = x.piece.work.needles === 'one fine needle' ? oneNeedle(x.piece, x.cupboard) : null;
  for (const t of tried) {
    const phases = steps.find((s) => s.operationId === t.operation.id)?.phases ?? [];
    const best = x.memo.keep(`usual:${t.operation.id}`, [t.sight, t.work, x.hand.rootMm], bestBought);
    const p = phases[phases.length - 1];
    if (!p) {
      noNeedle(t, best, put);
      continue;
    }
    const last = t.stretches[t.stretches.length - 1]!;
    const fit = last.candidates.find((c) => c.needle.id === p.needleId)?.fit;
    const needle = x.cupboard.needles.find((n) => n.id === p.needleId)!;
    if (best && fit && fit.cost > best.cost * WORTH && !one && NAMED.has(t.work.kind)) {
      const m = missing.get(best.n.id) ?? { t: [], worth: 1, nearest: needle };
      missing.set(best.n.id, { t: [...m.t, t], worth: Math.max(m.worth, fit.cost / best.cost), nearest: m.nearest });
    }
    tightPlaces(t, p, fit, put);
    if (p.angleDeg <= PRISING) flat.push(t);
    coarseNeedle(x, t, needle, put);
    nearEyeOrLining(t, p, fit, put);
  }
  return [...out, ...prising(flat), ...missingNeedles(missing)];
}

/** A needle not owned, the steps it would do better, by how much at most, and the nearest that is owned. */
interface Wanted {
  readonly t: readonly Tried[];
  readonly worth: number;
  readonly nearest: Needle | null;
}

/** Nothing to needle into, no needle that can, or no depth that is right. */
function noNeedle(t: Tried, best: Best, put: Put): void {
  const { work } = t;
  const { does } = t.operation;
  const near = t.stretches[0]!.candidates.reduce<(typeof t.stretches)[0]['candidates'][0] | null>(
    (a, b) => (!a || b.fit.mostMm - b.fit.leastMm > a.fit.mostMm - a.fit.leastMm ? b : a),
    null,
  );
  if (t.sight.spots.length === 0 && work.where.on !== 'mat') {
    put(
      'nowhere',
      t,
      'note',
      say`There is nothing to needle into: ${does}.`,
      say`No core is left where this is done; the fur and the joint hold it.`,
    );
  } else if (!near) {
    put(
      'none',
      t,
      'stop',
      work.kind === 'raise'
        ? say`No reverse needle is in the rack: ${does}.`
        : say`No needle in the rack can do this: ${does}.`,
      best
        ? say`A ${best.n.name} would. Add one to the rack.`
        : say`Every needle tried would do harm before it catches.`,
    );
  } else {
    const first = near.fit.tight[0];
    const instead = best
      ? say` A ${best.n.name} would do: its first barb sits ${fine(best.n.tipMm)} behind the point.`
      : ' No needle reaches less deep; a thinner layer or a thicker part would help.';
    put(
      'shut',
      t,
      'stop',
      say`No depth is right: ${does}.`,
      say`${near.needle.name} catches from ${fine(near.fit.leastMm)} on, but ${limitWords(first?.limit ?? near.fit.limit)} after ${fine(first?.mostMm ?? near.fit.mostMm)}.${instead}`,
    );
  }
}

function tightPlaces(t: Tried, p: NeedlePhase, fit: Fit | undefined, put: Put): void {
  if (p.openShare >= MANY) return;
  const why: Limit = fit?.tight[0]?.limit ?? p.limit;
  put(
    'tight',
    t,
    'caution',
    say`In some places no depth is right: ${t.operation.does}.`,
    say`At ${Math.round((1 - p.openShare) * 100)} % of the places tried ${limitWords(why)} before ${p.name} catches. ${p.tight[0] ?? 'Go lightly there.'}.`,
  );
}

/** A blade too coarse for a small place. */
function coarseNeedle(x: NeedleInput, t: Tried, needle: Needle, put: Put): void {
  const small = smallBy(t.sight, t.work, t.acrossMm);
  if (!small || needle.thickMm <= COARSE_MM) return;
  const last = t.stretches[t.stretches.length - 1]!;
  const finer = last.tried
    .filter((c) => c.needle.thickMm <= COARSE_MM && c.fit.cost < Infinity)
    .sort((a, b) => a.fit.cost - b.fit.cost)[0]?.needle;
  const { chosen } = x.piece.work;
  const i = chosen.findIndex((c) => c.operation === t.operation.id);
  put(
    'coarse',
    t,
    'caution',
    small === 'thin'
      ? say`${needle.name} is coarse for a part ${fine(thinness(t.sight, t.work)!)} thin: ${t.operation.does}.`
      : say`${needle.name} is coarse for a place ${fine(t.acrossMm)} wide: ${t.operation.does}.`,
    small === 'thin'
      ? say`Its marks go through and colour comes out on the other side.`
      : say`In so small a place marks of its width do not close again.`,
    finer
      ? [
          {
            label: say`Use ${finer.name}`,
            effect: say`a blade of ${fine(finer.thickMm)} in place of ${fine(needle.thickMm)}`,
            changes: [
              i >= 0
                ? { path: ['work', 'chosen', i, 'needleId'], value: finer.id }
                : {
                    path: ['work', 'chosen'],
                    value: [...chosen, { operation: t.operation.id, needleId: finer.id, angleDeg: null }],
                  },
            ],
          },
        ]
      : [],
  );
}

/** A set eye in reach, or a lining about to come through. */
function nearEyeOrLining(t: Tried, p: NeedlePhase, fit: Fit | undefined, put: Put): void {
  const { work } = t;
  const eye = (fit?.tight ?? []).filter((y) => y.limit === 'the eye');
  if (p.limit === 'the eye' || eye.length > 0)
    put(
      'eye',
      t,
      'caution',
      say`A set eye is near: ${t.operation.does}.`,
      say`No deeper than ${fine(Math.min(p.mostMm, ...eye.map((y) => y.mostMm)))} there, and never towards the stem: the needle breaks on it.`,
    );
  if (work.where.on === 'mat' && work.where.lined && p.mostMm - p.leastMm < NARROW_MM)
    put(
      'lining',
      t,
      'caution',
      say`The lining is about to come through: ${t.operation.does}.`,
      say`A barb reaches the other side at ${fine(p.mostMm)}; the stroke planned is ${fine(p.strokeMm)}. Work from the lined side, lightly, and look at the other one.`,
    );
}

function prising(flat: readonly Tried[]): Finding[] {
  if (flat.length === 0) return [];
  const names = flat.slice(0, 3).map((t) => t.operation.does);
  return [
    {
      id: 'needle-prising',
      code: 'needle-prising',
      stage: 'needle',
      severity: 'note',
      about: null,
      says: say`At ${count(flat.length)} ${flat.length === 1 ? 'step' : 'steps'} the needle lies so flat that it is easily pried sideways.`,
      why: say`Go in and come out on one line; turn the work, never the needle in it, or it snaps. ${names.flatMap((n, i) => (i > 0 ? ['; ', ...n] : n))}${flat.length > 3 ? ' and others' : ''}.`,
      remedies: [],
    },
  ];
}

const missingNeedles = (missing: ReadonlyMap<string, Wanted>): Finding[] =>
  [...missing].map(([id, m]): Finding => {
    const usual = USUAL_RACK.find((n) => n.id === id)!;
    return {
      id: `needle-missing-${usual.gauge}-${usual.section}`,
      code: 'needle-missing',
      stage: 'needle',
      severity: 'note',
      about: null,
      says: say`A ${usual.name} would do ${m.t.length === 1 ? 'one step' : `${m.t.length} steps`} better than any needle you own.`,
      why: say`Nearest in your rack is ${m.nearest?.name ?? 'none'}: up to ${Math.round(10 * m.worth) / 10} times the stabs and marks for the same hold.`,
      remedies: [],
    };
  });
