'use client';
/** A plain table: text to the left, cells of class `n` as figures to the right, one rule under each row. */
import Box from '@mui/material/Box';
import type { ReactNode } from 'react';
import { figures } from '@/ui/frame/theme';
import { useOld } from './Figures';
import { unseen } from './unseen';

interface TableProps {
  /** What the table is, for those who hear it. */
  readonly caption: string;
  /** Column heads; a leading = marks a column of figures. */
  readonly head: readonly string[];
  readonly wide?: boolean;
  readonly children: ReactNode;
}

/** Too narrow for columns: each row becomes a few lines, each with the head of its column before it. */
const FOLDED = '@media (max-width: 599px)';
const folded = (head: readonly string[]) => ({
  '&, & tbody, & tr': { display: 'block', width: '100%' },
  '& thead': { display: 'none' },
  '& tr': { borderBottom: 1, borderColor: 'divider', py: 0.75 },
  '& tbody tr > *': {
    display: 'flex',
    flexWrap: 'wrap',
    justifyContent: 'space-between',
    alignItems: 'baseline',
    columnGap: 2,
    border: 0,
    py: 0.25,
    pr: 0,
    textAlign: 'right',
  },
  '& tbody tr > :first-of-type': { fontWeight: 700, textAlign: 'left' },
  '& tbody tr > :empty': { display: 'none' },
  ...Object.fromEntries(
    head.flatMap((h, i) => {
      const says = h.replace(/^=/, '');
      return i === 0 || says === ''
        ? []
        : [
            [
              `& tbody tr > :nth-child(${i + 1})::before`,
              { content: JSON.stringify(says), color: 'text.secondary', fontSize: 13, fontFamily: 'var(--font-text)' },
            ],
          ];
    }),
  ),
});

export function Table({ caption, head, wide = true, children }: TableProps) {
  const old = useOld();
  return (
    <Box
      component="table"
      {...old}
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
        [FOLDED]: folded(head),
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
