'use client';
/** A mark where something is to be decided: a cross where it stops the work, an exclamation where it needs care. */
import Box from '@mui/material/Box';
import { toDecide, type Judged } from '@/core/known-findings';

interface OpenMarkProps {
  /** Findings it stands for; notes and what is known do not count. */
  readonly findings: readonly Judged[];
  /** Says how many there are, too. */
  readonly counted?: boolean;
}

export function OpenMark({ findings, counted = false }: OpenMarkProps) {
  const open = findings.filter(toDecide);
  if (open.length === 0) return null;
  const stop = open.some((f) => f.severity === 'stop');
  return (
    <Box
      component="span"
      role="img"
      aria-label={counted ? `${open.length} to decide` : stop ? 'stop' : 'caution'}
      sx={{ ml: 0.75, color: stop ? 'error.main' : 'warning.main' }}
    >
      {stop ? '×' : '!'}
      {counted ? open.length : ''}
    </Box>
  );
}
