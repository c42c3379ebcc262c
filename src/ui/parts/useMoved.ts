'use client';
/** How a figure has moved: since the state that is held, else by the last change. */
import type { Plan } from '@/core/plan';
import type { Quantity } from '@/core/text';
import { useDesk } from '@/desk/store';
import { useUnits } from './useUnits';

export interface Moved {
  readonly was: string;
  readonly by: string;
}

/** @returns asks what a figure was in the plan compared with; null where it reads the same or there is none */
export function useMoved(): (now: Quantity, pick: (plan: Plan) => Quantity | null | undefined) => Moved | null {
  const base = useDesk((s) => s.held?.plan ?? s.before);
  const { q } = useUnits();
  return (now, pick) => {
    const was = base && pick(base);
    if (!was || q(was) === q(now)) return null;
    const by = now.value - was.value;
    return { was: q(was), by: `${by < 0 ? '−' : '+'}${q({ kind: now.kind, value: Math.abs(by) })}` };
  };
}
