/**
 * Which needle roots fur: a crown needle where one is owned, else the finest regular one (common practice). Fine blades
 * leave small holes, and the crown's barbs sit close to its tip, so a shallow stab already carries fibre.
 */
import type { Cupboard } from '@/core/piece/cupboard';
import { say, type Text } from '@/core/text';

export function rootingNeedle(cupboard: Cupboard): Text | null {
  const owned = cupboard.needles.filter((n) => n.count > 0 && n.section !== 'reverse');
  const crown = owned.filter((n) => n.section === 'crown').sort((a, b) => b.gauge - a.gauge)[0];
  if (crown) return say`${crown.name}: barbs close to the tip, so a shallow stab roots the fur`;
  const finest = [...owned].sort((a, b) => b.gauge - a.gauge || a.id.localeCompare(b.id))[0];
  return finest ? say`${finest.name}: the finest you own, for the smallest holes` : null;
}

/**
 * Which needle felts the core: a medium triangle, 36 before 38, else the coarsest regular one (common practice: finer as
 * the work gets denser and nearer the surface).
 */
export function coreNeedle(cupboard: Cupboard): Text | null {
  const owned = cupboard.needles.filter((n) => n.count > 0 && n.section !== 'reverse' && n.section !== 'crown');
  const best = [...owned].sort(
    (a, b) => Math.abs(a.gauge - 36) - Math.abs(b.gauge - 36) || a.gauge - b.gauge || a.id.localeCompare(b.id),
  )[0];
  return best ? say`${best.name}: deep stabs all round, turning the work, at least halfway through` : null;
}

/** Which needle felts a thin layer on: the finest regular one, crown aside, for the smallest holes (common practice). */
export function surfaceNeedle(cupboard: Cupboard): Text | null {
  const owned = cupboard.needles.filter((n) => n.count > 0 && n.section !== 'reverse' && n.section !== 'crown');
  const fine = [...owned].sort(
    (a, b) => Math.abs(a.gauge - 40) - Math.abs(b.gauge - 40) || b.gauge - a.gauge || a.id.localeCompare(b.id),
  )[0];
  return fine ? say`${fine.name}: shallow, so the wool stays on the surface` : null;
}

/** The reverse needle, kept apart from the others; null where none is owned. */
export function reverseNeedle(cupboard: Cupboard): Text | null {
  const fine = cupboard.needles
    .filter((n) => n.count > 0 && n.section === 'reverse')
    .sort((a, b) => b.gauge - a.gauge || a.id.localeCompare(b.id))[0];
  return fine ? say`${fine.name}: its barbs point the other way and pull fibre out` : null;
}

/** Which needle fixes a strip deep into the core: a medium triangle or star (common practice). */
export function deepNeedle(cupboard: Cupboard): Text | null {
  const owned = cupboard.needles.filter((n) => n.count > 0 && n.section !== 'reverse' && n.section !== 'crown');
  const best = [...owned].sort(
    (a, b) => Math.abs(a.gauge - 38) - Math.abs(b.gauge - 38) || a.gauge - b.gauge || a.id.localeCompare(b.id),
  )[0];
  return best ? say`${best.name}: deep, well into the core` : null;
}
