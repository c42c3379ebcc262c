'use client';
/** Where the maker stopped, as the bench is opened another day: the row, and what was soft or drying then. */
import Box from '@mui/material/Box';
import { ANOTHER_SITTING } from '@/core/log/sittings-done';
import { useDesk } from '@/desk/store';
import { useUnits } from '@/ui/parts/useUnits';
import { useNow } from './clock';

const day = (at: string) => new Date(at).toLocaleDateString([], { weekday: 'long', day: 'numeric', month: 'long' });

export function LeftOff() {
  const goOn = useDesk((s) => s.plan?.log.goOn ?? null);
  const soft = useDesk((s) => s.plan?.work.sittings[0]?.softAtStart);
  const stepId = useDesk((s) => s.view.stepId);
  const log = useDesk((s) => s.piece!.log);
  const { t } = useUnits();
  const now = useNow(false);
  const last = log[log.length - 1];
  if (!goOn?.left || !last || goOn.operationId !== stepId || now - Date.parse(last.at) < ANOTHER_SITTING) return null;
  return (
    <Box sx={{ fontSize: 15, mb: 1 }}>
      You stopped here on {day(goOn.left.at)}
      {goOn.left.row === null ? '' : `, at row ${goOn.left.row}`}.
      {soft?.map((w, i) => (
        <div key={i}>{t(w)}</div>
      ))}
    </Box>
  );
}
