'use client';
/** The rooms of a stage, side by side under the path, each with its count of open findings. */
import Box from '@mui/material/Box';
import type { ReactNode } from 'react';
import type { Judged } from '@/core/known-findings';
import { OpenMark } from '@/ui/parts/OpenMark';
import { HoldButton } from './HoldButton';
import { Strip } from './Strip';

interface RoomBarProps<R extends string> {
  readonly label: string;
  readonly rooms: readonly { readonly room: R; readonly says: string; readonly findings: readonly Judged[] }[];
  readonly open: R;
  readonly onOpen: (room: R) => void;
  /** What stands at its end, in place of holding a state. */
  readonly end?: ReactNode;
}

export function RoomBar<R extends string>({ label, rooms, open, onOpen, end = <HoldButton /> }: RoomBarProps<R>) {
  return (
    <Strip label={label} inHand={open} end={end}>
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
            mr: 0.25,
            flexShrink: 0,
            whiteSpace: 'nowrap',
            height: 30,
            cursor: 'pointer',
          }}
        >
          {r.says}
          <OpenMark findings={r.findings} counted />
        </Box>
      ))}
    </Strip>
  );
}
