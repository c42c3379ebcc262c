/**
 * The working end of a felting needle: where its barbs sit, what a stab carries, what mark it leaves, how deep the blade can
 * safely go and how much it slows the hand. Lengths mm, densities mg/cm3.
 */
import type { Needle } from '@/core/piece/cupboard';
import { safeStroke } from './needle-methods';

export const EDGES: Readonly<Record<Needle['section'], number>> = {
  triangle: 3,
  star: 4,
  twisted: 3,
  crown: 3,
  reverse: 3,
};

export type Blade = Pick<Needle, 'section' | 'thickMm' | 'tipMm' | 'barbs' | 'gapMm' | 'bladeMm'>;

/**
 * Distance of every barb from the point, nearest first. The edges take turns: barbs of all edges are spread evenly over
 * the distance of two barbs on one edge. A crown's sit level.
 */
export function barbsOf(n: Blade): number[] {
  const edges = EDGES[n.section];
  if (n.section === 'crown')
    return Array.from({ length: edges * n.barbs }, (_, i) => n.tipMm + Math.floor(i / edges) * n.gapMm);
  return Array.from({ length: edges * n.barbs }, (_, i) => n.tipMm + (i * n.gapMm) / edges);
}

/**
 * How much a stab tangles: over all barbs that get below the layer, the way they carry it times what they hold. A barb
 * holds as the square of the blade: it grows with it both ways. Barbs that sit level work in the same wool and tangle one
 * layer only, so they count as the root of their number. mm3 of fibre moved, up to one factor. Ours.
 * @param belowMm stroke beyond the layer, along the needle
 */
export function tangle(n: Blade, belowMm: number): number {
  const level = n.section === 'crown' ? 1 / Math.sqrt(EDGES.crown) : 1;
  return level * n.thickMm ** 2 * barbsOf(n).reduce((s, b) => s + Math.max(0, belowMm - b), 0);
}

/**
 * How much a stab roots: barbs that arrive at the depth of the root at least, times what they hold. Ours.
 * @param belowMm stroke beyond the layer, along the needle
 * @param rootMm how far below the ground a root must sit, along the needle
 */
export function rooted(n: Blade, belowMm: number, rootMm: number): number {
  return n.thickMm ** 2 * barbsOf(n).filter((b) => belowMm - b >= rootMm - 1e-9).length;
}

/**
 * Width of the mark a stab leaves: the blade; a star opens more than a triangle; barbs that sit level pull a tuft down at
 * one point, which leaves a dimple half as wide again. Ours.
 */
export function markWidth(n: Blade): number {
  const level = n.section === 'crown' ? 1.5 : n.section === 'star' ? 1.15 : 1;
  return n.thickMm * level;
}

/** What the needle's steel bears in bending, MPa, with a margin to the yield of hardened spring steel. From memory. */
const BEARS_MPA = 1000;
/** Sideways force of the wool on a slightly slanted stab for every mm it is deep, in felt of 100 mg/cm3, N. Ours. */
const SIDE_N_MM = 0.02;

/**
 * Deepest stroke the blade bears if the hand slants a little: a cantilever of the free blade under a side force that grows
 * with depth and density, bending stress 32 F L / (π d³) (round bar, from memory).
 */
export const deepestSafe = (n: Blade, groundMgCm3: number): number =>
  safeStroke.of({ bears: BEARS_MPA, thick: n.thickMm, blade: n.bladeMm, side: SIDE_N_MM, ground: groundMgCm3 });

/** Push a hand keeps up at full pace: blade squared times stroke in felt of 100 mg/cm3, mm3. Ours. */
const PUSH = 7.5;

/** Share of the usual pace of the hand: it slows where a thick blade has to go deep into dense felt. Ours. */
export function paceOf(n: Blade, strokeMm: number, groundMgCm3: number): number {
  return Math.min(1, PUSH / ((n.thickMm ** 2 * Math.max(strokeMm, 1e-6) * groundMgCm3) / 100));
}
