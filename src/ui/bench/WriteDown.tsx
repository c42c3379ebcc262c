'use client';
/** What is written down beside rows and steps: wool weighed, what was measured, where an area stops, notes; and how it goes so far. */
import Box from '@mui/material/Box';
import Typography from '@mui/material/Typography';
import { spacingAt } from '@/core/coat/rows/spacing';
import type { AreaPlan } from '@/core/coat/coat-plan';
import type { AreaLog } from '@/core/log/log';
import type { Step } from '@/core/order/order';
import { useDesk } from '@/desk/store';
import { SmallTable } from '@/ui/parts/SmallTable';
import { useUnits } from '@/ui/parts/useUnits';
import { CutMeasured } from './CutMeasured';
import { HeightMeasured } from './HeightMeasured';
import { NoteField } from './NoteField';
import { RowMeasured } from './RowMeasured';
import { ShrinkMeasured } from './ShrinkMeasured';
import { SpacingMeasured } from './SpacingMeasured';
import { StepWrong } from './StepWrong';
import { StopHere } from './StopHere';
import { WoolUsed } from './WoolUsed';

export const NOTE_FIELD = 'bench-note';

export function WriteDown({ area, log, step }: { area: AreaPlan | null; log: AreaLog | null; step: Step | null }) {
  const rows = area?.fur && log && !step ? { area, log } : null;
  const flats = useDesk((s) => s.plan?.flatParts);
  const flat = step?.operation.about.kind === 'flat part' ? flats?.find((f) => f.id === step.operation.about.id) : null;
  const about = rows ? rows.area.id : (step?.operation.about.id ?? 'piece');
  return (
    <>
      <Typography variant="h2" component="h2">
        Written down
      </Typography>
      {rows && <SoFar area={rows.area} log={rows.log} />}
      {rows && <WoolUsed key={rows.area.id} areaId={rows.area.id} operationId={`lay-${rows.area.id}`} />}
      {step && <WoolUsed key={step.operation.id} areaId={about} operationId={step.operation.id} />}
      {rows && (
        <Box sx={{ display: 'flex', flexWrap: 'wrap', gap: 1, mt: 1, alignItems: 'flex-start' }}>
          <Measured area={rows.area} log={rows.log} />
          {rows.log.rowsLaid > 0 && <HeightMeasured area={rows.area} />}
          <RowMeasured area={rows.area} log={rows.log} />
          <CutMeasured area={rows.area} />
          <StopHere area={rows.area} log={rows.log} />
        </Box>
      )}
      {flat && <ShrinkMeasured key={flat.id} part={flat} />}
      {step && <StepWrong step={step} />}
      <NoteField key={about} id={NOTE_FIELD} about={about} />
    </>
  );
}

function Measured({ area, log }: { area: AreaPlan; log: AreaLog }) {
  const coat = useDesk((x) => x.piece?.areas.find((a) => a.id === area.id)?.coat);
  if (!coat || !('spacingMm' in coat)) return null;
  const topMm = ('topSpacingMm' in coat ? coat.topSpacingMm : null) ?? coat.spacingMm;
  const asked = spacingAt({ hemMm: coat.spacingMm, topMm }, log.rowsDone.length / Math.max(1, log.rows) / 2);
  return <SpacingMeasured area={area} log={log} askedMm={asked} />;
}

function SoFar({ area, log }: { area: AreaPlan; log: AreaLog }) {
  const { q } = useUnits();
  const { unit } = area.fur!.chart.dress;
  return (
    <SmallTable
      label={`${area.name} so far`}
      head={[
        log.rowsLaid === log.rowsDone.length
          ? `${log.rowsDone.length} of ${log.rows} ${log.rows === 1 ? unit.one : unit.many}`
          : `${log.rowsLaid} ${log.rowsLaid === 1 ? unit.one : unit.many} laid by an earlier plan`,
        'planned',
        'done',
      ]}
      rows={[
        ['Time', q({ kind: 'time', value: log.plannedMinutes }), q({ kind: 'time', value: log.actualMinutes })],
        [
          'Wool',
          q({ kind: 'mass', value: log.plannedG }),
          log.actualG === null ? 'not weighed' : q({ kind: 'mass', value: log.actualG }),
        ],
      ]}
    />
  );
}
