/**
 * How well one needle does one piece of work: at which angle its depth window opens at most of the places, how deep to go,
 * and what it costs in stabs, pace and marks. Every owned needle is tried; the choice follows from these figures.
 */
import type { Needle } from '@/core/piece/cupboard';
import type { Needlework } from '@/core/stage';
import { paceOf, rooted, tangle, type Blade } from './blade';
import { depthWindow, sine, type Ahead, type Limit, type Window } from './depth-window';
import { aheadOf, farSideShows, LEANS, stabDirection, type Ground, type Lean, type Spot } from './ground';
import { openMarks, stillOpen, UNNOTICED } from './marks';

/** Angles tried, the usual one of that work first; degrees to the skin. Ours, after common practice. */
export const ANGLES: Readonly<Record<Needlework['kind'], readonly number[]>> = {
  through: [90, 75, 60, 45, 30],
  flat: [90, 75, 60, 45, 30, 20],
  join: [90, 75, 60, 45, 30],
  deep: [90, 75, 60, 45, 30],
  // Slightly tilted (common practice).
  root: [75, 60, 45, 30, 20],
  surface: [75, 60, 45, 30, 20, 15],
  line: [75, 60, 45, 30, 20, 15],
  raise: [60, 45, 30, 20],
};

/** An angle will do where the window is open at this share of the places. Ours. */
const ENOUGH = 0.9;

/** Lines of sight of a piece of work, kept while its ground stays: every needle looks along the same ones. */
export interface Sight {
  readonly spots: readonly Spot[];
  /** By angle, then by place: what lies ahead, by lean. */
  ahead(angleDeg: number, spot: number, lean: Lean): Ahead | null;
}

const LONGEST = 70;

export function sightOf(g: Ground, work: Needlework, spots: readonly Spot[]): Sight {
  const seen = new Map<string, Ahead | null>();
  const bare = new Map<number, boolean>();
  const shows = (k: number, s: Spot): boolean => {
    if (work.kind === 'through' || work.kind === 'join') return false;
    let b = bare.get(k);
    if (b === undefined) {
      const to = stabDirection(s, 90, 'along the lie');
      const a = aheadOf(g, s, to, LONGEST);
      b = a !== null && farSideShows(g, s, to, a.throughMm);
      bare.set(k, b);
    }
    return b;
  };
  return {
    spots,
    ahead(angleDeg, k, lean) {
      const key = `${angleDeg}:${k}:${angleDeg === 90 ? '' : lean}`;
      let a = seen.get(key);
      if (a === undefined) {
        const s = spots[k]!;
        a = aheadOf(g, s, stabDirection(s, angleDeg, lean), LONGEST);
        if (a) a = { ...a, farShows: shows(k, s) };
        seen.set(key, a);
      }
      return a;
    },
  };
}

/** A place whose window stays shut at the angle chosen, and the angle that would open it. */
interface Tight {
  readonly spot: number;
  readonly limit: Limit;
  readonly mostMm: number;
  readonly atDeg: number | null;
}

export interface Fit {
  readonly needleId: string;
  readonly angleDeg: number;
  readonly lean: Lean | null;
  /** Share of the places where the window is open at that angle. */
  readonly openShare: number;
  readonly leastMm: number;
  readonly mostMm: number;
  readonly plannedMm: number;
  /** Square to the skin. */
  readonly depthMm: number;
  readonly limit: Limit;
  /** Built on in layers, for the blade does not reach the middle from both sides. */
  readonly inLayers: boolean;
  /** What forbids the usual angle; null where it is used. */
  readonly slantedFor: Limit | null;
  readonly tight: readonly Tight[];
  readonly barbs: number;
  readonly effect: number;
  readonly pace: number;
  /** Share of the surface one pass leaves in open marks. */
  readonly marks: number;
  /** Relative time, with what its marks cost; the least is best. Infinity where it cannot do the work. */
  readonly cost: number;
}

/** One stretch of a piece of work: what of its stabs, over which ground, and whether passes follow that close its marks. */
export interface Stretch {
  readonly share: number;
  readonly groundMgCm3: number;
  /** Share of its marks that the passes after it leave open; 0 where marks do not count. */
  readonly marksLeft: number;
  /** How far what a stab carries counts: 1 where it must hold, little where it closes marks, half where it does both. Ours. */
  readonly holds: number;
}

/** Hits on a rooted tuft by later stabs along its line that are not felt. Ours. */
const UNDISTURBED = 0.1;

/** How often a tuft already rooted is stabbed through again: each time some of it is dragged deeper. Ours. */
const disturbed = (n: Needle, w: Needlework): number => (w.linePerMm2 * Math.PI * n.thickMm ** 2) / 4;

const middle = (x: readonly number[]): number => [...x].sort((a, b) => a - b)[Math.floor(x.length / 2)]!;

function windowAt(n: Blade, w: Needlework, sight: Sight, angle: number, k: number, rootMm: number) {
  let best: { w: Window; lean: Lean } | null = null;
  for (const lean of angle === 90 ? LEANS.slice(0, 1) : LEANS) {
    const a = sight.ahead(angle, k, lean);
    if (!a) continue;
    const win = depthWindow(n, w, a, angle, rootMm);
    if (win.open) return { w: win, lean };
    if (!best || win.mostMm - win.leastMm > best.w.mostMm - best.w.leastMm) best = { w: win, lean };
  }
  return best;
}

/** On the mat there is one place, everywhere alike. */
const onMat = (n: Blade, w: Needlework, angle: number, rootMm: number): Window =>
  depthWindow(
    n,
    w,
    {
      throughMm: (w.where.on === 'mat' ? w.where.thickMm : 0) / sine(angle),
      wireMm: Infinity,
      eyeMm: Infinity,
      farShows: false,
    },
    angle,
    rootMm,
  );

export function fitOf(
  n: Needle,
  work: Needlework,
  stretch: Stretch,
  sight: Sight,
  rootMm: number,
  angleAsked: number | null = null,
): Fit {
  const w = { ...work, groundMgCm3: stretch.groundMgCm3 };
  const angles = angleAsked === null ? ANGLES[work.kind] : [angleAsked];
  const looked = (angle: number) =>
    work.where.on === 'mat'
      ? [{ w: onMat(n, w, angle, rootMm), lean: LEANS[0] as Lean }]
      : sight.spots.map((_, k) => windowAt(n, w, sight, angle, k, rootMm));
  let first: readonly ({ w: Window; lean: Lean } | null)[] = [];
  let chosen = { angle: angles[0]!, seen: first, share: -1 };
  for (const angle of angles) {
    const seen = looked(angle);
    if (angle === angles[0]) first = seen;
    const there = seen.filter((x) => x !== null);
    const share = there.length === 0 ? 0 : there.filter((x) => x.w.open).length / there.length;
    if (share > chosen.share + 1e-9) chosen = { angle, seen, share };
    if (share >= ENOUGH) break;
  }
  const open = chosen.seen.flatMap((x) => (x?.w.open ? [x] : []));
  const usable = open.length > 0 ? open : chosen.seen.flatMap((x) => (x ? [x] : []));
  const shut = (x: { w: Window } | null): x is { w: Window; lean: Lean } => x !== null && !x.w.open;
  const tight = chosen.seen.flatMap((x, spot): Tight[] => {
    if (!shut(x)) return [];
    const opensAt = (a: number) =>
      work.where.on === 'mat' ? onMat(n, w, a, rootMm).open : windowAt(n, w, sight, a, spot, rootMm)?.w.open;
    const other = ANGLES[work.kind].find((a) => a !== chosen.angle && opensAt(a));
    return [{ spot, limit: x.w.limit, mostMm: x.w.mostMm, atDeg: other ?? null }];
  });
  if (usable.length === 0) return nowhere(n, chosen.angle);
  const mostMm = Math.min(...usable.map((x) => x.w.mostMm));
  const leastMm = Math.min(middle(usable.map((x) => x.w.leastMm)), mostMm);
  const plannedMm = Math.max(leastMm, Math.min(mostMm, middle(usable.map((x) => x.w.plannedMm))));
  const limit = usable.find((x) => x.w.mostMm === mostMm)!.w.limit;
  const s = sine(chosen.angle);
  const below = plannedMm - w.layerMm / s;
  const effect =
    work.kind === 'root' || work.kind === 'raise'
      ? rooted(n, below, work.kind === 'root' ? rootMm : 0)
      : tangle(n, below);
  const pace = paceOf(n, plannedMm, stretch.groundMgCm3);
  const marks = work.shows ? openMarks(n, work.perCm2, work) : 0;
  const bad = marks * stretch.marksLeft * work.tells;
  const ok = open.length > 0 && effect > 0;
  const refused = first.find(shut);
  return {
    needleId: n.id,
    angleDeg: chosen.angle,
    lean: chosen.angle === 90 ? null : mostCommon(usable.map((x) => x.lean)),
    openShare: Math.max(0, chosen.share),
    leastMm,
    mostMm,
    plannedMm,
    depthMm: plannedMm * s,
    limit,
    inLayers: usable.some((x) => x.w.inLayers),
    slantedFor: angleAsked === null && chosen.angle !== angles[0] && refused ? refused.w.limit : null,
    tight,
    barbs: barbsWorking(n, below),
    effect,
    pace,
    marks,
    // Where it reaches only some of the places, the others are left to do again.
    cost: ok
      ? ((1 + (bad / UNNOTICED) ** 2) * (1 + disturbed(n, work) / UNDISTURBED) ** 2) /
        (effect ** stretch.holds * pace * (chosen.share >= ENOUGH ? 1 : Math.max(0.05, chosen.share)) ** 2)
      : Infinity,
  };
}

const barbsWorking = (n: Needle, below: number): number => {
  const first = n.tipMm;
  const edges = n.section === 'star' ? 4 : 3;
  if (below <= first) return 0;
  if (n.section === 'crown') return Math.min(edges * n.barbs, edges * (1 + Math.floor((below - first) / n.gapMm)));
  return Math.min(edges * n.barbs, 1 + Math.floor((below - first) / (n.gapMm / edges)));
};

const mostCommon = (x: readonly Lean[]): Lean =>
  LEANS.reduce((a, b) => (x.filter((y) => y === b).length > x.filter((y) => y === a).length ? b : a));

const nowhere = (n: Needle, angleDeg: number): Fit => ({
  needleId: n.id,
  angleDeg,
  lean: null,
  openShare: 0,
  leastMm: 0,
  mostMm: 0,
  plannedMm: 0,
  depthMm: 0,
  limit: 'the other side',
  inLayers: false,
  slantedFor: null,
  tight: [],
  barbs: 0,
  effect: 0,
  pace: 1,
  marks: 0,
  cost: Infinity,
});

/** A core begins loose: felted to a workable state first, then until it is firm (30 and 100 stabs on a cm3). Ours. */
const LOOSE_MGCM3 = 45;
const WORKABLE = 0.3;

/** The stretches a piece of work is done in. */
export function stretchesOf(w: Needlework): Stretch[] {
  if (w.kind === 'through')
    return [
      { share: WORKABLE, groundMgCm3: Math.min(LOOSE_MGCM3, w.groundMgCm3), marksLeft: 0, holds: 1 },
      { share: 1 - WORKABLE, groundMgCm3: w.groundMgCm3, marksLeft: 0, holds: 1 },
    ];
  if (w.kind === 'surface' && w.shows && w.passes >= 2)
    return [
      { share: (w.passes - 1) / w.passes, groundMgCm3: w.groundMgCm3, marksLeft: stillOpen(w.perCm2), holds: 1 },
      { share: 1 / w.passes, groundMgCm3: w.groundMgCm3, marksLeft: 1, holds: 0.2 },
    ];
  return [
    {
      share: 1,
      groundMgCm3: w.groundMgCm3,
      marksLeft: w.shows ? 1 : 0,
      holds: w.kind === 'surface' || w.kind === 'line' ? 0.5 : 1,
    },
  ];
}
