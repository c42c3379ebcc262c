/** A stretch of needle work in words: what the order, the bench and the sheets say of it. */
import { count, degrees, fine, say, type Text } from '@/core/text';
import type { NeedlePhase, NeedlePlan } from './needle-plan';

/** Which needle at what angle and how deep. */
const phaseWords = (p: NeedlePhase): Text =>
  say`${p.holder ? `${p.name}, ${p.holder.needles} in ${p.holder.name.toLowerCase()}` : p.name}, ${p.angleDeg === 90 ? 'straight in' : say`${degrees(p.angleDeg)} to the skin${p.lean ? `, ${p.lean}` : ''}`}, stroke ${fine(p.strokeMm)} (${fine(p.leastMm)} to ${fine(p.mostMm)})`;

/** The same with what it is for and the reason. */
export const phaseInFull = (p: NeedlePhase): Text =>
  say`${phaseWords(p)}${p.says ? say`, ${p.says}` : ''}: ${p.because}`;

export const stabsWords = (p: NeedlePhase): Text =>
  say`${count(Math.max(10, Math.round(p.stabs / 10) * 10))} stabs in ${count(p.passes)} ${p.passes === 1 ? 'pass' : 'passes'}`;

/** The needles of a step, one after the other; null where it is not needled or no needle can do it. */
export function stepNeedleWords(plan: NeedlePlan, operationId: string): Text | null {
  const phases = plan.steps.find((s) => s.operationId === operationId)?.phases ?? [];
  if (phases.length === 0) return null;
  return phases.flatMap((p, i): Text => (i > 0 ? ['; then ', ...phaseWords(p)] : phaseWords(p)));
}
