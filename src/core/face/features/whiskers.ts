/**
 * Whiskers: rows of roots on the skin, each thread needled through the head from side to side (brow whiskers from the brow
 * out under the chin), past eyes, stems and wire; how long, how much thread, and whether its thickness fits the scale.
 */
import type { Work } from '@/core/time/elements';
import { crossings } from '@/core/geometry/rays';
import { betweenSegments, nearestOnSegment } from '@/core/geometry/segment';
import { add, flatten, norm, scale, sub, unit, type Vec3 } from '@/core/geometry/vec';
import type { FormWork } from '@/core/form/form';
import { mirrorPlace, ontoSkin, pointOf } from '@/core/form/places';
import { outwardAt, walk } from '@/core/form/surface';
import { figure, type Figure } from '@/core/method/define';
import type { Cupboard, Thread } from '@/core/piece/cupboard';
import type { WhiskerSet } from '@/core/piece/face';
import { threadNeed } from '@/core/face/face-methods';
import type { HeadFrame } from '@/core/face/head/head';

/** Cut off at each end of a thread once it sits, mm. Ours. */
const CUT_OFF = 15;
/** Wool wanted between a thread and an eye, a stem or a wire, mm. Ours. */
const THREAD_ROOM = 0.6;
/** Thickness of a whisker in life, mm. Ours. */
const WHISKER_LIFE_MM = 0.3;

export interface Whisker {
  readonly side: 'left' | 'right';
  readonly row: number;
  readonly root: Vec3;
  readonly tip: Vec3;
  readonly lengthMm: number;
}

/** One thread: in on one side, out on the other. */
interface ThreadWay {
  readonly from: Vec3;
  readonly to: Vec3;
  readonly throughMm: number;
  /** How far its ends had to be moved up or down to pass eyes, stems and wire, mm. */
  readonly movedMm: number;
  /** It passes nothing it must not touch. */
  readonly clear: boolean;
}

interface Range {
  readonly leastMm: number;
  readonly mostMm: number;
}

export interface WhiskerPlan {
  readonly id: string;
  readonly name: string;
  readonly kind: WhiskerSet['kind'];
  readonly whiskers: readonly Whisker[];
  readonly ways: readonly ThreadWay[];
  readonly need: Figure;
  /** What shows on each side once it is cut, and what one thread is cut to: both sides, through the head, and the ends cut off. */
  readonly shows: Range;
  readonly cut: Range;
  readonly thread: Thread | null;
  /** Thickness of the thread against a whisker at the scale of the piece; null without a thread. */
  readonly thickness: number | null;
  readonly work: Work;
}

/** How far the ends are moved up or down to find a way, mm, and how brow whiskers may slant in and forward on the way down. */
const SHIFTS = [0, -0.5, 0.5, -1, 1, -1.5, 1.5, -2, 2, -2.5, 2.5, -3, 3] as const;
const EXITS = [
  [0.2, 0],
  [0.45, 0],
  [0, 0],
  [0.2, 0.35],
  [0.2, -0.35],
  [0, 0.5],
  [-0.15, 0.2],
] as const;

const range = (x: readonly number[]): Range => ({
  leastMm: x.length > 0 ? Math.min(...x) : 0,
  mostMm: x.length > 0 ? Math.max(...x) : 0,
});

/** What a thread must not touch. */
export interface Obstacles {
  readonly balls: readonly { readonly at: Vec3; readonly radiusMm: number }[];
  readonly lines: readonly { readonly a: Vec3; readonly b: Vec3; readonly radiusMm: number }[];
}

const clearOf = (a: Vec3, b: Vec3, o: Obstacles): boolean =>
  o.balls.every((x) => nearestOnSegment(x.at, a, b).distance > x.radiusMm + THREAD_ROOM) &&
  o.lines.every((x) => betweenSegments(a, b, x.a, x.b).distance > x.radiusMm + THREAD_ROOM);

interface Root {
  readonly row: number;
  readonly at: Vec3;
  /** Place in its row from the front, 0..1. */
  readonly share: number;
}

function rootsOf(form: FormWork, frame: HeadFrame, set: WhiskerSet, side: 'left' | 'right'): Root[] {
  const start = pointOf(form.body, side === 'left' ? set.at : mirrorPlace(set.at));
  if (!start) return [];
  const rows = Math.min(set.rows, set.perSide);
  return Array.from({ length: rows }, (_, row) => {
    const count = Math.floor(set.perSide / rows) + (row < set.perSide % rows ? 1 : 0);
    const up = walk(form, start, () => frame.y, row * set.rowsApartMm);
    const first = up[up.length - 1]!;
    // Rows stagger by half, so that no two roots stand over each other.
    return Array.from({ length: count }, (_, i): Root => {
      const back = walk(form, first, () => scale(frame.z, -1), (i + (row % 2) / 2) * set.alongMm);
      return { row, at: back[back.length - 1]!, share: count > 1 ? i / (count - 1) : 1 };
    });
  }).flat();
}

/** Way of the hair at a root: out of the skin and back, up and down by its row in the fan. */
function heading(form: FormWork, frame: HeadFrame, set: WhiskerSet, r: Root): Vec3 {
  const n = outwardAt(form, r.at);
  const back = unit(flatten(scale(frame.z, -1), n));
  const rows = Math.min(set.rows, set.perSide);
  const f = rows > 1 ? r.row / (rows - 1) - 0.5 : 0;
  const lift = ((f * set.fanDeg - set.droopDeg) * Math.PI) / 180;
  const flat = unit(add(scale(n, 0.8), scale(back, 0.55)));
  return unit(add(scale(flatten(flat, frame.y), Math.cos(lift)), scale(frame.y, Math.sin(lift) + 0.3 * flat[1])));
}

/** Passes of a thread through the head that its element of time stands for. */
const USUAL_PASSES = 4;

export function planWhiskers(
  form: FormWork,
  frame: HeadFrame,
  set: WhiskerSet,
  obstacles: Obstacles,
  scaleOfLife: number,
  threads: Cupboard['threads'],
): WhiskerPlan {
  const sides = form.body.board ? (['left'] as const) : (['left', 'right'] as const);
  const roots = sides.map((s) => ({ side: s, roots: rootsOf(form, frame, set, s) }));
  const left = roots[0]!.roots;
  const right = roots[1]?.roots ?? null;
  const ways: ThreadWay[] = [];
  const placed = sides.map(() => [] as Vec3[]);
  left.forEach((root, i) => {
    const twin = right?.[i]?.at ?? null;
    const tries = SHIFTS.flatMap((shift) =>
      (set.kind === 'brow whiskers' ? EXITS : EXITS.slice(0, 1)).map((exit) => ({ shift, exit })),
    );
    const tried = tries.map(({ shift, exit }) => {
      const moved = (p: Vec3) => (shift === 0 ? p : ontoSkin(form.body, add(p, scale(frame.y, shift))));
      const a = moved(root.at);
      const b = twin && moved(twin);
      // Brow whiskers leave under the chin, whiskers on the other side; on a relief they end inside.
      const ends = set.kind === 'brow whiskers' ? [a, b].flatMap((p) => (p ? [p] : [])) : [a];
      const lines = ends.map((p): readonly [Vec3, Vec3] => {
        if (set.kind === 'whiskers' && b) return [p, b];
        const inward = scale(outwardAt(form, p), -1);
        const to =
          set.kind === 'brow whiskers'
            ? unit(add(add(scale(frame.y, -1), scale(inward, exit[0])), scale(frame.z, exit[1])))
            : inward;
        const start = add(p, scale(inward, 0.2));
        const out = crossings(form.skin, start, to)[0] ?? 0;
        return [p, add(start, scale(to, set.kind === 'brow whiskers' ? out : 0.6 * out))];
      });
      return { shift, a, b, lines, clear: lines.every(([p, q]) => clearOf(p, q, obstacles)) };
    });
    const best = tried.find((t) => t.clear) ?? tried[0]!;
    placed[0]!.push(best.a);
    if (best.b) placed[1]!.push(best.b);
    for (const [p, q] of best.lines) {
      ways.push({ from: p, to: q, throughMm: norm(sub(q, p)), movedMm: Math.abs(best.shift), clear: best.clear });
    }
  });
  const whiskers = roots.flatMap(({ side, roots: list }, k) =>
    list.map((r, i): Whisker => {
      const at = placed[k]![i]!;
      const lengthMm = set.longestMm * (set.shortestShare + (1 - set.shortestShare) * r.share);
      const to = heading(form, frame, set, { ...r, at });
      return { side, row: r.row, root: at, tip: add(at, scale(to, lengthMm)), lengthMm };
    }),
  );
  const thread = threads.find((t) => t.id === set.threadId) ?? null;
  const shows = range(whiskers.map((w) => w.lengthMm));
  const through = range(ways.map((w) => w.throughMm));
  // A thread from side to side shows at both ends, one under the chin at one.
  const ends = ways.length > 0 ? whiskers.length / ways.length : 1;
  const cutTo = (end: keyof Range) => ends * shows[end] + through[end] + 2 * CUT_OFF;
  return {
    id: set.id,
    name: set.name,
    kind: set.kind,
    whiskers,
    ways,
    need: figure(threadNeed, {
      free: whiskers.reduce((s, w) => s + w.lengthMm, 0),
      through: ways.reduce((s, w) => s + w.throughMm, 0),
      extra: ways.length * 2 * CUT_OFF,
    }),
    shows,
    cut: { leastMm: cutTo('leastMm'), mostMm: cutTo('mostMm') },
    thread,
    thickness: thread && thread.thickMm / (WHISKER_LIFE_MM / scaleOfLife),
    // Straightened, drawn through three to five times, cut.
    work: { whisker: (ways.length * set.passes) / USUAL_PASSES },
  };
}
