'use client';
/** One line of a list on the left, pressed to take it in hand; the one in hand is marked. */
import ButtonBase from '@mui/material/ButtonBase';
import type { ReactNode } from 'react';
import { setView, useDesk } from '@/desk/store';
import type { Pane } from '@/desk/view';

interface TicketProps {
  readonly on: boolean;
  readonly onClick: () => void;
  /** Columns of the grid inside. */
  readonly columns?: string;
  /** How far it is set in, in steps. */
  readonly level?: number;
  /** What is seen next where list, picture and docket are seen in turn. */
  readonly then?: Pane;
  readonly children: ReactNode;
}

export function Ticket({ on, onClick, columns = '1fr auto', level = 0, then = 'docket', children }: TicketProps) {
  return (
    <ButtonBase
      onClick={() => {
        onClick();
        if (useDesk.getState().view.pane === 'list') setView({ pane: then });
      }}
      aria-current={on ? 'true' : undefined}
      sx={{
        width: '100%',
        display: 'grid',
        gridTemplateColumns: columns,
        gap: 1.25,
        textAlign: 'left',
        alignItems: 'center',
        pl: 1.5 + 1.5 * level,
        pr: 1.5,
        py: 0.9,
        borderLeft: 4,
        borderColor: on ? 'primary.main' : 'transparent',
        bgcolor: on ? 'action.selected' : 'transparent',
        fontFamily: 'inherit',
        fontSize: 15,
        overflowWrap: 'anywhere',
      }}
    >
      {children}
    </ButtonBase>
  );
}
