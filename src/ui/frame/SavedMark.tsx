'use client';
/** Whether everything changed is stored, and since when. Says "Saving" only where it takes noticeable time. */
import Box from '@mui/material/Box';
import { useDesk } from '@/desk/store';
import { clockTime } from '@/ui/parts/clock-time';
import { useLate } from './useLate';

const PATIENCE = 400;

/** @param at when the piece was stored last; without one nothing is said while all is well */
export function SavedMark({ at = null }: { at?: string | null }) {
  const pending = useDesk((s) => s.unsaved > 0);
  const failed = useDesk((s) => s.saveError !== null);
  const late = useLate(pending, PATIENCE);
  const saved = at ? `Saved ${clockTime(at)}` : '';
  return (
    <Box
      sx={{ fontSize: 13, color: 'text.secondary', whiteSpace: 'nowrap', minWidth: 78, textAlign: 'right' }}
      role="status"
      aria-label="Saving"
      aria-busy={pending}
    >
      {failed ? 'Not saved' : pending && late ? 'Saving' : saved}
    </Box>
  );
}
