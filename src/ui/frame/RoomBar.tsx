'use client';
/** The rooms of a stage, side by side under the path, each with its count of open findings. */
import Box from '@mui/material/Box';
import type { Finding } from '@/core/stage';
import { OpenMark } from '@/ui/parts/OpenMark';

interface RoomBarProps<R extends string> {
  readonly label: string;
  readonly rooms: readonly { readonly room: R; readonly says: string; readonly findings: readonly Finding[] }[];
  readonly open: R;
  readonly onOpen: (room: R) => void;
}

export function RoomBar<R extends string>({ label, rooms, open, onOpen }: RoomBarProps<R>) {
  return (
    <Box
      component="nav"
      aria-label={label}
      sx={{
        display: 'flex',
        gap: 0.25,
        px: 1.5,
        bgcolor: 'background.paper',
        borderBottom: 1,
        borderColor: 'divider',
      }}
    >
      {rooms.map((r) => (
        <Box
          key={r.room}
          component="button"
          type="button"
          aria-current={r.room === open ? 'true' : undefined}
          onClick={() => onOpen(r.room)}
          sx={{
            font: 'inherit',
            fontSize: 13,
            fontWeight: r.room === open ? 700 : 400,
            color: 'text.primary',
            bgcolor: 'transparent',
            border: 0,
            borderBottom: 2,
            borderColor: r.room === open ? 'text.primary' : 'transparent',
            px: 1.5,
            height: 30,
            cursor: 'pointer',
          }}
        >
          {r.says}
          <OpenMark findings={r.findings} counted />
        </Box>
      ))}
    </Box>
  );
}
