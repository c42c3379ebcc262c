import { useMemo } from 'react';
import { judged, type Judged } from '@/core/known-findings';
import { useDesk } from '@/desk/store';

const NONE: readonly Judged[] = [];

/** Everything found in the piece on the desk, worst first, each with whether the maker knows of it. */
export function useFindings(): readonly Judged[] {
  const found = useDesk((s) => s.plan?.findings);
  const known = useDesk((s) => s.piece?.known);
  return useMemo(() => (found && known ? judged(found, known) : NONE), [found, known]);
}
