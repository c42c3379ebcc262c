'use client';
/**
 * The bench as one thing on the screen: the animal, what is to be done, and under it the bar that does it. What lies beside the work
 * stands in a column of its own where there is room, else in place of the picture; on a phone in place of both, never of the bar.
 */
import Box from '@mui/material/Box';
import type { ReactNode } from 'react';

interface BenchFrameProps {
  readonly picture: ReactNode;
  /** What is to be done and the bar under it: `Work` and `UnderWork`. */
  readonly children: ReactNode;
  /** What lies beside; null where only the work is seen. */
  readonly beside: { readonly label: string; readonly holds: ReactNode } | null;
  /** The animal is to be pressed: it is seen whatever lies beside. */
  readonly pressed: boolean;
}

export function BenchFrame({ picture, children, beside, pressed }: BenchFrameProps) {
  const open = beside !== null;
  const behind = pressed ? 'none' : 'block';
  return (
    <Box
      component="main"
      data-beside={open && !pressed ? '' : undefined}
      sx={{
        flex: 1,
        minHeight: 0,
        display: 'grid',
        overflow: 'hidden',
        gridTemplateColumns: {
          xs: 'minmax(0, 1fr)',
          sm: 'minmax(0, 1fr) minmax(0, 1fr)',
          md: 'minmax(0, 1fr) 440px',
          lg: open ? 'minmax(0, 1fr) 440px 340px' : 'minmax(0, 1fr) 440px',
        },
        gridTemplateRows: { xs: 'minmax(0, 3fr) minmax(0, 5fr) auto', sm: 'minmax(0, 1fr) auto' },
        gridTemplateAreas: {
          xs: '"picture" "work" "bar"',
          sm: '"picture work" "picture bar"',
          lg: open ? '"picture work beside" "picture bar beside"' : '"picture work" "picture bar"',
        },
      }}
    >
      <Box
        sx={{
          gridArea: 'picture',
          minHeight: 0,
          minWidth: 0,
          display: { xs: open && !pressed ? 'none' : 'flex', lg: 'flex' },
          flexDirection: 'column',
        }}
      >
        {picture}
      </Box>
      {children}
      {beside && (
        <Box
          component="section"
          aria-label={beside.label}
          tabIndex={0}
          sx={{
            gridRow: { xs: '1 / 3', sm: '1 / 3', lg: '1 / 3' },
            gridColumn: { xs: '1', lg: '3' },
            display: { xs: behind, lg: 'block' },
            minHeight: 0,
            minWidth: 0,
            overflow: 'auto',
            bgcolor: 'background.paper',
            borderLeft: { lg: 1 },
            borderRight: { xs: 0, sm: 1, lg: 0 },
            borderColor: { sm: 'divider', lg: 'divider' },
            p: 2,
          }}
        >
          {beside.holds}
        </Box>
      )}
    </Box>
  );
}

/** What is to be done: scrolled by itself where it is long, the bar stays. */
export function Work({ children }: { children: ReactNode }) {
  return (
    <Box
      component="section"
      aria-label="Docket"
      tabIndex={0}
      sx={{
        gridArea: 'work',
        minHeight: 0,
        overflow: 'auto',
        bgcolor: 'background.paper',
        borderLeft: { sm: 1 },
        borderColor: { sm: 'divider' },
        px: 2.25,
        py: 1.5,
        // On a phone what lies beside takes its place.
        '[data-beside] > &': { display: { xs: 'none', sm: 'block' } },
      }}
    >
      {children}
    </Box>
  );
}

/** What stays under the work whatever is read meanwhile. */
export function UnderWork({ children }: { children: ReactNode }) {
  return (
    <Box
      sx={{
        gridArea: 'bar',
        bgcolor: 'background.paper',
        borderTop: 1,
        borderLeft: { xs: 0, sm: 1 },
        borderColor: { xs: 'divider', sm: 'divider' },
        px: 2.25,
        py: 1,
      }}
    >
      {children}
    </Box>
  );
}
