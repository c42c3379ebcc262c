'use client';
/** What comes next at the bench: the steps of the first sitting left, the one in hand marked. */
import { isAbout } from '@/core/ref';
import Box from '@mui/material/Box';
import { setView, useDesk } from '@/desk/store';
import { figures } from '@/ui/frame/theme';
import { Ticket } from '@/ui/parts/Ticket';
import { useUnits } from '@/ui/parts/useUnits';

export function NextSteps() {
  const plan = useDesk((s) => s.plan);
  const stepId = useDesk((s) => s.view.stepId);
  const { t, q } = useUnits();
  const sitting = plan?.work.sittings[0];
  if (!plan || !sitting) return null;
  return (
    <>
      <Box sx={{ px: 2, pt: 1.25, fontSize: 13, color: 'text.secondary' }}>
        This sitting, {q({ kind: 'time', value: sitting.minutes })}
      </Box>
      <Box
        component="ul"
        aria-label="Steps of this sitting"
        sx={{ listStyle: 'none', m: 0, py: 0.5, px: 0, borderBottom: 1, borderColor: 'divider' }}
      >
        {sitting.stints.map((x) => {
          const s = plan.work.steps.find((y) => y.operation.id === x.id)!;
          const area = plan.coat.areas.find((a) => isAbout(s.operation, 'area', a.id));
          return (
            <li key={x.id}>
              <Ticket
                on={x.id === stepId}
                columns="26px minmax(0,1fr)"
                onClick={() => setView({ stepId: x.id, ...(area ? { areaId: area.id } : {}) })}
              >
                <Box sx={{ ...figures, fontSize: 13 }}>{s.number}</Box>
                <Box
                  sx={{
                    fontSize: 13,
                    overflow: 'hidden',
                    display: '-webkit-box',
                    WebkitLineClamp: 2,
                    WebkitBoxOrient: 'vertical',
                  }}
                >
                  {t(s.operation.does)}
                </Box>
              </Ticket>
            </li>
          );
        })}
      </Box>
    </>
  );
}
