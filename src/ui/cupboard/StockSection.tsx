'use client';
/** One kind of thing in the cupboard: its heading, a button to add one, and the rows. */
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Typography from '@mui/material/Typography';
import type { ReactNode } from 'react';

export function StockSection({
  id,
  title,
  add,
  onAdd,
  empty,
  children,
}: {
  id: string;
  title: string;
  add: string;
  onAdd: () => void;
  empty: string | null;
  children: ReactNode;
}) {
  return (
    <Box component="section" aria-labelledby={id} sx={{ mt: 3 }}>
      <Box sx={{ display: 'flex', justifyContent: 'space-between', mb: 1 }}>
        <Typography id={id} variant="h2">
          {title}
        </Typography>
        <Button onClick={onAdd}>{add}</Button>
      </Box>
      {empty !== null && <Typography>{empty}</Typography>}
      {children}
    </Box>
  );
}

export const STOCK_ROW = {
  display: 'grid',
  gridTemplateColumns: '1fr 1fr',
  columnGap: 2,
  alignItems: 'center',
  borderBottom: 1,
  borderColor: 'divider',
  pb: 1,
} as const;
