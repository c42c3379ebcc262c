'use client';
/** What comes after what is in hand, small: the next row or step, and what is put away and taken out for it. */
import Box from '@mui/material/Box';
import { changeOver } from '@/core/order/change-over';
import type { Plan } from '@/core/plan';
import { useDesk } from '@/desk/store';
import { useUnits } from '@/ui/parts/useUnits';
import { woolName } from '@/units/wool-words';
import { nextAfter } from './in-hand';

interface OnwardProps {
  readonly plan: Plan;
  readonly operationId: string;
  /** The row after it; without one the next step follows. */
  readonly row?: string | null;
  /** It is the last of its step: what the next step asks for is said. */
  readonly last: boolean;
}

export function Onward({ plan, operationId, row = null, last }: OnwardProps) {
  const lots = useDesk((s) => s.cupboard.lots);
  const needles = useDesk((s) => s.cupboard.needles);
  const { t } = useUnits();
  const nextId = nextAfter(plan, operationId);
  const step = (id: string | null) => plan.work.steps.find((s) => s.operation.id === id);
  const [here, next] = [step(operationId), step(nextId)];
  const change = last && here && next ? changeOver(here, next, plan.needles) : null;
  const said = (x: NonNullable<typeof change>['away']) =>
    [
      ...x.lots.map((id) => woolName(lots, id)),
      ...x.needles.map((id) => needles.find((n) => n.id === id)?.name ?? id),
      ...x.tools.map(t),
    ].join(', ');
  return (
    <Box sx={{ fontSize: 15, lineHeight: 1.35, color: 'text.secondary', my: 1 }}>
      {row ? <div>Then {row}.</div> : next ? <div>Then: {t(next.operation.does)}.</div> : <div>Then all is done.</div>}
      {change && said(change.away) && <div>Put away: {said(change.away)}.</div>}
      {change && said(change.out) && <div>Take out: {said(change.out)}.</div>}
    </Box>
  );
}
