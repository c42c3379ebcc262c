'use client';
/** Says that a newer edition of the program lies ready, and begins anew with it when the maker wants to; never by itself. */
import Alert from '@mui/material/Alert';
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import { useState } from 'react';
import { takeNewer, useOffline } from '@/desk/offline';

export function NewerEdition() {
  const newer = useOffline((s) => s.newer);
  const later = useOffline((s) => s.later);
  const [taking, setTaking] = useState(false);
  if (newer === null || later) return null;
  return (
    <Alert
      severity="info"
      role="status"
      square
      sx={{ '@media print': { display: 'none' } }}
      action={
        <Box sx={{ display: 'flex', gap: 1, flexWrap: 'wrap' }}>
          <Button
            aria-disabled={taking}
            onClick={() => {
              if (taking) return;
              setTaking(true);
              void takeNewer();
            }}
          >
            {taking ? 'Storing first' : 'Begin anew with it'}
          </Button>
          <Button onClick={() => useOffline.setState({ later: true })}>Later</Button>
        </Box>
      }
    >
      {newer === 'ready'
        ? 'A newer edition of the program lies ready. What you work on is stored; this window is loaded anew.'
        : 'A newer edition of the program was taken in another window. This window still runs the one before.'}
    </Alert>
  );
}
