'use client';
/** The other rooms: shelf, cupboard, handbook, settings. */
import Box from '@mui/material/Box';
import { ROOMS } from './rooms';
import { useHere } from './way';
import { WayTo } from './WayTo';

export function Rooms() {
  const here = useHere();
  return (
    <Box component="nav" aria-label="Rooms" sx={{ display: 'flex', gap: 2 }}>
      {ROOMS.map(({ path: href, name }) => (
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
