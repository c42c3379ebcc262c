/** A figure read from an arm's length and a half, with what it is. */
import Box from '@mui/material/Box';
import type { ReactNode } from 'react';
import { figures } from '@/ui/frame/theme';

export function BigFigure({ value, label, more }: { value: string; label: ReactNode; more?: ReactNode }) {
  return (
    <Box>
      <Box sx={{ ...figures, fontSize: 40, lineHeight: 1.15, whiteSpace: 'nowrap' }}>{value}</Box>
      <Box sx={{ fontSize: 15, lineHeight: 1.3, color: 'text.secondary' }}>{label}</Box>
      {more && <Box sx={{ fontSize: 15, lineHeight: 1.3 }}>{more}</Box>}
    </Box>
  );
}

/** Figures side by side. */
export const BigFigures = ({ children }: { children: ReactNode }) => (
  <Box
    sx={{
      display: 'grid',
      gridTemplateColumns: 'repeat(auto-fill, minmax(min(172px, 100%), 1fr))',
      columnGap: 2,
      rowGap: 1,
      my: 1,
    }}
  >
    {children}
  </Box>
);
