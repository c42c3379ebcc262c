'use client';
/** The other rooms: shelf, cupboard, handbook, settings. */
import Box from '@mui/material/Box';
import { useHere } from './way';
import { WayTo } from './WayTo';

const ROOMS = [
  ['/', 'Shelf'],
  ['/cupboard', 'Cupboard'],
  ['/handbook', 'Handbook'],
  ['/settings', 'Settings'],
] as const;

export function Rooms() {
  const here = useHere();
  return (
    <Box component="nav" aria-label="Rooms" sx={{ display: 'flex', gap: 2 }}>
      {ROOMS.map(([href, name]) => (
        <Box
          key={href}
          component={WayTo}
          href={href}
          aria-current={here === href ? 'page' : undefined}
          sx={{
            color: here === href ? 'text.primary' : 'primary.main',
            fontSize: 13,
            fontWeight: 600,
            textDecoration: here === href ? 'none' : 'underline',
            textUnderlineOffset: '3px',
            py: 0.5,
          }}
        >
          {name}
        </Box>
      ))}
    </Box>
  );
}
