/** Moving a step by hand: what a drop on another step asks for, and what forbids it. */
import type { Work } from '@/core/piece/work';
import { say, type Text } from '@/core/text';
import type { Step } from './order';

type Drop = { readonly ok: true; readonly moves: Work['moves'] } | { readonly ok: false; readonly says: Text };

/**
 * @param steps in the order of the work
 * @param onto the step it is dropped on: it takes its place, so going down it comes after it, going up before it
 */
export function dropStep(steps: readonly Step[], moves: Work['moves'], id: string, onto: string): Drop {
  const step = steps.find((s) => s.operation.id === id);
  const target = steps.find((s) => s.operation.id === onto);
  if (!step || !target || step === target) return { ok: true, moves };
  const later = target.number > step.number;
  const bound = later ? step.latest : step.earliest;
  if (later ? target.number >= bound.number : target.number <= bound.number) {
    const held = steps.find((s) => s.operation.id === bound.because?.id);
    return {
      ok: false,
      says: held
        ? say`It cannot go ${later ? 'after' : 'before'} step ${held.number}, ${held.operation.does}: ${bound.because!.why}`
        : say`It cannot go there.`,
    };
  }
  // A newer move of a step takes the place of its older ones.
  return {
    ok: true,
    moves: [
      ...moves.filter((m) => m.operation !== id),
      { operation: id, place: later ? 'after' : 'before', other: onto },
    ],
  };
}
