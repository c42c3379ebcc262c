'use client';
/** The desk's three columns: what there is on the left, its picture in the middle, the answer and controls on the right. */
import Box from '@mui/material/Box';
import Typography from '@mui/material/Typography';
import type { ReactNode } from 'react';
import { upToDate, useDesk } from '@/desk/store';

export function ThreeColumns({ left, middle, right }: { left: ReactNode; middle: ReactNode; right: ReactNode }) {
  // Controls that stood alone would jump aside under the hand once the answer appears above them.
  const waiting = useDesk((s) => s.plan === null && !upToDate(s));
  // One below the other, all three move together; side by side, each on its own.
  const side = {
    bgcolor: 'background.paper',
    overflow: { xs: 'visible', md: 'auto' },
    minHeight: { xs: 'auto', md: 0 },
  } as const;
  return (
    <Box
      component="main"
      sx={{
        flex: 1,
        minHeight: 0,
        display: 'grid',
        gridTemplateColumns: { xs: '1fr', md: '248px minmax(0, 1fr) 356px' },
        gridTemplateRows: { xs: 'max-content 420px max-content', md: 'minmax(0, 1fr)' },
        overflow: { xs: 'auto', md: 'hidden' },
      }}
    >
      <Box sx={{ ...side, borderRight: 1, borderColor: 'divider' }}>{left}</Box>
      <Box sx={{ minHeight: 0, display: 'flex', flexDirection: 'column' }}>{middle}</Box>
      <Box
        component="section"
        aria-label="Docket"
        tabIndex={0}
        sx={{ ...side, borderLeft: 1, borderColor: 'divider', p: 2.25 }}
      >
        {waiting ? (
          <Typography sx={{ color: 'text.secondary' }}>
            The docket appears as soon as the animal has been worked out.
          </Typography>
        ) : (
          right
        )}
      </Box>
    </Box>
  );
}
