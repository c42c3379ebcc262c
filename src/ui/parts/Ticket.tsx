'use client';
/** One line of a list on the left, pressed to take it in hand: sample, number, name, what is open, a few words, a figure. The one in hand is marked. */
import Box from '@mui/material/Box';
import ButtonBase from '@mui/material/ButtonBase';
import type { ReactNode } from 'react';
import type { Judged } from '@/core/known-findings';
import { setView, useDesk } from '@/desk/store';
import type { Pane } from '@/desk/view';
import { figures } from '@/ui/frame/theme';
import { OpenMark } from './OpenMark';

interface TicketProps {
  readonly on: boolean;
  readonly onClick: () => void;
  readonly name: ReactNode;
  readonly sample?: ReactNode;
  readonly number?: number;
  /** What is found about it. */
  readonly findings?: readonly Judged[];
  /** The name is a sentence: small, and no more than two lines of it. */
  readonly small?: boolean;
  /** What else there is to say, below the name. */
  readonly words?: ReactNode;
  /** A figure on the right. */
  readonly figure?: ReactNode;
  /** How far it is set in, in steps. */
  readonly level?: number;
  /** What is seen next where list, picture and docket are seen in turn. */
  readonly then?: Pane;
}

const TWO_LINES = {
  fontSize: 13,
  overflow: 'hidden',
  display: '-webkit-box',
  WebkitLineClamp: 2,
  WebkitBoxOrient: 'vertical',
} as const;

export function Ticket(p: TicketProps) {
  return (
    <ButtonBase
      onClick={() => {
        p.onClick();
        if (useDesk.getState().view.pane === 'list') setView({ pane: p.then ?? 'docket' });
      }}
      aria-current={p.on ? 'true' : undefined}
      sx={{
        width: '100%',
        display: 'grid',
        gridTemplateColumns: [p.sample && '34px', 'minmax(0,1fr)', p.figure !== undefined && 'auto']
          .filter(Boolean)
          .join(' '),
        gap: 1.25,
        textAlign: 'left',
        alignItems: 'center',
        pl: 1.5 + 1.5 * (p.level ?? 0),
        pr: 1.5,
        py: 0.9,
        borderLeft: 4,
        borderColor: p.on ? 'primary.main' : 'transparent',
        bgcolor: p.on ? 'action.selected' : 'transparent',
        fontFamily: 'inherit',
        fontSize: 15,
        overflowWrap: 'anywhere',
      }}
    >
      {p.sample}
      <Box sx={{ lineHeight: 1.3 }}>
        <Box sx={p.small ? TWO_LINES : { fontWeight: 700 }}>
          {p.number !== undefined && (
            <Box component="span" sx={{ ...figures, fontSize: 13, fontWeight: 400, mr: 0.75 }}>
              {p.number}
            </Box>
          )}
          {p.name}
          {p.findings && <OpenMark findings={p.findings} />}
        </Box>
        {p.words && <Box sx={{ fontSize: 13, color: 'text.secondary' }}>{p.words}</Box>}
      </Box>
      {p.figure !== undefined && <Box sx={{ ...figures, fontSize: 13, whiteSpace: 'nowrap' }}>{p.figure}</Box>}
    </ButtonBase>
  );
}

interface TicketsProps<T> {
  readonly label: string;
  readonly of: readonly T[];
  /** What stands there while there are none. */
  readonly none?: string;
  readonly children: (x: T, at: number) => ReactNode;
}

export function Tickets<T extends { readonly id: string }>({ label, of, none, children }: TicketsProps<T>) {
  return (
    <Box component="ul" aria-label={label} sx={{ listStyle: 'none', m: 0, py: 1, px: 0 }}>
      {of.map((x, i) => (
        <li key={x.id}>{children(x, i)}</li>
      ))}
      {of.length === 0 && none && (
        <Box component="li" sx={{ px: 1.5, fontSize: 13 }}>
          {none}
        </Box>
      )}
    </Box>
  );
}

/** The buttons below a list: what can be added, and the one in hand taken away. */
export const UnderTickets = ({ children }: { children: ReactNode }) => (
  <Box sx={{ display: 'flex', gap: 0.75, px: 1.5, pb: 1, flexWrap: 'wrap' }}>{children}</Box>
);
