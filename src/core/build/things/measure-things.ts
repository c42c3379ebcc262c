/**
 * Small things measured off the animal: a thread round the finished coat, patterns that follow from it, wool and wood they take, and where
 * they lie. mm, g
 */
import type { FormWork } from '@/core/form/form';
import { outwardAt } from '@/core/form/surface';
import { fieldValue } from '@/core/geometry/field';
import { add, norm, scale, sub, unit, type Vec3 } from '@/core/geometry/vec';
import { figure, type Figure } from '@/core/method/define';
import {
  isFelted,
  isWorn,
  type FeltThing,
  type Thing,
  type ThingOf,
  type WoodThing,
  type Worn,
} from '@/core/piece/things';
import { enclosed, feltMass, patternScale } from '@/core/build/flat-parts';
import { bentStrip, disc, straightStrip } from './strip';
import {
  bandLength,
  frameBar,
  knotLength,
  loopLength,
  scarfLength,
  wallWidth,
  WOOD_MG_CM3,
  woodMass,
} from './thing-methods';
import type { Cut, FramePlace, Panel, ThingPlan, WornPlace } from './thing-plan';
import { onThread, threadsRound, type Thread } from './thread';

/** Shares of the height of a bow that its tails and its knot are wide, and its loops lie on each other. Ours. */
const BOW = { tail: 0.7, knot: 0.45, overlap: 0.5 } as const;
/** A handle is wound so many times as thick as the wall, is bent as a half circle over the top, and goes so far down inside at each end. Ours. */
export const HANDLE = { thick: 2, into: 6 } as const;
/** What hangs is drawn in steps of this. */
const HANG_STEP = 2;
/** Both ends of a scarf part by so much each, as a share of how far they hang. Ours. */
const PARTS = 0.16;

const NOTHING = {
  girthMm: null,
  lengths: [],
  panels: [],
  pattern: null,
  cuts: [],
  wood: null,
  massG: 0,
  worn: null,
  framed: null,
  beyondMm: null,
} as const;

/** @param density of flat felt, mg/cm3 */
export const measureThings = (things: readonly Thing[], w: FormWork, density: number): ThingPlan[] =>
  things.map((t): ThingPlan => {
    const own = { ...NOTHING, id: t.id, name: t.name, thing: t };
    return isFelted(t) ? { ...own, ...felted(t, w, density) } : { ...own, ...wooden(t, w) };
  });

type Measured = Partial<ThingPlan>;

function felted(t: FeltThing, w: FormWork, density: number): Measured {
  const made = isWorn(t) ? worn(t, w) : basket(t);
  if (!made) return {};
  const panels = made.panels.map((p): Panel => {
    const areaMm2 = enclosed(p.outline);
    return { ...p, areaMm2, mass: figure(feltMass, { area: areaMm2, thick: p.thickMm ?? t.thicknessMm, density }) };
  });
  return {
    ...made,
    panels,
    pattern: figure(patternScale, { shrink: t.shrinkShare }),
    massG: panels.reduce((s, p) => s + p.count * p.mass.value, 0),
  };
}

interface Drawn {
  readonly name: string;
  readonly count: number;
  readonly outline: Float64Array;
  /** Other than the thing is thick. */
  readonly thickMm?: number;
}
type Made = Omit<Measured, 'panels'> & { readonly panels: readonly Drawn[] };

/** The edges of a band lie half its width off its middle along the part. */
const edges = (wide: number): readonly number[] => [-wide / 2, 0, wide / 2];

function worn(t: Worn, w: FormWork): Made | null {
  const wide = t.kind === 'bow' ? BOW.knot * t.highMm : t.wideMm;
  const threads = threadsRound(w.body, w.skin, t, edges(wide));
  if (!threads) return null;
  const place = placed(t, threads, w);
  const [lower, middle, upper] = threads.map((x) => x.girthMm) as [number, number, number];
  const common = { girthMm: middle, worn: place };
  if (t.kind === 'bow') return { ...common, ...bowOf(t) };
  const { thicknessMm: thick, looserMm: looser } = t;
  if (t.kind === 'scarf') {
    const long = figure(scarfLength, { girth: middle, thick, looser, wide: t.wideMm, ends: t.endsMm });
    return {
      ...common,
      lengths: [{ says: 'length of the scarf', figure: long }],
      panels: [{ name: 'Scarf', count: 1, outline: straightStrip(long.value, t.wideMm) }],
    };
  }
  const edge = (girth: number): Figure => figure(bandLength, { girth, thick, looser, overlap: t.overlapMm });
  const [low, high] = [edge(lower), edge(upper)];
  return {
    ...common,
    lengths: [
      { says: 'edge towards the first end', figure: low },
      { says: 'edge towards the last end', figure: high },
    ],
    panels: [
      {
        name: 'Band',
        count: 1,
        outline: bentStrip(low.value - t.overlapMm, high.value - t.overlapMm, t.wideMm, t.overlapMm),
      },
    ],
  };
}

function bowOf(t: ThingOf<'bow'>): Pick<Made, 'lengths' | 'panels'> {
  const overlap = BOW.overlap * t.highMm;
  const loops = figure(loopLength, { across: t.acrossMm, overlap });
  const knot = figure(knotLength, { high: t.highMm, thick: t.thicknessMm, overlap });
  return {
    lengths: [
      { says: 'strip of both loops', figure: loops },
      { says: 'strip round the middle', figure: knot },
    ],
    panels: [
      { name: 'Loops', count: 1, outline: straightStrip(loops.value, t.highMm) },
      { name: 'Middle', count: 1, outline: straightStrip(knot.value, BOW.knot * t.highMm) },
      ...(t.tailsMm > 0
        ? [{ name: 'Tails', count: 1, outline: straightStrip(2 * t.tailsMm, BOW.tail * t.highMm) }]
        : []),
    ],
  };
}

function basket(t: ThingOf<'basket'>): Made {
  const wide = figure(wallWidth, { high: t.highMm, top: t.topMm, bottom: t.bottomMm });
  // The wall is measured through the middle of its felt.
  const round = (across: number) => Math.PI * Math.max(0.1, across - t.thicknessMm);
  const thick = HANDLE.thick * t.thicknessMm;
  const long = (Math.PI * t.topMm) / 2 + 2 * HANDLE.into;
  return {
    lengths: [{ says: 'wall, from edge to edge', figure: wide }],
    panels: [
      { name: 'Bottom', count: 1, outline: disc(t.bottomMm) },
      { name: 'Wall', count: 1, outline: bentStrip(round(t.bottomMm), round(t.topMm), wide.value) },
      // A cord of round section is as much felt as a strip of its thickness a quarter of π as wide.
      ...(t.handle
        ? [{ name: 'Handle, rolled', count: 1, outline: straightStrip(long, (Math.PI / 4) * thick), thickMm: thick }]
        : []),
    ],
  };
}

function placed(t: Worn, threads: readonly Thread[], w: FormWork): WornPlace {
  const m = threads[1]!;
  const [x, y] = onThread(m, t.aroundDeg);
  const outward = unit(add(scale(m.out, x), scale(m.top, y)));
  const seat = add(add(m.at, add(scale(m.out, x), scale(m.top, y))), scale(outward, t.thicknessMm));
  const far = t.kind === 'scarf' ? t.endsMm : t.kind === 'bow' ? t.tailsMm : 0;
  const wide = t.kind === 'scarf' ? t.wideMm : t.kind === 'bow' ? BOW.tail * t.highMm : 0;
  // Beside each other where they begin, parting as they hang.
  const across = unit(acrossOf(outward, m.axis));
  const hanging =
    far > 0
      ? [-1, 1].map((s) =>
          hang(w, add(seat, scale(across, (s * wide) / 4)), scale(across, s * PARTS), far, t.thicknessMm),
        )
      : [];
  return { threads, seat, outward, hanging };
}

/** Along the ground and the skin, square to the way out; along the part where out is straight up. */
function acrossOf(outward: Vec3, axis: Vec3): Vec3 {
  const a: Vec3 = [outward[2], 0, -outward[0]];
  return norm(a) > 0.2 ? a : axis;
}

/** What hangs from a place: straight down, and round what is in its way. */
function hang(w: FormWork, from: Vec3, aside: Vec3, far: number, off: number): { at: Vec3; outward: Vec3 }[] {
  const all = w.body.parts.map((_, i) => i);
  const n = Math.max(2, Math.round(far / HANG_STEP));
  const step = far / n;
  let at = from;
  const line = [{ at, outward: outwardAt(w, at) }];
  const down = unit(add([0, -1, 0], aside));
  for (let i = 0; i < n; i++) {
    let next = add(at, scale(down, step));
    let outward = line[line.length - 1]!.outward;
    if (!w.body.surface) {
      const d = fieldValue(w.body.field, all, next[0], next[1], next[2]);
      if (d < 4 * off + step) outward = outwardAt(w, next);
      if (d < off) next = add(next, scale(outward, off - d));
    }
    // No longer than it is cut.
    const way = sub(next, at);
    at = add(at, scale(unit(way), step));
    line.push({ at, outward });
  }
  return line;
}

/** Wood that is cut, with its length, width and thickness, and how much of it there is. */
function wooden(t: WoodThing, w: FormWork): Measured {
  const of = (volume: number) => figure(woodMass, { volume, density: WOOD_MG_CM3[t.wood] });
  if (t.kind === 'twig') {
    const wood = of((Math.PI / 4) * t.acrossMm ** 2 * t.longMm);
    return { wood, massG: wood.value, cuts: [cut('Twig', 1, t.longMm, t.acrossMm, t.acrossMm)] };
  }
  if (t.kind === 'base') {
    const wood = of((t.outline === 'oval' ? Math.PI / 4 : 1) * t.longMm * t.wideMm * t.thickMm);
    return { wood, massG: wood.value, cuts: [cut('Base', 1, t.longMm, t.wideMm, t.thickMm)] };
  }
  return frame(t, w, of);
}

const cut = (name: string, count: number, longMm: number, wideMm: number, thickMm: number): Cut => ({
  name,
  count,
  longMm,
  wideMm,
  thickMm,
});

function frame(t: ThingOf<'frame'>, w: FormWork, of: (volume: number) => Figure): Measured {
  const board = w.body.parts.find((b) => b.part.shape === 'board')?.part;
  if (board?.shape !== 'board') return {};
  const k = w.body.scale;
  const [high, long] = [2 * board.halfHeight * k, 2 * board.halfLength * k];
  const bar = (side: number) => figure(frameBar, { board: side, gap: t.gapMm, profile: t.profileMm });
  const [upright, lying] = [bar(high), bar(long)];
  const open = (side: number) => side + 2 * t.gapMm;
  const wood = of((upright.value * lying.value - open(high) * open(long)) * t.deepMm);
  const backX = -board.thickness * k;
  const framed: FramePlace = {
    middle: [0, board.at[1] * k, board.at[2] * k],
    halfHigh: open(high) / 2,
    halfLong: open(long) / 2,
    backX,
    frontX: backX + t.deepMm,
  };
  let front = -Infinity;
  for (let i = 0; i < w.skin.positions.length; i += 3) front = Math.max(front, w.skin.positions[i]!);
  return {
    wood,
    massG: wood.value,
    lengths: [
      { says: 'bars that lie, over the points', figure: lying },
      { says: 'bars that stand, over the points', figure: upright },
    ],
    cuts: [
      cut('Bar, lying', 2, lying.value, t.profileMm, t.deepMm),
      cut('Bar, standing', 2, upright.value, t.profileMm, t.deepMm),
    ],
    framed,
    beyondMm: front - framed.frontX,
  };
}
