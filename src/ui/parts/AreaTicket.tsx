'use client';
/** An area of the list on the left: its colour, number, name, what is open, a few words and its grams. */
import Box from '@mui/material/Box';
import type { ReactNode } from 'react';
import type { Judged } from '@/core/known-findings';
import type { PlanPart } from '@/core/touched';
import { useOld } from './Figures';
import { Patch } from './Patch';
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

export function AreaTicket({ area, of, hex, grams, ...more }: AreaTicketProps) {
  const old = useOld({ of: [of], area });
  return <Ticket {...more} sample={<Patch hex={hex} high={30} label={null} />} figure={<Box {...old}>{grams}</Box>} />;
}
