/**
 * Marks a needle leaves on a surface that stays in sight, and passes that close them. Ours, from geometry: every stab opens
 * a hole as wide as its mark; the fibres of the top layer that were only pushed aside spring back over it, fewer the wider
 * it is against their thickness; a later stab drags fibres from around it across older holes.
 */
import { layerMass } from '@/core/wool/fibre';
import { figure, type Figure } from '@/core/method/define';
import { markWidth, type Blade } from './blade';
import { needleMarks } from './needle-methods';

/** From how far around a stab drags fibre across, mm. Ours. */
const DRAGS_MM = 0.75;
/** Share of the surface in open marks that is not noticed at arm's length. Ours. */
export const UNNOTICED = 0.03;

export interface TopLayer {
  readonly topMgCm2: number;
  readonly finenessUm: number;
  /** How far one layer of its fibre hides. */
  readonly spread: number;
}

/**
 * Share of the surface left in open marks by one pass.
 * @param perCm2 stabs on a square cm
 */
export const openMarks = (n: Blade, perCm2: number, top: TopLayer): number => marksFigure(n, perCm2, top).value;

/** The same with the way it was found. */
export const marksFigure = (n: Blade, perCm2: number, top: TopLayer): Figure =>
  figure(needleMarks, {
    perCm2,
    wide: markWidth(n),
    spread: top.spread,
    areal: top.topMgCm2,
    layer: layerMass.of({ fineness: top.finenessUm, cv: 0.22 }),
    fineness: top.finenessUm,
  });

/** Share of older marks still open after a pass over them: none of its stabs fell near (Poisson). */
export const stillOpen = (perCm2: number): number => Math.exp((-perCm2 * Math.PI * DRAGS_MM ** 2) / 100);

/** Marks left after passes in turn. */
export function marksAfter(
  passes: readonly { readonly needle: Blade; readonly perCm2: number }[],
  top: TopLayer,
  before = 0,
): number {
  return passes.reduce((s, p) => s * stillOpen(p.perCm2) + openMarks(p.needle, p.perCm2, top), before);
}
