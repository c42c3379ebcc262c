'use client';
/** Figures set large over what they are, ruled off above and below. */
import Box from '@mui/material/Box';
import type { ReactNode } from 'react';
import { explained } from '@/core/glossary';
import { figures } from '@/ui/frame/theme';
import { useOld } from './Figures';
import type { Moved } from './useMoved';

interface GridFigure {
  readonly label: string;
  readonly value: ReactNode;
  /** What it may come to. */
  readonly between?: string;
  /** What it was before; null where it has not moved. The line for it is kept free, so that nothing jumps. */
  readonly moved?: Moved | null;
}

interface FigureGridProps {
  readonly columns: number;
  readonly list: readonly GridFigure[];
}

export function FigureGrid({ columns, list }: FigureGridProps) {
  const old = useOld();
  return (
    <Box
      component="dl"
      {...old}
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
      {list.map(({ label, value, between, moved }) => (
        <Box key={label} sx={{ display: 'flex', flexDirection: 'column' }}>
          <Box
            component="dt"
            title={explained(label) ?? undefined}
            sx={{ fontSize: 13, color: 'text.secondary', lineHeight: 1.25 }}
          >
            {label}
          </Box>
          <Box component="dd" sx={{ m: 0, order: -1, ...figures, fontSize: 18, fontWeight: 700, whiteSpace: 'nowrap' }}>
            {value}
            {moved && (
              <Box component="span" data-by="" sx={{ fontSize: 13, fontWeight: 400, ml: 0.5 }}>
                {moved.by}
              </Box>
            )}
          </Box>
          {(between !== undefined || moved !== undefined) && (
            <Box
              component="dd"
              sx={{ m: 0, minHeight: 18, ...figures, fontSize: 13, color: 'text.secondary', whiteSpace: 'nowrap' }}
            >
              {moved ? `was ${moved.was}` : between}
            </Box>
          )}
        </Box>
      ))}
    </Box>
  );
}
