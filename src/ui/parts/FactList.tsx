'use client';
/** What is what, line by line: words to the left, figures to the right. */
import Box from '@mui/material/Box';
import type { ReactNode } from 'react';
import { useOld } from './Figures';

interface FactListProps {
  readonly label?: string;
  /** Lines without a value are left out. */
  readonly list: readonly { readonly what: string; readonly value: ReactNode }[];
}

export function FactList({ label, list }: FactListProps) {
  const old = useOld();
  return (
    <Box
      component="dl"
      {...old}
      aria-label={label}
      sx={{
        m: 0,
        my: 1,
        fontSize: 13,
        '& div': { display: 'flex', justifyContent: 'space-between', gap: 2, py: 0.25 },
        '& dd': { m: 0 },
      }}
    >
      {list.map(({ what, value }) =>
        value === null || value === undefined ? null : (
          <div key={what}>
            <dt>{what}</dt>
            <dd>{value}</dd>
          </div>
        ),
      )}
    </Box>
  );
}
