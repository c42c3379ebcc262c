'use client';
/** Figures set large over what they are, ruled off above and below. */
import Box from '@mui/material/Box';
import type { ReactNode } from 'react';
import { figures } from '@/ui/frame/theme';

interface FigureGridProps {
  readonly columns: number;
  readonly list: readonly { readonly label: string; readonly value: ReactNode; readonly between?: string }[];
}

export function FigureGrid({ columns, list }: FigureGridProps) {
  return (
    <Box
      component="dl"
      sx={{
        m: 0,
        py: 1,
        borderTop: 1,
        borderBottom: 1,
        borderColor: 'divider',
        display: 'grid',
        gridTemplateColumns: `repeat(${columns}, auto)`,
        justifyContent: 'space-between',
        rowGap: 0.75,
        columnGap: 2,
      }}
    >
      {list.map(({ label, value, between }) => (
        <Box key={label} sx={{ display: 'flex', flexDirection: 'column' }}>
          <Box component="dt" sx={{ fontSize: 13, color: 'text.secondary', lineHeight: 1.25 }}>
            {label}
          </Box>
          <Box component="dd" sx={{ m: 0, order: -1, ...figures, fontSize: 18, fontWeight: 700, whiteSpace: 'nowrap' }}>
            {value}
          </Box>
          {between && (
            <Box component="dd" sx={{ m: 0, ...figures, fontSize: 13, color: 'text.secondary', whiteSpace: 'nowrap' }}>
              {between}
            </Box>
          )}
        </Box>
      ))}
    </Box>
  );
}
