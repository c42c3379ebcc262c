'use client';
/** The needle of the step in hand, in words and with its depth at true size. */
import Box from '@mui/material/Box';
import Typography from '@mui/material/Typography';
import { phaseInFull } from '@/core/needle/words';
import { useDesk } from '@/desk/store';
import { DepthPicture } from '@/ui/needles/DepthPicture';
import { useUnits } from '@/ui/parts/useUnits';
import { usePxPerMm } from './TrueLength';

export function NeedleNow({ operationId }: { operationId: string }) {
  const step = useDesk((s) => s.plan?.needles.steps.find((n) => n.operationId === operationId));
  const needles = useDesk((s) => s.cupboard.needles);
  const perMm = usePxPerMm();
  const { t } = useUnits();
  if (!step) return null;
  return (
    <Box sx={{ display: 'flex', flexWrap: 'wrap', gap: 1.5, my: 1 }}>
      {step.phases.map((x, i) => {
        const n = needles.find((y) => y.id === x.needleId);
        return (
          <Box key={i} sx={{ flex: '1 1 180px', maxWidth: 260 }}>
            {n && (
              <DepthPicture phase={x} needle={n} layerMm={step.kind === 'through' ? 0 : step.layerMm} perMm={perMm} />
            )}
            <Typography sx={{ fontSize: 15, lineHeight: 1.3 }}>{t(phaseInFull(x))}.</Typography>
          </Box>
        );
      })}
    </Box>
  );
}
