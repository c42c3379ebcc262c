'use client';
/** The watch ran far longer than planned: at work, or away? Nothing is written down before that is answered. */
import Button from '@mui/material/Button';
import Dialog from '@mui/material/Dialog';
import DialogActions from '@mui/material/DialogActions';
import DialogContent from '@mui/material/DialogContent';
import DialogTitle from '@mui/material/DialogTitle';
import { useUnits } from '@/ui/parts/useUnits';

export interface Asked {
  readonly minutes: number;
  readonly planned: number;
  /** Goes on with the minutes to write down; undefined for what the watch says. */
  readonly answer: (took: number | undefined) => void;
}

export function Away({ asked, onClose }: { asked: Asked | null; onClose: () => void }) {
  const { q } = useUnits();
  if (!asked) return null;
  const time = (value: number) => q({ kind: 'time', value });
  const answer = (took: number | undefined) => () => {
    onClose();
    asked.answer(took);
  };
  return (
    <Dialog open onClose={onClose} aria-labelledby="away-title">
      <DialogTitle id="away-title">{time(asked.minutes)}: at work, or away?</DialogTitle>
      <DialogContent>
        {time(asked.planned)} were planned. Time away teaches the plan nothing; it can be put right later in the log.
      </DialogContent>
      <DialogActions sx={{ flexWrap: 'wrap', gap: 1 }}>
        <Button onClick={onClose}>Not done yet</Button>
        <Button onClick={answer(undefined)}>At work: {time(asked.minutes)}</Button>
        <Button variant="contained" autoFocus onClick={answer(asked.planned)}>
          Away: write down {time(asked.planned)}
        </Button>
      </DialogActions>
    </Dialog>
  );
}
