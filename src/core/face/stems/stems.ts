/**
 * Stems of set eyes inside the head: do they meet, come out again, or touch the wire; how long they may be; and the
 * smallest change of angle or length that clears them.
 */
import { betweenSegments } from '@/core/geometry/segment';
import type { Mesh } from '@/core/geometry/mesh';
import { crossings } from '@/core/geometry/rays';
import { add, scale, type Vec3 } from '@/core/geometry/vec';
import { directionOutOfHead, type HeadFrame } from '@/core/face/head/head';

/** Wool wanted round a stem, to the other one, to the wire and to the skin, mm. Ours. */
export const STEM_ROOM = 1;
/** Never stab nearer to a set stem than this, mm. Ours. */
export const STEM_ZONE = 2;
/** Shorter than this a stem does not hold, mm. Ours. */
const SHORTEST_STEM = 3;

export interface StemChoice {
  readonly lengthMm: number;
  readonly inDeg: number;
  readonly downDeg: number;
}

/** Unit direction a stem runs into the head, in the frame of the head. */
export function stemDirection(side: 'left' | 'right', { inDeg, downDeg }: Pick<StemChoice, 'inDeg' | 'downDeg'>): Vec3 {
  const t = (inDeg * Math.PI) / 180;
  const d = (downDeg * Math.PI) / 180;
  return [(side === 'left' ? -1 : 1) * Math.sin(t) * Math.cos(d), -Math.sin(d), -Math.cos(t) * Math.cos(d)];
}

export interface StemRoom {
  /** Where the stems start: the backs of the eyes; one only on a relief. */
  readonly starts: readonly { readonly side: 'left' | 'right'; readonly at: Vec3 }[];
  readonly frame: HeadFrame;
  /** What the stems sit in: the core, or the animal where it has none. */
  readonly inside: Mesh;
  readonly thickMm: number;
  readonly wires: readonly { readonly path: readonly Vec3[]; readonly thickMm: number }[];
}

export interface StemState {
  readonly lines: readonly { readonly side: 'left' | 'right'; readonly a: Vec3; readonly b: Vec3 }[];
  /** Wool between the two; null with one stem. Below 0 they meet. */
  readonly gapMm: number | null;
  /** Wool beyond the end of the stem before the skin; below 0 it comes out. The least of both. */
  readonly beyondMm: number;
  /** Wool between a stem and the nearest wire; Infinity without wire. */
  readonly wireMm: number;
  readonly clear: boolean;
}

const segments = (path: readonly Vec3[]): [Vec3, Vec3][] => path.slice(1).map((q, i) => [path[i]!, q]);

/** Wool ahead of a place, along a direction, until the line leaves the core. */
function depthAhead(inside: Mesh, from: Vec3, to: Vec3): number {
  const hits = crossings(inside, from, to);
  // Begun outside the core (under the coat) the line goes in first.
  const out = hits.length % 2 === 1 ? hits[0] : hits[1];
  return out ?? 0;
}

export function stemState(room: StemRoom, choice: StemChoice): StemState {
  const lines = room.starts.map(({ side, at }) => {
    const to = directionOutOfHead(room.frame, stemDirection(side, choice));
    return { side, a: at, b: add(at, scale(to, choice.lengthMm)), to };
  });
  const [l, r] = lines;
  const gapMm = l && r ? betweenSegments(l.a, l.b, r.a, r.b).distance - room.thickMm : null;
  let wireMm = Infinity;
  for (const w of room.wires) {
    for (const [p, q] of segments(w.path)) {
      for (const s of lines) {
        const d = betweenSegments(s.a, s.b, p, q).distance - (room.thickMm + w.thickMm) / 2;
        wireMm = Math.min(wireMm, d);
      }
    }
  }
  const beyondMm = Math.min(...lines.map((s) => depthAhead(room.inside, s.a, s.to) - choice.lengthMm));
  return {
    lines: lines.map(({ side, a, b }) => ({ side, a, b })),
    gapMm,
    beyondMm,
    wireMm,
    clear: (gapMm === null || gapMm >= STEM_ROOM) && beyondMm >= STEM_ROOM && wireMm >= STEM_ROOM,
  };
}

const STEP_DEG = 5;
const STEP_MM = 0.5;

/** How much a change costs: ten degrees more or less count like one and a half millimetres cut off. Ours. */
const cost = (from: StemChoice, to: StemChoice): number =>
  Math.abs(to.inDeg - from.inDeg) / 10 +
  Math.abs(to.downDeg - from.downDeg) / 10 +
  Math.abs(to.lengthMm - from.lengthMm) / 1.5;

/**
 * The smallest change that clears both stems, cutting them shorter or turning the holes; never longer than now, nor than the
 * stem there is.
 * @param most the stem of the eye chosen
 * @returns null when nothing does
 */
export function clearing(room: StemRoom, now: StemChoice, most: number): StemChoice | null {
  const choices: { to: StemChoice; c: number }[] = [];
  const longest = Math.min(now.lengthMm, most);
  const lengths = [longest];
  for (let l = Math.floor(longest / STEP_MM) * STEP_MM; l >= SHORTEST_STEM; l -= STEP_MM) {
    if (l < longest) lengths.push(l);
  }
  const around = (x: number, lo: number, hi: number): number[] => {
    const out = [x];
    for (let k = 1; k * STEP_DEG <= hi - lo; k++) {
      for (const y of [x - k * STEP_DEG, x + k * STEP_DEG]) if (y >= lo && y <= hi) out.push(y);
    }
    return out;
  };
  for (const lengthMm of lengths) {
    for (const inDeg of around(now.inDeg, 0, 90)) {
      for (const downDeg of around(now.downDeg, -30, 70)) {
        const to = { lengthMm, inDeg, downDeg };
        choices.push({ to, c: cost(now, to) });
      }
    }
  }
  choices.sort(
    (a, b) => a.c - b.c || b.to.lengthMm - a.to.lengthMm || a.to.inDeg - b.to.inDeg || a.to.downDeg - b.to.downDeg,
  );
  return choices.find((x) => stemState(room, x.to).clear)?.to ?? null;
}

/** Longest stem that is clear at these angles, to half a millimetre; null when not even the shortest is. */
export function longestClear(room: StemRoom, now: StemChoice, most: number): number | null {
  for (let l = Math.floor(most / STEP_MM) * STEP_MM; l >= SHORTEST_STEM; l -= STEP_MM) {
    if (stemState(room, { ...now, lengthMm: l }).clear) return l;
  }
  return null;
}
