'use client';
/** Findings one below the other; what the maker knows of is folded away below them. */
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import { useRef, useState, type ReactNode } from 'react';
import type { Judged } from '@/core/known-findings';
import { FindingCard } from './FindingCard';

interface FindingListProps {
  readonly findings: readonly Judged[];
  readonly more?: (finding: Judged) => ReactNode;
}

export function FindingList({ findings, more }: FindingListProps) {
  const [unfolded, unfold] = useState(false);
  const fold = useRef<HTMLButtonElement>(null);
  /** Whoever works by key goes on where what was folded away has gone. */
  const folded = () => requestAnimationFrame(() => fold.current?.focus());
  const known = findings.filter((f) => f.known !== null);
  const card = (f: Judged) => <FindingCard key={f.id} finding={f} more={more?.(f)} onFolded={folded} />;
  return (
    <>
      {findings.filter((f) => f.known === null).map(card)}
      {known.length > 0 && (
        <Box sx={{ my: 1 }}>
          <Button ref={fold} variant="text" aria-expanded={unfolded} onClick={() => unfold(!unfolded)}>
            {known.length === 1 ? 'One you know of' : `${known.length} you know of`}
          </Button>
          {unfolded && known.map(card)}
        </Box>
      )}
    </>
  );
}
