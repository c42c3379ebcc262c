'use client';
/** Undo and redo; each says what it would take back. */
import Button from '@mui/material/Button';
import Tooltip from '@mui/material/Tooltip';
import { useMemo } from 'react';
import { useDesk, type Made } from '@/desk/store';
import { doAgain, lastInWords, takeBack } from '@/desk/undo';

export function UndoButtons() {
  const past = useDesk((s) => s.past);
  const future = useDesk((s) => s.future);
  return (
    <>
      <Step list={past} says="Undo" onClick={takeBack} />
      <Step list={future} says="Redo" onClick={doAgain} />
    </>
  );
}

function Step({ list, says, onClick }: { list: readonly Made[]; says: string; onClick: () => void }) {
  const canEdit = useDesk((s) => s.canEdit);
  const words = useMemo(() => lastInWords(list), [list]);
  const button = (
    <Button onClick={onClick} disabled={words === null || !canEdit}>
      {says}
    </Button>
  );
  return words === null || !canEdit ? button : <Tooltip title={`${says}: ${words}`}>{button}</Tooltip>;
}
