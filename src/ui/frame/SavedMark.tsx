'use client';
/** Whether everything changed is stored, and since when. */
import Box from '@mui/material/Box';
import { useDesk } from '@/desk/store';

export function SavedMark({ at }: { at?: string | null }) {
  const pending = useDesk((s) => s.unsaved > 0);
  const failed = useDesk((s) => s.saveError !== null);
  const says = failed
    ? 'Not saved'
    : pending
      ? 'Saving'
      : at
        ? `Saved ${new Date(at).toLocaleTimeString([], { hour: '2-digit', minute: '2-digit', hour12: false })}`
        : at === undefined
          ? 'All saved'
          : '';
  return (
    <Box
      sx={{ fontSize: 13, color: 'text.secondary', whiteSpace: 'nowrap', minWidth: 78, textAlign: 'right' }}
      role="status"
      aria-label="Saving"
      aria-busy={pending}
    >
      {says}
    </Box>
  );
}
