'use client';
/** Screens away from the desk: a title, the way to the other rooms, and the content on a sheet. */
import Box from '@mui/material/Box';
import Typography from '@mui/material/Typography';
import type { ReactNode } from 'react';
import { NewerEdition } from './NewerEdition';
import { Rooms } from './Rooms';
import { SavedMark } from './SavedMark';
import { StoreTrouble } from './StoreTrouble';

export function PlainPage({
  title,
  actions,
  busy = false,
  children,
}: {
  title: string;
  actions?: ReactNode;
  /** What it shows is still being read. */
  busy?: boolean;
  children: ReactNode;
}) {
  return (
    <Box sx={{ minHeight: '100dvh', display: 'flex', flexDirection: 'column' }}>
      <Box
        component="header"
        sx={{
          bgcolor: 'background.paper',
          borderBottom: 1,
          borderColor: 'divider',
          px: 3,
          py: 1,
          display: 'flex',
          alignItems: 'center',
          gap: 3,
          flexWrap: 'wrap',
          minHeight: 56,
        }}
      >
        <Typography variant="h1">{title}</Typography>
        <Box sx={{ flex: 1 }}>{actions}</Box>
        <SavedMark />
        <Rooms />
      </Box>
      <StoreTrouble />
      <NewerEdition />
      <Box component="main" aria-busy={busy} sx={{ flex: 1, width: '100%', maxWidth: 1180, mx: 'auto', p: 3 }}>
        {children}
      </Box>
    </Box>
  );
}
