'use client';
/** An area of the list on the left: its colour, number, name, what is open, a few words and its grams. */
import Box from '@mui/material/Box';
import type { ReactNode } from 'react';
import type { Judged } from '@/core/known-findings';
import { figures } from '@/ui/frame/theme';
import type { PlanPart } from '@/core/touched';
import { useOld } from './Figures';
import { OpenMark } from './OpenMark';
import { Ticket } from './Ticket';

interface AreaTicketProps {
  readonly area: string;
  /** Where its figures come from. */
  readonly of: PlanPart;
  readonly number: number;
  readonly name: string;
  readonly on: boolean;
  readonly onClick: () => void;
  /** Null: bare, drawn dashed. */
  readonly hex: string | null;
  readonly words: string;
  readonly grams: ReactNode;
  readonly findings: readonly Judged[];
}

export function AreaTicket({ area, of, number, name, on, onClick, hex, words, grams, findings }: AreaTicketProps) {
  const old = useOld({ of: [of], area });
  return (
    <Ticket on={on} onClick={onClick} columns="34px 1fr auto">
      <Box
        sx={{
          width: 34,
          height: 30,
          bgcolor: hex ?? 'transparent',
          border: 1,
          borderStyle: hex ? 'solid' : 'dashed',
          borderColor: 'text.secondary',
        }}
      />
      <Box sx={{ minWidth: 0 }}>
        <Box sx={{ fontWeight: 700, lineHeight: 1.25 }}>
          <Box component="span" sx={{ ...figures, fontSize: 13, fontWeight: 400, mr: 0.75 }}>
            {number}
          </Box>
          {name}
          <OpenMark findings={findings} />
        </Box>
        <Box sx={{ fontSize: 13, color: 'text.secondary' }}>{words}</Box>
      </Box>
      <Box {...old} sx={{ ...figures, fontSize: 13 }}>
        {grams}
      </Box>
    </Ticket>
  );
}
