'use client';
/** An area that stops before its last row: the rest stays bare, is not planned any more and says so; or it is laid after all. */
import Box from '@mui/material/Box';
import type { AreaPlan } from '@/core/coat/coat-plan';
import { stoppedBy } from '@/core/coat/rows/lying';
import type { AreaLog } from '@/core/log/log';
import { stopHere } from '@/desk/bench';
import { takeOut } from '@/desk/put-right';
import { useDesk } from '@/desk/store';
import { EditButton } from '@/ui/parts/Editable';

export function StopHere({ area, log }: { area: AreaPlan; log: AreaLog }) {
  const stopped = useDesk((s) => stoppedBy(s.piece!.log, area.id));
  const coat = useDesk((s) => s.piece!.areas.find((a) => a.id === area.id)?.coat);
  const { unit } = area.fur!.chart.dress;
  if (stopped)
    return (
      <Box sx={{ fontSize: 13 }}>
        {area.name} stops at {unit.one} {stopped.rows}.{' '}
        <EditButton onClick={() => takeOut(stopped.id)}>Lay the rest after all</EditButton>
      </Box>
    );
  if (!coat || !('spacingMm' in coat) || log.rowsDone.length === 0 || log.nextRow === null) return null;
  return (
    <EditButton onClick={() => stopHere(log)}>
      Stop at {unit.one} {log.rowsDone[log.rowsDone.length - 1]}
    </EditButton>
  );
}
