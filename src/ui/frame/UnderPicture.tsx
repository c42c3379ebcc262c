'use client';
/** The strip under the turntable: a computed picture, and what stands beside it. Always as high, so that nothing jumps. */
import Box from '@mui/material/Box';
import type { ReactNode } from 'react';

export function UnderPicture({ label, children }: { label: string; children: ReactNode }) {
  return (
    <Box
      component="section"
      aria-label={label}
      sx={{
        // On a phone what stands side by side goes below each other.
        height: { xs: 'auto', sm: 214 },
        minHeight: 214,
        maxHeight: { xs: '50%', sm: 'none' },
        overflow: { xs: 'auto', sm: 'visible' },
        flexShrink: 0,
        bgcolor: 'background.paper',
        borderTop: 1,
        borderColor: 'divider',
        px: 2,
        pt: 1,
        pb: 1,
        display: 'flex',
        gap: 2,
      }}
    >
      {children}
    </Box>
  );
}
