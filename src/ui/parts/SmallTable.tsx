'use client';
/** A small table in the right column: words to the left, figures to the right. */
import Box from '@mui/material/Box';
import type { ReactNode } from 'react';
import { figures } from '@/ui/frame/theme';
import { useOld } from './Figures';

interface SmallTableProps {
  readonly label: string;
  readonly head: readonly string[];
  readonly rows: readonly (readonly ReactNode[])[];
  /** Number of the row that is in hand, counted from 0. */
  readonly marked?: number;
}

export function SmallTable({ label, head, rows, marked }: SmallTableProps) {
  const old = useOld();
  return (
    <Box
      component="table"
      {...old}
      aria-label={label}
      sx={{
        my: 1,
        width: '100%',
        fontSize: 13,
        borderCollapse: 'collapse',
        '& th, & td': { textAlign: 'right', fontWeight: 400, py: 0.3, ...figures },
        '& th:first-of-type, & td:first-of-type': { textAlign: 'left' },
      }}
    >
      <thead>
        <Box component="tr" sx={{ color: 'text.secondary' }}>
          {head.map((h) =>
            // What stands under no head says itself what it is.
            h === '' ? (
              <td key={h} />
            ) : (
              <th key={h} scope="col">
                {h}
              </th>
            ),
          )}
        </Box>
      </thead>
      <tbody>
        {rows.map((r, i) => (
          <Box component="tr" key={i} sx={{ bgcolor: i === marked ? 'action.selected' : undefined }}>
            {r.map((cell, k) => (
              <td key={k}>{cell}</td>
            ))}
          </Box>
        ))}
      </tbody>
    </Box>
  );
}
