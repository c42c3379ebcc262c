'use client';
/** What comes next at the bench: the steps of the first sitting left, the one in hand marked. */
import Box from '@mui/material/Box';
import { useDesk } from '@/desk/store';
import { Ticket, Tickets } from '@/ui/parts/Ticket';
import { useUnits } from '@/ui/parts/useUnits';
import { takeInHand } from './in-hand';

export function NextSteps() {
  const plan = useDesk((s) => s.plan);
  const stepId = useDesk((s) => s.view.stepId);
  const { t, q } = useUnits();
  const sitting = plan?.work.sittings[0];
  if (!plan || !sitting) return null;
  const left = plan.log.goOn?.left;
  return (
    <>
      <Box sx={{ px: 2, pt: 1.25, fontSize: 13, color: 'text.secondary' }}>
        This sitting, {q({ kind: 'time', value: sitting.minutes })}
        {left && (
          <Box sx={{ color: 'text.primary' }}>
            Half done{left.row === null ? '' : `: row ${left.row} was the last`}, on{' '}
            {new Date(left.at).toLocaleDateString([], { weekday: 'long', day: 'numeric', month: 'long' })}.
          </Box>
        )}
        {sitting.softAtStart.map((w, i) => (
          <Box key={i}>{t(w)}</Box>
        ))}
      </Box>
      <Tickets label="Steps of this sitting" of={sitting.stints}>
        {({ id }) => {
          const s = plan.work.steps.find((y) => y.operation.id === id)!;
          return (
            <Ticket
              on={id === stepId}
              onClick={() => takeInHand(plan, id)}
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
