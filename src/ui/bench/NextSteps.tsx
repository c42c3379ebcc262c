'use client';
/** What comes next at the bench: the steps of the first sitting left, the one in hand marked. */
import { isAbout } from '@/core/ref';
import Box from '@mui/material/Box';
import { setView, useDesk } from '@/desk/store';
import { Ticket, Tickets } from '@/ui/parts/Ticket';
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
      <Tickets label="Steps of this sitting" of={sitting.stints}>
        {({ id }) => {
          const s = plan.work.steps.find((y) => y.operation.id === id)!;
          const area = plan.coat.areas.find((a) => isAbout(s.operation, 'area', a.id));
          return (
            <Ticket
              on={id === stepId}
              onClick={() => setView({ stepId: id, ...(area ? { areaId: area.id } : {}) })}
              small
              number={s.number}
              name={t(s.operation.does)}
            />
          );
        }}
      </Tickets>
    </>
  );
}
