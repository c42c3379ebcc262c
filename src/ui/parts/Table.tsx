'use client';
/** A plain table: text to the left, cells of class `n` as figures to the right, one rule under each row. */
import Box from '@mui/material/Box';
import type { ReactNode } from 'react';
import { figures } from '@/ui/frame/theme';
import { unseen } from './unseen';

interface TableProps {
  /** What the table is, for those who hear it. */
  readonly caption: string;
  /** Column heads; a leading = marks a column of figures. */
  readonly head: readonly string[];
  readonly wide?: boolean;
  readonly children: ReactNode;
}

export function Table({ caption, head, wide = true, children }: TableProps) {
  return (
    <Box
      component="table"
      sx={{
        width: wide ? '100%' : undefined,
        borderCollapse: 'collapse',
        fontSize: 15,
        '& th, & td': {
          textAlign: 'left',
          verticalAlign: 'top',
          py: 0.8,
          pr: wide ? 2 : 4,
          borderBottom: 1,
          borderColor: 'divider',
          fontWeight: 400,
        },
        '& thead th': { fontSize: 13, color: 'text.secondary' },
        '& .n': { ...figures, textAlign: 'right', whiteSpace: 'nowrap' },
      }}
    >
      <Box component="caption" sx={unseen}>
        {caption}
      </Box>
      <thead>
        <tr>
          {head.map((h) =>
            // What stands under no head says itself what it is.
            h === '' ? (
              <td key={h} />
            ) : (
              <th key={h} scope="col" className={h.startsWith('=') ? 'n' : undefined}>
                {h.startsWith('=') ? h.slice(1) : h}
              </th>
            ),
          )}
        </tr>
      </thead>
      <tbody>{children}</tbody>
    </Box>
  );
}
