'use client';
/** Coat: areas on the left, the animal and the lay chart in the middle, the docket, findings and controls on the right. */
import Box from '@mui/material/Box';
import Typography from '@mui/material/Typography';
import { useEffect, useMemo } from 'react';
import { setView, useDesk } from '@/desk/store';
import { StageBoundary } from '@/ui/frame/StageBoundary';
import { ThreeColumns } from '@/ui/frame/ThreeColumns';
import { FindingCard } from '@/ui/parts/FindingCard';
import { LayChartPicture } from '@/ui/pictures/LayChartPicture';
import { Turntable } from '@/ui/pictures/Turntable';
import { AreaDocket } from './AreaDocket';
import { AreaList } from './AreaList';
import { CoatControls } from './CoatControls';

/** The area looked at: the chosen one, or the first with rows when none is. */
export function useSelectedArea() {
  const plan = useDesk((s) => s.plan);
  const piece = useDesk((s) => s.piece);
  const areaId = useDesk((s) => s.view.areaId);
  const area = plan?.coat.areas.find((a) => a.id === areaId) ?? null;
  const doc = piece?.areas.find((a) => a.id === areaId) ?? null;
  useEffect(() => {
    // An area just made is in the piece before it is in the plan; it stays chosen.
    if (!plan || doc) return;
    const first =
      plan.coat.areas.find((a) => a.id === 'bib' && a.fur) ?? plan.coat.areas.find((a) => a.fur) ?? plan.coat.areas[0];
    if (first) setView({ areaId: first.id });
  }, [plan, doc]);
  return { plan, area, doc };
}

export function CoatStage() {
  const { plan, area, doc } = useSelectedArea();
  const log = plan?.log.areas.find((a) => a.areaId === area?.id);
  const done = useMemo(() => new Set(log?.rowsDone ?? []), [log]);
  const findings = plan?.findings.filter(
    (f) => (f.stage === 'coat' && f.about === area?.id) || (f.stage === 'stock' && f.about === area?.fur?.lotId),
  );
  return (
    <ThreeColumns
      left={<AreaList />}
      middle={
        <>
          <Turntable litRow={null} />
          <Box
            component="section"
            aria-label="Lay chart"
            sx={{
              height: 214,
              flexShrink: 0,
              bgcolor: 'background.paper',
              borderTop: 1,
              borderColor: 'divider',
              px: 2,
              pt: 1,
              pb: 1,
              display: 'flex',
              flexDirection: 'column',
            }}
          >
            <Box sx={{ display: 'flex', justifyContent: 'space-between', fontSize: 13 }}>
              <Typography variant="h3" component="h2">
                Lay chart
                {area?.fur ? `, ${area.name.toLowerCase()}: ${area.fur.rows.rows.length} rows, hem at the bottom` : ''}
              </Typography>
              <Box sx={{ color: 'text.secondary' }}>1 : 1 on paper</Box>
            </Box>
            <Box sx={{ flex: 1, minHeight: 0 }}>
              {area?.fur && (
                <StageBoundary what="The lay chart" resetKey={area}>
                  <LayChartPicture area={area} nextRow={log?.nextRow ?? null} done={done} />
                </StageBoundary>
              )}
            </Box>
          </Box>
        </>
      }
      right={
        area && doc ? (
          <>
            <Typography variant="h2">{area.name}</Typography>
            <AreaDocket area={area} />
            {(findings ?? []).map((f) => (
              <FindingCard key={f.id} finding={f} />
            ))}
            <CoatControls area={doc} />
          </>
        ) : (
          <Typography sx={{ color: 'text.secondary' }}>
            The docket appears as soon as the animal has been worked out.
          </Typography>
        )
      }
    />
  );
}
